package nightbank.server.run;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import nightbank.server.log.Readings;
import nightbank.server.run.internal.BeliefRepository;
import nightbank.server.shared.InputChanged;
import nightbank.server.shared.Problem;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Readings that the grower believes although cleaning would set them aside. */
@Service
public class ReadingOverrides {
  private static final int MOST = 2000;

  private final BeliefRepository repository;
  private final Readings readings;
  private final ApplicationEventPublisher events;

  ReadingOverrides(
      BeliefRepository repository, Readings readings, ApplicationEventPublisher events) {
    this.repository = repository;
    this.readings = readings;
    this.events = events;
  }

  /**
   * Readings of one probe, believed or no longer.
   *
   * @param at epoch seconds, as the run sheet names what it set aside
   */
  public record Belief(UUID probeId, List<Long> at, boolean believed) {}

  /** Moments by probe. */
  public Map<String, Set<Long>> between(UUID holding, Instant from, Instant to) {
    return repository.between(holding, from, to);
  }

  @Transactional
  public void say(UUID holding, Belief b) {
    if (b.probeId() == null || !readings.probesOf(holding).contains(b.probeId())) {
      throw Problem.notFound("probe");
    }
    if (b.at() == null
        || b.at().isEmpty()
        || b.at().size() > MOST
        || b.at().stream().anyMatch(Objects::isNull)) {
      throw Problem.invalid("at", "Between 1 and " + MOST + " readings at once.", "Choose fewer.");
    }
    var span = b.at().stream().mapToLong(Long::longValue).summaryStatistics();
    events.publishEvent(
        InputChanged.corrected(
            holding,
            Set.of(b.probeId()),
            Instant.ofEpochSecond(span.getMin()),
            Instant.ofEpochSecond(span.getMax())));
    for (long second : b.at()) {
      Instant at = Instant.ofEpochSecond(second);
      if (b.believed()) {
        repository.believe(holding, b.probeId(), at);
      } else {
        repository.doubt(holding, b.probeId(), at);
      }
    }
  }
}
