package nightbank.server.record.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Lowest means of ten minutes from noon to noon, fault values left out. */
@Repository
public class NightLowRepository {
  private static final String QUERY =
      """
      WITH spell AS (
        SELECT probe_id, date_bin('10 minutes', at, timestamptz '2000-01-01Z') AS at, avg(celsius) AS celsius
          FROM reading
         WHERE probe_id = ? AND holding_id = ? AND at >= ?::timestamptz AND at < ?::timestamptz AND celsius BETWEEN -60 AND 60
         GROUP BY 1, 2),
      counted AS (
        SELECT (at AT TIME ZONE ? - interval '12 hours')::date AS evening, at, celsius,
               least(extract(epoch FROM lead(at, 1, at + interval '10 minutes') OVER (ORDER BY at) - at), 7200) AS lasted
          FROM spell)
      SELECT evening, min(celsius) AS lowest,
             (array_agg(at ORDER BY celsius, at))[1] AS lowest_at,
             sum(greatest(0, ? - celsius) * lasted) / 3600 AS cold
        FROM counted GROUP BY evening
      """;

  private final DSLContext db;

  NightLowRepository(DSLContext db) {
    this.db = db;
  }

  /** A night's low. */
  public record Low(double celsius, Instant at, double coldDegreeHours) {}

  /** The coldest of several thermometers speaks for the night. */
  public Map<LocalDate, Low> of(
      UUID holding,
      Collection<UUID> probes,
      Instant first,
      Instant last,
      ZoneId zone,
      double limit) {
    Map<LocalDate, Low> lows = new HashMap<>();
    for (UUID probe : probes) {
      db.resultQuery(QUERY, probe, holding, first, last, zone.getId(), limit)
          .forEach(
              r ->
                  lows.merge(
                      r.get("evening", LocalDate.class),
                      new Low(
                          r.get("lowest", Double.class),
                          r.get("lowest_at", Instant.class),
                          r.get("cold", Double.class)),
                      (a, b) -> a.celsius() <= b.celsius() ? a : b));
    }
    return lows;
  }
}
