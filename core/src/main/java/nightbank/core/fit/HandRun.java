package nightbank.core.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import nightbank.core.fit.HandPrior.Unknown;
import nightbank.core.fit.HandRecord.At;
import nightbank.core.fit.HandRecord.Reading;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.jspecify.annotations.Nullable;

/** A store read by hand, run through its hours with one set of its unknowns. */
final class HandRun {
  private static final int STEPS = 100; // from its beginning to its last reading
  private static final int LOOKS = 40; // at the air while it cooled
  private static final double SHORTEST = 5; // s
  private static final double DAY = 86_400;
  private static final double LAYER_FILM = 0.1; // m² K/W outside of layers
  private static final double ASIDE = 0.04; // of half width and height, for slopes
  private static final double MODEL = 0.04; // of the excess: fills, films and sources are no forms
  private static final double MIXED = 0.02; // of it where water evens itself out
  private static final double CLOCK = 120; // s by which a reading is noted wrong
  private static final double MOST_BY_CLOCK = 10; // K

  private final HandRecord record;
  private final HandPrior prior;
  private final double[] z;
  final HeatStore store;

  /** As each reading should read. */
  final double[] read;

  /** By how much more for each half width farther out, and each height higher. */
  final double[] byRadius;

  final double[] byHeight;

  /** What the model and the clock leave open of it, K. */
  final double[] doubt;

  /** Means of the store at the readings, °C. */
  final double[] means;

  /** At the end of the charge, or at the first reading where nothing charged it. */
  private @Nullable StoreState full;

  private @Nullable StoreState last;

  private double end;
  private double usableAtEnd;
  private double usableAtLast;

  HandRun(HandRecord record, HandPrior prior, double[] z) {
    this.record = record;
    this.prior = prior;
    this.z = z;
    int m = record.readings().size();
    read = new double[m];
    byRadius = new double[m];
    byHeight = new double[m];
    doubt = new double[m];
    means = new double[m];
    store =
        record
            .store()
            .scaled(Math.exp(at(Unknown.HEAT_CAPACITY)), Math.exp(at(Unknown.CONDUCTIVITY)))
            .withFacesTimes(name -> Math.exp(face(name)))
            .withZone(record.store().zone().stretched(1, Math.exp(at(Unknown.REACH))));
    follow();
  }

  private StoreState full() {
    return Objects.requireNonNull(full);
  }

  StoreState last() {
    return Objects.requireNonNull(last);
  }

  private double at(Unknown u) {
    return prior.at(z, u);
  }

  private double face(FaceName name) {
    if (name == FaceName.FOOT && record.store().place().onGround()) {
      return prior.foot + at(Unknown.GROUND);
    }
    return at(record.store().face(name).layers().isEmpty() ? Unknown.FILM : Unknown.LAYERS);
  }

  private double from() {
    return record.charge().from() + at(Unknown.BEGUN);
  }

  private double to() {
    return Math.max(from() + 60, record.charge().to() + at(Unknown.ENDED));
  }

  private double watts() {
    return record.charge().watts() * Math.exp(at(Unknown.POWER));
  }

  private double air(double seconds) {
    HandRecord.Around a = record.around();
    double middle = (record.begin() + record.last()) / 2;
    return a.air()
        + at(Unknown.AIR)
        + at(Unknown.TREND) * (seconds - middle) / DAY
        + (a.swing() + at(Unknown.SWING)) * Math.cos(2 * Math.PI * (seconds - a.warmest()) / DAY);
  }

  private double start() {
    double usual = record.around().air() + at(Unknown.AIR) + HandPrior.OVER_AIR;
    return record.start().map(HandRecord.Start::celsius).orElse(usual) + at(Unknown.START);
  }

  private void follow() {
    List<Reading> readings = record.readings();
    boolean heats = record.charge().heats();
    double from = from();
    double to = to();
    end = heats ? to : readings.isEmpty() ? record.begin() : readings.get(0).seconds();
    StoreModel model =
        StoreModel.of(store, prior.start(start(), record.around().air() + at(Unknown.AIR)));
    Surroundings beyond = new Surroundings();
    double longest = Math.max(SHORTEST, (record.last() - record.begin()) / STEPS);
    double[] before = new double[readings.size()];
    double now = record.begin();
    double earlier = now;
    int next = 0;
    for (double stop : stops(heats, from, to)) {
      int parts = (int) Math.ceil((stop - now) / longest);
      for (int k = 0; k < parts; k++) {
        double step = (stop - now) / (parts - k);
        double middle = now + step / 2;
        if (k == parts - 1) {
          earlier = now;
          for (int r = next; r < read.length && readings.get(r).seconds() <= stop; r++) {
            before[r] = plain(r, model);
          }
        }
        boolean on = heats && middle > from && middle < to;
        beyond.set(air(middle), record.around().ground());
        model.step(step, beyond, on ? watts() : 0);
        now += step;
      }
      if (stop == end) {
        usableAtEnd = model.usableEnergy();
        full = model.state();
      }
      for (; next < read.length && readings.get(next).seconds() <= stop; next++) {
        means[next] = model.meanCelsius();
        look(next, model);
        double rate = now > earlier ? (plain(next, model) - before[next]) / (now - earlier) : 0;
        doubt[next] = doubt(next, rate);
      }
    }
    usableAtLast = model.usableEnergy();
    last = model.state();
  }

  private double[] stops(boolean heats, double from, double to) {
    List<Double> all = new ArrayList<>(List.of(end, record.last()));
    record.readings().forEach(r -> all.add(r.seconds()));
    if (heats) {
      all.addAll(List.of(from, to));
    }
    return all.stream()
        .mapToDouble(x -> x)
        .filter(t -> t >= record.begin())
        .sorted()
        .distinct()
        .toArray();
  }

  /** What the model has where a probe is said to be. */
  private double plain(int i, StoreModel model) {
    Reading r = record.readings().get(i);
    if (r.at() == At.AIR) {
      return air(r.seconds());
    }
    var probe = record.store().probes().get(r.probe());
    return model.at(probe.radiusFraction(), probe.heightFraction());
  }

  private double doubt(int i, double rate) {
    Reading r = record.readings().get(i);
    return r.at() == At.AIR
        ? 0
        : Math.hypot(
            (record.store().medium().kind() == Medium.Kind.WATER ? MIXED : MODEL)
                * Math.abs(read[i] - air(r.seconds())),
            Math.min(MOST_BY_CLOCK, CLOCK * Math.abs(rate)));
  }

  private void look(int i, StoreModel model) {
    Reading r = record.readings().get(i);
    if (r.at() == At.AIR) {
      read[i] = air(r.seconds());
      return;
    }
    int k = HandPrior.of(r.probe());
    var probe = record.store().probes().get(r.probe());
    double wrong = prior.at(z, k + 2);
    double high = within(probe.heightFraction() + prior.at(z, k + 1));
    if (r.at() == At.SURFACE) {
      boolean top = probe.heightFraction() >= HandRecord.TOP;
      double across = within(probe.radiusFraction() + prior.at(z, k));
      double cell = top ? model.at(across, 1) : model.at(1, high);
      FaceName face = top ? FaceName.TOP : FaceName.SIDE;
      read[i] = surface(model, face, cell, air(r.seconds())) + wrong;
      return;
    }
    double out = within(probe.radiusFraction() + prior.at(z, k));
    read[i] = model.at(out, high) + wrong;
    byRadius[i] =
        (model.at(within(out + ASIDE), high) - model.at(within(out - ASIDE), high))
            / (within(out + ASIDE) - within(out - ASIDE));
    byHeight[i] =
        (model.at(out, within(high + ASIDE)) - model.at(out, within(high - ASIDE)))
            / (within(high + ASIDE) - within(high - ASIDE));
  }

  /** Outside of a face: the film's part of the way from the outermost cell's middle to the air. */
  private double surface(StoreModel model, FaceName face, double cell, double air) {
    double u = store.transmittance(face, cell, air);
    StoreGrid grid = model.state().grid();
    double run =
        grid.cells() == 1
            ? 0
            : face == FaceName.TOP
                ? grid.layerRun(grid.layers() - 1)
                : grid.acrossRun(grid.across() - 1);
    double inside = run / store.medium().conductivity().value();
    double film = store.face(face).layers().isEmpty() ? 1 / u : LAYER_FILM;
    return air + (cell - air) * film / (1 / u + inside);
  }

  private static double within(double fraction) {
    return Math.max(0, Math.min(1, fraction));
  }

  /** J above its floor at the end of the charge. */
  double usableAtEnd() {
    return usableAtEnd;
  }

  double usableAtLast() {
    return usableAtLast;
  }

  double brought() {
    return record.charge().heats() ? watts() * (to() - from()) : 0;
  }

  HandFit.Setting setting() {
    double[] beside =
        IntStream.rangeClosed(0, LOOKS)
            .mapToDouble(k -> air(end + (record.last() - end) * k / LOOKS))
            .toArray();
    double mean = Arrays.stream(beside).average().orElseThrow();
    double swing =
        Arrays.stream(beside).max().orElseThrow() - Arrays.stream(beside).min().orElseThrow();
    double full = full().meanCelsius();
    return new HandFit.Setting(full, mean, swing, store.heatCapacity(full));
  }

  HandCooling cooling() {
    return HandCooling.of(store, full(), meanAir(), record.around().ground());
  }

  /** Mean from the end of the charge to the last reading. */
  private double meanAir() {
    int n = 48;
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum += air(end + (record.last() - end) * (i + 0.5) / n) / n;
    }
    return sum;
  }
}
