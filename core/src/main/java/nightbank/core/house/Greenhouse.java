package nightbank.core.house;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nightbank.core.weather.Sky;

/**
 * The space to be kept from frost: skin, draught and gaps, floor, inner masses, a vent, and what
 * the plants stand.
 *
 * @param volumeCubicMetres air inside
 * @param airChangesPerHour at 4 m/s of wind
 * @param airCapacity air with leaves, pots and staging that follow it at once, J/K
 * @param ventAboveCelsius air temperature at which vents begin to open, NaN without a vent
 * @param plantLimitCelsius below it the plants are lost
 */
public record Greenhouse(
    List<SkinPart> skin,
    double volumeCubicMetres,
    double airChangesPerHour,
    List<Gap> gaps,
    double airCapacity,
    List<InnerMass> masses,
    Optional<Floor> floor,
    double ventAboveCelsius,
    double plantLimitCelsius) {

  /** ρ c of air near 5 °C, J/(m³ K); Incropera app. A. */
  public static final double AIR_HEAT = 1.27 * 1006;

  /** Light contents as multiples of the air's own capacity; an estimate, 3 to 8 in practice. */
  private static final double LIGHT_CONTENTS = 5;

  private static final double MOST_CHANGES = 60; // per hour
  private static final double VENTED_CHANGES = 30; // per hour, vents wide open

  public Greenhouse {
    skin = List.copyOf(skin);
    gaps = List.copyOf(gaps);
    masses = List.copyOf(masses);
    if (!(volumeCubicMetres > 0 && volumeCubicMetres <= 200_000)) {
      throw new IllegalArgumentException(
          "volume must lie between 0 and 200000 m³, was " + volumeCubicMetres + " m³");
    }
    if (!(airChangesPerHour >= 0 && airChangesPerHour <= MOST_CHANGES)) {
      throw new IllegalArgumentException(
          "air changes must lie between 0 and 60 per hour, was " + airChangesPerHour);
    }
    if (!(plantLimitCelsius >= -30 && plantLimitCelsius <= 30)) {
      throw new IllegalArgumentException(
          "plants' limit must lie between -30 and 30 °C, was " + plantLimitCelsius + " °C");
    }
  }

  /** A house with one inner mass, no soil, no gaps and no vent. */
  public static Greenhouse of(
      List<SkinPart> skin,
      double volumeCubicMetres,
      double airChangesPerHour,
      InnerMass mass,
      double plantLimitCelsius) {
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        List.of(),
        volumeCubicMetres * AIR_HEAT * LIGHT_CONTENTS,
        List.of(mass),
        Optional.empty(),
        Double.NaN,
        plantLimitCelsius);
  }

  public Greenhouse withGaps(List<Gap> newGaps) {
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        newGaps,
        airCapacity,
        masses,
        floor,
        ventAboveCelsius,
        plantLimitCelsius);
  }

  public Greenhouse withMasses(List<InnerMass> newMasses) {
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        gaps,
        airCapacity,
        newMasses,
        floor,
        ventAboveCelsius,
        plantLimitCelsius);
  }

  public Greenhouse withFloor(Floor newFloor) {
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        gaps,
        airCapacity,
        masses,
        Optional.of(newFloor),
        ventAboveCelsius,
        plantLimitCelsius);
  }

  public Greenhouse withVentAbove(double celsius) {
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        gaps,
        airCapacity,
        masses,
        floor,
        celsius,
        plantLimitCelsius);
  }

  public Greenhouse withPlantLimit(double celsius) {
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        gaps,
        airCapacity,
        masses,
        floor,
        ventAboveCelsius,
        celsius);
  }

  /** A house with parts of its skin changed, and its draught by a factor. */
  public Greenhouse changed(UnaryOperator<SkinPart> part, double leakFactor) {
    return new Greenhouse(
        skin.stream().map(part).toList(),
        volumeCubicMetres,
        airChangesPerHour * leakFactor,
        gaps.stream()
            .map(g -> new Gap(g.name(), g.lengthMetres(), g.widthMetres() * leakFactor))
            .toList(),
        airCapacity,
        masses,
        floor,
        ventAboveCelsius,
        plantLimitCelsius);
  }

  /** A house whose skin and draught are changed by factors, for ensembles. */
  public Greenhouse scaled(double skinFactor, double leakFactor) {
    return changed(p -> p.times(skinFactor), leakFactor);
  }

  /** The largest factor on every part of the skin that leaves a house that can be. */
  public double mostSkinFactor() {
    double most = 1;
    for (SkinPart part : skin) {
      most = Math.max(most, part.transmittance());
    }
    return SkinPart.MOST_TRANSMITTANCE / most;
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
    return new Greenhouse(
        skin,
        volumeCubicMetres,
        airChangesPerHour,
        gaps,
        airCapacity * factor,
        masses.stream().map(m -> new InnerMass(m.capacity() * factor, m.tie())).toList(),
        floor,
        ventAboveCelsius,
        plantLimitCelsius);
  }

  /** Skin to open air, W/K. */
  double skinCoefficient(double wind, boolean screen) {
    double watts = 0;
    for (int i = 0; i < skin.size(); i++) {
      SkinPart part = skin.get(i);
      watts += part.shared() ? 0 : part.areaSquareMetres() * part.transmittance(wind, screen);
    }
    return watts;
  }

  /** Shared walls, W/K; their rooms' temperatures are in {@link #sharedPull}. */
  double sharedCoefficient() {
    double watts = 0;
    for (int i = 0; i < skin.size(); i++) {
      SkinPart part = skin.get(i);
      watts += part.shared() ? part.areaSquareMetres() * part.transmittance(4, false) : 0;
    }
    return watts;
  }

  /** Σ U A T over shared walls, W. */
  double sharedPull() {
    double watts = 0;
    for (int i = 0; i < skin.size(); i++) {
      SkinPart part = skin.get(i);
      watts +=
          part.shared()
              ? part.areaSquareMetres() * part.transmittance(4, false) * part.beyondCelsius()
              : 0;
    }
    return watts;
  }

  /** Loss through skin and draught per kelvin between air and outdoors, W/K. */
  public double lossCoefficient(double wind) {
    return skinCoefficient(wind, false) + sharedCoefficient() + draughtCoefficient(wind, 10);
  }

  /** Draught at ten kelvin of excess, W/K. */
  public double draughtCoefficient(double wind) {
    return draughtCoefficient(wind, 10);
  }

  /** n V ρ c (0.5 + 0.125 v) / 3600 and the gaps' own, W/K. */
  public double draughtCoefficient(double wind, double excessKelvin) {
    return draughtCoefficient(wind, excessKelvin, false);
  }

  /** As before, with rags in the gaps: a fifth of the air still passes (estimate, 0.1 to 0.4). */
  double draughtCoefficient(double wind, double excessKelvin, boolean stuffed) {
    double passes = stuffed ? 0.2 : 1;
    double perSecond = airChangesPerHour * (0.5 + 0.125 * wind) * volumeCubicMetres / 3600;
    for (int i = 0; i < gaps.size(); i++) {
      perSecond += passes * gaps.get(i).cubicMetresPerSecond(excessKelvin, wind);
    }
    return perSecond * AIR_HEAT;
  }

  /** Open vents, W/K: opening over two kelvin above their set point. */
  double ventCoefficient(double air) {
    double open = Math.min(1, Math.max(0, (air - ventAboveCelsius) / 2)); // NaN stays shut
    return open > 0 ? open * VENTED_CHANGES * volumeCubicMetres * AIR_HEAT / 3600 : 0;
  }

  /** What a cold sky draws beyond the loss to outdoor air, W; through transparent film included. */
  public double skyWatts(double wind, double outdoor, double sky, boolean screen) {
    double watts = 0;
    for (int i = 0; i < skin.size(); i++) {
      watts += skin.get(i).skyWatts(wind, outdoor, sky, screen);
    }
    return watts;
  }

  /** As {@link #skyWatts(double, double, double, boolean)} under so much cloud. */
  public double skyWatts(double wind, double outdoor, double cloud) {
    return skyWatts(wind, outdoor, Sky.celsius(outdoor, Double.NaN, cloud), false);
  }

  /**
   * Radiative tie from the floor straight to the sky through film that lets long waves through,
   * W/K: Σ A cos(tilt) τ F 4 σ T³ at 5 °C; the floor gives no more than lies under the film.
   */
  double throughFilm(boolean screen) {
    double tie = 0;
    for (int i = 0; i < skin.size(); i++) {
      SkinPart p = skin.get(i);
      boolean open = p.longWaveShare() > 0 && !(screen && p.screenResistance() > 0);
      tie +=
          open
              ? p.areaSquareMetres()
                  * Math.cos(Math.toRadians(p.tiltDegrees()))
                  * p.longWaveShare()
                  * p.skyView()
                  * 4.88
              : 0;
    }
    return tie;
  }

  /** Watts to hold the plants' limit in this weather once the masses have nothing left to give. */
  public double demandWatts(double wind, double outdoor, double sky, boolean screen) {
    double excess = plantLimitCelsius - outdoor;
    return Math.max(
        0,
        (skinCoefficient(wind, screen) + draughtCoefficient(wind, excess)) * excess
            + sharedCoefficient() * plantLimitCelsius
            - sharedPull()
            + skyWatts(wind, outdoor, sky, screen)
            + throughFilm(screen) * (plantLimitCelsius - sky)
            + floor
                .map(f -> f.perimeterMetres() * f.edgeWattsPerMetreKelvin() * excess)
                .orElse(0.0));
  }
}
