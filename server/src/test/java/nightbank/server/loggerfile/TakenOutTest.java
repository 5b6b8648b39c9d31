package nightbank.server.loggerfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import org.jooq.DSLContext;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A file that was read in by mistake goes again, all of it and nothing else. */
public class TakenOutTest {
  private static final String FILE =
      "time,core,edge\n2026-01-14 12:00,21.5,19\n2026-01-14 12:05,22,19.5\n2026-01-14 12:10,23,20\n";

  private Grounds grounds;
  private UUID store;
  private JsonNode in;

  @BeforeMethod
  void readIn() {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
    type("core", "2026-01-14T12:05:00Z", "40");
    in = grounds.readIn(grounds.upload(store, "wrong.csv", FILE.getBytes(StandardCharsets.UTF_8)));
    assertThat(in.path("added").asLong()).isEqualTo(5);
  }

  private void type(String probe, String at, String typed) {
    Visitor.Answer a =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
                .formatted(Grounds.probeId(store, probe), at, typed));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private String kept() {
    JsonNode book =
        grounds
            .keeper
            .get(grounds.path("/stores/" + store + "/notebook?before=2030-01-01T00:00:00Z"))
            .body()
            .path("readings");
    StringBuilder all = new StringBuilder();
    book.forEach(r -> all.append(r.path("celsius").asDouble()).append(' '));
    return all.toString();
  }

  private JsonNode newest() {
    return grounds.keeper.get(grounds.path("/changes")).body().path(0);
  }

  private int turn(JsonNode change, String way) {
    return grounds
        .keeper
        .post(grounds.path("/changes/" + change.path("id").asString() + "/" + way), "")
        .status();
  }

  private String file() {
    return grounds.path("/imports/" + in.path("id").asString());
  }

  @Test
  public void whatWasTypedByHandStaysAndTheRunGoes() {
    assertThat(in.path("runId").isString()).isTrue();
    Visitor.Answer out = grounds.keeper.delete(file());
    assertThat(out.status()).as(out.body().toString()).isEqualTo(200);
    assertThat(out.body().path("state").asString()).isEqualTo("TAKEN_OUT");
    assertThat(kept()).isEqualTo("40.0 ");
    assertThat(grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body()).isEmpty();
    assertThat(grounds.keeper.delete(file()).status()).as("twice").isEqualTo(412);
  }

  @Test
  public void readingItInIsTakenBackAndMadeAgainByWhoeverAskedForIt() {
    String before = kept();
    JsonNode change = newest();
    assertThat(change.path("kind").asString()).isEqualTo("IMPORT");
    assertThat(change.path("mine").asBoolean()).isTrue();
    assertThat(turn(change, "undo")).isEqualTo(200);
    assertThat(kept()).isEqualTo("40.0 ");
    assertThat(turn(newest(), "redo")).isEqualTo(200);
    assertThat(kept()).isEqualTo(before);
    assertThat(grounds.keeper.get(file()).body().path("runId").asString())
        .isEqualTo(in.path("runId").asString());
  }

  @Test
  public void aFigureThatWasPutRightBelongsToWhoeverDidSo() {
    type("core", "2026-01-14T12:00:00Z", "33");
    grounds.keeper.delete(file());
    assertThat(kept()).isEqualTo("40.0 33.0 ");
    assertThat(turn(newest(), "undo")).isEqualTo(200);
    assertThat(kept().split(" ")).hasSize(6).contains("33.0").doesNotContain("21.5");
  }

  @Test
  public void filesAreListedWithWhatBecameOfThem() {
    grounds.keeper.delete(file());
    JsonNode list = grounds.keeper.get(grounds.path("/stores/" + store + "/imports")).body();
    assertThat(list.path(0).path("fileName").asString()).isEqualTo("wrong.csv");
    assertThat(list.path(0).path("takenOut").asBoolean()).isTrue();
    Grounds stranger = Grounds.fresh();
    assertThat(stranger.keeper.delete(file()).status()).isEqualTo(404);
    assertThat(stranger.keeper.get(grounds.path("/stores/" + store + "/imports")).status())
        .isEqualTo(404);
  }

  @Test
  public void afterThirtyDaysItIsGoneForGood() {
    grounds.keeper.delete(file());
    DSLContext db = Program.shared().bean(DSLContext.class);
    Imports imports = Program.shared().bean(Imports.class);
    imports.forget(Instant.parse("2020-01-01T00:00:00Z"));
    assertThat(aside(db)).isEqualTo(5);
    imports.forget(Instant.parse("2100-01-01T00:00:00Z"));
    assertThat(aside(db)).isZero();
  }

  private int aside(DSLContext db) {
    return db.fetchCount(db.selectFrom("reading_aside").where("holding_id = ?", grounds.holding));
  }
}
