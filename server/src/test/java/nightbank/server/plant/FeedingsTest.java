package nightbank.server.plant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A heap that is fed from the log. */
public class FeedingsTest {
  private final Grounds grounds = Grounds.fresh();
  private final Instant now = Instant.now();
  private UUID house;
  private UUID heap;

  @BeforeMethod
  void heap() {
    house = grounds.newHouse();
    heap = UUID.randomUUID();
    sent("/stores", Grounds.heap(heap, "Heap " + heap, house));
    sent(
        "/parts",
        """
        {"id":"%s","name":"Its heat","houseId":"%s","design":{"kind":"HEAP","storeId":"%s",
         "fed":[{"feedstock":"horse-manure","kilograms":700,"at":"%s"}]}}
        """
            .formatted(UUID.randomUUID(), house, heap, ago(12)));
  }

  private String ago(double days) {
    return now.minusSeconds((long) (days * Duration.ofDays(1).toSeconds())).toString();
  }

  private void sent(String path, String body) {
    Answer a = grounds.keeper.post(grounds.path(path), body);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private UUID fed(String kilograms, double days, String note) {
    return fed('"' + heap.toString() + '"', kilograms, days, note);
  }

  private UUID fed(String store, String kilograms, double days, String note) {
    UUID id = UUID.randomUUID();
    sent(
        "/events",
        """
        {"id":"%s","storeId":%s,"kind":"HEAP","at":"%s","note":"%s","amount":%s}
        """
            .formatted(id, store, ago(days), note, kilograms));
    return id;
  }

  private JsonNode tonight() {
    return grounds
        .keeper
        .post(grounds.path("/houses/" + house + "/tonight"), "{\"lowCelsius\":-5}")
        .body();
  }

  private static double makes(JsonNode night) {
    return night.path("parts").path(0).path("heatJoules").asDouble();
  }

  private static double told(JsonNode night) {
    for (JsonNode a : night.path("assumptions")) {
      if (a.path("code").asString().equals("HEAP_FED")) {
        return a.path("value").asDouble();
      }
    }
    return 0;
  }

  @Test
  public void whatIsLoggedAsFedChangesTheNightAndIsTakenBackWithIt() {
    JsonNode before = tonight();
    assertThat(told(before)).isZero();
    UUID event = fed("300", 8, "");
    JsonNode with = tonight();
    assertThat(told(with)).isCloseTo(300, within(1e-9));
    assertThat(makes(with)).isNotCloseTo(makes(before), within(0.1 * makes(before)));
    grounds.keeper.delete(grounds.path("/events/" + event));
    assertThat(makes(tonight())).isCloseTo(makes(before), within(0.02 * makes(before)));
  }

  @Test
  public void whatItsOwnListHasIsNotCountedTwiceAndTurningIsNoFeeding() {
    fed("400", 20, "");
    fed("null", 1, "turned");
    assertThat(told(tonight())).isZero();
  }

  @Test
  public void whatWasPutElsewhereOrNobodySaysWhereIsNotThisHeaps() {
    UUID other = heap;
    heap();
    fed('"' + other.toString() + '"', "250", 2, "");
    fed("null", "250", 2, "");
    assertThat(told(tonight())).isZero();
  }

  @Test
  public void aWinterOfItIsToldByItsThermometersAndWhatItWasFed() {
    read("core", 6, 52);
    read("half", 6, 58.5);
    read("core", 5, 41);
    read("air", 5, 60);
    fed("250", 8, "straw");
    LocalDate today = now.atZone(ZoneOffset.UTC).toLocalDate();
    JsonNode winter = winter();
    assertThat(winter.path("storeId").asString()).isEqualTo(heap.toString());
    assertThat(winter.path("days").findValuesAsString("celsius")).containsExactly("58.5", "41.0");
    assertThat(winter.path("warm").asInt()).isEqualTo(1);
    assertThat(winter.path("fed").findValuesAsString("kilograms"))
        .containsExactly("700.0", "250.0");
    assertThat(winter.at("/fed/1/feedstock").asString()).isEqualToIgnoringCase("straw");
    String late = "?from=%s&to=%s".formatted(today.minusDays(9), today);
    assertThat(
            grounds
                .keeper
                .get(grounds.path("/houses/" + house + "/heaps" + late))
                .body()
                .at("/0/fed"))
        .hasSize(1);
    String back = "?from=%s&to=%s".formatted(today, today.minusDays(9));
    assertThat(grounds.keeper.get(grounds.path("/houses/" + house + "/heaps" + back)).status())
        .isEqualTo(422);
  }

  private void read(String probe, double days, double celsius) {
    sent(
        "/readings",
        "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
            .formatted(Grounds.probeId(heap, probe), ago(days), celsius));
  }

  @Test
  public void compostTakenOutTakesFromItsHeatAndIsPutBackByUndo() {
    JsonNode before = tonight();
    UUID out = UUID.randomUUID();
    sent(
        "/events",
        """
        {"id":"%s","storeId":"%s","kind":"COMPOST_OUT","at":"%s","note":"","amount":175}
        """
            .formatted(out, heap, ago(2)));
    assertThat(makes(tonight())).isLessThan(0.7 * makes(before));
    JsonNode fed = winter().path("fed");
    assertThat(fed.findValuesAsString("kilograms")).as("it was fed all the same").contains("700.0");
    grounds.keeper.delete(grounds.path("/events/" + out));
    assertThat(makes(tonight())).isCloseTo(makes(before), within(0.02 * makes(before)));
  }

  private JsonNode winter() {
    LocalDate today = now.atZone(ZoneOffset.UTC).toLocalDate();
    String span = "?from=%s&to=%s".formatted(today.minusDays(14), today);
    return grounds.keeper.get(grounds.path("/houses/" + house + "/heaps" + span)).body().path(0);
  }

  @Test
  public void strawberryTopsAreNoStraw() {
    fed("200", 8, "strawberry tops");
    assertThat(tonight().path("assumptions").toString()).contains("horse manure with bedding");
    heap();
    fed("200", 8, "Straw, wet");
    assertThat(tonight().path("assumptions").toString()).contains("Its heat (straw)");
  }

  @Test
  public void theNoteSaysWhatOfAndWithoutOneItIsOfTheSameAsBefore() {
    double straw = makesFed("Straw, wet");
    double manure = makesFed("some horse manure with bedding");
    assertThat(straw).as("four times as much in it can burn").isGreaterThan(1.5 * manure);
    assertThat(makesFed("")).isCloseTo(manure, within(0.001 * manure));
  }

  private double makesFed(String note) {
    heap();
    fed("200", 8, note);
    return makes(tonight());
  }

  private JsonNode worth(String more) {
    String design =
        grounds
            .keeper
            .get(grounds.path("/stores/" + heap))
            .body()
            .path("design")
            .toString()
            .replaceAll("\"measuredTransmittance\":[0-9.]+", "\"measuredTransmittance\":0.3");
    Answer a =
        grounds.keeper.post(
            grounds.path("/heap"),
            """
            {"design":%s,"storeId":"%s","fed":[{"feedstock":"horse-manure","kilograms":700,"at":"%s"}]%s}
            """
                .formatted(design, heap, ago(12), more));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body();
  }

  @Test
  public void itsOwnPageCountsWhatTheLogSays() {
    double before = worth("").path("solidsKilograms").asDouble();
    fed("240", 1, "horse manure");
    JsonNode after = worth("");
    assertThat(after.path("logged").path(0).path("kilograms").asDouble()).isEqualTo(240);
    assertThat(after.path("solidsKilograms").asDouble()).isGreaterThan(before + 20);
  }

  @Test
  public void forLittleItIsFedRarelyAndForTooMuchNoFeedingIsAdvised() {
    JsonNode worth = worth(",\"watts\":1");
    assertThat(worth.at("/rhythm/everyDays").asInt()).isIn(0, 14);
    assertThat(worth.at("/rhythm/lowestCelsius").asDouble())
        .isGreaterThanOrEqualTo(worth.path("keepCelsius").asDouble());
    JsonNode much = worth(",\"watts\":90000").path("rhythm");
    assertThat(much.path("everyDays").asInt()).isEqualTo(-1);
    assertThat(much.path("lowestCelsius").isNull()).isTrue();
  }

  @Test
  public void theHeapBookHasEveryFeedingWithWhatIsLeftOfIt() {
    fed("200", 1, "straw");
    JsonNode book = book("[{\"feedstock\":\"horse-manure\",\"kilograms\":700,\"at\":\"%s\"}]");
    JsonNode old = book.path("layers").path(0);
    JsonNode young = book.path("layers").path(1);
    assertThat(book.path("layers").size()).isEqualTo(2);
    assertThat(old.path("kilograms").asDouble()).isEqualTo(700);
    assertThat(old.path("logged").asBoolean()).isFalse();
    assertThat(young.path("feedstock").asString()).isEqualTo("Straw");
    assertThat(young.path("logged").asBoolean()).isTrue();
    assertThat(old.path("left").asDouble()).isBetween(0.0, young.path("left").asDouble());
    assertThat(young.path("left").asDouble()).isBetween(0.5, 1.0);
    JsonNode course = book.path("course");
    assertThat(course.path("read").asBoolean()).as("nobody read it").isFalse();
    assertThat(course.path("days").size()).isEqualTo(course.path("unfed").size());
    int end = course.path("days").size() - 1;
    assertThat(course.path("unfed").path(end).asDouble())
        .isBetween(
            course.path("low").path(end).asDouble(), course.path("high").path(end).asDouble());
  }

  @Test
  public void aHeapThatOnlyTheLogKnowsOfHasItsBookToo() {
    fed("400", 3, "horse manure");
    JsonNode book = book("[]");
    assertThat(book.path("layers").size()).isEqualTo(1);
    assertThat(book.path("kilograms").asDouble()).isEqualTo(400);
  }

  private JsonNode book(String fed) {
    JsonNode design = grounds.keeper.get(grounds.path("/stores/" + heap)).body().path("design");
    Answer a =
        grounds.keeper.post(
            grounds.path("/heap"),
            "{\"design\":%s,\"fed\":%s,\"storeId\":\"%s\"}"
                .formatted(design, fed.formatted(ago(12)), heap));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body();
  }
}
