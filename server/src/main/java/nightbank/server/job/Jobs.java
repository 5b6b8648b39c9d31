package nightbank.server.job;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import nightbank.server.job.internal.JobRepository;
import nightbank.server.shared.Json;
import nightbank.server.shared.Wire;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Long work: asked for, looked at, stopped. Any node does it; {@link JobWorkers} of this one too.
 */
@Service
public class Jobs {
  static final String CHANNEL = "job";
  private static final Duration LOOK = Duration.ofMillis(50);

  private final JobRepository repository;
  private final Wire wire;
  private final Json json;

  Jobs(JobRepository repository, Wire wire, Json json) {
    this.repository = repository;
    this.wire = wire;
    this.json = json;
  }

  /** Asks for it; what is asked for already and not done yet is not asked for twice. */
  @Transactional
  public UUID ask(UUID holding, JobKind kind, String subject, Object asked) {
    UUID id = repository.ask(UUID.randomUUID(), holding, kind, subject, json.write(asked));
    wire.tell(CHANNEL, kind.lane().name());
    return id;
  }

  /** One of several. */
  public record Wanted(String subject, Object asked) {}

  /** Asks for several in this order. */
  @Transactional
  public void askAll(UUID holding, JobKind kind, List<Wanted> wanted) {
    int more =
        wanted.isEmpty()
            ? 0
            : repository.askAll(
                holding,
                kind,
                wanted.stream().map(Wanted::subject).toList(),
                wanted.stream().map(w -> json.write(w.asked())).toList());
    if (more > 0) {
      wire.tell(CHANNEL, kind.lane().name());
    }
  }

  public Optional<JobView> find(UUID holding, JobKind kind, UUID id) {
    return repository.find(holding, kind, id);
  }

  /** The one about a subject that waits or is under way. */
  public Optional<JobView> open(UUID holding, JobKind kind, String subject) {
    return repository.open(holding, kind).stream()
        .filter(j -> j.subject().equals(subject))
        .findFirst();
  }

  /** The last one about a subject that waits, is under way or has ended well. */
  public Optional<JobView> latest(UUID holding, JobKind kind, String subject) {
    return repository.latest(holding, kind, subject);
  }

  /** Returns when nothing about a subject waits or is under way any more. */
  public void await(UUID holding, JobKind kind, String subject) {
    while (open(holding, kind, subject).isPresent()) {
      LockSupport.parkNanos(LOOK.toNanos());
      if (Thread.currentThread().isInterrupted()) {
        throw new JobStopped();
      }
    }
  }

  /** Those of a kind that wait or are under way. */
  public List<JobView> open(UUID holding, JobKind kind) {
    return repository.open(holding, kind);
  }

  public void stop(UUID holding, UUID id) {
    repository.stop(holding, id);
    wire.tell(CHANNEL, "STOP");
  }
}
