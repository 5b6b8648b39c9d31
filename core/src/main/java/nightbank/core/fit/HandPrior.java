package nightbank.core.fit;

import java.util.Arrays;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;

/**
 * What nobody measured of a store read by hand, and how far it may be from what is described: a
 * point of the search is given in these standard deviations. Estimates where no source is named.
 */
final class HandPrior {
  /** What the whole store has one of; what each probe has follows. */
  enum Unknown {
    /** Ln of the medium's conductivity, by its catalogue range. */
    CONDUCTIVITY(0),
    /** Ln: density 5 % and specific heat 4 %, lengths 1 %; of water only how full it stands. */
    HEAT_CAPACITY(0.07),
    /** Ln of the transmittance of layers: joints, damp, thickness. */
    LAYERS(0.165),
    /** Ln of bare faces' films (simplified forms are good to 20 %; Incropera et al., ch. 9). */
    FILM(0.15),
    /** Ln of what lets heat into the earth. */
    GROUND(0.25),
    /** Ln of the source's heat. */
    POWER(0),
    /** Ln of how far its zone reaches. */
    REACH(0.12),
    /** K at the start. */
    START(4),
    /** K of the air's mean. */
    AIR(0),
    /** K a day. */
    TREND(0.9),
    /** K of the air's daily swing. */
    SWING(0),
    /** S of the charge's beginning. */
    BEGUN(0),
    /** S of its end. */
    ENDED(0);

    final double usual;

    Unknown(double usual) {
      this.usual = usual;
    }
  }

  /** K that a store which nobody warmed stands over the air. */
  static final double OVER_AIR = 4;

  static final int OF_PROBE = 3; // radius, height, error
  private static final int OF_STORE = Unknown.values().length;
  private static final double FULL = 0.025; // ln of a vessel's water: filled to a hand's breadth
  private static final double PLACE = 0.05; // of half width and height
  private static final double ERROR = 0.6; // K of a household thermometer
  private static final double LEAST_CONDUCTIVITY = 0.05;
  private static final double FLOOR = 2; // W/(m² K) through paving, boards or dry soil (1.4 to 3)
  private static final double WARM = 30; // °C, of a foot
  private static final double WARMER = 10; // K, of what has evened out
  private static final int RESTS = 20; // steps of its lumped time constant for which it has

  /** A point farther out than this is none that anybody describes. */
  static final double FARTHEST = 5;

  /**
   * Ln by which a small foot on the earth lets less through than the half-space's formula: soil
   * that a store has warmed, paving and boards are nearer to {@link #FLOOR}; the middle of both.
   */
  final double foot;

  private final double[] sd;

  /**
   * How a store that stands warmer than its surroundings has evened out since it was last charged:
   * the excess of its cells over that of their mean. Empty where somebody says that it stood alike
   * all through.
   */
  private final double[] shape;

  private final StoreGrid grid;

  HandPrior(HandRecord record) {
    HeatStore store = record.store();
    grid = StoreGrid.night(store);
    shape = record.start().isPresent() ? new double[0] : evenedOut(store, grid);
    sd = new double[OF_STORE + OF_PROBE * store.probes().size()];
    for (Unknown u : Unknown.values()) {
      set(u, u.usual);
    }
    boolean heats = record.charge().heats();
    set(
        Unknown.CONDUCTIVITY,
        Math.max(LEAST_CONDUCTIVITY, store.medium().conductivity().relativeSpread()));
    if (store.medium().kind() == Medium.Kind.WATER) {
      set(Unknown.HEAT_CAPACITY, FULL);
    }
    set(Unknown.POWER, heats ? record.charge().spread() : 0);
    set(Unknown.BEGUN, heats ? record.charge().unsureSeconds() : 0);
    set(Unknown.ENDED, heats ? record.charge().unsureSeconds() : 0);
    if (store.zone().equals(HeatedZone.everywhere())) {
      set(Unknown.REACH, 0);
    }
    record.start().ifPresent(s -> set(Unknown.START, s.doubt()));
    set(Unknown.AIR, record.around().airDoubt());
    set(Unknown.SWING, record.around().swingDoubt());
    double u = store.transmittance(FaceName.FOOT, WARM, record.around().ground());
    foot = store.place().onGround() && u > FLOOR ? -Math.log(u / FLOOR) / 2 : 0;
    set(Unknown.GROUND, Math.hypot(Unknown.GROUND.usual, foot));
    for (int k = OF_STORE; k < sd.length; k += OF_PROBE) {
      sd[k] = PLACE;
      sd[k + 1] = PLACE;
      sd[k + 2] = ERROR;
    }
  }

  private static double[] evenedOut(HeatStore store, StoreGrid grid) {
    StoreModel model = StoreModel.of(store, StoreState.uniform(grid, WARMER));
    Surroundings cold = Surroundings.of(0, 0);
    double step = store.heatCapacity(WARMER) / store.lossCoefficient(WARMER, 0) / RESTS;
    for (int i = 0; i < RESTS; i++) {
      model.step(step, cold);
    }
    double mean = model.meanCelsius();
    return Arrays.stream(model.state().celsius()).map(t -> t / mean).toArray();
  }

  /** A store whose mean stands so, between surroundings whose rest is so. */
  StoreState start(double mean, double rest) {
    return shape.length == 0
        ? StoreState.uniform(grid, mean)
        : new StoreState(grid, Arrays.stream(shape).map(s -> rest + (mean - rest) * s).toArray());
  }

  private void set(Unknown u, double value) {
    sd[u.ordinal()] = value;
  }

  int size() {
    return sd.length;
  }

  static int ofStore() {
    return OF_STORE;
  }

  /** Where a probe's three begin. */
  static int of(int probe) {
    return OF_STORE + OF_PROBE * probe;
  }

  boolean isKnown(int k) {
    return sd[k] == 0;
  }

  double sd(int k) {
    return sd[k];
  }

  double at(double[] z, Unknown u) {
    return at(z, u.ordinal());
  }

  /** In its own unit. */
  double at(double[] z, int k) {
    return Math.max(-FARTHEST, Math.min(FARTHEST, z[k])) * sd[k];
  }
}
