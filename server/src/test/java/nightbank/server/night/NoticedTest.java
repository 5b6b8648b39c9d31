package nightbank.server.night;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is said unasked, of what is known anyway. */
public class NoticedTest {
  private final Instant now = Instant.now();
  private Grounds grounds;
  private UUID house;

  @BeforeMethod
  void aHouse() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
  }

  private JsonNode noticed() {
    return grounds.keeper.get(grounds.path("/houses/" + house + "/noticed")).body();
  }

  private List<String> rules() {
    return noticed().path("remarks").findValuesAsString("rule");
  }

  private void sent(String path, String body) {
    Answer a = grounds.keeper.post(grounds.path(path), body);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private UUID heap(double fedKilograms) {
    UUID heap = UUID.randomUUID();
    sent("/stores", Grounds.heap(heap, "Heap", house));
    sent(
        "/parts",
        """
        {"id":"%s","name":"Its heat","houseId":"%s","design":{"kind":"HEAP","storeId":"%s",
         "fed":[{"feedstock":"horse-manure","kilograms":%s,"at":"%s"}]}}
        """
            .formatted(
                UUID.randomUUID(), house, heap, fedKilograms, now.minus(Duration.ofDays(9))));
    return heap;
  }

  @Test
  public void aHeapThatNobodyFilledIsToldWithWhatWasReadAndOneThatWasIsNot() {
    UUID heap = heap(300);
    JsonNode said = noticed().path("remarks").path(0);
    assertThat(said.path("rule").asString()).isEqualTo("HEAP_LIGHT");
    assertThat(said.path("of").asString()).isEqualTo(heap.toString());
    assertThat(said.path("name").asString()).isEqualTo("Heap");
    assertThat(said.path("seen").asDouble()).isEqualTo(300);
    assertThat(said.path("against").asDouble()).isBetween(1100.0, 1300.0);
    sent(
        "/events",
        """
        {"id":"%s","storeId":"%s","kind":"HEAP","at":"%s","note":"","amount":500}
        """
            .formatted(UUID.randomUUID(), heap, now.minus(Duration.ofDays(2))));
    assertThat(rules()).as("what the log says counts").isEmpty();
  }

  @Test
  public void whatIsPutAwayIsNotSaidUntilAskedAgain() {
    UUID heap = heap(300);
    assertThat(putAway(heap)).isEqualTo(204);
    assertThat(putAway(heap)).as("twice is once").isEqualTo(204);
    assertThat(putAway(UUID.randomUUID())).as("there is no such thing").isEqualTo(404);
    assertThat(rules()).isEmpty();
    assertThat(noticed().path("putAway").asInt()).isEqualTo(1);
    assertThat(grounds.keeper.delete(grounds.path("/put-away")).status()).isEqualTo(204);
    assertThat(rules()).containsExactly("HEAP_LIGHT");
  }

  private int putAway(UUID subject) {
    String what = "{\"rule\":\"HEAP_LIGHT\",\"subject\":\"%s\"}".formatted(subject);
    return grounds.keeper.post(grounds.path("/put-away"), what).status();
  }

  @Test
  public void anEveningThatOverheatsTheHouseIsToldOnceItsLowIsKnown() {
    grounds.newPart(
        """
        {"kind":"HEATER","heats":[{"to":"HOUSE"}],"fuel":"paraffin","watts":30000,"flue":false,"indoors":true,
         "control":{"runs":"ALWAYS"}}
        """,
        house);
    assertThat(rules()).as("nobody said how cold it gets").isEmpty();
    grounds.weather(2);
    assertThat(rules()).containsExactly("EVENING_TOO_WARM");
    JsonNode said = noticed().path("remarks").path(0);
    assertThat(said.path("seen").asDouble()).isGreaterThan(said.path("against").asDouble());
    assertThat(Instant.parse(said.path("at").asString())).isAfter(now);
  }

  /** With a loop to the house that runs by itself. */
  private UUID ledHeap() {
    UUID heap = UUID.randomUUID();
    sent(
        "/stores",
        Grounds.heap(heap, "Heap", house)
            .replaceAll(
                "\"zone\":\\{[^}]*\\}",
                "\"zone\":{\"reachFraction\":0.8,\"lowFraction\":0.2,\"highFraction\":0.8},"
                    + "\"led\":{\"way\":\"COIL\",\"carrying\":\"WATER\",\"lengthMetres\":60,"
                    + "\"diameterMetres\":0.025,\"wallMetres\":0.0025,\"spacingMetres\":0.15}"));
    grounds.newPart(
        """
        {"kind":"HEAP","storeId":"%s","fed":[{"feedstock":"horse-manure","kilograms":1200,"at":"%s"}]}
        """
            .formatted(heap, now.minus(Duration.ofDays(60))),
        house);
    grounds.newPart(
        """
        {"kind":"CIRCUIT","carries":"WATER","kilogramsPerSecond":0.1,"machineWatts":20,"control":{"runs":"ALWAYS"},
         "ends":[{"kind":"THROUGH","storeId":"%s"},{"kind":"RADIATOR","wattsPerKelvin":90}]}
        """
            .formatted(heap),
        house);
    return heap;
  }

  private JsonNode ahead(UUID heap, double celsius) {
    Answer a =
        grounds.keeper.post(
            grounds.path("/houses/" + house + "/nights-ahead"),
            "{\"quick\":true,\"stores\":[{\"id\":\"%s\",\"celsius\":%s}]}"
                .formatted(heap, celsius));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body().path("noticed");
  }

  @Test
  public void aHeapThatTheNightsAheadDrawTooColdIsToldBeforehand() {
    UUID heap = ledHeap();
    grounds.weather(-9);
    JsonNode said = ahead(heap, 52).path(0);
    assertThat(said.path("rule").asString()).isEqualTo("HEAP_OVERDRAWN");
    assertThat(said.path("of").asString()).isEqualTo(heap.toString());
    assertThat(said.path("seen").asDouble()).isLessThan(45);
    assertThat(said.path("against").asDouble()).isGreaterThan(said.path("seen").asDouble() + 5);
    assertThat(Instant.parse(said.path("at").asString())).isAfter(now);
    assertThat(ahead(heap, 25)).as("it was cold before").isEmpty();
  }
}
