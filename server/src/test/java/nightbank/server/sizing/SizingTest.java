package nightbank.server.sizing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.server.Grounds;
import org.awaitility.Awaitility;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Sizing, its curve and pairs, asked over HTTP. */
public class SizingTest {
  private static final String QUESTION =
      """
      {"lowCelsius":-7,"media":["water","dry-sand","granite"],"wrapsMillimetres":[0,100],
       "waterCelsius":45,"solidCelsius":70,"source":"FIRE","sourceWatts":4000,"keepStores":false}
      """;

  private Grounds grounds;
  private UUID house;
  private UUID drum;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    drum = UUID.randomUUID();
    String in =
        Grounds.drum(drum, "Drum").replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    assertThat(grounds.keeper.post(grounds.path("/stores"), in).status()).isEqualTo(200);
  }

  private JsonNode done(String question) {
    var begun = grounds.keeper.post(grounds.path("/houses/" + house + "/sizing"), question);
    assertThat(begun.status()).as(begun.body().toString()).isEqualTo(202);
    String id = begun.body().path("id").asString();
    return Awaitility.await()
        .atMost(Duration.ofSeconds(60))
        .pollInterval(Duration.ofMillis(40))
        .until(
            () -> grounds.keeper.get(grounds.path("/sizing/" + id)).body(),
            b -> !b.path("state").asString().equals("RUNNING"));
  }

  @Test
  public void everyCandidateIsAnsweredAndWhatHoldsComesFirst() {
    JsonNode view = done(QUESTION);
    assertThat(view.path("state").asString()).isEqualTo("DONE");
    assertThat(view.path("done").asInt()).isEqualTo(view.path("of").asInt());
    assertThat(view.path("found").size()).isEqualTo(view.path("of").asInt());
    boolean failed = false;
    for (JsonNode s : view.path("found")) {
      failed |= !s.path("holds").asBoolean();
      assertThat(s.path("holds").asBoolean()).isEqualTo(!failed);
      double lowest = s.path("lowestCelsius").asDouble();
      assertThat(s.path("holds").asBoolean())
          .isEqualTo(
              lowest
                  >= view.path("limitCelsius").asDouble() + view.path("marginKelvin").asDouble());
    }
    assertThat(view.path("withoutCelsius").asDouble()).isLessThan(2);
  }

  @Test
  public void whatIsChosenBecomesAPlannedStoreThatNoNightCounts() {
    JsonNode best = done(QUESTION).path("found").path(0);
    UUID id = UUID.randomUUID();
    var made =
        grounds.keeper.post(
            grounds.path("/stores"),
            "{\"id\":\"%s\",\"name\":\"Planned one\",\"houseId\":\"%s\",\"planned\":true,\"design\":%s,\"probes\":[]}"
                .formatted(id, house, best.path("design")));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    assertThat(made.body().path("planned").asBoolean()).isTrue();
    assertThat(made.body().path("appraisal").path("massKg").asDouble())
        .isCloseTo(best.path("massKg").asDouble(), org.assertj.core.api.Assertions.within(0.5));
    JsonNode night =
        grounds
            .keeper
            .post(grounds.path("/houses/" + house + "/tonight"), "{\"lowCelsius\":-4}")
            .body();
    assertThat(night.path("stores").toString()).doesNotContain("Planned one").contains("Drum");
  }

  @Test
  public void theCurveFallsFromNothingToTwiceAsMany() {
    JsonNode best = done(QUESTION).path("found").path(0);
    var answer =
        grounds.keeper.post(
            grounds.path("/houses/" + house + "/sizing/curve"),
            "{\"sizing\":%s,\"container\":\"%s\",\"medium\":\"%s\",\"wrapMillimetres\":%s,\"usualLow\":0,\"hardestLow\":-8,\"dailyJoules\":0}"
                .formatted(
                    QUESTION,
                    best.path("container").asString(),
                    best.path("medium").asString(),
                    best.path("wrapMillimetres").asDouble()));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    JsonNode points = answer.body().path("points");
    assertThat(points.path(0).path("count").asInt()).isZero();
    int before = Integer.MAX_VALUE;
    for (JsonNode p : points) {
      assertThat(p.path("nightsLost").asInt()).isLessThanOrEqualTo(before);
      before = p.path("nightsLost").asInt();
    }
    assertThat(answer.body().path("fromFile").asBoolean()).isFalse();
  }

  @Test
  public void aWinterInAFileIsUsedForTheCurve() {
    Grounds own = Grounds.fresh();
    UUID home = own.newHouse();
    StringBuilder csv = new StringBuilder("time,temperature\n");
    java.time.LocalDateTime at = java.time.LocalDateTime.of(2026, 1, 1, 0, 0);
    for (int i = 0; i < 24 * 28; i++) {
      double t = 1 - 5 * Math.cos(2 * Math.PI * (i % 24 - 18) / 24.0);
      csv.append(at.plusHours(i)).append(',').append(t).append('\n');
    }
    var kept =
        own.keeper.upload(
            own.path("/weather"),
            "winter.csv",
            csv.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8));
    assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
    var answer =
        own.keeper.post(
            own.path("/houses/" + home + "/sizing/curve"),
            "{\"sizing\":%s,\"container\":\"column\",\"medium\":\"water\",\"wrapMillimetres\":0,\"usualLow\":0,\"hardestLow\":-8,\"dailyJoules\":0}"
                .formatted(QUESTION));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    assertThat(answer.body().path("fromFile").asBoolean()).isTrue();
    assertThat(answer.body().path("nights").asInt()).isBetween(25, 28);
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {"\"lowCelsius\":-7", "\"lowCelsius\":-300", "lowCelsius"},
      {"\"waterCelsius\":45", "\"waterCelsius\":120", "waterCelsius"},
      {"\"solidCelsius\":70", "\"solidCelsius\":9000", "solidCelsius"},
      {"\"sourceWatts\":4000", "\"sourceWatts\":-1", "sourceWatts"},
      {"\"granite\"", "\"moonstone\"", "media"},
      {"[0,100]", "[0,9000]", "wrapsMillimetres"},
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedByTheNameOfItsField(String from, String to, String field) {
    var answer =
        grounds.keeper.post(
            grounds.path("/houses/" + house + "/sizing"), QUESTION.replace(from, to));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void aSearchIsStoppedAndAnotherHoldingsIsNotSeen() {
    String all = QUESTION.replace("[\"water\",\"dry-sand\",\"granite\"]", "[]");
    var begun = grounds.keeper.post(grounds.path("/houses/" + house + "/sizing"), all);
    String id = begun.body().path("id").asString();
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(other.path("/sizing/" + id)).status()).isEqualTo(404);
    assertThat(other.keeper.get(grounds.path("/sizing/" + id)).status()).isEqualTo(404);
    assertThat(grounds.keeper.delete(grounds.path("/sizing/" + id)).status()).isEqualTo(200);
    JsonNode end =
        Awaitility.await()
            .atMost(Duration.ofSeconds(30))
            .until(
                () -> grounds.keeper.get(grounds.path("/sizing/" + id)).body(),
                b -> !b.path("state").asString().equals("RUNNING"));
    assertThat(end.path("state").asString()).isEqualTo("STOPPED");
  }

  private nightbank.server.Visitor.Answer pair(String school, double joules) {
    return grounds.keeper.post(
        grounds.path("/houses/" + house + "/pairs"),
        "{\"school\":\"%s\",\"storeId\":\"%s\",\"lowCelsius\":-4,\"joules\":%s}"
            .formatted(school, drum, joules));
  }

  @DataProvider
  Object[][] schools() {
    return java.util.Arrays.stream(nightbank.core.sizing.DesignQuestion.values())
        .map(s -> new Object[] {s.name()})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "schools")
  public void bothSchoolsAreSeenOnTheSameNight(String school) {
    var answer = pair(school, 2.16e7);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    JsonNode p = answer.body();
    int n = p.path("at").size();
    assertThat(p.path("first").path("plants").size()).isEqualTo(n);
    assertThat(p.path("second").path("usableJoules").size()).isEqualTo(n);
    List<String> reasons = new ArrayList<>();
    p.path("why").forEach(w -> reasons.add(w.path("reason").asString()));
    assertThat(reasons).doesNotHaveDuplicates();
  }

  @Test
  public void aPairWithoutHeatOrWithAStrangersStoreIsRefused() {
    assertThat(pair("SAND_OR_WATER", 0).body().path("field").asString()).isEqualTo("joules");
    Grounds other = Grounds.fresh();
    UUID theirs = other.newDrum();
    var answer =
        grounds.keeper.post(
            grounds.path("/houses/" + house + "/pairs"),
            "{\"school\":\"SAND_OR_WATER\",\"storeId\":\"%s\",\"lowCelsius\":-4,\"joules\":2e7}"
                .formatted(theirs));
    assertThat(answer.status()).isEqualTo(404);
  }
}
