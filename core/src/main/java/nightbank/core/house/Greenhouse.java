package nightbank.core.house;

import java.util.List;
import nightbank.core.weather.Sky;

/**
 * The space to be kept from frost: skin, draught, one inner mass, and what the plants stand.
 *
 * @param volumeCubicMetres air inside
 * @param airChangesPerHour at 4 m/s of wind
 * @param airCapacity air with leaves, pots and staging that follow it at once, J/K
 * @param plantLimitCelsius below it the plants are lost
 */
public record Greenhouse(
    List<SkinPart> skin,
    double volumeCubicMetres,
    double airChangesPerHour,
    double airCapacity,
    InnerMass mass,
    double plantLimitCelsius) {

  /** ρ c of air near 5 °C, J/(m³ K); Incropera app. A. */
  public static final double AIR_HEAT = 1.27 * 1006;

  /** Light contents as multiples of the air's own capacity; an estimate, 3 to 8 in practice. */
  private static final double LIGHT_CONTENTS = 5;

  public Greenhouse {
    skin = List.copyOf(skin);
    if (!(volumeCubicMetres > 0 && volumeCubicMetres <= 200_000)) {
      throw new IllegalArgumentException(
          "volume must lie between 0 and 200000 m³, was " + volumeCubicMetres + " m³");
    }
    if (!(airChangesPerHour >= 0 && airChangesPerHour <= 60)) {
      throw new IllegalArgumentException(
          "air changes must lie between 0 and 60 per hour, was " + airChangesPerHour);
    }
    if (!(plantLimitCelsius >= -30 && plantLimitCelsius <= 30)) {
      throw new IllegalArgumentException(
          "plants' limit must lie between -30 and 30 °C, was " + plantLimitCelsius + " °C");
    }
  }

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
        volumeCubicMetres * AIR_HEAT * LIGHT_CONTENTS,
        mass,
        plantLimitCelsius);
  }

  /** A house whose skin and draught are changed by factors, for ensembles. */
  public Greenhouse scaled(double skinFactor, double leakFactor) {
    return new Greenhouse(
        skin.stream()
            .map(
                p ->
                    new SkinPart(
                        p.name(),
                        p.areaSquareMetres(),
                        p.transmittance() * skinFactor,
                        p.skyView()))
            .toList(),
        volumeCubicMetres,
        airChangesPerHour * leakFactor,
        airCapacity,
        mass,
        plantLimitCelsius);
  }

  /** Loss through skin and draught per kelvin between air and outdoors, W/K. */
  public double lossCoefficient(double wind) {
    double watts = draughtCoefficient(wind);
    for (int i = 0; i < skin.size(); i++) {
      SkinPart part = skin.get(i);
      watts += part.areaSquareMetres() * part.transmittanceInWind(wind);
    }
    return watts;
  }

  /** n V ρ c (0.5 + 0.125 v) / 3600, W/K. */
  public double draughtCoefficient(double wind) {
    return airChangesPerHour * (0.5 + 0.125 * wind) * volumeCubicMetres * AIR_HEAT / 3600;
  }

  /** What a cold sky draws beyond the loss to outdoor air, W. */
  public double skyWatts(double wind, double outdoor, double cloud) {
    double sky = Sky.celsius(outdoor, cloud);
    double watts = 0;
    for (int i = 0; i < skin.size(); i++) {
      watts += skin.get(i).skyWatts(wind, outdoor, sky);
    }
    return watts;
  }

  /** Watts to hold the plants' limit in this weather once the mass has nothing left to give. */
  public double demandWatts(double wind, double outdoor, double cloud) {
    return Math.max(
        0, lossCoefficient(wind) * (plantLimitCelsius - outdoor) + skyWatts(wind, outdoor, cloud));
  }
}
