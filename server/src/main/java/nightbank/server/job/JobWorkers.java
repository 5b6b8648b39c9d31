package nightbank.server.job;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import nightbank.server.job.internal.JobRepository;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Wire;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Takes work from the table and does it: what somebody looks on at two at a time, what is done
 * ahead one piece at a time, none begun for a while where somebody waits for an answer or looks on
 * at work that is under way here, and on pools of its own: of half the processors for sheets, which
 * take seconds and are soon opened, of all of them for days, which take half a second each, unless
 * a page's answers are just being fetched. While somebody goes from page to page only days are
 * judged ahead: a sheet asked for meanwhile is judged at once with all processors.
 */
@Component
public class JobWorkers implements SmartLifecycle {
  private static final Logger LOG = LoggerFactory.getLogger(JobWorkers.class);

  /** Silent for so long, a node counts as gone. */
  static final Duration SILENCE = Duration.ofSeconds(12);

  private static final int MOST_TRIES = 3; // what has taken its node down with it is given up
  private static final int LOOK_SECONDS = 3; // where no word comes
  private static final Duration KEPT = Duration.ofHours(12);
  private static final long ASKS_ON = 2500; // ms after an answer: the next sheet is soon opened
  private static final long SAME_PAGE = 300; // ms after an answer: a page asks for several
  private static final Set<JobKind> SHORT = Set.of(JobKind.DAY);
  private static final int PROCESSORS = Runtime.getRuntime().availableProcessors();

  private final JobRepository repository;
  private final ForegroundPriority priority;
  private final ForegroundPriority lookedOn = new ForegroundPriority(); // no alarm waits for it
  private final Json json;
  private final Map<JobKind, JobHandler> handlers = new EnumMap<>(JobKind.class);
  private final UUID node = UUID.randomUUID();
  private final Map<UUID, Job> underWay = new ConcurrentHashMap<>();
  private final Map<JobKind.Lane, Semaphore> words = new EnumMap<>(JobKind.Lane.class);
  private final List<Thread> threads = new ArrayList<>();
  private final ForkJoinPool half = new ForkJoinPool(Math.max(1, PROCESSORS / 2));
  private final ForkJoinPool whole = new ForkJoinPool(PROCESSORS);
  private volatile boolean running;

  JobWorkers(
      JobRepository repository, ForegroundPriority priority, Json json, List<JobHandler> all) {
    this.repository = repository;
    this.priority = priority;
    this.json = json;
    all.forEach(h -> handlers.put(h.kind(), h));
    for (JobKind.Lane lane : JobKind.Lane.values()) {
      words.put(lane, new Semaphore(0));
    }
  }

  @Override
  public void start() {
    running = true;
    begin(JobKind.Lane.WAITED_FOR, 2);
    begin(JobKind.Lane.AHEAD, 1);
  }

  private void begin(JobKind.Lane lane, int count) {
    for (int i = 0; i < count; i++) {
      Thread t =
          new Thread(() -> work(lane), "job-" + lane.name().toLowerCase(Locale.ROOT) + "-" + i);
      t.setDaemon(true);
      threads.add(t);
      t.start();
    }
  }

  private void work(JobKind.Lane lane) {
    Set<JobKind> kinds = kinds(lane);
    while (running) {
      try {
        boolean asking = false;
        if (lane == JobKind.Lane.AHEAD) {
          priority.giveWay();
          lookedOn.giveWay();
          asking = priority.answeredWithin(ASKS_ON);
        }
        Optional<JobRepository.Claimed> next =
            repository.claim(node, asking ? SHORT : kinds, lane == JobKind.Lane.AHEAD, SILENCE);
        if (next.isPresent()) {
          handle(next.get());
        } else {
          Semaphore word = word(lane);
          word.tryAcquire(asking ? 1 : LOOK_SECONDS, TimeUnit.SECONDS);
          word.drainPermits();
        }
      } catch (InterruptedException e) {
        return;
      } catch (RuntimeException e) {
        if (running) {
          LOG.warn("no work was taken: {}", e.toString());
          pause();
        }
      }
    }
  }

  private static Set<JobKind> kinds(JobKind.Lane lane) {
    return EnumSet.copyOf(Arrays.stream(JobKind.values()).filter(k -> k.lane() == lane).toList());
  }

  private Semaphore word(JobKind.Lane lane) {
    return Objects.requireNonNull(words.get(lane));
  }

  private void pause() {
    try {
      TimeUnit.SECONDS.sleep(1);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void handle(JobRepository.Claimed c) throws InterruptedException {
    if (c.tries() > MOST_TRIES) {
      repository.end(
          c.id(), node, JobView.State.FAILED, null, "It was begun three times and never ended.");
      return;
    }
    Job job = new Job(repository, json, node, c);
    JobHandler handler = Objects.requireNonNull(handlers.get(c.kind()));
    underWay.put(c.id(), job);
    try {
      if (c.kind().lane() == JobKind.Lane.AHEAD) {
        boolean all = c.kind() == JobKind.DAY && !priority.answeredWithin(SAME_PAGE);
        (all ? whole : half)
            .submit(
                () -> {
                  handler.run(job);
                  return null;
                })
            .get();
      } else {
        lookedOn(handler, job);
      }
    } catch (ExecutionException e) {
      ended(c, job, Objects.requireNonNull(e.getCause()));
    } catch (InterruptedException e) {
      throw e;
    } catch (Exception e) {
      ended(c, job, e);
    } finally {
      underWay.remove(c.id());
    }
  }

  private void lookedOn(JobHandler handler, Job job) throws Exception {
    lookedOn.begins();
    try {
      handler.run(job);
    } finally {
      lookedOn.ends();
    }
  }

  private void ended(JobRepository.Claimed c, Job job, @Nullable Throwable why) {
    if (!running) {
      return; // it is left to another node
    }
    if (why instanceof JobStopped || job.stopped()) {
      if (!job.askedToStop()) {
        return; // another node has it
      }
      repository.end(c.id(), node, JobView.State.STOPPED, null, "Stopped; nothing was kept.");
    } else if (why instanceof DataAccessResourceFailureException
        || why instanceof TransactionException) {
      LOG.warn("{} {} is begun again: {}", c.kind(), c.subject(), why.toString());
      repository.leave(c.id(), node);
    } else if (why instanceof Problem p) {
      repository.end(c.id(), node, JobView.State.FAILED, null, p.getMessage());
    } else {
      LOG.error("{} {} failed", c.kind(), c.subject(), why);
      repository.end(
          c.id(), node, JobView.State.FAILED, null, "It could not be done; nothing was kept.");
    }
  }

  /** Says that this node lives, tells how far its work is and hears what shall be left. */
  @Scheduled(fixedDelay = 500)
  void beat() {
    underWay.forEach(
        (id, job) -> {
          if (!repository.beat(id, node, job.untold())) {
            job.stop();
          }
        });
  }

  @Scheduled(fixedDelay = 600_000)
  void tidy() {
    repository.forgetEnded(KEPT);
  }

  @EventListener
  void word(Wire.Word word) {
    if (word.channel().equals(Jobs.CHANNEL)) {
      if (word.text().equals("STOP")) {
        beat();
      } else {
        word(JobKind.Lane.valueOf(word.text())).release();
      }
    }
  }

  @Override
  public void stop() {
    running = false;
    underWay.values().forEach(Job::stop);
    threads.forEach(Thread::interrupt);
    half.shutdownNow();
    whole.shutdownNow();
    underWay.keySet().forEach(id -> repository.leave(id, node));
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
