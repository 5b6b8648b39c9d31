package nightbank.core.fit;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;

/**
 * A store of a made-up sort, size and wrapping, described wrongly within realistic ranges, charged
 * and left to cool on the fine grid, read a few times with a household thermometer.
 */
final class MadeUpStore {
  private static final List<String> MEDIA =
      List.of("dry-sand", "dry-sand", "water", "water", "granite", "brick", "soil", "concrete");
  private static final List<String> WRAPS = List.of("eps", "sheep-wool", "straw", "timber", "cork");
  private static final double STEP = 60;
  private static final double DAY = 86_400;
  private static final double WARMEST = 14.5 * 3600;
  private static final double LIT = 2 * DAY + 14 * 3600.0;

  private final Random dice;
  private final HeatStore described;
  private final HeatStore truly;
  private final boolean hot;
  private final double airMean;
  private final double airSwing;
  private final double airTrend;
  private final List<HandRecord.Reading> readings = new ArrayList<>();
  private double wobble;

  /** As told and read. */
  final HandRecord told;

  double atEnd;
  double atLast;
  HandCooling cooling = new HandCooling(0, 0, 0);
  final List<Double> means = new ArrayList<>();

  MadeUpStore(long seed) {
    dice = new Random(seed);
    dice.nextInt();
    described = described();
    truly = truly();
    airMean = 9.5 + 3.5 * dice.nextGaussian();
    airSwing = Math.max(0, 4.5 + 1.2 * dice.nextGaussian());
    airTrend = 0.9 * dice.nextGaussian();
    hot = dice.nextInt(3) == 0;
    double tau = described.heatCapacity(40) / described.lossCoefficient(40, 10);
    double hours =
        hot ? 0 : Math.min(8 * 3600, Math.max(1800, tau * (0.1 + 0.3 * dice.nextDouble())));
    double rise = 20 + 40 * dice.nextDouble();
    double watts = hot ? 0 : described.heatCapacity(40) * rise / hours;
    double spread = dice.nextBoolean() ? 0.055 : 0.2;
    HandRecord.Charge charge =
        hot
            ? HandRecord.Charge.none(LIT)
            : new HandRecord.Charge(LIT, LIT + hours, watts, spread, 380);
    double start =
        hot ? airMean + 30 + 50 * dice.nextDouble() : airMean + 4 + 4 * dice.nextGaussian();
    double shown = live(charge, start, tau);
    told =
        new HandRecord(
            described,
            charge,
            hot ? Optional.of(new HandRecord.Start(shown, 25)) : Optional.empty(),
            new HandRecord.Around(9.5, 3.5, 4.5, 1.2, WARMEST, 7),
            readings);
  }

  private HeatStore described() {
    double volume = Math.exp(Math.log(0.002) + dice.nextDouble() * Math.log(500));
    double slender = 0.7 + 0.8 * dice.nextDouble();
    double side = Math.cbrt(volume / slender);
    Geometry body =
        dice.nextBoolean()
            ? new Geometry.Cylinder(side / Math.sqrt(Math.PI), side * slender)
            : new Geometry.Box(1.5 * side, side / 1.5, side * slender);
    Medium medium = MediumCatalogue.medium(MEDIA.get(dice.nextInt(MEDIA.size()))).orElseThrow();
    Map<FaceName, Face> faces = new EnumMap<>(FaceName.class);
    boolean wrapped = dice.nextInt(3) > 0;
    String wrap = WRAPS.get(dice.nextInt(WRAPS.size()));
    for (FaceName name : FaceName.values()) {
      faces.put(
          name,
          wrapped
              ? Face.of(
                  new Layer.Bulk(
                      MediumCatalogue.insulation(wrap).orElseThrow(),
                      0.02 + 0.06 * dice.nextDouble(),
                      false))
              : Face.of());
    }
    boolean water = medium.kind() == Medium.Kind.WATER;
    double low = 0.3 * dice.nextDouble();
    List<Probe> probes = new ArrayList<>(List.of(new Probe("core", 0.05, 0.5)));
    if (!water && dice.nextBoolean()) {
      probes.add(new Probe("edge", 0.8, 0.5));
    }
    return new HeatStore(
        body,
        1,
        medium,
        faces,
        dice.nextBoolean() ? Place.inHouse() : Place.onHouseFloor(),
        5 + 10 * dice.nextDouble(),
        water
            ? HeatedZone.everywhere()
            : new HeatedZone(
                0.4 + 0.5 * dice.nextDouble(), low, low + 0.3 + 0.3 * dice.nextDouble()),
        probes);
  }

  private double within(double low, double high) {
    return low + (high - low) * dice.nextDouble();
  }

  /** Spread as widely as a range and without its ends: joints, damp and draught know none. */
  private double about(double low, double high) {
    double middle = (low + high) / 2;
    return middle * Math.exp((high - low) / Math.sqrt(12) / middle * dice.nextGaussian());
  }

  private HeatStore truly() {
    boolean water = described.medium().kind() == Medium.Kind.WATER;
    double longer = 1 + (water ? 0.004 : 0.012) * dice.nextGaussian();
    double heat = water ? 1 : within(0.95, 1.05);
    double density = water ? within(0.96, 1.04) : within(0.92, 1.08);
    double layers = about(0.7, 1.3);
    double film = about(0.75, 1.3);
    double ground = about(0.7, 1.3);
    double foot = Math.exp(2 * dice.nextDouble() * new HandPrior(recordOf(described)).foot);
    HeatStore grown =
        new HeatStore(
            described.geometry() instanceof Geometry.Box b
                ? new Geometry.Box(
                    b.lengthMetres() * longer, b.widthMetres() * longer, b.heightMetres() * longer)
                : round((Geometry.Cylinder) described.geometry(), longer),
            1,
            described.medium(),
            described.faces(),
            described.place(),
            described.floorCelsius(),
            described.zone(),
            described.probes());
    Range conductivity = described.medium().conductivity();
    double leads = within(conductivity.low(), conductivity.high()) / conductivity.value();
    return grown
        .scaled(density * heat, leads)
        .withFacesTimes(
            name ->
                name == FaceName.FOOT && described.place().onGround()
                    ? foot * ground
                    : described.face(name).layers().isEmpty() ? film : layers)
        .withZone(described.zone().stretched(1, water ? 1 : within(0.8, 1.2)));
  }

  private static Geometry round(Geometry.Cylinder c, double longer) {
    return new Geometry.Cylinder(c.radiusMetres() * longer, c.heightMetres() * longer);
  }

  private static HandRecord recordOf(HeatStore store) {
    return new HandRecord(
        store,
        HandRecord.Charge.none(0),
        Optional.empty(),
        new HandRecord.Around(9.5, 3.5, 4.5, 1.2, WARMEST, 7),
        List.of());
  }

  /** Air beside it, with a wobble of three hours' memory. */
  private double air(double seconds) {
    double keep = Math.exp(-STEP / 10_800);
    wobble = wobble * keep + 0.6 * Math.sqrt(1 - keep * keep) * dice.nextGaussian();
    return airMean
        + airTrend * (seconds - LIT) / DAY
        + airSwing * Math.cos(2 * Math.PI * (seconds - WARMEST) / DAY)
        + wobble;
  }

  /** Its hours; what its first reading showed. */
  private double live(HandRecord.Charge charge, double start, double tau) {
    double from = charge.from() + 300 * dice.nextGaussian();
    double to = hot ? LIT : Math.max(from + 300, charge.to() + 300 * dice.nextGaussian());
    double watts = charge.watts() * Math.exp(charge.spread() * dice.nextGaussian());
    double far = Math.min(2 * DAY, Math.max(3600, tau * (0.4 + dice.nextDouble())));
    int n = 2 + dice.nextInt(4);
    List<Double> looks = new ArrayList<>(List.of(hot ? LIT : LIT - 1200, charge.to()));
    for (int i = 1; i < n; i++) {
      looks.add(charge.to() + far * i / (n - 1.0) * within(0.8, 1));
    }
    double s = within(0.5, 1.5);
    double[] offset = new double[described.probes().size()];
    double[] across = new double[offset.length];
    double[] high = new double[offset.length];
    for (int p = 0; p < offset.length; p++) {
      Probe probe = described.probes().get(p);
      offset[p] = 0.5 * s * dice.nextGaussian();
      across[p] = held(probe.radiusFraction() + 0.05 * dice.nextGaussian());
      high[p] = held(probe.heightFraction() + 0.05 * dice.nextGaussian());
    }
    StoreModel model = begin(start);
    double now = hot ? LIT : LIT - 1800;
    StoreState full = model.state();
    boolean ended = false;
    double shown = Double.NaN;
    int look = 0;
    double airSum = 0;
    int airs = 0;
    double beside = air(now);
    while (look < looks.size()) {
      if (!ended && now >= to) {
        full = model.state();
        atEnd = model.usableEnergy();
        ended = true;
      }
      if (now >= looks.get(look)) {
        double noted = Math.round(looks.get(look) / 300) * 300.0;
        for (int p = 0; p < offset.length; p++) {
          double read =
              Math.rint(model.at(across[p], high[p]) + offset[p] + 0.87 * s * dice.nextGaussian());
          shown = Double.isNaN(shown) ? read : shown;
          readings.add(
              new HandRecord.Reading(HandRecord.At.STORE, p, noted, read, Math.hypot(0.9, 0.29)));
          means.add(model.meanCelsius());
        }
        if (dice.nextBoolean()) {
          double read = Math.rint(beside + s * dice.nextGaussian());
          readings.add(
              new HandRecord.Reading(HandRecord.At.AIR, -1, noted, read, Math.hypot(1.25, 0.29)));
          means.add(model.meanCelsius());
        }
        look++;
      }
      beside = air(now);
      if (ended) {
        airSum += beside;
        airs++;
      }
      boolean on = !hot && now + STEP / 2 > from && now + STEP / 2 < to;
      model.step(STEP, Surroundings.of(beside, 7), on ? watts : 0);
      now += STEP;
    }
    atLast = model.usableEnergy();
    cooling = HandCooling.of(truly, full, airSum / airs, 7);
    return shown;
  }

  /** Alike all through where it was set out hot, else evened out since its last charge. */
  private StoreModel begin(double start) {
    StoreGrid grid = StoreGrid.standard(truly);
    if (hot) {
      return StoreModel.of(truly, StoreState.uniform(grid, start));
    }
    StoreModel rest = StoreModel.of(truly, StoreState.uniform(grid, 10));
    double tau = truly.heatCapacity(10) / truly.lossCoefficient(40, 10);
    for (int i = 0; i < 200; i++) {
      rest.step(tau / 100, Surroundings.of(0, 0));
    }
    double mean = rest.meanCelsius();
    double[] t = rest.state().celsius();
    for (int i = 0; i < t.length; i++) {
      t[i] = airMean + (start - airMean) * t[i] / mean;
    }
    return StoreModel.of(truly, new StoreState(grid, t));
  }

  private static double held(double fraction) {
    return Math.max(0, Math.min(1, fraction));
  }
}
