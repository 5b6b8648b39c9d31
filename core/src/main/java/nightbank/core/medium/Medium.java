package nightbank.core.medium;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Objects;

/**
 * What a store is filled with.
 *
 * @param id catalogue key
 * @param name as the grower reads it
 * @param kind whether it stays put or mixes
 * @param moisture wet-basis water share, 0 to 1, as the kind is met in practice
 * @param density kg/m³ as filled
 * @param specificHeat J/(kg K) at 20 °C
 * @param law how specific heat goes with temperature
 * @param conductivity W/(m K); of no use for water, which moves
 * @param heatSlope by which specific heat grows from that at 20 °C, 1/K; quartz and water have
 *     curves of their own
 * @param conductivitySlope by which the dry part's conductivity grows from that at 20 °C, 1/K:
 *     radiation between grains, or falling as in whole stone
 * @param dryConductivity W/(m K) once its water has been driven off; the same where it holds none
 * @param highestCelsius highest safe temperature, °C; low where poor stuff takes its first harm
 * @param source where the numbers come from
 */
@RecordBuilder
public record Medium(
    String id,
    String name,
    Kind kind,
    Range moisture,
    Range density,
    Range specificHeat,
    HeatLaw law,
    Range conductivity,
    Range dryConductivity,
    Range highestCelsius,
    Range heatSlope,
    Range conductivitySlope,
    String source) {

  private static final double HOTTEST = 700; // °C, to which slopes go on

  /** A medium that holds no water, with a highest temperature that is known. */
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
        Range.exactly(moisture),
        density,
        specificHeat,
        law,
        conductivity,
        conductivity,
        Range.exactly(highestCelsius),
        Range.exactly(0),
        Range.exactly(0),
        source);
  }

  /** Solid bodies conduct; water mixes. */
  public enum Kind {
    SOLID,
    WATER
  }

  /** How specific heat goes with temperature. */
  public enum HeatLaw {
    LINEAR,
    QUARTZ,
    DAMP_QUARTZ,
    WATER
  }

  public Medium {
    Objects.requireNonNull(id);
    within("density", density, 10, 20_000, "kg/m³");
    within("specific heat", specificHeat, 100, 10_000, "J/(kg K)");
    within("conductivity", conductivity, 0.01, 500, "W/(m K)");
    within("moisture", moisture, 0, 0.9, "of its weight");
    within("highest temperature", highestCelsius, 20, 2000, "°C");
    within("conductivity when dry", dryConductivity, 0.001, 500, "W/(m K)");
    if (dryConductivity.value() > conductivity.value() * 1.0001) {
      throw new IllegalArgumentException(
          "conductivity when dry must not exceed that when damp, was " + dryConductivity);
    }
  }

  /** The heat content of one kilogram as filled. */
  public Enthalpy enthalpy() {
    return switch (law) {
      case LINEAR -> linear(specificHeat.value());
      case QUARTZ -> QuartzEnthalpy.withSpecificHeatAt20(specificHeat.value());
      case DAMP_QUARTZ -> dampQuartz();
      case WATER -> new WaterEnthalpy();
    };
  }

  private Enthalpy linear(double at20) {
    return heatSlope.value() == 0
        ? new ConstantEnthalpy(at20)
        : new LinearEnthalpy(at20, heatSlope.value());
  }

  private DampEnthalpy dampQuartz() {
    double wet = moisture.value();
    double dry = (specificHeat.value() - wet * DampEnthalpy.WATER_SPECIFIC_HEAT) / (1 - wet);
    return new DampEnthalpy(QuartzEnthalpy.withSpecificHeatAt20(Math.max(200, dry)), wet);
  }

  /** Conductivity of what is dry over that at 20 °C. */
  public double conductivityFactor(double celsius) {
    return conductivityFactor(conductivitySlope.value(), celsius);
  }

  /**
   * The same by its slope alone.
   *
   * @param slope 1/K
   */
  public static double conductivityFactor(double slope, double celsius) {
    double t = Math.max(-50, Math.min(HOTTEST, celsius));
    return Math.max(0.4, 1 + slope * (t - 20));
  }

  /** Whether it holds water that heat can drive off. */
  public boolean dries() {
    return kind == Kind.SOLID && moisture.value() > 0;
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
    double dry = specificHeat.value() - moisture.value() * DampEnthalpy.WATER_SPECIFIC_HEAT;
    return law == HeatLaw.DAMP_QUARTZ ? dampQuartz().dryPart() : linear(Math.max(100, dry));
  }

  /** The grower's own values in place of the table's; a c at 20 °C keeps the slope of its kind. */
  public Medium measured(Double densityKgPerM3, Double specificHeatJPerKgK, Double wattsPerMetreK) {
    return MediumBuilder.builder(this)
        .density(densityKgPerM3 == null ? density : spread(densityKgPerM3, 0.03))
        .specificHeat(
            specificHeatJPerKgK == null ? specificHeat : spread(specificHeatJPerKgK, 0.03))
        .conductivity(wattsPerMetreK == null ? conductivity : spread(wattsPerMetreK, 0.05))
        .dryConductivity(
            wattsPerMetreK == null ? dryConductivity : dryConductivity.atMost(wattsPerMetreK))
        .build();
  }

  /** The same medium with density and conductivity multiplied, for ensembles and fits. */
  public Medium scaled(double densityFactor, double conductivityFactor) {
    return MediumBuilder.builder(this)
        .density(density.around(density.value() * densityFactor))
        .conductivity(conductivity.around(conductivity.value() * conductivityFactor))
        .dryConductivity(dryConductivity.around(dryConductivity.value() * conductivityFactor))
        .build();
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
