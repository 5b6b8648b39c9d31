package nightbank.server.backup;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.attack.Inhabited;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** All of it as one file while people write, and back on a machine that has nothing. */
public class BackupTest {
  /** What passes by itself, and may differ by the time it is looked at. */
  private static final Set<String> PASSING =
      Set.of("spring_session", "spring_session_attributes", "allowance", "job");

  /** What the load goes on to write. */
  private static final Set<String> GROWING = Set.of("reading", "change");

  private Program program;
  private Grounds own;
  private UUID store;
  private Path work;
  private Path file;
  private Path elsewhere;
  private int before;

  @BeforeClass
  void writtenUnderLoad() throws IOException, InterruptedException {
    program = Program.start("");
    own = Grounds.fresh(program);
    store = Inhabited.of(own).get("storeId");
    work = Files.createTempDirectory("nightbank-backup");
    file = work.resolve("all.dump");
    AtomicInteger taken = new AtomicInteger();
    ScheduledExecutorService hand = Executors.newScheduledThreadPool(1);
    hand.scheduleWithFixedDelay(() -> read(taken), 0, 5, TimeUnit.MILLISECONDS);
    Awaitility.await().until(() -> taken.get() > 20);
    before = taken.get();
    assertThat(tool("backup", "write", program.folder(), file)).isZero();
    int after = taken.get();
    Awaitility.await().until(() -> taken.get() > after + 5);
    hand.shutdown();
    assertThat(hand.awaitTermination(30, TimeUnit.SECONDS)).isTrue();
    elsewhere = Files.createTempDirectory("nightbank-elsewhere");
    assertThat(tool("pg", "start", elsewhere, "trust")).isZero();
  }

  @AfterClass(alwaysRun = true)
  void end() throws IOException, InterruptedException {
    tool("pg", "stop", elsewhere);
    program.stopProgram();
    program.stopDatabase();
  }

  private void read(AtomicInteger taken) {
    int n = taken.get();
    int status =
        own.keeper
            .post(
                own.path("/readings"),
                "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%d\"}]}"
                    .formatted(
                        Grounds.probeId(store, "edge"),
                        Instant.parse("2026-02-01T00:00:00Z").plusSeconds(60L * n),
                        10 + n % 30))
            .status();
    if (status == 200) {
      taken.incrementAndGet();
    }
  }

  private static int tool(String name, Object... words) throws IOException, InterruptedException {
    List<String> command =
        new java.util.ArrayList<>(List.of("bash", Program.root() + "/tools/" + name + ".sh"));
    Arrays.stream(words).map(Object::toString).forEach(command::add);
    return new ProcessBuilder(command)
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .start()
        .waitFor();
  }

  private static DSLContext database(Path folder) throws IOException {
    String port = Files.readString(folder.resolve("db-port")).strip();
    return DSL.using("jdbc:postgresql://127.0.0.1:" + port + "/postgres?user=nightbank");
  }

  private static Set<String> rows(DSLContext db, String table) {
    return new HashSet<>(
        db.fetch("SELECT t::text FROM " + table + " t").getValues(0, String.class));
  }

  @Test
  public void comesBackRowByRow() throws IOException, InterruptedException {
    assertThat(tool("backup", "read", elsewhere, file)).isZero();
    DSLContext here = database(program.folder());
    DSLContext there = database(elsewhere);
    List<String> tables =
        here.fetch(
                "SELECT relname FROM pg_class WHERE relkind IN ('r', 'p') AND NOT relispartition"
                    + " AND relnamespace = 'public'::regnamespace")
            .getValues(0, String.class);
    assertThat(tables).contains("holding", "heat_store", "event", "run", "import_file", "device");
    for (String table : tables) {
      if (GROWING.contains(table)) {
        assertThat(rows(here, table)).as(table).containsAll(rows(there, table));
      } else if (!PASSING.contains(table)) {
        assertThat(rows(there, table)).as(table).isEqualTo(rows(here, table));
      }
    }
    assertThat(rows(there, "reading").stream().filter(r -> r.contains("2026-02-01")))
        .hasSizeGreaterThan(before - 1);
  }

  @Test(dependsOnMethods = "comesBackRowByRow")
  public void whereThereIsARecordNothingIsReadIn() throws IOException, InterruptedException {
    Set<String> stores = rows(database(elsewhere), "heat_store");
    assertThat(tool("backup", "read", elsewhere, file)).isEqualTo(6);
    assertThat(rows(database(elsewhere), "heat_store")).isEqualTo(stores);
  }

  @Test
  public void aFileThatWasCutOffOrIsNoneIsRefused() throws IOException, InterruptedException {
    byte[] all = Files.readAllBytes(file);
    Path cut = work.resolve("cut.dump");
    Files.write(cut, Arrays.copyOf(all, all.length - 2000));
    Path none = work.resolve("none.dump");
    Files.writeString(none, "no backup", StandardOpenOption.CREATE);
    assertThat(tool("backup", "check", cut)).isEqualTo(5);
    assertThat(tool("backup", "check", none)).isEqualTo(5);
    assertThat(tool("backup", "check", file)).isZero();
  }

  @Test
  public void oneADayIsKeptForSoLong() throws IOException, InterruptedException {
    Path old = program.folder().resolve("backups/nightbank-2020-01-01.dump");
    Files.createDirectories(old.getParent());
    Files.writeString(old, "");
    Files.setLastModifiedTime(
        old, java.nio.file.attribute.FileTime.from(Instant.now().minusSeconds(20 * 86_400L)));
    assertThat(tool("backup", "daily", program.folder(), 14)).isZero();
    assertThat(tool("backup", "daily", program.folder(), 14)).isZero();
    try (var files = Files.list(old.getParent())) {
      assertThat(files.map(p -> p.getFileName().toString()).toList())
          .singleElement()
          .asString()
          .matches("nightbank-\\d{4}-\\d\\d-\\d\\d\\.dump");
    }
  }
}
