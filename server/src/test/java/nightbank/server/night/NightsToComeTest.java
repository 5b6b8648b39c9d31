package nightbank.server.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import nightbank.standins.forecast.ForecastService;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The nights ahead over HTTP. */
public class NightsToComeTest {
  private ForecastService service;
  private Grounds grounds;
  private UUID house;
  private UUID lamps;

  @BeforeClass
  void start() throws IOException {
    service = new ForecastService(0);
    grounds = Grounds.fresh(Program.start("", "--nightbank.forecast=" + service.address()));
    house = grounds.newHouse();
    lamps =
        grounds.newPart(
            """
            {"kind":"FLAMES","heats":[{"to":"HOUSE"}],"count":12,"gramsPerHour":20,"fuel":"paraffin",
             "indoors":true,"control":{"runs":"BY_HAND"}}""",
            house);
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    service.close();
  }

  private Answer ask(String what, String body) {
    return grounds.keeper.post(grounds.path("/houses/" + house + "/" + what), body);
  }

  private JsonNode ahead(String body) {
    Answer a = ask("nights-ahead", body);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body();
  }

  private String run(UUID part, Instant from) {
    return "{\"kind\":\"RUN\",\"of\":\"%s\",\"from\":\"%s\",\"to\":\"%s\",\"amount\":12}"
        .formatted(part, from, from.plus(Duration.ofHours(20)));
  }

  @Test
  public void aWeekOfNightsIsToldEachWithItsLowAndChance() {
    JsonNode a = ahead("{}");
    assertThat(a.path("nights").size()).isBetween(6, 7);
    Instant before = Instant.EPOCH;
    for (JsonNode n : a.path("nights")) {
      Instant dusk = Instant.parse(n.path("dusk").asString());
      assertThat(dusk).isAfterOrEqualTo(before);
      before = Instant.parse(n.path("dawn").asString());
      assertThat(Instant.parse(n.path("coldestAt").asString())).isBetween(dusk, before);
      assertThat(n.path("chanceOfHolding").asDouble()).isBetween(0.0, 1.0);
      assertThat(n.path("coldestTenth").asDouble()).isLessThan(n.path("coldestCelsius").asDouble());
    }
    assertThat(a.path("stepSeconds").asDouble()).isEqualTo(600);
  }

  @Test
  public void theFirstOfThemIsTonight() {
    double tonight = ask("tonight", "{}").body().path("coldestCelsius").asDouble();
    JsonNode first = ahead("{\"quick\":true}").path("nights").path(0);
    assertThat(first.path("coldestCelsius").asDouble()).isCloseTo(tonight, within(0.3));
  }

  @Test
  public void aTypedLowCountsTonightAndNotAfterwards() {
    JsonNode told = ahead("{\"quick\":true}").path("nights");
    JsonNode typed = ahead("{\"quick\":true,\"lowCelsius\":-18}").path("nights");
    assertThat(typed.path(0).path("outdoorLowest").asDouble()).isCloseTo(-18, within(0.3));
    assertThat(typed.path(3).path("outdoorLowest").asDouble())
        .isCloseTo(told.path(3).path("outdoorLowest").asDouble(), within(0.01));
  }

  @Test
  public void whatIsPlannedForALaterNightWarmsThatNightAndNotTonight() {
    JsonNode bare = ahead("{\"quick\":true}").path("nights");
    Instant later = Instant.parse(bare.path(2).path("dusk").asString());
    String plan = "\"actions\":[" + run(lamps, later) + "]";
    JsonNode lit = ahead("{\"quick\":true," + plan + "}").path("nights");
    assertThat(lit.path(2).path("coldestCelsius").asDouble())
        .isGreaterThan(bare.path(2).path("coldestCelsius").asDouble() + 0.5);
    assertThat(lit.path(2).path("actions").toString()).contains(lamps.toString());
    assertThat(lit.path(0).path("actions").size()).isZero();
    double with = ask("tonight", "{" + plan + "}").body().path("coldestCelsius").asDouble();
    double without = ask("tonight", "{\"actions\":[]}").body().path("coldestCelsius").asDouble();
    assertThat(with).isCloseTo(without, within(0.01));
    byte[] calendar =
        grounds.keeper.postForBytes(
            grounds.path("/houses/" + house + "/tonight/calendar"), "{" + plan + "}");
    assertThat(new String(calendar, StandardCharsets.UTF_8)).contains("BEGIN:VEVENT", "Switch on");
  }

  @Test
  public void theCalendarNamesWhatRunsByItselfAndIsSwitchedOff() {
    UUID heater =
        grounds.newPart(
            """
            {"kind":"ELEMENT","heats":[{"to":"HOUSE"}],"watts":300,"surplus":false,"indoors":true,
             "control":{"runs":"ALWAYS"}}""",
            house);
    String off = run(heater, Instant.now()).replace("\"RUN\"", "\"STOP\"");
    byte[] calendar =
        grounds.keeper.postForBytes(
            grounds.path("/houses/" + house + "/tonight/calendar"), "{\"actions\":[" + off + "]}");
    assertThat(new String(calendar, StandardCharsets.UTF_8)).contains("Switch off: part");
    grounds.keeper.delete(grounds.path("/parts/" + heater));
  }

  @Test
  public void whatIsPlannedWithSomethingGoneIsLeftOutAndToldSo() {
    UUID gone = UUID.randomUUID();
    String plan = "{\"quick\":true,\"actions\":[" + run(gone, Instant.now()) + "]}";
    Answer a = ask("tonight", plan);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    assertThat(a.body().path("assumptions").toString()).contains("PLANNED_GONE");
    assertThat(a.body().path("actions").size()).isZero();
    assertThat(ahead(plan).path("nights").path(0).path("actions").size()).isZero();
  }

  @Test
  public void aForecastOfTwoDaysTellsTwoNightsAndNoMore() throws IOException {
    try (ForecastService two = new ForecastService(0)) {
      two.fault(ForecastService.Fault.TWO_DAYS);
      Grounds g = Grounds.fresh(Program.start("", "--nightbank.forecast=" + two.address()));
      UUID other = g.newHouse();
      Answer a = g.keeper.post(g.path("/houses/" + other + "/nights-ahead"), "{\"quick\":true}");
      assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
      assertThat(a.body().path("nights").size()).isBetween(2, 3); // by the hour of the day
    }
  }

  @Test
  public void withoutAForecastATypedLowTellsTonightAlone() {
    Grounds g = Grounds.fresh();
    UUID other = g.newHouse();
    Answer a =
        g.keeper.post(
            g.path("/houses/" + other + "/nights-ahead"), "{\"quick\":true,\"lowCelsius\":-4}");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    assertThat(a.body().path("nights").size()).isEqualTo(1);
  }

  @Test
  public void underTheMidnightSunTheNightsAreToldAllTheSame() {
    Answer made =
        grounds.keeper.post(
            "/api/holdings",
            "{\"name\":\"Far north\",\"latitude\":78.2,\"longitude\":15,\"zone\":\"UTC\"}");
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    String path = "/api/holdings/" + made.body().path("id").asString();
    String design =
        grounds.keeper.get(grounds.path("/houses/" + house)).body().path("design").toString();
    UUID id = UUID.randomUUID();
    grounds.keeper.post(
        path + "/houses", "{\"id\":\"%s\",\"name\":\"Far\",\"design\":%s}".formatted(id, design));
    Answer a = grounds.keeper.post(path + "/houses/" + id + "/nights-ahead", "{\"quick\":true}");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    assertThat(a.body().path("nights").size()).isPositive();
  }
}
