package nightbank.server.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import org.awaitility.Awaitility;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is told of a time that was judged already: lid, sky, and days before. */
public class LateWordTest {
  private static final String SPAN = "from=2026-01-11&to=2026-01-12";
  private static final String LID =
      "\"top\":{\"layers\":[{\"kind\":\"BULK\",\"material\":\"stone-wool\",\"thicknessMetres\":0.1,\"wet\":false}]}";

  private static final UUID DRUM = UUID.randomUUID();
  private static final String ELEMENT = Grounds.element(DRUM);
  private static final String SUN =
      "{\"kind\":\"SUNLIGHT\",\"storeId\":\"" + DRUM + "\",\"squareMetres\":0.4}";
  private static final String HEARTH =
      "{\"kind\":\"FIRE\",\"heats\":[{\"to\":\"STORE\",\"id\":\""
          + DRUM
          + "\"},{\"to\":\"HOUSE\"}],\"hearth\":\"flue-bench\",\"usualKilograms\":5,\"roomAir\":false,\"indoors\":true}";
  private static final String ROT = "{\"kind\":\"HEAP\",\"storeId\":\"" + DRUM + "\",\"fed\":[]}";

  private final Grounds grounds = Grounds.fresh();

  private UUID readDrum(String from, String to) throws IOException {
    return readDrum(from, to, Grounds.element(DRUM));
  }

  /** A drum that was read, with a part in which its id stands for the usual one. */
  private UUID readDrum(String from, String to, String part) throws IOException {
    UUID id = UUID.randomUUID();
    String drum = Grounds.drum(id, "Drum").replaceFirst(from, to);
    Answer made = grounds.keeper.post(grounds.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    grounds.newPart(part.replace(DRUM.toString(), id.toString()));
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    grounds.readIn(grounds.upload(id, "wrapped.csv", file));
    Awaitility.await().atMost(Duration.ofSeconds(60)).until(() -> pending(id) == 0);
    return id;
  }

  private UUID lidded() throws IOException {
    return readDrum("\"top\":\\{[^}]*\\}", LID);
  }

  private JsonNode statement(UUID store) {
    return grounds.keeper.get(grounds.path("/statement?" + SPAN + "&store=" + store)).body();
  }

  private int pending(UUID store) {
    return statement(store).path("pending").asInt(-1);
  }

  private UUID event(UUID store, String what, String at) {
    UUID id = UUID.randomUUID();
    Answer said =
        grounds.keeper.post(
            grounds.path("/events"),
            "{\"id\":\"%s\",\"storeId\":\"%s\",%s,\"at\":\"%s\",\"note\":\"\"}"
                .formatted(id, store, what, at));
    assertThat(said.status()).as(said.body().toString()).isEqualTo(200);
    return id;
  }

  private JsonNode sheet(UUID store) {
    Answer made =
        grounds.keeper.post(
            grounds.path("/stores/" + store + "/runs"),
            "{\"id\":\"%s\",\"name\":\"All\",\"from\":\"2026-01-11T00:00:00Z\",\"to\":\"2026-01-13T06:00:00Z\"}"
                .formatted(UUID.randomUUID()));
    String run = made.body().path("id").asString();
    return grounds.keeper.get(grounds.path("/runs/" + run + "/judgement")).body();
  }

  private static JsonNode lidOff(JsonNode sheet) {
    for (JsonNode f : sheet.path("findings")) {
      if (f.path("code").asString().equals("LID_OFF")) {
        return f;
      }
    }
    return sheet.path("nothing of a lid");
  }

  @Test
  public void aLidLoggedAfterwardsIsReckonedWithInDaysAndRuns() throws IOException {
    UUID store = lidded();
    double residual = statement(store).path("sums").path("residual").asDouble();
    assertThat(lidOff(sheet(store)).isMissingNode()).isTrue();
    UUID off = event(store, "\"kind\":\"LID\",\"way\":\"OFF\"", "2026-01-11T18:00:00Z");
    assertThat(pending(store)).isPositive();
    event(store, "\"kind\":\"LID\",\"way\":\"ON\"", "2026-01-12T06:30:00Z");
    Awaitility.await().atMost(Duration.ofSeconds(60)).until(() -> pending(store) == 0);
    assertThat(statement(store).path("sums").path("residual").asDouble()).isNotEqualTo(residual);
    assertThat(lidOff(sheet(store)).path("value").asDouble()).isCloseTo(12.5 * 3600, within(1.0));
    grounds.keeper.delete(grounds.path("/events/" + off));
    assertThat(pending(store)).as("an event taken away").isPositive();
  }

  @Test
  public void aLidOnWhatHasNoneAndThingsSeenChangeNoJudgement() throws IOException {
    UUID bare = readDrum("Drum", "Bare");
    event(bare, "\"kind\":\"LID\",\"way\":\"OFF\"", "2026-01-11T18:00:00Z");
    assertThat(lidOff(sheet(bare)).isMissingNode()).isTrue();
    Awaitility.await().atMost(Duration.ofSeconds(60)).until(() -> pending(bare) == 0);
    event(bare, "\"kind\":\"SEEN\"", "2026-01-11T18:00:00Z");
    event(bare, "\"kind\":\"PUMP\",\"way\":\"OFF\"", "2026-01-11T18:00:00Z");
    assertThat(pending(bare)).as("it has no stream").isZero();
  }

  @DataProvider
  Object[][] sources() {
    return new Object[][] {
      {SUN, "\"behind\":\"SIDE\",\"reachFraction\"", true},
      {ELEMENT, "\"reachFraction\"", false},
    };
  }

  @Test(dataProvider = "sources")
  public void skyToldAfterwardsTakesBackDaysOfWhatTheSunCharges(
      String source, String zone, boolean taken) throws IOException {
    UUID store = readDrum("\"reachFraction\"", zone, source);
    StringBuilder text = new StringBuilder("time;outdoors °C;cloud %\n");
    for (int h = 0; h < 24; h++) {
      text.append("2026-01-12 %02d:00;3;20\n".formatted(h));
    }
    Answer read =
        grounds.keeper.upload(grounds.path("/weather"), "sky.csv", text.toString().getBytes());
    assertThat(read.status()).as(read.body().toString()).isEqualTo(200);
    assertThat(pending(store) > 0).isEqualTo(taken);
  }

  @DataProvider
  Object[][] hearths() {
    return new Object[][] {
      {HEARTH, true}, {ELEMENT, false},
    };
  }

  @Test(dataProvider = "hearths")
  public void aFireLoggedAfterwardsTellsWhenItsStoreWasCharged(String source, boolean burns)
      throws IOException {
    UUID store = readDrum("Drum", "Drum", source);
    JsonNode before = firstCharge(sheet(store));
    event(store, "\"kind\":\"FIRE_LIT\",\"amount\":5", "2026-01-11T12:40:00Z");
    assertThat(pending(store) > 0).isEqualTo(burns);
    JsonNode after = firstCharge(sheet(store));
    assertThat(after.equals(before)).isEqualTo(!burns);
  }

  private static JsonNode firstCharge(JsonNode sheet) {
    return sheet
        .path("phases")
        .valueStream()
        .filter(p -> p.path("kind").asString().equals("CHARGING"))
        .findFirst()
        .orElseThrow();
  }

  @DataProvider
  Object[][] kinds() {
    return new Object[][] {
      {ROT, true}, {ELEMENT, false},
    };
  }

  @Test(dataProvider = "kinds")
  public void aReadingOfTheDaysBeforeTakesBackAHeapsDay(String source, boolean taken)
      throws IOException {
    UUID store = readDrum("Drum", "Drum", source);
    Answer late =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-09T09:00:00Z\",\"typed\":\"30\"}]}"
                .formatted(Grounds.probeId(store, "edge")));
    assertThat(late.status()).as(late.body().toString()).isEqualTo(200);
    assertThat(pending(store) > 0).isEqualTo(taken);
  }
}
