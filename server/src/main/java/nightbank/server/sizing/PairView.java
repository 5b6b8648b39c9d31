package nightbank.server.sizing;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;

/** Both sides of a pair; rows share {@code at}, heat in J. */
public record PairView(
    String school,
    double limitCelsius,
    Instant sunset,
    Instant sunrise,
    List<Long> at,
    List<Double> outdoor,
    Side first,
    Side second,
    List<Why> why) {

  /** One design's night. */
  @RecordBuilder
  public record Side(
      List<Double> plants,
      List<Double> usableJoules,
      List<Double> toHouseWatts,
      double lowestCelsius,
      Instant lowestAt,
      double chargedJoules,
      double deliveredJoules,
      double earlyJoules,
      double lostJoules,
      double roomJoules,
      double leftJoules,
      double hottestCelsius) {}

  /** A difference, the weightiest first. */
  public record Why(String reason, double first, double second) {}
}
