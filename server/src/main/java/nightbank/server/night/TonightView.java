package nightbank.server.night;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.house.Keeps;
import nightbank.core.system.Action;
import nightbank.core.unit.Figure;
import nightbank.server.house.LossView;
import org.jspecify.annotations.Nullable;

/**
 * The coming night of a house. Curves share {@code at} (epoch seconds); °C, J, W.
 *
 * @param verdict HELD, CLOSE or LOST; of a quick answer, by the middle night alone
 * @param coldestCelsius what is felt at the coldest: air, leaf, or what people feel
 * @param coldestIs AIR, LEAF or FELT
 * @param keeps what the house is kept for
 * @param marginKelvin coldest over the limit, best estimate
 * @param coldestTenth absent in a quick answer, as are the other figures of the ensemble
 * @param liftKelvin by how much the stores raise the coldest moment
 * @param balanceJoules usable heat that can still reach the house
 * @param shortJoules the least steady heat in the cold hours with which this night holds
 * @param shortWatts the same as power, from {@code shortFrom} on
 * @param shortCandles candles that give as much
 * @param shortWoodKilograms dry wood whose heat comes to as much
 * @param shortKind NONE, NO_STORE, HEAT (not enough) or SPEED (not fast enough)
 * @param setWarmerKelvin by how much thermostats of the house's air must be set warmer for it to
 *     hold; absent where that does not help, and in a quick answer
 * @param possible what can be done tonight in this house
 * @param advice absent in a quick answer
 */
@RecordBuilder
public record TonightView(
    UUID houseId,
    String verdict,
    double plantLimitCelsius,
    double coldestCelsius,
    String coldestIs,
    Keeps keeps,
    Instant coldestAt,
    double marginKelvin,
    Double coldestTenth,
    Double coldestNinetieth,
    Double chanceOfHolding,
    double withoutCelsius,
    double liftKelvin,
    double billJoules,
    double balanceJoules,
    double shortJoules,
    double shortWatts,
    Instant shortFrom,
    int shortCandles,
    double shortWoodKilograms,
    String shortKind,
    Double setWarmerKelvin,
    double coldDegreeHours,
    @Nullable Instant sunset,
    @Nullable Instant sunrise,
    List<Long> at,
    List<Double> outdoor,
    List<Double> air,
    List<Double> leaf,
    List<Double> plants,
    List<Double> low,
    List<Double> high,
    List<Double> without,
    List<StoreTonight> stores,
    List<PartTonight> parts,
    List<TonightQuestion.Doing> actions,
    List<Possible> possible,
    @Nullable AdviceView advice,
    List<What> counterfactuals,
    List<LossView> losses,
    List<NightCautionView> cautions,
    List<Assumption> assumptions) {

  /**
   * One store through the night.
   *
   * @param readAt when it was last read, absent without readings
   * @param reaches whether its heat reaches the house at all
   */
  @RecordBuilder
  public record StoreTonight(
      UUID id,
      String name,
      @Nullable Instant readAt,
      boolean reaches,
      double startCelsius,
      double startJoules,
      double chargedJoules,
      double deliveredJoules,
      double earlyJoules,
      double lostJoules,
      double hottestCelsius,
      List<Double> usable,
      List<Double> toHouseWatts) {}

  /**
   * A source, circuit or heat pump through the night.
   *
   * @param kind FIRE, FLAMES, HEATER, ELEMENT, SUNLIGHT, HEAP, CIRCUIT, HEAT_PUMP or ANIMALS
   * @param byItself whether it runs without anybody's hand
   * @param watts of heat that it gives or moves
   * @param endsJoules what each end of a circuit gave to its stream, what a heat pump took from its
   *     cold and its hot side; negative where it got heat
   */
  @RecordBuilder
  public record PartTonight(
      UUID id,
      String name,
      String kind,
      boolean byItself,
      double fuelJoules,
      double electricJoules,
      double heatJoules,
      double runSeconds,
      int starts,
      List<Double> watts,
      List<Double> endsJoules) {}

  /**
   * Something that can be done.
   *
   * @param of absent for the house
   * @param part what kind of part it is done to, STORE or HOUSE
   * @param usual a sensible amount to begin with, kg, W or flames; absent where there is none
   */
  public record Possible(
      Action.Kind kind, @Nullable UUID of, String name, String part, @Nullable Double usual) {}

  /**
   * What to do, or what comes nearest.
   *
   * @param untried combinations that might do and were not looked at
   * @param latest the last moment until which all of it may wait, absent where it does not hold
   */
  public record AdviceView(
      List<TonightQuestion.Doing> actions,
      double coldestCelsius,
      boolean holds,
      double minutes,
      String shortage,
      int untried,
      @Nullable Instant latest) {}

  /**
   * The same night with one thing otherwise, fuel and power spent all the same.
   *
   * @param peakKelvin by how much the evening's warmest air would be higher
   */
  public record What(String kind, String of, double gainKelvin, double peakKelvin) {}

  /** Something that can hurt people or break things. */
  public record NightCautionView(
      String code, String of, Instant at, String reason, String remedy, List<Figure> figures) {}

  /**
   * Something taken as given, and from where.
   *
   * @param worthKelvin by how much the coldest moment moves where it is as wrong as it may well be
   *     (one standard deviation either way), absent where that was not tried
   */
  public record Assumption(
      String code,
      @Nullable Double value,
      @Nullable Instant at,
      String of,
      @Nullable Double worthKelvin) {
    Assumption(String code, @Nullable Double value, @Nullable Instant at, String of) {
      this(code, value, at, of, null);
    }
  }
}
