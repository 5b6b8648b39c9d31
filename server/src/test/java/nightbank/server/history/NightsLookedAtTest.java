package nightbank.server.history;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Nights are held, close or lost only as far as somebody looked. */
public class NightsLookedAtTest {
  private Grounds grounds;
  private UUID house;
  private UUID store;

  @BeforeMethod
  void aHouseWithThermometersReadByHand() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    store = UUID.randomUUID();
    String keeps =
        ",{\"id\":\"%s\",\"kind\":\"LOWEST\",\"name\":\"lowest\",\"radiusFraction\":1,\"heightFraction\":0.5},"
                .formatted(Grounds.probeId(store, "lowest"))
            + "{\"id\":\"%s\",\"kind\":\"OUTDOOR\",\"name\":\"outdoors\",\"radiusFraction\":1,\"heightFraction\":0.5}]}"
                .formatted(Grounds.probeId(store, "outdoors"));
    String drum =
        Grounds.drum(store, "Drum")
            .strip()
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    drum = drum.substring(0, drum.lastIndexOf("]}")) + keeps;
    Answer made = grounds.keeper.post(grounds.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
  }

  private void read(String probe, String at, double celsius) {
    Answer a =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
                .formatted(Grounds.probeId(store, probe), at, celsius));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private void seen(String kind, String at) {
    Answer a =
        grounds.keeper.post(
            grounds.path("/events"),
            "{\"id\":\"%s\",\"kind\":\"%s\",\"at\":\"%s\",\"note\":\"\"}"
                .formatted(UUID.randomUUID(), kind, at));
    assertThat(a.status()).as(a.body().toString()).isLessThan(300);
  }

  private JsonNode nights() {
    JsonNode all =
        grounds
            .keeper
            .get(grounds.path("/houses/" + house + "/nights?from=2026-01-10&to=2026-01-14"))
            .body();
    assertThat(all.path("nights").isArray()).as(all.toString()).isTrue();
    return all;
  }

  private JsonNode night(String evening) {
    for (JsonNode n : nights().path("nights")) {
      if (n.path("evening").asString().equals(evening)) {
        return n;
      }
    }
    throw new AssertionError("no night of " + evening);
  }

  @Test
  public void oneReadingAtFiveDoesNotHoldANight() {
    read("air", "2026-01-12T17:00:00Z", 9);
    JsonNode all = nights();
    JsonNode n = night("2026-01-12");
    assertThat(n.path("verdict").asString()).isEqualTo("UNKNOWN");
    assertThat(n.path("model").isNull()).as("nobody knows the weather").isTrue();
    assertThat(n.path("unreadFrom").asString()).isEqualTo("2026-01-12T17:00:00Z");
    assertThat(all.path("held").asInt()).isZero();
    assertThat(all.path("unknown").asInt()).isEqualTo(1);
  }

  @Test
  public void theModelSaysWhereTheLowLiesOnceOutdoorsWasRead() {
    read("air", "2026-01-12T17:00:00Z", 9);
    for (int h = 16; h < 24; h++) {
      everyTenMinutes("2026-01-12T%02d:".formatted(h));
    }
    for (int h = 0; h < 9; h++) {
      everyTenMinutes("2026-01-13T%02d:".formatted(h));
    }
    JsonNode n = night("2026-01-12");
    assertThat(n.path("verdict").asString()).isEqualTo("UNKNOWN");
    assertThat(n.path("outdoorLowest").asDouble()).isEqualTo(-4);
    assertThat(n.path("model").path("lowCelsius").asDouble()).isBetween(-5.5, 4.0);
    assertThat(n.path("model").path("highCelsius").asDouble()).isBetween(4.0, 10.0);
    assertThat(n.path("liftKelvin").isNull()).isTrue();
  }

  private void everyTenMinutes(String hour) {
    for (int m = 0; m < 60; m += 10) {
      read("outdoors", hour + "%02d:00Z".formatted(m), -4);
    }
  }

  @Test
  public void aThermometerThatKeepsItsLowestTellsTheNightBefore() {
    read("air", "2026-01-12T17:00:00Z", 9);
    read("lowest", "2026-01-13T08:10:00Z", 1.2);
    JsonNode n = night("2026-01-12");
    assertThat(n.path("verdict").asString()).isEqualTo("LOST");
    assertThat(n.path("lowestCelsius").asDouble()).isEqualTo(1.2);
    assertThat(n.path("lowestAt").isNull()).as("it does not say when").isTrue();
    read("lowest", "2026-01-14T08:10:00Z", 4.5);
    assertThat(night("2026-01-13").path("verdict").asString()).isEqualTo("HELD");
  }

  @Test
  public void leftForThreeNightsItTellsOnlyThatNoneWasColder() {
    read("lowest", "2026-01-11T08:00:00Z", 5);
    read("lowest", "2026-01-14T08:00:00Z", 3.5);
    read("air", "2026-01-12T17:00:00Z", 9);
    JsonNode n = night("2026-01-12");
    assertThat(n.path("notBelowCelsius").asDouble()).isEqualTo(3.5);
    assertThat(n.path("verdict").asString()).as("which is over the limit").isEqualTo("HELD");
  }

  @Test
  public void aDishAloneTellsOfANight() {
    seen("ICE", "2026-01-11T07:00:00Z");
    seen("NO_ICE", "2026-01-12T07:00:00Z");
    assertThat(night("2026-01-10").path("verdict").asString()).isEqualTo("LOST");
    JsonNode thawed = night("2026-01-11");
    assertThat(thawed.path("verdict").asString()).isEqualTo("UNKNOWN");
    assertThat(thawed.path("lowestCelsius").isNull()).isTrue();
    assertThat(thawed.path("notBelowCelsius").asDouble()).isEqualTo(-1.5);
    assertThat(thawed.path("seen").toString()).contains("No ice");
  }

  @Test
  public void readBeforeTheSunIsUpItTellsThatNightToo() {
    read("lowest", "2026-01-12T06:40:00Z", 5);
    read("lowest", "2026-01-13T06:30:00Z", 1.2);
    assertThat(night("2026-01-12").path("lowestCelsius").asDouble()).isEqualTo(1.2);
  }

  @Test
  public void aWinterThatHasNotBegunHasNoNights() {
    Answer a =
        grounds.keeper.get(
            grounds.path("/houses/" + house + "/nights?from=2090-10-01&to=2091-04-30"));
    assertThat(a.status()).isEqualTo(200);
    assertThat(a.body().path("nights").size()).isZero();
  }

  @Test
  public void readFromDuskToDawnANightIsKnown() {
    for (String at :
        new String[] {
          "2026-01-12T17:00:00Z",
          "2026-01-12T20:30:00Z",
          "2026-01-13T00:00:00Z",
          "2026-01-13T03:30:00Z",
          "2026-01-13T07:00:00Z"
        }) {
      read("air", at, 4);
    }
    JsonNode n = night("2026-01-12");
    assertThat(n.path("verdict").asString()).isEqualTo("HELD");
    assertThat(n.path("unreadFrom").isNull()).isTrue();
  }
}
