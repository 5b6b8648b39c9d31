package nightbank.server.upkeep;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.MonthDay;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.evidence.EventKind;
import nightbank.core.upkeep.Every;
import nightbank.core.upkeep.UsualTask;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.holding.Holdings;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.upkeep.UpkeepView.DoneView;
import nightbank.server.upkeep.UpkeepView.ProposalView;
import nightbank.server.upkeep.UpkeepView.TaskView;
import nightbank.server.upkeep.internal.TaskRepository;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Tasks that come round: taken on, changed, let go. */
@Service
public class Tasks implements Reversible {
  private static final int MOST = 200;
  private static final Duration NEVER_DONE = Duration.ofDays(365);

  private final TaskRepository repository;
  private final PlaceKinds kinds;
  private final EventLog log;
  private final Holdings holdings;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Tasks(
      TaskRepository repository,
      PlaceKinds kinds,
      EventLog log,
      Holdings holdings,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.kinds = kinds;
    this.log = log;
    this.holdings = holdings;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /**
   * What a keeper sends: at least one of days, fires, kilograms and a date.
   *
   * @param usual which of the usual ones it is, absent: one's own
   * @param month of the date before which it is to be done every year, with its day
   */
  public record TaskDraft(
      @Nullable UsualTask usual,
      String what,
      String why,
      @Nullable Integer days,
      @Nullable Integer fires,
      @Nullable Double kilograms,
      @Nullable Integer month,
      @Nullable Integer dayOfMonth) {
    public static TaskDraft of(UsualTask u) {
      Every e = u.every();
      MonthDay on = e.on();
      return new TaskDraft(
          u,
          u.what(),
          u.why(),
          e.days(),
          e.fires(),
          e.kilograms(),
          on == null ? null : on.getMonthValue(),
          on == null ? null : on.getDayOfMonth());
    }

    Every every() {
      return new Every(
          days,
          fires,
          kilograms,
          month == null ? null : MonthDay.of(month, Objects.requireNonNull(dayOfMonth)));
    }
  }

  /** A task as it is kept. */
  public record Kept(UUID id, TaskDraft draft) {}

  /** How often something that comes round was done. */
  public record Times(String what, int times) {}

  public List<Times> times(UUID holding, Instant from, Instant to) {
    return repository.times(holding, from, to);
  }

  public UpkeepView view(UUID holding) {
    Instant now = clock.instant();
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    Map<UUID, List<DoneView>> done = repository.done(holding);
    Instant longest =
        Stream.concat(
                done.values().stream().map(d -> d.get(0).at()), Stream.of(now.minus(NEVER_DONE)))
            .min(Comparator.naturalOrder())
            .orElseThrow();
    List<EventView> fires = log.burnt(holding, longest, now);
    List<Kept> kept = repository.all(holding);
    Set<UsualTask> taken = EnumSet.noneOf(UsualTask.class);
    kept.stream().map(k -> k.draft().usual()).filter(Objects::nonNull).forEach(taken::add);
    Set<UsualTask.For> there = kinds.of(holding);
    return new UpkeepView(
        kept.stream()
            .map(k -> task(k, done.getOrDefault(k.id(), List.of()), fires, now, zone))
            .sorted(Comparator.comparing(TaskView::way).reversed())
            .toList(),
        Arrays.stream(UsualTask.values())
            .filter(u -> !taken.contains(u) && there.contains(u.of()))
            .map(u -> new ProposalView(u, TaskDraft.of(u)))
            .toList());
  }

  private static TaskView task(
      Kept k, List<DoneView> done, List<EventView> fires, Instant now, ZoneId zone) {
    Instant last = done.stream().map(DoneView::at).findFirst().orElse(null);
    Instant since = last == null ? now.minus(NEVER_DONE) : last;
    List<EventView> after = fires.stream().filter(e -> e.at().isAfter(since)).toList();
    int lit = (int) after.stream().filter(e -> e.kind() == EventKind.FIRE_LIT).count();
    double burnt = after.stream().mapToDouble(e -> e.amount() == null ? 0 : e.amount()).sum();
    Every.Due due = k.draft().every().due(last, now, lit, burnt, zone);
    Instant atPace =
        last == null || due.at().isPresent()
            ? null
            : Every.atPace(last, now, due.way()).orElse(null);
    return new TaskView(
        k.id(), k.draft(), due.state(), due.way(), due.at().orElse(null), atPace, lit, burnt, done);
  }

  @Transactional
  public void save(UUID holding, UUID id, TaskDraft draft) {
    check(holding, id, draft);
    TaskDraft before = now(holding, id.toString());
    keep(holding, id, draft);
    changes.made(holding, kind(), id.toString(), draft.what(), before, now(holding, id.toString()));
  }

  /** Several at once, as one change. */
  @Transactional
  public void save(UUID holding, Map<UUID, TaskDraft> drafts) {
    drafts.forEach((id, draft) -> save(holding, id, draft));
  }

  /** What was done of it goes with it, and comes back with it. */
  @Transactional
  public void remove(UUID holding, UUID id) {
    TaskDraft before = now(holding, id.toString());
    if (before == null) {
      throw Problem.notFound("task");
    }
    for (DoneView d : repository.done(holding).getOrDefault(id, List.of())) {
      TasksDone.Done gone = new TasksDone.Done(id, d.at(), d.note());
      changes.made(holding, Changes.Kind.TASK_DONE, d.id().toString(), before.what(), gone, null);
    }
    repository.remove(holding, id);
    changes.made(holding, kind(), id.toString(), before.what(), before, null);
  }

  private void keep(UUID holding, UUID id, TaskDraft draft) {
    if (!repository.save(holding, id, draft)) {
      throw Problem.notFound("task");
    }
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.TASK;
  }

  @Override
  public @Nullable TaskDraft now(UUID holding, String subject) {
    UUID id = UUID.fromString(subject);
    return repository.all(holding).stream()
        .filter(k -> k.id().equals(id))
        .findFirst()
        .map(Kept::draft)
        .orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.remove(holding, id);
    } else {
      TaskDraft draft = json.read(state, TaskDraft.class);
      onlyOnce(holding, id, draft);
      keep(holding, id, draft);
    }
  }

  /** Refuses tasks that cannot be, as a file may bring them. */
  public void checkAll(UUID holding) {
    Problem.field(
        "task",
        () -> {
          repository.all(holding).forEach(k -> check(holding, k.id(), k.draft()));
          return holding;
        });
  }

  private void check(UUID holding, UUID id, TaskDraft d) {
    if (d.what() == null || d.what().isBlank() || d.what().length() > 200) {
      throw Problem.invalid(
          "what", "A task needs words, up to 200 letters.", "Say what is to be done.");
    }
    if (d.why() != null && d.why().length() > 500) {
      throw Problem.invalid("why", "The reason has more than 500 letters.", "Shorten it.");
    }
    if ((d.month() == null) != (d.dayOfMonth() == null)) {
      throw Problem.invalid("month", "A date needs month and day.", "Give both or neither.");
    }
    if (d.month() != null) {
      try {
        MonthDay.of(d.month(), Objects.requireNonNull(d.dayOfMonth()));
      } catch (java.time.DateTimeException e) {
        throw Problem.invalid("month", "There is no such day in the year.", "Choose another day.");
      }
    }
    Problem.field("days", d::every);
    if (repository.all(holding).stream().filter(k -> !k.id().equals(id)).count() >= MOST) {
      throw Problem.full("id", "A holding has at most " + MOST + " tasks.", "Let one go.");
    }
    onlyOnce(holding, id, d);
  }

  private void onlyOnce(UUID holding, UUID id, TaskDraft d) {
    if (d.usual() != null
        && repository.all(holding).stream()
            .anyMatch(k -> !k.id().equals(id) && d.usual() == k.draft().usual())) {
      throw Problem.full("usual", "“" + d.what() + "” is taken on already.", "Load the list.");
    }
  }

  /** Of a task that there is. */
  void require(UUID holding, UUID id) {
    if (now(holding, id.toString()) == null) {
      throw Problem.notFound("task");
    }
  }

  /** What a task says, for what was done of it. */
  String words(UUID holding, UUID id) {
    TaskDraft is = now(holding, id.toString());
    return is == null ? "" : is.what();
  }
}
