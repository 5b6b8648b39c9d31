package nightbank.server.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Two evenings of one drum, bare and wrapped, set beside each other over HTTP. */
public class TrialsTest {
  private Grounds grounds;
  private UUID store;
  private String bare;
  private String wrapped;

  @BeforeClass
  void twoRuns() throws IOException {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
    bare = readIn("bare.csv");
    wrapped = readIn("wrapped.csv");
  }

  private String readIn(String file) throws IOException {
    byte[] bytes =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/" + file));
    JsonNode done = grounds.readIn(grounds.upload(store, file, bytes));
    assertThat(done.path("state").asString()).as(done.toString()).isEqualTo("DONE");
    for (JsonNode r : grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body()) {
      if (r.path("importId").asString().equals(done.path("id").asString())) {
        return r.path("id").asString();
      }
    }
    throw new AssertionError("no run of " + file);
  }

  private static String draft(String name, String first, String a, String second, String b) {
    return "{\"name\":\"%s\",\"runs\":[{\"runId\":\"%s\",\"side\":\"%s\"},{\"runId\":\"%s\",\"side\":\"%s\"}]}"
        .formatted(name, first, a, second, b);
  }

  private Answer put(UUID id, String draft) {
    return grounds.keeper.put(grounds.path("/trials/" + id), null, draft);
  }

  @Test
  public void theWrapIsToldByItsSizeWithWhatElseDiffered() {
    UUID id = UUID.randomUUID();
    Answer kept = put(id, draft("The wrap", bare, "bare", wrapped, "wrapped"));
    assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
    JsonNode sheet = grounds.keeper.get(grounds.path("/trials/" + id)).body();
    JsonNode d = sheet.path("differences").path(0);
    assertThat(d.path("word").asString()).isEqualTo("LOSES_LESS");
    assertThat(d.path("ratio").asDouble()).isCloseTo(15.55 / 39.5, within(0.04));
    assertThat(d.path("readingKelvin").asDouble()).isGreaterThan(5);
    assertThat(sheet.path("differed").toString()).contains("START_EXCESS");
    assertThat(sheet.path("sides").path(0).path("runs").path(0).path("at").size())
        .isBetween(20, 400);
    assertThat(sheet.path("at").size()).isEqualTo(sheet.path("sides").path(1).path("curve").size());
  }

  @Test
  public void moreHoursBringTheSidesFurtherApartThanFew() {
    UUID id = UUID.randomUUID();
    put(id, draft("Hours", bare, "bare", wrapped, "wrapped"));
    JsonNode few = grounds.keeper.get(grounds.path("/trials/" + id + "?hours=3")).body();
    JsonNode more = grounds.keeper.get(grounds.path("/trials/" + id + "?hours=14")).body();
    assertThat(more.path("seconds").asDouble()).isCloseTo(14 * 3600, within(1.0));
    assertThat(more.path("differences").path(0).path("readingKelvin").asDouble())
        .isGreaterThan(few.path("differences").path(0).path("readingKelvin").asDouble());
    assertThat(grounds.keeper.get(grounds.path("/trials/" + id + "?hours=-2")).code())
        .isEqualTo("invalid");
  }

  @Test
  public void putTwiceItIsOneAndTakenAwayItIsNone() {
    UUID id = UUID.randomUUID();
    put(id, draft("Once", bare, "bare", wrapped, "wrapped"));
    put(id, draft("Once, renamed", wrapped, "wrapped", bare, "bare"));
    JsonNode all = grounds.keeper.get(grounds.path("/trials")).body();
    assertThat(all.toString()).contains("Once, renamed").doesNotContain("\"Once\"");
    assertThat(grounds.keeper.delete(grounds.path("/trials/" + id)).status()).isEqualTo(204);
    assertThat(grounds.keeper.get(grounds.path("/trials/" + id)).status()).isEqualTo(404);
    assertThat(grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body().size())
        .isGreaterThanOrEqualTo(2);
  }

  @Test
  public void aRunTakenAwayLeavesItsTrialWithAPlainWord() {
    UUID id = UUID.randomUUID();
    String extra =
        grounds
            .keeper
            .post(
                grounds.path("/stores/" + store + "/runs"),
                "{\"name\":\"Gone soon\",\"from\":\"2026-01-11T13:00:00Z\",\"to\":\"2026-01-12T23:00:00Z\"}")
            .body()
            .path("id")
            .asString();
    put(id, draft("Short lived", bare, "bare", extra, "other"));
    grounds.keeper.delete(grounds.path("/runs/" + extra));
    Answer sheet = grounds.keeper.get(grounds.path("/trials/" + id));
    assertThat(sheet.status()).isEqualTo(422);
    assertThat(sheet.body().path("remedy").asString()).contains("Choose runs");
  }

  @DataProvider
  Object[][] odd() {
    String other = UUID.randomUUID().toString();
    return new Object[][] {
      {draft("", bare, "a", wrapped, "b"), 422, "name"},
      {draft("Same side", bare, "a", wrapped, "a"), 422, "runs"},
      {draft("No side", bare, "", wrapped, "b"), 422, "runs.0.side"},
      {draft("Twice", bare, "a", bare, "b"), 422, "runs.1"},
      {draft("Unknown", bare, "a", other, "b"), 404, ""},
      {"{\"name\":\"None\",\"runs\":[]}", 422, "runs"},
      {"{\"name\":\"Nulls\",\"runs\":[null,null]}", 422, "runs.0"},
    };
  }

  @Test(dataProvider = "odd")
  public void anOddTrialIsRefusedByItsField(String draft, int status, String field) {
    Answer a = put(UUID.randomUUID(), draft);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(status);
    if (!field.isEmpty()) {
      assertThat(a.body().path("field").asString()).isEqualTo(field);
    }
  }

  @Test
  public void anotherHoldingNeitherSeesNorTakesItOver() {
    UUID id = UUID.randomUUID();
    put(id, draft("Ours", bare, "bare", wrapped, "wrapped"));
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(other.path("/trials/" + id)).status()).isEqualTo(404);
    assertThat(other.keeper.get(grounds.path("/trials/" + id)).status()).isIn(403, 404);
    Answer theirs =
        other.keeper.put(
            other.path("/trials/" + id), null, draft("Mine", bare, "bare", wrapped, "wrapped"));
    assertThat(theirs.status()).isEqualTo(404);
  }

  private String byHand(UUID drum, String day, String next, int... read) {
    String core = Grounds.probeId(drum, "core").toString();
    String[] at = {
      day + "T12:00:00Z", day + "T18:00:00Z", next + "T08:00:00Z", next + "T18:00:00Z"
    };
    StringBuilder readings = new StringBuilder();
    for (int k = 0; k < at.length; k++) {
      readings
          .append(k == 0 ? "" : ",")
          .append(
              "{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%d\"}"
                  .formatted(core, at[k], read[k]));
    }
    grounds.keeper.post(
        grounds.path("/readings"), "{\"fahrenheit\":false,\"readings\":[" + readings + "]}");
    return grounds
        .keeper
        .post(
            grounds.path("/stores/" + drum + "/runs"),
            "{\"name\":\"%s\",\"from\":\"%s\",\"to\":\"%s\"}".formatted(day, at[0], at[3]))
        .body()
        .path("id")
        .asString();
  }

  @Test
  public void fourReadingsByHandOfEachSideAreSetBesideEachOther() {
    UUID drum = grounds.newDrum();
    UUID id = UUID.randomUUID();
    String one = byHand(drum, "2026-01-12", "2026-01-13", 12, 92, 41, 33);
    String other = byHand(drum, "2026-01-15", "2026-01-16", 12, 95, 52, 44);
    put(id, draft("By hand", one, "first", other, "again"));
    Answer sheet = grounds.keeper.get(grounds.path("/trials/" + id));
    assertThat(sheet.status()).as(sheet.body().toString()).isEqualTo(200);
    JsonNode fair = sheet.body().path("sides").path(0).path("fair");
    assertThat(fair.path("lossWattsPerKelvin").asDouble()).isBetween(0.5, 10.0);
    assertThat(fair.path("lossHigh").asDouble() / fair.path("lossLow").asDouble()).isLessThan(4);
    assertThat(sheet.body().path("sides").path(1).path("runs").path(0).path("at")).hasSize(2);
  }
}
