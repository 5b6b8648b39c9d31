package nightbank.server.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Rooms that are no glasshouse, over HTTP: from a few answers to their night. */
public class RoomsTest {
  private final Grounds own = Grounds.fresh();

  private JsonNode shaped(String room, String wall, String keeps, double limit, String back) {
    Answer shaped =
        own.keeper.post(
            own.path("/houses/shaped"),
            """
            {"shape":{"kind":"ROOM","lengthMetres":4,"widthMetres":3,"lowMetres":0,"highMetres":2.2,
              "frontDegrees":180},"material":"%s","backCelsius":%s,"airChangesPerHour":0.5,
             "plantLimitCelsius":%s,"room":"%s","keeps":"%s"}
            """
                .formatted(wall, back, limit, room, keeps));
    assertThat(shaped.status()).as(shaped.body().toString()).isEqualTo(200);
    return shaped.body();
  }

  private JsonNode night(JsonNode design, String more) {
    UUID id = UUID.randomUUID();
    Answer made =
        own.keeper.post(
            own.path("/houses"),
            "{\"id\":\"%s\",\"name\":\"Room\",\"design\":%s}".formatted(id, design));
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    Answer night =
        own.keeper.post(
            own.path("/houses/" + id + "/tonight"), "{\"lowCelsius\":-8%s}".formatted(more));
    assertThat(night.status()).as(night.body().toString()).isEqualTo(200);
    return night.body();
  }

  @DataProvider
  Object[][] rooms() {
    return new Object[][] {
      {"DWELLING", "filled-wall", "PEOPLE", 16.0, 6, 0},
      {"GARAGE", "brick-wall", "THINGS", 0.0, 5, 0},
      {"CELLAR", "stone-wall", "THINGS", 3.0, 5, 4},
      {"BERMED", "earth-wall", "PLANTS", 2.0, 5, 3},
      {"MASONRY", "stone-wall", "PEOPLE", 12.0, 5, 0},
    };
  }

  @Test(dataProvider = "rooms")
  public void everySortOfRoomHasItsWallsAndItsNight(
      String room, String wall, String keeps, double limit, int parts, int banked) {
    JsonNode design = shaped(room, wall, keeps, limit, "16");
    int earth = 0;
    for (JsonNode p : design.path("skin")) {
      earth += p.path("earthMetres").isNumber() ? 1 : 0;
    }
    assertThat(design.path("skin").size()).isEqualTo(parts);
    assertThat(earth).isEqualTo(banked);
    JsonNode night = night(design, "");
    assertThat(night.path("keeps").asString()).isEqualTo(keeps);
    assertThat(night.path("verdict").asString()).isIn("HELD", "CLOSE", "LOST");
  }

  @Test
  public void aCellarHoldsAFrostThatAGarageOfTheSameWallDoesNot() {
    JsonNode cellar = night(shaped("CELLAR", "stone-wall", "THINGS", 3, "10"), "");
    JsonNode garage = night(shaped("GARAGE", "stone-wall", "THINGS", 3, "null"), "");
    assertThat(cellar.path("verdict").asString()).isEqualTo("HELD");
    assertThat(garage.path("coldestCelsius").asDouble())
        .isLessThan(cellar.path("coldestCelsius").asDouble() - 4);
  }

  @Test
  public void peopleAreToldWhatTheyFeelAndThingsTheAir() {
    JsonNode lived = night(shaped("MASONRY", "stone-wall", "PEOPLE", 12, "null"), "");
    assertThat(lived.path("coldestIs").asString()).isEqualTo("FELT");
    JsonNode kept = night(shaped("MASONRY", "stone-wall", "THINGS", 12, "null"), "");
    assertThat(kept.path("coldestIs").asString()).isEqualTo("AIR");
  }

  @Test
  public void earthThatIsNoDepthIsRefusedAtItsPart() {
    String design = shaped("CELLAR", "stone-wall", "THINGS", 3, "10").toString();
    Answer wrong =
        own.keeper.post(
            own.path("/houses"),
            "{\"id\":\"%s\",\"name\":\"Room\",\"design\":%s}"
                .formatted(
                    UUID.randomUUID(),
                    design.replace("\"earthMetres\":1.1", "\"earthMetres\":0.01")));
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.body().path("field").asString()).startsWith("design.skin.");
    assertThat(wrong.body().path("detail").asString()).contains("0.25 to 10 m deep");
  }
}
