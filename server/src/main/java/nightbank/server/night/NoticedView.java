package nightbank.server.night;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.friend.Rule;
import org.jspecify.annotations.Nullable;

/**
 * What an experienced friend would say of a house now.
 *
 * @param remarks the weightiest first, three at the most
 * @param putAway how many this person does not want to be told again, in the whole holding
 */
public record NoticedView(List<RemarkView> remarks, int putAway) {
  /**
   * One thing noticed.
   *
   * @param of the house, store or part that it is said of
   * @param seen what was read, in the unit of its rule
   * @param against what it was held against, in the same
   * @param at when, absent where no moment is meant
   */
  public record RemarkView(
      Rule rule, UUID of, String name, double seen, double against, @Nullable Instant at) {}
}
