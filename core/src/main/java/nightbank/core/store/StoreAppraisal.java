package nightbank.core.store;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What a design comes to before anything is measured: balance at full charge, loss by face with the
 * mass evenly warm and the air at the floor temperature, half-life once the inside has settled,
 * time to charge.
 */
public final class StoreAppraisal {
  private static final double TALL = 2.5; // height over width above which a lone body may tip

  private final HeatStore store;
  private final double full;
  private final double power;
  private final Map<FaceName, Double> transmittance = new EnumMap<>(FaceName.class);
  private final List<Notice> notices = new ArrayList<>();

  /** A warning with its reason and what to do. */
  public record Notice(Code code, String reason, String remedy) {
    /** What is warned of. */
    public enum Code {
      TOO_HOT_FOR_MEDIUM,
      TOO_HOT_FOR_LAYER,
      NEVER_CHARGED,
      SLOW_INSIDE,
      MAY_TIP,
      DAMP_MUST_VENT,
      WATER_AND_MAINS
    }
  }

  private StoreAppraisal(HeatStore store, double full, double power) {
    this.store = store;
    this.full = full;
    this.power = power;
    for (FaceName name : FaceName.values()) {
      transmittance.put(name, store.transmittance(name, full, store.floorCelsius()));
    }
    warn();
  }

  /**
   * Appraises a design.
   *
   * @param chargeToCelsius even temperature at full charge
   * @param sourceWatts power of the source, 0 when unknown
   */
  public static StoreAppraisal of(HeatStore store, double chargeToCelsius, double sourceWatts) {
    return new StoreAppraisal(store, chargeToCelsius, sourceWatts);
  }

  public double transmittance(FaceName name) {
    return transmittance.get(name);
  }

  /** W through a face of all bodies at full charge. */
  public double watts(FaceName name) {
    return transmittance(name)
        * store.faceArea(name)
        * store.count()
        * (full - store.floorCelsius());
  }

  public double usableJoules() {
    return store.usableEnergyAt(full);
  }

  public double usableLow() {
    return usableJoules() * (1 - spread());
  }

  public double usableHigh() {
    return usableJoules() * (1 + spread());
  }

  private double spread() {
    return Math.hypot(
        store.medium().density().relativeSpread(), store.medium().specificHeat().relativeSpread());
  }

  /** W/K over all faces. */
  public double lossCoefficient() {
    double sum = 0;
    for (FaceName name : FaceName.values()) {
      sum += transmittance(name) * store.faceArea(name) * store.count();
    }
    return sum;
  }

  /**
   * Time in which half of the settled excess goes, s: evenly full in surroundings at its floor
   * temperature, from half of the excess to a quarter of it by the conduction model, so that the
   * slow inside counts. A year at most.
   */
  public double halfLifeSeconds() {
    StoreGrid grid = StoreGrid.coarse(store);
    StoreModel model = StoreModel.of(store, StoreState.uniform(grid, full));
    double around = store.floorCelsius();
    if (!(full > around)) {
      return 0;
    }
    double roughly = store.heatCapacity((full + around) / 2) / lossCoefficient() * (1 + biot());
    double step = Math.max(1, Math.min(6 * 3600, roughly / 150));
    double half = Double.NaN;
    double before = 1;
    for (double at = step; at < 366 * 86_400.0; at += step) {
      model.step(step, around, around, 0);
      double left = (model.meanCelsius() - around) / (full - around);
      if (Double.isNaN(half) && left <= 0.5) {
        half = at - step * (0.5 - left) / (before - left);
      }
      if (left <= 0.25) {
        return at - step * (0.25 - left) / (before - left) - half;
      }
      before = left;
    }
    return 366 * 86_400.0;
  }

  /** Time to full charge, half of the final loss taken as lost on the way; infinite if too weak. */
  public double chargeSeconds() {
    double lost = lossCoefficient() * (full - store.floorCelsius()) / 2;
    return power > lost ? usableJoules() / (power - lost) : Double.POSITIVE_INFINITY;
  }

  /** U V/A over k, of all faces together. */
  public double biot() {
    double area = store.geometry().sideArea() + 2 * store.geometry().endArea();
    double u = lossCoefficient() / store.count() / area;
    return u * store.geometry().volume() / area / store.medium().conductivity().value();
  }

  public List<Notice> notices() {
    return List.copyOf(notices);
  }

  private void warn() {
    var medium = store.medium();
    boolean water = medium.kind() == nightbank.core.medium.Medium.Kind.WATER;
    if (full > medium.highestCelsius()) {
      say(
          Notice.Code.TOO_HOT_FOR_MEDIUM,
          medium.name()
              + " stands "
              + Math.round(medium.highestCelsius())
              + " °C; it is meant to reach "
              + Math.round(full)
              + " °C.",
          water
              ? "Keep an open vessel below 95 °C: steam scalds and a closed one bursts."
              : "Charge it less, or choose a medium that stands more.");
    }
    for (FaceName name : FaceName.values()) {
      for (Layer layer : store.face(name).layers()) {
        if (full > layer.highestCelsius()) {
          String what = layer instanceof Layer.Bulk b ? b.material().name() : "A foil gap";
          say(
              Notice.Code.TOO_HOT_FOR_LAYER,
              what + " stands " + Math.round(layer.highestCelsius()) + " °C.",
              "Put a layer that stands more between it and the mass, or charge less.");
        }
      }
    }
    if (power > 0 && Double.isInfinite(chargeSeconds())) {
      say(
          Notice.Code.NEVER_CHARGED,
          "The faces lose more than the source gives before the store is full.",
          "More power, more insulation, or a lower aim.");
    }
    if (!water && biot() > 0.5) {
      say(
          Notice.Code.SLOW_INSIDE,
          "The inside follows slowly: heat in the middle comes out hours later.",
          "Make it flatter or thinner if you need the heat quickly.");
    }
    double width = 2 * store.geometry().halfWidth();
    if (store.geometry().heightMetres() > TALL * width && store.count() == 1) {
      say(
          Notice.Code.MAY_TIP,
          "It is tall for its width and heavy.",
          "Tie it to a wall or spread its foot before filling.");
    }
    if (medium.moisture() > 0 && full > 90) {
      say(
          Notice.Code.DAMP_MUST_VENT,
          "Damp fill near boiling makes steam.",
          "Dry it first, and never close the vessel: leave a vent.");
    }
    if (water && power > 0) {
      say(
          Notice.Code.WATER_AND_MAINS,
          "Water beside mains electricity can kill.",
          "A residual-current device and an earth, by a licensed electrician; local codes first.");
    }
  }

  private void say(Notice.Code code, String reason, String remedy) {
    notices.add(new Notice(code, reason, remedy));
  }
}
