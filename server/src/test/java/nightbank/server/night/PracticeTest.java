package nightbank.server.night;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A night lived through before it is real. */
public class PracticeTest {
  private Grounds grounds;
  private UUID house;
  private UUID flames;

  @BeforeMethod
  void aHouseWithLamps() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    flames =
        grounds.newPart(
            """
            {"kind":"FLAMES","heats":[{"to":"HOUSE"}],"count":12,"gramsPerHour":20,"fuel":"paraffin",
             "indoors":true,"control":{"runs":"BY_HAND"}}
            """,
            house);
  }

  private Answer begin(UUID id, double low) {
    return grounds.keeper.post(
        grounds.path("/houses/" + house + "/practice"),
        "{\"id\":\"%s\",\"lowCelsius\":%s,\"cloud\":0,\"wind\":1}".formatted(id, low));
  }

  private JsonNode begun(double low) {
    Answer a = begin(UUID.randomUUID(), low);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body();
  }

  private JsonNode step(JsonNode night, String body) {
    Answer a = grounds.keeper.post(grounds.path("/practice/" + id(night)), body);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body();
  }

  private static String id(JsonNode night) {
    return night.path("id").asString();
  }

  private static String later(JsonNode night, int minutes) {
    return java.time.Instant.parse(night.path("now").asString())
        .plusSeconds(60L * minutes)
        .toString();
  }

  @Test
  public void inTheEveningOnlyTheForecastIsKnown() {
    JsonNode night = begun(-6);
    assertThat(night.at("/said/chance").asDouble()).isBetween(0.0, 1.0);
    assertThat(night.at("/seen/air")).hasSize(1);
    assertThat(night.path("dawn").isNull()).isTrue();
    assertThat(night.path("possible").findValuesAsString("kind")).contains("RUN");
    assertThat(night.path("now").asString()).isEqualTo(night.path("begins").asString());
  }

  @Test
  public void whatIsLitWarmsFromThenOnAndDawnTellsWhatItWasWorth() {
    JsonNode night = begun(-6);
    night = step(night, "{\"to\":\"%s\"}".formatted(later(night, 120)));
    double before = night.at("/seen/air").get(night.at("/seen/air").size() - 1).asDouble();
    night =
        step(
            night,
            "{\"doing\":{\"kind\":\"RUN\",\"of\":\"%s\",\"amount\":12},\"to\":\"%s\"}"
                .formatted(flames, later(night, 90)));
    double after = night.at("/seen/air").get(night.at("/seen/air").size() - 1).asDouble();
    assertThat(after).as("2.8 kW in a small house").isGreaterThan(before);
    night =
        step(
            night,
            "{\"ends\":{\"kind\":\"RUN\",\"of\":\"%s\"},\"to\":\"%s\"}"
                .formatted(flames, night.path("ends").asString()));
    JsonNode dawn = night.path("dawn");
    assertThat(dawn.at("/own/minutes").asDouble()).isPositive();
    assertThat(dawn.path("advisedAir")).hasSameSizeAs(night.at("/seen/air"));
    assertThat(dawn.at("/idle/minutes").asDouble()).isZero();
    assertThat(dawn.at("/own/lowestCelsius").asDouble())
        .isGreaterThanOrEqualTo(dawn.at("/idle/lowestCelsius").asDouble() - 0.01);
    assertThat(night.at("/doings/0/to").asString()).isLessThan(night.path("ends").asString());
    JsonNode past = grounds.keeper.get(grounds.path("/practice")).body();
    assertThat(past).hasSize(1);
    assertThat(past.at("/0/held").asBoolean()).isEqualTo(dawn.at("/own/held").asBoolean());
  }

  @Test
  public void whoSleepsIsWokenByTheAlarmAndNotAfterIt() {
    JsonNode night = begun(-12);
    double alarm = night.at("/seen/air/0").asDouble() - 1.5;
    JsonNode woken =
        step(
            night,
            "{\"to\":\"%s\",\"alarmCelsius\":%s}".formatted(night.path("ends").asString(), alarm));
    assertThat(woken.path("rang").asBoolean()).isTrue();
    JsonNode air = woken.at("/seen/air");
    assertThat(air.get(air.size() - 1).asDouble()).isLessThan(alarm);
    assertThat(air.get(air.size() - 2).asDouble()).isGreaterThanOrEqualTo(alarm);
    assertThat(woken.path("dawn").isNull()).isTrue();
  }

  @Test
  public void aNightIsBegunOnceAndIsNobodyElses() {
    UUID id = UUID.randomUUID();
    assertThat(begin(id, -6).status()).isEqualTo(200);
    assertThat(begin(id, -6).status()).isEqualTo(409);
    Visitor helper = grounds.letIn("helper" + grounds.holding, "HELPER");
    assertThat(helper.get(grounds.path("/practice/" + id)).status()).isEqualTo(404);
    assertThat(helper.get(grounds.path("/practice")).body()).isEmpty();
  }

  @Test
  public void aPlaceThatChangedMeanwhileEndsIt() {
    JsonNode night = begun(-6);
    grounds.newPart(
        """
        {"kind":"FLAMES","heats":[{"to":"HOUSE"}],"count":20,"gramsPerHour":20,"fuel":"paraffin",
         "indoors":true,"control":{"runs":"ALWAYS"}}
        """,
        house);
    Answer refused =
        grounds.keeper.post(
            grounds.path("/practice/" + id(night)), "{\"to\":\"%s\"}".formatted(later(night, 30)));
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.code()).isEqualTo("changed-since");
  }

  @Test
  public void whatCannotBeDoneIsRefusedAndTheNightStandsStill() {
    JsonNode night = begun(-6);
    Answer refused =
        grounds.keeper.post(
            grounds.path("/practice/" + id(night)),
            "{\"ends\":{\"kind\":\"RUN\",\"of\":\"%s\"}}".formatted(flames));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(begin(UUID.randomUUID(), -300).status()).isEqualTo(422);
    JsonNode same = grounds.keeper.get(grounds.path("/practice/" + id(night))).body();
    assertThat(same.path("now")).isEqualTo(night.path("now"));
  }

  @Test
  public void aLessonIsAsColdAsThePlantsOfTheHouseMakeItHard() {
    Answer a =
        grounds.keeper.post(
            grounds.path("/houses/" + house + "/practice"),
            "{\"id\":\"%s\",\"lesson\":\"CLEAR_SKY\"}".formatted(UUID.randomUUID()));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    assertThat(a.body().at("/said/lowCelsius").asDouble()).isEqualTo(2 - 7);
    assertThat(a.body().at("/said/cloud").asDouble()).isZero();
  }

  @Test
  public void aLessonAboutAPartIsGivenOnlyWhereThereIsOneAndDawnTellsOfIt() {
    String lessons = grounds.path("/houses/" + house + "/practice");
    assertThat(grounds.keeper.get(lessons).body().toString())
        .isEqualTo("[\"STILL_UNDER_CLOUD\",\"WIND_IN_THE_GAPS\",\"CLEAR_SKY\",\"HARD_AND_CLEAR\"]");
    String late = "{\"id\":\"%s\",\"lesson\":\"LATE_CORE\"}";
    Answer none = grounds.keeper.post(lessons, late.formatted(UUID.randomUUID()));
    assertThat(none.status()).isEqualTo(422);
    assertThat(none.body().path("field").asString()).isEqualTo("lesson");
    UUID bin = UUID.randomUUID();
    String inside =
        Grounds.drum(bin, "Bin").replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    assertThat(grounds.keeper.post(grounds.path("/stores"), inside).status()).isEqualTo(200);
    UUID element = grounds.newPart(Grounds.element(bin), house);
    assertThat(grounds.keeper.get(lessons).body().toString()).contains("LATE_CORE");
    JsonNode night = grounds.keeper.post(lessons, late.formatted(UUID.randomUUID())).body();
    assertThat(night.at("/seen/stores/0/celsius/0").asDouble()).as("cold").isBetween(2.0, 8.0);
    JsonNode dawn =
        step(
                night,
                "{\"doing\":{\"kind\":\"RUN\",\"of\":\"%s\",\"amount\":620},\"to\":\"%s\"}"
                    .formatted(element, night.path("ends").asString()))
            .path("dawn");
    JsonNode left = dawn.at("/left/0");
    assertThat(left.path("name").asString()).isEqualTo("Bin");
    assertThat(left.path("late").asBoolean()).isTrue();
    assertThat(left.path("keptJoules").asDouble())
        .isBetween(0.6 * left.path("putJoules").asDouble(), left.path("putJoules").asDouble());
    assertThat(dawn.path("turned").isArray()).isTrue();
    assertThat(dawn.path("turned")).isEmpty();
  }

  @Test
  public void whatEndedStaysAsItWasToldWhateverBecomesOfThePlace() {
    JsonNode night = begun(-6);
    JsonNode dawn = step(night, "{\"to\":\"%s\"}".formatted(night.path("ends").asString()));
    assertThat(dawn.path("dawn").isNull()).isFalse();
    assertThat(grounds.keeper.delete(grounds.path("/parts/" + flames)).status()).isEqualTo(204);
    assertThat(grounds.keeper.get(grounds.path("/practice/" + id(night))).body()).isEqualTo(dawn);
    Answer refused =
        grounds.keeper.post(
            grounds.path("/practice/" + id(night)),
            "{\"to\":\"%s\"}".formatted(night.path("ends").asString()));
    assertThat(refused.status()).isEqualTo(422);
  }

  @Test
  public void whatThePlaceHasNotCannotBeDone() {
    JsonNode night = begun(-6);
    Answer refused =
        grounds.keeper.post(
            grounds.path("/practice/" + id(night)),
            "{\"doing\":{\"kind\":\"RUN\",\"of\":\"%s\"}}".formatted(UUID.randomUUID()));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("field").asString()).isEqualTo("doing");
  }
}
