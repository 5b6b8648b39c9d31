package nightbank.server.history.internal;

import java.time.Instant;
import java.util.Collection;
import java.util.TreeMap;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Air in even steps, fault values left out. */
@Repository
public class NightAirRepository {
  private static final String QUERY =
      """
      SELECT extract(epoch FROM date_bin('10 minutes', at, timestamptz '2000-01-01Z'))::bigint AS at,
             avg(celsius) AS celsius
        FROM reading
       WHERE probe_id = ? AND holding_id = ? AND at >= ?::timestamptz AND at < ?::timestamptz
         AND celsius BETWEEN -60 AND 60
       GROUP BY 1
      """;

  private final DSLContext db;

  NightAirRepository(DSLContext db) {
    this.db = db;
  }

  /** Means of ten minutes by their begin, of the probe that was read most. */
  public TreeMap<Long, Double> tenMinutes(
      UUID holding, Collection<UUID> probes, Instant first, Instant last) {
    TreeMap<Long, Double> most = new TreeMap<>();
    for (UUID probe : probes) {
      TreeMap<Long, Double> own = new TreeMap<>();
      db.resultQuery(QUERY, probe, holding, first, last)
          .forEach(r -> own.put(r.get("at", Long.class), r.get("celsius", Double.class)));
      most = own.size() > most.size() ? own : most;
    }
    return most;
  }
}
