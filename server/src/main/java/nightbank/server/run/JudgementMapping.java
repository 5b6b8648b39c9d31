package nightbank.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.store.FaceName;
import nightbank.server.log.EventView;
import nightbank.server.store.ProbeView;
import org.jspecify.annotations.Nullable;

/** Judged runs for the page; curves thinned to what a screen can show. */
final class JudgementMapping {
  private static final int MOST_POINTS = 700;

  private JudgementMapping() {}

  static JudgementView view(
      RunView run,
      String storeName,
      double floorCelsius,
      double needBelow,
      JudgedRun j,
      Map<UUID, ProbeView> probes,
      List<JudgementView.SetAside> believed,
      long readings,
      @Nullable LoopView loop,
      List<UUID> restsOn,
      List<EventView> events,
      @Nullable ChangedView changed) {
    int[] kept = kept(j.at().length);
    List<JudgementView.Curve> curves = new ArrayList<>();
    for (int p = 0; p < j.channels().size(); p++) {
      ProbeView probe = Objects.requireNonNull(probes.get(UUID.fromString(j.channels().get(p))));
      curves.add(
          new JudgementView.Curve(
              probe.id(),
              probe.name(),
              probe.radiusFraction(),
              probe.heightFraction(),
              thin(j.probes()[p], kept),
              thin(j.modelled()[p], kept)));
    }
    List<Long> at = new ArrayList<>();
    for (int i : kept) {
      at.add(j.at()[i]);
    }
    return JudgementViewBuilder.builder()
        .run(run)
        .storeId(run.storeId())
        .storeName(storeName)
        .at(at)
        .probes(curves)
        .air(thin(j.air(), kept))
        .mean(thin(j.mean(), kept))
        .meanHalfWidth(thin(j.meanHalfWidth(), kept))
        .gross(thin(j.gross(), kept))
        .usable(thin(j.usable(), kept))
        .usableHalfWidth(thin(j.usableHalfWidth(), kept))
        .floorCelsius(floorCelsius)
        .phases(
            j.phases().stream()
                .map(
                    p ->
                        new JudgementView.PhaseView(
                            p.kind().name(), p.fromEpochSecond(), p.toEpochSecond()))
                .toList())
        .setAside(
            j.excluded().stream()
                .limit(2000)
                .map(
                    e ->
                        new JudgementView.SetAside(
                            UUID.fromString(e.channel()),
                            name(probes, e.channel()),
                            e.epochSecond(),
                            number(e.celsius()),
                            e.reason().name()))
                .toList())
        .believed(believed)
        .readings(readings)
        .peak(
            new JudgementView.PeakView(
                j.peak().at(), j.peak().meanCelsius(), j.peak().halfWidth(), j.peak().fromFit()))
        .coolDown(coolDown(j, kept))
        .ledger(ledger(j.ledger()))
        .faceShares(
            j.faceShares().entrySet().stream()
                .map(
                    (Map.Entry<FaceName, Double> e) ->
                        new JudgementView.FaceShare(e.getKey().name(), e.getValue()))
                .toList())
        .calibration(
            new JudgementView.CalibrationView(
                j.calibration().power().factor(),
                j.calibration().power().half(),
                j.calibration().conductivity().factor(),
                j.calibration().conductivity().half(),
                j.calibration().side().factor(),
                j.calibration().side().half(),
                j.calibration().ends().factor(),
                j.calibration().ends().half()))
        .findings(
            j.findings().stream()
                .map(
                    f ->
                        new JudgementView.FindingView(
                            f.code().name(), number(f.value()), f.halfWidth(), f.detail()))
                .toList())
        .needBelowCelsius(needBelow)
        .loop(loop)
        .restsOn(restsOn)
        .events(events)
        .changed(changed)
        .build();
  }

  private static JudgementView.@Nullable CoolDownView coolDown(JudgedRun j, int[] kept) {
    return j.coolDown()
        .map(
            c -> {
              double[] seconds = new double[kept.length];
              double[] air = new double[kept.length];
              for (int i = 0; i < kept.length; i++) {
                seconds[i] = j.at()[kept[i]] - c.from();
                air[i] = j.air()[kept[i]];
              }
              double[] fitted = c.curve(seconds, air, c.to() - c.from());
              return JudgementViewCoolDownViewBuilder.builder()
                  .from(c.from())
                  .to(c.to())
                  .timeConstantSeconds(c.fit().timeConstantSeconds())
                  .timeConstantLow(c.fit().low())
                  .timeConstantHigh(c.fit().high())
                  .halfLifeSeconds(c.fit().halfLifeSeconds())
                  .lossWattsPerKelvin(c.lossCoefficient())
                  .lossLow(c.lossLow())
                  .lossHigh(c.lossHigh())
                  .fallKelvin(c.fit().fallKelvin())
                  .scatterKelvin(c.fit().scatterKelvin())
                  .points(c.fit().points())
                  .fitted(all(fitted))
                  .build();
            })
        .orElse(null);
  }

  private static JudgementView.LedgerView ledger(JudgedRun.Ledger l) {
    return new JudgementView.LedgerView(
        l.charged(),
        l.change(),
        l.delivered(),
        l.early(),
        l.lost(),
        l.residual(),
        l.gain(),
        number(l.efficiency()),
        l.powerLabelled());
  }

  private static String name(Map<UUID, ProbeView> probes, String channel) {
    ProbeView probe = probes.get(UUID.fromString(channel));
    return probe == null ? "air" : probe.name();
  }

  private static int[] kept(int n) {
    int every = Math.max(1, (n + MOST_POINTS - 1) / MOST_POINTS);
    int[] kept = new int[(n + every - 1) / every];
    for (int i = 0; i < kept.length; i++) {
      kept[i] = i * every;
    }
    return kept;
  }

  private static List<Double> thin(double[] values, int[] kept) {
    List<Double> list = new ArrayList<>(kept.length);
    for (int i : kept) {
      list.add(number(values[i]));
    }
    return list;
  }

  private static List<Double> all(double[] values) {
    List<Double> list = new ArrayList<>(values.length);
    for (double v : values) {
      list.add(number(v));
    }
    return list;
  }

  /** JSON knows no NaN; absence is null. Rounded to what a reading can mean. */
  private static @Nullable Double number(double value) {
    return Double.isFinite(value) ? Math.round(value * 1000) / 1000.0 : null;
  }
}
