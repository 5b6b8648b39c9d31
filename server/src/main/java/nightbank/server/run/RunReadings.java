package nightbank.server.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.LongStream;
import nightbank.core.evidence.ReadingCleaner;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.judgement.HandJudge;
import nightbank.server.log.Readings;
import nightbank.server.store.Arrangements;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.stereotype.Service;

/** A run's readings as they are drawn while it is judged. */
@Service
public class RunReadings {
  private static final Set<ProbeView.Kind> DRAWN =
      Set.of(ProbeView.Kind.STORE, ProbeView.Kind.SURFACE);
  private static final int MOMENTS = 800; // as many as a wide drawing has room for
  private static final int LONGEST_GAP = 3600; // s

  private final Runs runs;
  private final Stores stores;
  private final Readings readings;
  private final JudgementAssembler assembler;

  RunReadings(Runs runs, Stores stores, Readings readings, JudgementAssembler assembler) {
    this.runs = runs;
    this.stores = stores;
    this.readings = readings;
    this.assembler = assembler;
  }

  public RunReadingsView of(UUID holding, UUID runId) {
    RunView run = runs.get(holding, runId);
    Arrangements when = stores.arrangements(holding, run.storeId());
    CoreStore store =
        stores.core(holding, run.storeId(), when.mostOf(run.from(), run.to()).arrangement());
    List<ProbeView> probes = store.probes().stream().filter(p -> DRAWN.contains(p.kind())).toList();
    List<ReadingSeries> read = probes.stream().map(p -> series(holding, p.id(), run)).toList();
    long[] at = moments(read);
    List<JudgementView.Curve> curves = new ArrayList<>();
    for (int i = 0; i < probes.size(); i++) {
      ProbeView p = probes.get(i);
      curves.add(
          new JudgementView.Curve(
              p.id(),
              p.name(),
              p.radiusFraction(),
              p.heightFraction(),
              along(read.get(i), at),
              List.of()));
    }
    List<Double> air =
        assembler.airProbes(holding, store).stream()
            .map(p -> series(holding, p, run))
            .filter(s -> s.size() > 1)
            .findFirst()
            .map(s -> along(s, at))
            .orElse(List.of());
    return new RunReadingsView(run, store.name(), LongStream.of(at).boxed().toList(), curves, air);
  }

  private ReadingSeries series(UUID holding, UUID probe, RunView run) {
    ReadingSeries s = readings.series(holding, probe, run.from(), run.to(), MOMENTS);
    return ReadingCleaner.clean(s, ReadingCleaner.SENSOR_LOW, ReadingCleaner.SENSOR_HIGH).kept();
  }

  /** Even moments from the first reading to the last; of few readings their own. */
  private static long[] moments(List<ReadingSeries> read) {
    if (read.stream().mapToInt(ReadingSeries::size).sum() <= HandJudge.MOST) {
      return read.stream()
          .flatMapToLong(s -> LongStream.of(s.epochSeconds()))
          .sorted()
          .distinct()
          .toArray();
    }
    long from = Instant.MAX.getEpochSecond();
    long to = Instant.MIN.getEpochSecond();
    for (ReadingSeries s : read) {
      if (s.size() > 0) {
        from = Math.min(from, s.epochSeconds()[0]);
        to = Math.max(to, s.epochSeconds()[s.size() - 1]);
      }
    }
    if (to <= from) {
      return new long[0];
    }
    long first = from;
    double step = (to - from) / (MOMENTS - 1.0);
    return LongStream.range(0, MOMENTS).map(k -> first + Math.round(k * step)).toArray();
  }

  private static List<Double> along(ReadingSeries s, long[] at) {
    long gap =
        at.length <= HandJudge.MOST ? Long.MAX_VALUE : Math.max(LONGEST_GAP, 3 * (at[1] - at[0]));
    List<Double> row = new ArrayList<>(at.length);
    for (long t : at) {
      double celsius = s.at(t, gap);
      row.add(Double.isNaN(celsius) ? null : Math.round(celsius * 100) / 100.0);
    }
    return row;
  }
}
