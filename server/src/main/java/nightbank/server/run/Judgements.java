package nightbank.server.run;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import nightbank.core.evidence.EventKind;
import nightbank.core.judgement.HandJudge;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.judgement.JudgementInputs;
import nightbank.core.store.HeatStore;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.run.JudgementAssembler.Concern;
import nightbank.server.run.JudgementAssembler.Span;
import nightbank.server.run.internal.JudgementRepository;
import nightbank.server.shared.Computed;
import nightbank.server.shared.InputChanged.Keys;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import org.jooq.JSONB;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Has the core judge, and keeps what it said until something that it rests on changes. */
@Service
public class Judgements {
  private static final Logger LOG = LoggerFactory.getLogger(Judgements.class);
  private static final int MOST_READINGS = 4000; // a probe and run: two a moment of its curves
  private static final int MOST_ROUNDS = 5;

  private final Runs runs;
  private final EventLog events;
  private final JudgementAssembler assembler;
  private final JudgementRepository repository;
  private final Json json;
  private final Computed<Optional<JudgedRun>> judged = new Computed<>(60);
  private final Computed<Optional<HandJudge.Judged>> byHand = new Computed<>(60);
  private final Computed<Optional<HandJudge.Next>> toRead = new Computed<>(60);
  private final Semaphore busy =
      new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors()));

  Judgements(
      Runs runs,
      EventLog events,
      JudgementAssembler assembler,
      JudgementRepository repository,
      Json json) {
    this.runs = runs;
    this.events = events;
    this.assembler = assembler;
    this.repository = repository;
    this.json = json;
  }

  /** What the core said, and of how many readings. */
  public record Judged(JudgedRun run, long readings) {}

  /** A run's sheet: as it is kept while it is right, else judged now. */
  public JudgementView view(UUID holding, UUID runId) {
    return kept(holding, runId).orElseGet(() -> judgeSheet(holding, runId));
  }

  /** A run's sheet as it is kept, while it is right. */
  public Optional<JudgementView> kept(UUID holding, UUID runId) {
    return repository.sheet(holding, runId).map(kept -> json.read(kept, JudgementView.class));
  }

  private JudgementView judgeSheet(UUID holding, UUID runId) {
    RunView run = runs.get(holding, runId);
    JudgedSubject subject = JudgedSubject.sheet(holding, run);
    Span span = new Span(run.from(), run.to(), true);
    return keep(
        subject,
        span,
        shown(run),
        MOST_READINGS,
        JudgementView.class,
        c -> List.of(run, c.store().name(), c.probes(), seen(c), c.changedAt()),
        (c, j) -> sheet(run, c, j.get()));
  }

  /** What a run of few readings comes to; not kept, since it is soon judged. */
  public FewView few(UUID holding, UUID runId) {
    RunView run = runs.get(holding, runId);
    Concern c = assembler.concern(holding, run.storeId(), new Span(run.from(), run.to(), true));
    Map<String, String> names =
        c.probes().stream().collect(Collectors.toMap(p -> p.id().toString(), ProbeView::name));
    Stretch stretch = new Stretch(run.storeId(), assembler.inputs(c, MOST_READINGS));
    return stretch
        .few()
        .map(j -> FewView.of(j, stretch.next(j), names, ChangedView.of(c)))
        .orElseThrow(() -> Problem.notFound("reading"));
  }

  private static Set<String> shown(RunView run) {
    Set<String> shown = new HashSet<>(Set.of(Keys.run(run.id())));
    for (EventKind k : EventKind.values()) {
      shown.addAll(Keys.eventsAt(k, run.storeId()));
    }
    return shown;
  }

  private JudgementView sheet(RunView run, Concern c, Optional<Judged> judged) {
    Judged j =
        judged.orElseThrow(
            () ->
                new Problem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "too-few-readings",
                    "run",
                    "Fewer than eight readings of one probe lie in this run.",
                    "Choose a longer stretch, or hand over the logger's file."));
    return JudgementMapping.view(
        run,
        c.store().name(),
        c.store().store().floorCelsius(),
        c.site().needBelowCelsius(),
        j.run(),
        c.probes().stream().collect(Collectors.toMap(ProbeView::id, Function.identity())),
        believed(c),
        j.readings(),
        j.run()
            .loop()
            .map(l -> LoopView.of(c.store().id(), c.store().name(), c.store().heat().byStream(), l))
            .orElse(null),
        c.read().stream().sorted().toList(),
        seen(c),
        ChangedView.of(c));
  }

  private List<EventView> seen(Concern c) {
    return events.between(c.holding(), c.ledgerFrom(), c.to()).stream()
        .filter(e -> e.storeId() == null || e.storeId().equals(c.store().id()))
        .toList();
  }

  private List<JudgementView.SetAside> believed(Concern c) {
    var all = assembler.believed(c);
    return c.probes().stream()
        .flatMap(
            p ->
                all.getOrDefault(p.id().toString(), Set.of()).stream()
                    .map(at -> new JudgementView.SetAside(p.id(), p.name(), at, null, "BELIEVED")))
        .toList();
  }

  /** Any stretch of a store's time, gathered once and judged as it is asked for. */
  public final class Stretch {
    private final UUID store;
    private final JudgementInputs inputs;
    private final String print;

    private Stretch(UUID store, JudgementInputs inputs) {
      this.store = store;
      this.inputs = inputs;
      print = inputs.fingerprint();
    }

    /** Tells its mass from another, or from itself with more or less in it. */
    public String mass() {
      HeatStore design = inputs.store().design();
      return "%s %.4g".formatted(store, design.heatCapacity(design.floorCelsius()));
    }

    /** As of a logger; empty when too little was read. */
    public Optional<JudgedRun> judged() {
      return judge(inputs, print).map(Judged::run);
    }

    /** As of few readings; empty where more was read, or nothing. */
    public Optional<HandJudge.Judged> few() {
      return byHand.of(print, () -> alone(() -> HandJudge.of(inputs)));
    }

    private Optional<HandJudge.Next> next(HandJudge.Judged few) {
      return toRead.of(print, () -> alone(few::next));
    }
  }

  public Stretch stretch(UUID holding, UUID store, Instant from, Instant to) {
    Concern c = assembler.concern(holding, store, new Span(from, to, true));
    return new Stretch(store, assembler.inputs(c, MOST_READINGS));
  }

  /**
   * A day as it is kept from now on.
   *
   * @param most readings of each probe, evenly thinned: fewer are judged sooner
   */
  public <T> T keepDay(
      JudgedSubject day,
      Instant from,
      Instant to,
      int most,
      Class<T> type,
      Function<Optional<Judged>, T> result) {
    return keep(
        day,
        new Span(from, to, false),
        Set.of(),
        most,
        type,
        c -> List.of(),
        (c, judged) -> result.apply(orNothing(day, judged)));
  }

  /** A day that cannot be judged counts as unread: it is not tried again until it is touched. */
  private static Optional<Judged> orNothing(JudgedSubject day, Supplier<Optional<Judged>> judged) {
    try {
      return judged.get();
    } catch (RuntimeException e) {
      LOG.warn("the day of {} of store {} was not judged", day.subject(), day.store(), e);
      return Optional.empty();
    }
  }

  private interface Result<T> {
    T of(Concern c, Supplier<Optional<Judged>> judged);
  }

  /**
   * Judges and keeps. First it says what it will rest on, then it waits for whoever was writing
   * just then, then it gathers: what is written later touches it.
   *
   * @param shown keys of what the result shows besides what is judged with
   * @param beside what else comes out in the result
   */
  private <T> T keep(
      JudgedSubject subject,
      Span span,
      Set<String> shown,
      int most,
      Class<T> type,
      Function<Concern, Object> beside,
      Result<T> result) {
    Concern c = assembler.concern(subject.holding(), subject.store(), span).with(shown);
    for (int round = 1; ; round++) {
      long touches = restsOn(subject, c);
      repository.awaitWriters(subject.holding());
      Concern now = assembler.concern(subject.holding(), subject.store(), span).with(shown);
      if (!c.keys().containsAll(now.keys()) && round < MOST_ROUNDS) {
        c = now;
        continue;
      }
      JudgementInputs inputs = assembler.inputs(now, most);
      String all = inputs.fingerprintWith(beside.apply(now));
      Optional<JSONB> same = repository.same(subject, touches, all);
      if (same.isPresent()) {
        return json.read(same.get(), type);
      }
      T made = result.of(now, () -> judge(inputs, inputs.fingerprint()));
      Instant last =
          inputs.lastRead().isPresent()
              ? Instant.ofEpochSecond(inputs.lastRead().getAsLong())
              : null;
      repository.keep(subject, touches, all, last, json.write(made));
      return made;
    }
  }

  /** A run or store that was removed since it was asked for is not there. */
  private long restsOn(JudgedSubject subject, Concern c) {
    try {
      return repository.restsOn(subject, c.keys(), c.restsFrom(), c.restsTo());
    } catch (DataIntegrityViolationException gone) {
      throw Problem.notFound("run");
    }
  }

  private Optional<Judged> judge(JudgementInputs inputs, String fingerprint) {
    return judged
        .of(fingerprint, () -> alone(inputs::judge))
        .map(j -> new Judged(j, inputs.readings()));
  }

  private <T> T alone(Supplier<T> judging) {
    busy.acquireUninterruptibly();
    try {
      return judging.get();
    } finally {
      busy.release();
    }
  }
}
