package nightbank.server.nodes;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import nightbank.server.Grounds;
import nightbank.server.OwnCluster;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.awaitility.Awaitility;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Two nodes on one database are one program; one of them goes, and nothing is lost or doubled. */
public class TwoNodesTest {
  private static final int ROWS = 150_000;
  private static final Instant FIRST = Instant.parse("2025-11-01T00:00:00Z");

  private OwnCluster cluster;
  private OwnCluster.Node one;
  private OwnCluster.Node other;
  private Visitor atOne;
  private Visitor atOther;
  private String holding;

  @BeforeClass
  void start() throws IOException {
    cluster = new OwnCluster("two-nodes");
    one = cluster.start();
    other = cluster.start();
    atOne = new Visitor(one.address());
    holding = cluster.begin(atOne);
    atOther = atOne.at(other.address());
  }

  @AfterClass(alwaysRun = true)
  void end() throws IOException, InterruptedException {
    cluster.close();
  }

  private UUID drum() {
    UUID id = UUID.randomUUID();
    Answer made = atOne.post(holding + "/stores", Grounds.drum(id, "Drum " + id));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    return id;
  }

  private static void signal(OwnCluster.Node node, String signal)
      throws IOException, InterruptedException {
    new ProcessBuilder("kill", signal, String.valueOf(node.process.pid())).start().waitFor();
  }

  /** What one node begins while the other one sleeps, and the other one has to end. */
  private void goesOnAtTheOther(Runnable begin) throws IOException, InterruptedException {
    signal(other, "-STOP");
    try {
      begin.run();
      one.kill();
    } finally {
      signal(other, "-CONT");
    }
  }

  private void bothAgain() throws IOException {
    one = cluster.start();
    atOne = atOther.at(one.address());
  }

  @Test
  public void whoSignsInAtOneWorksAtTheOther() {
    UUID id = drum();
    assertThat(atOther.get("/api/me").body().path("person").path("login").asString())
        .isEqualTo("first");
    assertThat(atOther.get(holding + "/stores/" + id).status()).isEqualTo(200);
    atOther.delete("/api/session");
    assertThat(atOne.get(holding + "/stores").status()).as("signed out at both").isEqualTo(401);
    atOne.signIn("first");
  }

  @Test
  public void whatIsReadAtOneIsHeardAtTheOther() throws InterruptedException {
    UUID id = drum();
    BlockingQueue<String> lines = new LinkedBlockingQueue<>();
    Thread listener =
        new Thread(
            () -> {
              try (var in =
                  new BufferedReader(
                      new InputStreamReader(
                          atOther.stream(holding + "/live"), StandardCharsets.UTF_8))) {
                in.lines().forEach(lines::add);
              } catch (IOException | RuntimeException closed) {
                lines.add("closed");
              }
            });
    listener.setDaemon(true);
    listener.start();
    assertThat(lines.poll(20, TimeUnit.SECONDS)).startsWith(":listening");
    Answer kept =
        atOne.post(
            holding + "/readings",
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-12T01:00:00Z\",\"typed\":\"41\"}]}"
                .formatted(Grounds.probeId(id, "core")));
    assertThat(kept.status()).isEqualTo(200);
    String heard = lines.poll(20, TimeUnit.SECONDS);
    while (heard != null && !heard.startsWith("data:")) {
      heard = lines.poll(20, TimeUnit.SECONDS);
    }
    assertThat(heard).contains(Grounds.probeId(id, "core").toString());
  }

  @Test
  public void tooManyPacksAreCountedTogether() {
    UUID id = drum();
    String token =
        atOne
            .post(
                holding + "/devices",
                "{\"name\":\"Shed\",\"channels\":[{\"name\":\"c\",\"probeId\":\"%s\"}]}"
                    .formatted(Grounds.probeId(id, "core")))
            .body()
            .path("token")
            .asString();
    int refused = 0;
    for (int i = 0; i < 80; i++) {
      Visitor v = i % 2 == 0 ? atOne : atOther;
      String pack = "[{\"n\":\"c\",\"u\":\"Cel\",\"v\":20,\"t\":%d}]".formatted(1_768_000_000 + i);
      refused += v.pack(token, pack).status() == 429 ? 1 : 0;
    }
    assertThat(refused).as("of eighty at sixty a minute").isBetween(5, 20);
  }

  private static byte[] longFile() {
    StringBuilder text = new StringBuilder("time;core °C;edge °C\n");
    for (int i = 0; i < ROWS; i++) {
      text.append(FIRST.plusSeconds(30L * i)).append(";4").append(i % 10).append(";3\n");
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  @Test(dependsOnMethods = {"whoSignsInAtOneWorksAtTheOther", "whatIsReadAtOneIsHeardAtTheOther"})
  public void aFileThatOneWasReadingIsReadByTheOtherOnce()
      throws IOException, InterruptedException {
    UUID id = drum();
    Answer accepted = atOne.upload(holding + "/stores/" + id + "/imports", "long.csv", longFile());
    assertThat(accepted.status()).as(accepted.body().toString()).isEqualTo(200);
    String path = holding + "/imports/" + accepted.body().path("id").asString();
    goesOnAtTheOther(
        () -> {
          assertThat(atOne.post(path + "/start", "").status()).isEqualTo(200);
          Awaitility.await()
              .atMost(Duration.ofSeconds(30))
              .pollInterval(Duration.ofMillis(20))
              .until(() -> atOne.get(path).body().path("rowsRead").asLong() > 0);
          assertThat(atOne.get(path).body().path("state").asString()).isEqualTo("RUNNING");
        });
    JsonNode end =
        Awaitility.await()
            .atMost(Duration.ofSeconds(90))
            .until(
                () -> atOther.get(path).body(), b -> !b.path("state").asString().equals("RUNNING"));
    assertThat(end.path("state").asString()).as(end.toString()).isEqualTo("DONE");
    assertThat(end.path("added").asLong()).isEqualTo(2L * ROWS);
    assertThat(atOther.get(holding + "/stores/" + id + "/runs").body().size()).isEqualTo(1);
    assertThat(atOther.get(holding + "/stores/" + id).body().path("probes").size())
        .as("tied to what was there, or made once")
        .isBetween(4, 6);
    bothAgain();
  }

  @Test(dependsOnMethods = "aFileThatOneWasReadingIsReadByTheOtherOnce")
  public void daysThatOneWasJudgingAreJudgedByTheOther() throws IOException, InterruptedException {
    UUID id = drum();
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    Answer accepted = atOne.upload(holding + "/stores/" + id + "/imports", "wrapped.csv", file);
    String path = holding + "/imports/" + accepted.body().path("id").asString();
    atOne.post(path + "/start", "");
    Awaitility.await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> atOne.get(path).body().path("state").asString().equals("DONE"));
    String statement = holding + "/statement?from=2026-01-09&to=2026-01-14&store=" + id;
    goesOnAtTheOther(
        () -> assertThat(atOne.get(statement).body().path("pending").asInt()).isPositive());
    JsonNode settled =
        Awaitility.await()
            .atMost(Duration.ofSeconds(90))
            .until(() -> atOther.get(statement).body(), s -> s.path("pending").asInt(-1) == 0);
    assertThat(settled.path("sums").path("charged").asDouble()).isGreaterThan(1e6);
    bothAgain();
    assertThat(atOne.get(statement).body().path("sums"))
        .as("both say the same")
        .isEqualTo(settled.path("sums"));
  }
}
