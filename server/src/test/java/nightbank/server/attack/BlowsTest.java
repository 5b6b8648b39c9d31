package nightbank.server.attack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import nightbank.server.Grounds;
import nightbank.server.OwnCluster;
import nightbank.server.Visitor;
import nightbank.standins.logger.LoggerDevice;
import org.awaitility.Awaitility;
import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * Four who write while program and database are killed again and again, the database stands still,
 * and its disk is full. How often is said by {@code attack.blows}.
 */
public class BlowsTest {
  private static final int BLOWS = Integer.getInteger("attack.blows", 1);
  private static final int WRITERS = 4;
  private static final long T = 1_768_940_040L; // 20 January 2026, a whole minute

  private Path disk;
  private OwnCluster cluster;
  private OwnCluster.Node program;
  private Visitor keeper;
  private String holding;
  private final List<Writer> writers = new ArrayList<>();
  private final ScheduledExecutorService hands = Executors.newScheduledThreadPool(WRITERS);

  private final class Writer {
    final UUID drum = UUID.randomUUID();
    final LoggerDevice logger;

    Writer(int n) {
      keeper.post(holding + "/stores", Grounds.drum(drum, "Drum " + n));
      String token =
          keeper
              .post(
                  holding + "/devices",
                  "{\"name\":\"W%d\",\"channels\":[{\"name\":\"w:core\",\"probeId\":\"%s\"},{\"name\":\"w:edge\",\"probeId\":\"%s\"}]}"
                      .formatted(n, Grounds.probeId(drum, "core"), Grounds.probeId(drum, "edge")))
              .body()
              .path("token")
              .asString();
      logger =
          LoggerDevice.sendingTo(program.address(), token)
              .channels("w:", "core", "edge")
              .startingAt(T, n);
    }

    private void write() {
      try {
        logger.run(1);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }

    long kept() {
      return keeper
          .get(
              holding
                  + "/stores/"
                  + drum
                  + "/readings.senml?from=2026-01-20T00:00:00Z&to=2027-01-20T00:00:00Z")
          .body()
          .valueStream()
          .filter(r -> r.has("v"))
          .count();
    }
  }

  @BeforeClass
  void start() throws IOException, InterruptedException {
    disk = Files.createTempDirectory("nightbank-disk");
    if (call("mount", "-t", "tmpfs", "-o", "size=450m", "tmpfs", disk.toString()) != 0) {
      throw new SkipException("no disk of its own may be had here");
    }
    cluster = new OwnCluster(disk);
    program = cluster.start();
    keeper = new Visitor(program.address());
    holding = cluster.begin(keeper);
    for (int n = 0; n < WRITERS; n++) {
      writers.add(new Writer(n));
    }
    writers.forEach(w -> hands.scheduleWithFixedDelay(w::write, 0, 20, TimeUnit.MILLISECONDS));
  }

  @AfterClass(alwaysRun = true)
  void end() throws IOException, InterruptedException {
    hands.shutdownNow();
    if (cluster != null) {
      cluster.close();
    }
    call("umount", disk.toString());
    Files.deleteIfExists(disk);
  }

  private static int call(String... words) throws IOException, InterruptedException {
    return new ProcessBuilder(words).start().waitFor();
  }

  /** Somebody has been let in since. */
  private void goesOn(String when) {
    int before = writers.stream().mapToInt(w -> w.logger.acknowledged()).sum();
    Awaitility.await(when)
        .atMost(Duration.ofSeconds(90))
        .until(
            () -> writers.stream().mapToInt(w -> w.logger.acknowledged()).sum() > before + WRITERS);
  }

  @Test
  public void killedAgainAndAgainTheProgramComesBack() throws IOException, InterruptedException {
    for (int i = 0; i < BLOWS; i++) {
      goesOn("before the program's blow " + i);
      program.kill();
      program = cluster.start(program.port);
    }
    goesOn("after the program's blows");
  }

  @Test(dependsOnMethods = "killedAgainAndAgainTheProgramComesBack")
  public void killedAgainAndAgainTheDatabaseComesBack() throws IOException, InterruptedException {
    for (int i = 0; i < BLOWS; i++) {
      goesOn("before the database's blow " + i);
      cluster.killDatabase();
    }
    goesOn("after the database's blows");
  }

  @Test(dependsOnMethods = "killedAgainAndAgainTheDatabaseComesBack")
  public void aDatabaseThatStandsStillIsToldOfAndHoldsNobody() throws IOException {
    cluster.freezeDatabase(true);
    try {
      List<Integer> told = new ArrayList<>();
      for (int i = 0; i < 3; i++) {
        long begun = System.nanoTime();
        told.add(keeper.get(holding + "/stores").status());
        assertThat((System.nanoTime() - begun) / 1e9).as("s until it is told").isLessThan(25);
      }
      assertThat(told).containsOnly(503);
    } finally {
      cluster.freezeDatabase(false);
    }
    goesOn("after it stood still");
  }

  @Test(dependsOnMethods = "aDatabaseThatStandsStillIsToldOfAndHoldsNobody")
  public void aFullDiskIsToldOfAndLosesNothing() throws IOException {
    Path filler = disk.resolve("filler");
    AtomicInteger refused = new AtomicInteger();
    try (OutputStream out = Files.newOutputStream(filler)) {
      byte[] some = new byte[1 << 16];
      while (true) {
        out.write(some);
      }
    } catch (IOException full) {
      Awaitility.await("until a reading is refused")
          .atMost(Duration.ofSeconds(120))
          .until(() -> refuses(refused));
    } finally {
      Files.deleteIfExists(filler);
    }
    assertThat(refused.get()).isBetween(500, 507);
    cluster.lookAfterDatabase();
    goesOn("with room again");
  }

  /** A photo's weight in notes: what is already laid out on the disk runs out soon. */
  private boolean refuses(AtomicInteger status) {
    for (int i = 0; i < 40; i++) {
      int s =
          keeper
              .post(
                  holding + "/events",
                  "{\"id\":\"%s\",\"kind\":\"NOTE\",\"at\":\"2026-01-21T08:00:00Z\",\"note\":\"%s\"}"
                      .formatted(UUID.randomUUID(), noise()))
              .status();
      status.set(s);
      if (s >= 500) {
        return true;
      }
    }
    return false;
  }

  private static String noise() {
    return Stream.generate(() -> UUID.randomUUID().toString()).limit(50).reduce("", String::concat);
  }

  @Test(dependsOnMethods = "aFullDiskIsToldOfAndLosesNothing", alwaysRun = true)
  public void whatWasAcknowledgedIsThereOnce() throws InterruptedException {
    if (cluster == null) {
      throw new SkipException("no disk of its own may be had here");
    }
    hands.shutdown();
    assertThat(hands.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
    for (Writer w : writers) {
      Awaitility.await()
          .atMost(Duration.ofSeconds(120))
          .until(
              () -> {
                w.logger.run(1);
                return w.logger.acknowledged() == w.logger.measured();
              });
      assertThat(w.kept()).isEqualTo(w.logger.measured());
    }
  }
}
