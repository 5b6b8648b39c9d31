package nightbank.server.broker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import nightbank.server.broker.internal.BrokerRepository;
import nightbank.standins.logger.BrokerSensor;
import org.awaitility.Awaitility;
import org.awaitility.core.ConditionFactory;
import org.jooq.DSLContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Debian's broker, cheap sensors, and the program that listens. */
public class BrokerTest {
  private Mosquitto mosquitto;
  private Program program;
  private Grounds grounds;
  private UUID drum;
  private String topic;

  @BeforeClass
  void broker() throws IOException {
    mosquitto = new Mosquitto();
    program =
        Program.start(
            "",
            "--nightbank.broker.address=" + mosquitto.address(),
            "--nightbank.broker.login=" + Mosquitto.LOGIN,
            "--nightbank.broker.password=" + Mosquitto.PASSWORD,
            "--nightbank.broker.holding=Brook Field");
    grounds = Grounds.fresh(program, "Brook Field");
    soon().until(() -> view().path("state").asString().equals("HEARD"));
  }

  @AfterClass(alwaysRun = true)
  void end() {
    program.stopProgram();
    mosquitto.close();
  }

  @BeforeMethod
  void store() {
    drum = grounds.newDrum();
    topic = "shed/" + drum.toString().substring(0, 8);
  }

  private static ConditionFactory soon() {
    return Awaitility.await().atMost(Duration.ofSeconds(60)).ignoreExceptions();
  }

  private BrokerSensor sensor() throws IOException {
    return BrokerSensor.at(mosquitto.port, topic, Mosquitto.LOGIN, Mosquitto.PASSWORD);
  }

  private JsonNode view() {
    return grounds.keeper.get(grounds.path("/broker")).body();
  }

  private JsonNode arrival(String channel) {
    for (JsonNode a : view().path("arrivals")) {
      if (a.path("channel").asString().equals(channel)) {
        return a;
      }
    }
    return JsonMapper.shared().missingNode();
  }

  private Answer tie(Visitor who, String channel, String probe) {
    return who.put(
        grounds.path("/broker/channel"),
        null,
        "{\"channel\":\"%s\",\"probeId\":%s}".formatted(channel, probe));
  }

  private void tie(String channel, String probe) {
    Answer a = tie(grounds.keeper, channel, '"' + Grounds.probeId(drum, probe).toString() + '"');
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private int readings() {
    return program
        .bean(DSLContext.class)
        .fetchSingle(
            "SELECT count(*)::int FROM reading WHERE probe_id IN (?, ?)",
            Grounds.probeId(drum, "core"),
            Grounds.probeId(drum, "edge"))
        .get(0, Integer.class);
  }

  private double latest() {
    JsonNode now = grounds.keeper.get(grounds.path("/stores/" + drum)).body().path("now");
    return now.path("latest").path(0).path("celsius").asDouble(Double.NaN);
  }

  @Test
  public void whatComesIsShownAndOnceTiedItIsRead() throws IOException {
    try (BrokerSensor sensor = sensor()) {
      sensor.say(topic + "/core", "41,5 °C", true, false);
      sensor.say(topic, "{\"edge\":31.25,\"battery\":{\"mv\":3100}}", true, false);
      soon().until(() -> arrival(topic + "/core").path("celsius").asDouble() == 41.5);
      assertThat(arrival(topic + " edge").path("celsius").asDouble()).isEqualTo(31.25);
      assertThat(arrival(topic + " battery.mv").path("celsius").isNull()).isTrue();
      assertThat(readings()).as("nothing is tied").isZero();
      tie(topic + "/core", "core");
      tie(topic + " edge", "edge");
      sensor.say(topic + "/core", "104.9 F", true, false);
      soon().until(() -> readings() == 1);
      assertThat(latest()).isCloseTo(40.5, within(1e-6));
      sensor.say(topic, "{\"edge\":31.5,\"battery\":{\"mv\":3099}}", true, false);
      soon().until(() -> readings() == 2);
      assertThat(arrival(topic + " edge").path("probeId").asString())
          .isEqualTo(Grounds.probeId(drum, "edge").toString());
    }
  }

  @Test
  public void aTiedTopicIsALoggerThatCanBeTakenBack() throws IOException {
    tie(topic + "/core", "core");
    JsonNode device = device();
    assertThat(device.path("overBroker").asBoolean()).isTrue();
    assertThat(device.path("token").isNull()).isTrue();
    try (BrokerSensor sensor = sensor()) {
      sensor.say(topic + "/core", "40", true, false);
      soon().until(() -> readings() == 1);
      assertThat(device().path("lastSeenAt").isNull()).isFalse();
      assertThat(tie(grounds.keeper, topic + "/core", "null").status()).isEqualTo(200);
      sensor.say(topic + "/core", "39", true, false);
      soon().until(() -> arrival(topic + "/core").path("celsius").asDouble() == 39);
      assertThat(readings()).isEqualTo(1);
      assertThat(device().path("revokedAt").isNull()).as("its silence is no alarm").isFalse();
    }
  }

  @Test
  public void whatIsNoChannelIsNotTied() {
    for (String channel : List.of("null", "\"\"", "\"" + "x".repeat(201) + "\"")) {
      String body = "{\"channel\":%s,\"probeId\":null}".formatted(channel);
      Answer a = grounds.keeper.put(grounds.path("/broker/channel"), null, body);
      assertThat(a.status()).as(channel).isIn(400, 422);
    }
  }

  private JsonNode device() {
    for (JsonNode d : grounds.keeper.get(grounds.path("/devices")).body()) {
      if (d.path("name").asString().equals(topic)) {
        return d;
      }
    }
    throw new AssertionError(topic);
  }

  @Test
  public void whatCameWhileNobodyListenedIsReadOnceWhereItSaysWhen() throws IOException {
    tie(topic + "/plain", "edge");
    tie(topic + " core", "core");
    long then = program.bean(Clock.class).instant().getEpochSecond() - 3600;
    int port = program.stopProgram();
    try (BrokerSensor sensor = sensor()) {
      sensor.say(topic + "/plain", "20.5", true, false);
      for (int i = 0; i < 20; i++) {
        sensor.say(topic, pack(then + 60 * i, 50 - i), true, false);
      }
    }
    mosquitto.stop();
    mosquitto.start();
    program.startAgain(port);
    soon().until(() -> readings() == 20);
    soon().until(() -> arrival(topic + "/plain").path("said").asString().contains("hour unknown"));
    try (BrokerSensor sensor = sensor()) {
      sensor.say(topic, pack(then, 50), true, false);
      sensor.say(topic + "/plain", "21", true, false);
      soon().until(() -> arrival(topic + "/plain").path("celsius").asDouble() == 21);
    }
    soon().until(() -> readings() == 21);
  }

  private static String pack(long at, double celsius) {
    return "[{\"n\":\"core\",\"u\":\"Cel\",\"t\":%d,\"v\":%.1f}]".formatted(at, celsius);
  }

  @Test
  public void whileTheDatabaseIsAwayNothingIsLost() throws IOException {
    tie(topic + " core", "core");
    long then = program.bean(Clock.class).instant().getEpochSecond() - 7200;
    try (BrokerSensor sensor = sensor()) {
      program.stopDatabase();
      for (int i = 0; i < 60; i++) {
        sensor.say(topic, pack(then + 60 * i, 50 - i * 0.1), true, false);
      }
      program.startDatabase();
      soon().until(() -> readings() == 60);
    }
  }

  @Test
  public void whatTheBrokerKeptIsShownAndNotTakenForNow() throws IOException {
    String kept = topic + "/kept";
    int port = program.stopProgram();
    try (BrokerSensor sensor = sensor()) {
      sensor.say(kept, "12.5", true, true);
    }
    program.startAgain(port);
    soon().until(() -> arrival(kept).path("said").asString().equals("12.5 (kept, hour unknown)"));
  }

  @Test
  public void theAdviceOfTheHourIsToldThere() throws IOException {
    grounds.newHouse();
    Instant now = program.bean(Clock.class).instant();
    Instant first = now.truncatedTo(ChronoUnit.HOURS).minus(Duration.ofHours(2));
    String weather =
        IntStream.range(0, 40)
            .mapToObj(h -> first.plus(Duration.ofHours(h)) + ",-6")
            .collect(Collectors.joining("\n", "time,celsius\n", "\n"));
    byte[] file = weather.getBytes(StandardCharsets.UTF_8);
    assertThat(grounds.keeper.upload(grounds.path("/weather"), "cold.csv", file).status())
        .isEqualTo(200);
    soon().until(() -> view().path("adviceTopics").size() > 0);
    String topicOfHouse = view().path("adviceTopics").path(0).asString();
    assertThat(topicOfHouse).startsWith("nightbank/brook-field/").endsWith("/advice");
    try (BrokerSensor sensor = sensor()) {
      JsonNode advice = JsonMapper.shared().readTree(sensor.hear(topicOfHouse));
      assertThat(advice.path("verdict").asString()).isIn("HELD", "CLOSE", "LOST");
      assertThat(Instant.parse(advice.path("until").asString())).isAfter(now);
      assertThat(advice.path("note").asString()).contains("Advice only");
    }
  }

  @Test
  public void ofSeveralNodesOneListensAndAnotherTakesOver() {
    BrokerRepository repository = program.bean(BrokerRepository.class);
    Duration lease = Duration.ofSeconds(30);
    UUID other = UUID.randomUUID();
    assertThat(repository.mayListen(other, lease)).isFalse();
    int port = program.stopProgram();
    program.startAgain(port);
    repository = program.bean(BrokerRepository.class);
    repository.leave(other);
    soon().until(() -> view().path("state").asString().equals("HEARD"));
  }

  @Test
  public void onlyAKeeperTiesAndOthersSeeNone() {
    Visitor guest = grounds.letIn("guest-of-broker", "GUEST");
    assertThat(tie(guest, topic, "null").status()).isEqualTo(403);
    Visitor other = Visitor.keeper(Program.shared(), "keeper-without-broker");
    UUID holding = other.newHolding("No broker here");
    assertThat(other.get("/api/holdings/" + holding + "/broker").body().path("state").asString())
        .isEqualTo("NONE");
  }
}
