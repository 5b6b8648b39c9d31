package nightbank.server.device.internal;

import static nightbank.db.Tables.DEVICE;
import static nightbank.db.Tables.DEVICE_CHANNEL;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.device.DeviceView;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Devices and their channels. */
@Repository
public class DeviceRepository {
  private final DSLContext db;

  DeviceRepository(DSLContext db) {
    this.db = db;
  }

  /** Who sends. */
  public record Known(UUID id, UUID holdingId, Instant revokedAt) {}

  /** What a channel is tied to. */
  public record Tied(UUID device, UUID probe) {}

  public List<DeviceView> all(UUID holding) {
    Map<UUID, List<DeviceView.DeviceChannel>> channels =
        db.selectFrom(DEVICE_CHANNEL)
            .where(DEVICE_CHANNEL.HOLDING_ID.eq(holding))
            .orderBy(DEVICE_CHANNEL.NAME)
            .fetchGroups(
                DEVICE_CHANNEL.DEVICE_ID,
                r ->
                    new DeviceView.DeviceChannel(
                        r.get(DEVICE_CHANNEL.NAME), r.get(DEVICE_CHANNEL.PROBE_ID)));
    return db.selectFrom(DEVICE)
        .where(DEVICE.HOLDING_ID.eq(holding))
        .orderBy(DEVICE.CREATED_AT)
        .fetch(
            r ->
                new DeviceView(
                    r.getId(),
                    r.getName(),
                    r.getCreatedAt(),
                    r.getRevokedAt(),
                    r.getLastSeenAt(),
                    r.getLastProblem(),
                    r.getTokenHash() == null,
                    channels.getOrDefault(r.getId(), List.of()),
                    null));
  }

  public Optional<Known> byToken(String hash) {
    return db.select(DEVICE.ID, DEVICE.HOLDING_ID, DEVICE.REVOKED_AT)
        .from(DEVICE)
        .where(DEVICE.TOKEN_HASH.eq(hash))
        .fetchOptional(r -> new Known(r.value1(), r.value2(), r.value3()));
  }

  /** Whose channels come over the broker, by channel. */
  public Map<String, Tied> overBroker(UUID holding) {
    return db.select(DEVICE_CHANNEL.NAME, DEVICE_CHANNEL.DEVICE_ID, DEVICE_CHANNEL.PROBE_ID)
        .from(DEVICE_CHANNEL)
        .join(DEVICE)
        .on(DEVICE.ID.eq(DEVICE_CHANNEL.DEVICE_ID))
        .where(DEVICE.HOLDING_ID.eq(holding))
        .and(DEVICE.TOKEN_HASH.isNull())
        .and(DEVICE.REVOKED_AT.isNull())
        .fetchMap(DEVICE_CHANNEL.NAME, r -> new Tied(r.value2(), r.value3()));
  }

  public boolean insert(
      UUID holding, UUID id, String name, @Nullable String tokenHash, Instant now) {
    return db.insertInto(DEVICE)
            .set(DEVICE.ID, id)
            .set(DEVICE.HOLDING_ID, holding)
            .set(DEVICE.NAME, name)
            .set(DEVICE.TOKEN_HASH, tokenHash)
            .set(DEVICE.CREATED_AT, now)
            .onConflictDoNothing()
            .execute()
        == 1;
  }

  public void rename(UUID holding, UUID id, String name) {
    db.update(DEVICE)
        .set(DEVICE.NAME, name)
        .where(DEVICE.HOLDING_ID.eq(holding))
        .and(DEVICE.ID.eq(id))
        .execute();
  }

  public void revoke(UUID holding, UUID id, Instant now) {
    db.update(DEVICE)
        .set(DEVICE.REVOKED_AT, now)
        .where(DEVICE.HOLDING_ID.eq(holding))
        .and(DEVICE.ID.eq(id))
        .and(DEVICE.REVOKED_AT.isNull())
        .execute();
  }

  /** May send again with the token that it had. */
  public void allow(UUID holding, UUID id) {
    db.update(DEVICE)
        .setNull(DEVICE.REVOKED_AT)
        .where(DEVICE.HOLDING_ID.eq(holding))
        .and(DEVICE.ID.eq(id))
        .execute();
  }

  public void channels(UUID holding, UUID id, List<DeviceView.DeviceChannel> channels) {
    db.deleteFrom(DEVICE_CHANNEL)
        .where(DEVICE_CHANNEL.HOLDING_ID.eq(holding))
        .and(DEVICE_CHANNEL.DEVICE_ID.eq(id))
        .execute();
    for (DeviceView.DeviceChannel c : channels) {
      db.insertInto(DEVICE_CHANNEL)
          .set(DEVICE_CHANNEL.DEVICE_ID, id)
          .set(DEVICE_CHANNEL.HOLDING_ID, holding)
          .set(DEVICE_CHANNEL.NAME, c.name())
          .set(DEVICE_CHANNEL.PROBE_ID, c.probeId())
          .execute();
    }
  }

  public Map<String, UUID> channelsOf(UUID device) {
    return db.select(DEVICE_CHANNEL.NAME, DEVICE_CHANNEL.PROBE_ID)
        .from(DEVICE_CHANNEL)
        .where(DEVICE_CHANNEL.DEVICE_ID.eq(device))
        .fetchMap(DEVICE_CHANNEL.NAME, DEVICE_CHANNEL.PROBE_ID);
  }

  public void seen(UUID device, Instant now, @Nullable String problem) {
    db.update(DEVICE)
        .set(DEVICE.LAST_SEEN_AT, now)
        .set(DEVICE.LAST_PROBLEM, problem)
        .where(DEVICE.ID.eq(device))
        .execute();
  }
}
