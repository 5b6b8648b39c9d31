package nightbank.server.shared;

import org.jooq.DSLContext;

/**
 * What can be made again need not be on disk when its transaction ends: after a crash of the
 * database it is as if it had not been begun.
 */
public final class SoonKept {
  private SoonKept() {}

  /** For the transaction that is open. */
  public static void in(DSLContext db) {
    db.execute("SET LOCAL synchronous_commit = off");
  }
}
