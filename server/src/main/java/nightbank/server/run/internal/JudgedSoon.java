package nightbank.server.run.internal;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Problem;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * What is judged while somebody waits: nobody waits for long. What is not done by then goes on, and
 * whoever asks again finds it. Of one subject one judging is under way at a time.
 */
@Component
class JudgedSoon implements DisposableBean {
  private static final Duration PATIENCE = Duration.ofSeconds(3);
  private static final int MOST = 16; // under way

  private final ForegroundPriority priority;
  private final Map<String, CompletableFuture<?>> underWay = new ConcurrentHashMap<>();
  private final ExecutorService threads =
      Executors.newCachedThreadPool(
          work -> {
            Thread t = new Thread(work, "judging");
            t.setDaemon(true);
            return t;
          });

  JudgedSoon(ForegroundPriority priority) {
    this.priority = priority;
  }

  /**
   * What is kept, or judged now.
   *
   * @param kept of no use where it rests on what has been changed since
   */
  <T> T of(String subject, Supplier<Optional<T>> kept, Supplier<T> judging) {
    long end = System.nanoTime() + PATIENCE.toNanos();
    for (; ; ) {
      Optional<T> known = kept.get();
      if (known.isPresent()) {
        return known.get();
      }
      CompletableFuture<T> mine = new CompletableFuture<>();
      CompletableFuture<?> other = underWay.putIfAbsent(subject, mine);
      if (other == null) {
        begin(subject, mine, judging);
        return ended(mine, end);
      }
      // what it comes to may rest on less than was there when this was asked
      ended(other.handle((result, fault) -> ""), end);
    }
  }

  private <T> void begin(String subject, CompletableFuture<T> mine, Supplier<T> judging) {
    if (underWay.size() > MOST) {
      underWay.remove(subject, mine);
      mine.completeExceptionally(still());
      return;
    }
    threads.execute(
        () -> {
          try {
            T result = priority.first(judging);
            underWay.remove(subject, mine);
            mine.complete(result);
          } catch (RuntimeException | Error e) {
            underWay.remove(subject, mine);
            mine.completeExceptionally(e);
          }
        });
  }

  private static <T> T ended(CompletableFuture<T> what, long end) {
    try {
      return what.get(Math.max(0, end - System.nanoTime()), TimeUnit.NANOSECONDS);
    } catch (TimeoutException e) {
      throw still();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw still();
    } catch (ExecutionException e) {
      throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e);
    }
  }

  private static Problem still() {
    return new Problem(
        HttpStatus.TOO_MANY_REQUESTS,
        "being-judged",
        "",
        "The run is still being judged.",
        "Ask again in a second or two; it goes on meanwhile.");
  }

  @Override
  public void destroy() {
    threads.shutdownNow();
  }
}
