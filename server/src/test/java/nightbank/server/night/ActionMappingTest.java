package nightbank.server.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import nightbank.standins.croft.Croft;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Things done through a night at the croft, over HTTP. */
public class ActionMappingTest {
  private Visitor keeper;
  private String holding;
  private JsonNode house;
  private String fire;

  @BeforeClass
  void croft() throws IOException {
    Path folder = Files.createTempDirectory("croft");
    new Croft().write(folder);
    keeper = new Visitor(Program.start(folder.toString()));
    JsonNode me =
        keeper
            .post("/api/session", "{\"login\":\"keeper\",\"password\":\"quernstone croft\"}")
            .body();
    holding = "/api/holdings/" + me.path("holdings").path(0).path("id").asString();
    house = keeper.get(holding + "/houses").body().path(0);
    for (JsonNode p : ask("").body().path("possible")) {
      fire = p.path("kind").asString().equals("LOAD") ? p.path("of").asString() : fire;
    }
  }

  private Answer ask(String more) {
    return ask(-8, more);
  }

  private Answer ask(double low, String more) {
    return keeper.post(
        holding + "/houses/" + house.path("id").asString() + "/tonight",
        "{\"lowCelsius\":%s%s}".formatted(low, more));
  }

  private String fire(double kilograms) {
    return "{\"kind\":\"LOAD\",\"of\":\"%s\",\"from\":\"2026-01-30T16:40:00Z\",\"to\":null,\"amount\":%s}"
        .formatted(fire, kilograms);
  }

  private double coldest(String actions) {
    return ask(",\"actions\":[" + actions + "]").body().path("coldestCelsius").asDouble();
  }

  @Test
  public void aFireWarmsTheNightAndABiggerOneMore() {
    double none = coldest("");
    double small = coldest(fire(4));
    assertThat(small).isGreaterThan(none);
    assertThat(coldest(fire(10))).isGreaterThan(small);
  }

  @Test
  public void whatCanBeDoneIsWhatHouseAndStoresHave() {
    String possible = ask("").body().path("possible").toString();
    assertThat(possible).contains("SCREEN", "COVER", "STUFF_GAPS", "LOAD", "RUN", "LID_OFF");
  }

  @Test
  public void aFireIsToldWithItsCaution() {
    JsonNode night = ask(",\"actions\":[" + fire(5) + "]").body();
    assertThat(night.path("cautions").toString()).contains("FIRE_INDOORS", "carbon monoxide");
    assertThat(ask("").body().path("cautions").toString()).doesNotContain("FIRE_INDOORS");
  }

  @Test
  public void theAdviceTakenHoldsAndStaysTheAdvice() {
    JsonNode advice = ask(-6, "").body().path("advice");
    assertThat(advice.path("holds").asBoolean()).isTrue();
    assertThat(advice.path("actions").size()).isPositive();
    JsonNode after = ask(-6, ",\"actions\":" + advice.path("actions")).body();
    assertThat(after.path("coldestCelsius").asDouble())
        .isCloseTo(advice.path("coldestCelsius").asDouble(), within(0.1));
    assertThat(after.path("advice").path("actions").toString())
        .isEqualTo(advice.path("actions").toString());
  }

  @Test
  public void aQuickAnswerIsTheMiddleOfTheWholeOne() {
    JsonNode whole = ask(",\"actions\":[" + fire(5) + "]").body();
    JsonNode quick = ask(",\"quick\":true,\"actions\":[" + fire(5) + "]").body();
    assertThat(quick.path("coldestCelsius").asDouble())
        .isCloseTo(whole.path("coldestCelsius").asDouble(), within(1e-9));
    assertThat(quick.path("advice").isNull()).isTrue();
    assertThat(quick.path("chanceOfHolding").isNull()).isTrue();
  }

  @Test
  public void aHouseTriedIsNotKept() {
    String tried =
        house.path("design").toString().replaceFirst("\"secondSkin\":false", "\"secondSkin\":true");
    assertThat(tried).isNotEqualTo(house.path("design").toString());
    double better =
        ask(",\"quick\":true,\"design\":" + tried).body().path("coldestCelsius").asDouble();
    assertThat(better)
        .isGreaterThan(ask(",\"quick\":true").body().path("coldestCelsius").asDouble());
    assertThat(
            keeper
                .get(holding + "/houses/" + house.path("id").asString())
                .body()
                .path("design")
                .toString())
        .isEqualTo(house.path("design").toString());
  }

  @Test
  public void lossesByPartAreToldAndWithoutAStoreItIsColder() {
    JsonNode night = ask("").body();
    double sum = 0;
    for (JsonNode l : night.path("losses")) {
      sum += l.path("watts").asDouble();
    }
    assertThat(sum).isBetween(800.0, 6000.0);
    night
        .path("counterfactuals")
        .forEach(
            w -> {
              if (w.path("kind").asString().equals("WITHOUT_STORE")) {
                assertThat(w.path("gainKelvin").asDouble()).isNegative();
              }
            });
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {fire(0), "actions.0.amount", 422},
      {fire(1000), "actions.0.amount", 422},
      {fire(5).replace("\"LOAD\"", "null"), "actions.0", 422},
      {fire(5).replace("\"2026-01-30T16:40:00Z\"", "null"), "actions.0", 422},
      {fire(5).replace("\"LOAD\"", "\"PRAYER\""), "actions.[0].kind", 400},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCannotBeDoneIsRefused(String action, String field, int status) {
    Answer answer = ask(",\"actions\":[" + action + "]");
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(status);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void fiveAnswersMakeAHouse() {
    Answer shaped =
        keeper.post(
            holding + "/houses/shaped",
            """
            {"shape":{"kind":"DOME","lengthMetres":0,"widthMetres":6,"lowMetres":0,"highMetres":3,"frontDegrees":180},
             "material":"twin-wall-10","backCelsius":null,"airChangesPerHour":1,"plantLimitCelsius":-2}
            """);
    assertThat(shaped.status()).as(shaped.body().toString()).isEqualTo(200);
    assertThat(shaped.body().path("volumeCubicMetres").asDouble())
        .isCloseTo(2.0 / 3 * Math.PI * 27, within(1e-6));
    assertThat(shaped.body().path("skin").size()).isEqualTo(2);
    Answer wrong =
        keeper.post(
            holding + "/houses/shaped",
            """
            {"shape":{"kind":"GABLE","lengthMetres":4,"widthMetres":2,"lowMetres":3,"highMetres":2,"frontDegrees":180},
             "material":"single-glass","backCelsius":null,"airChangesPerHour":1,"plantLimitCelsius":-2}
            """);
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.body().path("detail").asString()).contains("ridge");
  }
}
