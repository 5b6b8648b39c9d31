package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunFinder;
import nightbank.server.holding.Holdings;
import nightbank.server.log.EventLog;
import nightbank.server.log.Readings;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;

/** Runs that the readings of the last weeks show and nobody has marked. */
@Service
public class FoundRuns {
  private static final Duration BACK = Duration.ofDays(60);
  private static final int MOST_READINGS = 6000;
  private static final Set<EventKind> STARTS = Set.of(EventKind.FIRE_LIT, EventKind.ELEMENT);

  private final Runs runs;
  private final Stores stores;
  private final Readings readings;
  private final EventLog events;
  private final Holdings holdings;

  FoundRuns(Runs runs, Stores stores, Readings readings, EventLog events, Holdings holdings) {
    this.runs = runs;
    this.stores = stores;
    this.readings = readings;
    this.events = events;
    this.holdings = holdings;
  }

  /** Drafts, newest first; what overlaps a run by more than half is left out. */
  public List<Runs.RunDraft> find(UUID holding, UUID store) {
    List<ProbeView> all = stores.get(holding, store).probes();
    boolean mass = all.stream().anyMatch(p -> p.kind() == ProbeView.Kind.STORE);
    ProbeView.Kind kind = mass ? ProbeView.Kind.STORE : ProbeView.Kind.SURFACE;
    List<ProbeView> probes = all.stream().filter(p -> p.kind() == kind).toList();
    Set<UUID> ids = probes.stream().map(ProbeView::id).collect(Collectors.toSet());
    Instant to = readings.newest(holding, ids).orElse(null);
    if (to == null) {
      return List.of();
    }
    Instant from = to.minus(BACK);
    List<ReadingSeries> series = new ArrayList<>();
    for (UUID probe : ids) {
      series.add(readings.series(holding, probe, from, to, MOST_READINGS));
    }
    List<Long> fires =
        events.between(holding, from, to).stream()
            .filter(e -> STARTS.contains(e.kind()) && e.way() != EventKind.Way.OFF)
            .filter(e -> e.storeId() == null || e.storeId().equals(store))
            .map(e -> e.at().getEpochSecond())
            .toList();
    List<RunView> known = runs.all(holding, store);
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    List<Runs.RunDraft> drafts = new ArrayList<>();
    for (RunFinder.Found f : RunFinder.find(series, fires)) {
      if (known.stream().noneMatch(r -> overlaps(r, f))) {
        drafts.add(0, draft(f, zone));
      }
    }
    return drafts;
  }

  private static Runs.RunDraft draft(RunFinder.Found f, ZoneId zone) {
    Instant from = Instant.ofEpochSecond(f.from());
    String day = DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH).format(from.atZone(zone));
    String name = (f.chargingSeconds() > 0 ? "Charge of " : "Cooling from ") + day;
    return new Runs.RunDraft(null, name, from, Instant.ofEpochSecond(f.to()));
  }

  private static boolean overlaps(RunView r, RunFinder.Found f) {
    long shared =
        Math.min(r.to().getEpochSecond(), f.to()) - Math.max(r.from().getEpochSecond(), f.from());
    return shared * 2 > f.to() - f.from();
  }
}
