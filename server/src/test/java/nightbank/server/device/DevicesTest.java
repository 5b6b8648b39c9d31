package nightbank.server.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import nightbank.standins.logger.LoggerDevice;
import org.awaitility.Awaitility;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Loggers that send SenML by themselves. */
public class DevicesTest {
  private static final long T = 1_768_940_000L; // 20 January 2026

  private Grounds grounds;
  private UUID drum;
  private String id;
  private String token;
  private final Visitor wire = new Visitor(Program.shared());

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  @BeforeMethod
  void device() {
    drum = grounds.newDrum();
    Answer made =
        grounds.keeper.post(
            grounds.path("/devices"),
            """
            {"name":"Shed logger","channels":[
             {"name":"urn:dev:shed:core","probeId":"%s"},{"name":"urn:dev:shed:edge","probeId":"%s"}]}
            """
                .formatted(Grounds.probeId(drum, "core"), Grounds.probeId(drum, "edge")));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    token = made.body().path("token").asString();
    id = made.body().path("id").asString();
  }

  private double latest(String probe) {
    JsonNode store = grounds.keeper.get(grounds.path("/stores/" + drum)).body();
    for (JsonNode l : store.path("now").path("latest")) {
      if (l.path("probeId").asString().equals(Grounds.probeId(drum, probe).toString())) {
        return l.path("celsius").asDouble();
      }
    }
    return Double.NaN;
  }

  @Test
  public void basesUnitsAndTimesAreResolved() {
    Answer a =
        wire.pack(
            token,
            """
            [{"bn":"urn:dev:shed:","bt":%d,"bu":"Cel","n":"core","v":41.5},
             {"n":"edge","t":-60,"u":"degF","v":77},
             {"n":"edge","t":0,"u":"K","v":300.15}]
            """
                .formatted(T));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    assertThat(a.body().path("added").asInt()).isEqualTo(3);
    assertThat(latest("core")).isCloseTo(41.5, within(1e-9));
    assertThat(latest("edge")).isCloseTo(27, within(1e-9));
  }

  @Test
  public void aPackSentTwiceOrOutOfOrderChangesNothing() {
    String late =
        "[{\"n\":\"urn:dev:shed:core\",\"u\":\"Cel\",\"t\":%d,\"v\":20}]".formatted(T + 60);
    String early = "[{\"n\":\"urn:dev:shed:core\",\"u\":\"Cel\",\"t\":%d,\"v\":10}]".formatted(T);
    wire.pack(token, late);
    wire.pack(token, early);
    Answer again = wire.pack(token, late);
    assertThat(again.body().path("added").asInt()).isZero();
    assertThat(again.body().path("known").asInt()).isEqualTo(1);
    assertThat(latest("core")).isEqualTo(20);
  }

  @Test
  public void aBaseValueIsAdded() {
    wire.pack(
        token,
        "[{\"bn\":\"urn:dev:shed:core\",\"bu\":\"Cel\",\"bt\":%d,\"bv\":20,\"v\":1.5}]"
            .formatted(T));
    assertThat(latest("core")).isEqualTo(21.5);
  }

  @DataProvider
  Object[][] leftOut() {
    String u = "\"u\":\"Cel\"";
    return new Object[][] {
      {"\"n\":\"urn:dev:shed:core\",\"u\":\"%RH\",\"t\":" + T + ",\"v\":50", "no temperature"},
      {"\"n\":\"urn:dev:shed:core\",\"t\":" + T + ",\"v\":50", "no unit"},
      {"\"n\":\"urn:dev:shed:core\"," + u + ",\"t\":" + T, "no value"},
      {"\"n\":\"urn:dev:shed:core\"," + u + ",\"t\":" + T + ",\"vs\":\"warm\"", "no number"},
      {"\"n\":\"nobody\"," + u + ",\"t\":" + T + ",\"v\":5", "no probe is tied"},
      {
        "\"n\":\"urn:dev:shed:core\"," + u + ",\"t\":" + (T + 400L * 86_400) + ",\"v\":5",
        "minutes ahead"
      },
      {"\"n\":\"urn:dev:shed:core\"," + u + ",\"t\":500000000,\"v\":5", "before 2000"},
      {"\"n\":\"urn:dev:shed:core\"," + u + ",\"t\":1e300,\"v\":5", "minutes ahead"},
      {"\"n\":\"urn:dev:shed:core\"," + u + ",\"t\":" + T + ",\"v\":90000", "no thermometer"},
    };
  }

  @Test(dataProvider = "leftOut")
  public void aRecordThatIsNoReadingIsLeftOutWithItsReason(String record, String reason) {
    String good = "{\"n\":\"urn:dev:shed:edge\",\"u\":\"Cel\",\"t\":%d,\"v\":12}".formatted(T);
    Answer a = wire.pack(token, "[{" + record + "}," + good + "]");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    assertThat(a.body().path("added").asInt()).isEqualTo(1);
    assertThat(a.body().path("leftOut").toString()).contains(reason);
    String told = "";
    for (JsonNode d : grounds.keeper.get(grounds.path("/devices")).body()) {
      told += d.path("id").asString().equals(id) ? d.path("lastProblem").asString() : "";
    }
    assertThat(told).contains(reason);
  }

  @DataProvider
  Object[][] unreadable() {
    return new Object[][] {
      {"{}"},
      {"[1,2,3]"},
      {"[{\"n\":\"a\""},
      {"not json"},
      {""},
      {"[{\"bver\":99}]"},
      {"[{\"must_\":1}]"},
      {"[{\"v\":\"12\"}]"},
      {"[{\"n\":12}]"},
      {"[{\"v\":NaN}]"},
      {"[{\"v\":1e999}]"},
      {"[{\"x\":" + "[".repeat(500) + "]"},
      {"[{\"n\":\"" + "n".repeat(5000) + "\"}]"},
    };
  }

  @Test(dataProvider = "unreadable")
  public void whatIsNoSenMlIsRefusedWhole(String pack) {
    Answer a = wire.pack(token, pack);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(422);
    assertThat(a.body().path("remedy").asString()).contains("SenML");
  }

  @Test
  public void fiftyMegabytesAreCutOffAndNothingIsKept() {
    String one = "{\"n\":\"urn:dev:shed:core\",\"u\":\"Cel\",\"t\":%d,\"v\":5},".formatted(T);
    Answer a = wire.pack(token, "[" + one.repeat(50_000_000 / one.length()));
    assertThat(a.status()).isEqualTo(422);
    assertThat(latest("core")).isNaN();
  }

  @Test
  public void aRevokedTokenAndAGuessedOneAreRefused() {
    String pack = "[{\"n\":\"urn:dev:shed:core\",\"u\":\"Cel\",\"t\":%d,\"v\":5}]".formatted(T);
    assertThat(wire.pack("nb_guess", pack).status()).isEqualTo(401);
    assertThat(wire.pack("", pack).status()).isEqualTo(401);
    assertThat(wire.pack(token, pack).status()).isEqualTo(200);
    grounds.keeper.delete(grounds.path("/devices/" + id));
    assertThat(wire.pack(token, pack).status()).isEqualTo(401);
  }

  @Test
  public void aTokenIsShownOnceAndReachesItsOwnHoldingOnly() {
    assertThat(grounds.keeper.get(grounds.path("/devices")).body().toString())
        .doesNotContain(token);
    Grounds other = Grounds.fresh();
    UUID theirs = other.newDrum();
    Answer tied =
        grounds.keeper.put(
            grounds.path("/devices/" + id),
            null,
            "{\"name\":\"Shed\",\"channels\":[{\"name\":\"x\",\"probeId\":\"%s\"}]}"
                .formatted(Grounds.probeId(theirs, "core")));
    assertThat(tied.status()).isEqualTo(404);
    assertThat(other.keeper.delete(other.path("/devices/" + id)).status()).isEqualTo(404);
  }

  @Test
  public void aFloodSlowsItsSenderAndNobodyElse() {
    String pack = "[{\"n\":\"urn:dev:shed:core\",\"u\":\"Cel\",\"t\":%d,\"v\":5}]".formatted(T);
    int slowed = 0;
    for (int i = 0; i < 80; i++) {
      slowed += wire.pack(token, pack).status() == 429 ? 1 : 0;
    }
    assertThat(slowed).isGreaterThan(5);
    Answer other =
        grounds.keeper.post(grounds.path("/devices"), "{\"name\":\"Calm one\",\"channels\":[]}");
    assertThat(wire.pack(other.body().path("token").asString(), "[]").status()).isEqualTo(200);
  }

  @Test
  public void theSimulatedLoggersStoreArrivesThroughOutagesAndFaults() throws Exception {
    try (LoggerDevice logger =
        LoggerDevice.sendingTo(Program.shared().address(), token)
            .channels("urn:dev:shed:", "core", "edge")
            .startingAt(T, 7)
            .faults(LoggerDevice.Fault.BURSTS, LoggerDevice.Fault.FAULT_VALUES)) {
      logger.run(240);
      Awaitility.await()
          .atMost(Duration.ofSeconds(20))
          .untilAsserted(() -> assertThat(logger.acknowledged()).isEqualTo(logger.measured()));
    }
    JsonNode store = grounds.keeper.get(grounds.path("/stores/" + drum)).body();
    assertThat(store.path("now").path("at").asString()).startsWith("2026-01-2");
    assertThat(latest("core")).isBetween(-130.0, 200.0);
  }
}
