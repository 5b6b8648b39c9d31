package nightbank.server.change;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javax.imageio.ImageIO;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Loggers, people, the place, rounds and photos: changed, taken back, made again. */
public class BroughtBackTest {
  private static final String AT = "2026-01-20T21:10:00Z";

  private Grounds own;

  @BeforeMethod
  void holding() {
    own = Grounds.fresh();
  }

  private JsonNode newest() {
    return own.keeper.get(own.path("/changes")).body().path(0);
  }

  private Answer turn(Visitor who, String way) {
    return who.post(own.path("/changes/" + newest().path("id").asString() + "/" + way), "");
  }

  private void undo(String kind) {
    assertThat(newest().path("kind").asString()).isEqualTo(kind);
    Answer a = turn(own.keeper, "undo");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private void redo() {
    assertThat(turn(own.keeper, "redo").status()).isEqualTo(200);
  }

  @Test
  public void aLoggerThatWasShutOutSendsAgainWithTheTokenThatItHad() {
    UUID drum = own.newDrum();
    Answer made =
        own.keeper.post(
            own.path("/devices"),
            "{\"name\":\"Bin logger\",\"channels\":[{\"name\":\"t1\",\"probeId\":\"%s\"}]}"
                .formatted(Grounds.probeId(drum, "core")));
    String token = made.body().path("token").asString();
    own.keeper.delete(own.path("/devices/" + made.body().path("id").asString()));
    assertThat(send(token)).isEqualTo(401);
    undo("DEVICE");
    assertThat(send(token)).isEqualTo(200);
    redo();
    assertThat(send(token)).isEqualTo(401);
  }

  private int send(String token) {
    String pack = "[{\"n\":\"t1\",\"u\":\"Cel\",\"t\":1768392000,\"v\":21.5}]";
    return new Visitor(Program.shared()).pack(token, pack).status();
  }

  @Test
  public void whoIsShutOutSeesNothingMoreAndComesBackAsBefore() {
    String login = "cass" + own.holding;
    Visitor cass = own.letIn(login, "HELPER");
    String id = own.idOf(login);
    assertThat(cass.get(own.path("/stores")).status()).isEqualTo(200);
    own.keeper.delete(own.path("/people/" + id));
    assertThat(cass.get(own.path("/stores")).status()).isEqualTo(404);
    undo("PERSON");
    assertThat(cass.get(own.path("/stores")).status()).isEqualTo(200);
  }

  @Test
  public void thereIsAlwaysAKeeperAlsoWhereTwoLeaveAtOnce() {
    Visitor dara = own.letIn("dara" + own.holding, "KEEPER");
    String other = own.idOf("dara" + own.holding);
    String first = "";
    for (JsonNode p : own.keeper.get(own.path("/people")).body()) {
      first = p.path("personId").asString().equals(other) ? first : p.path("personId").asString();
    }
    String one = own.path("/people/" + first);
    var a = CompletableFuture.supplyAsync(() -> dara.delete(one).status());
    var b =
        CompletableFuture.supplyAsync(
            () -> own.keeper.delete(own.path("/people/" + other)).status());
    assertThat((a.join() == 200 ? 1 : 0) + (b.join() == 200 ? 1 : 0)).isEqualTo(1);
  }

  @Test
  public void theLastKeeperCannotBecomeAGuest() {
    String me = own.keeper.get(own.path("/people")).body().path(0).path("personId").asString();
    Answer no = own.keeper.put(own.path("/people/" + me), null, "{\"role\":\"GUEST\"}");
    assertThat(no.status()).isEqualTo(409);
    assertThat(no.code()).isEqualTo("last-keeper");
  }

  @Test
  public void whoIsNoKeeperAnyMoreTurnsNothingThatOnlyKeepersMay() {
    Visitor eve = own.letIn("eve" + own.holding, "KEEPER");
    String id = own.idOf("eve" + own.holding);
    own.letIn("finn" + own.holding, "GUEST");
    String pal = own.idOf("finn" + own.holding);
    assertThat(eve.put(own.path("/people/" + pal), null, "{\"role\":\"KEEPER\"}").status())
        .isEqualTo(200);
    String promoted = newest().path("id").asString();
    own.keeper.put(own.path("/people/" + id), null, "{\"role\":\"HELPER\"}");
    assertThat(eve.post(own.path("/changes/" + promoted + "/undo"), "").status()).isEqualTo(403);
  }

  @Test
  public void thePlaceLiesWhereItLay() {
    JsonNode before = own.keeper.get(own.path("")).body();
    Answer moved =
        own.keeper.put(
            own.path(""),
            null,
            "{\"name\":\"Elsewhere\",\"latitude\":-12,\"longitude\":3,\"zone\":\"UTC\"}");
    assertThat(moved.status()).isEqualTo(200);
    undo("PLACE");
    assertThat(own.keeper.get(own.path("")).body()).isEqualTo(before);
  }

  private UUID walked(UUID drum) {
    UUID round = UUID.randomUUID();
    String entry =
        "{\"id\":\"%s\",\"probeId\":\"%s\",\"at\":\"%s\",\"outcome\":\"%s\",\"typed\":\"%s\",\"note\":\"\"}";
    Answer kept =
        own.keeper.put(
            own.path("/rounds/" + round),
            null,
            ("{\"startedAt\":\"2026-01-20T21:00:00Z\",\"endedAt\":null,\"fahrenheit\":false,\"note\":\"\",\"entries\":["
                + entry.formatted(
                    UUID.randomUUID(), Grounds.probeId(drum, "core"), AT, "READ", "61")
                + ","
                + entry.formatted(
                    UUID.randomUUID(), Grounds.probeId(drum, "edge"), AT, "READ", "38")
                + ","
                + entry.formatted(UUID.randomUUID(), Grounds.probeId(drum, "air"), AT, "ICE", "")
                + "]}"));
    assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
    return round;
  }

  private String held(UUID drum) {
    String all = own.path("/stores/" + drum + "/notebook?before=2030-01-01T00:00:00Z");
    return own.keeper.get(all).body().path("readings").toString();
  }

  @Test
  public void aRoundGoesWithItsReadingsAndItsIceButNotWithWhatWasPutRight() {
    UUID drum = own.newDrum();
    UUID round = walked(drum);
    String at = own.path("/probes/" + Grounds.probeId(drum, "edge") + "/readings/" + AT);
    Answer right =
        own.keeper.put(
            at,
            null,
            "{\"fahrenheit\":false,\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"39\"}"
                .formatted(Grounds.probeId(drum, "edge"), AT));
    assertThat(right.status()).as(right.body().toString()).isLessThan(300);
    String before = held(drum);
    assertThat(own.keeper.delete(own.path("/rounds/" + round)).status()).isEqualTo(204);
    assertThat(held(drum)).contains("39.0").doesNotContain("61.0");
    assertThat(own.keeper.get(own.path("/rounds")).body()).isEmpty();
    assertThat(events()).doesNotContain("ICE");
    undo("ROUND");
    assertThat(held(drum)).isEqualTo(before);
    assertThat(own.keeper.get(own.path("/rounds")).body().size()).isEqualTo(1);
    assertThat(events()).contains("ICE");
  }

  private String events() {
    return own.keeper
        .get(own.path("/events?from=2026-01-01T00:00:00Z&to=2026-02-01T00:00:00Z"))
        .body()
        .toString();
  }

  @Test
  public void aPhotoGoesAndComesBack() throws IOException {
    UUID round = walked(own.newDrum());
    UUID photo = UUID.randomUUID();
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB), "png", png);
    String at = own.path("/photos/" + photo);
    own.keeper.putBytes(at + "?round=" + round, png.toByteArray());
    assertThat(own.keeper.delete(at).status()).isEqualTo(204);
    assertThat(own.keeper.get(own.path("/rounds")).body().path(0).path("photos")).isEmpty();
    assertThat(own.keeper.putBytes(at + "?round=" + round, png.toByteArray()).status())
        .as("a phone that sends it once more")
        .isEqualTo(204);
    undo("PHOTO");
    assertThat(own.keeper.get(own.path("/rounds")).body().path(0).path("photos").size())
        .isEqualTo(1);
  }
}
