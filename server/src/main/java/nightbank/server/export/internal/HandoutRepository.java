package nightbank.server.export.internal;

import static nightbank.db.Tables.JOB;
import static nightbank.db.Tables.JOB_PART;
import static org.jooq.impl.DSL.select;

import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import nightbank.server.job.JobKind;
import nightbank.server.shared.LongWork;
import nightbank.server.shared.PartedFile;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Files that were written for a holding. */
@Repository
public class HandoutRepository {
  private final DSLContext db;
  private final PartedFile files;

  HandoutRepository(DSLContext db) {
    this.db = db;
    files = new PartedFile(db, JOB_PART, JOB_PART.JOB_ID, JOB_PART.PART, JOB_PART.BYTES);
  }

  public void save(UUID job, InputStream in) throws IOException {
    LongWork.in(db);
    files.save(job, in);
  }

  public InputStream open(UUID job) {
    return files.open(job);
  }

  /** Throws away what was written for a holding before, but for the latest. */
  public void forget(UUID holding) {
    var ended =
        JOB.HOLDING_ID
            .eq(holding)
            .and(JOB.KIND.eq(JobKind.HANDOUT.name()))
            .and(JOB.ENDED_AT.isNotNull());
    db.deleteFrom(JOB)
        .where(ended)
        .and(
            JOB.ID.notIn(
                select(JOB.ID).from(JOB).where(ended).orderBy(JOB.ENDED_AT.desc()).limit(1)))
        .execute();
  }
}
