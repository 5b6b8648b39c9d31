package nightbank.server.night;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * The coming night of a house. Curves share {@code at} (epoch seconds); °C, J, W.
 *
 * @param verdict HELD, CLOSE or LOST
 * @param marginKelvin coldest air over the plants' limit, best estimate
 * @param liftKelvin by how much the stores raise the coldest moment
 * @param shortKind NONE, ENERGY (not enough heat) or POWER (not fast enough)
 */
public record TonightView(
    UUID houseId,
    String verdict,
    double plantLimitCelsius,
    double coldestCelsius,
    Instant coldestAt,
    double marginKelvin,
    double coldestTenth,
    double coldestNinetieth,
    double chanceOfHolding,
    double withoutCelsius,
    double liftKelvin,
    double billJoules,
    double balanceJoules,
    double shortJoules,
    String shortKind,
    double coldDegreeHours,
    Instant sunset,
    Instant sunrise,
    List<Long> at,
    List<Double> outdoor,
    List<Double> air,
    List<Double> airLow,
    List<Double> airHigh,
    List<Double> without,
    List<StoreTonight> stores,
    List<Assumption> assumptions) {

  /**
   * One store through the night.
   *
   * @param readAt when it was last read, absent without readings
   */
  public record StoreTonight(
      UUID id,
      String name,
      Instant readAt,
      double startCelsius,
      double startJoules,
      double deliveredJoules,
      double earlyJoules,
      double lostJoules,
      List<Double> usable,
      List<Double> toHouseWatts) {}

  /** Something taken as given, and from where. */
  public record Assumption(String code, Double value, Instant at, String of) {}
}
