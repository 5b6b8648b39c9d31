package nightbank.server.job;

import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import nightbank.server.job.internal.JobRepository;
import nightbank.server.shared.Json;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;

/** Work under way, as its handler sees it. */
public final class Job {
  private final JobRepository repository;
  private final Json json;
  private final UUID node;
  private final JobRepository.Claimed claimed;
  private final AtomicReference<Object> progress = new AtomicReference<>();
  private volatile boolean stopped;

  Job(JobRepository repository, Json json, UUID node, JobRepository.Claimed claimed) {
    this.repository = repository;
    this.json = json;
    this.node = node;
    this.claimed = claimed;
  }

  public UUID id() {
    return claimed.id();
  }

  public UUID holding() {
    return claimed.holding();
  }

  public String subject() {
    return claimed.subject();
  }

  public <T> T asked(Class<T> type) {
    return json.read(claimed.asked(), type);
  }

  /** Whether somebody has stopped it, or it is no longer ours. */
  public boolean stopped() {
    return stopped;
  }

  /** Whether a person wants it stopped, and it is ours still. */
  public boolean askedToStop() {
    return repository.askedToStop(claimed.id(), node);
  }

  void stop() {
    stopped = true;
  }

  public void check() {
    if (stopped) {
      throw new JobStopped();
    }
  }

  /** How far it is; told to all nodes within a second. */
  public void progress(Object far) {
    progress.set(far);
  }

  /** The last word since it was last told, or null. */
  @Nullable JSONB untold() {
    Object far = progress.getAndSet(null);
    return far == null ? null : json.write(far);
  }

  /** Stopped half way, with what there is. */
  public void leave(Object result) {
    if (askedToStop()) {
      repository.end(claimed.id(), node, JobView.State.STOPPED, json.write(result), "");
    }
  }

  /**
   * Ended well. Call it in the transaction that keeps what came out.
   *
   * @throws JobStopped when another node has taken it over meanwhile: nothing may be kept then
   */
  public void finish(@Nullable Object result) {
    boolean ours =
        claimed.kind().lane() == JobKind.Lane.AHEAD
            ? repository.endAhead(claimed.id(), node)
            : repository.end(
                claimed.id(),
                node,
                JobView.State.DONE,
                result == null ? null : json.write(result),
                "");
    if (!ours) {
      stop();
      throw new JobStopped();
    }
  }
}
