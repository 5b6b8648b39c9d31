package nightbank.server.loggerfile.internal;

import static nightbank.db.Tables.UPLOAD_PART;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.shared.PartedFile;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Files handed over, until they are read. */
@Repository
public class UploadRepository {
  private final DSLContext db;
  private final PartedFile files;

  UploadRepository(DSLContext db) {
    this.db = db;
    files =
        new PartedFile(db, UPLOAD_PART, UPLOAD_PART.IMPORT_ID, UPLOAD_PART.PART, UPLOAD_PART.BYTES);
  }

  /** Keeps all of it; how many bytes it has. */
  public long save(UUID importId, InputStream in) throws IOException {
    return files.save(importId, in);
  }

  public boolean exists(UUID importId) {
    return db.fetchExists(UPLOAD_PART, UPLOAD_PART.IMPORT_ID.eq(importId));
  }

  /** Part after part as they are read. */
  public InputStream open(UUID importId) {
    return files.open(importId);
  }

  /** Of all files of a holding that are kept as they came. */
  public long bytes(UUID holding) {
    return db.fetchSingle(
            "SELECT coalesce(sum(bytes), 0) FROM import_file f WHERE holding_id = ?"
                + " AND EXISTS (SELECT FROM upload_part WHERE import_id = f.id)",
            holding)
        .get(0, Long.class);
  }

  /** Throws away files that came before a moment and are not being read. */
  public void forget(Instant before) {
    db.execute(
        "DELETE FROM upload_part p USING import_file f WHERE f.id = p.import_id"
            + " AND f.state <> 'RUNNING' AND f.created_at < ?::timestamptz",
        before.toString());
  }

  public void delete(UUID importId) {
    db.deleteFrom(UPLOAD_PART).where(UPLOAD_PART.IMPORT_ID.eq(importId)).execute();
  }
}
