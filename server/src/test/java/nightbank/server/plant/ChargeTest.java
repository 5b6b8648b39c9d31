package nightbank.server.plant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.UUID;
import nightbank.server.Grounds;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Charges, heaps and build sheets, asked over HTTP. */
public class ChargeTest {
  private static final UUID STORE = UUID.randomUUID();
  private static final String HERE = "[{\"to\":\"STORE\",\"id\":\"" + STORE + "\"}]";
  private static final String BODY =
      """
      {"shape":"CYLINDER","diameterMetres":0.6,"heightMetres":0.8,"count":1,"medium":"%s",
       "side":null,"top":null,"foot":null,"place":{"where":"HOUSE","footing":"ON_GROUND"},
       "floorCelsius":8,"chargeToCelsius":60,
       "zone":{"reachFraction":0.4,"lowFraction":0.2,"highFraction":0.8,"behind":%s},"led":%s,"build":%s}
      """;
  private static final String COIL =
      """
      {"way":"COIL","carrying":"WATER","lengthMetres":8,"diameterMetres":0.02,"wallMetres":0.002,
       "spacingMetres":0.1,"pipe":"pex-pipe","pumped":true}
      """;
  private static final String STONES =
      "{\"way\":\"STONES\",\"carrying\":\"AIR\",\"grainMetres\":0.04}";

  private Grounds grounds;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  private static String design(String medium, String led) {
    return BODY.formatted(medium, "null", led, "null");
  }

  private nightbank.server.Visitor.Answer charge(String design, String part, String more) {
    return grounds.keeper.post(
        grounds.path("/charge"),
        "{\"storeId\":\"%s\",\"design\":%s,\"part\":%s%s}".formatted(STORE, design, part, more));
  }

  private static String element(double watts) {
    return "{\"kind\":\"ELEMENT\",\"heats\":"
        + HERE
        + ",\"watts\":"
        + watts
        + ",\"surplus\":false,\"indoors\":true}";
  }

  private static String fire(String more) {
    return "{\"kind\":\"FIRE\",\"heats\":["
        + HERE.substring(1, HERE.length() - 1)
        + ",{\"to\":\"HOUSE\"}],\"hearth\":\"flue-bench\",\"roomAir\":false,\"indoors\":true"
        + more
        + "}";
  }

  private static String circuit(String carries, double celsius) {
    return "{\"kind\":\"CIRCUIT\",\"carries\":\"%s\",\"kilogramsPerSecond\":0.05,\"machineWatts\":20,\"ends\":[{\"kind\":\"HELD\",\"celsius\":%s},{\"kind\":\"THROUGH\",\"storeId\":\"%s\"}]}"
        .formatted(carries, celsius, STORE);
  }

  private static String pump(String cold) {
    return "{\"kind\":\"HEAT_PUMP\",\"watts\":300,\"cold\":"
        + cold
        + ",\"hot\":{\"node\":\"STORE\",\"storeId\":\""
        + STORE
        + "\"}}";
  }

  private static String heap(String fed) {
    return "{\"kind\":\"HEAP\",\"storeId\":\"" + STORE + "\",\"fed\":" + fed + "}";
  }

  private static String flames(int count) {
    return "{\"kind\":\"FLAMES\",\"heats\":"
        + HERE
        + ",\"count\":"
        + count
        + ",\"gramsPerHour\":5,\"fuel\":\"wax\",\"indoors\":true}";
  }

  private static final String MUCK =
      "[{\"feedstock\":\"horse-manure\",\"kilograms\":80,\"at\":null},{\"feedstock\":\"straw\",\"kilograms\":15,\"at\":null}]";

  @DataProvider
  Object[][] sources() {
    return new Object[][] {
      {"dry-sand", element(700), "null", ",\"hours\":4"},
      {"granite", fire(",\"usualKilograms\":5"), "null", ",\"bypassHours\":0.25"},
      {"granite", fire(""), "null", ",\"kilograms\":4,\"loads\":4,\"hours\":12"},
      {"dry-sand", flames(6), "null", ""},
      {"dry-sand", circuit("WATER", 60), COIL, ""},
      {"gravel", circuit("AIR", 35), STONES, ""},
      {"water", pump("{\"node\":\"HELD\",\"celsius\":8}"), "null", ""},
      {
        "water",
        "{\"kind\":\"SUNLIGHT\",\"storeId\":\""
            + STORE
            + "\",\"absorptance\":0.9,\"squareMetres\":0.7}",
        "null",
        ""
      },
      {"compost", heap(MUCK), "null", ",\"hours\":100"},
      {
        "dry-sand",
        element(900).replace("\"surplus\":false", "\"surplus\":true"),
        "null",
        ",\"hours\":6"
      },
      {
        "water",
        "{\"kind\":\"HEATER\",\"heats\":"
            + HERE
            + ",\"fuel\":\"bottled-gas\",\"watts\":1500,\"flue\":true,\"indoors\":true}",
        "null",
        ",\"hours\":2"
      },
    };
  }

  @Test(dataProvider = "sources")
  public void everySourceChargesAndItsHeatIsBooked(
      String medium, String part, String led, String more) {
    var answer = charge(design(medium, led), part, more);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    JsonNode c = answer.body();
    double gain = c.path("gainJoules").asDouble();
    assertThat(gain).isPositive();
    assertThat(c.path("residualJoules").asDouble()).isCloseTo(0, within(1e-7 * gain));
    assertThat(c.path("frames").size()).isBetween(10, 40);
    assertThat(c.path("frames").path(3).path("section").path("celsius").size()).isEqualTo(12 * 18);
    assertThat(c.path("seconds").size()).isEqualTo(c.path("mean").size());
  }

  @Test
  public void aPipeThatCannotStandItIsNamed() {
    String hot = COIL.replace("pex-pipe", "pe-pipe");
    JsonNode c = charge(design("dry-sand", hot), circuit("WATER", 80), ",\"hours\":12").body();
    assertThat(c.path("overheated").toString()).contains("Polyethylene pipe");
    assertThat(c.path("cautions").toString()).contains("TOO_HOT_FOR_PART");
  }

  @DataProvider
  Object[][] nonsense() {
    String sand = design("dry-sand", "null");
    String element = element(700);
    return new Object[][] {
      {sand, "null", "", "part"},
      {sand, element(0), "", "part.watts"},
      {sand, element, ",\"hours\":-3", "hours"},
      {sand, element, ",\"hours\":1e9", "hours"},
      {sand, flames(0), "", "parts.0.count"},
      {
        sand,
        fire("").replace("{\"to\":\"HOUSE\"}", "{\"to\":\"HOUSE\",\"share\":0.9}"),
        "",
        "parts.0.heats"
      },
      {sand, fire(""), ",\"kilograms\":9000", "kilograms"},
      {sand, fire(""), ",\"loads\":1000", "loads"},
      {design("compost", "null"), heap("[]"), "", "part.fed"},
      {
        design("compost", "null"),
        heap("[{\"feedstock\":\"gold\",\"kilograms\":1,\"at\":null}]"),
        "",
        "parts.0.fed"
      },
      {
        design("dry-sand", COIL.replace("\"spacingMetres\":0.1", "\"spacingMetres\":0.001")),
        element,
        "",
        "design.led"
      },
      {
        design("dry-sand", COIL.replace("\"lengthMetres\":8", "\"lengthMetres\":-8")),
        element,
        "",
        "design.led"
      },
      {
        design("dry-sand", COIL),
        circuit("WATER", 60).replace("0.05", "0"),
        "",
        "parts.0.kilogramsPerSecond"
      },
      {design("dry-sand", COIL.replace("COIL", "STONES")), element, "", "design.led"},
      {
        BODY.formatted("dry-sand", "null", "null", "{\"parts\":[\"unobtainium\"]}"),
        element,
        "",
        "design.build.parts"
      },
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedByTheNameOfItsField(
      String design, String part, String more, String field) {
    var answer = charge(design, part, more);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
    assertThat(answer.body().path("detail").asString()).endsWith(".");
  }

  @Test
  public void aCoilThatDoesNotFitIsACautionAndKept() {
    UUID id = UUID.randomUUID();
    String draft =
        "{\"id\":\"%s\",\"name\":\"Coiled\",\"houseId\":null,\"design\":%s,\"probes\":[]}"
            .formatted(
                id, design("dry-sand", COIL.replace("\"lengthMetres\":8", "\"lengthMetres\":80")));
    var made = grounds.keeper.post(grounds.path("/stores"), draft);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    assertThat(made.body().path("appraisal").path("cautions").toString())
        .contains("COIL_DOES_NOT_FIT");
    JsonNode sheet = grounds.keeper.get(grounds.path("/stores/" + id + "/build")).body();
    assertThat(sheet.path("items").toString()).contains("Cross-linked").contains("80");
    assertThat(sheet.path("steps").size()).isGreaterThan(4);
    assertThat(sheet.path("limits").toString()).contains("Cross-linked");
  }

  @Test
  public void aHeapsMixtureIsWeighed() {
    String heap =
        "{\"design\":"
            + design("compost", "null")
                .replace("0.6,\"heightMetres\":0.8", "2.0,\"heightMetres\":1.2")
            + ",\"fed\":[{\"feedstock\":\"straw\",\"kilograms\":100,\"at\":null}]}";
    var answer = grounds.keeper.post(grounds.path("/heap"), heap);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    assertThat(answer.body().path("carbonToNitrogen").asDouble()).isCloseTo(80, within(1e-6));
    String hints = answer.body().path("hints").toString();
    assertThat(hints)
        .contains("too dry", "will not get hot")
        .contains("What was fed comes to 100 kg");
  }

  @Test
  public void aHeatPumpDrawsOnTheOtherStore() {
    Grounds own = Grounds.fresh();
    UUID cold = own.newDrum();
    var answer =
        own.keeper.post(
            own.path("/charge"),
            "{\"storeId\":\"%s\",\"design\":%s,\"part\":%s,\"hours\":20,\"airCelsius\":6}"
                .formatted(
                    STORE,
                    design("water", "null"),
                    pump("{\"node\":\"STORE\",\"storeId\":\"" + cold + "\"}")));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    double gain = answer.body().path("gainJoules").asDouble();
    // the drum of sand at 6 °C gives out long before twenty hours are over
    assertThat(gain).isLessThan(300 * 3.0 * 20 * 3600).isPositive();
  }

  @Test
  public void aHeatPumpsChargeTellsWhatItGivesAndItsPower() {
    JsonNode c =
        charge(design("water", "null"), pump("{\"node\":\"HELD\",\"celsius\":8}"), ",\"hours\":3")
            .body();
    double electric = c.path("electricJoules").asDouble();
    assertThat(electric).isCloseTo(300 * 3 * 3600, within(1e4));
    assertThat(c.path("gainJoules").asDouble()).isGreaterThan(2 * electric);
    assertThat(c.path("fuelJoules").asDouble()).isZero();
  }

  @Test
  public void theCatalogueHoldsPartsHearthsFuelsAndFeedstocks() {
    JsonNode c = grounds.keeper.get("/api/catalogue").body();
    assertThat(c.path("parts").size()).isGreaterThan(20);
    assertThat(c.path("hearths").size()).isGreaterThanOrEqualTo(5);
    assertThat(c.path("fuels").size()).isGreaterThanOrEqualTo(6);
    assertThat(c.path("feedstocks").size()).isGreaterThanOrEqualTo(10);
    assertThat(c.path("media").size()).isEqualTo(14);
  }
}
