package nightbank.server.shared;

import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * What takes all cores for seconds, as many at once as there are cores, the others in the order in
 * which they came: so many of one person and of all together wait, and none for long.
 */
@Component
public class Turns {
  private static final int OF_ONE = 6;
  private static final int OF_ALL = 24;
  private static final int LONGEST = 25; // s

  private final Semaphore cores =
      new Semaphore(Math.max(2, Runtime.getRuntime().availableProcessors()), true);
  private final AtomicInteger all = new AtomicInteger();
  private final Map<UUID, Integer> byPerson = new ConcurrentHashMap<>();

  /** An answer, when it is its turn. */
  public <T> T take(UUID person, Supplier<T> answer) {
    int own = byPerson.merge(person, 1, Integer::sum);
    int waiting = all.incrementAndGet();
    try {
      if (own > OF_ONE || waiting > OF_ALL) {
        throw busy();
      }
      if (!cores.tryAcquire(LONGEST, TimeUnit.SECONDS)) {
        throw busy();
      }
      try {
        return answer.get();
      } finally {
        cores.release();
      }
    } catch (InterruptedException stopping) {
      Thread.currentThread().interrupt();
      throw busy();
    } finally {
      all.decrementAndGet();
      byPerson.computeIfPresent(person, (k, n) -> n == 1 ? null : n - 1);
    }
  }

  private static Problem busy() {
    return new Problem(
        HttpStatus.TOO_MANY_REQUESTS,
        "busy",
        "",
        "Many nights are being reckoned just now.",
        "Ask again in a few seconds.");
  }
}
