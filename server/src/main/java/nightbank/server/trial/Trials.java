package nightbank.server.trial;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.trial.Cooling;
import nightbank.core.trial.Trial;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.run.Judgements;
import nightbank.server.run.RunView;
import nightbank.server.run.Runs;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Versions;
import nightbank.server.store.Stores;
import nightbank.server.trial.internal.TrialRepository;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Trials: kept, judged, taken away. Runs stay whatever happens to trials. */
@Service
public class Trials implements Reversible {
  private static final int MOST_RUNS = 12;
  private static final double LONGEST = 240 * 3600;

  private final TrialRepository repository;
  private final Runs runs;
  private final Stores stores;
  private final Judgements judgements;
  private final EventLog events;
  private final Weathers weathers;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Trials(
      TrialRepository repository,
      Runs runs,
      Stores stores,
      Judgements judgements,
      EventLog events,
      Weathers weathers,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.runs = runs;
    this.stores = stores;
    this.judgements = judgements;
    this.events = events;
    this.weathers = weathers;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /**
   * What a keeper sends.
   *
   * @param name what was changed
   * @param runs in the order of the sheet; the first one's side is what the others are held against
   */
  public record TrialDraft(
      String name,
      List<Sided> runs,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable TrialDraft was) {
    public TrialDraft(String name, List<Sided> runs) {
      this(name, runs, null);
    }
  }

  /** A run and the side it stands on. */
  public record Sided(UUID runId, String side) {}

  public List<TrialView> all(UUID holding) {
    return views(holding, repository.all(holding));
  }

  public TrialView get(UUID holding, UUID id) {
    TrialRepository.Kept kept =
        repository.find(holding, id).orElseThrow(() -> Problem.notFound("trial"));
    return views(holding, List.of(kept)).get(0);
  }

  @Transactional
  public TrialView save(UUID holding, UUID id, TrialDraft draft) {
    check(holding, draft);
    TrialDraft before = now(holding, id.toString());
    if (before != null && Objects.equals(alike(before), alike(draft))) {
      return get(holding, id);
    }
    Versions.require("trial", alike(draft.was()), alike(before));
    keep(holding, id, draft);
    note(holding, id, before);
    return get(holding, id);
  }

  /** In whatever order its runs stand. */
  private static @Nullable Set<Object> alike(@Nullable TrialDraft d) {
    if (d == null) {
      return null;
    }
    Set<Object> all = new HashSet<>(d.runs() == null ? List.of() : d.runs());
    all.add(d.name());
    return all;
  }

  private void keep(UUID holding, UUID id, TrialDraft d) {
    if (!repository.save(holding, id, d.name().strip(), d.runs(), clock.instant())) {
      throw Problem.notFound("trial");
    }
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    get(holding, id);
    TrialDraft before = now(holding, id.toString());
    repository.delete(holding, id);
    note(holding, id, before);
  }

  /** A run that goes leaves the trials it stands in. */
  @EventListener
  void leaves(Runs.Goes run) {
    for (TrialRepository.Kept t : repository.all(run.holding())) {
      List<Sided> left = t.runs().stream().filter(s -> !s.runId().equals(run.id())).toList();
      if (left.size() < t.runs().size()) {
        TrialDraft before = new TrialDraft(t.name(), t.runs());
        keep(run.holding(), t.id(), new TrialDraft(t.name(), left));
        note(run.holding(), t.id(), before);
      }
    }
  }

  private void note(UUID holding, UUID id, @Nullable TrialDraft before) {
    TrialDraft after = now(holding, id.toString());
    String name = after == null ? Objects.requireNonNull(before).name() : after.name();
    changes.made(holding, kind(), id.toString(), name, before, after);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.TRIAL;
  }

  @Override
  public @Nullable TrialDraft now(UUID holding, String subject) {
    return repository
        .find(holding, UUID.fromString(subject))
        .map(t -> new TrialDraft(t.name(), t.runs()))
        .orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.delete(holding, id);
    } else {
      TrialDraft d = json.read(state, TrialDraft.class);
      d.runs().forEach(s -> runs.get(holding, s.runId()));
      keep(holding, id, d);
    }
  }

  /**
   * Judges.
   *
   * @param hours to carry all along; absent for as long as the shortest was followed
   */
  public TrialSheet sheet(UUID holding, UUID id, Double hours) {
    if (hours != null && !(hours > 0 && hours * 3600 <= LONGEST)) {
      throw Problem.invalid(
          "hours", "The hours must lie between 0 and 240.", "A night has about fourteen.");
    }
    TrialView trial = get(holding, id);
    List<Trial.Entry> entries = new ArrayList<>();
    List<TrialMapping.Told> told = new ArrayList<>();
    for (TrialView.Run r : trial.runs()) {
      Judgements.Stretch stretch = judgements.stretch(holding, r.storeId(), r.from(), r.to());
      Optional<JudgedRun> run = stretch.judged();
      Optional<Cooling> cooling =
          run.flatMap(Cooling::of).or(() -> stretch.few().flatMap(Cooling::of));
      if (run.isPresent() || cooling.isPresent()) {
        entries.add(entry(holding, r, stretch.mass(), run, cooling));
        told.add(new TrialMapping.Told(r.runId(), run));
      }
    }
    long sides = entries.stream().map(Trial.Entry::side).distinct().count();
    if (sides < 2) {
      throw Problem.invalid(
          "runs",
          "Of one side of this trial too little was read.",
          "Choose runs that were read after their charge, the next morning at least.");
    }
    Trial judged = Trial.compare(entries, hours == null ? Double.NaN : hours * 3600);
    return TrialMapping.sheet(trial, judged, entries, told);
  }

  private Trial.Entry entry(
      UUID holding,
      TrialView.Run r,
      String mass,
      Optional<JudgedRun> run,
      Optional<Cooling> cooling) {
    Instant from =
        run.flatMap(JudgedRun::coolDown).map(c -> Instant.ofEpochSecond(c.from())).orElse(r.from());
    Instant to =
        run.flatMap(JudgedRun::coolDown).map(c -> Instant.ofEpochSecond(c.to())).orElse(r.to());
    List<EventView> seen =
        events.between(holding, from, to).stream()
            .filter(e -> e.storeId() == null || e.storeId().equals(r.storeId()))
            .toList();
    double wind =
        weathers.recorded(holding, from, to).stream()
            .filter(h -> h.wind() != null)
            .mapToDouble(HourlyWeather::wind)
            .average()
            .orElse(Double.NaN);
    return new Trial.Entry(
        r.side(),
        mass,
        cooling,
        wind,
        count(seen, EventKind.DOOR) + count(seen, EventKind.VENT),
        count(seen, EventKind.WATER),
        count(seen, EventKind.LID));
  }

  private static int count(List<EventView> seen, EventKind kind) {
    return (int) seen.stream().filter(e -> e.kind() == kind).count();
  }

  private void check(UUID holding, TrialDraft d) {
    if (d.name() == null || d.name().isBlank() || d.name().length() > 200) {
      throw Problem.invalid(
          "name", "A trial needs a name of up to 200 letters.", "Name the change.");
    }
    if (d.runs() == null || d.runs().size() < 2 || d.runs().size() > MOST_RUNS) {
      throw Problem.invalid(
          "runs", "A trial takes 2 to " + MOST_RUNS + " runs.", "Choose runs to set side by side.");
    }
    Set<UUID> once = new HashSet<>();
    Set<String> sides = new HashSet<>();
    for (int i = 0; i < d.runs().size(); i++) {
      Sided s = d.runs().get(i);
      if (s == null || s.runId() == null || !once.add(s.runId())) {
        throw Problem.invalid(
            "runs." + i, "A run is missing or stands here twice.", "Choose others.");
      }
      if (s.side() == null || s.side().isBlank() || s.side().length() > 100) {
        throw Problem.invalid(
            "runs." + i + ".side",
            "What was the case in this run needs up to 100 letters.",
            "For instance “bare” or “wrapped”.");
      }
      sides.add(s.side().strip());
      runs.get(holding, s.runId());
    }
    if (sides.size() < 2) {
      throw Problem.invalid(
          "runs", "All runs stand on one side.", "Name what was changed in one of them.");
    }
  }

  private List<TrialView> views(UUID holding, List<TrialRepository.Kept> trials) {
    Map<UUID, RunView> known =
        runs.some(
            holding,
            trials.stream().flatMap(t -> t.runs().stream()).map(Sided::runId).distinct().toList());
    Map<UUID, String> names = stores.names(holding);
    return trials.stream()
        .map(
            t ->
                new TrialView(
                    t.id(),
                    t.name(),
                    t.createdAt(),
                    t.runs().stream()
                        .map(s -> run(s, Objects.requireNonNull(known.get(s.runId())), names))
                        .toList()))
        .toList();
  }

  private static TrialView.Run run(Sided s, RunView r, Map<UUID, String> names) {
    return new TrialView.Run(
        r.id(), s.side(), r.name(), r.storeId(), names.get(r.storeId()), r.from(), r.to());
  }
}
