package nightbank.server.loggerfile;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.server.loggerfile.internal.ImportRepository;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Folders into which loggers' files fall: one of a kind that was read in before is read in by
 * itself, any other waits to be looked at.
 */
@Component
public class WatchedFolders {
  private static final Logger LOG = LoggerFactory.getLogger(WatchedFolders.class);
  private static final String WHOSE = ".store";
  private static final String TAKING = ".taking-";
  private static final String TAKEN = "taken";
  private static final String REFUSED = "refused";
  private static final long LARGEST = 200L << 20; // bytes
  private static final int MOST = 20; // files of a folder at one look
  private static final Duration LEFT = Duration.ofMinutes(10); // of a node that has gone
  private static final int SHORT = 8; // letters of an id
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss'-'", Locale.ROOT).withZone(ZoneOffset.UTC);

  private final Imports imports;
  private final ImportRepository repository;
  private final Stores stores;
  private final Path all;
  private final Clock clock;

  /** How each file was when it was last looked at: what still grows is left alone. */
  private final Map<Path, Seen> seen = new HashMap<>();

  WatchedFolders(
      Imports imports, ImportRepository repository, Stores stores, Settings settings, Clock clock) {
    this.imports = imports;
    this.repository = repository;
    this.stores = stores;
    this.clock = clock;
    all = settings.data().toAbsolutePath().normalize().resolve("watched");
  }

  private record Seen(long bytes, FileTime changed) {}

  /**
   * The folder of a store.
   *
   * @param path on the machine that the program runs on, absent where none is watched
   * @param waiting files of the store that wait to be looked at, or could not be read in
   */
  public record WatchedFolder(@Nullable String path, List<WaitingFile> waiting) {}

  /** One file that waits; {@code problem} is empty for one that only wants a look. */
  public record WaitingFile(UUID id, String fileName, Instant at, String problem) {}

  public WatchedFolder of(UUID holding, UUID store) {
    stores.get(holding, store);
    return new WatchedFolder(
        find(store).map(Path::toString).orElse(null),
        repository.waiting(holding, store, clock.instant().minus(Imports.WAITS)).stream()
            .map(r -> new WaitingFile(r.getId(), r.getFileName(), r.getCreatedAt(), r.getProblem()))
            .toList());
  }

  /** Makes the folder, where there is none yet. */
  public WatchedFolder watch(UUID holding, UUID store) {
    String name = stores.get(holding, store).name();
    if (find(store).isEmpty()) {
      String plain = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
      Path folder = all.resolve(plain + "-" + ending(store));
      try {
        Files.createDirectories(folder);
        Files.writeString(folder.resolve(WHOSE), holding + " " + store);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return of(holding, store);
  }

  private static String ending(UUID store) {
    return store.toString().substring(0, SHORT);
  }

  private Optional<Path> find(UUID store) {
    return listed(all).stream()
        .filter(p -> p.getFileName().toString().endsWith("-" + ending(store)))
        .findFirst();
  }

  @Scheduled(initialDelay = 5000, fixedDelay = 5000)
  synchronized void look() {
    for (Path folder : listed(all)) {
      try {
        look(folder);
      } catch (IOException | RuntimeException e) {
        LOG.warn("the folder {} was not looked at: {}", folder.getFileName(), e.toString());
      }
    }
  }

  private void look(Path folder) throws IOException {
    Path whose = folder.resolve(WHOSE);
    if (!Files.exists(whose)) {
      return;
    }
    String[] ids = Files.readString(whose).strip().split(" ", 2);
    UUID holding = UUID.fromString(ids[0]);
    UUID store = UUID.fromString(ids[1]);
    int taken = 0;
    for (Path file : listed(folder)) {
      String name = file.getFileName().toString();
      boolean left =
          name.startsWith(TAKING) && lastChange(file).isBefore(clock.instant().minus(LEFT));
      boolean fresh = !name.startsWith(".") && stands(file);
      if ((left || fresh) && taken++ < MOST) {
        take(holding, store, folder, file, left ? name.substring(TAKING.length()) : name);
      }
    }
  }

  private static Instant lastChange(Path file) throws IOException {
    return Files.getLastModifiedTime(file, LinkOption.NOFOLLOW_LINKS).toInstant();
  }

  /** Whether it is a file that has not grown since the last look. */
  private boolean stands(Path file) throws IOException {
    if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
      return false;
    }
    Seen now = new Seen(Files.size(file), Files.getLastModifiedTime(file));
    boolean same = now.equals(seen.put(file, now));
    if (same) {
      seen.remove(file);
    }
    return same;
  }

  /** Whoever renames it has it: of several nodes one does. */
  private void take(UUID holding, UUID store, Path folder, Path file, String name)
      throws IOException {
    Path taking = folder.resolve(TAKING + name);
    try {
      Files.setLastModifiedTime(file, FileTime.from(clock.instant())); // none takes it for left
      Files.move(file, taking, StandardCopyOption.ATOMIC_MOVE);
    } catch (NoSuchFileException e) {
      return;
    }
    try {
      if (Files.size(taking) > LARGEST) {
        throw Problem.invalid("file", "It is larger than 200 MB.", "Put it there in parts.");
      }
      ImportView in;
      try (InputStream content = Files.newInputStream(taking)) {
        in = imports.accept(holding, store, name, content);
      }
      if (in.remembered()) {
        imports.start(holding, in.id());
      }
      Files.move(taking, place(folder, TAKEN, name), StandardCopyOption.REPLACE_EXISTING);
    } catch (Problem refused) {
      Path to = place(folder, REFUSED, name);
      Files.move(taking, to, StandardCopyOption.REPLACE_EXISTING);
      Files.writeString(
          to.resolveSibling(to.getFileName() + ".why.txt"), refused.getMessage() + "\n");
    } catch (IOException | RuntimeException e) {
      Files.move(taking, folder.resolve(name), StandardCopyOption.REPLACE_EXISTING);
      throw e;
    }
  }

  private Path place(Path folder, String of, String name) throws IOException {
    Path to = folder.resolve(of);
    Files.createDirectories(to);
    return to.resolve(WHEN.format(clock.instant()) + name);
  }

  private static List<Path> listed(Path folder) {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> inside = Files.list(folder)) {
      return inside.sorted().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
