package nightbank.server.thermometer;

import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.house.Houses;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.InputChanged.Keys;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.thermometer.internal.ThermometerRepository;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Thermometers of houses and of the holding: hung up, renamed, taken down. */
@Service
public class Thermometers implements Reversible {
  private static final int MOST = 100;
  private static final Set<ProbeView.Kind> INSIDE =
      Set.of(ProbeView.Kind.AIR, ProbeView.Kind.LOWEST);

  private final ThermometerRepository repository;
  private final Houses houses;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Thermometers(
      ThermometerRepository repository,
      Houses houses,
      ApplicationEventPublisher events,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.houses = houses;
    this.events = events;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /** What a keeper sends. */
  public record Draft(@Nullable UUID houseId, ProbeView.Kind kind, String name) {}

  public List<ThermometerView> all(UUID holding) {
    return repository.all(holding);
  }

  /** Those that tell of what is round a store in a house, or of one in none: as probes. */
  public List<ProbeView> around(UUID holding, @Nullable UUID house) {
    return all(holding).stream()
        .filter(t -> t.houseId() == null || t.houseId().equals(house))
        .map(ThermometerView::probe)
        .toList();
  }

  @Transactional
  public ThermometerView save(UUID holding, UUID id, Draft draft) {
    check(holding, id, draft);
    Draft before = now(holding, id.toString());
    keep(holding, id, draft);
    note(holding, id, before);
    return all(holding).stream().filter(t -> t.id().equals(id)).findFirst().orElseThrow();
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    Draft before = now(holding, id.toString());
    if (before == null) {
      throw Problem.notFound("thermometer");
    }
    put(holding, id.toString(), null);
    note(holding, id, before);
  }

  /** A house's thermometers go with it. */
  @EventListener
  void goWith(Houses.Goes house) {
    all(house.holding()).stream()
        .filter(t -> house.id().equals(t.houseId()))
        .forEach(t -> remove(house.holding(), t.id()));
  }

  private void keep(UUID holding, UUID id, Draft draft) {
    if (!repository.save(holding, id, draft)) {
      throw Problem.notFound("thermometer");
    }
    events.publishEvent(InputChanged.design(holding, Set.of(Keys.AIR)));
  }

  private void note(UUID holding, UUID id, @Nullable Draft before) {
    Draft after = now(holding, id.toString());
    String name = after == null ? Objects.requireNonNull(before).name() : after.name();
    changes.made(holding, kind(), id.toString(), name, before, after);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.THERMOMETER;
  }

  @Override
  public @Nullable Draft now(UUID holding, String subject) {
    UUID id = UUID.fromString(subject);
    return all(holding).stream()
        .filter(t -> t.id().equals(id))
        .findFirst()
        .map(t -> new Draft(t.houseId(), t.kind(), t.name()))
        .orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    if (state == null) {
      repository.remove(holding, id, clock.instant());
      events.publishEvent(InputChanged.design(holding, Set.of(Keys.AIR)));
    } else {
      Draft d = json.read(state, Draft.class);
      if (d.houseId() != null) {
        houses.get(holding, d.houseId());
      }
      keep(holding, id, d);
    }
  }

  private void check(UUID holding, UUID id, Draft d) {
    if (d.name() == null || d.name().isBlank() || d.name().length() > 100) {
      throw Problem.invalid(
          "name", "A thermometer needs a name of up to 100 letters.", "Say where it hangs.");
    }
    boolean inside = d.kind() != null && INSIDE.contains(d.kind());
    if (!inside && d.kind() != ProbeView.Kind.OUTDOOR) {
      throw Problem.invalid(
          "kind",
          "A thermometer without a store hangs in a house or outdoors.",
          "One in a mass or on it is a probe of its store.");
    }
    if (inside != (d.houseId() != null)) {
      throw Problem.invalid(
          "houseId",
          inside ? "One in a house needs its house." : "One outdoors is of no house.",
          "Choose the house, or outdoors.");
    }
    if (d.houseId() != null) {
      houses.get(holding, d.houseId());
    }
    List<ThermometerView> others = all(holding).stream().filter(t -> !t.id().equals(id)).toList();
    if (others.size() >= MOST) {
      throw Problem.invalid(
          "id", "A holding has at most " + MOST + " such thermometers.", "Take one down.");
    }
    if (others.stream().anyMatch(t -> t.name().equalsIgnoreCase(d.name().strip()))) {
      throw Problem.invalid(
          "name", "Two thermometers are called " + d.name() + ".", "Give it a name of its own.");
    }
  }
}
