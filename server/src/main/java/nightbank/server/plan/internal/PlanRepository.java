package nightbank.server.plan.internal;

import static nightbank.db.Tables.KEPT_PLAN;

import java.util.List;
import java.util.UUID;
import nightbank.core.retrofit.Retrofit;
import nightbank.server.plan.PlanView;
import nightbank.server.plan.Plans.Plan;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;

/** Changes kept as plans. */
@Repository
public class PlanRepository {
  private final DSLContext db;
  private final Json json;

  PlanRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  public List<Plan> all(UUID holding) {
    return db.selectFrom(KEPT_PLAN)
        .where(KEPT_PLAN.HOLDING_ID.eq(holding))
        .orderBy(KEPT_PLAN.KEPT_AT, KEPT_PLAN.ID)
        .fetch(
            r ->
                new Plan(
                    r.getId(),
                    r.getGreenhouseId(),
                    Retrofit.Kind.valueOf(r.getKind()),
                    r.getSubject(),
                    r.getName(),
                    r.getAmount(),
                    json.read(r.getTold(), PlanView.Foretold.class),
                    r.getKeptAt(),
                    r.getDoneOn()));
  }

  /** Whether it is this holding's. */
  public boolean save(UUID holding, Plan p) {
    JSONB told = json.write(p.told());
    return db.insertInto(KEPT_PLAN)
            .set(KEPT_PLAN.ID, p.id())
            .set(KEPT_PLAN.HOLDING_ID, holding)
            .set(KEPT_PLAN.GREENHOUSE_ID, p.houseId())
            .set(KEPT_PLAN.KIND, p.kind().name())
            .set(KEPT_PLAN.SUBJECT, p.of())
            .set(KEPT_PLAN.NAME, p.name())
            .set(KEPT_PLAN.AMOUNT, p.amount())
            .set(KEPT_PLAN.TOLD, told)
            .set(KEPT_PLAN.KEPT_AT, p.keptAt())
            .set(KEPT_PLAN.DONE_ON, p.doneOn())
            .onConflict(KEPT_PLAN.ID)
            .doUpdate()
            .set(KEPT_PLAN.DONE_ON, p.doneOn())
            .where(KEPT_PLAN.HOLDING_ID.eq(holding))
            .execute()
        == 1;
  }

  public void remove(UUID holding, UUID id) {
    db.deleteFrom(KEPT_PLAN)
        .where(KEPT_PLAN.ID.eq(id))
        .and(KEPT_PLAN.HOLDING_ID.eq(holding))
        .execute();
  }
}
