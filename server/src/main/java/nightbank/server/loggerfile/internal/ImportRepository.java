package nightbank.server.loggerfile.internal;

import static nightbank.db.Tables.IMPORT_FILE;
import static nightbank.db.Tables.IMPORT_LEFT_OUT;
import static nightbank.db.Tables.LOGGER_MAPPING;
import static nightbank.db.Tables.READING_ASIDE;
import static nightbank.db.Tables.RUN;
import static org.jooq.Records.mapping;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.db.tables.records.ImportFileRecord;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.ImportView;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Files handed over, and how their loggers write. */
@Repository
public class ImportRepository {
  private static final int MOST_LISTED = 100;

  private final DSLContext db;
  private final Json json;

  ImportRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** What came of an import. */
  public record Outcome(
      long rows,
      long readings,
      long added,
      long leftOut,
      @Nullable Instant from,
      @Nullable Instant to) {}

  public void insert(
      UUID holding,
      UUID store,
      UUID id,
      String name,
      FileMapping m,
      String dialect,
      boolean ambiguous,
      Instant now) {
    db.insertInto(IMPORT_FILE)
        .set(IMPORT_FILE.ID, id)
        .set(IMPORT_FILE.HOLDING_ID, holding)
        .set(IMPORT_FILE.STORE_ID, store)
        .set(IMPORT_FILE.FILE_NAME, name)
        .set(IMPORT_FILE.BYTES, 0L)
        .set(IMPORT_FILE.DIALECT, dialect)
        .set(IMPORT_FILE.AMBIGUOUS, ambiguous)
        .set(IMPORT_FILE.STATE, ImportView.State.UPLOADED.name())
        .set(IMPORT_FILE.MAPPING, json.write(m))
        .set(IMPORT_FILE.CREATED_AT, now)
        .execute();
  }

  public Optional<ImportFileRecord> find(UUID holding, UUID id) {
    return db.selectFrom(IMPORT_FILE)
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.ID.eq(id))
        .fetchOptional();
  }

  public FileMapping mappingOf(ImportFileRecord r) {
    return json.read(r.getMapping(), FileMapping.class);
  }

  public void setMapping(UUID holding, UUID id, FileMapping m) {
    db.update(IMPORT_FILE)
        .set(IMPORT_FILE.MAPPING, json.write(m))
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.ID.eq(id))
        .execute();
  }

  /** Claims the import for running; false when somebody else has. */
  public boolean claim(UUID holding, UUID id, @Nullable UUID person) {
    return db.update(IMPORT_FILE)
            .set(IMPORT_FILE.STATE, ImportView.State.RUNNING.name())
            .set(IMPORT_FILE.PROBLEM, "")
            .set(IMPORT_FILE.ASKED_BY, person)
            .where(IMPORT_FILE.HOLDING_ID.eq(holding))
            .and(IMPORT_FILE.ID.eq(id))
            .and(
                IMPORT_FILE.STATE.notIn(
                    ImportView.State.RUNNING.name(),
                    ImportView.State.DONE.name(),
                    ImportView.State.TAKEN_OUT.name()))
            .execute()
        == 1;
  }

  public void ended(
      UUID holding, UUID id, ImportView.State state, @Nullable String problem, Outcome o) {
    db.update(IMPORT_FILE)
        .set(IMPORT_FILE.STATE, state.name())
        .set(IMPORT_FILE.PROBLEM, problem)
        .set(IMPORT_FILE.ROWS_READ, o.rows())
        .set(IMPORT_FILE.READINGS, o.readings())
        .set(IMPORT_FILE.ADDED, o.added())
        .set(IMPORT_FILE.LEFT_OUT, o.leftOut())
        .set(IMPORT_FILE.FROM_AT, o.from())
        .set(IMPORT_FILE.TO_AT, o.to())
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.ID.eq(id))
        .execute();
  }

  /** A store's files that were read in, or were and have been taken out, newest first. */
  public List<ImportFileRecord> readIn(UUID holding, UUID store) {
    return db.selectFrom(IMPORT_FILE)
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.STORE_ID.eq(store))
        .and(IMPORT_FILE.STATE.in(ImportView.State.DONE.name(), ImportView.State.TAKEN_OUT.name()))
        .orderBy(IMPORT_FILE.CREATED_AT.desc())
        .limit(MOST_LISTED)
        .fetch();
  }

  /** Those of a store that wait to be looked at, or could not be read in. */
  public List<ImportFileRecord> waiting(UUID holding, UUID store, Instant since) {
    return db.selectFrom(IMPORT_FILE)
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.STORE_ID.eq(store))
        .and(IMPORT_FILE.STATE.in(ImportView.State.UPLOADED.name(), ImportView.State.FAILED.name()))
        .and(IMPORT_FILE.CREATED_AT.ge(since))
        .orderBy(IMPORT_FILE.CREATED_AT.desc())
        .limit(MOST_LISTED)
        .fetch();
  }

  public void takenOut(UUID holding, UUID id, @Nullable Instant at) {
    ImportView.State state = at == null ? ImportView.State.DONE : ImportView.State.TAKEN_OUT;
    db.update(IMPORT_FILE)
        .set(IMPORT_FILE.STATE, state.name())
        .set(IMPORT_FILE.TAKEN_OUT_AT, at)
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.ID.eq(id))
        .execute();
  }

  /** Readings of files that were taken out before a moment go for good. */
  public void forget(Instant before) {
    db.deleteFrom(READING_ASIDE)
        .where(
            READING_ASIDE.IMPORT_ID.in(
                db.select(IMPORT_FILE.ID)
                    .from(IMPORT_FILE)
                    .where(IMPORT_FILE.TAKEN_OUT_AT.lt(before))))
        .execute();
  }

  /** Those that are said to be read while no node has them to do. */
  public void failLeft(String problem) {
    db.execute(
        """
        UPDATE import_file f SET state = 'FAILED', problem = ?
         WHERE state = 'RUNNING' AND NOT EXISTS (
           SELECT FROM job j WHERE j.holding_id = f.holding_id AND j.kind = 'IMPORT'
              AND j.subject = f.id::text AND j.state IN ('WAITING', 'RUNNING'))
        """,
        problem);
  }

  public void setBytes(UUID holding, UUID id, long bytes) {
    db.update(IMPORT_FILE)
        .set(IMPORT_FILE.BYTES, bytes)
        .where(IMPORT_FILE.HOLDING_ID.eq(holding))
        .and(IMPORT_FILE.ID.eq(id))
        .execute();
  }

  void leaveOut(UUID holding, UUID id, List<LeftOutRow> rows) {
    db.batch(
            rows.stream()
                .map(
                    r ->
                        db.insertInto(IMPORT_LEFT_OUT)
                            .set(IMPORT_LEFT_OUT.IMPORT_ID, id)
                            .set(IMPORT_LEFT_OUT.HOLDING_ID, holding)
                            .set(IMPORT_LEFT_OUT.LINE, r.line())
                            .set(IMPORT_LEFT_OUT.PART, r.part())
                            .set(IMPORT_LEFT_OUT.REASON, r.reason())
                            .set(IMPORT_LEFT_OUT.CELL, r.cell())
                            .onConflictDoNothing())
                .toList())
        .execute();
  }

  public List<ImportView.LeftOut> leftOut(UUID holding, UUID id) {
    return db.select(IMPORT_LEFT_OUT.LINE, IMPORT_LEFT_OUT.REASON, IMPORT_LEFT_OUT.CELL)
        .from(IMPORT_LEFT_OUT)
        .where(IMPORT_LEFT_OUT.HOLDING_ID.eq(holding))
        .and(IMPORT_LEFT_OUT.IMPORT_ID.eq(id))
        .orderBy(IMPORT_LEFT_OUT.LINE, IMPORT_LEFT_OUT.PART)
        .fetch(mapping(ImportView.LeftOut::new));
  }

  public Optional<FileMapping> remembered(UUID holding, UUID store, String fingerprint) {
    return db.select(LOGGER_MAPPING.MAPPING)
        .from(LOGGER_MAPPING)
        .where(LOGGER_MAPPING.HOLDING_ID.eq(holding))
        .and(LOGGER_MAPPING.STORE_ID.eq(store))
        .and(LOGGER_MAPPING.FINGERPRINT.eq(fingerprint))
        .fetchOptional(r -> json.read(r.value1(), FileMapping.class));
  }

  public void remember(UUID holding, UUID store, String fingerprint, FileMapping m, Instant now) {
    db.insertInto(LOGGER_MAPPING)
        .set(LOGGER_MAPPING.HOLDING_ID, holding)
        .set(LOGGER_MAPPING.STORE_ID, store)
        .set(LOGGER_MAPPING.FINGERPRINT, fingerprint)
        .set(LOGGER_MAPPING.MAPPING, json.write(m))
        .set(LOGGER_MAPPING.UPDATED_AT, now)
        .onConflict(LOGGER_MAPPING.HOLDING_ID, LOGGER_MAPPING.STORE_ID, LOGGER_MAPPING.FINGERPRINT)
        .doUpdate()
        .set(LOGGER_MAPPING.MAPPING, json.write(m))
        .set(LOGGER_MAPPING.UPDATED_AT, now)
        .execute();
  }

  public Optional<UUID> runOf(UUID holding, UUID importId) {
    return db.select(RUN.ID)
        .from(RUN)
        .where(RUN.HOLDING_ID.eq(holding))
        .and(RUN.IMPORT_ID.eq(importId))
        .limit(1)
        .fetchOptional(RUN.ID);
  }
}
