package nightbank.server.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.standins.logger.LoggerDevice;
import org.awaitility.Awaitility;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * Program and database as processes of their own, killed without warning while a logger sends: what
 * was acknowledged is there, and everything is there once in the end.
 */
public class KilledTest {
  private static final long T = 1_768_940_040L; // 20 January 2026, a whole minute

  private Path folder;
  private String databasePort;
  private String port;
  private Process program;
  private Visitor keeper;
  private String holding;

  @BeforeClass
  void start() throws IOException, InterruptedException {
    folder = Files.createTempDirectory("nightbank-killed");
    port = pg("free-port").strip();
    pg("start", folder.toString(), "scram");
    databasePort = Files.readString(folder.resolve("db-port")).strip();
    launch();
    keeper = new Visitor(address());
    keeper.get("/api/me");
    Visitor.Answer begun =
        keeper.post(
            "/api/setup",
            """
        {"login":"first","name":"First","password":"three plain words",
         "holding":{"name":"Killed","latitude":57,"longitude":-3,"zone":"UTC"}}
        """);
    assertThat(begun.status()).as(begun.body().toString()).isEqualTo(200);
    keeper.signIn("first");
    holding =
        "/api/holdings/"
            + keeper.get("/api/me").body().path("holdings").path(0).path("id").asString();
  }

  @AfterClass(alwaysRun = true)
  void end() throws IOException, InterruptedException {
    program.destroyForcibly().waitFor();
    pg("stop", folder.toString());
    new ProcessBuilder("rm", "-rf", folder.toString()).start().waitFor();
  }

  private String address() {
    return "http://127.0.0.1:" + port;
  }

  private static String pg(String... words) throws IOException {
    List<String> command = new ArrayList<>(List.of("bash", Program.root() + "/tools/pg.sh"));
    command.addAll(List.of(words));
    Path out = Files.createTempFile("nightbank-pg", ".out");
    try {
      Process p = new ProcessBuilder(command).redirectOutput(out.toFile()).start();
      p.waitFor();
      return Files.readString(out);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(e);
    } finally {
      Files.deleteIfExists(out);
    }
  }

  private void launch() throws IOException {
    ProcessBuilder java =
        new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Xmx400m",
            "-XX:TieredStopAtLevel=1",
            "-cp",
            System.getProperty("java.class.path"),
            "nightbank.server.NightBank",
            "--server.port=" + port,
            "--nightbank.data=" + folder.resolve("data"),
            "--nightbank.judge-ahead=false");
    java.environment().put("NIGHTBANK_DB_PORT", databasePort);
    java.environment()
        .put("NIGHTBANK_DB_PASSWORD", Files.readString(folder.resolve("password")).strip());
    java.redirectErrorStream(true).redirectOutput(folder.resolve("program.log").toFile());
    program = java.start();
    Visitor anybody = new Visitor(address());
    Awaitility.await(folder.resolve("program.log").toString())
        .atMost(Duration.ofSeconds(90))
        .pollInterval(Duration.ofMillis(200))
        .until(() -> answers(anybody));
  }

  private static boolean answers(Visitor v) {
    try {
      return v.get("/api/me").status() == 200;
    } catch (RuntimeException e) {
      return false;
    }
  }

  private interface Blow {
    void fall() throws IOException, InterruptedException;
  }

  /** A logger sends pack after pack; in the middle of it the blow falls, and it goes on sending. */
  private void sendsThrough(Blow blow) throws IOException, InterruptedException {
    UUID drum = UUID.randomUUID();
    assertThat(keeper.post(holding + "/stores", Grounds.drum(drum, "Drum")).status())
        .isEqualTo(200);
    String token =
        keeper
            .post(
                holding + "/devices",
                """
                {"name":"Shed","channels":[{"name":"shed:core","probeId":"%s"},{"name":"shed:edge","probeId":"%s"}]}
                """
                    .formatted(Grounds.probeId(drum, "core"), Grounds.probeId(drum, "edge")))
            .body()
            .path("token")
            .asString();
    try (LoggerDevice logger =
        LoggerDevice.sendingTo(address(), token)
            .channels("shed:", "core", "edge")
            .startingAt(T, 5)) {
      AtomicBoolean fallen = new AtomicBoolean();
      Thread sender =
          new Thread(
              () -> {
                try {
                  for (int i = 0; i < 2000 && !fallen.get(); i++) {
                    logger.run(1);
                  }
                } catch (InterruptedException e) {
                  Thread.currentThread().interrupt();
                }
              });
      sender.start();
      Awaitility.await()
          .atMost(Duration.ofSeconds(30))
          .pollInterval(Duration.ofMillis(1))
          .until(() -> logger.acknowledged() >= 30);
      blow.fall();
      fallen.set(true);
      sender.join();
      int acknowledged = logger.acknowledged();
      assertThat(kept(drum)).as("after the blow").isGreaterThanOrEqualTo(acknowledged);
      for (int i = 0; i < 90 && logger.acknowledged() < logger.measured(); i++) {
        logger.run(1);
        TimeUnit.MILLISECONDS.sleep(logger.acknowledged() < logger.measured() ? 1000 : 0);
      }
      assertThat(logger.acknowledged()).isEqualTo(logger.measured());
      assertThat(kept(drum)).as("in the end").isEqualTo(logger.measured());
    }
  }

  private long kept(UUID drum) {
    JsonNode pack =
        keeper
            .get(
                holding
                    + "/stores/"
                    + drum
                    + "/readings.senml?from=2026-01-20T00:00:00Z&to=2026-02-20T00:00:00Z")
            .body();
    return pack.valueStream().filter(r -> r.has("v")).count();
  }

  @Test
  public void theProgramKilledWhileALoggerSendsLosesNothingAndDoublesNothing()
      throws IOException, InterruptedException {
    sendsThrough(
        () -> {
          program.destroyForcibly().waitFor();
          launch();
          keeper.signIn("first");
        });
  }

  @Test
  public void theDatabaseKilledWhileALoggerSendsLosesNothingAndDoublesNothing()
      throws IOException, InterruptedException {
    sendsThrough(
        () -> {
          String pid = Files.readAllLines(folder.resolve("cluster/postmaster.pid")).get(0).strip();
          new ProcessBuilder("kill", "-9", pid).start().waitFor();
          Awaitility.await()
              .atMost(Duration.ofSeconds(20))
              .until(() -> !Files.exists(Path.of("/proc", pid)));
          pg("start", folder.toString(), "scram", databasePort);
          Awaitility.await()
              .atMost(Duration.ofSeconds(60))
              .until(() -> keeper.get(holding + "/stores").status() == 200);
        });
  }
}
