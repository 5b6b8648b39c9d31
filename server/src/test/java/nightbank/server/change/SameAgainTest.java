package nightbank.server.change;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The same request again is the same answer; something else under a known id is told of. */
public class SameAgainTest {
  private final Grounds own = Grounds.fresh();

  private Answer post(String path, String body) {
    return own.keeper.post(own.path(path), body);
  }

  private static String event(UUID id, String note) {
    return "{\"id\":\"%s\",\"kind\":\"NOTE\",\"at\":\"2026-01-11T12:00:00Z\",\"note\":\"%s\"}"
        .formatted(id, note);
  }

  @Test
  public void aStorePutAgainKeepsItsProbesAndAnotherUnderItsIdIsRefused() {
    UUID id = UUID.randomUUID();
    Answer made = post("/stores", Grounds.drum(id, "Drum"));
    Answer again = post("/stores", Grounds.drum(id, "Drum"));
    assertThat(again.status()).as(again.body().toString()).isEqualTo(200);
    assertThat(again.body().path("version")).isEqualTo(made.body().path("version"));
    Answer other = post("/stores", Grounds.drum(id, "Another"));
    assertThat(other.status()).isEqualTo(409);
    assertThat(other.code()).isEqualTo("known-id");
    JsonNode bare = made.body();
    Answer without =
        post(
            "/stores",
            Grounds.drum(id, "Drum").replaceAll("(?s)\"probes\":\\[.*\\]", "\"probes\":[]"));
    assertThat(without.status()).as(bare.toString()).isEqualTo(409);
    assertThat(own.keeper.get(own.path("/stores/" + id)).body().path("probes").size()).isEqualTo(4);
  }

  @Test
  public void aProbeOfAnotherHoldingIsNotDroppedInSilence() {
    Grounds others = Grounds.fresh();
    UUID theirs = others.newDrum();
    UUID id = UUID.randomUUID();
    String stolen =
        Grounds.drum(id, "Drum")
            .replace(
                Grounds.probeId(id, "core").toString(), Grounds.probeId(theirs, "core").toString());
    Answer refused = post("/stores", stolen);
    assertThat(refused.status()).isEqualTo(409);
    assertThat(own.keeper.get(own.path("/stores/" + id)).status()).isEqualTo(404);
  }

  @Test
  public void aPartCannotBearTheIdOfAStore() {
    UUID store = own.newDrum();
    Answer refused =
        post(
            "/parts",
            "{\"id\":\"%s\",\"name\":\"Part\",\"houseId\":null,\"design\":%s}"
                .formatted(store, Grounds.element(store)));
    assertThat(refused.status()).isEqualTo(409);
  }

  @Test
  public void anEventSentTwiceIsOneAndAnotherUnderItsIdIsRefused() {
    UUID id = UUID.randomUUID();
    assertThat(post("/events", event(id, "one")).status()).isEqualTo(200);
    assertThat(post("/events", event(id, "one")).status()).isEqualTo(200);
    Answer other = post("/events", event(id, "two"));
    assertThat(other.status()).isEqualTo(409);
    assertThat(other.code()).isEqualTo("known-id");
    Answer changed = own.keeper.put(own.path("/events/" + id), null, event(id, "three"));
    assertThat(changed.body().path("note").asString()).isEqualTo("three");
  }

  @Test
  public void apartOfARoundWithoutANoteLeavesTheNote() {
    UUID id = UUID.randomUUID();
    String round =
        "{\"startedAt\":\"2026-01-11T12:00:00Z\",\"endedAt\":null,\"fahrenheit\":false,"
            + "\"note\":%s,\"entries\":[]}";
    own.keeper.put(own.path("/rounds/" + id), null, round.formatted("\"Frost on the glass\""));
    own.keeper.put(own.path("/rounds/" + id), null, round.formatted("null"));
    Answer kept = own.keeper.put(own.path("/rounds/" + id), null, round.formatted("\"\""));
    assertThat(kept.body().path("note").asString()).isEqualTo("Frost on the glass");
  }
}
