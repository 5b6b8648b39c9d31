package nightbank.server.loggerfile.internal;

import static nightbank.db.Tables.UPLOAD_PART;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.util.Enumeration;
import java.util.NoSuchElementException;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Files handed over, in parts: any node reads them, none is ever whole in memory. */
@Repository
public class UploadRepository {
  private static final int PART = 1 << 20; // bytes

  private final DSLContext db;

  UploadRepository(DSLContext db) {
    this.db = db;
  }

  /** Keeps all of it; how many bytes it has. */
  public long save(UUID importId, InputStream in) throws IOException {
    long bytes = 0;
    int part = 0;
    for (byte[] some = in.readNBytes(PART); some.length > 0; some = in.readNBytes(PART)) {
      db.insertInto(UPLOAD_PART)
          .set(UPLOAD_PART.IMPORT_ID, importId)
          .set(UPLOAD_PART.PART, part++)
          .set(UPLOAD_PART.BYTES, some)
          .execute();
      bytes += some.length;
    }
    return bytes;
  }

  public boolean exists(UUID importId) {
    return db.fetchExists(UPLOAD_PART, UPLOAD_PART.IMPORT_ID.eq(importId));
  }

  /** Part after part as they are read. */
  public InputStream open(UUID importId) {
    return new SequenceInputStream(
        new Enumeration<>() {
          private int at;
          private byte[] next = part(importId, 0);

          @Override
          public boolean hasMoreElements() {
            return next != null;
          }

          @Override
          public InputStream nextElement() {
            if (next == null) {
              throw new NoSuchElementException();
            }
            InputStream in = new ByteArrayInputStream(next);
            next = part(importId, ++at);
            return in;
          }
        });
  }

  private byte[] part(UUID importId, int part) {
    return db.select(UPLOAD_PART.BYTES)
        .from(UPLOAD_PART)
        .where(UPLOAD_PART.IMPORT_ID.eq(importId))
        .and(UPLOAD_PART.PART.eq(part))
        .fetchOne(UPLOAD_PART.BYTES);
  }

  public void delete(UUID importId) {
    db.deleteFrom(UPLOAD_PART).where(UPLOAD_PART.IMPORT_ID.eq(importId)).execute();
  }
}
