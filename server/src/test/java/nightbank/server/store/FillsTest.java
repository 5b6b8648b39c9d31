package nightbank.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Stores of several media and hollow ones, over HTTP. */
public class FillsTest {
  private static final double VOLUME = Math.PI * 0.28 * 0.28 * 0.62;

  private final Grounds own = Grounds.fresh();

  private Answer make(UUID id, String fills) {
    String drum =
        Grounds.drum(id, "Drum").replace("\"zone\":", "\"fills\":[" + fills + "],\"zone\":");
    return own.keeper.post(own.path("/stores"), drum);
  }

  private static String layer(String medium, double low, double high) {
    return "{\"medium\":%s,\"reachFraction\":1,\"lowFraction\":%s,\"highFraction\":%s}"
        .formatted(medium == null ? "null" : "\"" + medium + "\"", low, high);
  }

  @Test
  public void cobOverSandWeighsAndCostsAsBoth() {
    UUID id = UUID.randomUUID();
    Answer made = make(id, layer("cob", 0.75, 1));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    assertThat(made.body().path("appraisal").path("massKg").asDouble())
        .isCloseTo(VOLUME * (0.75 * 1550 + 0.25 * 1750), withinPercentage(0.01));
    JsonNode build = own.keeper.get(own.path("/stores/" + id + "/build")).body();
    assertThat(build.toString())
        .contains("Cob or rammed earth")
        .contains("it is cob or rammed earth");
    assertThat(build.path("items").size()).isGreaterThanOrEqualTo(2);
  }

  @Test
  public void whatIsReadInBothLayersIsHeldByBoth() {
    UUID plain = UUID.randomUUID();
    UUID layered = UUID.randomUUID();
    make(plain, "");
    make(layered, layer("granite", 0.5, 1));
    for (UUID id : new UUID[] {plain, layered}) {
      Answer typed =
          own.keeper.post(
              own.path("/readings"),
              "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-12T08:00:00Z\",\"typed\":\"60\"},{\"probeId\":\"%s\",\"at\":\"2026-01-12T08:00:00Z\",\"typed\":\"60\"}]}"
                  .formatted(Grounds.probeId(id, "core"), Grounds.probeId(id, "edge")));
      assertThat(typed.status()).isEqualTo(200);
    }
    double sand = held(plain);
    assertThat(held(layered)).isBetween(1.15 * sand, 1.6 * sand);
  }

  private double held(UUID id) {
    JsonNode now = own.keeper.get(own.path("/stores/" + id)).body().path("now");
    return now.path("usableJoules").asDouble();
  }

  @Test
  public void aHollowIsNoMassAndNoPurchase() {
    UUID id = UUID.randomUUID();
    Answer made =
        make(id, "{\"medium\":null,\"reachFraction\":0.5,\"lowFraction\":0,\"highFraction\":0.5}");
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    assertThat(made.body().path("appraisal").path("massKg").asDouble())
        .isCloseTo(VOLUME * 0.875 * 1550, withinPercentage(0.2));
    JsonNode build = own.keeper.get(own.path("/stores/" + id + "/build")).body();
    assertThat(build.path("items").toString()).doesNotContain("Hollow");
    assertThat(build.toString()).contains("Leave it hollow");
  }

  @DataProvider
  Object[][] impossible() {
    return new Object[][] {
      {layer("granite", 0.5, 0.4), "design.fills.0"},
      {layer("water", 0.5, 1), "design.fills.0"},
      {layer("moondust", 0.5, 1), "design.fills.0"},
      {layer("cob", 0.5, 1) + "," + layer("brick", 0.4, 0.6), "design.fills"},
      {layer("cob", 0, 0.1).repeat(1) + ("," + layer("cob", 0, 0.1)).repeat(7), "design.fills"},
    };
  }

  @Test(dataProvider = "impossible")
  public void whatCannotBeIsRefusedByItsField(String fills, String field) {
    Answer answer = make(UUID.randomUUID(), fills);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }
}
