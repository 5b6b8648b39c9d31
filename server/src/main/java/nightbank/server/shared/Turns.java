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
  private final Map<String, Waiting> waiting = new ConcurrentHashMap<>();
  private final Map<UUID, Integer> byPerson = new ConcurrentHashMap<>();

  /** Somebody who waits, until it is that one's turn. */
  private static final class Waiting {
    private final Thread thread = Thread.currentThread();
    private boolean waits = true;

    /** Another question of the same line has come. */
    synchronized void giveUp() {
      if (waits) {
        thread.interrupt();
      }
    }

    /** From here on nobody interrupts it; whether nobody has. */
    synchronized boolean ended() {
      waits = false;
      return !Thread.interrupted();
    }
  }

  /** An answer, when it is its turn. */
  public <T> T take(UUID person, Supplier<T> answer) {
    return take(person, "", answer);
  }

  /**
   * An answer, when it is its turn.
   *
   * @param line of a page's questions of which only the newest matters: what waits on it is given
   *     up; empty where every one does
   */
  public <T> T take(UUID person, String line, Supplier<T> answer) {
    String key = line.isEmpty() ? person + " " + UUID.randomUUID() : person + " " + line;
    Waiting mine = new Waiting();
    Waiting before = waiting.put(key, mine);
    if (before != null) {
      before.giveUp();
    }
    try {
      return take(person, mine, answer);
    } finally {
      mine.ended();
      waiting.remove(key, mine);
    }
  }

  private <T> T take(UUID person, Waiting mine, Supplier<T> answer) {
    int own = byPerson.merge(person, 1, Integer::sum);
    int together = all.incrementAndGet();
    try {
      if (own > OF_ONE || together > OF_ALL || !cores.tryAcquire(LONGEST, TimeUnit.SECONDS)) {
        throw busy();
      }
      try {
        if (!mine.ended()) {
          throw busy();
        }
        return answer.get();
      } finally {
        cores.release();
      }
    } catch (InterruptedException asksAnew) {
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
