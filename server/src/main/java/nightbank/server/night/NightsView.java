package nightbank.server.night;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The nights ahead.
 *
 * @param nights tonight first
 * @param knownTo the last sunrise that the weather is known to
 * @param breaksFirst place of the first night that is not held, absent where all are
 * @param advice absent in a quick answer
 * @param noticed that a later night hangs on today, empty as a rule
 * @param stepSeconds longest step of the reckoning
 */
public record NightsView(
    List<NightView> nights,
    Instant knownTo,
    @Nullable Integer breaksFirst,
    @Nullable DaysAdviceView advice,
    List<NoticedView.RemarkView> noticed,
    double stepSeconds) {

  /**
   * One night.
   *
   * @param coldestTenth lowest that nine in ten stay above, °C
   * @param actions planned for the day before it and for the night itself
   */
  public record NightView(
      Instant dusk,
      Instant dawn,
      double outdoorLowest,
      double coldestCelsius,
      Instant coldestAt,
      double coldestTenth,
      double chanceOfHolding,
      String verdict,
      List<TonightQuestion.Doing> actions) {}

  /**
   * The least work that was found to hold all of them.
   *
   * @param actions with what is planned anyway
   * @param latest the last moment at which the first thing to do still helps, absent where it is
   *     not known
   */
  public record DaysAdviceView(
      List<TonightQuestion.Doing> actions,
      boolean holds,
      double minutes,
      @Nullable Instant latest) {}
}
