package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.io.IOException;
import java.nio.file.Files;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * From a logger's file to judgement, through the whole program, against what is known of the drum.
 */
public class RunPathTest {
  private Grounds grounds;
  private UUID store;
  private JsonNode run;
  private JsonNode judgement;

  @BeforeClass
  void wrapped() throws IOException {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    JsonNode done = grounds.readIn(grounds.upload(store, "wrapped.csv", file));
    assertThat(done.path("state").asString()).isEqualTo("DONE");
    assertThat(done.path("readings").asLong()).isGreaterThan(1800);
    run = grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body().path(0);
    judgement =
        grounds
            .keeper
            .get(grounds.path("/runs/" + run.path("id").asString() + "/judgement"))
            .body();
  }

  @Test
  public void heatLossIsThatOfTheDrum() {
    assertThat(judgement.path("coolDown").path("lossWattsPerKelvin").asDouble())
        .isCloseTo(236.7 * 825 / (39.5 * 3600), withinPercentage(7));
    assertThat(judgement.path("coolDown").path("lossLow").asDouble())
        .isLessThan(judgement.path("coolDown").path("lossHigh").asDouble());
  }

  @Test
  public void theBareTopIsNamedAsTheWorstForItsSize() {
    assertThat(judgement.path("findings").toString())
        .contains("HALF_LIFE")
        .contains("SIDE COVERED")
        .contains("TOP BARE");
  }

  @Test
  public void theLedgerClosesWithItsResidualShown() {
    JsonNode l = judgement.path("ledger");
    double sum = 0;
    for (String part : new String[] {"change", "delivered", "early", "lost", "residual"}) {
      sum += l.path(part).asDouble();
    }
    assertThat(sum).isCloseTo(l.path("charged").asDouble(), withinPercentage(0.001));
  }

  @Test
  public void curvesShareTheirMoments() {
    int n = judgement.path("at").size();
    assertThat(n).isBetween(100, 2001);
    assertThat(judgement.path("mean").size()).isEqualTo(n);
    assertThat(judgement.path("probes").size()).isEqualTo(3);
    judgement.path("probes").forEach(p -> assertThat(p.path("modelled").size()).isEqualTo(n));
  }

  @Test
  public void itsReadingsAreDrawnBeforeItIsJudged() {
    JsonNode read =
        grounds.keeper.get(grounds.path("/runs/" + run.path("id").asString() + "/readings")).body();
    int n = read.path("at").size();
    assertThat(n).isBetween(100, 1000);
    assertThat(read.path("air").size()).isEqualTo(n);
    assertThat(read.path("probes").size()).isEqualTo(3);
    for (int p = 0; p < 3; p++) {
      assertThat(warmest(read, p)).isCloseTo(warmest(judgement, p), withinPercentage(3));
    }
  }

  private static double warmest(JsonNode run, int probe) {
    double warmest = -99;
    for (JsonNode t : run.path("probes").path(probe).path("measured")) {
      warmest = Math.max(warmest, t.isNull() ? -99 : t.asDouble());
    }
    return warmest;
  }

  @Test
  public void threeReadingsOfADrumOnPaperTellWhatItHeldWithItsDoubt() {
    UUID drum = grounds.newDrum();
    String row = "{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}";
    UUID half = Grounds.probeId(drum, "half");
    var logged =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":["
                + row.formatted(half, "2026-01-20T10:00:00Z", "12")
                + ","
                + row.formatted(half, "2026-01-20T18:00:00Z", "44")
                + ","
                + row.formatted(half, "2026-01-21T07:00:00Z", "33")
                + "]}");
    assertThat(logged.status()).as(logged.body().toString()).isEqualTo(200);
    JsonNode found =
        grounds.keeper.get(grounds.path("/stores/" + drum + "/runs/found")).body().path(0);
    assertThat(found.path("name").asString()).isEqualTo("Charge of 20 January");
    var made =
        grounds.keeper.post(
            grounds.path("/stores/" + drum + "/runs"),
            "{\"name\":\"%s\",\"from\":\"%s\",\"to\":\"%s\"}"
                .formatted(
                    found.path("name").asString(),
                    found.path("from").asString(),
                    found.path("to").asString()));
    String path = grounds.path("/runs/" + made.body().path("id").asString());
    assertThat(grounds.keeper.get(path + "/judgement").code()).isEqualTo("too-few-readings");
    JsonNode drawn = grounds.keeper.get(path + "/readings").body().path("probes").path(1);
    assertThat(drawn.path("measured").toString()).isEqualTo("[12.0,44.0,33.0]");
    JsonNode few = grounds.keeper.get(path + "/few").body();
    assertThat(few.path("readings").asInt()).isEqualTo(3);
    assertThat(few.path("hoursGuessed").asBoolean()).isTrue();
    double rated = 620 * 8 * 3600;
    assertThat(few.path("brought").path("low").asDouble()).isLessThan(rated);
    assertThat(few.path("best").path("value").asDouble())
        .isBetween(0.25 * rated, 1.1 * rated)
        .isGreaterThan(few.path("last").path("value").asDouble());
    for (String of : new String[] {"best", "last", "halfLife", "loss"}) {
      JsonNode e = few.path(of);
      assertThat(e.path("low").asDouble()).isPositive().isLessThan(e.path("value").asDouble());
      assertThat(e.path("high").asDouble()).isGreaterThan(e.path("value").asDouble());
    }
  }

  @Test
  public void whereNobodyReadTheMassThereIsNothingToTell() {
    var made =
        grounds.keeper.post(
            grounds.path("/stores/" + store + "/runs"),
            "{\"name\":\"Unread\",\"from\":\"2024-01-11T13:00:00Z\",\"to\":\"2024-01-11T14:00:00Z\"}");
    String path = grounds.path("/runs/" + made.body().path("id").asString() + "/few");
    assertThat(grounds.keeper.get(path).status()).isEqualTo(404);
    assertThat(Grounds.fresh().keeper.get(path).status()).isEqualTo(404);
  }

  @Test
  public void aRunWithTooFewReadingsSaysSo() {
    var made =
        grounds.keeper.post(
            grounds.path("/stores/" + store + "/runs"),
            "{\"name\":\"Ten minutes\",\"from\":\"2026-01-11T13:00:00Z\",\"to\":\"2026-01-11T13:10:00Z\"}");
    var answer =
        grounds.keeper.get(
            grounds.path("/runs/" + made.body().path("id").asString() + "/judgement"));
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.code()).isEqualTo("too-few-readings");
  }

  @Test
  public void aRunIsNamedMovedAndRemovedAndItsReadingsStay() {
    String path = grounds.path("/stores/" + store + "/runs");
    String id =
        grounds
            .keeper
            .post(
                path,
                "{\"name\":\"First evening\",\"from\":\"2026-01-11T13:00:00Z\",\"to\":\"2026-01-12T00:00:00Z\"}")
            .body()
            .path("id")
            .asString();
    assertThat(
            grounds
                .keeper
                .put(
                    grounds.path("/runs/" + id),
                    null,
                    "{\"name\":\"Evening\",\"from\":\"2026-01-11T13:00:00Z\",\"to\":\"2026-01-11T23:00:00Z\"}")
                .body()
                .path("name")
                .asString())
        .isEqualTo("Evening");
    assertThat(
            grounds
                .keeper
                .put(
                    grounds.path("/runs/" + id),
                    null,
                    "{\"name\":\"Backwards\",\"from\":\"2026-01-12T13:00:00Z\",\"to\":\"2026-01-11T23:00:00Z\"}")
                .status())
        .isEqualTo(422);
    assertThat(grounds.keeper.delete(grounds.path("/runs/" + id)).status()).isEqualTo(204);
    assertThat(grounds.keeper.get(grounds.path("/runs/" + id + "/judgement")).status())
        .isEqualTo(404);
    assertThat(
            grounds
                .keeper
                .get(grounds.path("/stores/" + store))
                .body()
                .path("now")
                .path("latest")
                .size())
        .isEqualTo(4);
  }
}
