package nightbank.server.upkeep;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.upkeep.WoodStack.Cover;
import org.jspecify.annotations.Nullable;

/**
 * A holding's wood.
 *
 * @param stacks the driest first
 * @param dryEnough moisture of the whole mass below which wood is fit to burn
 * @param readyKilograms of stacks that are dry enough now
 * @param fires that were logged since the first stack was made
 * @param unweighed how many of them without their wood, which takes nothing off a stack
 * @param burntKilograms of the weighed ones
 * @param missingKilograms burnt that lay on no stack
 * @param asked what the season will ask still, absent where too few fires tell
 */
public record WoodView(
    List<StackView> stacks,
    double dryEnough,
    double readyKilograms,
    int fires,
    int unweighed,
    double burntKilograms,
    double missingKilograms,
    @Nullable AskedView asked) {
  /**
   * A stack.
   *
   * @param madeKilograms at {@code since}
   * @param measured moisture of the whole mass then, absent where it was taken as green
   * @param kilograms left now
   * @param moisture of the whole mass now
   * @param low were it to dry faster
   * @param high slower
   * @param ready when it is dry enough, absent where never as it lies
   * @param course of its moisture, from {@code since} or a year ago to a year ahead
   */
  public record StackView(
      UUID id,
      String name,
      double madeKilograms,
      double thicknessMetres,
      Cover cover,
      @Nullable Double measured,
      Instant since,
      double kilograms,
      double moisture,
      double low,
      double high,
      double megajoules,
      @Nullable Instant ready,
      List<PointView> course) {}

  /** Moisture of the whole mass on a day. */
  public record PointView(Instant at, double moisture) {}

  /**
   * Kilograms that are asked until a day, with one standard uncertainty both ways.
   *
   * @param kindlingKilograms of the three days' wood, split thin for lighting
   */
  public record AskedView(
      double kilograms,
      double low,
      double high,
      Instant until,
      double threeDaysKilograms,
      double kindlingKilograms) {}
}
