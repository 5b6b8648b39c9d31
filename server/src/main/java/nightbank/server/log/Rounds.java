package nightbank.server.log;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.log.internal.RoundRepository;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Versions;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.resilience.annotation.Retryable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Rounds with the thermometer: whatever was acknowledged stays, whatever comes twice is once. */
@Service
public class Rounds implements Reversible {
  private static final String THERE = "THERE";
  private static final int MOST_ENTRIES = 300;

  private final RoundRepository repository;
  private final Readings readings;
  private final ReadingWriter writer;
  private final EventLog events;
  private final Changes changes;
  private final Clock clock;

  Rounds(
      RoundRepository repository,
      Readings readings,
      ReadingWriter writer,
      EventLog events,
      Changes changes,
      Clock clock) {
    this.repository = repository;
    this.readings = readings;
    this.writer = writer;
    this.events = events;
    this.changes = changes;
    this.clock = clock;
  }

  public List<RoundView> latest(UUID holding, int most) {
    return repository.latest(holding, Math.max(1, Math.min(200, most)));
  }

  public RoundView get(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("round"));
  }

  @Retryable(includes = PessimisticLockingFailureException.class)
  @Transactional
  public RoundView keep(UUID holding, UUID person, UUID id, RoundDraft draft) {
    check(draft);
    List<RoundDraft.EntryDraft> entries = draft.entries() == null ? List.of() : draft.entries();
    Set<UUID> probes = readings.probesOf(holding);
    if (!repository.save(holding, person, id, draft)) {
      throw Problem.notFound("round"); // the id is another holding's
    }
    ReadingWriter.Taking taking = writer.begin(holding, null);
    for (int i = 0; i < entries.size(); i++) {
      RoundDraft.EntryDraft e = entries.get(i);
      Double celsius = check("entries." + i, e, probes, Boolean.TRUE.equals(draft.fahrenheit()));
      if (!repository.insert(holding, id, e, celsius)) {
        RoundView.RoundEntry before =
            repository
                .entry(holding, id, e.id())
                .filter(b -> b.probeId().equals(e.probeId()))
                .orElseThrow(() -> Problem.knownId("entry"));
        correct(holding, before, e, celsius);
        continue;
      }
      if (celsius != null) {
        taking.add(e.probeId(), e.at(), celsius);
      }
      if (e.outcome() == RoundDraft.Outcome.ICE) {
        events.add(holding, ice(e.id(), e.at()));
      }
    }
    taking.end();
    return get(holding, id);
  }

  /** An entry that is answered again; the same answer changes nothing. */
  private void correct(
      UUID holding,
      RoundView.RoundEntry before,
      RoundDraft.EntryDraft e,
      @Nullable Double celsius) {
    repository.correct(holding, e, celsius);
    if (before.outcome() == e.outcome() && Objects.equals(before.celsius(), celsius)) {
      return;
    }
    readings.correct(holding, new Readings.Key(before.probeId(), before.at()), celsius);
    EventView ice = ice(before.id(), before.at());
    if (before.outcome() == RoundDraft.Outcome.ICE) {
      events.remove(holding, ice.id());
    }
    if (e.outcome() == RoundDraft.Outcome.ICE) {
      events.add(holding, ice);
    }
  }

  /** Takes a round away with what it read and saw, as far as nobody put it right since. */
  @Transactional
  public void remove(UUID holding, UUID id) {
    RoundView round = get(holding, id);
    for (RoundView.RoundEntry e : round.entries()) {
      Readings.Key key = new Readings.Key(e.probeId(), e.at());
      if (e.celsius() != null && e.celsius().equals(readings.now(holding, key.toString()))) {
        readings.correct(holding, key, null);
      }
      if (e.outcome() == RoundDraft.Outcome.ICE) {
        events.remove(holding, ice(e.id(), e.at()).id());
      }
    }
    put(holding, id.toString(), null);
    changes.made(holding, kind(), id.toString(), round.by(), THERE, null);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.ROUND;
  }

  @Override
  public @Nullable String now(UUID holding, String subject) {
    return repository.find(holding, UUID.fromString(subject)).map(r -> THERE).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    repository.removed(holding, id, state == null ? clock.instant() : null);
  }

  @Override
  public void forget(Instant before) {
    repository.forget(before);
  }

  private static EventView ice(UUID entry, Instant at) {
    UUID seen = UUID.nameUUIDFromBytes(("ice " + entry).getBytes(StandardCharsets.UTF_8));
    return new EventView(seen, null, EventKind.ICE, null, at, "Ice on the dish", null, null);
  }

  private void check(RoundDraft d) {
    if (d.startedAt() == null || d.startedAt().isBefore(Readings.EARLIEST)) {
      throw Problem.invalid("startedAt", "The time is missing or before 2000.", "Set it.");
    }
    if (ahead(d.startedAt()) || d.endedAt() != null && ahead(d.endedAt())) {
      throw Problem.invalid(
          "startedAt", "The round lies in the future.", "Check date and time of this device.");
    }
    if (d.endedAt() != null && d.endedAt().isBefore(d.startedAt())) {
      throw Problem.invalid("endedAt", "It ends before it begins.", "Check both times.");
    }
    if (d.entries() != null && d.entries().size() > MOST_ENTRIES) {
      throw Problem.invalid("entries", "More than 300 entries.", "Send them in parts.");
    }
    if (d.note() != null && d.note().length() > 2000) {
      throw Problem.invalid("note", "The note has more than 2000 letters.", "Shorten it.");
    }
  }

  private @Nullable Double check(
      String field, RoundDraft.EntryDraft e, Set<UUID> probes, boolean fahrenheit) {
    if (e == null || e.id() == null || e.outcome() == null || e.at() == null) {
      throw Problem.invalid(field, "An entry lacks its id, outcome or time.", "Send it again.");
    }
    HandReading.probe(e.probeId(), probes);
    HandReading.at(field, e.at(), clock.instant());
    if (e.note() != null && e.note().length() > 2000) {
      throw Problem.invalid(field + ".note", "More than 2000 letters.", "Shorten it.");
    }
    if (e.typed() != null && e.typed().length() > 40) {
      throw Problem.invalid(field + ".typed", "More than 40 letters.", "Type the number alone.");
    }
    return e.outcome() == RoundDraft.Outcome.READ
        ? (Double) HandReading.celsius(field, e.typed(), fahrenheit)
        : null;
  }

  private boolean ahead(Instant at) {
    return HandReading.ahead(at, clock.instant());
  }

  /** The order of the walk; probes that it does not name come after. */
  public List<UUID> walk(UUID holding) {
    Set<UUID> known = readings.probesOf(holding);
    return repository.walk(holding).stream().filter(known::contains).toList();
  }

  @Transactional
  public List<UUID> setWalk(UUID holding, WalkDraft draft) {
    List<UUID> probes = draft.probes();
    if (probes == null
        || probes.size() > 2000
        || new HashSet<>(probes).size() != probes.size()
        || !readings.probesOf(holding).containsAll(probes)) {
      throw Problem.invalid(
          "probes", "It names a probe twice, or one that is not here.", "Name each probe once.");
    }
    List<UUID> now = repository.walk(holding);
    if (!probes.equals(now)) {
      Versions.require("walk", draft.was(), walk(holding));
      repository.saveWalk(holding, probes);
    }
    return walk(holding);
  }
}
