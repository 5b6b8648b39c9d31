package nightbank.server.shared;

import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** Somebody who waits for an answer goes before what is computed behind the scenes. */
@Component
public class ForegroundPriority {
  private static final long LONGEST = 15_000; // ms, so that the work behind the scenes goes on

  private int waiting;
  private long answeredAt; // ns

  /** An answer that somebody waits for. */
  public <T> T first(Supplier<T> answer) {
    begins();
    try {
      return answer.get();
    } finally {
      ends();
    }
  }

  /** Somebody waits, or looks on, from now until {@link #ends}. */
  public void begins() {
    count(1);
  }

  public void ends() {
    count(-1);
  }

  private synchronized void count(int by) {
    waiting += by;
    answeredAt = System.nanoTime();
    notifyAll();
  }

  /** Whether somebody had an answer within so many milliseconds, and so may ask for the next. */
  public synchronized boolean answeredWithin(long milliseconds) {
    return System.nanoTime() - answeredAt < milliseconds * 1_000_000;
  }

  /** Returns once nobody waits for an answer, or after {@link #LONGEST}. */
  public synchronized void giveWay() {
    long until = System.nanoTime() + LONGEST * 1_000_000;
    try {
      for (long left = LONGEST; waiting > 0 && left > 0; ) {
        wait(left);
        left = (until - System.nanoTime()) / 1_000_000;
      }
    } catch (InterruptedException stopping) {
      Thread.currentThread().interrupt();
    }
  }
}
