package nightbank.server.holding;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import nightbank.server.account.Accounts;
import nightbank.server.account.Role;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.holding.internal.HoldingRepository;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Versions;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Places and their people. */
@Service
public class Holdings implements Reversible {
  private static final int MOST = 50; // holdings of one person

  private final HoldingRepository repository;
  private final Accounts accounts;
  private final ApplicationEventPublisher events;
  private final Changes changes;
  private final Json json;
  private final Clock clock;

  Holdings(
      HoldingRepository repository,
      Accounts accounts,
      ApplicationEventPublisher events,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.accounts = accounts;
    this.events = events;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /**
   * What a keeper says of a place.
   *
   * @param was as the page had it before
   */
  public record HoldingDraft(
      String name,
      double latitude,
      double longitude,
      String zone,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable HoldingDraft was) {}

  public HoldingView get(UUID id) {
    return repository.find(id).orElseThrow(() -> Problem.notFound("holding"));
  }

  @Transactional
  public HoldingView create(UUID keeper, HoldingDraft draft) {
    HoldingView made = checked(UUID.randomUUID(), draft);
    if (accounts.holdings(keeper).size() >= MOST) {
      throw Problem.full(
          "name", "You belong to " + MOST + " holdings already.", "Leave one that you do not use.");
    }
    repository.save(made, clock.instant());
    accounts.join(keeper, made.id(), Role.KEEPER);
    return made;
  }

  @Transactional
  public HoldingView change(UUID id, HoldingDraft draft) {
    repository.lock(id);
    HoldingView before = get(id);
    Versions.require("holding", draft.was(), said(before));
    HoldingView changed = checked(id, draft);
    keep(changed);
    changes.made(id, kind(), id.toString(), changed.name(), said(before), said(changed));
    return changed;
  }

  private void keep(HoldingView changed) {
    repository.save(changed, clock.instant());
    events.publishEvent(InputChanged.design(changed.id(), Set.of(InputChanged.Keys.PLACE)));
  }

  private static HoldingDraft said(HoldingView h) {
    return new HoldingDraft(h.name(), h.latitude(), h.longitude(), h.zone(), null);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.PLACE;
  }

  @Override
  public HoldingDraft now(UUID holding, String subject) {
    return said(get(holding));
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    keep(checked(holding, json.read(Objects.requireNonNull(state), HoldingDraft.class)));
  }

  private static HoldingView checked(UUID id, HoldingDraft d) {
    if (d.name() == null || d.name().isBlank() || d.name().length() > 200) {
      throw Problem.invalid(
          "name", "A holding needs a name of up to 200 letters.", "Give it a name.");
    }
    if (!(Math.abs(d.latitude()) <= 90)) {
      throw Problem.invalid(
          "latitude",
          "Latitude must lie between -90 and 90, was " + d.latitude() + ".",
          "North is positive; most maps show it first.");
    }
    if (!(Math.abs(d.longitude()) <= 180)) {
      throw Problem.invalid(
          "longitude",
          "Longitude must lie between -180 and 180, was " + d.longitude() + ".",
          "East is positive.");
    }
    try {
      ZoneId.of(d.zone() == null ? "" : d.zone());
    } catch (DateTimeException e) {
      throw Problem.invalid(
          "zone", "There is no time zone called " + d.zone() + ".", "For instance Europe/London.");
    }
    return new HoldingView(id, d.name().strip(), d.latitude(), d.longitude(), d.zone());
  }
}
