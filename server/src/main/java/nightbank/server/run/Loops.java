package nightbank.server.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.judgement.JudgedLoop;
import nightbank.core.judgement.JudgementInputs;
import nightbank.server.log.EventLog;
import nightbank.server.log.Readings;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.stereotype.Service;

/** Streams through stores, by their two thermometers. */
@Service
public class Loops {
  private static final Duration LATELY = Duration.ofHours(24);
  private static final Duration STALE = Duration.ofHours(2);
  private static final int MOST_READINGS = 3000;

  private final Stores stores;
  private final Readings readings;
  private final EventLog events;
  private final Clock clock;

  Loops(Stores stores, Readings readings, EventLog events, Clock clock) {
    this.stores = stores;
    this.readings = readings;
    this.events = events;
    this.clock = clock;
  }

  /** Every loop of a holding that was read within the last two hours, over its last day. */
  public List<LoopView> lately(UUID holding) {
    Instant now = clock.instant();
    List<LoopView> views = new ArrayList<>();
    for (StoreView s : stores.all(holding)) {
      if (!s.planned() && probe(s.probes(), ProbeView.Kind.INLET).isPresent()) {
        CoreStore core = stores.core(holding, s.id());
        List<TimeInterval> stood = stood(holding, core, s.probes(), now);
        of(holding, core, s.probes(), stood, now.minus(LATELY), now, MOST_READINGS)
            .flatMap(JudgedLoop::judge)
            .map(j -> LoopView.of(s.id(), s.name(), core.heat().byStream(), j))
            .filter(v -> v.readAt() >= now.minus(STALE).getEpochSecond())
            .ifPresent(views::add);
      }
    }
    return views;
  }

  /** Readings of a store's stream; empty without a stream, two thermometers or readings. */
  Optional<LoopReadings> of(
      UUID holding,
      CoreStore core,
      List<ProbeView> probes,
      List<TimeInterval> stood,
      Instant from,
      Instant to,
      int most) {
    var in = probe(probes, ProbeView.Kind.INLET);
    var out = probe(probes, ProbeView.Kind.OUTLET);
    var stream = core.heat().stream();
    if (in.isEmpty() || out.isEmpty() || stream.isEmpty()) {
      return Optional.empty();
    }
    ReadingSeries inlet = readings.series(holding, in.get().id(), from, to, most);
    ReadingSeries outlet = readings.series(holding, out.get().id(), from, to, most);
    return inlet.size() == 0 || outlet.size() == 0
        ? Optional.empty()
        : Optional.of(new LoopReadings(inlet, outlet, stream.get().capacityRate(), stood));
  }

  /** For how long the pump of a store's stream stood, as it was logged. */
  List<TimeInterval> stood(UUID holding, CoreStore core, List<ProbeView> probes, Instant to) {
    return probe(probes, ProbeView.Kind.INLET).isEmpty()
        ? List.of()
        : JudgementInputs.pumpStood(
            events
                .counted(holding, core.id(), Set.of(EventKind.PUMP), to.minus(LATELY), to)
                .stream()
                .map(EventLog::toCore)
                .toList());
  }

  private static Optional<ProbeView> probe(List<ProbeView> probes, ProbeView.Kind kind) {
    return probes.stream().filter(p -> p.kind() == kind).findFirst();
  }
}
