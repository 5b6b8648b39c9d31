package nightbank.server.part;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Sources, circuits and heat pumps as things of their own. */
public class PartsTest {
  private Grounds grounds;
  private UUID house;
  private UUID drum;

  @BeforeClass
  void place() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    drum = UUID.randomUUID();
    String in =
        Grounds.drum(drum, "Drum").replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    assertThat(grounds.keeper.post(grounds.path("/stores"), in).status()).isEqualTo(200);
  }

  private Answer post(String design) {
    return grounds.keeper.post(
        grounds.path("/parts"),
        "{\"name\":\"Part\",\"houseId\":\"%s\",\"design\":%s}".formatted(house, design));
  }

  private static final String HEATER =
      """
      {"kind":"HEATER","heats":[{"to":"HOUSE"}],"fuel":"bottled-gas","watts":2500,"flue":false,"indoors":true,
       "control":{"runs":"ALWAYS","guards":[{"kind":"THERMOSTAT","sensor":{"where":"HOUSE_AIR"},"onBelow":3,"offAbove":5}]}}
      """;

  @Test
  public void aPartIsKeptChangedAndRemoved() {
    Answer made = post(HEATER);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    String id = made.body().path("id").asString();
    assertThat(made.body().path("design").path("kind").asString()).isEqualTo("HEATER");
    String draft =
        "{\"name\":\"Gas heater\",\"houseId\":\"%s\",\"design\":%s}"
            .formatted(house, HEATER.replace("2500", "1800"));
    Answer changed = grounds.keeper.put(grounds.path("/parts/" + id), made.etag(), draft);
    assertThat(changed.status()).as(changed.body().toString()).isEqualTo(200);
    assertThat(changed.body().path("design").path("watts").asDouble()).isEqualTo(1800);
    Answer late =
        grounds.keeper.put(grounds.path("/parts/" + id), made.etag(), draft.replace("1800", "900"));
    assertThat(late.status()).as("somebody else was faster").isEqualTo(412);
    Answer again = grounds.keeper.put(grounds.path("/parts/" + id), made.etag(), draft);
    assertThat(again.status()).as("its answer was lost on the way").isEqualTo(200);
    assertThat(again.etag()).isEqualTo(changed.etag());
    assertThat(grounds.keeper.delete(grounds.path("/parts/" + id)).status()).isEqualTo(204);
    assertThat(grounds.keeper.get(grounds.path("/parts")).body().toString()).doesNotContain(id);
  }

  @Test
  public void aHeaterOnAThermostatHoldsAHouseWithoutStores() {
    Grounds own = Grounds.fresh();
    UUID alone = own.newHouse();
    String ask = "{\"lowCelsius\":-6,\"actions\":[]}";
    String tonight = own.path("/houses/" + alone + "/tonight");
    JsonNode cold = own.keeper.post(tonight, ask).body();
    assertThat(cold.path("shortKind").asString()).isEqualTo("NO_STORE");
    assertThat(cold.path("shortWatts").asDouble()).isGreaterThan(200);
    own.newPart(HEATER, alone);
    JsonNode held = own.keeper.post(tonight, ask).body();
    assertThat(held.path("coldestCelsius").asDouble())
        .isGreaterThan(cold.path("coldestCelsius").asDouble() + 2);
    JsonNode part = held.path("parts").path(0);
    assertThat(part.path("byItself").asBoolean()).isTrue();
    assertThat(part.path("starts").asInt()).isPositive();
    assertThat(part.path("fuelJoules").asDouble()).isPositive();
    assertThat(held.path("cautions").toString()).contains("FLAME_INDOORS");
  }

  @Test
  public void hensThatSleepInAHouseWarmItByThemselves() {
    Grounds own = Grounds.fresh();
    UUID alone = own.newHouse();
    String tonight = own.path("/houses/" + alone + "/tonight");
    String ask = "{\"lowCelsius\":-6,\"actions\":[]}";
    double cold = own.keeper.post(tonight, ask).body().path("coldestCelsius").asDouble();
    own.newPart("{\"kind\":\"ANIMALS\",\"count\":40,\"kilogramsEach\":2}", alone);
    JsonNode warmed = own.keeper.post(tonight, ask).body();
    assertThat(warmed.path("coldestCelsius").asDouble()).isGreaterThan(cold + 0.5);
    assertThat(warmed.path("parts").path(0).path("byItself").asBoolean()).isTrue();
    assertThat(warmed.path("parts").path(0).path("fuelJoules").asDouble()).isZero();
  }

  @DataProvider
  Object[][] nonsense() {
    String element = Grounds.element(UUID.randomUUID());
    String circuit =
        "{\"kind\":\"CIRCUIT\",\"carries\":\"WATER\",\"kilogramsPerSecond\":0.05,\"machineWatts\":20,\"ends\":[%s,%s]}";
    String radiator = "{\"kind\":\"RADIATOR\",\"wattsPerKelvin\":40}";
    return new Object[][] {
      {HEATER.replace("\"onBelow\":3", "\"onBelow\":9"), 422, "design.control"},
      {HEATER.replace("2500", "-1"), 422, "design.watts"},
      {HEATER.replace("bottled-gas", "phlogiston"), 422, "design.fuel"},
      {HEATER.replace("[{\"to\":\"HOUSE\"}]", "[]"), 422, "design.watts"},
      {HEATER.replace("\"ALWAYS\"", "\"DAILY\""), 422, "design.control"},
      {element, 404, "store"},
      {circuit.formatted(radiator, radiator), 422, "design.ends"},
      {
        circuit.formatted(radiator, "{\"kind\":\"OUTDOOR_AIR\"}").replace("0.05", "-1"),
        422,
        "design.kilogramsPerSecond"
      },
      {"{\"kind\":\"ANIMALS\",\"count\":0,\"kilogramsEach\":2}", 422, "design.count"},
      {"null", 422, "design"},
      {"{\"kind\":\"PERPETUUM_MOBILE\"}", 400, null},
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedByTheNameOfItsField(String design, int status, String field) {
    Answer answer = post(design);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(status);
    if (field != null) {
      assertThat(answer.body().path("field").asString()).isEqualTo(field);
    }
  }

  @Test
  public void waterIsLedOnlyThroughWhatHasAPipe() {
    String through = "{\"kind\":\"THROUGH\",\"storeId\":\"" + drum + "\"}";
    Answer answer =
        post(
            "{\"kind\":\"CIRCUIT\",\"carries\":\"WATER\",\"kilogramsPerSecond\":0.05,\"machineWatts\":20,\"ends\":[%s,{\"kind\":\"RADIATOR\",\"wattsPerKelvin\":40}]}"
                .formatted(through));
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.body().path("detail").asString()).contains("Nothing is led through");
  }

  @Test
  public void aTankOutdoorsReachesAHouseOnceACircuitLeadsThere() {
    Grounds own = Grounds.fresh();
    UUID tank = UUID.randomUUID();
    String design =
        Grounds.drum(tank, "Tank")
            .replace("dry-sand", "water")
            .replace("\"measuredDensity\":1550,", "")
            .replace("\"measuredSpecificHeat\":825,", "")
            .replace("\"where\":\"HOUSE\"", "\"where\":\"OUTDOORS\"");
    Answer made = own.keeper.post(own.path("/stores"), design);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    String path = own.path("/stores/" + tank);
    assertThat(own.keeper.get(path).body().path("reachesHouse").asBoolean()).isFalse();
    own.newPart(
        "{\"kind\":\"CIRCUIT\",\"carries\":\"WATER\",\"kilogramsPerSecond\":0.05,\"machineWatts\":20,\"ends\":[{\"kind\":\"TANK\",\"storeId\":\"%s\",\"takenAt\":0.9,\"returnedAt\":0.1},{\"kind\":\"RADIATOR\",\"wattsPerKelvin\":40}]}"
            .formatted(tank),
        own.newHouse());
    assertThat(own.keeper.get(path).body().path("reachesHouse").asBoolean()).isTrue();
  }

  @Test
  public void anotherHoldingsPartsAreNobodysBusiness() {
    UUID part = grounds.newPart(Grounds.element(drum), house);
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(grounds.path("/parts")).status()).isEqualTo(404);
    assertThat(other.keeper.delete(grounds.path("/parts/" + part)).status()).isEqualTo(404);
    assertThat(other.keeper.delete(other.path("/parts/" + part)).status()).isEqualTo(404);
    String mine =
        "{\"name\":\"Mine\",\"houseId\":null,\"design\":%s}".formatted(Grounds.element(drum));
    assertThat(other.keeper.post(other.path("/parts"), mine).status()).isEqualTo(404);
    assertThat(grounds.keeper.get(grounds.path("/parts")).body().toString())
        .contains(part.toString());
  }

  /** What a design of the time before parts told of is a part now. */
  @Test
  public void aFileOfTheSecondVersionBringsItsSourcesAndCircuitsAsParts() {
    Grounds own = Grounds.fresh();
    UUID at = own.newHouse();
    UUID store = UUID.randomUUID();
    String in =
        Grounds.drum(store, "Heap").replace("\"houseId\":null", "\"houseId\":\"" + at + "\"");
    own.keeper.post(own.path("/stores"), in);
    String file = new String(own.file(), StandardCharsets.UTF_8);
    String old =
        file.replaceFirst("\"version\":4", "\"version\":2")
            .replace(own.holding.toString(), UUID.randomUUID().toString())
            .replace(at.toString(), UUID.randomUUID().toString())
            .replace(store.toString(), UUID.randomUUID().toString())
            .replaceFirst("\"zone\": \\{[^}]*\\}", OLD);
    for (String probe : new String[] {"core", "half", "edge", "air"}) {
      old = old.replace(Grounds.probeId(store, probe).toString(), UUID.randomUUID().toString());
    }
    Visitor reader = Visitor.keeper(Program.shared(), "reader" + System.identityHashCode(this));
    Answer brought =
        reader.upload("/api/holdings/file", "old.json", old.getBytes(StandardCharsets.UTF_8));
    assertThat(brought.status()).as(brought.body().toString()).isEqualTo(200);
    String holding = "/api/holdings/" + brought.body().path("holdingId").asString();
    JsonNode parts = reader.get(holding + "/parts").body();
    assertThat(parts.size()).isEqualTo(2);
    assertThat(parts.path(0).path("name").asString()).isEqualTo("Pump of the heap");
    assertThat(parts.path(0).path("design").path("ends").toString())
        .contains("THROUGH", "RADIATOR", "22");
    JsonNode rot = parts.path(1).path("design");
    assertThat(rot.path("fed").path(0).path("kilograms").asDouble()).isEqualTo(900);
    assertThat(rot.path("fed").path(0).path("at").asString()).startsWith("20");
    JsonNode design = reader.get(holding + "/stores").body().path(0).path("design");
    assertThat(design.path("zone").path("reachFraction").asDouble()).isEqualTo(0.9);
    assertThat(design.path("led").path("lengthMetres").asDouble()).isEqualTo(14);
    assertThat(design.has("source")).isFalse();
  }

  private static final String OLD =
      "\"source\":{\"kind\":\"HEAP\",\"powerWatts\":0,\"reachFraction\":0.9,\"lowFraction\":0.15,\"highFraction\":0.85,\"feeds\":[{\"feedstock\":\"horse-manure\",\"kilograms\":900,\"daysAgo\":8}]},"
          + "\"led\":{\"way\":\"COIL\",\"carrying\":\"WATER\",\"lengthMetres\":14,\"diameterMetres\":0.025,\"spacingMetres\":0.25,\"kilogramsPerSecond\":0.05,\"machineWatts\":12,\"radiatorWattsPerKelvin\":22}";
}
