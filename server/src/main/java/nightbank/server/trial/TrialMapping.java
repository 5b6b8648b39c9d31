package nightbank.server.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.trial.Trial;
import org.jspecify.annotations.Nullable;

/** A judged trial for the page. */
final class TrialMapping {
  private static final int POINTS = 60;

  /** A run that tells something, and its judgement where a logger followed it. */
  record Told(UUID runId, Optional<JudgedRun> run) {}

  private TrialMapping() {}

  static TrialSheet sheet(
      TrialView trial, Trial judged, List<Trial.Entry> entries, List<Told> told) {
    Trial.Common c = judged.common().orElse(null);
    List<Double> at = new ArrayList<>();
    for (int i = 0; c != null && i <= POINTS; i++) {
      at.add(c.seconds() * i / POINTS);
    }
    return new TrialSheet(
        trial,
        c == null ? null : c.excessKelvin(),
        c == null ? null : c.airCelsius(),
        c == null ? null : c.seconds(),
        at,
        judged.sides().stream().map(s -> side(judged, s, at, entries, told)).toList(),
        judged.differences().stream()
            .map(
                d ->
                    new TrialSheet.DifferenceView(
                        d.side(),
                        d.word().name(),
                        number(d.ratio()),
                        number(d.ratioLow()),
                        number(d.ratioHigh()),
                        number(d.readingKelvin()),
                        number(d.readingLow()),
                        number(d.readingHigh())))
            .toList(),
        judged.differed().stream()
            .map(d -> new TrialSheet.DifferedView(d.what().name(), d.side(), d.first(), d.other()))
            .toList());
  }

  private static TrialSheet.SideView side(
      Trial judged, Trial.Side s, List<Double> at, List<Trial.Entry> entries, List<Told> told) {
    List<TrialSheet.Dots> dots = new ArrayList<>();
    for (int i : s.runs()) {
      List<double[]> all = judged.dots(entries.get(i));
      String silent =
          all.isEmpty()
              ? told.get(i).run().map(JudgedRun::findings).orElse(List.of()).stream()
                  .map(f -> f.code().name())
                  .filter(SILENT::contains)
                  .findFirst()
                  .orElse("FALL_TOO_SMALL")
              : "";
      dots.add(
          new TrialSheet.Dots(
              told.get(i).runId(),
              silent,
              all.stream().map(d -> d[0]).toList(),
              all.stream().map(d -> d[1]).toList()));
    }
    Trial.Fair f = s.fair().orElse(null);
    return f == null
        ? new TrialSheet.SideView(s.name(), null, List.of(), List.of(), List.of(), dots)
        : new TrialSheet.SideView(
            s.name(),
            new TrialSheet.FairView(
                f.halfLifeSeconds(),
                f.halfLifeSeconds() * Math.exp(-f.logTauHalf()),
                f.halfLifeSeconds() * Math.exp(f.logTauHalf()),
                f.lossCoefficient(),
                f.lossLow(),
                f.lossHigh(),
                f.readingCelsius(),
                f.readingLow(),
                f.readingHigh()),
            judged.curve(f, at, 0),
            judged.curve(f, at, -1),
            judged.curve(f, at, 1),
            dots);
  }

  private static final List<String> SILENT =
      List.of("AIR_UNKNOWN", "MAKES_HEAT", "COOL_DOWN_TOO_SHORT", "FALL_TOO_SMALL");

  private static @Nullable Double number(double v) {
    return Double.isNaN(v) ? null : v;
  }
}
