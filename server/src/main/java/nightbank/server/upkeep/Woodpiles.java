package nightbank.server.upkeep;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.core.upkeep.OpenAir;
import nightbank.core.upkeep.WoodAsked;
import nightbank.core.upkeep.WoodPile;
import nightbank.core.upkeep.WoodStack;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.holding.Holdings;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.log.Readings;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.upkeep.WoodView.AskedView;
import nightbank.server.upkeep.WoodView.PointView;
import nightbank.server.upkeep.WoodView.StackView;
import nightbank.server.upkeep.internal.StackRepository;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Stacks of wood, what fires took off them, and how they dry. */
@Service
public class Woodpiles implements Reversible {
  private static final int MOST = 60;
  private static final Duration YEAR = Duration.ofDays(365);
  private static final Duration FAR = Duration.ofDays(5 * 366);
  private static final int STEP_DAYS = 15; // of a drawn course

  private final StackRepository repository;
  private final EventLog log;
  private final Holdings holdings;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Woodpiles(
      StackRepository repository,
      EventLog log,
      Holdings holdings,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.log = log;
    this.holdings = holdings;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /**
   * What a keeper sends.
   *
   * @param kilograms at {@code since}, water in it
   * @param moisture of the whole mass then; absent: split green, not measured
   */
  public record StackDraft(
      String name,
      double kilograms,
      double thicknessMetres,
      WoodStack.Cover cover,
      @Nullable Double moisture,
      Instant since) {}

  /** As it was made. */
  public record Made(UUID id, StackDraft draft) {
    WoodStack core() {
      return Woodpiles.core(draft);
    }
  }

  public WoodView view(UUID holding) {
    Instant now = clock.instant();
    double latitude = holdings.get(holding).latitude();
    OpenAir air = OpenAir.of(latitude, 0);
    List<Made> made = repository.all(holding);
    List<EventView> burnt = burnt(holding, made, now);
    List<WoodPile.Fire> fires =
        burnt.stream()
            .filter(e -> e.amount() != null)
            .map(e -> new WoodPile.Fire(e.at(), Objects.requireNonNull(e.amount())))
            .toList();
    Instant first = made.stream().map(m -> m.draft().since()).min(Instant::compareTo).orElse(now);
    List<WoodPile.Fire> counted = fires.stream().filter(f -> !f.at().isBefore(first)).toList();
    WoodPile pile = WoodPile.after(made.stream().map(Made::core).toList(), counted, air);
    List<StackView> stacks = new ArrayList<>();
    for (int i = 0; i < made.size(); i++) {
      stacks.add(stack(made.get(i), pile.stacks().get(i), now, air));
    }
    stacks.sort(Comparator.comparing(StackView::moisture));
    double ready =
        stacks.stream()
            .filter(s -> s.moisture() <= WoodStack.READY)
            .mapToDouble(StackView::kilograms)
            .sum();
    List<EventView> lit = burnt.stream().filter(e -> !e.at().isBefore(first)).toList();
    int lightings = (int) lit.stream().filter(e -> e.kind() == EventKind.FIRE_LIT).count();
    double weighed = counted.stream().mapToDouble(WoodPile.Fire::kilograms).sum();
    return new WoodView(
        stacks,
        WoodStack.READY,
        ready,
        lit.size(),
        (int) lit.stream().filter(e -> e.amount() == null).count(),
        weighed,
        pile.missing(),
        WoodAsked.of(fires, now, latitude, air)
            .map(
                a ->
                    new AskedView(
                        a.kilograms(),
                        a.low(),
                        a.high(),
                        a.until(),
                        a.threeDays(),
                        a.kindling(lightings, weighed)))
            .orElse(null));
  }

  /** Since the first stack, and for a season's pace a year back at least. */
  private List<EventView> burnt(UUID holding, List<Made> made, Instant now) {
    Instant from =
        made.stream().map(m -> m.draft().since()).min(Instant::compareTo).orElse(now).minus(YEAR);
    return log.burnt(holding, from.isBefore(now.minus(FAR)) ? now.minus(FAR) : from, now);
  }

  private static StackView stack(Made made, WoodStack left, Instant now, OpenAir air) {
    StackDraft d = made.draft();
    WoodStack.State is = left.at(now, air);
    double[] daily = left.daily(now.plus(YEAR), air);
    List<PointView> course = new ArrayList<>();
    long first = Math.max(0, Duration.between(d.since(), now.minus(YEAR)).toDays());
    for (int day = (int) Math.min(first, daily.length - 1); day < daily.length; day += STEP_DAYS) {
      course.add(new PointView(d.since().plus(Duration.ofDays(day)), daily[day]));
    }
    return new StackView(
        made.id(),
        d.name(),
        d.kilograms(),
        d.thicknessMetres(),
        d.cover(),
        d.moisture(),
        d.since(),
        is.kilograms(),
        is.moisture(),
        is.low(),
        is.high(),
        is.joules() / 1e6,
        left.ready(now, air).orElse(null),
        course);
  }

  @Transactional
  public void save(UUID holding, UUID id, StackDraft draft) {
    check(holding, id, draft);
    StackDraft before = now(holding, id.toString());
    keep(holding, id, draft);
    changes.made(holding, kind(), id.toString(), draft.name(), before, now(holding, id.toString()));
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    StackDraft before = now(holding, id.toString());
    if (before == null) {
      throw Problem.notFound("stack");
    }
    repository.remove(holding, id);
    changes.made(holding, kind(), id.toString(), before.name(), before, null);
  }

  private void keep(UUID holding, UUID id, StackDraft draft) {
    if (!repository.save(holding, id, draft)) {
      throw Problem.notFound("stack");
    }
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.WOOD;
  }

  @Override
  public @Nullable StackDraft now(UUID holding, String subject) {
    UUID id = UUID.fromString(subject);
    return repository.all(holding).stream()
        .filter(m -> m.id().equals(id))
        .findFirst()
        .map(Made::draft)
        .orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.remove(holding, id);
    } else {
      keep(holding, id, json.read(state, StackDraft.class));
    }
  }

  /** Refuses stacks that cannot be, as a file may bring them. */
  public void checkAll(UUID holding) {
    Problem.field(
        "wood_stack",
        () -> {
          repository.all(holding).forEach(m -> check(holding, m.id(), m.draft()));
          return holding;
        });
  }

  private static WoodStack core(StackDraft d) {
    double moisture = Optional.ofNullable(d.moisture()).orElse(WoodStack.GREEN);
    return new WoodStack(d.kilograms(), d.thicknessMetres(), d.cover(), moisture, d.since());
  }

  private void check(UUID holding, UUID id, StackDraft d) {
    if (d.name() == null || d.name().isBlank() || d.name().length() > 100) {
      throw Problem.invalid(
          "name", "A stack needs a name of up to 100 letters.", "Say what it is, and where.");
    }
    if (d.cover() == null) {
      throw Problem.invalid(
          "cover", "It is not said what keeps the rain off.", "Choose: nothing, a roof, a room.");
    }
    Instant now = clock.instant();
    if (d.since() == null
        || d.since().isAfter(now.plus(Duration.ofDays(1)))
        || d.since().isBefore(Readings.EARLIEST)) {
      throw Problem.invalid(
          "since", "It lies in the future or before 2000.", "Say when it was split or measured.");
    }
    Problem.field("kilograms", () -> core(d));
    long others = repository.all(holding).stream().filter(m -> !m.id().equals(id)).count();
    if (others >= MOST) {
      throw Problem.full(
          "id", "A holding has at most " + MOST + " stacks.", "Take away what is burnt.");
    }
  }
}
