package nightbank.server.export;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Open formats out and in again. */
public class HandoutTest {
  private Program program;
  private Grounds grounds;
  private UUID house;
  private UUID store;

  @BeforeClass
  void aHoldingWithSomethingOfEverything() throws IOException {
    program = Program.shared();
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    store = UUID.randomUUID();
    String drum =
        Grounds.drum(store, "Drum “north”")
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    assertThat(grounds.keeper.post(grounds.path("/stores"), drum).status()).isEqualTo(200);
    ok(
        grounds.keeper.put(
            grounds.path("/stores/" + store),
            "\"1\"",
            drum.replace("\"measuredTransmittance\":0.9", "\"measuredTransmittance\":0.4")
                .replace("\"houseId\"", "\"since\":\"2026-01-12T00:00:00Z\",\"houseId\"")));
    grounds.newPart(Grounds.element(store), house);
    for (String file : new String[] {"bare.csv", "wrapped.csv"}) {
      byte[] bytes =
          Files.readAllBytes(
              Program.root().resolve("core/src/test/resources/reference/logs/" + file));
      grounds.readIn(grounds.upload(store, file, bytes));
    }
    ok(
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-02-01T03:00:20.25Z\",\"typed\":\"40,1\"}]}"
                .formatted(Grounds.probeId(store, "edge"))));
    ok(
        grounds.keeper.post(
            grounds.path("/events"),
            "{\"id\":\"%s\",\"storeId\":\"%s\",\"kind\":\"FIRE_LIT\",\"at\":\"2026-01-11T17:00:00Z\",\"amount\":6.5,\"note\":\"=dry, \\\"split\\\"\"}"
                .formatted(UUID.randomUUID(), store)));
    ok(
        grounds.keeper.post(
            grounds.path("/events"),
            "{\"id\":\"%s\",\"kind\":\"DOOR\",\"way\":\"OPEN\",\"at\":\"2026-01-11T18:00:00Z\",\"note\":\"\"}"
                .formatted(UUID.randomUUID())));
    ok(
        grounds.keeper.put(
            grounds.path("/book"),
            "\"0\"",
            "{\"currency\":\"£\",\"media\":[],\"prices\":[{\"of\":\"firewood\",\"pack\":\"net\",\"amount\":20,\"unit\":\"KILOGRAM\",\"price\":6.1}]}"));
    ok(
        grounds.keeper.put(
            grounds.path("/rounds/" + UUID.randomUUID()),
            null,
            """
            {"startedAt":"2026-01-12T08:00:00Z","endedAt":"2026-01-12T08:04:00Z","fahrenheit":false,"note":"cold",
             "entries":[{"id":"%s","probeId":"%s","at":"2026-01-12T08:01:00Z","outcome":"READ","typed":"31","note":""}]}
            """
                .formatted(UUID.randomUUID(), Grounds.probeId(store, "core"))));
    JsonNode runs = grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body();
    ok(
        grounds.keeper.put(
            grounds.path("/trials/" + UUID.randomUUID()),
            null,
            "{\"name\":\"Wrap\",\"runs\":[{\"runId\":\"%s\",\"side\":\"a\"},{\"runId\":\"%s\",\"side\":\"b\"}]}"
                .formatted(
                    runs.path(0).path("id").asString(), runs.path(1).path("id").asString())));
  }

  private static void ok(Answer a) {
    assertThat(a.status()).as(a.body().toString()).isLessThan(300);
  }

  /** As if it stood on another machine. */
  private void gone() {
    DSLContext db = program.bean(DSLContext.class);
    db.execute("DELETE FROM reading WHERE holding_id = ?", grounds.holding);
    db.execute("DELETE FROM holding WHERE id = ?", grounds.holding);
  }

  @Test
  public void aHoldingGoesOutAndComesInAgainByteForByte() {
    byte[] out = grounds.file();
    assertThat(new String(out, StandardCharsets.UTF_8))
        .contains("\"version\":4")
        .contains("Part")
        .contains("\"until\"")
        .contains("2026-01-11T17:00:00")
        .contains("Drum “north”")
        .doesNotContain("token");
    assertThat(grounds.keeper.upload("/api/holdings/file", "holding.json", out).code())
        .isEqualTo("already-here");
    gone();
    Answer in = grounds.keeper.upload("/api/holdings/file", "holding.json", out);
    assertThat(in.status()).as(in.body().toString()).isEqualTo(200);
    assertThat(in.body().path("readings").asLong()).isGreaterThan(3000);
    assertThat(grounds.file()).isEqualTo(out);
    JsonNode run = grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body().path(0);
    assertThat(
            grounds
                .keeper
                .get(grounds.path("/runs/" + run.path("id").asString() + "/judgement"))
                .status())
        .isEqualTo(200);
  }

  @Test
  public void aFileIsLookedAtWhileItIsWrittenAndStopped() {
    Grounds own = Grounds.fresh();
    String begun = own.keeper.post(own.path("/file"), "").body().path("id").asString();
    String at = own.path("/file/" + begun);
    assertThat(own.keeper.get(at).status()).isEqualTo(200);
    own.keeper.delete(at);
    String ended =
        Awaitility.await()
            .until(
                () -> own.keeper.get(at).body().path("state").asString(),
                state -> !state.matches("WAITING|RUNNING"));
    assertThat(ended).isIn("STOPPED", "DONE");
    Answer content = own.keeper.get(at + "/content");
    assertThat(content.status()).isEqualTo(ended.equals("DONE") ? 200 : 409);
    assertThat(own.keeper.get(own.path("/file/" + UUID.randomUUID() + "/content")).status())
        .isEqualTo(404);
  }

  @Test
  public void ofFilesOnlyTheLatestStays() {
    Grounds own = Grounds.fresh();
    String first = own.filePath();
    String second = own.filePath();
    assertThat(own.keeper.get(first).status()).isEqualTo(200);
    own.filePath();
    assertThat(own.keeper.get(first).status()).isEqualTo(404);
    assertThat(own.keeper.get(second).status()).isEqualTo(200);
  }

  @DataProvider
  Object[][] spoilt() {
    return new Object[][] {
      {"", "no holding"},
      {"[]", "no holding"},
      {"{\"format\":\"something-else\",\"version\":1}", "no holding"},
      {"{\"format\":\"nightbank-holding\",\"version\":99}", "another version"},
      {"{\"format\":\"nightbank-holding\",\"version\":1}", "no holding"},
      {"{\"format\":\"nightbank-holding\",\"version\":1,\"holding\":{\"id\":\"x\"}}", "no id"},
      {head() + ",\"person\":[{}]}", "which no holding has"},
      {head() + ",\"greenhouse\":[{\"id\":\"%s\"}]}".formatted(UUID.randomUUID()), "does not fit"},
      {head() + ",\"greenhouse\":7}", "not lists"},
      {
        head()
            + ",\"event\":[{\"id\":\"%s\",\"kind\":\"NOTE\",\"at\":\"infinity\",\"note\":\"\"}]}"
                .formatted(UUID.randomUUID()),
        "never comes"
      },
      {
        head()
            + ",\"photo\":[{\"id\":\"%s\",\"kind\":\"image/png\",\"taken_at\":\"2026-01-01T00:00:00Z\",\"bytes\":\"\\\\x3c68746d6c3e\"}]}"
                .formatted(UUID.randomUUID()),
        "no picture"
      },
      {
        head()
            + ",\"readings\":[{\"probe\":\"%s\",\"import\":null,\"at\":[1768000000],\"celsius\":[1e308]}]}"
                .formatted(UUID.randomUUID()),
        "hotter than"
      },
      {
        head() + ",\"readings\":[{\"probe\":\"x\",\"import\":null,\"at\":[1],\"celsius\":[1]}]}",
        "no probe"
      },
      {
        head()
            + ",\"readings\":[{\"probe\":\"%s\",\"import\":null,\"at\":[1768000000],\"celsius\":[1]}]}"
                .formatted(UUID.randomUUID()),
        "points at"
      },
      {
        head()
            + ",\"readings\":[{\"probe\":\"%s\",\"import\":null,\"at\":[1],\"celsius\":[1]}]}"
                .formatted(UUID.randomUUID()),
        "before 2000"
      },
      {
        head()
            + ",\"readings\":[{\"probe\":\"%s\",\"import\":null,\"at\":[1768000000],\"celsius\":[1,2]}]}"
                .formatted(UUID.randomUUID()),
        "more moments"
      },
      {
        head()
            + ",\"task\":[{\"id\":\"%s\",\"what\":\"Look\",\"why\":\"\",\"month\":2,\"day_of_month\":31}]}"
                .formatted(UUID.randomUUID()),
        "no such day"
      },
      {
        head()
            + ",\"wood_stack\":[{\"id\":\"%s\",\"name\":\"Ash\",\"kilograms\":9,\"thickness_m\":0.1,\"cover\":\"TENT\",\"since\":\"2026-01-01T00:00:00Z\"}]}"
                .formatted(UUID.randomUUID()),
        "TENT"
      },
      {head() + ",\"greenhouse\":[" + "[".repeat(3000), "not lists|no JSON|does not"},
      {head().substring(0, 60), "no JSON"},
    };
  }

  private static String head() {
    return "{\"format\":\"nightbank-holding\",\"version\":1,\"holding\":{\"id\":\"%s\",\"name\":\"X\",\"zone\":\"Europe/London\",\"latitude\":57,\"longitude\":-3,\"created_at\":\"2026-01-01T00:00:00Z\"}"
        .formatted(UUID.randomUUID());
  }

  @Test(dataProvider = "spoilt")
  public void aSpoiltFileIsRefusedAndLeavesNothing(String text, String reason) {
    int before = grounds.keeper.get("/api/me").body().path("holdings").size();
    Answer a =
        grounds.keeper.upload(
            "/api/holdings/file", "x.json", text.getBytes(StandardCharsets.UTF_8));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(422);
    assertThat(a.body().path("detail").asString()).containsPattern(reason);
    assertThat(grounds.keeper.get("/api/me").body().path("holdings").size()).isEqualTo(before);
  }

  @Test
  public void aFileThatReachesIntoAnotherHoldingIsRefused() {
    Grounds other = Grounds.fresh();
    UUID theirs = other.newDrum();
    String text =
        head()
            + ",\"run\":[{\"id\":\"%s\",\"store_id\":\"%s\",\"name\":\"spy\",\"from_at\":\"2026-01-01T00:00:00Z\",\"to_at\":\"2026-01-02T00:00:00Z\"}]}"
                .formatted(UUID.randomUUID(), theirs);
    Answer a =
        grounds.keeper.upload(
            "/api/holdings/file", "x.json", text.getBytes(StandardCharsets.UTF_8));
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.body().path("detail").asString()).contains("run points at a heat_store");
  }

  @Test
  public void readingsGoOutAsSenMl() {
    Answer a =
        grounds.keeper.get(
            grounds.path(
                "/stores/"
                    + store
                    + "/readings.senml?from=2026-01-11T00:00:00Z&to=2026-01-14T00:00:00Z"));
    assertThat(a.status()).isEqualTo(200);
    assertThat(a.body().size()).isGreaterThan(1000);
    JsonNode first = a.body().path(0);
    assertThat(first.path("bn").asString()).startsWith("urn:uuid:");
    assertThat(first.path("bu").asString()).isEqualTo("Cel");
    double last = 0;
    for (JsonNode r : a.body()) {
      last = r.has("bn") ? 0 : last;
      assertThat(r.path("t").asDouble()).isGreaterThan(last);
      last = r.path("t").asDouble();
    }
    assertThat(
            grounds
                .keeper
                .get(
                    grounds.path(
                        "/stores/"
                            + store
                            + "/readings.senml?from=2026-01-14T00:00:00Z&to=2026-01-11T00:00:00Z"))
                .status())
        .isEqualTo(422);
  }

  @Test
  public void whatIsPlannedGoesOutAsACalendar() {
    String from = program.bean(java.time.Clock.class).instant().plusSeconds(7200).toString();
    String element = null;
    for (var p :
        grounds
            .keeper
            .post(grounds.path("/houses/" + house + "/tonight"), "{\"lowCelsius\":-4}")
            .body()
            .path("possible")) {
      element = p.path("part").asString().equals("ELEMENT") ? p.path("of").asString() : element;
    }
    String question =
        "{\"lowCelsius\":-4,\"actions\":[{\"kind\":\"RUN\",\"of\":\"%s\",\"from\":\"%s\",\"to\":null,\"amount\":600}]}"
            .formatted(element, from);
    byte[] ics =
        grounds.keeper.postForBytes(
            grounds.path("/houses/" + house + "/tonight/calendar"), question);
    String text = new String(ics, StandardCharsets.UTF_8);
    assertThat(text)
        .startsWith("BEGIN:VCALENDAR\r\nVERSION:2.0")
        .contains("SUMMARY:Switch on: part")
        .contains("BEGIN:VALARM")
        .contains("TRIGGER")
        .contains(
            "DTSTART:" + from.replaceAll("[-:]", "").replaceAll("\\..*", "").replace("Z", "") + "Z")
        .endsWith("END:VCALENDAR\r\n");
  }

  @Test
  public void nobodyElseTakesAHoldingAway() {
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.post(grounds.path("/file"), "").status()).isIn(403, 404);
    assertThat(other.keeper.get(grounds.filePath()).status()).isIn(403, 404);
  }
}
