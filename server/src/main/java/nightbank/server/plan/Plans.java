package nightbank.server.plan;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.LongSummaryStatistics;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import nightbank.core.judgement.BeforeAfter;
import nightbank.core.retrofit.Retrofit;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.history.PastNights;
import nightbank.server.holding.Holdings;
import nightbank.server.log.Readings;
import nightbank.server.plan.internal.PlanRepository;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.sizing.RankingView;
import nightbank.server.sizing.Rankings;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Changes of a ranking that are kept as plans, made, and set against the nights. */
@Service
public class Plans implements Reversible {
  private static final int MOST = 100;
  private static final int NIGHTS = 200; // looked at on either side of a change
  private static final int AT_ONCE = 400; // nights
  private static final double FAR = 1e9; // beyond it no figure is one of a place

  private final PlanRepository repository;
  private final Rankings rankings;
  private final PastNights nights;
  private final Holdings holdings;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Plans(
      PlanRepository repository,
      Rankings rankings,
      PastNights nights,
      Holdings holdings,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.rankings = rankings;
    this.nights = nights;
    this.holdings = holdings;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /** As it is kept. */
  public record Plan(
      UUID id,
      UUID houseId,
      Retrofit.Kind kind,
      @Nullable UUID of,
      String name,
      double amount,
      PlanView.Foretold told,
      Instant keptAt,
      @Nullable LocalDate doneOn) {
    boolean isSameChange(Plan other) {
      return houseId.equals(other.houseId)
          && kind == other.kind
          && Objects.equals(of, other.of)
          && doneOn == null
          && other.doneOn == null;
    }

    boolean isMade() {
      return doneOn != null;
    }

    /** First evening with it, days since 1970. */
    long day() {
      return Objects.requireNonNull(doneOn).toEpochDay();
    }

    Plan on(@Nullable LocalDate evening) {
      return new Plan(id, houseId, kind, of, name, amount, told, keptAt, evening);
    }

    /** Kind, amount and what it is made to, for the list of changes. */
    String code() {
      return kind.name() + ' ' + amount + ' ' + name;
    }
  }

  /** In the order in which they were kept. */
  public List<PlanView> all(UUID holding) {
    List<Plan> plans = repository.all(holding);
    Map<UUID, List<Plan>> byHouse =
        plans.stream().filter(Plan::isMade).collect(Collectors.groupingBy(Plan::houseId));
    Map<UUID, List<BeforeAfter.Night>> read = new HashMap<>();
    byHouse.forEach((house, made) -> read.put(house, nights(holding, house, made)));
    return plans.stream()
        .map(
            p ->
                view(
                    p,
                    byHouse.getOrDefault(p.houseId, List.of()),
                    read.getOrDefault(p.houseId, List.of())))
        .toList();
  }

  /** All that any of them is set against. */
  private List<BeforeAfter.Night> nights(UUID holding, UUID house, List<Plan> made) {
    LongSummaryStatistics days = made.stream().mapToLong(Plan::day).summaryStatistics();
    LocalDate end = LocalDate.ofEpochDay(days.getMax() + NIGHTS);
    List<BeforeAfter.Night> all = new ArrayList<>();
    LocalDate from = LocalDate.ofEpochDay(days.getMin() - NIGHTS);
    while (from.isBefore(end)) {
      LocalDate to = from.plusDays(AT_ONCE).isBefore(end) ? from.plusDays(AT_ONCE) : end;
      all.addAll(nights.read(holding, house, from, to.minusDays(1)));
      from = to;
    }
    return all;
  }

  private static PlanView view(Plan p, List<Plan> made, List<BeforeAfter.Night> nights) {
    return new PlanView(
        p.id,
        p.houseId,
        p.kind,
        p.of,
        p.name,
        p.amount,
        p.told,
        p.keptAt,
        p.doneOn,
        p.kind.isShownByLows(),
        shown(p, made, nights).map(b -> PlanView.Shown.of(b, p.told.warmerKelvin())).orElse(null));
  }

  private static Optional<BeforeAfter> shown(
      Plan p, List<Plan> made, List<BeforeAfter.Night> nights) {
    if (!p.isMade() || !p.kind.isShownByLows()) {
      return Optional.empty();
    }
    return BeforeAfter.of(
        nights.stream().filter(n -> Math.abs(n.day() - p.day()) <= NIGHTS).toList(),
        p.day(),
        made.stream().map(Plan::day).toList());
  }

  /**
   * Keeps a change as a ranking tells of it, made alone; the same again changes nothing.
   *
   * @param ranking the search that found it
   * @param change its id there
   */
  @Transactional
  public void keep(UUID holding, UUID id, UUID ranking, String change) {
    Plan plan = told(id, rankings.view(holding, ranking), change);
    List<Plan> all = repository.all(holding);
    Plan kept = all.stream().filter(p -> p.id.equals(id)).findFirst().orElse(null);
    if (kept != null) {
      if (!kept.on(null).isSameChange(plan)) {
        throw Problem.knownId("plan");
      }
      return;
    }
    if (all.stream().anyMatch(plan::isSameChange)) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "kept-already",
          "change",
          "It is kept as a plan already.",
          "Say of that one that it is made, or let it go.");
    }
    if (all.size() >= MOST) {
      throw Problem.full(
          "id", "A holding has at most " + MOST + " plans.", "Let go what will not be made.");
    }
    keep(holding, plan);
    note(holding, plan, null, plan);
  }

  private Plan told(UUID id, RankingView found, String change) {
    RankingView.BaseView base = found.base();
    RankingView.RetrofitView what =
        found.changes().stream()
            .filter(c -> c.id().equals(change))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("change"));
    RankingView.TriedView tried =
        found.singles().stream()
            .filter(t -> t.ids().equals(List.of(change)))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("change"));
    if (base == null) {
      throw Problem.notFound("search");
    }
    return new Plan(
        id,
        found.houseId(),
        what.kind(),
        what.of(),
        what.name(),
        what.amount(),
        new PlanView.Foretold(
            found.nights(),
            base.lost(),
            tried.saved(),
            tried.warmerKelvin(),
            tried.money(),
            found.currency(),
            tried.hours()),
        clock.instant().truncatedTo(ChronoUnit.MILLIS),
        null);
  }

  /**
   * That it is made.
   *
   * @param on the first evening with it; null: not made after all
   */
  @Transactional
  public void made(UUID holding, UUID id, @Nullable LocalDate on) {
    List<Plan> all = repository.all(holding);
    Plan before = find(all, id);
    if (on != null) {
      ZoneId zone = ZoneId.of(holdings.get(holding).zone());
      if (on.isAfter(LocalDate.now(clock.withZone(zone)))
          || on.isBefore(Readings.EARLIEST.atZone(zone).toLocalDate())) {
        throw Problem.invalid(
            "on",
            "It lies in the future or before 2000.",
            "Say from which evening on it was there.");
      }
    }
    Plan after = before.on(on);
    requireAlone(all, after, "on");
    keep(holding, after);
    note(holding, after, before, after);
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    Plan before = find(repository.all(holding), id);
    repository.remove(holding, id);
    note(holding, before, before, null);
  }

  /** Of what is not made yet there is one plan. */
  private static void requireAlone(List<Plan> all, Plan plan, String field) {
    if (all.stream().anyMatch(p -> !p.id.equals(plan.id) && p.isSameChange(plan))) {
      throw Problem.full(
          field, "The same is kept as a plan again since.", "Let that one go first.");
    }
  }

  private static Plan find(List<Plan> all, UUID id) {
    return all.stream()
        .filter(p -> p.id.equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("plan"));
  }

  private void keep(UUID holding, Plan plan) {
    if (!repository.save(holding, plan)) {
      throw Problem.notFound("house");
    }
  }

  private void note(UUID holding, Plan of, @Nullable Plan before, @Nullable Plan after) {
    changes.made(holding, kind(), of.id.toString(), of.code(), before, after);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.PLAN;
  }

  @Override
  public @Nullable Plan now(UUID holding, String subject) {
    UUID id = UUID.fromString(subject);
    return repository.all(holding).stream().filter(p -> p.id.equals(id)).findFirst().orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    if (state == null) {
      repository.remove(holding, UUID.fromString(subject));
    } else {
      Plan plan = json.read(state, Plan.class);
      requireAlone(repository.all(holding), plan, "plan");
      keep(holding, plan);
    }
  }

  /** Refuses plans that cannot be, as a file may bring them. */
  public void checkAll(UUID holding) {
    Problem.field(
        "kept_plan",
        () -> {
          repository.all(holding).forEach(Plans::check);
          return holding;
        });
  }

  private static void check(Plan p) {
    PlanView.Foretold t = p.told;
    boolean sound =
        t.lost() != null
            && t.saved() != null
            && t.warmerKelvin() != null
            && DoubleStream.concat(
                    DoubleStream.of(p.amount, t.hours(), t.money() == null ? 0 : t.money()),
                    Stream.of(t.lost(), t.saved(), t.warmerKelvin())
                        .flatMapToDouble(r -> DoubleStream.of(r.low(), r.middle(), r.high())))
                .allMatch(v -> Math.abs(v) <= FAR);
    if (!sound) {
      throw new IllegalArgumentException("a plan says figures that cannot be");
    }
  }
}
