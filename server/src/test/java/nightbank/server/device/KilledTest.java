package nightbank.server.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import nightbank.server.Grounds;
import nightbank.server.OwnCluster;
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

  private OwnCluster cluster;
  private OwnCluster.Node program;
  private Visitor keeper;
  private String holding;

  @BeforeClass
  void start() throws IOException {
    cluster = new OwnCluster("killed");
    program = cluster.start();
    keeper = new Visitor(program.address());
    holding = cluster.begin(keeper);
  }

  @AfterClass(alwaysRun = true)
  void end() throws IOException, InterruptedException {
    cluster.close();
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
        LoggerDevice.sendingTo(program.address(), token)
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
      Awaitility.await()
          .atMost(Duration.ofSeconds(120))
          .pollInterval(Duration.ofSeconds(1))
          .until(() -> sentAll(logger));
      assertThat(kept(drum)).as("in the end").isEqualTo(logger.measured());
    }
  }

  private static boolean sentAll(LoggerDevice logger) throws InterruptedException {
    logger.run(1);
    return logger.acknowledged() == logger.measured();
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
          program.kill();
          program = cluster.start(program.port);
        });
  }

  @Test
  public void theDatabaseKilledWhileALoggerSendsLosesNothingAndDoublesNothing()
      throws IOException, InterruptedException {
    sendsThrough(
        () -> {
          cluster.killDatabase();
          Awaitility.await()
              .atMost(Duration.ofSeconds(60))
              .until(() -> keeper.get(holding + "/stores").status() == 200);
        });
  }
}
