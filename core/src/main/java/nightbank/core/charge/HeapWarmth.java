package nightbank.core.charge;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;

/**
 * A heap's own heat: Q = ΔH Σ VSᵢ k(T) f_moisture f_air over every batch fed, each part of the heap
 * at its own temperature. Rate per day 0.0126 (1.066^(T-20) - 1.21^(T-60)) (Haug, Practical
 * Handbook of Compost Engineering, ch. 11); none below freezing or above about 80 °C. Good to a
 * factor of 1.5 for a heap that nobody has measured. Neglects water and air that leave with their
 * heat, a tenth to a third in a turned heap, and lag of up to two days after feeding.
 */
public final class HeapWarmth implements Source {
  public static final double HEAT_OF_SOLIDS = 19.5e6; // J/kg, 18 to 21
  private static final double DAY = 86_400;

  private final List<Batch> batches;
  private final double[] solids; // kg left that can be destroyed
  private final double until;

  /**
   * One feeding.
   *
   * @param atSeconds when, after the start; earlier ones are negative and have been burning since
   * @param solids volatile solids that can be destroyed, kg
   * @param moisture wet-basis share in it
   * @param freeAir share of its volume that is air
   */
  public record Batch(double atSeconds, double solids, double moisture, double freeAir) {
    public static Batch of(FeedMix mix, double atSeconds) {
      return new Batch(atSeconds, mix.degradableSolids(), mix.moisture(), mix.freeAir());
    }

    /** What is left of it after so long in a heap of that temperature, counted from now. */
    public Batch after(double seconds, double celsius) {
      double left = solids * Math.exp(-rate(celsius) * factor() * seconds);
      return new Batch(0, left, moisture, freeAir);
    }

    double factor() {
      return moistureFactor(moisture) * airFactor(freeAir);
    }
  }

  public HeapWarmth(List<Batch> batches, double untilSeconds) {
    this.batches = List.copyOf(batches);
    solids = batches.stream().mapToDouble(Batch::solids).toArray();
    until = untilSeconds;
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
    return new Given(joules / seconds, 0, 0, joules / seconds);
  }

  @Override
  public double endsAt() {
    return until;
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
    StoreModel model = StoreModel.of(heap, start);
    HeapWarmth warmth = new HeapWarmth(new ArrayList<>(batches), days * DAY);
    double step = 1800;
    for (double at = 0; at < days * DAY; at += step) {
      double made = warmth.give(at, step, model).sourceWatts();
      model.step(step, air, ground, made - draw);
      if (model.meanCelsius() < keep) {
        return false;
      }
    }
    return true;
  }
}
