package nightbank.server.history.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.judgement.KeptLows;
import nightbank.server.history.Stretch;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;

/** Lowest means of ten minutes from noon to noon, fault values left out; and what went unread. */
@Repository
public class NightLowRepository {
  private static final String NIGHTS =
      """
      WITH night AS (
        SELECT * FROM unnest(?::date[], ?::timestamptz[], ?::timestamptz[]) AS n (evening, dusk, dawn)),
      spell AS MATERIALIZED (
        SELECT probe_id, at, celsius, (at AT TIME ZONE ? - interval '12 hours')::date AS evening
          FROM (SELECT probe_id, date_bin('10 minutes', at, timestamptz '2000-01-01Z') AS at, avg(celsius) AS celsius
                  FROM reading
                 WHERE probe_id = ANY(?) AND holding_id = ? AND at >= ?::timestamptz AND at < ?::timestamptz
                   AND celsius BETWEEN -60 AND 60
                 GROUP BY 1, 2) ten),
      moment AS (
        SELECT DISTINCT n.evening, s.at
          FROM spell s JOIN night n USING (evening)
         WHERE s.probe_id = ANY(?) AND s.at > n.dusk AND s.at < n.dawn
        UNION ALL SELECT evening, dusk FROM night
        UNION ALL SELECT evening, dawn FROM night),
      stretch AS (
        SELECT evening, lag(at) OVER (PARTITION BY evening ORDER BY at) AS begins, at AS ends FROM moment)
      SELECT probe_id, evening,
             min(ARRAY[celsius, extract(epoch FROM at)::float8]) AS lowest,
             avg(greatest(0, ? - celsius)) * (extract(epoch FROM max(at) - min(at)) + 600) / 3600 AS cold,
             NULL::timestamptz AS begins, NULL::timestamptz AS ends
        FROM spell GROUP BY 1, 2
       UNION ALL
      (SELECT DISTINCT ON (evening) NULL, evening, NULL, NULL, begins, ends
         FROM stretch WHERE begins IS NOT NULL ORDER BY evening, ends - begins DESC)
      """;

  private static final String KEPT =
      """
      SELECT probe_id, at, celsius
        FROM reading
       WHERE probe_id = ANY(?) AND holding_id = ? AND at >= ?::timestamptz AND at < ?::timestamptz
         AND celsius BETWEEN -60 AND 60
       ORDER BY at
      """;

  private final DSLContext db;

  NightLowRepository(DSLContext db) {
    this.db = db;
  }

  /** A night's low. */
  public record Low(double celsius, Instant at, double coldDegreeHours) {}

  /**
   * What was read of nights.
   *
   * @param lows by thermometer and evening
   * @param unread the longest stretch of each night in which none inside was read
   */
  public record Read(Map<UUID, Map<LocalDate, Low>> lows, Map<LocalDate, Stretch> unread) {}

  /** All of it in one pass. */
  public Read read(
      UUID holding,
      Collection<UUID> inside,
      Collection<UUID> outdoors,
      List<Stretch> nights,
      Instant first,
      Instant last,
      ZoneId zone,
      double limit) {
    Read read = new Read(new HashMap<>(), new HashMap<>());
    db.resultQuery(
            NIGHTS,
            nights.stream().map(Stretch::evening).toArray(LocalDate[]::new),
            nights.stream().map(Stretch::from).toArray(Instant[]::new),
            nights.stream().map(Stretch::to).toArray(Instant[]::new),
            zone.getId(),
            Stream.concat(inside.stream(), outdoors.stream()).toArray(UUID[]::new),
            holding,
            first,
            last,
            inside.toArray(UUID[]::new),
            limit)
        .forEach(r -> keep(r, read));
    return read;
  }

  private static void keep(Record r, Read read) {
    UUID probe = r.get("probe_id", UUID.class);
    LocalDate evening = r.get("evening", LocalDate.class);
    if (probe == null) {
      read.unread()
          .put(
              evening,
              new Stretch(evening, r.get("begins", Instant.class), r.get("ends", Instant.class)));
    } else {
      read.lows()
          .computeIfAbsent(probe, p -> new HashMap<>())
          .put(evening, low(r.get("lowest", Double[].class), r.get("cold", Double.class)));
    }
  }

  private static Low low(Double[] lowest, double cold) {
    return new Low(lowest[0], Instant.ofEpochSecond(lowest[1].longValue()), cold);
  }

  /** What thermometers showed that keep their lowest, each one's readings in order. */
  public List<List<KeptLows.Reading>> kept(
      UUID holding, Collection<UUID> probes, Instant first, Instant last) {
    Map<UUID, List<KeptLows.Reading>> by =
        db.resultQuery(KEPT, probes.toArray(UUID[]::new), holding, first, last)
            .fetchGroups(
                r -> r.get("probe_id", UUID.class),
                r ->
                    new KeptLows.Reading(
                        r.get("at", Instant.class).getEpochSecond(),
                        r.get("celsius", Double.class)));
    return List.copyOf(by.values());
  }
}
