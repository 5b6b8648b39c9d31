package nightbank.server.log;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.core.evidence.ReadingSeries;
import nightbank.server.log.internal.ReadingRepository;
import nightbank.server.shared.Problem;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Readings by hand, and series for those who judge. */
@Service
public class Readings {
  /** No reading is older. */
  public static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  private static final int MOST_AT_ONCE = 500;

  private final ReadingRepository repository;
  private final ReadingWriter writer;
  private final Clock clock;

  Readings(ReadingRepository repository, ReadingWriter writer, Clock clock) {
    this.repository = repository;
    this.writer = writer;
    this.clock = clock;
  }

  /** One reading as typed: {@code 58F}, {@code 14,5}. */
  public record TypedReading(UUID probeId, Instant at, String typed) {}

  /** What became of typed readings; sent again, the same request adds nothing. */
  public record Logged(int added, int known) {}

  @Transactional
  public Logged log(UUID holding, List<TypedReading> typed, boolean fahrenheit) {
    if (typed == null || typed.isEmpty() || typed.size() > MOST_AT_ONCE) {
      throw Problem.invalid(
          "readings", "Between 1 and " + MOST_AT_ONCE + " readings at once.", "Send fewer.");
    }
    Set<UUID> probes = repository.probesOf(holding);
    ReadingWriter.Taking taking = writer.begin(holding, null);
    for (int i = 0; i < typed.size(); i++) {
      TypedReading t = typed.get(i);
      String field = "readings." + i;
      taking.add(
          HandReading.probe(t.probeId(), probes),
          HandReading.at(field, t.at(), clock.instant()),
          HandReading.celsius(field, t.typed(), fahrenheit));
    }
    int added = (int) taking.end().added();
    return new Logged(added, typed.size() - added);
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
    return repository.airProbes(holding, house);
  }

  public List<UUID> outdoorProbes(UUID holding) {
    return repository.outdoorProbes(holding);
  }
}
