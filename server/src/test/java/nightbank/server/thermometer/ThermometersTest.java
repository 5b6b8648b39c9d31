package nightbank.server.thermometer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A house with thermometers and no store at all. */
public class ThermometersTest {
  private Grounds grounds;
  private UUID house;

  @BeforeMethod
  void aHouse() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
  }

  private Answer hang(UUID id, String kind, String name, UUID in) {
    String at = in == null ? "null" : "\"" + in + "\"";
    return grounds.keeper.put(
        grounds.path("/thermometers/" + id),
        null,
        "{\"houseId\":%s,\"kind\":\"%s\",\"name\":\"%s\"}".formatted(at, kind, name));
  }

  private UUID hung(String kind, String name, UUID in) {
    UUID id = UUID.randomUUID();
    Answer a = hang(id, kind, name, in);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return id;
  }

  private void read(UUID probe, String at, double celsius) {
    Answer a =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
                .formatted(probe, at, celsius));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private JsonNode all() {
    return grounds.keeper.get(grounds.path("/thermometers")).body();
  }

  @Test
  public void oneThatKeepsItsLowestTellsTheNightOfAHouseWithoutAStore() {
    UUID lowest = hung("LOWEST", "by the door", house);
    read(lowest, "2026-01-12T08:10:00Z", 3.5);
    read(lowest, "2026-01-13T08:10:00Z", 1.2);
    JsonNode nights =
        grounds
            .keeper
            .get(grounds.path("/houses/" + house + "/nights?from=2026-01-11&to=2026-01-13"))
            .body()
            .path("nights");
    JsonNode night = null;
    for (JsonNode n : nights) {
      night = n.path("evening").asString().equals("2026-01-12") ? n : night;
    }
    assertThat(night).as(nights.toString()).isNotNull();
    assertThat(night.path("lowestCelsius").asDouble()).isEqualTo(1.2);
    assertThat(night.path("verdict").asString()).isEqualTo("LOST");
    assertThat(all().path(0).path("celsius").asDouble()).isEqualTo(1.2);
  }

  @Test
  public void itsNotebookUnderstandsAndShowsWhatWasWritten() {
    UUID lowest = hung("LOWEST", "lowest", house);
    UUID outdoors = hung("OUTDOOR", "yard", null);
    JsonNode notes =
        grounds
            .keeper
            .post(
                grounds.path("/notes"),
                "{\"text\":\"12 Jan 2026 8:00 lowest 1.5, yard -4\",\"fahrenheit\":false}")
            .body()
            .path("notes");
    assertThat(notes).hasSize(2);
    assertThat(notes.path(0).path("probeId").asString()).isEqualTo(lowest.toString());
    assertThat(notes.path(1).path("probeId").asString()).isEqualTo(outdoors.toString());
    read(outdoors, "2026-01-12T08:00:00Z", -4);
    JsonNode book =
        grounds.keeper.get(grounds.path("/notebook?before=2027-01-01T00:00:00Z")).body();
    assertThat(book.path("readings")).hasSize(1);
  }

  @Test
  public void notesOnAStoreTellOfTheAirRoundItToo() {
    UUID store = grounds.newDrum();
    UUID yard = hung("OUTDOOR", "yard", null);
    JsonNode notes =
        grounds
            .keeper
            .post(
                grounds.path("/stores/" + store + "/notes"),
                "{\"text\":\"12 Jan 2026 22:00 core 61, yard -2\",\"fahrenheit\":false}")
            .body()
            .path("notes");
    assertThat(notes.path(1).path("probeId").asString()).isEqualTo(yard.toString());
  }

  @Test
  public void takenDownItComesBackWithItsReadings() {
    UUID air = hung("AIR", "air", house);
    read(air, "2026-01-12T08:00:00Z", 7);
    assertThat(grounds.keeper.delete(grounds.path("/thermometers/" + air)).status()).isEqualTo(204);
    assertThat(all()).isEmpty();
    JsonNode change = grounds.keeper.get(grounds.path("/changes")).body().path(0);
    assertThat(change.path("kind").asString()).isEqualTo("THERMOMETER");
    grounds.keeper.post(grounds.path("/changes/" + change.path("id").asString() + "/undo"), "");
    assertThat(all().path(0).path("celsius").asDouble()).isEqualTo(7);
  }

  @Test
  public void itGoesWithItsHouseAndComesBackWithIt() {
    hung("AIR", "air", house);
    UUID yard = hung("OUTDOOR", "yard", null);
    assertThat(grounds.keeper.delete(grounds.path("/houses/" + house)).status()).isEqualTo(204);
    assertThat(all()).hasSize(1);
    assertThat(all().path(0).path("id").asString()).isEqualTo(yard.toString());
    JsonNode change = grounds.keeper.get(grounds.path("/changes")).body().path(0);
    Answer back =
        grounds.keeper.post(grounds.path("/changes/" + change.path("id").asString() + "/undo"), "");
    assertThat(back.status()).as(back.body().toString()).isEqualTo(200);
    assertThat(all()).hasSize(2);
  }

  @DataProvider
  Object[][] odd() {
    return new Object[][] {
      {"STORE", "core", true, "kind"},
      {"AIR", "", true, "name"},
      {"AIR", "air", false, "houseId"},
      {"OUTDOOR", "yard", true, "houseId"},
      {"AIR", "Taken", true, "name"},
    };
  }

  @Test(dataProvider = "odd")
  public void anOddOneIsRefusedByItsField(String kind, String name, boolean in, String field) {
    hung("AIR", "taken", house);
    Answer a = hang(UUID.randomUUID(), kind, name, in ? house : null);
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void neitherAStoresProbeNorAnotherHoldingsIsTakenOver() {
    UUID store = grounds.newDrum();
    assertThat(hang(Grounds.probeId(store, "core"), "AIR", "mine", house).status()).isEqualTo(404);
    Grounds other = Grounds.fresh();
    UUID theirs = UUID.randomUUID();
    other.keeper.put(
        other.path("/thermometers/" + theirs),
        null,
        "{\"houseId\":null,\"kind\":\"OUTDOOR\",\"name\":\"yard\"}");
    assertThat(hang(theirs, "OUTDOOR", "mine", null).status()).isEqualTo(404);
    assertThat(other.keeper.get(grounds.path("/thermometers")).status()).isIn(403, 404);
  }
}
