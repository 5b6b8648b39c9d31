package nightbank.server.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.jooq.DSLContext;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What people change is noted, taken back and made again. */
public class ChangesTest {
  private static final String AT = "2026-01-12T08:00:00Z";

  private Grounds grounds;
  private UUID store;
  private UUID core;

  @BeforeMethod
  void drum() {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
    core = Grounds.probeId(store, "core");
  }

  private Answer type(String typed, String at) {
    return grounds.keeper.post(
        grounds.path("/readings"),
        "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
            .formatted(core, at, typed));
  }

  private JsonNode notebook() {
    return grounds
        .keeper
        .get(grounds.path("/stores/" + store + "/notebook?before=2027-01-01T00:00:00Z"))
        .body()
        .path("readings");
  }

  private JsonNode newest() {
    return grounds.keeper.get(grounds.path("/changes")).body().path(0);
  }

  private Answer turn(JsonNode change, String way) {
    return grounds.keeper.post(
        grounds.path("/changes/" + change.path("id").asString() + "/" + way), "");
  }

  @Test
  public void aFigureTypedAgainReplacesTheFirstAndSaysSo() {
    type("61", AT);
    Answer again = type("62", AT);
    assertThat(again.body().path("replaced").asInt()).isEqualTo(1);
    assertThat(again.body().path("added").asInt()).isZero();
    assertThat(notebook().path(0).path("celsius").asDouble()).isCloseTo(62, within(1e-9));
    assertThat(newest().path("verb").asString()).isEqualTo("CHANGED");
    assertThat(newest().path("celsiusBefore").asDouble()).isEqualTo(61);
    assertThat(type("62", AT).body().path("known").asInt()).isEqualTo(1);
    assertThat(newest().path("celsiusAfter").asDouble()).isEqualTo(62);
  }

  @Test
  public void aReadingOfAnotherHourIsMovedAndMovedBackAndForthAgain() {
    type("61", AT);
    String moved =
        "{\"probeId\":\"%s\",\"at\":\"2026-01-12T09:30:00Z\",\"typed\":\"63\",\"fahrenheit\":false}"
            .formatted(core);
    Answer put = grounds.keeper.put(grounds.path("/probes/" + core + "/readings/" + AT), "", moved);
    assertThat(put.status()).isEqualTo(204);
    assertThat(notebook()).hasSize(1);
    JsonNode change = newest();
    assertThat(turn(change, "undo").status()).isEqualTo(200);
    assertThat(notebook().path(0).path("at").asString()).isEqualTo(AT);
    assertThat(notebook().path(0).path("celsius").asDouble()).isEqualTo(61);
    assertThat(newest().path("undoneAt").isNull()).isFalse();
    turn(change, "redo");
    assertThat(notebook().path(0).path("celsius").asDouble()).isEqualTo(63);
    assertThat(notebook()).hasSize(1);
  }

  @Test
  public void aReadingOfTheWrongYearIsMovedToAMonthThatNobodyHasReadIn() {
    type("61", AT);
    String moved =
        "{\"probeId\":\"%s\",\"at\":\"2011-03-12T09:30:00Z\",\"typed\":\"61\",\"fahrenheit\":false}"
            .formatted(core);
    String path = grounds.path("/probes/" + core + "/readings/" + AT);
    assertThat(grounds.keeper.put(path, "", moved).status()).isEqualTo(204);
    assertThat(notebook().path(0).path("at").asString()).isEqualTo("2011-03-12T09:30:00Z");
    assertThat(notebook()).hasSize(1);
  }

  @Test
  public void aReadingTakenAwayComesBack() {
    type("61", AT);
    grounds.keeper.delete(grounds.path("/probes/" + core + "/readings/" + AT));
    assertThat(notebook()).isEmpty();
    assertThat(newest().path("verb").asString()).isEqualTo("REMOVED");
    turn(newest(), "undo");
    assertThat(notebook()).hasSize(1);
  }

  @Test
  public void whatWasChangedAgainSinceIsNotTakenBackOverIt() {
    type("61", AT);
    type("62", AT);
    JsonNode first = grounds.keeper.get(grounds.path("/changes")).body().path(1);
    Answer refused = turn(first, "undo");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.code()).isEqualTo("changed-since");
    assertThat(notebook().path(0).path("celsius").asDouble()).isEqualTo(62);
  }

  @Test
  public void aStoreGoesWithItsRunsAndPartsAndTrialsAndAllOfItComesBack() {
    for (int h = 8; h < 20; h++) {
      type("" + (80 - h), "2026-01-12T%02d:00:00Z".formatted(h));
    }
    String first = run("first", "2026-01-12T07:00:00Z", "2026-01-12T12:00:00Z");
    String other = run("other", "2026-01-12T12:00:00Z", "2026-01-12T20:00:00Z");
    String trial = grounds.path("/trials/" + UUID.randomUUID());
    grounds.keeper.put(
        trial,
        "",
        "{\"name\":\"wrap\",\"runs\":[{\"runId\":\"%s\",\"side\":\"bare\"},{\"runId\":\"%s\",\"side\":\"wrapped\"}]}"
            .formatted(first, other));
    String stores = grounds.path("/stores");
    assertThat(grounds.keeper.delete(stores + "/" + store).status()).isEqualTo(204);
    assertThat(grounds.keeper.get(stores).body()).isEmpty();
    assertThat(grounds.keeper.get(stores + "/" + store).status()).isEqualTo(404);
    assertThat(grounds.keeper.get(grounds.path("/parts")).body()).isEmpty();
    assertThat(trialRuns()).isEmpty();
    JsonNode change = newest();
    assertThat(change.path("kind").asString()).isEqualTo("STORE");
    assertThat(change.path("name").asString()).isEqualTo("Drum");
    Answer undone = turn(change, "undo");
    assertThat(undone.status()).as(undone.body().toString()).isEqualTo(200);
    assertThat(grounds.keeper.get(stores + "/" + store).body().path("probes")).hasSize(4);
    assertThat(grounds.keeper.get(grounds.path("/parts")).body()).hasSize(1);
    assertThat(grounds.keeper.get(stores + "/" + store + "/runs").body()).hasSize(2);
    assertThat(trialRuns()).hasSize(2);
    assertThat(notebook()).hasSize(12);
    assertThat(turn(change, "redo").status()).isEqualTo(200);
    assertThat(grounds.keeper.get(stores).body()).isEmpty();
  }

  private JsonNode trialRuns() {
    return grounds.keeper.get(grounds.path("/trials")).body().path(0).path("runs");
  }

  private String run(String name, String from, String to) {
    return grounds
        .keeper
        .post(
            grounds.path("/stores/" + store + "/runs"),
            "{\"name\":\"%s\",\"from\":\"%s\",\"to\":\"%s\"}".formatted(name, from, to))
        .body()
        .path("id")
        .asString();
  }

  @Test
  public void aHouseGoesAndItsStoreStaysInNone() {
    UUID house = grounds.newHouse();
    UUID inside = UUID.randomUUID();
    grounds.keeper.post(
        grounds.path("/stores"),
        Grounds.drum(inside, "Inside")
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\""));
    String houses = grounds.path("/houses");
    assertThat(grounds.keeper.delete(houses + "/" + house).status()).isEqualTo(204);
    assertThat(grounds.keeper.get(houses).body()).isEmpty();
    String at = grounds.path("/stores/" + inside);
    assertThat(grounds.keeper.get(at).body().path("houseId").isNull()).isTrue();
    assertThat(turn(newest(), "undo").status()).isEqualTo(200);
    assertThat(grounds.keeper.get(at).body().path("houseId").asString())
        .isEqualTo(house.toString());
    assertThat(grounds.keeper.get(houses).body()).hasSize(1);
  }

  @Test
  public void whatStoodInAHouseThatIsGoneWaitsForTheHouse() {
    UUID house = grounds.newHouse();
    UUID inside = UUID.randomUUID();
    String at = grounds.path("/stores/" + inside);
    grounds.keeper.post(
        grounds.path("/stores"),
        Grounds.drum(inside, "Inside")
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\""));
    grounds.keeper.delete(at);
    JsonNode store = newest();
    grounds.keeper.delete(grounds.path("/houses/" + house));
    JsonNode gone = newest();
    Answer refused = turn(store, "undo");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.code()).isEqualTo("rests-on-nothing");
    assertThat(grounds.keeper.get(at).status()).isEqualTo(404);
    assertThat(turn(gone, "undo").status()).isEqualTo(200);
    assertThat(turn(store, "undo").status()).isEqualTo(200);
    assertThat(grounds.keeper.get(at).body().path("houseId").asString())
        .isEqualTo(house.toString());
  }

  @Test
  public void afterThirtyDaysItIsGoneForGoodWithWhatItRead() {
    type("61", AT);
    grounds.keeper.delete(grounds.path("/stores/" + store));
    DSLContext db = Program.shared().bean(DSLContext.class);
    Changes changes = Program.shared().bean(Changes.class);
    changes.tidy();
    assertThat(newest().path("name").asString()).isEqualTo("Drum");
    for (String table : new String[] {"heat_store", "probe"}) {
      db.execute(
          "UPDATE "
              + table
              + " SET removed_at = removed_at - interval '31 days' WHERE holding_id = ?",
          grounds.holding);
    }
    db.execute(
        "UPDATE change SET at = at - interval '31 days' WHERE holding_id = ?", grounds.holding);
    changes.tidy();
    assertThat(grounds.keeper.get(grounds.path("/changes")).body()).isEmpty();
    for (String table : new String[] {"heat_store", "probe", "reading"}) {
      assertThat(db.fetchCount(db.selectFrom(table).where("holding_id = ?", grounds.holding)))
          .as(table)
          .isZero();
    }
  }

  @Test
  public void aProbeLeftOutOfADesignComesBackWithIt() {
    String at = grounds.path("/stores/" + store);
    Answer now = grounds.keeper.get(at);
    String fewer =
        Grounds.drum(store, "Drum").replaceFirst("\\{\"id\":\"[^{}]*\"half\"[^{}]*\\}\\s*,", "");
    grounds.keeper.put(at, now.etag(), fewer);
    assertThat(grounds.keeper.get(at).body().path("probes")).hasSize(3);
    turn(newest(), "undo");
    assertThat(grounds.keeper.get(at).body().path("probes")).hasSize(4);
  }

  @Test
  public void anEventIsSetRightAndTakenBack() {
    UUID id = UUID.randomUUID();
    String event =
        "{\"id\":\"%s\",\"storeId\":\"%s\",\"kind\":\"LID\",\"way\":\"OFF\",\"at\":\"2026-01-12T%s:00:00Z\",\"note\":\"\"}";
    String events = grounds.path("/events");
    grounds.keeper.post(events, event.formatted(id, store, "08"));
    grounds.keeper.post(events, event.formatted(id, store, "08"));
    grounds.keeper.put(events + "/" + id, "", event.formatted(id, store, "09"));
    assertThat(newest().path("verb").asString()).isEqualTo("CHANGED");
    assertThat(newest().path("name").asString()).isEqualTo("LID OFF");
    turn(newest(), "undo");
    String span = "?from=2026-01-12T00:00:00Z&to=2026-01-13T00:00:00Z";
    JsonNode kept = grounds.keeper.get(events + span).body();
    assertThat(kept.path(0).path("at").asString()).isEqualTo("2026-01-12T08:00:00Z");
    turn(grounds.keeper.get(grounds.path("/changes")).body().path(1), "undo");
    assertThat(grounds.keeper.get(events + span).body()).isEmpty();
  }

  @Test
  public void strangersSeeAndTakeBackNothing() {
    type("61", AT);
    JsonNode change = newest();
    Visitor stranger = Visitor.keeper(Program.shared(), "stranger-" + store);
    String path = grounds.path("/changes");
    assertThat(stranger.get(path).status()).isEqualTo(404);
    assertThat(stranger.post(path + "/" + change.path("id").asString() + "/undo", "").status())
        .isEqualTo(404);
    assertThat(notebook()).hasSize(1);
  }

  private void thirtyDaysOn() {
    DSLContext db = Program.shared().bean(DSLContext.class);
    for (String table : new String[] {"greenhouse", "heat_store", "probe"}) {
      db.execute(
          "UPDATE "
              + table
              + " SET removed_at = removed_at - interval '31 days' WHERE holding_id = ?",
          grounds.holding);
    }
    Program.shared().bean(Changes.class).tidy();
  }

  private int rows(String table) {
    DSLContext db = Program.shared().bean(DSLContext.class);
    return db.fetchCount(db.selectFrom(table).where("holding_id = ?", grounds.holding));
  }

  @Test
  public void aHousesOwnThermometersGoWithItAndAStoresStay() {
    UUID house = grounds.newHouse();
    UUID lowest = UUID.randomUUID();
    grounds.keeper.put(
        grounds.path("/thermometers/" + lowest),
        null,
        "{\"houseId\":\"%s\",\"kind\":\"LOWEST\",\"name\":\"lowest\"}".formatted(house));
    grounds.keeper.post(
        grounds.path("/readings"),
        "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"3\"}]}"
            .formatted(lowest, AT));
    type("61", AT);
    assertThat(rows("reading")).isEqualTo(2);
    grounds.keeper.delete(grounds.path("/houses/" + house));
    thirtyDaysOn();
    assertThat(rows("greenhouse")).isZero();
    assertThat(rows("reading")).as("the store's stays").isEqualTo(1);
    assertThat(rows("probe")).isEqualTo(4);
  }

  @Test
  public void whatAProbeReadThatWasTakenOutStaysForAsLongAsItTellsHowItWas() {
    type("61", AT);
    String all = Grounds.drum(store, "Drum");
    int core = all.indexOf("{\"id\":\"" + this.core);
    String without = all.substring(0, core) + all.substring(all.indexOf("{\"id\"", core + 5));
    String since = without.replace("\"houseId\"", "\"since\":\"2026-01-13T10:00:00Z\",\"houseId\"");
    Answer put = grounds.keeper.put(grounds.path("/stores/" + store), "\"1\"", since);
    assertThat(put.status()).as(put.body().toString()).isEqualTo(200);
    assertThat(put.body().path("probes")).hasSize(3);
    thirtyDaysOn();
    assertThat(rows("reading")).isEqualTo(1);
    grounds.keeper.delete(grounds.path("/stores/" + store));
    thirtyDaysOn();
    assertThat(rows("reading")).isZero();
  }

  private String price() {
    return grounds
        .keeper
        .get(grounds.path("/book"))
        .body()
        .path("book")
        .path("prices")
        .path(0)
        .path("price")
        .asString("");
  }

  private void price(int version, String price) {
    Answer a =
        grounds.keeper.put(
            grounds.path("/book"),
            "\"" + version + "\"",
            "{\"currency\":\"£\",\"media\":[],\"prices\":[{\"of\":\"firewood\",\"pack\":\"net\",\"amount\":20,\"unit\":\"KILOGRAM\",\"price\":%s}]}"
                .formatted(price));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  @Test
  public void pricesAreTakenBackAndMadeAgain() {
    price(0, "6.1");
    price(1, "7.2");
    JsonNode change = newest();
    assertThat(change.path("kind").asString()).isEqualTo("BOOK");
    assertThat(turn(change, "undo").status()).isEqualTo(200);
    assertThat(price()).isEqualTo("6.1");
    assertThat(turn(change, "redo").status()).isEqualTo(200);
    assertThat(price()).isEqualTo("7.2");
    turn(change, "undo");
    assertThat(turn(grounds.keeper.get(grounds.path("/changes")).body().path(1), "undo").status())
        .isEqualTo(200);
    assertThat(price()).isEmpty();
  }
}
