package nightbank.server.health;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.server.broker.Broker;
import nightbank.server.broker.BrokerView;
import nightbank.server.device.DeviceView;
import nightbank.server.device.Devices;
import nightbank.server.health.internal.HealthRepository;
import nightbank.server.shared.Settings;
import nightbank.server.weather.Weathers;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What the program needs to go on working, looked at now. */
@Service
public class Health {
  private static final long LEAST_FREE = 1L << 30; // bytes
  private static final Duration BACKED_UP = Duration.ofHours(36);
  private static final Duration TOLD = Duration.ofHours(12); // of a forecast
  private static final Duration AHEAD = Duration.ofHours(12);

  private final HealthRepository repository;
  private final Devices devices;
  private final Weathers weathers;
  private final Broker broker;
  private final Settings settings;
  private final Clock clock;

  Health(
      HealthRepository repository,
      Devices devices,
      Weathers weathers,
      Broker broker,
      Settings settings,
      Clock clock) {
    this.repository = repository;
    this.devices = devices;
    this.weathers = weathers;
    this.broker = broker;
    this.settings = settings;
    this.clock = clock;
  }

  /** What is looked at. */
  public enum Of {
    DATABASE,
    DISK,
    BACKUP,
    FORECAST,
    LOGGER,
    BROKER
  }

  /**
   * One thing.
   *
   * @param name of a logger; empty for all else
   * @param bytes used by the database, free on the disk; absent for all else
   * @param last when it was last heard of; absent where never, or where it has no such moment
   */
  public record HealthItem(
      Of of, String name, boolean well, @Nullable Long bytes, @Nullable Instant last) {}

  /** All of it, in the order in which it matters. */
  public List<HealthItem> of(UUID holding) {
    List<HealthItem> all = new ArrayList<>();
    all.add(new HealthItem(Of.DATABASE, "", true, repository.size(), null));
    all.add(disk());
    all.add(backup());
    Instant now = clock.instant();
    Instant told = weathers.between(holding, now, now.plus(AHEAD)).knownAt();
    all.add(new HealthItem(Of.FORECAST, "", since(told, TOLD, now), null, told));
    for (DeviceView d : devices.all(holding)) {
      if (d.revokedAt() == null) {
        boolean well = d.heardLately(now) && d.lastProblem().isEmpty();
        all.add(new HealthItem(Of.LOGGER, d.name(), well, null, d.lastSeenAt()));
      }
    }
    BrokerView.State heard = broker.view(holding).state();
    if (heard != BrokerView.State.NONE) {
      boolean well = heard == BrokerView.State.HEARD;
      all.add(new HealthItem(Of.BROKER, "", well, null, null));
    }
    return all;
  }

  private static boolean since(@Nullable Instant last, Duration most, Instant now) {
    return last != null && !last.isBefore(now.minus(most));
  }

  private HealthItem disk() {
    try {
      Path there = settings.data().toAbsolutePath();
      Files.createDirectories(there);
      long free = Files.getFileStore(there).getUsableSpace();
      return new HealthItem(Of.DISK, "", free >= LEAST_FREE, free, null);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** By the machine's own clock: a demo's stands still. */
  private HealthItem backup() {
    Path folder = settings.data().toAbsolutePath().resolveSibling("backups");
    Instant last = newest(folder).orElse(null);
    return new HealthItem(Of.BACKUP, "", since(last, BACKED_UP, Instant.now()), null, last);
  }

  private static Optional<Instant> newest(Path folder) {
    if (!Files.isDirectory(folder)) {
      return Optional.empty();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(f -> f.toString().endsWith(".dump"))
          .map(f -> f.toFile().lastModified())
          .max(Long::compare)
          .map(Instant::ofEpochMilli);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
