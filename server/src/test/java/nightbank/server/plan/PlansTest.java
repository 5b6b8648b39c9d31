package nightbank.server.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.awaitility.Awaitility;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Changes that are kept as plans, made, and set against the nights. */
public class PlansTest {
  private static final LocalDate FIRST = LocalDate.parse("2026-01-05");
  private static final double[] OUTDOORS = {-4, -1, -3, -6, -2, -5, -3, -4};

  private Grounds grounds;
  private UUID house;
  private UUID store;
  private JsonNode found;

  @BeforeClass
  void whatNextWasAskedOfAHouse() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    store = UUID.randomUUID();
    String outdoors =
        ",{\"id\":\"%s\",\"kind\":\"OUTDOOR\",\"name\":\"outdoors\",\"radiusFraction\":1,\"heightFraction\":0.5}]}"
            .formatted(Grounds.probeId(store, "outdoors"));
    String drum =
        Grounds.drum(store, "Drum")
            .strip()
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    drum = drum.substring(0, drum.lastIndexOf("]}")) + outdoors;
    assertThat(grounds.keeper.post(grounds.path("/stores"), drum).status()).isEqualTo(200);
    Answer begun =
        grounds.keeper.post(
            grounds.path("/houses/" + house + "/ranking"),
            "{\"usualLow\":0,\"hardestLow\":-9,\"hourWorth\":10}");
    String path = grounds.path("/ranking/" + begun.body().path("id").asString());
    found =
        Awaitility.await()
            .atMost(Duration.ofMinutes(3))
            .pollInterval(Duration.ofMillis(100))
            .until(
                () -> grounds.keeper.get(path).body(),
                b -> b.path("state").asString().equals("DONE"));
  }

  @AfterMethod
  void noPlanIsLeft() {
    for (JsonNode p : plans()) {
      grounds.keeper.delete(grounds.path("/plans/" + p.path("id").asString()));
    }
  }

  private JsonNode plans() {
    return grounds.keeper.get(grounds.path("/plans")).body();
  }

  private Answer keep(UUID id, String change) {
    return grounds.keeper.put(
        grounds.path("/plans/" + id),
        null,
        "{\"ranking\":\"%s\",\"change\":\"%s\"}".formatted(found.path("id").asString(), change));
  }

  private UUID kept(String change) {
    UUID id = UUID.randomUUID();
    Answer a = keep(id, change);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(204);
    return id;
  }

  private Answer made(UUID id, String on) {
    return grounds.keeper.put(grounds.path("/plans/" + id + "/made"), null, "{\"on\":" + on + "}");
  }

  private JsonNode tried(String change) {
    for (JsonNode t : found.path("singles")) {
      if (t.at("/ids/0").asString().equals(change)) {
        return t;
      }
    }
    throw new AssertionError(change);
  }

  private void undo(String kind) {
    JsonNode newest = grounds.keeper.get(grounds.path("/changes")).body().path(0);
    assertThat(newest.path("kind").asString()).isEqualTo(kind);
    String path = grounds.path("/changes/" + newest.path("id").asString() + "/undo");
    assertThat(grounds.keeper.post(path, "").status()).isEqualTo(200);
  }

  @Test
  public void isKeptWithWhatWasToldOfItAlone() {
    kept("FLEECE");
    JsonNode p = plans().path(0);
    assertThat(p.path("kind").asString()).isEqualTo("FLEECE");
    assertThat(p.path("told").path("saved")).isEqualTo(tried("FLEECE").path("saved"));
    assertThat(p.path("told").path("warmerKelvin")).isEqualTo(tried("FLEECE").path("warmerKelvin"));
    assertThat(p.path("told").path("lost")).isEqualTo(found.at("/base/lost"));
    assertThat(p.path("doneOn").isNull()).isTrue();
    assertThat(p.path("shown").isNull()).isTrue();
  }

  @Test
  public void isKeptOnceThoughItIsSentTwice() {
    UUID id = kept("FLEECE");
    assertThat(keep(id, "FLEECE").status()).isEqualTo(204);
    assertThat(plans()).hasSize(1);
    assertThat(keep(id, "SECOND_SKIN").code()).isEqualTo("known-id");
    assertThat(keep(UUID.randomUUID(), "FLEECE").code()).isEqualTo("kept-already");
    assertThat(keep(UUID.randomUUID(), "WINGS").status()).isEqualTo(404);
    assertThat(made(id, "\"2026-01-09\"").status()).isEqualTo(204);
    UUID again = kept("FLEECE");
    assertThat(made(id, "null").code()).as("two of one cannot both wait").isEqualTo("full");
    assertThat(made(again, "\"2026-01-12\"").status()).isEqualTo(204);
  }

  @Test
  public void isTakenBackAndComesBackAsItWas() {
    UUID id = kept("SECOND_SKIN");
    JsonNode before = plans();
    made(id, "\"2026-01-09\"");
    undo("PLAN");
    assertThat(plans()).isEqualTo(before);
    assertThat(grounds.keeper.delete(grounds.path("/plans/" + id)).status()).isEqualTo(204);
    assertThat(plans()).isEmpty();
    undo("PLAN");
    assertThat(plans()).isEqualTo(before);
  }

  @Test
  public void doesNotComeBackBesideAnotherOfTheSameChange() {
    UUID first = kept("FLEECE");
    assertThat(grounds.keeper.delete(grounds.path("/plans/" + first)).status()).isEqualTo(204);
    JsonNode gone = grounds.keeper.get(grounds.path("/changes")).body().path(0);
    kept("FLEECE");
    String path = grounds.path("/changes/" + gone.path("id").asString() + "/undo");
    Answer no = grounds.keeper.post(path, "");
    assertThat(no.status()).as(no.body().toString()).isEqualTo(409);
    assertThat(no.code()).isEqualTo("full");
    assertThat(plans()).hasSize(1);
  }

  @DataProvider
  Object[][] evenings() {
    return new Object[][] {{"\"2999-01-01\""}, {"\"1999-01-01\""}};
  }

  @Test(dataProvider = "evenings")
  public void isMadeNeitherInTheFutureNorLongAgo(String on) {
    Answer no = made(kept("FLEECE"), on);
    assertThat(no.status()).isEqualTo(422);
    assertThat(no.body().path("field").asString()).isEqualTo("on");
  }

  @Test
  public void isForThoseWhoKeepThisHoldingOnly() {
    UUID id = kept("FLEECE");
    Visitor guest = grounds.letIn("gil" + grounds.holding, "GUEST");
    assertThat(guest.get(grounds.path("/plans")).body()).hasSize(1);
    assertThat(guest.delete(grounds.path("/plans/" + id)).status()).isEqualTo(403);
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(other.path("/plans")).body()).isEmpty();
    assertThat(other.keeper.get(grounds.path("/plans")).status()).isEqualTo(404);
    assertThat(other.keeper.delete(other.path("/plans/" + id)).status()).isEqualTo(404);
    String draft =
        "{\"ranking\":\"%s\",\"change\":\"SECOND_SKIN\"}".formatted(found.path("id").asString());
    assertThat(other.keeper.put(other.path("/plans/" + UUID.randomUUID()), null, draft).status())
        .isEqualTo(404);
  }

  /** Lows of 0.5 K per kelvin outdoors over 6 °C, from an evening on warmer by so much. */
  private void nights(int changed, double warmer) {
    StringBuilder all = new StringBuilder();
    for (int i = 0; i < 2 * OUTDOORS.length; i++) {
      double outdoor = OUTDOORS[i % OUTDOORS.length];
      double inside = 6 + 0.5 * outdoor + (i < changed ? 0 : warmer);
      LocalDate evening = FIRST.plusDays(i);
      for (int hour = 15; hour < 34; hour++) { // to the next morning
        String at = evening.plusDays(hour / 24) + "T%02d:00:00Z".formatted(hour % 24);
        boolean coldest = hour == 29;
        row(all, "air", at, coldest ? inside : inside + 1);
        row(all, "outdoors", at, coldest ? outdoor : outdoor + 1);
      }
    }
    Answer a =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[" + all.substring(1) + "]}");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private void row(StringBuilder all, String probe, String at, double celsius) {
    all.append(
        ",{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}"
            .formatted(Grounds.probeId(store, probe), at, celsius));
  }

  @Test
  public void isSetAgainstWhatTheNightsShowNoFartherThanTheNextChange() {
    nights(8, 1.5);
    UUID skin = kept("SECOND_SKIN");
    made(skin, "\"" + FIRST.plusDays(8) + "\"");
    JsonNode shown = plans().at("/0/shown");
    assertThat(shown.path("nightsBefore").asInt()).isEqualTo(8);
    assertThat(shown.path("warmerKelvin").asDouble()).isCloseTo(1.5, within(1e-6));
    double told = tried("SECOND_SKIN").at("/warmerKelvin/low").asDouble();
    double most = tried("SECOND_SKIN").at("/warmerKelvin/high").asDouble();
    assertThat(shown.path("kept").asString())
        .isEqualTo(1.5 < told ? "LESS" : 1.5 > most ? "MORE" : "AS_TOLD");
    UUID fleece = kept("FLEECE");
    made(fleece, "\"" + FIRST.plusDays(12) + "\"");
    assertThat(plans().at("/0/shown/nightsAfter").asInt()).isEqualTo(4);
    assertThat(plans().at("/1/shown/nightsBefore").asInt()).isEqualTo(4);
    assertThat(plans().at("/1/shown/warmerKelvin").asDouble()).isCloseTo(0, within(1e-6));
    made(fleece, "\"" + FIRST.plusDays(9) + "\"");
    assertThat(plans().at("/0/shown").isNull()).as("one night between them").isTrue();
  }

  @Test
  public void goesWithTheHoldingsFile() {
    kept("SECOND_SKIN");
    String file = new String(grounds.file(), StandardCharsets.UTF_8);
    assertThat(file.substring(file.indexOf("\"kept_plan\""))).contains("SECOND_SKIN");
  }
}
