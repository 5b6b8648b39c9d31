package nightbank.server.night;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The coming night over HTTP. */
public class TonightTest {
  private Grounds grounds;
  private UUID house;

  @BeforeClass
  void house() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
  }

  private Answer ask(String question) {
    return grounds.keeper.post(grounds.path("/houses/" + house + "/tonight"), question);
  }

  private static String low(double celsius) {
    return "{\"lowCelsius\":%s,\"lowAt\":null,\"eveningCelsius\":5,\"cloud\":0.5,\"wind\":2}"
        .formatted(celsius);
  }

  @Test
  public void aHardNightIsLostAndAMildOneHeld() {
    assertThat(ask(low(-12)).body().path("verdict").asString()).isEqualTo("LOST");
    assertThat(ask(low(6)).body().path("verdict").asString()).isEqualTo("HELD");
  }

  @Test
  public void aColderLowIsNeverWarmerInside() {
    double before = Double.POSITIVE_INFINITY;
    for (double t = 6; t >= -14; t -= 4) {
      double coldest = ask(low(t)).body().path("coldestCelsius").asDouble();
      assertThat(coldest).isLessThan(before);
      before = coldest;
    }
  }

  @Test
  public void theSameQuestionHasTheSameAnswer() {
    double first = ask(low(-5)).body().path("coldestTenth").asDouble();
    assertThat(ask(low(-5)).body().path("coldestTenth").asDouble()).isCloseTo(first, within(0.02));
  }

  @Test
  public void whatWasTakenAsGivenIsSaid() {
    JsonNode said = ask("{\"lowCelsius\":-4}").body().path("assumptions");
    assertThat(said.toString())
        .contains("EVENING_GUESSED")
        .contains("AIR_GUESSED")
        .contains("MASS_GUESSED");
  }

  @Test
  public void withoutAStoreNothingIsLifted() {
    JsonNode night = ask(low(-5)).body();
    assertThat(night.path("stores").size()).isZero();
    assertThat(night.path("liftKelvin").asDouble()).isCloseTo(0, within(1e-9));
    assertThat(night.path("shortKind").asString()).isEqualTo("NO_STORE");
  }

  @Test
  public void aStoreNeverReadIsTakenAsColdAndSaidSo() {
    UUID id = UUID.randomUUID();
    String drum =
        Grounds.drum(id, "Unread").replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    UUID own = grounds.newHouse();
    grounds.keeper.post(grounds.path("/stores"), drum.replace(house.toString(), own.toString()));
    JsonNode night =
        grounds.keeper.post(grounds.path("/houses/" + own + "/tonight"), low(-5)).body();
    assertThat(night.path("assumptions").toString()).contains("STORE_UNREAD").contains("Unread");
    assertThat(night.path("stores").size()).isEqualTo(1);
  }

  /** A rod's heat in sand: so hot a middle is soon a lukewarm whole. */
  @Test
  public void aStoreReadByHandBeginsAsItsReadingsLeaveIt() {
    assertThat(startOf(new double[][] {{26, 15}, {20, 85}, {2, 24}}))
        .as("its middle is its warmest")
        .isBetween(10.0, 23.0);
    assertThat(startOf(new double[][] {{1, 40}}))
        .as("one reading, of the middle")
        .isBetween(15.0, 40.0);
  }

  @Test
  public void aHotterLastReadingBeginsWarmerEvenWhereItContradictsTheDescription() {
    double lukewarm = startOf(new double[][] {{26, 15}, {20, 85}, {2, 24}});
    assertThat(startOf(new double[][] {{26, 15}, {20, 85}, {2, 70}})).isGreaterThan(lukewarm + 3);
  }

  /** The mean that a drum begins the night with. */
  private double startOf(double[][] read) {
    UUID own = grounds.newHouse();
    UUID id = UUID.randomUUID();
    grounds.keeper.post(
        grounds.path("/stores"),
        Grounds.drum(id, "By hand").replace("\"houseId\":null", "\"houseId\":\"" + own + "\""));
    Instant now = Instant.now();
    for (double[] r : read) {
      Answer a =
          grounds.keeper.post(
              grounds.path("/readings"),
              "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
                  .formatted(
                      Grounds.probeId(id, "core"), now.minusSeconds((long) (3600 * r[0])), r[1]));
      assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    }
    return grounds
        .keeper
        .post(grounds.path("/houses/" + own + "/tonight"), low(-5))
        .body()
        .path("stores")
        .path(0)
        .path("startCelsius")
        .asDouble();
  }

  @Test
  public void aLidWithHoursOpensByItselfUnlessTheGrowerSaysWhatIsDone() {
    UUID own = grounds.newHouse();
    String drum =
        Grounds.drum(UUID.randomUUID(), "Lidded")
            .replace("\"houseId\":null", "\"houseId\":\"" + own + "\"")
            .replace(
                "\"top\":{\"layers\":[]",
                "\"top\":{\"layers\":[{\"kind\":\"BULK\",\"material\":\"stone-wool\",\"thicknessMetres\":0.1,\"wet\":false}]")
            .replace("\"measuredTransmittance\":9.5", "\"measuredTransmittance\":null")
            .replace(
                "\"design\":{", "\"design\":{\"lidOff\":{\"from\":\"00:00\",\"to\":\"23:59\"},");
    Answer made = grounds.keeper.post(grounds.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    String path = grounds.path("/houses/" + own + "/tonight");
    JsonNode standing = grounds.keeper.post(path, low(-5)).body();
    assertThat(standing.path("actions").toString()).contains("LID_OFF");
    JsonNode none =
        grounds.keeper.post(path, low(-5).replace("{\"low", "{\"actions\":[],\"low")).body();
    assertThat(none.path("actions").size()).isZero();
    assertThat(standing.path("stores").get(0).path("toHouseWatts"))
        .isNotEqualTo(none.path("stores").get(0).path("toHouseWatts"));
  }

  @DataProvider
  Object[][] odd() {
    return new Object[][] {
      {"{\"lowCelsius\":-400}", "lowCelsius"},
      {"{\"lowCelsius\":-4,\"wind\":-1}", "wind"},
      {"{\"lowCelsius\":-4,\"cloud\":7}", "cloud"},
      {"{\"lowCelsius\":-4,\"eveningCelsius\":99}", "eveningCelsius"},
      {"{\"lowCelsius\":-4,\"lowAt\":\"2001-01-01T00:00:00Z\"}", "lowAt"},
      {"{\"lowCelsius\":-4,\"lowAt\":\"2101-01-01T00:00:00Z\"}", "lowAt"},
    };
  }

  @Test(dataProvider = "odd")
  public void anOddQuestionIsRefusedByItsField(String question, String field) {
    Answer answer = ask(question);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void aHoldingUnderTheMidnightSunOrInPolarNightIsAnsweredToo() {
    for (double latitude : new double[] {78, -78, 0, -43}) {
      String id =
          grounds
              .keeper
              .post(
                  "/api/holdings",
                  "{\"name\":\"Far\",\"latitude\":%s,\"longitude\":15,\"zone\":\"Europe/London\"}"
                      .formatted(latitude))
              .body()
              .path("id")
              .asString();
      UUID far = UUID.randomUUID();
      String design =
          grounds.keeper.get(grounds.path("/houses/" + house)).body().path("design").toString();
      grounds.keeper.post(
          "/api/holdings/" + id + "/houses",
          "{\"id\":\"%s\",\"name\":\"Far house\",\"design\":%s}".formatted(far, design));
      Answer answer =
          grounds.keeper.post("/api/holdings/" + id + "/houses/" + far + "/tonight", low(-5));
      assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    }
  }

  @Test
  public void whatWasSaidWithNothingTypedIsKnownToTheNextAndWhatWasTypedIsNot() {
    Grounds own = Grounds.fresh();
    own.weather(-3);
    String path = own.path("/houses/" + own.newHouse() + "/tonight");
    assertThat(own.keeper.get(path).status()).isEqualTo(204);
    own.keeper.post(path, "{\"airCelsius\":9}");
    own.keeper.post(path, "{\"quick\":true}");
    assertThat(own.keeper.get(path).status()).isEqualTo(204);
    JsonNode said = own.keeper.post(path, "{\"stores\":[],\"quick\":false}").body();
    JsonNode known = own.keeper.get(path).body();
    assertThat(known.path("night")).isEqualTo(said);
    assertThat(Instant.parse(known.path("at").asString()))
        .as("when it was said, by the program's clock")
        .isCloseTo(
            Instant.ofEpochSecond(said.path("at").path(0).asLong()), within(5, ChronoUnit.MINUTES));
    assertThat(own.keeper.get(grounds.path("/houses/" + house + "/tonight")).status())
        .isIn(403, 404);
  }
}
