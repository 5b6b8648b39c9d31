package nightbank.server.shared;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.util.Enumeration;
import java.util.NoSuchElementException;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.TableField;
import org.jspecify.annotations.Nullable;

/**
 * Files kept in a table in parts: any node reads them, none is ever whole in memory.
 *
 * @param owner whose file a part is of
 * @param part its number, from 0 without a gap
 */
public record PartedFile(
    DSLContext db,
    Table<?> table,
    TableField<?, UUID> owner,
    TableField<?, Integer> part,
    TableField<?, byte[]> bytes) {
  private static final int PART = 1 << 20; // bytes

  /** Keeps all of it; how many bytes it has. */
  public long save(UUID id, InputStream in) throws IOException {
    long length = 0;
    int number = 0;
    for (byte[] some = in.readNBytes(PART); some.length > 0; some = in.readNBytes(PART)) {
      db.insertInto(table).columns(owner, part, bytes).values(id, number++, some).execute();
      length += some.length;
    }
    return length;
  }

  /** Part after part as they are read. */
  public InputStream open(UUID id) {
    return new SequenceInputStream(
        new Enumeration<>() {
          private int at;
          private byte @Nullable [] next = read(id, 0);

          @Override
          public boolean hasMoreElements() {
            return next != null;
          }

          @Override
          public InputStream nextElement() {
            byte[] some = next;
            if (some == null) {
              throw new NoSuchElementException();
            }
            next = read(id, ++at);
            return new ByteArrayInputStream(some);
          }
        });
  }

  private byte @Nullable [] read(UUID id, int number) {
    return db.select(bytes).from(table).where(owner.eq(id)).and(part.eq(number)).fetchOne(bytes);
  }
}
