package nightbank.server.alarm;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.system.Action;
import org.jspecify.annotations.Nullable;

/**
 * What is known of an alarm.
 *
 * @param of the name of the house, store, probe or logger
 * @param store or house that it opens, absent for none
 * @param verdict of a night, empty for all else
 * @param celsius coldest, hottest or last, °C
 * @param limit °C
 * @param at when that is, or when it was last heard of
 * @param doings what is advised, in order
 * @param latest until when that may wait, absent where it is not known
 * @param wood absent where it is not of wood
 */
public record AlarmFacts(
    String of,
    @Nullable UUID opens,
    String verdict,
    @Nullable Double celsius,
    @Nullable Double limit,
    @Nullable Instant at,
    List<AlarmDoing> doings,
    @Nullable Instant latest,
    @Nullable ShortWood wood) {

  /**
   * Something to do.
   *
   * @param of what it is done to by its name, empty for the house
   * @param part what kind of part that is, empty where it is none
   * @param to when it ends
   */
  public record AlarmDoing(
      Action.Kind kind,
      String of,
      String part,
      Instant from,
      Instant to,
      @Nullable Double amount) {}

  /**
   * Wood that will not do.
   *
   * @param readyKilograms that lie dry
   * @param askedKilograms of the next three days
   */
  public record ShortWood(double readyKilograms, double askedKilograms) {}

  static AlarmFacts of(
      String name,
      @Nullable UUID opens,
      @Nullable Double celsius,
      @Nullable Double limit,
      @Nullable Instant at) {
    return new AlarmFacts(name, opens, "", celsius, limit, at, List.of(), null, null);
  }
}
