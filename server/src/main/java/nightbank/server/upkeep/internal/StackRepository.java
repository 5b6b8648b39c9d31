package nightbank.server.upkeep.internal;

import static nightbank.db.Tables.WOOD_STACK;

import java.util.List;
import java.util.UUID;
import nightbank.core.upkeep.WoodStack.Cover;
import nightbank.server.upkeep.Woodpiles.Made;
import nightbank.server.upkeep.Woodpiles.StackDraft;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Stacks of wood. */
@Repository
public class StackRepository {
  private final DSLContext db;

  StackRepository(DSLContext db) {
    this.db = db;
  }

  public List<Made> all(UUID holding) {
    return db.selectFrom(WOOD_STACK)
        .where(WOOD_STACK.HOLDING_ID.eq(holding))
        .orderBy(WOOD_STACK.SINCE, WOOD_STACK.ID)
        .fetch(
            r ->
                new Made(
                    r.getId(),
                    new StackDraft(
                        r.getName(),
                        r.getKilograms(),
                        r.getThicknessM(),
                        Cover.valueOf(r.getCover()),
                        r.getMoisture(),
                        r.getSince())));
  }

  /** Whether it is this holding's. */
  public boolean save(UUID holding, UUID id, StackDraft d) {
    return db.insertInto(WOOD_STACK)
            .set(WOOD_STACK.ID, id)
            .set(WOOD_STACK.HOLDING_ID, holding)
            .set(WOOD_STACK.NAME, d.name().strip())
            .set(WOOD_STACK.KILOGRAMS, d.kilograms())
            .set(WOOD_STACK.THICKNESS_M, d.thicknessMetres())
            .set(WOOD_STACK.COVER, d.cover().name())
            .set(WOOD_STACK.MOISTURE, d.moisture())
            .set(WOOD_STACK.SINCE, d.since())
            .onConflict(WOOD_STACK.ID)
            .doUpdate()
            .set(WOOD_STACK.NAME, d.name().strip())
            .set(WOOD_STACK.KILOGRAMS, d.kilograms())
            .set(WOOD_STACK.THICKNESS_M, d.thicknessMetres())
            .set(WOOD_STACK.COVER, d.cover().name())
            .set(WOOD_STACK.MOISTURE, d.moisture())
            .set(WOOD_STACK.SINCE, d.since())
            .where(WOOD_STACK.HOLDING_ID.eq(holding))
            .execute()
        == 1;
  }

  public void remove(UUID holding, UUID id) {
    db.deleteFrom(WOOD_STACK)
        .where(WOOD_STACK.ID.eq(id))
        .and(WOOD_STACK.HOLDING_ID.eq(holding))
        .execute();
  }
}
