package nightbank.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A store that was bare, then wrapped, then lidded: each run by how it was. */
public class ArrangementsTest {
  private static final String TUESDAY = "2026-01-13T10:00:00Z";
  private static final String THURSDAY = "2026-01-15T10:00:00Z";
  private static final JsonMapper MAPPER = JsonMapper.builder().build();

  private Grounds grounds;
  private UUID store;

  @BeforeMethod
  void drum() {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
  }

  private String path() {
    return grounds.path("/stores/" + store);
  }

  private JsonNode now() {
    return grounds.keeper.get(path()).body();
  }

  /** As it is now, to be changed and sent. */
  private ObjectNode draft() {
    ObjectNode draft = MAPPER.createObjectNode();
    for (String k : new String[] {"id", "name", "houseId", "planned", "design", "probes"}) {
      draft.set(k, now().path(k));
    }
    return draft;
  }

  private static ObjectNode design(ObjectNode draft) {
    return (ObjectNode) draft.get("design");
  }

  private Answer put(ObjectNode draft) {
    return grounds.keeper.put(
        path(), "\"" + now().path("version").asInt() + "\"", draft.toString());
  }

  private void kept(Answer a) {
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private Answer since(String face, double transmittance, String at) {
    ObjectNode d = draft();
    ((ObjectNode) design(d).get(face)).put("measuredTransmittance", transmittance);
    if (at != null) {
      d.put("since", at);
    }
    return put(d);
  }

  private static double u(JsonNode of, String face) {
    return of.path("design").path(face).path("measuredTransmittance").asDouble();
  }

  /** Four readings of the core, a run of them. */
  private String run(String day, String next) {
    UUID core = Grounds.probeId(store, "core");
    String[] at = {
      day + "T12:00:00Z", day + "T18:00:00Z", next + "T08:00:00Z", next + "T18:00:00Z"
    };
    int[] read = {12, 90, 55, 45};
    StringBuilder readings = new StringBuilder();
    for (int k = 0; k < at.length; k++) {
      readings
          .append(k == 0 ? "" : ",")
          .append(
              "{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%d\"}"
                  .formatted(core, at[k], read[k]));
    }
    kept(
        grounds.keeper.post(
            grounds.path("/readings"), "{\"fahrenheit\":false,\"readings\":[" + readings + "]}"));
    return run(day, at[0], at[3]);
  }

  private String run(String name, String from, String to) {
    return grounds
        .keeper
        .post(
            path() + "/runs",
            "{\"name\":\"%s\",\"from\":\"%s\",\"to\":\"%s\"}".formatted(name, from, to))
        .body()
        .path("id")
        .asString();
  }

  private JsonNode few(String run) {
    Answer a = grounds.keeper.get(grounds.path("/runs/" + run + "/few"));
    kept(a);
    return a.body();
  }

  @Test
  public void aWrapSinceTuesdayLeavesMondaysStoreBare() {
    kept(since("side", 0.4, TUESDAY));
    JsonNode is = now();
    assertThat(u(is, "side")).isEqualTo(0.4);
    assertThat(is.path("earlier")).hasSize(1);
    assertThat(is.path("earlier").path(0).path("until").asString()).isEqualTo(TUESDAY);
    assertThat(u(is.path("earlier").path(0), "side")).isEqualTo(0.9);
  }

  @Test
  public void whatWasDescribedWronglyIsPutRightForEveryTimeThatHadItSo() {
    kept(since("side", 0.4, TUESDAY));
    ObjectNode d = draft();
    design(d).put("diameterMetres", 0.58);
    ((ObjectNode) design(d).get("side")).put("measuredTransmittance", 0.35);
    kept(put(d));
    JsonNode before = now().path("earlier").path(0);
    assertThat(before.path("design").path("diameterMetres").asDouble()).isEqualTo(0.58);
    assertThat(u(before, "side")).as("it was bare then").isEqualTo(0.9);
  }

  @Test
  public void whatWasForgottenGoesInBetween() {
    kept(since("top", 1.5, THURSDAY));
    kept(since("side", 0.4, TUESDAY));
    JsonNode earlier = now().path("earlier");
    assertThat(earlier).hasSize(2);
    assertThat(u(earlier.path(0), "side")).isEqualTo(0.9);
    assertThat(u(earlier.path(1), "side")).isEqualTo(0.4);
    assertThat(u(earlier.path(1), "top")).as("no lid before Thursday").isEqualTo(9.5);
    assertThat(u(now(), "top")).isEqualTo(1.5);
  }

  @Test
  public void whoSaysOnlyAfterwardsSinceWhenIsNotTooLate() {
    JsonNode was = now();
    kept(since("side", 0.4, null));
    ObjectNode d = draft();
    ObjectNode before = MAPPER.createObjectNode();
    for (String k : new String[] {"houseId", "design", "probes", "earlier"}) {
      before.set(k, was.path(k));
    }
    d.set("was", before);
    d.put("since", TUESDAY);
    kept(put(d));
    assertThat(u(now().path("earlier").path(0), "side")).isEqualTo(0.9);
  }

  @Test
  public void whatIsBackAsItWasAtTheSameMomentWasNeverOtherwise() {
    kept(since("side", 0.4, TUESDAY));
    kept(since("side", 0.9, TUESDAY));
    assertThat(now().path("earlier")).isEmpty();
  }

  @Test
  public void eachRunIsJudgedByTheStoreOfItsTime() {
    String bare = run("2026-01-11", "2026-01-12");
    String later = run("2026-01-14", "2026-01-15");
    double first = few(bare).path("loss").path("value").asDouble();
    kept(since("side", 0.2, TUESDAY));
    assertThat(few(bare).path("loss").path("value").asDouble()).isEqualTo(first);
    assertThat(few(later).path("loss").path("value").asDouble()).isLessThan(0.9 * first);
    assertThat(few(later).path("changed").isNull()).isTrue();
  }

  @Test
  public void aRunAcrossThreeIsJudgedByTheLongestAndSaysSo() {
    run("2026-01-13", "2026-01-14");
    String across = run("All of it", "2026-01-13T08:00:00Z", "2026-01-15T12:00:00Z");
    kept(since("side", 0.4, TUESDAY));
    kept(since("top", 1.5, THURSDAY));
    JsonNode changed = few(across).path("changed");
    assertThat(changed.path("at")).hasSize(2);
    assertThat(changed.path("from").asString()).isEqualTo(TUESDAY);
    assertThat(changed.path("to").asString()).isEqualTo(THURSDAY);
  }

  @Test
  public void aChangeIsTakenBackWithItsMomentAndMadeAgain() {
    kept(since("side", 0.4, TUESDAY));
    JsonNode made = now();
    String change =
        grounds.keeper.get(grounds.path("/changes")).body().path(0).path("id").asString();
    kept(grounds.keeper.post(grounds.path("/changes/" + change + "/undo"), ""));
    assertThat(now().path("earlier")).isEmpty();
    assertThat(u(now(), "side")).isEqualTo(0.9);
    kept(grounds.keeper.post(grounds.path("/changes/" + change + "/redo"), ""));
    assertThat(now().path("earlier")).isEqualTo(made.path("earlier"));
    assertThat(u(now(), "side")).isEqualTo(0.4);
  }

  @Test
  public void aProbeTakenOutStillTellsHowItWasWithIt() {
    String before = run("2026-01-11", "2026-01-12");
    int readings = few(before).path("readings").asInt();
    ObjectNode d = draft();
    ((tools.jackson.databind.node.ArrayNode) d.get("probes")).remove(0);
    d.put("since", TUESDAY);
    kept(put(d));
    assertThat(now().path("probes")).hasSize(3);
    assertThat(few(before).path("readings").asInt()).isEqualTo(readings);
  }

  @Test
  public void aMomentThatHasNotComeIsRefused() {
    Answer a = since("side", 0.4, "2100-01-01T00:00:00Z");
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.body().path("field").asString()).isEqualTo("since");
    assertThat(now().path("earlier")).isEmpty();
  }

  @DataProvider
  Object[][] odd() {
    return new Object[][] {
      {"since", "\"1850-01-01T00:00:00Z\"", "since"},
      {"earlier", "[null]", "earlier"},
      {
        "earlier",
        "[{\"until\":null,\"design\":{\"heightMetres\":0.5,\"count\":1,\"floorCelsius\":8,\"chargeToCelsius\":60},\"probes\":[]}]",
        "earlier"
      },
      {"earlier", "[{\"until\":\"2026-01-13T10:00:00Z\",\"probes\":[]}]", "earlier"},
      {
        "earlier",
        "[{\"until\":\"2026-01-13T10:00:00Z\",\"design\":{\"heightMetres\":0.5,\"count\":1,\"floorCelsius\":8,\"chargeToCelsius\":60},\"probes\":[null]}]",
        "probes"
      },
      {"was", "{\"probes\":[],\"earlier\":[]}", "was"},
      {
        "was",
        "{\"design\":{\"heightMetres\":0.5,\"count\":1,\"floorCelsius\":8,\"chargeToCelsius\":60},\"probes\":[],\"earlier\":[{}]}",
        "was.earlier"
      },
      {"probes", "[null]", "probes"},
    };
  }

  @Test(dataProvider = "odd")
  public void whatCannotBeIsRefusedByItsFieldAndLeavesTheStoreAsItWas(
      String part, String json, String field) {
    int version = now().path("version").asInt();
    ObjectNode d = draft();
    d.set(part, MAPPER.readTree(json));
    Answer a = put(d);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(422);
    assertThat(a.body().path("field").asString()).isEqualTo(field);
    assertThat(now().path("version").asInt()).isEqualTo(version);
  }

  @Test
  public void twoWaysThatEndAtOnceAreRefused() {
    kept(since("side", 0.4, TUESDAY));
    ObjectNode d = draft();
    JsonNode one = now().path("earlier").path(0);
    d.set("earlier", MAPPER.createArrayNode().add(one).add(one));
    assertThat(put(d).body().path("field").asString()).isEqualTo("earlier");
  }
}
