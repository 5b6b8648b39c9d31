package nightbank.core.run;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nightbank.core.run.JudgedRun.CoolDown;
import nightbank.core.run.JudgedRun.Finding;
import nightbank.core.run.JudgedRun.Ledger;
import nightbank.core.run.JudgedRun.Peak;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StateFromProbes;
import nightbank.core.store.StoreGrid;

/**
 * From readings to judgement. The conduction model is fitted to the probes; what it still misses at
 * each moment is spread over the store by the volume nearest each probe, so that the mean follows
 * the readings and the shape follows the physics.
 */
public final class RunJudge {
  private static final double SENSOR_LOW = -60;
  private static final double SENSOR_HIGH = 1100; // bare thermocouples, IEC 60584 type K
  private static final int LEAST_READINGS = 8;
  private static final double SHORTEST_COOL_DOWN = 2 * 3600.0;

  private final RunRecord run;
  private final RunFindings findings;
  private final List<Exclusion> excluded = new ArrayList<>();

  private RunJudge(RunRecord run) {
    this.run = run;
    findings = new RunFindings(run);
  }

  /** Judges a run; empty when there are too few readings to say anything at all. */
  public static Optional<JudgedRun> judge(RunRecord run) {
    return new RunJudge(run).judge();
  }

  private Optional<JudgedRun> judge() {
    List<ReadingSeries> cleaned = new ArrayList<>();
    for (ReadingSeries s : run.probes()) {
      cleaned.add(clean(s));
    }
    ReadingSeries air = clean(run.air());
    int most = cleaned.stream().mapToInt(ReadingSeries::size).max().orElse(0);
    if (most < LEAST_READINGS) {
      return Optional.empty();
    }
    boolean airKnown = air.size() > 1;
    ReadingSeries beside = airKnown ? air : guessedAir(cleaned);
    RunTimeline read = RunTimeline.of(cleaned, beside);
    RunTimeline line = run.makesHeat() ? read.alwaysOn() : read;
    Optional<JudgedLoop> loop =
        run.loop()
            .map(l -> new LoopReadings(clean(l.inlet()), clean(l.outlet()), l.capacityRate()))
            .flatMap(JudgedLoop::judge);
    HeatStore store = withMeasuredProbes(cleaned);
    boolean labelled = run.sourceWatts() > 0;
    StoreReplay replay = new StoreReplay(line, store, run.groundCelsius(), run.makesHeat());
    double watts =
        labelled
            ? run.sourceWatts()
            : run.makesHeat()
                ? steadyWatts(replay, store)
                : roughWatts(line, store, run.groundCelsius());
    var calibration = new StoreCalibration(line, replay, store, watts, labelled);
    var fit = calibration.fit();
    var track = replay.track(fit.store(), fit.watts(), true);
    CorrectedField field = CorrectedField.of(line, track, fit.store());
    double meanHalf = meanHalfWidth(line, replay, calibration, fit, field);
    Optional<CoolDown> coolDown =
        airKnown && !run.makesHeat() ? coolDown(line, field, store) : Optional.empty();
    if (run.makesHeat()) {
      findings.say(Finding.Code.MAKES_HEAT, Double.NaN, 0, "");
    } else if (!airKnown) {
      findings.say(Finding.Code.AIR_UNKNOWN, Double.NaN, 0, "");
    }
    Map<FaceName, Double> shares = faceShares(line, track, coolDown);
    Ledger ledger = ledger(line, track, field, labelled, fit.watts(), loop);
    loop.ifPresent(findings::loop);
    Peak peak = peak(line, field, meanHalf);
    coolDown.ifPresent(c -> findings.coolDown(c, shares));
    findings.peak(peak);
    findings.charge(labelled, fit, ledger);
    findings.hottest(track.states());
    if (!excluded.isEmpty()) {
      findings.say(Finding.Code.READINGS_LEFT_OUT, excluded.size(), 0, "");
    }
    if (line.probes().length == 1 && track.states()[0].celsius().length > 1) {
      findings.say(Finding.Code.ONE_PROBE, 1, 0, "");
    }
    double heatSpread =
        Math.hypot(
                store.medium().density().relativeSpread(),
                store.medium().specificHeat().relativeSpread())
            / 2;
    double excess = Math.max(1, peak.meanCelsius() - store.floorCelsius());
    int last = line.at().length - 1;
    return Optional.of(
        new JudgedRun(
            line.at(),
            store.probes().stream().map(nightbank.core.store.Probe::id).toList(),
            line.probes(),
            track.probes(),
            line.air(),
            field.mean(),
            meanHalf,
            field.gross(),
            field.usable(),
            Math.hypot(2 * heatSpread, meanHalf / excess),
            line.phases(),
            List.copyOf(excluded),
            peak,
            coolDown,
            ledger,
            GivenHeat.watts(line, track, field, fit.store(), run.makesHeat(), loop),
            loop,
            shares,
            new JudgedRun.Calibration(
                Math.exp(fit.logFactors()[0]),
                2 * Math.sqrt(fit.covariance().getEntry(0, 0)),
                Math.exp(fit.logFactors()[1]),
                2 * Math.sqrt(fit.covariance().getEntry(1, 1)),
                Math.exp(fit.logFactors()[2]),
                2 * Math.sqrt(fit.covariance().getEntry(2, 2))),
            findings.all(),
            fit.store(),
            track.states()[last].shifted(field.mean()[last] - track.mean()[last])));
  }

  private ReadingSeries clean(ReadingSeries series) {
    CleanedSeries c =
        ReadingCleaner.clean(
            series,
            SENSOR_LOW,
            SENSOR_HIGH,
            run.believed().getOrDefault(series.channel(), Set.of()));
    excluded.addAll(c.excluded());
    return c.kept();
  }

  private HeatStore withMeasuredProbes(List<ReadingSeries> cleaned) {
    var placed =
        cleaned.stream()
            .map(
                s ->
                    run.store().probes().stream()
                        .filter(p -> p.id().equals(s.channel()))
                        .findFirst()
                        .orElseThrow(
                            () ->
                                new IllegalArgumentException(
                                    "no probe " + s.channel() + " in the store")))
            .toList();
    return run.store().withProbes(placed);
  }

  /** Without a thermometer in the air, the coldest reading stands in; no cool-down is judged. */
  private static ReadingSeries guessedAir(List<ReadingSeries> cleaned) {
    double coldest = Double.POSITIVE_INFINITY;
    long first = Long.MAX_VALUE;
    for (ReadingSeries s : cleaned) {
      for (int i = 0; i < s.size(); i++) {
        coldest = Math.min(coldest, s.celsius()[i]);
        first = Math.min(first, s.epochSeconds()[i]);
      }
    }
    return new ReadingSeries("guess", new long[] {first}, new double[] {coldest});
  }

  /** What its faces lose at first: a mass that makes heat of its own makes about as much. */
  private static double steadyWatts(StoreReplay replay, HeatStore store) {
    double watts = 0;
    for (double[] face : replay.track(store, 0).faceWatts().values()) {
      watts += face[Math.min(1, face.length - 1)];
    }
    return Math.max(1, watts);
  }

  private static double roughWatts(RunTimeline line, HeatStore store, double ground) {
    double seconds = line.chargingSeconds();
    if (seconds == 0) {
      return 0;
    }
    double rise = 0;
    StateFromProbes field = new StateFromProbes(store, StoreGrid.coarse(store));
    double[] before = new double[line.probes().length];
    double[] after = new double[line.probes().length];
    for (Phase phase : line.phases()) {
      if (phase.kind() == Phase.Kind.CHARGING) {
        int settled = Math.min(line.at().length - 1, index(line, phase.toEpochSecond()) + 12);
        int start = index(line, phase.fromEpochSecond());
        for (int p = 0; p < before.length; p++) {
          before[p] = line.probes()[p][start];
          after[p] = line.probes()[p][settled];
        }
        rise +=
            Math.max(
                0,
                mean(field, after, line.air()[settled], ground)
                    - mean(field, before, line.air()[start], ground));
      }
    }
    return Math.max(1, store.heatCapacity(30) * rise / seconds);
  }

  private static double mean(StateFromProbes field, double[] celsius, double air, double ground) {
    for (double t : celsius) {
      if (!Double.isNaN(t)) {
        return field.of(celsius, air, ground).meanCelsius();
      }
    }
    return 0;
  }

  private static int index(RunTimeline line, long at) {
    int i = java.util.Arrays.binarySearch(line.at(), at);
    return i >= 0 ? i : Math.min(line.at().length - 1, Math.max(0, -i - 1));
  }

  private double meanHalfWidth(
      RunTimeline line,
      StoreReplay replay,
      StoreCalibration calibration,
      StoreCalibration.Calibrated fit,
      CorrectedField field) {
    double[] base = replay.track(fit.store(), fit.watts()).mean();
    int at = base.length * 2 / 3;
    double variance = square(replay.startDoubt());
    for (int k = 0; k < fit.logFactors().length; k++) {
      double sd = Math.sqrt(fit.covariance().getEntry(k, k));
      double[] moved = fit.logFactors().clone();
      moved[k] += sd;
      double power = fit.watts() * (k == 0 ? Math.exp(sd) : 1);
      double shift = replay.track(calibration.changed(moved), power).mean()[at] - base[at];
      variance += shift * shift;
    }
    double correction = 0;
    for (int i = 0; i < base.length; i++) {
      double c = field.mean()[i] - base[i];
      correction += c * c;
    }
    double sensor = 0.5 / Math.sqrt(line.probes().length);
    return 2 * Math.sqrt(variance + correction / base.length + sensor * sensor);
  }

  private Optional<CoolDown> coolDown(RunTimeline line, CorrectedField field, HeatStore store) {
    Phase longest = null;
    for (Phase phase : line.phases()) {
      boolean cooling = phase.kind() != Phase.Kind.CHARGING;
      if (cooling && (longest == null || phase.hours() > longest.hours())) {
        longest = phase;
      }
    }
    if (longest == null || longest.hours() * 3600 < SHORTEST_COOL_DOWN) {
      findings.say(
          Finding.Code.COOL_DOWN_TOO_SHORT,
          longest == null ? 0 : longest.hours(),
          SHORTEST_COOL_DOWN / 3600,
          "");
      return Optional.empty();
    }
    long length = longest.toEpochSecond() - longest.fromEpochSecond();
    long settle = (long) Math.min(settlingSeconds(store), 0.5 * length);
    int from = index(line, longest.fromEpochSecond() + settle);
    int to = index(line, longest.toEpochSecond());
    int n = to - from + 1;
    double[] seconds = new double[n];
    double[] mean = new double[n];
    double[] air = new double[n];
    for (int i = 0; i < n; i++) {
      seconds[i] = line.at()[from + i] - line.at()[from];
      mean[i] = field.mean()[from + i];
      air[i] = line.air()[from + i];
    }
    Optional<CoolDownFit> fit = CoolDownFit.of(seconds, mean, air);
    if (fit.isEmpty() || fit.get().fallKelvin() <= 0) {
      findings.say(Finding.Code.FALL_TOO_SMALL, mean[0] - mean[n - 1], 0, "");
      return Optional.empty();
    }
    CoolDownFit f = fit.get();
    double capacity = store.heatCapacity((mean[0] + mean[n - 1]) / 2);
    double ua = capacity / f.timeConstantSeconds();
    double spread =
        Math.hypot(
            Math.log(f.high() / f.low()) / 2,
            Math.hypot(
                store.medium().density().relativeSpread(),
                store.medium().specificHeat().relativeSpread()));
    return Optional.of(
        new CoolDown(
            f,
            line.at()[from],
            line.at()[to],
            capacity,
            ua,
            ua * Math.exp(-spread),
            ua * Math.exp(spread)));
  }

  /** 1.2 time constants of the slowest inner mode, after which the shape of the field stands. */
  private static double settlingSeconds(HeatStore store) {
    if (store.medium().kind() == nightbank.core.medium.Medium.Kind.WATER) {
      return 0;
    }
    Geometry g = store.geometry();
    double tall = Math.PI / g.heightMetres();
    double wide =
        g instanceof Geometry.Cylinder c
            ? square(2.405 / c.radiusMetres()) // first zero of J0
            : square(Math.PI / ((Geometry.Box) g).lengthMetres())
                + square(Math.PI / ((Geometry.Box) g).widthMetres());
    double diffusivity =
        store.medium().conductivity().value()
            / (store.medium().density().value() * store.medium().enthalpy().specificHeat(40));
    return 1.2 / (diffusivity * (wide + tall * tall));
  }

  private static double square(double x) {
    return x * x;
  }

  private static Map<FaceName, Double> faceShares(
      RunTimeline line, StoreReplay.Track track, Optional<CoolDown> coolDown) {
    int from = coolDown.map(c -> index(line, c.from())).orElse(1);
    int to = coolDown.map(c -> index(line, c.to())).orElse(line.at().length - 1);
    Map<FaceName, Double> sums = new EnumMap<>(FaceName.class);
    double all = 0;
    for (FaceName name : FaceName.values()) {
      double sum = 0;
      for (int i = from; i <= to; i++) {
        sum += track.faceWatts().get(name)[i];
      }
      sums.put(name, Math.max(0, sum));
      all += Math.max(0, sum);
    }
    double total = all;
    sums.replaceAll((name, sum) -> total > 0 ? sum / total : 0);
    return sums;
  }

  private Ledger ledger(
      RunTimeline line,
      StoreReplay.Track track,
      CorrectedField field,
      boolean labelled,
      double fittedWatts,
      Optional<JudgedLoop> loop) {
    int n = line.at().length;
    double delivered = 0;
    double early = 0;
    double lost = 0;
    double gain = 0;
    for (int i = 1; i < n; i++) {
      double dt = line.at()[i] - line.at()[i - 1];
      for (FaceName name : FaceName.values()) {
        double joules = track.faceWatts().get(name)[i] * dt;
        if (!GivenHeat.reachesHouse(run.store(), name)) {
          lost += joules;
        } else if (line.air()[i] < run.needBelowCelsius()) {
          delivered += joules;
        } else {
          early += joules;
        }
      }
      if (line.charging()[i]) {
        gain += field.content()[i] - field.content()[i - 1];
      }
    }
    double watts =
        labelled ? run.sourceWatts() : loop.isPresent() && !run.makesHeat() ? 0 : fittedWatts;
    double charged = watts * line.chargingSeconds();
    if (loop.isPresent()) {
      charged += loop.get().charged();
      double[] carried = loop.get().carriedOff(line.at());
      for (int i = 1; i < n; i++) {
        double joules = carried[i] * (line.at()[i] - line.at()[i - 1]);
        if (line.air()[i] < run.needBelowCelsius() || !indoors()) {
          delivered += joules;
        } else {
          early += joules;
        }
      }
    }
    double change = field.content()[n - 1] - field.content()[0];
    return new Ledger(
        charged,
        change,
        delivered,
        early,
        lost,
        charged - change - delivered - early - lost,
        gain,
        charged > 0 ? gain / charged : Double.NaN,
        labelled);
  }

  private boolean indoors() {
    return run.store().place().indoors();
  }

  private static Peak peak(RunTimeline line, CorrectedField field, double meanHalf) {
    int best = 0;
    for (int i = 1; i < field.mean().length; i++) {
      if (field.mean()[i] > field.mean()[best]) {
        best = i;
      }
    }
    boolean seen = false;
    for (double[] probe : line.probes()) {
      seen |= !Double.isNaN(probe[best]);
    }
    return new Peak(line.at()[best], field.mean()[best], meanHalf, !seen);
  }
}
