package nightbank.server.shared;

import java.time.Duration;
import org.jooq.DSLContext;

/** Statements that rightly take longer than a database that answers is waited for. */
public final class LongWork {
  private static final Duration LONGEST = Duration.ofMinutes(15);

  private LongWork() {}

  /** For the transaction that is open; its connection is as before when it goes back. */
  public static void in(DSLContext db) {
    db.connection(c -> c.setNetworkTimeout(Runnable::run, (int) LONGEST.toMillis()));
  }
}
