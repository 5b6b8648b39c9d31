package nightbank.server.run;

import jakarta.annotation.PreDestroy;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import nightbank.server.shared.Courtesy;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;

/** Judges runs as soon as they are marked or a file brings them: their sheets open at once. */
@Service
class RunsAhead {
  private static final Logger LOG = LoggerFactory.getLogger(RunsAhead.class);
  private static final int MOST = 50; // more wait until somebody opens them

  private final Judgements judgements;
  private final Courtesy courtesy;
  private final boolean ahead;
  private final ThreadPoolExecutor worker =
      new ThreadPoolExecutor(
          1,
          1,
          0,
          TimeUnit.SECONDS,
          new ArrayBlockingQueue<>(MOST),
          r -> new Thread(r, "runs-ahead"),
          new ThreadPoolExecutor.DiscardPolicy());

  RunsAhead(Judgements judgements, Courtesy courtesy, Settings settings) {
    this.judgements = judgements;
    this.courtesy = courtesy;
    ahead = settings.judgeAhead();
  }

  /** A run was marked or changed. */
  record RunKept(UUID holding, UUID run) {}

  @TransactionalEventListener(fallbackExecution = true)
  void kept(RunKept kept) {
    if (ahead) {
      worker.execute(() -> judge(kept));
    }
  }

  private void judge(RunKept kept) {
    courtesy.giveWay();
    try {
      judgements.view(kept.holding(), kept.run());
    } catch (Problem cannot) {
      LOG.debug("run {} cannot be judged: {}", kept.run(), cannot.getMessage());
    } catch (RuntimeException e) {
      LOG.warn("run {} was not judged ahead", kept.run(), e);
    }
  }

  @PreDestroy
  void stop() {
    worker.shutdownNow();
  }
}
