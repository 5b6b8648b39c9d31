package nightbank.core.medium;

import java.util.Objects;

/**
 * What a store is filled with.
 *
 * @param id catalogue key
 * @param name as the grower reads it
 * @param kind whether it stays put or mixes
 * @param moisture wet-basis water share, 0 to 1
 * @param density kg/m³ as filled
 * @param specificHeat J/(kg K) at 20 °C
 * @param law how specific heat goes with temperature
 * @param conductivity W/(m K); of no use for water, which moves
 * @param dryConductivity W/(m K) once its water has been driven off; the same where it holds none
 * @param highestCelsius highest safe temperature, °C
 * @param source where the numbers come from
 */
public record Medium(
    String id,
    String name,
    Kind kind,
    double moisture,
    Range density,
    Range specificHeat,
    HeatLaw law,
    Range conductivity,
    double dryConductivity,
    double highestCelsius,
    String source) {

  /** A medium that holds no water. */
  public Medium(
      String id,
      String name,
      Kind kind,
      double moisture,
      Range density,
      Range specificHeat,
      HeatLaw law,
      Range conductivity,
      double highestCelsius,
      String source) {
    this(
        id,
        name,
        kind,
        moisture,
        density,
        specificHeat,
        law,
        conductivity,
        conductivity.value(),
        highestCelsius,
        source);
  }

  /** Solid bodies conduct; water mixes. */
  public enum Kind {
    SOLID,
    WATER
  }

  /** How specific heat goes with temperature. */
  public enum HeatLaw {
    CONSTANT,
    QUARTZ,
    DAMP_QUARTZ,
    WATER
  }

  public Medium {
    Objects.requireNonNull(id);
    within("density", density, 10, 20_000, "kg/m³");
    within("specific heat", specificHeat, 100, 10_000, "J/(kg K)");
    within("conductivity", conductivity, 0.01, 500, "W/(m K)");
    if (!(moisture >= 0 && moisture < 0.9)) {
      throw new IllegalArgumentException("moisture must lie in 0 to 0.9, was " + moisture);
    }
    if (!(highestCelsius >= 20 && highestCelsius <= 2000)) {
      throw new IllegalArgumentException(
          "highest temperature must lie between 20 and 2000 °C, was " + highestCelsius + " °C");
    }
    if (!(dryConductivity > 0 && dryConductivity <= conductivity.value() * 1.0001)) {
      throw new IllegalArgumentException(
          "conductivity when dry must lie between 0 and that when damp, was " + dryConductivity);
    }
  }

  /** The heat content of one kilogram as filled. */
  public Enthalpy enthalpy() {
    return switch (law) {
      case CONSTANT -> new ConstantEnthalpy(specificHeat.value());
      case QUARTZ -> QuartzEnthalpy.withSpecificHeatAt20(specificHeat.value());
      case DAMP_QUARTZ -> new DampEnthalpy(new QuartzEnthalpy(), moisture);
      case WATER -> new WaterEnthalpy();
    };
  }

  /** Whether it holds water that heat can drive off. */
  public boolean dries() {
    return kind == Kind.SOLID && moisture > 0;
  }

  /**
   * Heat content of the dry part of one kilogram as filled, J/kg; its water comes on top.
   *
   * @throws IllegalStateException for a medium that holds none
   */
  public Enthalpy dryPart() {
    if (!dries()) {
      throw new IllegalStateException(name + " holds no water");
    }
    double dry = specificHeat.value() - moisture * DampEnthalpy.WATER_SPECIFIC_HEAT;
    return law == HeatLaw.DAMP_QUARTZ
        ? new DampEnthalpy(new QuartzEnthalpy(), moisture).dryPart()
        : new ConstantEnthalpy(Math.max(100, dry));
  }

  /** The grower's own measured values in place of the table's; a measured c counts as constant. */
  public Medium measured(Double densityKgPerM3, Double specificHeatJPerKgK, Double wattsPerMetreK) {
    return new Medium(
        id,
        name,
        kind,
        moisture,
        densityKgPerM3 == null ? density : spread(densityKgPerM3, 0.03),
        specificHeatJPerKgK == null ? specificHeat : spread(specificHeatJPerKgK, 0.03),
        specificHeatJPerKgK == null ? law : HeatLaw.CONSTANT,
        wattsPerMetreK == null ? conductivity : spread(wattsPerMetreK, 0.05),
        wattsPerMetreK == null ? dryConductivity : Math.min(dryConductivity, wattsPerMetreK),
        highestCelsius,
        source);
  }

  /** The same medium with density and conductivity multiplied, for ensembles and fits. */
  public Medium scaled(double densityFactor, double conductivityFactor) {
    return new Medium(
        id,
        name,
        kind,
        moisture,
        density.around(density.value() * densityFactor),
        specificHeat,
        law,
        conductivity.around(conductivity.value() * conductivityFactor),
        dryConductivity * conductivityFactor,
        highestCelsius,
        source);
  }

  private static Range spread(double value, double share) {
    return new Range(value * (1 - share), value, value * (1 + share));
  }

  private static void within(String what, Range range, double low, double high, String unit) {
    if (range.low() < low || range.high() > high) {
      throw new IllegalArgumentException(
          what + " must lie between " + low + " and " + high + " " + unit + ", was " + range);
    }
  }
}
