package nightbank.server.thermometer.internal;

import static nightbank.db.Tables.PROBE;
import static nightbank.db.Tables.READING;
import static org.jooq.Records.mapping;
import static org.jooq.impl.DSL.lateral;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.server.store.ProbeView;
import nightbank.server.thermometer.ThermometerView;
import nightbank.server.thermometer.Thermometers.Draft;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Probes without a store. */
@Repository
public class ThermometerRepository {
  private final DSLContext db;

  ThermometerRepository(DSLContext db) {
    this.db = db;
  }

  public List<ThermometerView> all(UUID holding) {
    var last =
        lateral(
                select(READING.AT, READING.CELSIUS)
                    .from(READING)
                    .where(READING.PROBE_ID.eq(PROBE.ID))
                    .orderBy(READING.AT.desc())
                    .limit(1))
            .as("last");
    return db.select(
            PROBE.ID,
            PROBE.GREENHOUSE_ID,
            PROBE.KIND.convertFrom(ProbeView.Kind::valueOf),
            PROBE.NAME,
            last.field(READING.AT),
            last.field(READING.CELSIUS))
        .from(PROBE)
        .leftJoin(last)
        .on("true")
        .where(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.HEAT_STORE_ID.isNull())
        .and(PROBE.REMOVED_AT.isNull())
        .orderBy(PROBE.RANK, PROBE.NAME, PROBE.ID)
        .fetch(mapping(ThermometerView::new));
  }

  /** Whether there is one of that id now that is this holding's, there or taken away. */
  public boolean save(UUID holding, UUID id, Draft d) {
    return db.insertInto(PROBE)
            .set(PROBE.ID, id)
            .set(PROBE.HOLDING_ID, holding)
            .set(PROBE.GREENHOUSE_ID, d.houseId())
            .set(PROBE.KIND, d.kind().name())
            .set(PROBE.NAME, d.name().strip())
            .set(PROBE.RADIUS_FRACTION, 1.0)
            .set(PROBE.HEIGHT_FRACTION, 0.5)
            .onConflict(PROBE.ID)
            .doUpdate()
            .setNull(PROBE.REMOVED_AT)
            .set(PROBE.GREENHOUSE_ID, d.houseId())
            .set(PROBE.KIND, d.kind().name())
            .set(PROBE.NAME, d.name().strip())
            .where(PROBE.HOLDING_ID.eq(holding))
            .and(PROBE.HEAT_STORE_ID.isNull())
            .execute()
        == 1;
  }

  public void remove(UUID holding, UUID id, Instant now) {
    db.update(PROBE)
        .set(PROBE.REMOVED_AT, now)
        .where(PROBE.ID.eq(id))
        .and(PROBE.HOLDING_ID.eq(holding))
        .and(PROBE.HEAT_STORE_ID.isNull())
        .execute();
  }
}
