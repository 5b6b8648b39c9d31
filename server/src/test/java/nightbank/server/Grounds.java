package nightbank.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import nightbank.server.Visitor.Answer;
import org.awaitility.Awaitility;
import tools.jackson.databind.JsonNode;

/** A holding of one's own for a test, with its keeper at the door. */
public final class Grounds {
  private static final AtomicInteger NUMBER = new AtomicInteger();

  public final Visitor keeper;
  public final UUID holding;

  private Grounds(Visitor keeper, UUID holding) {
    this.keeper = keeper;
    this.holding = holding;
  }

  public static Grounds fresh() {
    return fresh(Program.shared());
  }

  public static Grounds fresh(Program program) {
    return fresh(program, "Holding " + NUMBER.get());
  }

  public static Grounds fresh(Program program, String name) {
    Visitor keeper = Visitor.keeper(program, "keeper" + NUMBER.incrementAndGet());
    return new Grounds(keeper, keeper.newHolding(name));
  }

  /** Where it is winter on the day on which the test runs. */
  public static Grounds inWinter(Program program) {
    int month = program.bean(Clock.class).instant().atZone(ZoneOffset.UTC).getMonthValue();
    double latitude = month >= 5 && month <= 10 ? -70 : 70;
    Visitor keeper = Visitor.keeper(program, "keeper" + NUMBER.incrementAndGet());
    return new Grounds(keeper, keeper.newHolding("Wintry " + NUMBER.get(), latitude));
  }

  /** Somebody with the password of all, let in by a code of the keeper's, and signed in. */
  public Visitor letIn(String login, String role) {
    String code =
        keeper
            .post(path("/invitations"), "{\"role\":\"%s\"}".formatted(role))
            .body()
            .path("code")
            .asString();
    Visitor who = keeper.stranger();
    Answer in =
        who.post(
            "/api/people",
            "{\"code\":\"%s\",\"login\":\"%s\",\"name\":\"%s\",\"password\":\"three plain words\"}"
                .formatted(code, login, login));
    assertThat(in.status()).as(in.body().toString()).isEqualTo(200);
    assertThat(who.signIn(login).status()).isEqualTo(200);
    return who;
  }

  public String idOf(String login) {
    for (JsonNode p : keeper.get(path("/people")).body()) {
      if (p.path("login").asString().equals(login)) {
        return p.path("personId").asString();
      }
    }
    throw new AssertionError(login);
  }

  public String path(String rest) {
    return "/api/holdings/" + holding + rest;
  }

  /** A drum of dry sand with three probes and the air beside it. */
  public static String drum(UUID id, String name) {
    return """
        {"id":"%s","name":"%s","houseId":null,"design":{"shape":"CYLINDER","diameterMetres":0.56,
         "heightMetres":0.62,"count":1,"medium":"dry-sand","measuredDensity":1550,
         "measuredSpecificHeat":825,"side":{"layers":[],"measuredTransmittance":0.9},
         "top":{"layers":[],"measuredTransmittance":9.5},"foot":{"layers":[],"measuredTransmittance":0.8},
         "place":{"where":"HOUSE","footing":"RAISED"},"floorCelsius":8,"chargeToCelsius":70,
         "zone":{"reachFraction":0.15,"lowFraction":0.15,"highFraction":0.85}},
         "probes":[%s,%s,%s,%s]}
        """
        .formatted(
            id,
            name,
            probe(id, "core", "STORE", 0.05),
            probe(id, "half", "STORE", 0.55),
            probe(id, "edge", "STORE", 0.92),
            probe(id, "air", "AIR", 1));
  }

  /** A cylinder of compost in a house, read as the drum is; about 1.2 t. */
  public static String heap(UUID id, String name, UUID house) {
    return drum(id, name)
        .replace("\"houseId\":null", "\"houseId\":\"" + house + "\"")
        .replace("0.56", "1.6")
        .replace("0.62", "1.2")
        .replace("dry-sand", "compost")
        .replace("\"measuredDensity\":1550", "\"measuredDensity\":500")
        .replace("\"measuredSpecificHeat\":825", "\"measuredSpecificHeat\":2800");
  }

  /** Tells the weather of the coming nights: as cold all the time. */
  public void weather(double celsius) {
    StringBuilder csv = new StringBuilder("time,celsius\n");
    Instant first = Instant.now().truncatedTo(ChronoUnit.HOURS).minus(Duration.ofHours(1));
    for (int h = 0; h < 60; h++) {
      csv.append(first.plus(Duration.ofHours(h))).append(',').append(celsius).append('\n');
    }
    byte[] file = csv.toString().getBytes(StandardCharsets.UTF_8);
    assertThat(keeper.upload(path("/weather"), "w.csv", file).status()).isEqualTo(200);
  }

  private static String probe(UUID store, String name, String kind, double radius) {
    return """
        {"id":"%s","kind":"%s","name":"%s","radiusFraction":%s,"heightFraction":0.5}
        """
        .formatted(probeId(store, name), kind, name, radius);
  }

  public static UUID probeId(UUID store, String name) {
    return UUID.nameUUIDFromBytes((store + name).getBytes(java.nio.charset.StandardCharsets.UTF_8));
  }

  /** A drum with an element of 620 W in it. */
  public UUID newDrum() {
    UUID id = UUID.randomUUID();
    Answer made = keeper.post(path("/stores"), drum(id, "Drum"));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    newPart(element(id));
    return id;
  }

  /** An element of 620 W, switched by hand. */
  public static String element(UUID store) {
    return """
        {"kind":"ELEMENT","heats":[{"to":"STORE","id":"%s"}],"watts":620,"surplus":false,"indoors":true,
         "control":{"runs":"BY_HAND"}}
        """
        .formatted(store);
  }

  public UUID newPart(String design) {
    return newPart(design, null);
  }

  public UUID newPart(String design, UUID house) {
    UUID id = UUID.randomUUID();
    String at = house == null ? "null" : "\"" + house + "\"";
    Answer made =
        keeper.post(
            path("/parts"),
            "{\"id\":\"%s\",\"name\":\"Part\",\"houseId\":%s,\"design\":%s}"
                .formatted(id, at, design));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    return id;
  }

  /** A small glass lean-to. */
  public UUID newHouse() {
    UUID id = UUID.randomUUID();
    Answer made =
        keeper.post(
            path("/houses"),
            """
            {"id":"%s","name":"Lean-to","design":{"skin":[
             {"name":"roof","looks":"UP","areaSquareMetres":18,"transmittance":5.8,"material":"single-glass"},
             {"name":"wall","looks":"SHELTERED","areaSquareMetres":12,"transmittance":2.2,"material":null}],
             "volumeCubicMetres":32,"airChangesPerHour":1,"innerMassKg":8000,"innerMassMedium":"granite",
             "innerMassAreaSquareMetres":20,"plantLimitCelsius":2,"groundCelsius":7}}
            """
                .formatted(id));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    return id;
  }

  public Answer upload(UUID store, String name, byte[] content) {
    return keeper.upload(path("/stores/" + store + "/imports"), name, content);
  }

  /** Reads an accepted file in and waits for its end. */
  public JsonNode readIn(Answer accepted) {
    assertThat(accepted.status()).as(accepted.body().toString()).isEqualTo(200);
    String id = accepted.body().path("id").asString();
    Answer started = keeper.post(path("/imports/" + id + "/start"), "");
    assertThat(started.status()).as(started.body().toString()).isEqualTo(200);
    return Awaitility.await()
        .atMost(Duration.ofSeconds(60))
        .pollInterval(Duration.ofMillis(30))
        .until(
            () -> keeper.get(path("/imports/" + id)).body(),
            b -> !b.path("state").asString().equals("RUNNING"));
  }

  /** The holding's file, written and fetched. */
  public byte[] file() {
    return keeper.bytes(filePath());
  }

  /** Where a file that has just been written is fetched. */
  public String filePath() {
    Answer begun = keeper.post(path("/file"), "");
    assertThat(begun.status()).as(begun.body().toString()).isEqualTo(202);
    String at = path("/file/" + begun.body().path("id").asString());
    JsonNode ended =
        Awaitility.await()
            .atMost(Duration.ofSeconds(60))
            .pollInterval(Duration.ofMillis(30))
            .until(
                () -> keeper.get(at).body(),
                b -> !b.path("state").asString().matches("WAITING|RUNNING"));
    assertThat(ended.path("state").asString()).as(ended.toString()).isEqualTo("DONE");
    return at + "/content";
  }
}
