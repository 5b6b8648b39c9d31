package nightbank.server.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import nightbank.core.judgement.BeforeAfter;
import nightbank.core.retrofit.Retrofit;
import nightbank.server.sizing.RankingView;
import org.jspecify.annotations.Nullable;

/**
 * A change that is meant to be made, or was.
 *
 * @param of the store or part that it is made to, absent for the house
 * @param name of that, as it was called then; blank for the house
 * @param amount metres, m², bodies, litres, W, kg or K, by its kind
 * @param doneOn the first evening with it, absent while it is not made
 * @param shownByLows whether the lows in the house tell what it did
 * @param shown what the nights show, absent before there are enough on either side
 */
public record PlanView(
    UUID id,
    UUID houseId,
    Retrofit.Kind kind,
    @Nullable UUID of,
    String name,
    double amount,
    Foretold told,
    Instant keptAt,
    @Nullable LocalDate doneOn,
    boolean shownByLows,
    @Nullable Shown shown) {

  /**
   * What was told of it, made alone.
   *
   * @param nights of the winter that it was told by
   * @param lost of them as the place was
   * @param saved nights
   * @param warmerKelvin in the coldest tenth of nights
   * @param money absent where a price was missing
   */
  public record Foretold(
      int nights,
      RankingView.Told lost,
      RankingView.Told saved,
      RankingView.Told warmerKelvin,
      @Nullable Double money,
      String currency,
      double hours) {}

  /**
   * The house's lows since, at the same cold outdoors as before; no farther than the next change on
   * either side.
   *
   * @param warmerKelvin with its 95 % confidence interval
   * @param otherCold whether the cold before and since hardly overlaps
   */
  public record Shown(
      int nightsBefore,
      int nightsAfter,
      double warmerKelvin,
      double lowKelvin,
      double highKelvin,
      boolean otherCold,
      BeforeAfter.Kept kept) {
    static Shown of(BeforeAfter b, RankingView.Told told) {
      return new Shown(
          b.nightsBefore(),
          b.nightsAfter(),
          b.warmer(),
          b.low(),
          b.high(),
          b.otherCold(),
          b.against(told.low(), told.high()));
    }
  }
}
