package nightbank.server.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Readings typed with cold fingers. */
public class ReadingsTest {
  private Grounds grounds;
  private UUID store;
  private int day;

  @BeforeClass
  void drum() {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
  }

  private Answer log(String typed, String at, boolean fahrenheit) {
    return grounds.keeper.post(
        grounds.path("/readings"),
        "{\"fahrenheit\":%s,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
            .formatted(fahrenheit, Grounds.probeId(store, "core"), at, typed));
  }

  @Test
  public void aSpotOnTheSurfaceIsKeptAndSaysNothingOfTheInside() {
    UUID own = UUID.randomUUID();
    UUID spot = UUID.randomUUID();
    String drum =
        Grounds.drum(own, "Spotted")
            .replace(
                "\"probes\":[",
                "\"probes\":[{\"id\":\"%s\",\"kind\":\"SURFACE\",\"name\":\"wall\",\"radiusFraction\":1,\"heightFraction\":0.5},"
                    .formatted(spot));
    assertThat(grounds.keeper.post(grounds.path("/stores"), drum).status()).isEqualTo(200);
    String reading = "{\"probeId\":\"%s\",\"at\":\"2026-01-12T08:00:00Z\",\"typed\":\"%s\"}";
    String inner = reading.formatted(Grounds.probeId(own, "core"), 60);
    grounds.keeper.post(
        grounds.path("/readings"), "{\"fahrenheit\":false,\"readings\":[" + inner + "]}");
    double before =
        grounds
            .keeper
            .get(grounds.path("/stores/" + own))
            .body()
            .path("now")
            .path("meanCelsius")
            .asDouble();
    Answer seen =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[" + reading.formatted(spot, 190) + "]}");
    assertThat(seen.body().path("added").asInt()).isEqualTo(1);
    var now = grounds.keeper.get(grounds.path("/stores/" + own)).body().path("now");
    assertThat(now.path("meanCelsius").asDouble()).isCloseTo(before, within(1e-9));
    assertThat(now.path("latest").toString()).contains(spot.toString());
  }

  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      {"14.5", false, 14.5},
      {"14,5", false, 14.5},
      {"58F", false, 14.444},
      {"61 f", false, 16.111},
      {"-7", false, -7},
      {"\u22127,5 °C", false, -7.5},
      {"32", true, 0},
      {"20c", true, 20},
      {" 8 ", false, 8},
    };
  }

  @Test(dataProvider = "typed")
  public void isUnderstoodAsMeant(String typed, boolean fahrenheit, double celsius) {
    String at = "2026-02-%02dT08:00:00Z".formatted(++day);
    assertThat(log(typed, at, fahrenheit).status()).isEqualTo(200);
    double stored =
        nightbank.server.Program.shared()
            .bean(Readings.class)
            .series(
                grounds.holding,
                Grounds.probeId(store, "core"),
                Instant.parse(at),
                Instant.parse(at),
                1)
            .celsius()[0];
    assertThat(stored).isCloseTo(celsius, within(0.001));
  }

  /** Twenty in the first hour, then one an hour: what is sparse must not be thinned away. */
  @Test
  public void moreThanAskedForAreThinnedByTimeFirstOfEachStretch() {
    Instant begin = Instant.parse("2026-03-03T00:00:00Z");
    int n = 0;
    for (int i = 0; i < 20; i++) {
      assertThat(log(String.valueOf(n++), begin.plusSeconds(180L * i).toString(), false).status())
          .isEqualTo(200);
    }
    for (int h = 1; h <= 9; h++) {
      assertThat(log(String.valueOf(n++), begin.plusSeconds(3600L * h).toString(), false).status())
          .isEqualTo(200);
    }
    Readings readings = nightbank.server.Program.shared().bean(Readings.class);
    Instant end = begin.plusSeconds(9 * 3600);
    var core = Grounds.probeId(store, "core");
    assertThat(readings.series(grounds.holding, core, begin, end, 29).celsius()).hasSize(29);
    assertThat(readings.series(grounds.holding, core, begin, end, 9).celsius())
        .containsExactly(0, 21, 22, 23, 24, 25, 26, 27, 28);
    assertThat(readings.series(Grounds.fresh().holding, core, begin, end, 9).size()).isZero();
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {"cold", "2026-01-10T08:00:00Z", "readings.0.typed"},
      {"", "2026-01-10T08:00:00Z", "readings.0.typed"},
      {"1e99", "2026-01-10T08:00:00Z", "readings.0.typed"},
      {"14.5", "2199-01-10T08:00:00Z", "readings.0.at"},
      {"14.5", "1970-01-10T08:00:00Z", "readings.0.at"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatIsNoReadingIsRefusedByItsField(String typed, String at, String field) {
    Answer answer = log(typed, at, false);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void theSameReadingSentTwiceIsOne() {
    assertThat(log("20", "2026-01-11T08:00:00Z", false).body().path("added").asInt()).isEqualTo(1);
    Answer again = log("20", "2026-01-11T08:00:00Z", false);
    assertThat(again.status()).isEqualTo(200);
    assertThat(again.body().path("added").asInt()).isZero();
    assertThat(again.body().path("known").asInt()).isEqualTo(1);
  }

  @Test
  public void ofSeveralReadingsAllAreKeptOrNone() {
    String at = "2026-01-12T08:00:00Z";
    String body =
        """
        {"fahrenheit":false,"readings":[{"probeId":"%s","at":"%s","typed":"20"},
         {"probeId":"%s","at":"%s","typed":"warmish"}]}
        """
            .formatted(Grounds.probeId(store, "half"), at, Grounds.probeId(store, "edge"), at);
    assertThat(grounds.keeper.post(grounds.path("/readings"), body).status()).isEqualTo(422);
    String first =
        """
        {"fahrenheit":false,"readings":[{"probeId":"%s","at":"%s","typed":"20"}]}
        """
            .formatted(Grounds.probeId(store, "half"), at);
    assertThat(grounds.keeper.post(grounds.path("/readings"), first).body().path("added").asInt())
        .as("it was not there yet")
        .isEqualTo(1);
  }
}
