package nightbank.server.history.internal;

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
         WHERE probe_id = ANY(?) AND holding_id = ? AND at >= ?::timestamptz AND at < ?::timestamptz
           AND celsius BETWEEN -60 AND 60
         GROUP BY 1, 2)
      SELECT probe_id,
             (at AT TIME ZONE ? - interval '12 hours')::date AS evening,
             min(ARRAY[celsius, extract(epoch FROM at)::float8]) AS lowest,
             avg(greatest(0, ? - celsius)) * (extract(epoch FROM max(at) - min(at)) + 600) / 3600 AS cold
        FROM spell GROUP BY 1, 2
      """;

  private final DSLContext db;

  NightLowRepository(DSLContext db) {
    this.db = db;
  }

  /** A night's low. */
  public record Low(double celsius, Instant at, double coldDegreeHours) {}

  /** Lows by thermometer and evening, all of them in one pass. */
  public Map<UUID, Map<LocalDate, Low>> of(
      UUID holding,
      Collection<UUID> probes,
      Instant first,
      Instant last,
      ZoneId zone,
      double limit) {
    Map<UUID, Map<LocalDate, Low>> lows = new HashMap<>();
    db.resultQuery(QUERY, probes.toArray(UUID[]::new), holding, first, last, zone.getId(), limit)
        .forEach(
            r ->
                lows.computeIfAbsent(r.get("probe_id", UUID.class), p -> new HashMap<>())
                    .put(
                        r.get("evening", LocalDate.class),
                        low(r.get("lowest", Double[].class), r.get("cold", Double.class))));
    return lows;
  }

  private static Low low(Double[] lowest, double cold) {
    return new Low(lowest[0], Instant.ofEpochSecond(lowest[1].longValue()), cold);
  }
}
