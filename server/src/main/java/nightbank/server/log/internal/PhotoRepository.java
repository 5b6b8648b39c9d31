package nightbank.server.log.internal;

import static nightbank.db.Tables.PHOTO;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.log.Photos;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Photos. */
@Repository
public class PhotoRepository {
  private final DSLContext db;

  PhotoRepository(DSLContext db) {
    this.db = db;
  }

  public Optional<Photos.Photo> find(UUID holding, UUID id) {
    return db.select(PHOTO.KIND, PHOTO.BYTES)
        .from(PHOTO)
        .where(PHOTO.HOLDING_ID.eq(holding))
        .and(PHOTO.ID.eq(id))
        .and(PHOTO.REMOVED_AT.isNull())
        .fetchOptional(r -> new Photos.Photo(r.value1(), r.value2()));
  }

  /** Of all that a holding keeps. */
  public long bytes(UUID holding) {
    return db.fetchSingle(
            "SELECT coalesce(sum(octet_length(bytes)), 0) FROM photo WHERE holding_id = ?", holding)
        .get(0, Long.class);
  }

  /** Whether the holding has it, or had it and it can come back. */
  public boolean known(UUID holding, UUID id) {
    return db.fetchExists(PHOTO, PHOTO.HOLDING_ID.eq(holding).and(PHOTO.ID.eq(id)));
  }

  public void removed(UUID holding, UUID id, @Nullable Instant at) {
    db.update(PHOTO)
        .set(PHOTO.REMOVED_AT, at)
        .where(PHOTO.HOLDING_ID.eq(holding))
        .and(PHOTO.ID.eq(id))
        .execute();
  }

  /** What was taken away before a moment goes for good. */
  public void forget(Instant before) {
    db.deleteFrom(PHOTO).where(PHOTO.REMOVED_AT.lt(before)).execute();
  }

  public boolean insert(
      UUID holding, UUID id, UUID round, Instant taken, String kind, byte[] bytes) {
    return db.insertInto(PHOTO)
            .set(PHOTO.ID, id)
            .set(PHOTO.HOLDING_ID, holding)
            .set(PHOTO.ROUND_ID, round)
            .set(PHOTO.TAKEN_AT, taken)
            .set(PHOTO.KIND, kind)
            .set(PHOTO.BYTES, bytes)
            .onConflictDoNothing()
            .execute()
        == 1;
  }
}
