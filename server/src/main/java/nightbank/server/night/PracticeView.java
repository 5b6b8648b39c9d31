package nightbank.server.night;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.forecast.Verdict;
import nightbank.core.system.Action;
import nightbank.server.night.TonightQuestion.Doing;
import org.jspecify.annotations.Nullable;

/**
 * A night that is practised.
 *
 * @param now what it is o'clock in it
 * @param rang whether the alarm has just woken who slept
 * @param possible what can be done in this place
 * @param dawn absent until the night is over
 */
public record PracticeView(
    UUID id,
    UUID houseId,
    Instant begins,
    Instant now,
    Instant ends,
    boolean rang,
    Said said,
    double plantLimitCelsius,
    SeenView seen,
    List<TonightView.Possible> possible,
    List<Doing> doings,
    @Nullable DawnView dawn) {

  /** What the forecast said of the evening, nothing done. */
  public record Said(
      double lowCelsius,
      double cloud,
      double wind,
      double chance,
      double lowestTenth,
      double lowestMedian,
      Verdict verdict) {}

  /** What thermometers have shown so far. */
  public record SeenView(
      List<Instant> at, List<Double> air, List<Double> outdoor, List<StoreSeen> stores) {}

  public record StoreSeen(UUID id, String name, List<Double> celsius) {}

  /**
   * What came of it.
   *
   * @param left by store; absent of nights that ended before it was kept, as is the next
   * @param turned loops that took more out of the house than they brought
   * @param advisedAir what would have been seen with the advice, at the moments of what was seen;
   *     absent of nights that ended before it was kept
   */
  public record DawnView(
      WayView own,
      WayView advised,
      WayView idle,
      List<Doing> advice,
      @Nullable List<Double> advisedAir,
      @Nullable List<LeftView> left,
      @Nullable List<TurnedView> turned,
      List<DecisionView> decisions) {}

  /**
   * A store, from dusk to dawn, by its warmest place.
   *
   * @param idleCelsius at dawn if nothing had been done
   * @param putJoules into it, more than if nothing had been done
   * @param keptJoules of it that had not come out by dawn
   * @param late whether that is much of it
   * @param overdrawn whether it is a heap that no longer heats as it did
   */
  public record LeftView(
      String name,
      double beganCelsius,
      double dawnCelsius,
      double idleCelsius,
      double putJoules,
      double keptJoules,
      boolean late,
      boolean overdrawn) {}

  /** A loop that took heat out of the house. */
  public record TurnedView(String name, double joules) {}

  /** A way of going through the night. */
  public record WayView(
      boolean held, double lowestCelsius, Instant lowestAt, double minutes, double woodKilograms) {}

  /**
   * A decision that mattered.
   *
   * @param name of the part or store, blank for the house
   * @param done whether it was done, or would have been advised and was left
   * @param kelvin by which the coldest was warmer for it, or would have been
   */
  public record DecisionView(
      Action.Kind kind,
      String name,
      @Nullable Double amount,
      Instant at,
      boolean done,
      double kelvin) {}

  /** A night that was practised to its end. */
  public record PastView(UUID id, UUID houseId, Instant begunAt, boolean held, double lowest) {}
}
