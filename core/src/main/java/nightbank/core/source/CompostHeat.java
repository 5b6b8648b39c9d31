package nightbank.core.source;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.model.StoreModel;
import nightbank.core.weather.MoistAir;

/**
 * A heap's own heat: Q = ΔH Σ VSᵢ k(T) f_moisture f_air over every batch fed, each part of the heap
 * at its own temperature. Rate per day 0.0126 (1.066^(T-20) - 1.21^(T-60)) (Haug, Practical
 * Handbook of Compost Engineering, ch. 11); none below freezing or above about 80 °C. Good to a
 * factor of {@link #GOOD_TO} for a heap that nobody has measured. The air that it breathes, so many
 * times what the destroyed solids need, comes in as it is outside and leaves saturated at the
 * heap's own temperature where it was needed: most of the heat of a hot heap goes with it, which
 * holds it near 60 °C. Neglects the lag of up to two days after feeding.
 *
 * @param store that it is
 * @param excessOfAir drawn over needed, 5 to 7 in heaps that hold 55 to 65 °C
 */
public record CompostHeat(String store, List<Batch> batches, double excessOfAir)
    implements HeatSource {
  public static final double HEAT_OF_SOLIDS = 19e6; // J/kg, 18 to 21
  public static final double USUAL_EXCESS = 6;

  /** What a heap gives that nobody has measured is right by this factor, either way. */
  public static final double GOOD_TO = 1.5;

  private static final double AIR_NEEDED = 6; // kg/kg destroyed: 1.4 kg of O2 at 13.6 MJ/kg
  private static final double DAY = 86_400;
  private static final double OUTDOOR_HUMIDITY = 0.8;
  private static final double HEAP_CELSIUS = 45;
  private static final double MASS_LIKE = 0.65; // fills are loose: density is known by a third
  private static final double LEAST_BODY = 0.1;
  private static final double DRY_HEAT = 1200; // J/(kg K)
  private static final double WATER_HEAT = 4186;
  private static final double HOTTEST = 95; // °C, beyond it nothing of it lives
  private static final double STEP = 0.25; // K of the table of rates
  private static final double[] RATES = new double[401];
  private static final double[] SATURATED = new double[401]; // kg/kg

  static {
    for (int i = 0; i < RATES.length; i++) {
      RATES[i] = rateAt(i * STEP);
      SATURATED[i] = mixingRatio(MoistAir.saturationPressure(Math.min(95, i * STEP)));
    }
  }

  public CompostHeat {
    batches = List.copyOf(batches);
    if (!(excessOfAir >= 1 && excessOfAir <= 30)) {
      throw new IllegalArgumentException(
          "air drawn over air needed must lie between 1 and 30, was " + excessOfAir);
    }
  }

  public CompostHeat(String store, List<Batch> batches) {
    this(store, batches, USUAL_EXCESS);
  }

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
          atSeconds,
          mix.kilograms(),
          mix.degradableSolids().value(),
          mix.moisture(),
          mix.freeAir());
    }

    /** The same at another time, seconds after the start. */
    public Batch at(double seconds) {
      return new Batch(seconds, kilograms, solids, moisture, freeAir);
    }

    /** The same with so many times as much that can burn. */
    public Batch burning(double times) {
      return new Batch(atSeconds, kilograms, solids * times, moisture, freeAir);
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
   * The body that was fed: as drawn, but with the heat capacity of what its batches have left. What
   * comes later is mixed in when it comes.
   */
  public static HeatStore asFed(HeatStore heap, List<Batch> batches) {
    double fed =
        batches.stream().filter(b -> b.atSeconds() <= 0).mapToDouble(Batch::heatCapacity).sum();
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
                Locale.ROOT,
                "What was fed comes to %.0f kg; a heap of this size weighs about %.0f kg.",
                fed,
                heap.mass()),
            "It is reckoned with what was fed: write down every feeding, or set its size right."));
  }

  /** k(T), 1/s. */
  public static double rate(double celsius) {
    return celsius <= 0 || celsius >= (RATES.length - 1) * STEP ? 0 : table(RATES, celsius);
  }

  private static double rateAt(double celsius) {
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

  /**
   * Heat that leaves with the air for every kilogram destroyed, J: warmed, and saturated where it
   * came with RH 0.8 (moist air by specific enthalpies, ASHRAE Fundamentals, ch. 1).
   */
  private double ventedPerKilogram(double celsius, double outside, double comes) {
    double goes = table(SATURATED, Math.max(0, Math.min(95, celsius)));
    double sensible = (1006 + 1860 * comes) * (celsius - outside);
    double latent = (goes - comes) * (2_501_000 - 2361 * celsius);
    return Math.max(0, excessOfAir * AIR_NEEDED * (sensible + latent));
  }

  private static double mixingRatio(double pressure) {
    return 0.622 * pressure / (101_325 - pressure);
  }

  private static double table(double[] row, double celsius) {
    double x = celsius / STEP;
    int i = (int) x;
    return row[i] + (x - i) * (row[i + 1] - row[i]);
  }

  @Override
  public List<Share> shares() {
    return List.of(new Share(new Receiver.StoreZone(store, HeatedZone.everywhere()), 1));
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.empty();
  }

  @Override
  public double highestCelsius() {
    return HOTTEST;
  }

  @Override
  public Rotting begin() {
    return new Rotting();
  }

  /** The heap at work. */
  public final class Rotting implements Running {
    private final double[] solids = batches.stream().mapToDouble(Batch::solids).toArray();
    private double watts;
    private double vented;

    @Override
    public void step(double from, double seconds, Circumstances now) {
      double out = now.outdoorCelsius;
      double comes = mixingRatio(OUTDOOR_HUMIDITY * MoistAir.saturationPressure(out));
      DoubleUnaryOperator kept = t -> rate(t) * (HEAT_OF_SOLIDS - ventedPerKilogram(t, out, comes));
      StoreModel heap = Objects.requireNonNull(now.store);
      double k = heap.meanOf(CompostHeat::rate);
      double share = k > 0 ? heap.meanOf(kept) / k / HEAT_OF_SOLIDS : 1;
      heap.heatWhere(now.zone, kept);
      double joules = 0;
      for (int i = 0; i < solids.length; i++) {
        Batch b = batches.get(i);
        if (from >= b.atSeconds) {
          double gone = -solids[i] * Math.expm1(-k * b.factor() * seconds);
          solids[i] -= gone;
          joules += gone * HEAT_OF_SOLIDS;
        }
      }
      watts = joules / seconds;
      vented = watts * (1 - share);
    }

    @Override
    public double watts() {
      return watts;
    }

    @Override
    public double ventedWatts() {
      return vented;
    }

    /** Solids left in all batches, kg. */
    public double solidsLeft() {
      double sum = 0;
      for (double s : solids) {
        sum += s;
      }
      return sum;
    }
  }
}
