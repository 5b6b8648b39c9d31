package nightbank.server.log;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import nightbank.server.log.internal.ReadingRepository;
import nightbank.server.shared.InputChanged;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** The one way by which readings come in and are put right, from whatever hand, logger or file. */
@Component
public class ReadingWriter {
  private static final int BATCH = 8192;

  private final ReadingRepository repository;
  private final ApplicationEventPublisher events;
  private final Set<Integer> made = ConcurrentHashMap.newKeySet();

  ReadingWriter(ReadingRepository repository, ApplicationEventPublisher events) {
    this.repository = repository;
    this.events = events;
  }

  /** Begins to take readings of a holding, in the transaction that is open. */
  public Taking begin(UUID holding, @Nullable UUID importId) {
    return new Taking(holding, importId);
  }

  /** Takes out all that a file brought, as far as nobody put it right since. */
  public void layAside(UUID holding, UUID importId, Set<UUID> probes, Instant from, Instant to) {
    repository.layAside(holding, importId, probes, from, to);
    tell(holding, probes, from, to);
  }

  /** Brings back what was laid aside. */
  public void bringBack(UUID holding, UUID importId, Set<UUID> probes, Instant from, Instant to) {
    repository.bringBack(holding, importId);
    tell(holding, probes, from, to);
  }

  private void tell(UUID holding, Set<UUID> probes, Instant from, Instant to) {
    events.publishEvent(InputChanged.corrected(holding, probes, from, to));
    events.publishEvent(new LiveReadings.Came(holding, probes));
  }

  /** What is taken: added one by one, told of at the end. */
  public final class Taking {
    private final UUID holding;
    private final @Nullable UUID importId;
    private final List<ReadingRepository.Row> waiting = new ArrayList<>();
    private final Set<UUID> probes = new HashSet<>();
    private final Set<Integer> years = new HashSet<>();
    private long yearFrom = Long.MAX_VALUE;
    private long yearTo = Long.MIN_VALUE;
    private Instant first = Instant.MAX;
    private Instant last = Instant.MIN;
    private final Set<UUID> corrected = new HashSet<>();
    private Instant firstCorrected = Instant.MAX;
    private Instant lastCorrected = Instant.MIN;
    private long added;
    private long count;

    private Taking(UUID holding, @Nullable UUID importId) {
      this.holding = holding;
      this.importId = importId;
    }

    public void add(UUID probe, Instant at, double celsius) {
      year(at);
      waiting.add(new ReadingRepository.Row(probe, at, celsius));
      probes.add(probe);
      first = at.isBefore(first) ? at : first;
      last = at.isAfter(last) ? at : last;
      count++;
      if (waiting.size() >= BATCH) {
        flush();
      }
    }

    /** Puts a figure there, whatever stood there; null takes away what did. */
    public void set(UUID probe, Instant at, @Nullable Double celsius) {
      if (celsius == null) {
        repository.delete(holding, probe, at);
      } else {
        year(at);
        repository.set(holding, probe, at, celsius);
      }
      corrected.add(probe);
      firstCorrected = at.isBefore(firstCorrected) ? at : firstCorrected;
      lastCorrected = at.isAfter(lastCorrected) ? at : lastCorrected;
    }

    private void year(Instant at) {
      long second = at.getEpochSecond();
      if (second >= yearFrom && second < yearTo) {
        return;
      }
      int year = at.atOffset(ZoneOffset.UTC).getYear();
      yearFrom = LocalDate.ofYearDay(year, 1).atStartOfDay().toEpochSecond(ZoneOffset.UTC);
      yearTo = LocalDate.ofYearDay(year + 1, 1).atStartOfDay().toEpochSecond(ZoneOffset.UTC);
      if (years.add(year)) {
        if (!made.contains(year)) {
          repository.ensureYear(year);
          made.add(year);
        }
        repository.look(year);
      }
    }

    /** In one order, whoever sends them: two that send the same in two orders do not block. */
    private void flush() {
      waiting.sort(
          Comparator.comparing(ReadingRepository.Row::probeId)
              .thenComparing(ReadingRepository.Row::at));
      added += repository.insert(holding, importId, waiting);
      waiting.clear();
    }

    /** Tells whoever waits for readings, once they are kept. */
    public Taken end() {
      if (!waiting.isEmpty()) {
        flush();
      }
      if (added > 0) {
        events.publishEvent(InputChanged.readings(holding, probes, first, last));
        events.publishEvent(new LiveReadings.Came(holding, probes));
      }
      if (!corrected.isEmpty()) {
        tell(holding, corrected, firstCorrected, lastCorrected);
      }
      return new Taken(count, added, count == 0 ? null : first, count == 0 ? null : last);
    }
  }

  /** How many there were, how many of them were new, and when; no times without any. */
  public record Taken(long readings, long added, @Nullable Instant first, @Nullable Instant last) {}
}
