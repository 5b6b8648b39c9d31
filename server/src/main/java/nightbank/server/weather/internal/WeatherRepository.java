package nightbank.server.weather.internal;

import static nightbank.db.Tables.HOURLY_WEATHER;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.weather.HourlyWeather;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Hours of weather, newest word kept. */
@Repository
public class WeatherRepository {
  private final DSLContext db;

  WeatherRepository(DSLContext db) {
    this.db = db;
  }

  @Transactional
  public void save(UUID holding, String source, List<HourlyWeather> hours, Instant knownAt) {
    var rows =
        hours.stream()
            .map(
                h ->
                    DSL.row(
                        holding,
                        source,
                        h.at(),
                        h.celsius(),
                        h.wind(),
                        h.cloud(),
                        h.dewPoint(),
                        knownAt))
            .toList();
    db.insertInto(
            HOURLY_WEATHER,
            HOURLY_WEATHER.HOLDING_ID,
            HOURLY_WEATHER.SOURCE,
            HOURLY_WEATHER.AT,
            HOURLY_WEATHER.CELSIUS,
            HOURLY_WEATHER.WIND,
            HOURLY_WEATHER.CLOUD,
            HOURLY_WEATHER.DEW_POINT,
            HOURLY_WEATHER.KNOWN_AT)
        .valuesOfRows(rows)
        .onConflict(HOURLY_WEATHER.HOLDING_ID, HOURLY_WEATHER.SOURCE, HOURLY_WEATHER.AT)
        .doUpdate()
        .setAllToExcluded()
        .execute();
  }

  public List<HourlyWeather> between(UUID holding, String source, Instant from, Instant to) {
    return db.select(
            HOURLY_WEATHER.AT,
            HOURLY_WEATHER.CELSIUS,
            HOURLY_WEATHER.WIND,
            HOURLY_WEATHER.CLOUD,
            HOURLY_WEATHER.DEW_POINT)
        .from(HOURLY_WEATHER)
        .where(HOURLY_WEATHER.HOLDING_ID.eq(holding))
        .and(HOURLY_WEATHER.SOURCE.eq(source))
        .and(HOURLY_WEATHER.AT.between(from, to))
        .orderBy(HOURLY_WEATHER.AT)
        .limit(5000)
        .fetch(org.jooq.Records.mapping(HourlyWeather::new));
  }

  /** When the newest word about any hour from then on came. */
  public Optional<Instant> knownAt(UUID holding, String source, Instant from) {
    return db.select(DSL.max(HOURLY_WEATHER.KNOWN_AT))
        .from(HOURLY_WEATHER)
        .where(HOURLY_WEATHER.HOLDING_ID.eq(holding))
        .and(HOURLY_WEATHER.SOURCE.eq(source))
        .and(HOURLY_WEATHER.AT.ge(from))
        .fetchOptional(r -> r.value1());
  }
}
