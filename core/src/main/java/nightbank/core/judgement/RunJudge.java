package nightbank.core.judgement;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nightbank.core.evidence.CleanedSeries;
import nightbank.core.evidence.Exclusion;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.Phase;
import nightbank.core.evidence.ReadingCleaner;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.fit.CoolDownFit;
import nightbank.core.fit.CorrectedField;
import nightbank.core.fit.FitUncertainty;
import nightbank.core.fit.ForwardRun;
import nightbank.core.fit.QuasiSteadyWindow;
import nightbank.core.fit.RunFit;
import nightbank.core.judgement.JudgedRun.CoolDown;
import nightbank.core.judgement.JudgedRun.Finding;
import nightbank.core.judgement.JudgedRun.Ledger;
import nightbank.core.judgement.JudgedRun.Peak;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;

/**
 * From readings to judgement. The conduction model is fitted to the probes; what it still misses at
 * each moment is spread over the store by the volume nearest each probe, so that the mean follows
 * the readings and the shape follows the physics.
 */
public final class RunJudge {
  private static final int LEAST_READINGS = 8;
  private static final double FROST = 5; // K that air may be colder than the ground (estimate)
  private static final double LENGTHS =
      0.03; // of the product of three, 1 % each and alike (estimate)
  private static final double FILL = 0.02; // of how full it is (estimate)
  private static final double SENSOR = 0.5; // K, one standard deviation of common digital probes

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
    HeatStore store = withMeasuredProbes(cleaned);
    RunFit fitted = RunFit.of(run, store, cleaned, airKnown ? air : guessedAir(cleaned, 0.5));
    RunTimeline line = fitted.line();
    RunTimeline steps = fitted.steps();
    var fit = fitted.fit();
    var track = fitted.track();
    CorrectedField field = fitted.field();
    boolean labelled = fitted.labelled();
    Optional<JudgedLoop> loop =
        run.loop()
            .map(
                l ->
                    new LoopReadings(
                        clean(l.inlet()), clean(l.outlet()), l.capacityRate(), l.stood()))
            .flatMap(JudgedLoop::judge);
    boolean cools = airKnown && !run.makesHeat();
    Optional<QuasiSteadyWindow> settled =
        cools ? QuasiSteadyWindow.of(line, store, run.groundCelsius()) : Optional.empty();
    FitUncertainty doubt = fitted.doubt(settled);
    double missed = missed(track.mean(), field, store.probes().size());
    double[] byAir = airKnown ? new double[line.at().length] : byAir(fitted, store, cleaned);
    double[] meanHalf =
        IntStream.range(0, line.at().length)
            .mapToDouble(
                i -> 2 * Math.hypot(missed, doubt.mean()[steps.index(line.at()[i])]) + byAir[i])
            .toArray();
    Optional<CoolDown> coolDown =
        cools ? coolDown(line, field, store, settled, doubt.logTau()) : Optional.empty();
    if (run.makesHeat()) {
      findings.say(Finding.Code.MAKES_HEAT, Double.NaN, 0, "");
    } else if (!airKnown) {
      findings.say(Finding.Code.AIR_UNKNOWN, Double.NaN, 0, "");
    }
    Map<FaceName, Double> shares = faceShares(line, track, coolDown);
    Ledger ledger = ledger(line, track, field, labelled, fit.watts(), loop);
    loop.ifPresent(findings::loop);
    Peak peak = peak(line, field, meanHalf);
    Optional<Boolean> lidOff = coolDown.map(c -> line.lidOff(line.index(c.to())));
    coolDown.ifPresent(c -> findings.coolDown(c, shares, lidOff.get()));
    findings.lid(line, lidOff);
    findings.peak(peak);
    findings.charge(labelled, fit, ledger, cools);
    fitted.course().ifPresent(c -> findings.fire(c.fuelJoules(), fit, ledger));
    findings.hottest(track.states());
    if (!excluded.isEmpty()) {
      findings.say(Finding.Code.READINGS_LEFT_OUT, excluded.size(), 0, "");
    }
    if (line.probes().length == 1 && track.states()[0].celsius().length > 1) {
      findings.say(Finding.Code.ONE_PROBE, 1, 0, "");
    }
    int last = line.at().length - 1;
    return Optional.of(
        JudgedRunBuilder.builder()
            .at(line.at())
            .channels(store.probes().stream().map(nightbank.core.store.Probe::id).toList())
            .probes(line.probes())
            .modelled(track.probes())
            .air(line.air())
            .mean(field.mean())
            .meanHalfWidth(meanHalf)
            .gross(field.gross())
            .usable(field.usable())
            .usableHalfWidth(usableHalf(store, field, meanHalf))
            .phases(line.phases())
            .excluded(List.copyOf(excluded))
            .peak(peak)
            .coolDown(coolDown)
            .ledger(ledger)
            .toHouse(DeliveredHeat.watts(line, track, field, fit.store(), run.makesHeat(), loop))
            .loop(loop)
            .faceShares(shares)
            .calibration(JudgedRun.Calibration.of(fit))
            .findings(findings.all())
            .learned(fit.store())
            .lastState(track.states()[last].shifted(field.mean()[last] - track.mean()[last]))
            .build());
  }

  private ReadingSeries clean(ReadingSeries series) {
    CleanedSeries c =
        ReadingCleaner.clean(
            series,
            ReadingCleaner.SENSOR_LOW,
            ReadingCleaner.SENSOR_HIGH,
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

  /**
   * Without a thermometer in the air, something between a cold house's and the coldest reading
   * stands in; no cool-down is judged.
   *
   * @param share of the way from the coldest reading to the cold house's, where that is colder
   */
  private ReadingSeries guessedAir(List<ReadingSeries> cleaned, double share) {
    double coldest = Double.POSITIVE_INFINITY;
    long first = Long.MAX_VALUE;
    for (ReadingSeries s : cleaned) {
      for (int i = 0; i < s.size(); i++) {
        coldest = Math.min(coldest, s.celsius()[i]);
        first = Math.min(first, s.epochSeconds()[i]);
      }
    }
    double guess = coldest - share * Math.max(0, coldest - (run.groundCelsius() - FROST));
    return new ReadingSeries("guess", new long[] {first}, new double[] {guess});
  }

  /** How far the mean would be off were the air as cold or as warm as may be, K. */
  private double[] byAir(RunFit fitted, HeatStore store, List<ReadingSeries> cleaned) {
    double[][] means =
        DoubleStream.of(0, 1)
            .mapToObj(share -> RunFit.of(run, store, cleaned, guessedAir(cleaned, share)))
            .map(f -> f.field().mean())
            .toArray(double[][]::new);
    double[] mean = fitted.field().mean();
    return IntStream.range(0, mean.length)
        .mapToDouble(
            i -> Math.max(Math.abs(means[0][i] - mean[i]), Math.abs(means[1][i] - mean[i])))
        .toArray();
  }

  /** Half a 95 % interval of the heat above the floor at each moment, J. */
  private static double[] usableHalf(HeatStore store, CorrectedField field, double[] meanHalf) {
    double known = 1.96 * capacityDoubt(store);
    return IntStream.range(0, meanHalf.length)
        .mapToDouble(
            i ->
                Math.hypot(
                    known * field.usable()[i], store.heatCapacity(field.mean()[i]) * meanHalf[i]))
        .toArray();
  }

  /** One standard deviation of the logarithm of a heat capacity: no temperature tells it. */
  private static double capacityDoubt(HeatStore store) {
    Medium m = store.medium();
    double heat = Math.hypot(m.density().relativeSpread(), m.specificHeat().relativeSpread()) / 2;
    return Math.hypot(heat, Math.hypot(LENGTHS, FILL));
  }

  /** What the fitted model misses of the mean, and what its sensors do, K. */
  private static double missed(double[] modelled, CorrectedField field, int probes) {
    double correction = 0;
    for (int i = 0; i < modelled.length; i++) {
      double by = field.mean()[i] - modelled[i];
      correction += by * by;
    }
    return Math.sqrt(correction / modelled.length + SENSOR * SENSOR / probes);
  }

  private Optional<CoolDown> coolDown(
      RunTimeline line,
      CorrectedField field,
      HeatStore store,
      Optional<QuasiSteadyWindow> settled,
      double logTauDoubt) {
    if (settled.isEmpty()) {
      double longest = QuasiSteadyWindow.longest(line).map(Phase::hours).orElse(0.0);
      double shortest = QuasiSteadyWindow.shortest(store) / 3600;
      findings.say(Finding.Code.COOL_DOWN_TOO_SHORT, longest, shortest, "");
      return Optional.empty();
    }
    QuasiSteadyWindow part = settled.get();
    double first = field.mean()[line.index(part.from())];
    double last = field.mean()[line.index(part.to())];
    Optional<CoolDownFit> fit = part.fit(line, field.mean()).filter(f -> f.fallKelvin() > 0);
    if (fit.isEmpty()) {
      findings.say(Finding.Code.FALL_TOO_SMALL, first - last, 0, "");
    }
    double capacity = store.heatCapacity((first + last) / 2);
    return fit.map(
        f -> {
          double ua = capacity / f.timeConstantSeconds();
          CoolDownFit wide = f.widened(1.96 * logTauDoubt);
          double decay = Math.log(wide.high() / wide.low()) / 2;
          double spread = Math.hypot(decay, 1.96 * capacityDoubt(store));
          return new CoolDown(
              wide,
              part.from(),
              part.to(),
              capacity,
              ua,
              ua * Math.exp(-spread),
              ua * Math.exp(spread));
        });
  }

  private static Map<FaceName, Double> faceShares(
      RunTimeline line, ForwardRun.SimulatedSeries track, Optional<CoolDown> coolDown) {
    int from = coolDown.map(c -> line.index(c.from())).orElse(1);
    int to = coolDown.map(c -> line.index(c.to())).orElse(line.at().length - 1);
    Map<FaceName, Double> sums = new EnumMap<>(FaceName.class);
    double all = 0;
    for (FaceName name : FaceName.values()) {
      double sum = 0;
      for (int i = from; i <= to; i++) {
        sum += Objects.requireNonNull(track.faceWatts().get(name))[i];
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
      ForwardRun.SimulatedSeries track,
      CorrectedField field,
      boolean labelled,
      double fittedWatts,
      Optional<JudgedLoop> loop) {
    int n = line.at().length;
    int first = line.index(Math.max(run.ledgerFrom(), line.at()[0]));
    double delivered = 0;
    double early = 0;
    double lost = 0;
    double gain = 0;
    for (int i = first + 1; i < n; i++) {
      double dt = line.at()[i] - line.at()[i - 1];
      for (FaceName name : FaceName.values()) {
        double joules = Objects.requireNonNull(track.faceWatts().get(name))[i] * dt;
        if (!DeliveredHeat.reachesHouse(run.store(), name)) {
          lost += joules;
        } else if (line.air()[i] < run.needBelowCelsius()) {
          delivered += joules;
        } else {
          early += joules;
        }
      }
      if (line.charging(i)) {
        gain += field.content()[i] - field.content()[i - 1];
      }
    }
    double watts =
        labelled ? run.sourceWatts() : loop.isPresent() && !run.makesHeat() ? 0 : fittedWatts;
    double charged = watts * line.chargingSeconds(first);
    if (loop.isPresent()) {
      charged += loop.get().charged();
      double[] carried = loop.get().carriedOff(line.at());
      for (int i = first + 1; i < n; i++) {
        double joules = carried[i] * (line.at()[i] - line.at()[i - 1]);
        if (line.air()[i] < run.needBelowCelsius() || !indoors()) {
          delivered += joules;
        } else {
          early += joules;
        }
      }
    }
    double change = field.content()[n - 1] - field.content()[first];
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

  private static Peak peak(RunTimeline line, CorrectedField field, double[] meanHalf) {
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
    return new Peak(line.at()[best], field.mean()[best], meanHalf[best], !seen);
  }
}
