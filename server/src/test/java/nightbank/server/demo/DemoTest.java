package nightbank.server.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import nightbank.standins.croft.Croft;
import nightbank.standins.logger.HeapLoop;
import nightbank.standins.logger.LoggerDevice;
import org.awaitility.Awaitility;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Quernstone Croft loads, and what the program makes of it is what its own simulation knows. */
public class DemoTest {
  /**
   * Lined glass (132), draught (14) and edge (4) at ten kelvin over outdoors, sky as warm as the
   * air, 2 m/s, W/K, as the stand-in has them.
   */
  private static final double CROFT_LOSS = 150;

  private Program program;
  private Visitor keeper;
  private String holding;
  private String house = "";
  private List<String> truth;

  @BeforeClass
  void croft() throws IOException {
    Path folder = Files.createTempDirectory("croft");
    new Croft().write(folder);
    truth = Files.readAllLines(folder.resolve("truth.csv"));
    program = Program.start(folder.toString());
    keeper = new Visitor(program);
    var me =
        keeper.post("/api/session", "{\"login\":\"keeper\",\"password\":\"quernstone croft\"}");
    holding = "/api/holdings/" + me.body().path("holdings").path(0).path("id").asString();
    for (JsonNode h : keeper.get(holding + "/houses").body()) {
      house = h.path("name").asString().equals("Lean-to") ? h.path("id").asString() : house;
    }
    keeper.get(learned()); // begins to judge every store's days, which takes a while
  }

  private JsonNode store(String name) {
    for (JsonNode s : keeper.get(holding + "/stores").body()) {
      if (s.path("name").asString().equals(name)) {
        return s;
      }
    }
    throw new AssertionError(name);
  }

  private double truthAt(String moment, int column) {
    return truth.stream()
        .filter(r -> r.startsWith(moment))
        .mapToDouble(r -> Double.parseDouble(r.split(",")[column]))
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void allStoresStandThereAsLastRead() {
    assertThat(keeper.get(holding + "/stores").body().size()).isEqualTo(4);
    assertThat(store("Water columns").path("now").path("meanCelsius").asDouble())
        .isCloseTo(truthAt("2026-01-30T15:40", 2), within(0.8));
    assertThat(store("Stone bench").path("now").path("meanCelsius").asDouble())
        .isCloseTo(truthAt("2026-01-30T15:40", 3), within(1.5));
    double above = truthAt("2026-01-30T15:40", 1) - 8;
    assertThat(store("Sand bin").path("now").path("meanCelsius").asDouble() - 8)
        .as("three probes at half height in a bin charged that day")
        .isCloseTo(above, within(0.15 * above));
  }

  @Test
  public void theSandBinsRunIsJudgedAsItsSimulationKnows() {
    JsonNode bin = store("Sand bin");
    for (JsonNode run :
        keeper.get(holding + "/stores/" + bin.path("id").asString() + "/runs").body()) {
      JsonNode j = keeper.get(holding + "/runs/" + run.path("id").asString() + "/judgement").body();
      assertThat(j.path("coolDown").isMissingNode()).isFalse();
      JsonNode at = j.path("at");
      for (int i = 0; i < at.size(); i += Math.max(1, at.size() / 12)) {
        String moment = java.time.Instant.ofEpochSecond(at.path(i).asLong()).toString();
        double known = truthAt(moment.substring(0, 16), 1);
        double half = j.path("meanHalfWidth").path(i).asDouble();
        assertThat(j.path("mean").path(i).asDouble())
            .as(run.path("name").asString() + " at " + moment)
            .isCloseTo(known, within(half));
      }
    }
  }

  @Test
  public void theNightOfTheOpenDoorCanBeFoundInTheLog() {
    JsonNode columns = store("Water columns");
    JsonNode run =
        keeper.get(holding + "/stores/" + columns.path("id").asString() + "/runs").body().path(0);
    JsonNode j = keeper.get(holding + "/runs/" + run.path("id").asString() + "/judgement").body();
    assertThat(j.path("events").toString()).contains("DOOR").contains("Ice on the water dish");
    double coldest = 99;
    for (JsonNode t : j.path("air")) {
      coldest = Math.min(coldest, t.asDouble());
    }
    assertThat(coldest).isLessThan(0);
  }

  @Test
  public void whatTheLoggersDidWrongIsLeftOutByName() {
    UUID bench = UUID.fromString(store("Stone bench").path("id").asString());
    var made =
        keeper.post(
            holding + "/stores/" + bench + "/runs",
            "{\"name\":\"A fault\",\"from\":\"2026-01-19T00:00:00Z\",\"to\":\"2026-01-20T12:00:00Z\"}");
    JsonNode j =
        keeper.get(holding + "/runs/" + made.body().path("id").asString() + "/judgement").body();
    assertThat(j.path("setAside").toString()).contains("FAULT_VALUE");
  }

  @Test
  public void aHeapIsNotJudgedByItsCooling() {
    JsonNode heap = store("Heap, north wall");
    JsonNode run =
        keeper.get(holding + "/stores/" + heap.path("id").asString() + "/runs").body().path(0);
    JsonNode j = keeper.get(holding + "/runs/" + run.path("id").asString() + "/judgement").body();
    assertThat(j.path("findings").toString()).contains("MAKES_HEAT").doesNotContain("HALF_LIFE");
  }

  @Test
  public void tonightAtTheCroftIsAnswered() {
    JsonNode first = keeper.get(holding + "/houses").body().path(0);
    JsonNode night =
        keeper
            .post(
                holding + "/houses/" + first.path("id").asString() + "/tonight",
                "{\"lowCelsius\":-6}")
            .body();
    assertThat(night.path("stores").size()).isEqualTo(4);
    assertThat(night.path("possible").toString()).contains("CIRCUIT");
    assertThat(night.path("liftKelvin").asDouble()).isBetween(1.0, 6.0);
    assertThat(night.path("assumptions").toString()).contains("AIR_READ").contains("EVENING_READ");
  }

  private String learned() {
    return holding + "/houses/" + house + "/nights/learned?from=2026-01-01&to=2026-02-28";
  }

  @Test // its name puts it last
  public void whenAllIsJudgedTheLeanToIsLearnedFromItsNightsAndTheOpenDoorStandsOut() {
    String path = learned();
    JsonNode view =
        Awaitility.await()
            .atMost(Duration.ofSeconds(120))
            .pollInterval(Duration.ofMillis(200))
            .until(() -> keeper.get(path).body(), b -> b.path("pending").asInt(-1) == 0);
    JsonNode learned = view.path("learned");
    assertThat(learned.path("nights").asInt()).isGreaterThan(14);
    List<String> unlike = new ArrayList<>();
    view.path("nights")
        .forEach(
            n -> {
              if (n.path("unlike").asBoolean()) {
                unlike.add(n.path("evening").asString());
              }
            });
    assertThat(unlike).containsExactly("2026-01-20");
    JsonNode loss = learned.path("loss");
    double described = learned.path("describedWattsPerKelvin").asDouble();
    assertThat(loss.path("low").asDouble() * described).isLessThan(CROFT_LOSS);
    assertThat(loss.path("high").asDouble() * described).isGreaterThan(CROFT_LOSS);
    for (JsonNode n : view.path("nights")) {
      if (n.path("evening").asString().equals("2026-01-20")) {
        assertThat(n.path("changesPerHour").asDouble())
            .as("the stand-in's open door changes the air 16 times an hour")
            .isBetween(8.0, 25.0);
      }
    }
  }

  @Test
  public void whatIsLearnedIsReckonedWithAndCanBeTakenBack() {
    JsonNode first = keeper.get(holding + "/houses").body().path(0);
    String path = holding + "/houses/" + first.path("id").asString();
    Answer kept = keeper.get(path);
    String design = kept.body().path("design").toString();
    String factors =
        "{\"skinFactor\":0.8,\"leakFactor\":1.2,\"massFactor\":0.9,\"nights\":20,\"until\":\"2026-01-29\"}";
    String body =
        "{\"id\":\"%s\",\"name\":\"%s\",\"design\":%s}"
            .formatted(first.path("id").asString(), first.path("name").asString(), design);
    Answer learned =
        keeper.put(path, kept.etag(), body.replace("\"learned\":null", "\"learned\":" + factors));
    assertThat(learned.status()).as(learned.body().toString()).isEqualTo(200);
    assertThat(learned.body().path("lossWattsPerKelvin").asDouble())
        .isLessThan(0.9 * kept.body().path("lossWattsPerKelvin").asDouble());
    Answer wrong =
        keeper.put(
            path,
            learned.etag(),
            body.replace("\"learned\":null", "\"learned\":" + factors.replace("0.8", "-3")));
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.body().path("field").asString()).isEqualTo("design.learned");
    assertThat(keeper.put(path, learned.etag(), body).body().path("lossWattsPerKelvin").asDouble())
        .isEqualTo(kept.body().path("lossWattsPerKelvin").asDouble());
  }

  @Test
  public void theDemosLoggerHasATokenAndItsReadingsSayWhatTheHeapsLoopDoes()
      throws IOException, InterruptedException {
    String token = Files.readString(program.folder().resolve("data/logger.token")).strip();
    try (LoggerDevice logger =
        LoggerDevice.sendingTo(program.address(), token)
            .at(new HeapLoop())
            .channels("heaploop:", "in", "out")) {
      logger.follow(20, 0);
      assertThat(logger.acknowledged()).isEqualTo(40);
    }
    JsonNode heap = store("Heap, north wall");
    for (JsonNode p : heap.path("probes")) {
      assertThat(heap.path("now").path("latest").toString()).contains(p.path("id").asString());
    }
    assertThat(keeper.get(holding + "/devices").body().path(0).path("lastProblem").asString(""))
        .isEmpty();
  }

  /** The stand-in's heap makes 53 kWh in these days, by shells of a half ball. */
  @Test
  public void whatTheHeapMakesIsNotTakenForTightFaces() {
    String heap = store("Heap, north wall").path("id").asString();
    JsonNode run = keeper.get(holding + "/stores/" + heap + "/runs").body().path(0);
    JsonNode sheet =
        keeper.get(holding + "/runs/" + run.path("id").asString() + "/judgement").body();
    assertThat(sheet.path("ledger").path("charged").asDouble() / 3.6e6).isBetween(30.0, 90.0);
  }

  private JsonNode statement(String store) {
    return Awaitility.await()
        .atMost(Duration.ofSeconds(90))
        .pollInterval(Duration.ofSeconds(1))
        .until(
            () ->
                keeper
                    .get(
                        holding
                            + "/statement?from=2026-01-10&to=2026-01-29&store="
                            + store(store).path("id").asString())
                    .body(),
            s -> s.path("pending").asInt() == 0)
        .path("sums");
  }

  /** By the stand-in 63 kWh of sun got into the columns in these days. */
  @Test
  public void theSunsDepositsAreTold() {
    JsonNode sums = statement("Water columns");
    assertThat(sums.path("charged").asDouble() / 3.6e6).isBetween(50.0, 76.0);
    assertThat(Math.abs(sums.path("residual").asDouble())).isLessThan(5 * 3.6e6);
  }

  @Test
  public void littleOfWhatAHeapMadeIsUnaccounted() {
    JsonNode sums = statement("Heap, north wall");
    assertThat(Math.abs(sums.path("residual").asDouble()))
        .isLessThan(0.05 * sums.path("own").asDouble());
  }
}
