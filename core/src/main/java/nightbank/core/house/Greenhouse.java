package nightbank.core.house;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The space to be kept from frost, or warm: skin, draught and gaps, floor, inner masses, a vent,
 * and what the plants stand.
 *
 * @param volumeCubicMetres air inside
 * @param airChangesPerHour at 4 m/s of wind at the house
 * @param airCapacity air with leaves, pots and staging that follow it at once, J/K
 * @param ventAboveCelsius air temperature at which vents begin to open, NaN without a vent
 * @param plantLimitCelsius below it the plants are lost, or what else it is kept for
 * @param stand what the outermost leaves see below them
 * @param windShare of the wind at ten metres that reaches the house
 * @param wetShare of the floor that gives off water like a wet cloth: 0 dry gravel, 0.3 beds
 *     between paths, 0.8 everything watered
 * @param keeps what it is kept for
 */
@RecordBuilder
public record Greenhouse(
    List<SkinPart> skin,
    double volumeCubicMetres,
    double airChangesPerHour,
    List<Gap> gaps,
    double airCapacity,
    List<InnerMass> masses,
    Optional<Floor> floor,
    double ventAboveCelsius,
    double plantLimitCelsius,
    Stand stand,
    double windShare,
    double wetShare,
    Keeps keeps) {

  /** ρ c of air near 5 °C, J/(m³ K); Incropera app. A. */
  public static final double AIR_HEAT = 1.27 * 1006;

  /** Wet share of the floor where nobody says (0 to 0.8). */
  public static final double USUAL_WET_SHARE = 0.3;

  /** Light contents as multiples of the air's own capacity; an estimate, 3 to 8 in practice. */
  private static final double LIGHT_CONTENTS = 5;

  private static final double MOST_CHANGES = 60; // per hour
  private static final double VENTED_CHANGES = 30; // per hour, vents wide open
  private static final double CLEAR = 0.07; // a tenth of the skin at 0.7
  private static final double STUFFED = 0.2; // of the air still passes rags, 0.1 to 0.4

  public Greenhouse {
    skin = List.copyOf(skin);
    gaps = List.copyOf(gaps);
    masses = List.copyOf(masses);
    within("volume", volumeCubicMetres, 1e-6, 200_000, "m³");
    within("air changes", airChangesPerHour, 0, MOST_CHANGES, "per hour");
    within("what must not get colder", plantLimitCelsius, -30, 30, "°C");
    within("share of the wind that reaches the house", windShare, 0, 1.5, "");
    within("wet share of the floor", wetShare, 0, 1, "");
  }

  private static void within(String what, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw new IllegalArgumentException(
          what + " must lie between " + low + " and " + high + " " + unit + ", was " + v);
    }
  }

  /**
   * A house of skin and air alone that stands in the full wind: no floor, no mass, no gaps, no
   * vent, seed trays.
   */
  public static Greenhouse of(
      List<SkinPart> skin,
      double volumeCubicMetres,
      double airChangesPerHour,
      double plantLimitCelsius) {
    return GreenhouseBuilder.builder()
        .skin(skin)
        .volumeCubicMetres(volumeCubicMetres)
        .airChangesPerHour(airChangesPerHour)
        .gaps(List.of())
        .airCapacity(volumeCubicMetres * AIR_HEAT * LIGHT_CONTENTS)
        .masses(List.of())
        .floor(Optional.empty())
        .ventAboveCelsius(Double.NaN)
        .plantLimitCelsius(plantLimitCelsius)
        .stand(Stand.OPEN)
        .windShare(1)
        .wetShare(USUAL_WET_SHARE)
        .keeps(Keeps.PLANTS)
        .build();
  }

  public Greenhouse withSkin(List<SkinPart> parts) {
    return GreenhouseBuilder.builder(this).skin(parts).build();
  }

  public Greenhouse withGaps(List<Gap> newGaps) {
    return GreenhouseBuilder.builder(this).gaps(newGaps).build();
  }

  public Greenhouse withAirCapacity(double joulesPerKelvin) {
    return GreenhouseBuilder.builder(this).airCapacity(joulesPerKelvin).build();
  }

  public Greenhouse withMasses(List<InnerMass> newMasses) {
    return GreenhouseBuilder.builder(this).masses(newMasses).build();
  }

  public Greenhouse withFloor(Floor newFloor) {
    return GreenhouseBuilder.builder(this).floor(Optional.of(newFloor)).build();
  }

  public Greenhouse withVentAbove(double celsius) {
    return GreenhouseBuilder.builder(this).ventAboveCelsius(celsius).build();
  }

  public Greenhouse withPlantLimit(double celsius) {
    return GreenhouseBuilder.builder(this).plantLimitCelsius(celsius).build();
  }

  public Greenhouse withStand(Stand newStand) {
    return GreenhouseBuilder.builder(this).stand(newStand).build();
  }

  public Greenhouse withWindShare(double share) {
    return GreenhouseBuilder.builder(this).windShare(share).build();
  }

  public Greenhouse withWetShare(double share) {
    return GreenhouseBuilder.builder(this).wetShare(share).build();
  }

  public Greenhouse keeping(Keeps what) {
    return GreenhouseBuilder.builder(this).keeps(what).build();
  }

  /** A house with parts of its skin changed, and its draught by a factor. */
  public Greenhouse changed(UnaryOperator<SkinPart> part, double leakFactor) {
    return GreenhouseBuilder.builder(this)
        .skin(skin.stream().map(part).toList())
        .airChangesPerHour(airChangesPerHour * leakFactor)
        .gaps(
            gaps.stream()
                .map(g -> new Gap(g.name(), g.lengthMetres(), g.widthMetres() * leakFactor))
                .toList())
        .build();
  }

  /** A house whose skin and draught are changed by factors, for ensembles. */
  public Greenhouse scaled(double skinFactor, double leakFactor) {
    return changed(p -> p.times(skinFactor), leakFactor);
  }

  /** The largest factor on every part of the skin that leaves a house that can be. */
  public double mostSkinFactor() {
    double most = 1;
    for (SkinPart part : skin) {
      most = Math.max(most, part.heatFactor());
    }
    return SkinPart.MOST_FACTOR / most;
  }

  /** The same for draught and gaps. */
  public double mostLeakFactor() {
    double most = MOST_CHANGES / Math.max(0.01, airChangesPerHour);
    for (Gap gap : gaps) {
      most = Math.min(most, Gap.WIDEST / gap.widthMetres());
    }
    return most;
  }

  /** A house whose slow and light contents hold so many times the heat. */
  public Greenhouse heavier(double factor) {
    return GreenhouseBuilder.builder(this)
        .airCapacity(airCapacity * factor)
        .masses(masses.stream().map(m -> new InnerMass(m.capacity() * factor, m.tie())).toList())
        .build();
  }

  /** Whether the sun warms it: a tenth of its skin at least is glass or film. */
  public boolean letsInSun() {
    double all = 0;
    double clear = 0;
    for (SkinPart part : skin) {
      all += part.areaSquareMetres();
      clear += part.areaSquareMetres() * part.solarShare();
    }
    return clear > CLEAR * all;
  }

  /** Wind at the house, m/s. */
  public double windHere(double atTenMetres) {
    return windShare * atTenMetres;
  }

  /** Outside air that draught and gaps let in at ten kelvin of excess, W/K. */
  public double draughtCoefficient(double windAtTenMetres) {
    return draught(windHere(windAtTenMetres), 10, false) * AIR_HEAT;
  }

  /** n V (0.5 + 0.125 v)/3600 and the gaps' own, m³/s; v at the house. */
  double draught(double wind, double excessKelvin, boolean stuffed) {
    double passes = stuffed ? STUFFED : 1;
    double perSecond = airChangesPerHour * (0.5 + 0.125 * wind) * volumeCubicMetres / 3600;
    for (int i = 0; i < gaps.size(); i++) {
      perSecond += passes * gaps.get(i).cubicMetresPerSecond(excessKelvin, wind);
    }
    return perSecond;
  }

  /** Open vents, m³/s: opening over two kelvin above their set point. */
  double vented(double air) {
    double open = Math.min(1, Math.max(0, (air - ventAboveCelsius) / 2)); // NaN stays shut
    return open > 0 ? open * VENTED_CHANGES * volumeCubicMetres / 3600 : 0;
  }

  /**
   * Loss through skin, draught and edge over the difference between air and outdoors, W/K: air and
   * floor ten kelvin above outdoors of -5 °C, the sky as warm as the air, earth as warm as the
   * house, nothing wet.
   */
  public double lossCoefficient(double windAtTenMetres) {
    HouseLosses.Conditions still =
        new HouseLosses.Conditions(
            5, 5, -5, -5, windAtTenMetres, Double.NEGATIVE_INFINITY, 5, false);
    return HouseLosses.at(this, still).watts() / 10;
  }
}
