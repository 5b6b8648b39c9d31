package nightbank.server.book;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import nightbank.server.Grounds;
import nightbank.server.Visitor;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Prices and media of a holding's own. */
public class BookTest {
  private static final String SAND =
      """
      {"of":"dry-sand","pack":"bag","amount":25,"unit":"KILOGRAM","price":4}
      """;
  private static final String CLINKER =
      """
      {"id":"own-1","name":"Clinker","density":1100,"specificHeat":850,"conductivity":0.4,
       "moisture":0,"highestCelsius":700,"spread":0.1,"note":"weighed in a bucket"}
      """;

  private Grounds grounds;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  private static String book(String prices, String media) {
    return "{\"currency\":\"£\",\"prices\":[" + prices + "],\"media\":[" + media + "]}";
  }

  private Visitor.Answer write(Grounds g, String body, int version) {
    return g.keeper.put(g.path("/book"), "\"" + version + "\"", body);
  }

  @Test
  public void pricesMakeBagsAndCost() {
    Grounds own = Grounds.fresh();
    UUID drum = own.newDrum();
    assertThat(own.keeper.get(own.path("/book")).body().path("version").asInt()).isZero();
    assertThat(write(own, book(SAND, ""), 0).status()).isEqualTo(200);
    var a = own.keeper.get(own.path("/stores/" + drum)).body().path("appraisal");
    assertThat(a.path("packs").asInt()).isEqualTo(10);
    assertThat(a.path("cost").asDouble()).isEqualTo(40);
    assertThat(a.path("currency").asString()).isEqualTo("£");
  }

  @Test
  public void aMediumOfOnesOwnFillsAStore() {
    Grounds own = Grounds.fresh();
    assertThat(write(own, book("", CLINKER), 0).status()).isEqualTo(200);
    UUID id = UUID.randomUUID();
    String drum =
        Grounds.drum(id, "Drum")
            .replace("\"medium\":\"dry-sand\",\"measuredDensity\":1550", "\"medium\":\"own-1\"")
            .replace("\"measuredSpecificHeat\":825,", "");
    var made = own.keeper.post(own.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    double volume = Math.PI * 0.28 * 0.28 * 0.62;
    assertThat(made.body().path("appraisal").path("massKg").asDouble())
        .isCloseTo(volume * 1100, org.assertj.core.api.Assertions.within(0.01));
    var stranger = Grounds.fresh();
    assertThat(stranger.keeper.post(stranger.path("/stores"), drum).status()).isEqualTo(422);
  }

  private static final String FELT =
      """
      {"id":"own-2","name":"Felted wool","conductivityLow":0.04,"conductivity":0.05,
       "conductivityHigh":0.07,"wetFactor":4,"highestCelsius":110,"note":"two layers on a crate"}
      """;
  private static final String BRACKEN =
      """
      {"id":"own-3","name":"Bracken","carbonToNitrogen":45,"nitrogen":0.011,"moisture":0.3,
       "density":120,"volatileShare":0.92,"degradableLow":0.3,"degradable":0.4,
       "degradableHigh":0.55,"note":"cut in October"}
      """;

  private static String owned(String insulation, String feedstocks) {
    return "{\"currency\":\"\",\"prices\":[],\"media\":[],\"insulation\":[%s],\"feedstocks\":[%s]}"
        .formatted(insulation, feedstocks);
  }

  @Test
  public void insulationOfOnesOwnWrapsAStoreAndStaysWhileItDoes() {
    Grounds own = Grounds.fresh();
    assertThat(write(own, owned(FELT, ""), 0).status()).isEqualTo(200);
    UUID id = UUID.randomUUID();
    String layer =
        "{\"kind\":\"BULK\",\"material\":\"own-2\",\"thicknessMetres\":0.1,\"wet\":false}";
    String drum =
        Grounds.drum(id, "Drum")
            .replace(
                "\"side\":{\"layers\":[],\"measuredTransmittance\":0.9}",
                "\"side\":{\"layers\":[" + layer + "]}");
    var made = own.keeper.post(own.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    double side =
        made.body().path("appraisal").path("faces").path(0).path("transmittance").asDouble();
    assertThat(1 / side).isBetween(0.1 / 0.06, 0.1 / 0.05 + 0.3); // warmer wool, and the film
    var out = write(own, owned("", ""), 1);
    assertThat(out.status()).isEqualTo(422);
    assertThat(out.body().path("detail").asString()).contains("“Drum”");
    assertThat(own.keeper.get(own.path("/book")).body().path("version").asInt()).isEqualTo(1);
  }

  @Test
  public void feedOfOnesOwnHeatsAHeapWithTheDoubtThatWasTyped() {
    Grounds own = Grounds.fresh();
    assertThat(write(own, owned("", BRACKEN), 0).status()).isEqualTo(200);
    String heap =
        """
        {"design":{"shape":"BOX","lengthMetres":2,"widthMetres":2,"heightMetres":1.2,"count":1,
          "medium":"compost","side":{"layers":[]},"top":{"layers":[]},"foot":{"layers":[]},
          "place":{"where":"OUTDOORS","footing":"ON_GROUND"},"floorCelsius":10,"chargeToCelsius":55},
         "fed":[{"feedstock":"own-3","kilograms":400,"at":null}]}
        """;
    var worth = own.keeper.post(own.path("/heap"), heap);
    assertThat(worth.status()).as(worth.body().toString()).isEqualTo(200);
    double solids = worth.body().path("solidsKilograms").asDouble();
    assertThat(solids)
        .isCloseTo(400 * 0.7 * 0.92 * 0.4, org.assertj.core.api.Assertions.within(0.5));
    assertThat(worth.body().path("solidsLow").asDouble() / solids)
        .isCloseTo(0.75, org.assertj.core.api.Assertions.within(1e-6));
    assertThat(Grounds.fresh().keeper.post(own.path("/heap"), heap).status()).isEqualTo(404);
    Grounds stranger = Grounds.fresh();
    assertThat(stranger.keeper.post(stranger.path("/heap"), heap).status()).isEqualTo(422);
  }

  @DataProvider
  Object[][] impossible() {
    return new Object[][] {
      {FELT.replace("\"conductivityLow\":0.04", "\"conductivityLow\":0"), "", "insulation.0"},
      {FELT.replace("\"conductivityLow\":0.04", "\"conductivityLow\":0.2"), "", "insulation.0"},
      {FELT.replace("\"wetFactor\":4", "\"wetFactor\":0.2"), "", "insulation.0"},
      {FELT.replace("own-2", "straw"), "", "insulation.0.id"},
      {"", BRACKEN.replace("\"moisture\":0.3", "\"moisture\":30"), "feedstocks.0"},
      {"", BRACKEN.replace("0.55", "1.55"), "feedstocks.0"},
      {"", BRACKEN.replace("Bracken", ""), "feedstocks.0.name"},
      {FELT, BRACKEN.replace("own-3", "own-2"), "feedstocks.0.id"},
      {"null", "", "insulation.0.name"},
    };
  }

  @Test(dataProvider = "impossible")
  public void whatCannotBeIsRefusedByTheNameOfItsField(
      String insulation, String feedstocks, String field) {
    var answer = write(grounds, owned(insulation, feedstocks), 0);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {SAND.replace("25", "0"), "", "prices.0.price"},
      {SAND.replace("\"price\":4", "\"price\":-1"), "", "prices.0.price"},
      {SAND.replace("\"price\":4", "\"price\":1e12"), "", "prices.0.price"},
      {SAND.replace("\"KILOGRAM\"", "null"), "", "prices.0"},
      {SAND + "," + SAND, "", "prices.1"},
      {SAND.replace("bag", "b".repeat(60)), "", "prices.0.pack"},
      {"", CLINKER.replace("1100", "1e9"), "media.0"},
      {"", CLINKER.replace("\"moisture\":0", "\"moisture\":1.5"), "media.0"},
      {"", CLINKER.replace("\"highestCelsius\":700", "\"highestCelsius\":-4"), "media.0"},
      {"", CLINKER.replace("\"spread\":0.1", "\"spread\":9"), "media.0"},
      {"", CLINKER.replace("own-1", "dry-sand"), "media.0.id"},
      {"", CLINKER.replace("Clinker", " "), "media.0.name"},
      {"", CLINKER + "," + CLINKER, "media.1.id"},
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedByTheNameOfItsField(String prices, String media, String field) {
    var answer = write(grounds, book(prices, media), 0);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
    assertThat(answer.body().path("remedy").asString()).isNotBlank();
    assertThat(grounds.keeper.get(grounds.path("/book")).body().path("version").asInt()).isZero();
  }

  @Test
  public void ofTwoAtOnceOneIsToldThatTheOtherWasFirst() {
    Grounds own = Grounds.fresh();
    write(own, book("", ""), 0);
    var a = CompletableFuture.supplyAsync(() -> write(own, book(SAND, ""), 1));
    var b = CompletableFuture.supplyAsync(() -> write(own, book("", CLINKER), 1));
    assertThat(java.util.List.of(a.join().status(), b.join().status()))
        .containsExactlyInAnyOrder(200, 412);
  }

  @Test
  public void strangersFindNoBookAndGuestsWriteNone() {
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(grounds.path("/book")).status()).isEqualTo(404);
    assertThat(other.keeper.put(grounds.path("/book"), "\"0\"", book(SAND, "")).status())
        .isEqualTo(404);
  }
}
