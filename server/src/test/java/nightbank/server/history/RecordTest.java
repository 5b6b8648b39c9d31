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
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Statements and past nights over HTTP. */
public class RecordTest {
  private static final String SPAN = "from=2026-01-10&to=2026-01-14";

  private Grounds grounds;
  private UUID house;
  private UUID store;

  @BeforeClass
  void wrappedDrumInAHouse() throws IOException {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    store = UUID.randomUUID();
    String drum =
        Grounds.drum(store, "Drum").replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    assertThat(grounds.keeper.post(grounds.path("/stores"), drum).status()).isEqualTo(200);
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    JsonNode done = grounds.readIn(grounds.upload(store, "wrapped.csv", file));
    assertThat(done.path("state").asString()).as(done.toString()).isEqualTo("DONE");
  }

  private JsonNode settled(String path) {
    return Awaitility.await()
        .atMost(Duration.ofSeconds(60))
        .pollInterval(Duration.ofMillis(50))
        .until(
            () -> grounds.keeper.get(grounds.path(path)).body(),
            b -> b.path("pending").asInt(-1) == 0);
  }

  @Test
  public void tooFewNightsSayNothingOfAChange() {
    JsonNode nights = settled("/houses/" + house + "/nights?" + SPAN);
    assertThat(nights.path("since").isArray()).isTrue();
    assertThat(nights.path("since")).isEmpty();
  }

  @Test
  public void theLedgerOfAnyTimeClosesAndItsDaysAddUp() {
    JsonNode s = settled("/statement?" + SPAN + "&store=" + store);
    JsonNode sums = s.path("sums");
    double out = 0;
    for (String part : new String[] {"closing", "delivered", "early", "lost", "residual"}) {
      out += sums.path(part).asDouble();
    }
    assertThat(out)
        .isCloseTo(
            sums.path("opening").asDouble()
                + sums.path("charged").asDouble()
                + sums.path("own").asDouble(),
            within(1.0));
    double charged = 0;
    for (JsonNode day : s.path("days")) {
      charged += day.path("charged").asDouble();
    }
    assertThat(charged).isCloseTo(sums.path("charged").asDouble(), within(1.0));
    assertThat(charged / 3.6e6).as("five hours of 620 W").isCloseTo(3.1, within(0.5));
    assertThat(Math.abs(sums.path("residual").asDouble())).isLessThan(0.2 * charged);
  }

  @Test
  public void theHoldingsStatementIsTheSumOfItsStores() {
    JsonNode whole = settled("/statement?" + SPAN);
    JsonNode one = settled("/statement?" + SPAN + "&store=" + store);
    assertThat(whole.path("sums").path("charged").asDouble())
        .isCloseTo(one.path("sums").path("charged").asDouble(), within(1.0));
    assertThat(whole.path("stores").size()).isEqualTo(1);
  }

  @Test
  public void woodAndWorkAreCountedAndPricedWhereThePriceIsKnown() {
    Grounds own = Grounds.fresh();
    own.newDrum();
    for (String e :
        new String[] {
          "\"kind\":\"FIRE_LIT\",\"at\":\"2026-01-11T17:00:00Z\",\"amount\":6,\"moisture\":0.2",
          "\"kind\":\"FUEL_ADDED\",\"at\":\"2026-01-11T19:00:00Z\",\"amount\":4,\"moisture\":null",
          "\"kind\":\"SEEN\",\"at\":\"2026-01-11T20:00:00Z\",\"note\":\"Smoke\"",
          "\"kind\":\"FIRE_LIT\",\"at\":\"2025-12-11T17:00:00Z\",\"amount\":99"
        }) {
      Answer a =
          own.keeper.post(own.path("/events"), "{\"id\":\"" + UUID.randomUUID() + "\"," + e + "}");
      assertThat(a.status()).as(a.body().toString()).isLessThan(300);
    }
    JsonNode effort = own.keeper.get(own.path("/statement?" + SPAN)).body().path("effort");
    assertThat(effort.path("fires").asInt()).isEqualTo(1);
    assertThat(effort.path("woodKilograms").asDouble()).isEqualTo(10);
    assertThat(effort.path("fuelJoules").asDouble())
        .isCloseTo(
            6e6 * (19.0 * 0.8 - 2.44 * 0.2) + 4e6 * (19.0 * 0.82 - 2.44 * 0.18), within(1.0));
    assertThat(effort.path("hours").asDouble()).isCloseTo((15 + 24 + 16) / 60.0, within(1e-6));
    assertThat(own.keeper.get(own.path("/statement?" + SPAN)).body().path("cost").isNull())
        .isTrue();
    Answer priced =
        own.keeper.put(
            own.path("/book"),
            "\"0\"",
            "{\"currency\":\"£\",\"media\":[],\"prices\":[{\"of\":\"firewood\",\"pack\":\"net\",\"amount\":20,\"unit\":\"KILOGRAM\",\"price\":6}]}");
    assertThat(priced.status()).as(priced.body().toString()).isEqualTo(200);
    assertThat(own.keeper.get(own.path("/statement?" + SPAN)).body().path("cost").asDouble())
        .isCloseTo(3, within(1e-9));
  }

  @Test
  public void aNightIsToldByItsLowAndByIceThatSomebodySaw() {
    String path = "/houses/" + house + "/nights?" + SPAN;
    JsonNode nights = settled(path).path("nights");
    assertThat(nights.size()).isGreaterThanOrEqualTo(2);
    JsonNode first = nights.path(0);
    double low = first.path("lowestCelsius").asDouble();
    assertThat(first.path("verdict").asString())
        .isEqualTo(low < 1.5 ? "LOST" : low < 3 ? "CLOSE" : "HELD");
    assertThat(first.path("outdoorLowest").isNull()).isTrue();
    assertThat(first.path("paid").toString()).contains("Drum");
    grounds.keeper.post(
        grounds.path("/events"),
        "{\"id\":\"%s\",\"kind\":\"SEEN\",\"at\":\"%sT23:00:00Z\",\"note\":\"No ice anywhere\"}"
            .formatted(UUID.randomUUID(), first.path("evening").asString()));
    assertThat(settled(path).path("nights").path(0).path("verdict").asString())
        .as("a note is no thermometer")
        .isEqualTo(first.path("verdict").asString());
    grounds.keeper.post(
        grounds.path("/events"),
        "{\"id\":\"%s\",\"kind\":\"ICE\",\"at\":\"%sT23:00:00Z\",\"note\":\"Ice\"}"
            .formatted(UUID.randomUUID(), first.path("evening").asString()));
    JsonNode then = settled(path).path("nights").path(0);
    assertThat(then.path("seen").toString()).contains("Ice");
    assertThat(then.path("verdict").asString()).isNotEqualTo("HELD");
  }

  @Test
  public void aReadingThatComesLateTakesBackWhatWasJudgedWithoutIt() {
    String path = "/statement?" + SPAN + "&store=" + store;
    settled(path);
    Answer late =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-12T03:00:20Z\",\"typed\":\"40\"}]}"
                .formatted(Grounds.probeId(store, "edge")));
    assertThat(late.status()).isEqualTo(200);
    assertThat(grounds.keeper.get(grounds.path(path)).body().path("pending").asInt()).isPositive();
    settled(path);
  }

  @Test
  public void aHouseWithoutAThermometerOutdoorsIsNotLearnedAndEveryNightSaysWhy() {
    JsonNode view = settled("/houses/" + house + "/nights/learned?" + SPAN);
    assertThat(view.path("learned").isNull()).isTrue();
    assertThat(view.path("nights").size()).isZero();
    assertThat(view.path("leftOut").size()).isPositive();
    assertThat(view.path("leftOut").findValuesAsString("reason"))
        .allMatch(r -> r.equals("OUTDOORS_UNREAD") || r.equals("AIR_UNREAD"))
        .contains("OUTDOORS_UNREAD");
  }

  /** A logger that sends all day must not keep its own day from ever being told. */
  @Test
  public void aReadingAfterTheLastLeavesTheDayAsItWasForAWhile() throws IOException {
    Grounds own = Grounds.fresh();
    UUID drum = own.newDrum();
    UUID other = own.newDrum();
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    own.readIn(own.upload(drum, "wrapped.csv", file));
    String path = own.path("/statement?" + SPAN);
    Awaitility.await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> own.keeper.get(path).body().path("pending").asInt(-1) == 0);
    for (String at : new String[] {"2026-01-20T03:00:20Z", "2026-01-20T03:00:40Z"}) {
      Answer later = own.keeper.post(own.path("/readings"), reading(drum, at));
      assertThat(later.status()).isEqualTo(200);
    }
    assertThat(own.keeper.get(path).body().path("pending").asInt()).isZero();
    own.keeper.post(own.path("/readings"), reading(other, "2026-01-11T03:00:00Z"));
    assertThat(
            own.keeper
                .get(own.path("/statement?" + SPAN + "&store=" + drum))
                .body()
                .path("pending")
                .asInt())
        .as("another store's late reading")
        .isZero();
  }

  private static String reading(UUID store, String at) {
    return "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"20\"}]}"
        .formatted(Grounds.probeId(store, "edge"), at);
  }

  @DataProvider
  Object[][] odd() {
    return new Object[][] {
      {"/statement?from=2026-02-01&to=2026-01-01", 422},
      {"/statement?from=2020-02-01&to=2026-01-01", 422},
      {"/statement?from=yesterday&to=2026-01-01", 400},
      {"/statement?to=2026-01-01", 400},
      {"/statement?" + SPAN + "&store=" + UUID.randomUUID(), 404},
      {"/houses/" + UUID.randomUUID() + "/nights?" + SPAN, 404},
      {"/houses/" + UUID.randomUUID() + "/nights/learned?" + SPAN, 404},
      {"/houses/" + house + "/nights/learned?from=2026-02-01&to=2026-01-01", 422},
    };
  }

  @Test(dataProvider = "odd")
  public void anOddQuestionIsAnsweredPlainly(String path, int status) {
    Answer a = grounds.keeper.get(grounds.path(path));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(status);
    assertThat(a.body().path("detail").asString()).isNotBlank();
  }
}
