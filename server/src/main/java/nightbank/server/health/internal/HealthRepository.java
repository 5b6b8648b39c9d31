package nightbank.server.health.internal;

import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What the database says of itself. */
@Repository
public class HealthRepository {
  private final DSLContext db;

  HealthRepository(DSLContext db) {
    this.db = db;
  }

  /** Bytes of the whole record. */
  public long size() {
    return db.fetchSingle("SELECT pg_database_size(current_database())").get(0, Long.class);
  }
}
