package nightbank.server.upkeep.internal;

import static nightbank.db.Tables.TASK;
import static nightbank.db.Tables.TASK_DONE;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.upkeep.UsualTask;
import nightbank.server.upkeep.Tasks.Kept;
import nightbank.server.upkeep.Tasks.TaskDraft;
import nightbank.server.upkeep.Tasks.Times;
import nightbank.server.upkeep.TasksDone.Done;
import nightbank.server.upkeep.UpkeepView.DoneView;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Tasks, and when they were done. */
@Repository
public class TaskRepository {
  private static final int MOST = 20_000;

  private final DSLContext db;

  TaskRepository(DSLContext db) {
    this.db = db;
  }

  public List<Kept> all(UUID holding) {
    return db.selectFrom(TASK)
        .where(TASK.HOLDING_ID.eq(holding))
        .orderBy(TASK.ID)
        .fetch(
            r ->
                new Kept(
                    r.getId(),
                    new TaskDraft(
                        r.getUsual() == null ? null : UsualTask.valueOf(r.getUsual()),
                        r.getWhat(),
                        r.getWhy(),
                        r.getDays(),
                        r.getFires(),
                        r.getKilograms(),
                        r.getMonth(),
                        r.getDayOfMonth())));
  }

  /** Whether it is this holding's. */
  public boolean save(UUID holding, UUID id, TaskDraft d) {
    String usual = d.usual() == null ? null : d.usual().name();
    String why = d.why() == null ? "" : d.why().strip();
    return db.insertInto(TASK)
            .set(TASK.ID, id)
            .set(TASK.HOLDING_ID, holding)
            .set(TASK.USUAL, usual)
            .set(TASK.WHAT, d.what().strip())
            .set(TASK.WHY, why)
            .set(TASK.DAYS, d.days())
            .set(TASK.FIRES, d.fires())
            .set(TASK.KILOGRAMS, d.kilograms())
            .set(TASK.MONTH, d.month())
            .set(TASK.DAY_OF_MONTH, d.dayOfMonth())
            .onConflict(TASK.ID)
            .doUpdate()
            .set(TASK.USUAL, usual)
            .set(TASK.WHAT, d.what().strip())
            .set(TASK.WHY, why)
            .set(TASK.DAYS, d.days())
            .set(TASK.FIRES, d.fires())
            .set(TASK.KILOGRAMS, d.kilograms())
            .set(TASK.MONTH, d.month())
            .set(TASK.DAY_OF_MONTH, d.dayOfMonth())
            .where(TASK.HOLDING_ID.eq(holding))
            .execute()
        == 1;
  }

  public void remove(UUID holding, UUID id) {
    db.deleteFrom(TASK).where(TASK.ID.eq(id)).and(TASK.HOLDING_ID.eq(holding)).execute();
  }

  /** By task, newest first. */
  public Map<UUID, List<DoneView>> done(UUID holding) {
    return db.selectFrom(TASK_DONE)
        .where(TASK_DONE.HOLDING_ID.eq(holding))
        .orderBy(TASK_DONE.AT.desc(), TASK_DONE.ID)
        .limit(MOST)
        .fetchGroups(
            TASK_DONE.TASK_ID,
            r -> new DoneView(r.get(TASK_DONE.ID), r.get(TASK_DONE.AT), r.get(TASK_DONE.NOTE)));
  }

  /** How often each was done in a time, the most often first. */
  public List<Times> times(UUID holding, Instant from, Instant to) {
    return db.select(TASK.WHAT, DSL.count())
        .from(TASK_DONE)
        .join(TASK)
        .on(TASK.ID.eq(TASK_DONE.TASK_ID))
        .where(TASK_DONE.HOLDING_ID.eq(holding))
        .and(TASK_DONE.AT.ge(from))
        .and(TASK_DONE.AT.lt(to))
        .groupBy(TASK.ID, TASK.WHAT)
        .orderBy(DSL.count().desc(), TASK.WHAT)
        .fetch(r -> new Times(r.value1(), r.value2()));
  }

  public Optional<Done> find(UUID holding, UUID id) {
    return db.selectFrom(TASK_DONE)
        .where(TASK_DONE.ID.eq(id))
        .and(TASK_DONE.HOLDING_ID.eq(holding))
        .fetchOptional(r -> new Done(r.getTaskId(), r.getAt(), r.getNote()));
  }

  /** Whether it is this holding's. */
  public boolean did(UUID holding, UUID id, Done d) {
    return db.insertInto(TASK_DONE)
            .set(TASK_DONE.ID, id)
            .set(TASK_DONE.HOLDING_ID, holding)
            .set(TASK_DONE.TASK_ID, d.taskId())
            .set(TASK_DONE.AT, d.at())
            .set(TASK_DONE.NOTE, d.note())
            .onConflict(TASK_DONE.ID)
            .doUpdate()
            .set(TASK_DONE.AT, d.at())
            .set(TASK_DONE.NOTE, d.note())
            .where(TASK_DONE.HOLDING_ID.eq(holding))
            .execute()
        == 1;
  }

  public void undo(UUID holding, UUID id) {
    db.deleteFrom(TASK_DONE)
        .where(TASK_DONE.ID.eq(id))
        .and(TASK_DONE.HOLDING_ID.eq(holding))
        .execute();
  }
}
