package nightbank.server.run.internal;

import static nightbank.db.Tables.RUN_JUDGEMENT;

import java.util.Optional;
import java.util.UUID;
import nightbank.server.run.JudgementView;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Run sheets as last judged. */
@Repository
public class SheetRepository {
  private final DSLContext db;
  private final JsonMapper mapper;

  SheetRepository(DSLContext db, JsonMapper mapper) {
    this.db = db;
    this.mapper = mapper;
  }

  public Optional<JudgementView> find(UUID run, String mark) {
    return db.select(RUN_JUDGEMENT.SHEET)
        .from(RUN_JUDGEMENT)
        .where(RUN_JUDGEMENT.RUN_ID.eq(run))
        .and(RUN_JUDGEMENT.MARK.eq(mark))
        .fetchOptional(RUN_JUDGEMENT.SHEET)
        .map(s -> mapper.readValue(s.data(), JudgementView.class));
  }

  public void save(UUID holding, UUID run, String mark, JudgementView sheet) {
    JSONB json = JSONB.valueOf(mapper.writeValueAsString(sheet));
    db.insertInto(RUN_JUDGEMENT)
        .set(RUN_JUDGEMENT.RUN_ID, run)
        .set(RUN_JUDGEMENT.HOLDING_ID, holding)
        .set(RUN_JUDGEMENT.MARK, mark)
        .set(RUN_JUDGEMENT.SHEET, json)
        .onConflict(RUN_JUDGEMENT.RUN_ID)
        .doUpdate()
        .set(RUN_JUDGEMENT.MARK, mark)
        .set(RUN_JUDGEMENT.SHEET, json)
        .execute();
  }
}
