package nightbank.server.store;

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
  private static final String BODY =
      """
      {"shape":"CYLINDER","diameterMetres":0.6,"heightMetres":0.8,"count":1,"medium":"%s",
       "side":null,"top":null,"foot":null,"place":{"where":"HOUSE","footing":"ON_GROUND"},
       "floorCelsius":8,"chargeToCelsius":60,"source":%s,"led":%s,"build":%s}
      """;
  private static final String COIL =
      """
      {"way":"COIL","carrying":"WATER","lengthMetres":8,"diameterMetres":0.02,"wallMetres":0.002,
       "spacingMetres":0.1,"pipe":"pex-pipe","kilogramsPerSecond":0.05,"machineWatts":20,
       "radiatorWattsPerKelvin":40,"pumped":true}
      """;
  private static final String ZONE =
      "\"reachFraction\":0.4,\"lowFraction\":0.2,\"highFraction\":0.8";

  private Grounds grounds;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  private static String design(String medium, String source, String led, String build) {
    return BODY.formatted(medium, source, led, build);
  }

  private nightbank.server.Visitor.Answer charge(String design) {
    return grounds.keeper.post(grounds.path("/charge"), "{\"design\":" + design + "}");
  }

  @DataProvider
  Object[][] sources() {
    return new Object[][] {
      {"dry-sand", "{\"kind\":\"ELEMENT\",\"powerWatts\":700," + ZONE + ",\"hours\":4}", "null"},
      {
        "granite",
        "{\"kind\":\"FIRE\",\"powerWatts\":0,"
            + ZONE
            + ",\"hearth\":\"flue-bench\",\"woodKilograms\":5,\"woodMoisture\":0.2}",
        "null"
      },
      {
        "concrete",
        "{\"kind\":\"FIRE\",\"powerWatts\":0,"
            + ZONE
            + ",\"behind\":\"SIDE\",\"hearth\":\"stove-wall\",\"bypassHours\":1}",
        "null"
      },
      {
        "dry-sand",
        "{\"kind\":\"FLAMES\",\"powerWatts\":0," + ZONE + ",\"flames\":6,\"gramsPerHour\":5}",
        "null"
      },
      {
        "dry-sand",
        "{\"kind\":\"WATER_LOOP\",\"powerWatts\":0," + ZONE + ",\"inletCelsius\":60}",
        COIL
      },
      {
        "gravel",
        "{\"kind\":\"WARM_AIR\",\"powerWatts\":0," + ZONE + ",\"inletCelsius\":35}",
        "{\"way\":\"STONES\",\"carrying\":\"AIR\",\"grainMetres\":0.04,\"kilogramsPerSecond\":0.05,\"machineWatts\":30,\"radiatorWattsPerKelvin\":0}"
      },
      {
        "water",
        "{\"kind\":\"HEAT_PUMP\",\"powerWatts\":300," + ZONE + ",\"coldCelsius\":8}",
        "null"
      },
      {
        "water",
        "{\"kind\":\"SUN\",\"powerWatts\":0,"
            + ZONE
            + ",\"absorptance\":0.9,\"sunlitSquareMetres\":0.7}",
        "null"
      },
      {
        "compost",
        "{\"kind\":\"HEAP\",\"powerWatts\":0,"
            + ZONE
            + ",\"hours\":100,\"feeds\":[{\"feedstock\":\"horse-manure\",\"kilograms\":80,\"daysAgo\":1},{\"feedstock\":\"straw\",\"kilograms\":15,\"daysAgo\":1}]}",
        "null"
      },
    };
  }

  @Test(dataProvider = "sources")
  public void everySourceChargesAndItsHeatIsBooked(String medium, String source, String led) {
    var answer = charge(design(medium, source, led, "null"));
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
    JsonNode c =
        charge(
                design(
                    "dry-sand",
                    "{\"kind\":\"WATER_LOOP\",\"powerWatts\":0,"
                        + ZONE
                        + ",\"inletCelsius\":80,\"hours\":12}",
                    hot,
                    "null"))
            .body();
    assertThat(c.path("overheated").toString()).contains("Polyethylene pipe");
    assertThat(c.path("cautions").toString()).contains("TOO_HOT_FOR_PART");
  }

  @DataProvider
  Object[][] nonsense() {
    String element = "{\"kind\":\"ELEMENT\",\"powerWatts\":700," + ZONE + "}";
    return new Object[][] {
      {
        design("dry-sand", "{\"kind\":\"NONE\",\"powerWatts\":0," + ZONE + "}", "null", "null"),
        "design.source.kind"
      },
      {design("dry-sand", element.replace("700", "0"), "null", "null"), "design.source.powerWatts"},
      {
        design("dry-sand", element.replace("}", ",\"hours\":-3}"), "null", "null"),
        "design.source.hours"
      },
      {
        design("dry-sand", element.replace("}", ",\"hours\":1e9}"), "null", "null"),
        "design.source.hours"
      },
      {
        design("dry-sand", "{\"kind\":\"WARM_AIR\",\"powerWatts\":0," + ZONE + "}", "null", "null"),
        "design.led"
      },
      {
        design(
            "dry-sand",
            "{\"kind\":\"FLAMES\",\"powerWatts\":0," + ZONE + ",\"flames\":0}",
            "null",
            "null"),
        "parts.0.count"
      },
      {
        design(
            "dry-sand",
            "{\"kind\":\"FIRE\",\"powerWatts\":0," + ZONE + ",\"toStore\":0.9,\"toRoom\":0.9}",
            "null",
            "null"),
        "design.source.toStore"
      },
      {
        design(
            "dry-sand",
            "{\"kind\":\"FIRE\",\"powerWatts\":0," + ZONE + ",\"woodKilograms\":9000}",
            "null",
            "null"),
        "design.source.woodKilograms"
      },
      {
        design("compost", "{\"kind\":\"HEAP\",\"powerWatts\":0," + ZONE + "}", "null", "null"),
        "design.source.feeds"
      },
      {
        design(
            "compost",
            "{\"kind\":\"HEAP\",\"powerWatts\":0,"
                + ZONE
                + ",\"feeds\":[{\"feedstock\":\"gold\",\"kilograms\":1,\"daysAgo\":0}]}",
            "null",
            "null"),
        "parts.0.fed"
      },
      {
        design(
            "dry-sand",
            element,
            COIL.replace("\"spacingMetres\":0.1", "\"spacingMetres\":0.001"),
            "null"),
        "design.led"
      },
      {
        design(
            "dry-sand", element, COIL.replace("\"lengthMetres\":8", "\"lengthMetres\":-8"), "null"),
        "design.led"
      },
      {
        design(
            "dry-sand",
            element,
            COIL.replace("\"kilogramsPerSecond\":0.05", "\"kilogramsPerSecond\":0"),
            "null"),
        "design.led.kilogramsPerSecond"
      },
      {design("dry-sand", element, COIL.replace("COIL", "STONES"), "null"), "design.led"},
      {design("dry-sand", element, "null", "{\"parts\":[\"unobtainium\"]}"), "design.build.parts"},
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedByTheNameOfItsField(String design, String field) {
    var answer = charge(design);
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
                id,
                design(
                    "dry-sand",
                    "{\"kind\":\"WATER_LOOP\",\"powerWatts\":0," + ZONE + ",\"inletCelsius\":55}",
                    COIL.replace("\"lengthMetres\":8", "\"lengthMetres\":80"),
                    "null"));
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
        design(
                "compost",
                "{\"kind\":\"HEAP\",\"powerWatts\":0,"
                    + ZONE
                    + ",\"feeds\":[{\"feedstock\":\"straw\",\"kilograms\":100,\"daysAgo\":0}]}",
                "null",
                "null")
            .replace("0.6,\"heightMetres\":0.8", "2.0,\"heightMetres\":1.2");
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
    String source =
        "{\"kind\":\"HEAT_PUMP\",\"powerWatts\":300,"
            + ZONE
            + ",\"coldStoreId\":\""
            + cold
            + "\",\"hours\":20}";
    var answer =
        own.keeper.post(
            own.path("/charge"),
            "{\"design\":" + design("water", source, "null", "null") + ",\"airCelsius\":6}");
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    double gain = answer.body().path("gainJoules").asDouble();
    // the drum of sand at 6 °C gives out long before twenty hours are over
    assertThat(gain).isLessThan(300 * 3.0 * 20 * 3600).isPositive();
  }

  @Test
  public void aHeatPumpsChargeTellsWhatItGivesAndItsPower() {
    String source =
        "{\"kind\":\"HEAT_PUMP\",\"powerWatts\":300," + ZONE + ",\"coldCelsius\":8,\"hours\":3}";
    JsonNode c = charge(design("water", source, "null", "null")).body();
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
