package nightbank.server.broker.internal;

import static nightbank.db.Tables.BROKER_ARRIVAL;
import static nightbank.db.Tables.BROKER_LISTENER;
import static nightbank.db.Tables.HOLDING;
import static org.jooq.impl.DSL.excluded;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.select;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Who listens, and what came. Times of the listener are the database's: nodes share it. */
@Repository
public class BrokerRepository {
  /** Channels of a holding. */
  public static final int MOST = 300;

  private static final Field<Instant> NOW = field("now()", Instant.class);

  private final DSLContext db;

  BrokerRepository(DSLContext db) {
    this.db = db;
  }

  /** What came over a channel. */
  public record Arrival(String channel, String said, @Nullable Double celsius, Instant at) {}

  /** Holdings of this name or id, all where it is blank; two at most. */
  public List<UUID> holdings(String named) {
    return db.select(HOLDING.ID)
        .from(HOLDING)
        .where(
            named.isBlank()
                ? HOLDING.ID.isNotNull()
                : HOLDING.NAME.eq(named).or(HOLDING.ID.cast(String.class).eq(named)))
        .orderBy(HOLDING.ID)
        .limit(2)
        .fetch(HOLDING.ID);
  }

  /** Whether a node may listen from now on for so long: it does already, or nobody does. */
  public boolean mayListen(UUID node, Duration howLong) {
    Field<Instant> until =
        field("now() + ?::interval", Instant.class, howLong.toSeconds() + " seconds");
    return db.insertInto(BROKER_LISTENER)
            .set(BROKER_LISTENER.NODE, node)
            .set(BROKER_LISTENER.UNTIL_AT, until)
            .onConflict(BROKER_LISTENER.ONE)
            .doUpdate()
            .set(BROKER_LISTENER.NODE, node)
            .set(BROKER_LISTENER.UNTIL_AT, until)
            .where(BROKER_LISTENER.NODE.eq(node))
            .or(BROKER_LISTENER.UNTIL_AT.lt(NOW))
            .execute()
        == 1;
  }

  public void leave(UUID node) {
    db.deleteFrom(BROKER_LISTENER).where(BROKER_LISTENER.NODE.eq(node)).execute();
  }

  public void problem(UUID node, String problem) {
    db.update(BROKER_LISTENER)
        .set(BROKER_LISTENER.PROBLEM, problem)
        .where(BROKER_LISTENER.NODE.eq(node))
        .execute();
  }

  /** What keeps whoever listens from hearing, empty for nothing; absent where nobody listens. */
  public Optional<String> problem() {
    return db.select(BROKER_LISTENER.PROBLEM)
        .from(BROKER_LISTENER)
        .where(BROKER_LISTENER.UNTIL_AT.ge(NOW))
        .fetchOptional(BROKER_LISTENER.PROBLEM);
  }

  /** Keeps the latest of each channel, and of channels those that said something last. */
  public void came(UUID holding, Collection<Arrival> arrivals) {
    db.batch(
            arrivals.stream()
                .map(
                    a ->
                        db.insertInto(BROKER_ARRIVAL)
                            .set(BROKER_ARRIVAL.HOLDING_ID, holding)
                            .set(BROKER_ARRIVAL.CHANNEL, a.channel())
                            .set(BROKER_ARRIVAL.SAID, a.said())
                            .set(BROKER_ARRIVAL.CELSIUS, a.celsius())
                            .set(BROKER_ARRIVAL.AT, a.at())
                            .onConflict(BROKER_ARRIVAL.HOLDING_ID, BROKER_ARRIVAL.CHANNEL)
                            .doUpdate()
                            .set(
                                Map.of(
                                    BROKER_ARRIVAL.SAID, excluded(BROKER_ARRIVAL.SAID),
                                    BROKER_ARRIVAL.CELSIUS, excluded(BROKER_ARRIVAL.CELSIUS),
                                    BROKER_ARRIVAL.AT, excluded(BROKER_ARRIVAL.AT))))
                .toList())
        .execute();
    db.deleteFrom(BROKER_ARRIVAL)
        .where(BROKER_ARRIVAL.HOLDING_ID.eq(holding))
        .and(
            BROKER_ARRIVAL.CHANNEL.notIn(
                select(BROKER_ARRIVAL.CHANNEL)
                    .from(BROKER_ARRIVAL)
                    .where(BROKER_ARRIVAL.HOLDING_ID.eq(holding))
                    .orderBy(BROKER_ARRIVAL.AT.desc())
                    .limit(MOST)))
        .execute();
  }

  public List<Arrival> arrivals(UUID holding) {
    return db.selectFrom(BROKER_ARRIVAL)
        .where(BROKER_ARRIVAL.HOLDING_ID.eq(holding))
        .orderBy(BROKER_ARRIVAL.CHANNEL)
        .fetch(r -> new Arrival(r.getChannel(), r.getSaid(), r.getCelsius(), r.getAt()));
  }
}
