package nightbank.server.alarm;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Who is warned of what.
 *
 * @param on whether anything is watched
 * @param quietFrom by the clock of the place, {@code HH:mm}; from then on what can wait is not told
 * @param againMinutes between one telling and the next, until somebody has seen it; 5 to 240
 */
public record AlarmBook(
    boolean on, String quietFrom, String quietTo, int againMinutes, List<Recipient> recipients) {

  /**
   * One who is told.
   *
   * @param mail address, absent for none
   * @param hook address to which it is posted, absent for none
   * @param secret that what is posted is signed with; made here where it is absent
   * @param fahrenheit whether temperatures are told in °F
   * @param kinds of alarm
   */
  public record Recipient(
      UUID id,
      String name,
      @Nullable String mail,
      @Nullable String hook,
      @Nullable String secret,
      boolean fahrenheit,
      Set<AlarmKind> kinds) {}

  static AlarmBook off() {
    return new AlarmBook(false, "22:30", "06:00", 30, List.of());
  }
}
