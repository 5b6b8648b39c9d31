package nightbank.core.charge;

import java.util.List;
import java.util.Optional;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.core.store.Surroundings;
import nightbank.core.weather.MoistAir;

/**
 * A heap's own heat: Q = ΔH Σ VSᵢ k(T) f_moisture f_air over every batch fed, each part of the heap
 * at its own temperature. Rate per day 0.0126 (1.066^(T-20) - 1.21^(T-60)) (Haug, Practical
 * Handbook of Compost Engineering, ch. 11); none below freezing or above about 80 °C. Good to a
 * factor of 1.5 for a heap that nobody has measured. The air that it breathes, so many times what
 * the destroyed solids need, comes in as it is outside and leaves saturated at the heap's own
 * temperature: most of the heat of a hot heap goes with it, which holds it near 60 °C. Neglects the
 * lag of up to two days after feeding.
 */
public final class HeapWarmth implements Source {
  public static final double HEAT_OF_SOLIDS = 19e6; // J/kg, 18 to 21

  /** Air drawn over air needed, 5 to 7 in heaps that hold 55 to 65 °C. */
  public static final double USUAL_EXCESS = 6;

  private static final double AIR_NEEDED = 6; // kg/kg destroyed: 1.4 kg of O2 at 13.6 MJ/kg
  private static final double DAY = 86_400;
  private static final double OUTDOOR_HUMIDITY = 0.8;
  private static final double HEAP_CELSIUS = 45;
  private static final double MASS_LIKE = 0.65; // fills are loose: density is known by a third
  private static final double LEAST_BODY = 0.1;
  private static final double DRY_HEAT = 1200; // J/(kg K)
  private static final double WATER_HEAT = 4186;

  private final List<Batch> batches;
  private final double[] solids; // kg left that can be destroyed
  private final double until;
  private final double excess;
  private final double outside; // °C

  /**
   * One feeding.
   *
   * @param atSeconds when, after the start; earlier ones are negative and have been burning since
   * @param kilograms wet, what is left of it
   * @param solids volatile solids that can be destroyed, kg
   * @param moisture wet-basis share in it
   * @param freeAir share of its volume that is air
   */
  public record Batch(
      double atSeconds, double kilograms, double solids, double moisture, double freeAir) {
    public static Batch of(FeedMix mix, double atSeconds) {
      return new Batch(
          atSeconds, mix.kilograms(), mix.degradableSolids(), mix.moisture(), mix.freeAir());
    }

    /** What is left of it after so long in a heap of that temperature, counted from now. */
    public Batch after(double seconds, double celsius) {
      double left = solids * Math.exp(-rate(celsius) * factor() * seconds);
      return new Batch(0, kilograms - (solids - left), left, moisture, freeAir);
    }

    /** J/K of so much of it, 1200 J/(kg K) for solids (Haug, ch. 9). */
    public double heatCapacity() {
      return kilograms * (DRY_HEAT * (1 - moisture) + WATER_HEAT * moisture);
    }

    double factor() {
      return moistureFactor(moisture) * airFactor(freeAir);
    }
  }

  /**
   * A heap.
   *
   * @param airCelsius of the air that it draws in, of usual dampness
   */
  public HeapWarmth(List<Batch> batches, double untilSeconds, double airCelsius) {
    this(batches, untilSeconds, airCelsius, USUAL_EXCESS);
  }

  public HeapWarmth(
      List<Batch> batches, double untilSeconds, double airCelsius, double excessOfAir) {
    if (!(excessOfAir >= 1 && excessOfAir <= 30)) {
      throw new IllegalArgumentException(
          "air drawn over air needed must lie between 1 and 30, was " + excessOfAir);
    }
    excess = excessOfAir;
    outside = airCelsius;
    this.batches = List.copyOf(batches);
    solids = batches.stream().mapToDouble(Batch::solids).toArray();
    until = untilSeconds;
  }

  /** The body that was fed: as drawn, but with the heat capacity of what its batches have left. */
  public static HeatStore asFed(HeatStore heap, List<Batch> batches) {
    double fed = batches.stream().mapToDouble(Batch::heatCapacity).sum();
    double drawn = heap.heatCapacity(HEAP_CELSIUS);
    double ratio = Math.max(LEAST_BODY, Math.min(1 / LEAST_BODY, fed / drawn));
    return fed == 0 ? heap : heap.withMedium(heap.medium().scaled(ratio, 1));
  }

  /** What to say where what was fed and what is drawn cannot be the same heap. */
  public static Optional<FeedMix.Hint> unlike(HeatStore heap, List<Batch> batches) {
    double fed = batches.stream().mapToDouble(Batch::kilograms).sum();
    double ratio = fed / heap.mass();
    if (fed == 0 || (ratio > MASS_LIKE && ratio < 1 / MASS_LIKE)) {
      return Optional.empty();
    }
    return Optional.of(
        new FeedMix.Hint(
            String.format(
                "What was fed comes to %.0f kg; a heap of this size weighs about %.0f kg.",
                fed, heap.mass()),
            "It is reckoned with what was fed: write down every feeding, or set its size right."));
  }

  /** k(T), 1/s. */
  public static double rate(double celsius) {
    double perDay = 0.0126 * (Math.pow(1.066, celsius - 20) - Math.pow(1.21, celsius - 60));
    return celsius <= 0 ? 0 : Math.max(0, perDay) / DAY;
  }

  /** Haug's F1: 1/(e^(-17.684 w + 7.0622) + 1), w the wet-basis moisture. */
  static double moistureFactor(double moisture) {
    return 1 / (Math.exp(-17.684 * moisture + 7.0622) + 1);
  }

  /** Haug's F2: 1/(e^(-23.675 f + 3.4945) + 1), f the free air space. */
  static double airFactor(double freeAir) {
    return 1 / (Math.exp(-23.675 * freeAir + 3.4945) + 1);
  }

  @Override
  public Given give(double second, double seconds, StoreModel model) {
    double k = model.meanOf(HeapWarmth::rate);
    model.heatWhere(HeapWarmth::rate);
    double joules = 0;
    for (int i = 0; i < solids.length; i++) {
      Batch b = batches.get(i);
      if (second >= b.atSeconds) {
        double gone = -solids[i] * Math.expm1(-k * b.factor() * seconds);
        solids[i] -= gone;
        joules += gone * HEAT_OF_SOLIDS;
      }
    }
    double made = joules / seconds;
    double vented = made / HEAT_OF_SOLIDS * ventedPerKilogram(model.meanCelsius());
    return new Given(made - vented, 0, vented, made);
  }

  @Override
  public double endsAt() {
    return until;
  }

  /**
   * Heat that leaves with the air for every kilogram destroyed, J: warmed, and saturated where it
   * came with RH 0.8 (moist air by specific enthalpies, ASHRAE Fundamentals, ch. 1).
   */
  double ventedPerKilogram(double celsius) {
    double comes = mixingRatio(OUTDOOR_HUMIDITY * MoistAir.saturationPressure(outside));
    double goes = mixingRatio(MoistAir.saturationPressure(Math.min(95, celsius)));
    double sensible = (1006 + 1860 * comes) * (celsius - outside);
    double latent = (goes - comes) * (2_501_000 - 2361 * celsius);
    return Math.max(0, excess * AIR_NEEDED * (sensible + latent));
  }

  private static double mixingRatio(double pressure) {
    return 0.622 * pressure / (101_325 - pressure);
  }

  /** Solids left in all batches, kg. */
  public double solidsLeft() {
    double sum = 0;
    for (double s : solids) {
      sum += s;
    }
    return sum;
  }

  /**
   * Largest steady draw that keeps the heap's mean above a temperature for so many days, W; 0 when
   * it falls below of itself.
   */
  public static double largestDraw(
      HeatStore heap,
      StoreState start,
      List<Batch> batches,
      double keepCelsius,
      double airCelsius,
      double groundCelsius,
      double days) {
    double low = 0;
    double high = 100;
    while (high < 1e6
        && keeps(heap, start, batches, keepCelsius, airCelsius, groundCelsius, days, high)) {
      low = high;
      high *= 2;
    }
    for (int i = 0; i < 24 && high - low > 0.5; i++) {
      double middle = (low + high) / 2;
      if (keeps(heap, start, batches, keepCelsius, airCelsius, groundCelsius, days, middle)) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private static boolean keeps(
      HeatStore heap,
      StoreState start,
      List<Batch> batches,
      double keep,
      double air,
      double ground,
      double days,
      double draw) {
    StoreModel model = StoreModel.of(asFed(heap, batches), start);
    HeapWarmth warmth = new HeapWarmth(batches, days * DAY, air);
    Surroundings around = Surroundings.of(air, ground);
    double step = 1800;
    for (double at = 0; at < days * DAY; at += step) {
      double made = warmth.give(at, step, model).sourceWatts();
      model.step(step, around, made - draw);
      if (model.meanCelsius() < keep) {
        return false;
      }
    }
    return true;
  }
}
