package nightbank.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Rounds as they come through bad signal: late, twice, in parts, from two phones. */
public class RoundsTest {
  private static final String AT = "2026-01-20T21:10:00Z";

  private Grounds grounds;
  private UUID drum;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  @BeforeMethod
  void store() {
    drum = grounds.newDrum();
  }

  private String entry(UUID id, String probe, String outcome, String typed) {
    return "{\"id\":\"%s\",\"probeId\":\"%s\",\"at\":\"%s\",\"outcome\":\"%s\",\"typed\":\"%s\",\"note\":\"\"}"
        .formatted(id, Grounds.probeId(drum, probe), AT, outcome, typed);
  }

  private static String round(String... entries) {
    return "{\"startedAt\":\"2026-01-20T21:00:00Z\",\"endedAt\":null,\"fahrenheit\":false,\"note\":\"\",\"entries\":["
        + String.join(",", entries)
        + "]}";
  }

  private Answer put(UUID round, String body) {
    return grounds.keeper.put(grounds.path("/rounds/" + round), null, body);
  }

  /** The round as kept, missing when it is not. */
  private JsonNode kept(UUID id) {
    for (JsonNode r : grounds.keeper.get(grounds.path("/rounds?most=200")).body()) {
      if (r.path("id").asString().equals(id.toString())) {
        return r;
      }
    }
    return tools.jackson.databind.node.MissingNode.getInstance();
  }

  private JsonNode events() {
    return grounds
        .keeper
        .get(grounds.path("/events?from=2026-01-20T00:00:00Z&to=2026-01-21T00:00:00Z"))
        .body();
  }

  private int readings() {
    int n = 0;
    JsonNode store = grounds.keeper.get(grounds.path("/stores/" + drum)).body();
    for (JsonNode l : store.path("now").path("latest")) {
      n += l.path("at").asString().equals(AT) ? 1 : 0;
    }
    return n;
  }

  @Test
  public void entriesComeInPartsAndTheRoundIsWholeInTheEnd() {
    UUID id = UUID.randomUUID();
    assertThat(put(id, round(entry(UUID.randomUUID(), "core", "READ", "58F"))).status())
        .isEqualTo(200);
    put(id, round(entry(UUID.randomUUID(), "half", "READ", "14,5")));
    put(id, round(entry(UUID.randomUUID(), "edge", "SKIPPED", "")));
    Answer end =
        put(
            id,
            "{\"startedAt\":\"2026-01-20T21:00:00Z\",\"endedAt\":\"2026-01-20T21:12:00Z\",\"entries\":[]}");
    assertThat(end.status()).as(end.body().toString()).isEqualTo(200);
    assertThat(end.body().path("entries").size()).isEqualTo(3);
    assertThat(end.body().path("endedAt").asString()).isEqualTo("2026-01-20T21:12:00Z");
    assertThat(end.body().path("entries").path(0).path("celsius").asDouble()).isBetween(14.4, 14.5);
    assertThat(readings()).isEqualTo(2);
  }

  @Test
  public void whatIsSentTwiceOrOutOfOrderIsThereOnce() {
    UUID id = UUID.randomUUID();
    String first = round(entry(UUID.randomUUID(), "core", "READ", "40"));
    String second = round(entry(UUID.randomUUID(), "half", "READ", "30"));
    put(id, second);
    put(id, first);
    put(id, second);
    Answer last = put(id, first);
    assertThat(last.body().path("entries").size()).isEqualTo(2);
    assertThat(readings()).isEqualTo(2);
  }

  @Test
  public void theSameEntryFromTwoPhonesAtOnceIsThereOnce() {
    UUID id = UUID.randomUUID();
    String body = round(entry(UUID.randomUUID(), "core", "READ", "40"));
    List<CompletableFuture<Integer>> all = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      all.add(CompletableFuture.supplyAsync(() -> put(id, body).status()));
    }
    all.forEach(f -> assertThat(f.join()).isEqualTo(200));
    assertThat(kept(id).path("entries").size()).isEqualTo(1);
  }

  @Test
  public void anEndThatCameFirstIsNotForgotten() {
    UUID id = UUID.randomUUID();
    put(
        id,
        "{\"startedAt\":\"2026-01-20T21:00:00Z\",\"endedAt\":\"2026-01-20T21:12:00Z\",\"entries\":[]}");
    Answer late = put(id, round(entry(UUID.randomUUID(), "core", "READ", "40")));
    assertThat(late.body().path("endedAt").asString()).isEqualTo("2026-01-20T21:12:00Z");
  }

  @Test
  public void iceOnTheDishIsSeenOnceInTheLog() {
    UUID id = UUID.randomUUID();
    String body = round(entry(UUID.randomUUID(), "air", "ICE", ""));
    put(id, body);
    put(id, body);
    int seen = 0;
    for (JsonNode e : events()) {
      seen += e.path("note").asString().equals("Ice on the dish") ? 1 : 0;
    }
    assertThat(seen).isEqualTo(1);
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {"\"READ\"", "\"GUESSED\"", 400},
      {"\"typed\":\"40\"", "\"typed\":\"warm\"", 422},
      {"\"typed\":\"40\"", "\"typed\":\"" + "4".repeat(200) + "\"", 422},
      {AT, "2999-01-01T00:00:00Z", 422},
      {AT, "1900-01-01T00:00:00Z", 422},
      {"\"startedAt\":\"2026-01-20T21:00:00Z\"", "\"startedAt\":null", 422},
      {"\"endedAt\":null", "\"endedAt\":\"2020-01-20T21:00:00Z\"", 422},
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedAndNothingOfItIsKept(String from, String to, int status) {
    UUID id = UUID.randomUUID();
    String good = entry(UUID.randomUUID(), "half", "READ", "30");
    String bad = round(good, entry(UUID.randomUUID(), "core", "READ", "40"));
    Answer answer = put(id, bad.replace(from, to));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(status);
    assertThat(kept(id).isMissingNode()).isTrue();
    assertThat(readings()).isZero();
  }

  @Test
  public void anotherHoldingsRoundAndProbesAreOutOfReach() {
    UUID id = UUID.randomUUID();
    put(id, round(entry(UUID.randomUUID(), "core", "READ", "40")));
    Grounds other = Grounds.fresh();
    String theirs = round(entry(UUID.randomUUID(), "core", "READ", "99"));
    assertThat(other.keeper.put(other.path("/rounds/" + id), null, round()).status())
        .isEqualTo(404);
    assertThat(other.keeper.put(other.path("/rounds/" + UUID.randomUUID()), null, theirs).status())
        .isEqualTo(404);
    assertThat(other.keeper.put(grounds.path("/rounds/" + id), null, round()).status())
        .isEqualTo(404);
  }

  private static String walk(UUID drum, String... names) {
    return Stream.of(names)
        .map(n -> '"' + Grounds.probeId(drum, n).toString() + '"')
        .collect(Collectors.joining(",", "[", "]"));
  }

  private Answer walks(String probes, String was) {
    return grounds.keeper.put(
        grounds.path("/walk"), null, "{\"probes\":%s,\"was\":%s}".formatted(probes, was));
  }

  @Test
  public void theWalkIsKeptInTheGrowersOrderAndTheSecondToMoveItIsTold() {
    String was = grounds.keeper.get(grounds.path("/walk")).body().toString();
    String mine = walk(drum, "edge", "core");
    assertThat(walks(mine, was).status()).isEqualTo(200);
    JsonNode walk = grounds.keeper.get(grounds.path("/walk")).body();
    assertThat(walk.path(0).asString()).isEqualTo(Grounds.probeId(drum, "edge").toString());
    assertThat(walks(mine, was).status()).as("the same once more").isEqualTo(200);
    Answer late = walks(walk(drum, "core", "edge"), was);
    assertThat(late.status()).isEqualTo(412);
    assertThat(late.code()).isEqualTo("changed-meanwhile");
    assertThat(walks(walk(drum, "edge", "edge"), mine).status()).isEqualTo(422);
  }

  private static byte[] picture(String format) throws IOException {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), format, out);
    return out.toByteArray();
  }

  @Test
  public void photosAreKeptOnceAndShownAgain() throws IOException {
    UUID round = UUID.randomUUID();
    UUID photo = UUID.randomUUID();
    put(round, round());
    String path = grounds.path("/photos/" + photo + "?round=" + round + "&taken=" + AT);
    assertThat(grounds.keeper.putBytes(path, picture("jpeg")).status()).isEqualTo(204);
    assertThat(grounds.keeper.putBytes(path, picture("jpeg")).status()).isEqualTo(204);
    assertThat(kept(round).path("photos").size()).isEqualTo(1);
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(grounds.path("/photos/" + photo)).status()).isEqualTo(404);
    assertThat(other.keeper.get(other.path("/photos/" + photo)).status()).isEqualTo(404);
  }

  @Test
  public void whatLiesBehindAPictureIsNotKept() throws IOException {
    byte[] picture = picture("png");
    byte[] more = "<script>alert(1)</script>".getBytes(java.nio.charset.StandardCharsets.UTF_8);
    byte[] both = java.util.Arrays.copyOf(picture, picture.length + more.length);
    System.arraycopy(more, 0, both, picture.length, more.length);
    UUID photo = UUID.randomUUID();
    String path = grounds.path("/photos/" + photo);
    assertThat(grounds.keeper.putBytes(path + "?taken=" + AT, both).status()).isBetween(200, 204);
    byte[] kept = grounds.keeper.bytes(path);
    assertThat(new String(kept, java.nio.charset.StandardCharsets.ISO_8859_1))
        .doesNotContain("script");
    assertThat(javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(kept))).isNotNull();
  }

  @DataProvider
  Object[][] noPhotos() throws IOException {
    byte[] torn = java.util.Arrays.copyOf(picture("png"), 20);
    return new Object[][] {
      {"text", "not a photo".getBytes(java.nio.charset.StandardCharsets.UTF_8)},
      {"empty", new byte[0]},
      {"torn", torn},
      {"gif", picture("gif")},
      {"huge", new byte[3_000_000]},
      {
        "svg",
        "<svg xmlns=\"http://www.w3.org/2000/svg\" onload=\"x()\"/>"
            .getBytes(java.nio.charset.StandardCharsets.UTF_8)
      },
    };
  }

  @Test(dataProvider = "noPhotos")
  public void whatIsNoPhotoIsRefused(String name, byte[] bytes) {
    Answer answer = grounds.keeper.putBytes(grounds.path("/photos/" + UUID.randomUUID()), bytes);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo("photo");
  }

  @DataProvider
  Object[][] ways() {
    return new Object[][] {
      {"PUMP", "ON", 200},
      {"DOOR", "OPEN", 200},
      {"LID", "OPEN", 422},
      {"FIRE_LIT", "ON", 422},
      {"SCREEN", "SIDEWAYS", 400},
    };
  }

  @Test(dataProvider = "ways")
  public void whatWasDoneGoesOneOfItsTwoWays(String kind, String way, int status) {
    Answer answer =
        grounds.keeper.post(
            grounds.path("/events"),
            "{\"id\":\"%s\",\"kind\":\"%s\",\"way\":\"%s\",\"at\":\"%s\",\"note\":\"\"}"
                .formatted(UUID.randomUUID(), kind, way, AT));
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(status);
    if (status == 422) {
      assertThat(answer.body().path("field").asString()).isEqualTo("way");
    }
  }

  @Test
  public void anEventIsSetRightAfterwards() {
    UUID id = UUID.randomUUID();
    String event =
        "{\"id\":\"%s\",\"storeId\":\"%s\",\"kind\":\"FIRE_LIT\",\"at\":\"%s\",\"note\":\"\"}"
            .formatted(id, drum, AT);
    assertThat(grounds.keeper.post(grounds.path("/events"), event).status()).isEqualTo(200);
    String right =
        event
            .replace("21:10", "20:40")
            .replace("\"note\":\"\"", "\"note\":\"birch\",\"amount\":4.5,\"moisture\":0.18");
    Answer changed = grounds.keeper.put(grounds.path("/events/" + id), null, right);
    assertThat(changed.status()).as(changed.body().toString()).isEqualTo(200);
    List<JsonNode> mine = new ArrayList<>();
    events().forEach(e -> mine.add(e.path("id").asString().equals(id.toString()) ? e : null));
    mine.removeIf(java.util.Objects::isNull);
    assertThat(mine).hasSize(1);
    assertThat(mine.get(0).path("amount").asDouble()).isEqualTo(4.5);
    assertThat(mine.get(0).path("at").asString()).contains("20:40");
    assertThat(
            grounds
                .keeper
                .put(grounds.path("/events/" + id), null, right.replace("4.5", "-3"))
                .status())
        .isEqualTo(422);
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.put(other.path("/events/" + id), null, right).status()).isEqualTo(404);
  }

  @Test
  public void anAnswerGivenAgainCorrectsTheFirst() {
    UUID round = UUID.randomUUID();
    UUID entry = UUID.randomUUID();
    int seen = events().size();
    put(round, round(entry(entry, "core", "READ", "61")));
    put(round, round(entry(entry, "core", "READ", "16")));
    JsonNode kept = kept(round).path("entries");
    assertThat(kept).hasSize(1);
    assertThat(kept.path(0).path("celsius").asDouble()).isEqualTo(16);
    assertThat(readings()).isEqualTo(1);
    put(round, round(entry(entry, "core", "ICE", "")));
    assertThat(readings()).isZero();
    assertThat(events()).hasSize(seen + 1);
    put(round, round(entry(entry, "core", "READ", "16")));
    assertThat(readings()).isEqualTo(1);
    assertThat(events()).hasSize(seen);
  }
}
