package nightbank.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import nightbank.core.medium.QuartzEnthalpy;
import nightbank.server.Grounds;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Stores and houses as they are described, with sense and without. */
public class StoresTest {
  private Grounds grounds;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {"\"diameterMetres\":0.56", "\"diameterMetres\":0", "design.diameterMetres"},
      {"\"diameterMetres\":0.56", "\"diameterMetres\":-1", "design.diameterMetres"},
      {"\"diameterMetres\":0.56", "\"diameterMetres\":1e9", "design.diameterMetres"},
      {"\"diameterMetres\":0.56", "\"diameterMetres\":null", "design.diameterMetres"},
      {"\"heightMetres\":0.62", "\"heightMetres\":1e300", "design.diameterMetres"},
      {"\"count\":1", "\"count\":0", "design.count"},
      {"\"count\":1", "\"count\":1000000", "design.count"},
      {"\"medium\":\"dry-sand\"", "\"medium\":\"moonstone\"", "design.medium"},
      {"\"measuredDensity\":1550", "\"measuredDensity\":1e12", "design.medium"},
      {"\"measuredTransmittance\":0.9", "\"measuredTransmittance\":-4", "design.side"},
      {"\"chargeToCelsius\":70", "\"chargeToCelsius\":5", "design.chargeToCelsius"},
      {"\"chargeToCelsius\":70", "\"chargeToCelsius\":99999", "design.chargeToCelsius"},
      {"\"floorCelsius\":8", "\"floorCelsius\":-400", "design.floorCelsius"},
      {"\"lowFraction\":0.15", "\"lowFraction\":0.95", "design.zone"},
      {"\"radiusFraction\":0.55", "\"radiusFraction\":7", "probes"},
      {"\"name\":\"half\"", "\"name\":\"core\"", "probes"},
      {"\"name\":\"half\"", "\"name\":\"\"", "probes"},
      {"\"name\":\"Drum\"", "\"name\":\"  \"", "name"},
      {"\"name\":\"Drum\"", "\"name\":\"" + "x".repeat(300) + "\"", "name"},
      {"\"shape\":\"CYLINDER\"", "\"shape\":null", "design.shape"},
      {
        "\"side\":{\"layers\":[]",
        "\"side\":{\"layers\":[{\"kind\":\"BULK\",\"material\":\"gold\",\"thicknessMetres\":0.1,\"wet\":false}]",
        "design.side"
      },
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedByTheNameOfItsField(String from, String to, String field) {
    UUID id = UUID.randomUUID();
    String draft = Grounds.drum(id, "Drum");
    assertThat(draft).contains(from);
    String changed = draft.replaceFirst(java.util.regex.Pattern.quote(from), to);
    if (from.contains("measuredTransmittance\":0.9") || from.startsWith("\"side\"")) {
      changed = changed.replace("\"measuredTransmittance\":0.9", "\"measuredTransmittance\":null");
    }
    var answer = grounds.keeper.post(grounds.path("/stores"), changed);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
    assertThat(answer.body().path("remedy").asString()).isNotBlank();
    assertThat(grounds.keeper.get(grounds.path("/stores/" + id)).status()).isEqualTo(404);
  }

  @DataProvider
  Object[][] unreadable() {
    return new Object[][] {
      {"{"},
      {""},
      {"[]"},
      {"{\"design\":{\"heightMetres\":\"tall\"}}"},
      {"{\"design\":{\"heightMetres\":NaN}}"},
      {"{\"id\":\"not-an-id\"}"},
      {"null"},
      {"{\"design\":" + "[".repeat(5000)},
    };
  }

  @Test(dataProvider = "unreadable")
  public void whatCannotBeReadIsSaidSo(String body) {
    var answer = grounds.keeper.post(grounds.path("/stores"), body);
    assertThat(answer.status()).as(answer.body().toString()).isBetween(400, 422);
    assertThat(answer.code()).isIn("unreadable", "invalid");
    assertThat(answer.body().toString()).doesNotContain("Exception");
  }

  @Test
  public void ofTwoSavesAtOnceOneIsToldOfTheOther() {
    UUID id = grounds.newDrum();
    String etag = grounds.keeper.get(grounds.path("/stores/" + id)).etag();
    var saves = new CompletableFuture<?>[8];
    int[] said = new int[saves.length];
    for (int i = 0; i < saves.length; i++) {
      int n = i;
      saves[i] =
          CompletableFuture.runAsync(
              () ->
                  said[n] =
                      grounds
                          .keeper
                          .put(grounds.path("/stores/" + id), etag, Grounds.drum(id, "Save " + n))
                          .status());
    }
    CompletableFuture.allOf(saves).join();
    assertThat(said).containsOnlyOnce(200);
    assertThat(java.util.Arrays.stream(said).filter(s -> s == 412).count()).isEqualTo(7);
  }

  @Test
  public void aSaveWithoutItsVersionIsRefused() {
    UUID id = grounds.newDrum();
    assertThat(
            grounds.keeper.put(grounds.path("/stores/" + id), null, Grounds.drum(id, "x")).status())
        .isEqualTo(428);
    assertThat(
            grounds
                .keeper
                .put(grounds.path("/stores/" + id), "\"soup\"", Grounds.drum(id, "x"))
                .status())
        .isEqualTo(412);
  }

  @Test
  public void theSameCreationTwiceIsOneStore() {
    UUID id = grounds.newDrum();
    int before = grounds.keeper.get(grounds.path("/stores")).body().size();
    assertThat(grounds.keeper.post(grounds.path("/stores"), Grounds.drum(id, "Drum")).status())
        .isEqualTo(200);
    assertThat(grounds.keeper.get(grounds.path("/stores")).body().size()).isEqualTo(before);
  }

  @Test
  public void aPlainDrumComesToWhatTheSumsSay() {
    UUID id = grounds.newDrum();
    var a = grounds.keeper.get(grounds.path("/stores/" + id)).body().path("appraisal");
    double volume = Math.PI * 0.28 * 0.28 * 0.62;
    assertThat(a.path("massKg").asDouble())
        .isCloseTo(volume * 1550, org.assertj.core.api.Assertions.within(0.01));
    assertThat(a.path("usableJoules").asDouble())
        .isCloseTo(
            volume * 1550 * QuartzEnthalpy.withSpecificHeatAt20(825).between(8, 70),
            org.assertj.core.api.Assertions.withinPercentage(0.01));
    assertThat(a.path("usableLow").asDouble()).isLessThan(a.path("usableJoules").asDouble());
  }

  @Test
  public void emberWarnsWhereALayerCannotStandTheHeat() {
    String design =
        """
        {"shape":"BOX","lengthMetres":1,"widthMetres":1,"heightMetres":1,"count":1,"medium":"dry-sand",
         "side":{"layers":[{"kind":"BULK","material":"eps","thicknessMetres":0.1,"wet":false}]},
         "top":null,"foot":null,"place":{"where":"HOUSE","footing":"ON_GROUND"},"floorCelsius":8,"chargeToCelsius":300,
         "zone":{"reachFraction":0.2,"lowFraction":0.2,"highFraction":0.8}}
        """;
    UUID id = UUID.randomUUID();
    grounds.keeper.post(grounds.path("/stores"), Grounds.drum(id, "Weak"));
    grounds.newPart(Grounds.element(id).replace("620", "50"));
    var answer = grounds.keeper.post(grounds.path("/appraisal?storeId=" + id), design);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    assertThat(answer.body().path("cautions").toString())
        .contains("TOO_HOT_FOR_LAYER")
        .contains("NEVER_CHARGED");
  }

  @DataProvider
  Object[][] houses() {
    return new Object[][] {
      {"\"areaSquareMetres\":18", "\"areaSquareMetres\":-1"},
      {"\"transmittance\":5.8", "\"transmittance\":0"},
      {"\"volumeCubicMetres\":32", "\"volumeCubicMetres\":0"},
      {"\"airChangesPerHour\":1", "\"airChangesPerHour\":1000"},
      {"\"plantLimitCelsius\":2", "\"plantLimitCelsius\":99"},
      {"\"innerMassKg\":8000", "\"innerMassKg\":-8000"},
      {"\"innerMassMedium\":\"granite\"", "\"innerMassMedium\":\"cheese\""},
      {"\"name\":\"Lean-to\"", "\"name\":\"\""},
    };
  }

  @Test(dataProvider = "houses")
  public void aHouseOutOfReasonIsRefused(String from, String to) {
    UUID id = grounds.newHouse();
    var now = grounds.keeper.get(grounds.path("/houses/" + id));
    String draft =
        "{\"id\":\"%s\",\"name\":\"Lean-to\",\"design\":%s}"
            .formatted(id, now.body().path("design"))
            .replace(".0,", ",")
            .replace(".0}", "}");
    assertThat(draft).contains(from);
    var answer =
        grounds.keeper.put(grounds.path("/houses/" + id), now.etag(), draft.replace(from, to));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isNotBlank();
    assertThat(grounds.keeper.get(grounds.path("/houses/" + id)).etag()).isEqualTo(now.etag());
  }
}
