package nightbank.server.log;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.core.evidence.ReadingSeries;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.log.internal.ReadingRepository;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.resilience.annotation.Retryable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Readings by hand, and series for those who judge. */
@Service
public class Readings implements Reversible {
  /** No reading is older. */
  public static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  static final int MOST_AT_ONCE = 2000;
  private static final int MOST_SHOWN = 400;

  private final ReadingRepository repository;
  private final ReadingWriter writer;
  private final Changes changes;
  private final Clock clock;

  Readings(ReadingRepository repository, ReadingWriter writer, Changes changes, Clock clock) {
    this.repository = repository;
    this.writer = writer;
    this.changes = changes;
    this.clock = clock;
  }

  /** One reading as typed: {@code 58F}, {@code 14,5}. */
  public record TypedReading(UUID probeId, Instant at, String typed) {}

  /**
   * What became of typed readings; sent again, the same request adds nothing.
   *
   * @param known that stood there already
   * @param replaced that stood there with another figure
   */
  public record Logged(int added, int known, int replaced) {}

  /** One reading as kept, whoever took it. */
  public record ReadingView(UUID probeId, Instant at, double celsius) {}

  /** The newest of a store before a moment, and whether there are older ones. */
  public record Notebook(List<ReadingView> readings, boolean more) {}

  /**
   * The newest.
   *
   * @param store whose probes; absent for thermometers of none
   */
  public Notebook notebook(UUID holding, @Nullable UUID store, Instant before) {
    if (store != null && !repository.hasStore(holding, store)) {
      throw Problem.notFound("store");
    }
    List<ReadingView> newest = repository.newest(holding, store, before, MOST_SHOWN + 1);
    boolean more = newest.size() > MOST_SHOWN;
    return new Notebook(more ? newest.subList(0, MOST_SHOWN) : newest, more);
  }

  @Retryable(includes = PessimisticLockingFailureException.class)
  @Transactional
  public Logged log(UUID holding, List<TypedReading> typed, boolean fahrenheit) {
    if (typed == null || typed.isEmpty() || typed.size() > MOST_AT_ONCE) {
      throw Problem.invalid(
          "readings", "Between 1 and " + MOST_AT_ONCE + " readings at once.", "Send fewer.");
    }
    Set<UUID> probes = repository.probesOf(holding);
    Map<Key, Double> told = new TreeMap<>(Comparator.comparing(Key::probe).thenComparing(Key::at));
    for (int i = 0; i < typed.size(); i++) {
      TypedReading t = typed.get(i);
      String field = "readings." + i;
      UUID probe = HandReading.probe(t.probeId(), probes);
      Instant at = HandReading.at(field, t.at(), clock.instant());
      told.put(new Key(probe, at), HandReading.celsius(field, t.typed(), fahrenheit));
    }
    Map<UUID, String> names = repository.probeNames(holding);
    Map<Key, Double> before = repository.at(holding, told.keySet());
    ReadingWriter.Taking taking = writer.begin(holding, null);
    int replaced = 0;
    for (Map.Entry<Key, Double> t : told.entrySet()) {
      Key k = t.getKey();
      Double was = before.get(k);
      if (was == null) {
        taking.add(k.probe(), k.at(), t.getValue());
      } else if (!was.equals(t.getValue())) {
        taking.set(k.probe(), k.at(), t.getValue());
        replaced++;
      }
      note(holding, k, names, was, t.getValue());
    }
    int added = (int) taking.end().added();
    return new Logged(added, typed.size() - added - replaced, replaced);
  }

  /** Whose and when. */
  public record Key(UUID probe, Instant at) {
    static Key of(String subject) {
      int at = subject.indexOf('@');
      return new Key(
          UUID.fromString(subject.substring(0, at)), Instant.parse(subject.substring(at + 1)));
    }

    @Override
    public String toString() {
      return probe + "@" + at;
    }
  }

  /** Puts a reading right: its figure, its moment, or whose it is. */
  @Transactional
  public void change(UUID holding, Key was, TypedReading t, boolean fahrenheit) {
    Double before = now(holding, was.toString());
    if (before == null) {
      throw Problem.notFound("reading");
    }
    UUID probe = HandReading.probe(t.probeId(), repository.probesOf(holding));
    Key is = new Key(probe, HandReading.at("reading", t.at(), clock.instant()));
    double celsius = HandReading.celsius("reading", t.typed(), fahrenheit);
    Map<UUID, String> names = repository.probeNames(holding);
    ReadingWriter.Taking taking = writer.begin(holding, null);
    if (!is.equals(was)) {
      taking.set(was.probe(), was.at(), null);
      note(holding, was, names, before, null);
    }
    Double there = now(holding, is.toString());
    taking.set(is.probe(), is.at(), celsius);
    taking.end();
    note(holding, is, names, there, celsius);
  }

  /** Makes a reading what it should have been from the first; null for none. */
  @Transactional
  public void correct(UUID holding, Key key, @Nullable Double celsius) {
    Double was = now(holding, key.toString());
    if (!Objects.equals(was, celsius)) {
      set(holding, key, celsius);
      note(holding, key, repository.probeNames(holding), was, celsius);
    }
  }

  @Transactional
  public void remove(UUID holding, Key key) {
    Double before = now(holding, key.toString());
    if (before == null) {
      throw Problem.notFound("reading");
    }
    set(holding, key, null);
    note(holding, key, repository.probeNames(holding), before, null);
  }

  private void note(
      UUID holding, Key key, Map<UUID, String> names, @Nullable Double was, @Nullable Double is) {
    changes.made(
        holding, kind(), key.toString(), names.getOrDefault(key.probe(), "reading"), was, is);
  }

  private void set(UUID holding, Key key, @Nullable Double celsius) {
    ReadingWriter.Taking taking = writer.begin(holding, null);
    taking.set(key.probe(), key.at(), celsius);
    taking.end();
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.READING;
  }

  @Override
  public @Nullable Double now(UUID holding, String subject) {
    Key key = Key.of(subject);
    return repository.at(holding, Set.of(key)).get(key);
  }

  @Override
  public Map<String, Object> now(UUID holding, Collection<String> subjects) {
    Map<String, Object> there = new HashMap<>();
    repository
        .at(holding, subjects.stream().map(Key::of).toList())
        .forEach((key, celsius) -> there.put(key.toString(), celsius));
    return there;
  }

  @Override
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    put(holding, Map.of(subject, Optional.ofNullable(state)));
  }

  @Override
  @Transactional
  public void put(UUID holding, Map<String, Optional<JsonNode>> states) {
    ReadingWriter.Taking taking = writer.begin(holding, null);
    states.forEach(
        (subject, state) -> {
          Key key = Key.of(subject);
          taking.set(key.probe(), key.at(), state.map(JsonNode::asDouble).orElse(null));
        });
    taking.end();
  }

  public Set<UUID> probesOf(UUID holding) {
    return repository.probesOf(holding);
  }

  /** A probe's readings in a span, at most so many, thinned evenly when there are more. */
  public ReadingSeries series(UUID holding, UUID probe, Instant from, Instant to, int most) {
    return repository.series(holding, probe, from, to, most);
  }

  public Optional<Instant> newest(UUID holding, Set<UUID> probes) {
    return repository.newest(holding, probes);
  }

  /** Several probes' readings, an empty series for each that was not read. */
  public Map<UUID, ReadingSeries> series(
      UUID holding, Collection<UUID> probes, Instant from, Instant to, int most) {
    return repository.series(holding, probes, from, to, most);
  }

  /** The newest of all holdings'. */
  public Optional<Instant> newest() {
    return repository.newest();
  }

  /** Probes of air in a house, or outdoors, by their id with the store they hang beside. */
  public Map<UUID, UUID> airProbes(UUID holding, UUID house) {
    return repository.houseProbes(holding, house, ProbeView.Kind.AIR);
  }

  /** Thermometers of a house that keep their lowest. */
  public Set<UUID> lowestProbes(UUID holding, UUID house) {
    return repository.houseProbes(holding, house, ProbeView.Kind.LOWEST).keySet();
  }

  public List<UUID> outdoorProbes(UUID holding) {
    return repository.outdoorProbes(holding);
  }
}
