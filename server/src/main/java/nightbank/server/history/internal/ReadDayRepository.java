package nightbank.server.history.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Which days have readings at all. */
@Repository
public class ReadDayRepository {
  private static final String READ_DAYS =
      """
      SELECT noon.day
        FROM (SELECT to_timestamp(epoch) AS begin, lead(to_timestamp(epoch)) OVER (ORDER BY day) AS finish, day
                FROM unnest(?::bigint[]) WITH ORDINALITY AS n(epoch, day)) noon
       WHERE EXISTS (SELECT FROM probe p, LATERAL (SELECT 1 FROM reading
                       WHERE probe_id = p.id AND holding_id = p.holding_id
                         AND at >= noon.begin AND at < noon.finish LIMIT 1) r
                      WHERE p.holding_id = ? AND p.heat_store_id = ? AND p.kind = 'STORE')
      """;

  private final DSLContext db;

  ReadDayRepository(DSLContext db) {
    this.db = db;
  }

  /**
   * Evenings with a reading of any of the store's own probes: one look into the index a day.
   *
   * @param noons when each day from the first on begins, and when the last one ends
   */
  public Set<LocalDate> read(UUID holding, UUID store, LocalDate first, List<Instant> noons) {
    Long[] seconds = noons.stream().map(Instant::getEpochSecond).toArray(Long[]::new);
    return db.resultQuery(READ_DAYS, seconds, holding, store)
        .fetchSet(r -> first.plusDays(r.get(0, Long.class) - 1));
  }
}
