package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a kitchen thermometer, a pencil and two pipes to touch come to. */
public class ReadByHandTest {
  private static final int[] HOURS = {6, 9, 12, 15, 30};

  private Grounds grounds;
  private UUID store;

  @BeforeMethod
  void begin() {
    grounds = Grounds.fresh();
    store = UUID.randomUUID();
  }

  private void drum(String probes) {
    String drum =
        Grounds.drum(store, "Drum")
            .replaceAll(
                "\"zone\":\\{[^}]*\\}",
                "\"zone\":{\"reachFraction\":0.6,\"lowFraction\":0.1,\"highFraction\":0.9},"
                    + "\"led\":{\"way\":\"COIL\",\"carrying\":\"WATER\",\"lengthMetres\":12,"
                    + "\"diameterMetres\":0.015,\"wallMetres\":0.001,\"spacingMetres\":0.06}")
            .replace("\"probes\":[", "\"probes\":[" + probes);
    Answer made = grounds.keeper.post(grounds.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
  }

  private String probe(String name, String kind, double radius, double height) {
    return "{\"id\":\"%s\",\"kind\":\"%s\",\"name\":\"%s\",\"radiusFraction\":%s,\"heightFraction\":%s},"
        .formatted(Grounds.probeId(store, name), kind, name, radius, height);
  }

  private static String at(int hour) {
    return "2026-01-%02dT%02d:00:00Z".formatted(12 + hour / 24, hour % 24);
  }

  private void read(String name, int... celsius) {
    StringBuilder rows = new StringBuilder();
    for (int i = 0; i < celsius.length; i++) {
      rows.append(rows.isEmpty() ? "" : ",")
          .append(
              "{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%d\"}"
                  .formatted(Grounds.probeId(store, name), at(HOURS[i]), celsius[i]));
    }
    Answer a =
        grounds.keeper.post(
            grounds.path("/readings"), "{\"fahrenheit\":false,\"readings\":[" + rows + "]}");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private JsonNode few() {
    Answer run =
        grounds.keeper.post(
            grounds.path("/stores/" + store + "/runs"),
            "{\"name\":\"By hand\",\"from\":\"%s\",\"to\":\"%s\"}".formatted(at(6), at(30)));
    Answer few =
        grounds.keeper.get(grounds.path("/runs/" + run.body().path("id").asString() + "/few"));
    assertThat(few.status()).as(few.body().toString()).isEqualTo(200);
    return few.body();
  }

  private void loop(double kilogramsPerSecond) {
    drum(probe("in", "INLET", 1, 0.1) + probe("out", "OUTLET", 1, 0.9));
    grounds.newPart(
        "{\"kind\":\"CIRCUIT\",\"carries\":\"WATER\",\"kilogramsPerSecond\":%s,\"machineWatts\":20,\"ends\":[{\"kind\":\"HELD\",\"celsius\":60},{\"kind\":\"THROUGH\",\"storeId\":\"%s\"}],\"control\":{\"runs\":\"BY_HAND\"}}"
            .formatted(kilogramsPerSecond, store));
    read("in", 60, 60, 60, 60);
    read("out", 55, 55, 55, 55);
    read("half", 12, 22, 31, 39, 30);
    read("edge", 12, 20, 29, 37, 28);
  }

  @Test
  public void aLoopReadFourTimesThatCannotBeRightIsToldByItsFlow() {
    loop(0.05);
    JsonNode loop = few().path("loop");
    assertThat(loop.path("readings").asInt()).isEqualTo(4);
    assertThat(loop.path("agree").asBoolean()).isFalse();
    assertThat(loop.path("flowTimes").asDouble()).isBetween(0.1, 0.5);
    assertThat(loop.path("stored").path("high").asDouble())
        .isLessThan(loop.path("brought").path("low").asDouble());
  }

  @Test
  public void aLoopThatGoesTogetherWithItsStoreCounts() {
    loop(0.009);
    JsonNode few = few();
    assertThat(few.path("loop").path("agree").asBoolean()).as(few.toString()).isTrue();
    assertThat(few.path("hoursGuessed").asBoolean()).isFalse();
  }

  @Test
  public void aSpotOnTheSideAloneTellsWhatItHeld() {
    drum(probe("wall", "SURFACE", 1, 0.5));
    read("wall", 12, 22, 31, 39, 26);
    JsonNode few = few();
    assertThat(few.path("readings").asInt()).isEqualTo(5);
    assertThat(few.path("best").path("value").asDouble()).isBetween(1e6, 2e7);
    assertThat(few.path("best").path("high").asDouble())
        .isGreaterThan(1.2 * few.path("best").path("low").asDouble());
  }
}
