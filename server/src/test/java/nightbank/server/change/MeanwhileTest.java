package nightbank.server.change;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Two who change the same from what each of them had on the page: the second is told. */
public class MeanwhileTest {
  private Grounds own;
  private UUID store;

  @BeforeClass
  void ground() {
    own = Grounds.fresh();
    store = own.newDrum();
  }

  private void secondIsTold(String path, String first, String second) {
    assertThat(own.keeper.put(path, null, first).status()).isEqualTo(200);
    Answer told = own.keeper.put(path, null, second);
    assertThat(told.status()).isEqualTo(412);
    assertThat(told.code()).isEqualTo("changed-meanwhile");
  }

  @Test
  public void aPlace() {
    String was =
        own.keeper.get(own.path("")).body().toString().replaceFirst("\"id\":\"[^\"]*\",", "");
    String to =
        "{\"name\":\"%s\",\"latitude\":57,\"longitude\":-3,\"zone\":\"Europe/London\",\"was\":%s}";
    secondIsTold(own.path(""), to.formatted("Mine", was), to.formatted("Yours", was));
    assertThat(own.keeper.get(own.path("")).body().path("name").asString()).isEqualTo("Mine");
  }

  private String run(String name) {
    return own.keeper
        .post(
            own.path("/stores/" + store + "/runs"),
            "{\"name\":\"%s\",\"from\":\"2026-01-11T01:00:00Z\",\"to\":\"2026-01-12T20:00:00Z\"}"
                .formatted(name))
        .body()
        .path("id")
        .asString();
  }

  @Test
  public void aRun() {
    String id = run("One");
    String was =
        "{\"id\":\"%s\",\"name\":\"%s\",\"from\":\"2026-01-11T01:00:00Z\",\"to\":\"2026-01-12T20:00:00Z\"%s}";
    String body = was.formatted(id, "%s", ",\"was\":" + was.formatted(id, "One", ""));
    secondIsTold(own.path("/runs/" + id), body.formatted("Mine"), body.formatted("Yours"));
  }

  @Test
  public void aTrial() {
    UUID id = UUID.randomUUID();
    String runs =
        "[{\"runId\":\"%s\",\"side\":\"a\"},{\"runId\":\"%s\",\"side\":\"b\"}]"
            .formatted(run("A"), run("B"));
    String path = own.path("/trials/" + id);
    Answer made = own.keeper.put(path, null, "{\"name\":\"T\",\"runs\":" + runs + "}");
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    String body =
        "{\"name\":\"%s\",\"runs\":" + runs + ",\"was\":{\"name\":\"T\",\"runs\":" + runs + "}}";
    secondIsTold(path, body.formatted("Mine"), body.formatted("Yours"));
    int noted = own.keeper.get(own.path("/changes")).body().size();
    assertThat(own.keeper.put(path, null, body.formatted("Mine")).status())
        .as("its answer was lost on the way")
        .isEqualTo(200);
    assertThat(own.keeper.get(own.path("/changes")).body()).hasSize(noted);
  }

  @Test
  public void gapsInWhatIsSentAreTheSendersFault() {
    String id = UUID.randomUUID().toString();
    own.keeper.post(
        own.path("/devices"), "{\"id\":\"%s\",\"name\":\"G\",\"channels\":[]}".formatted(id));
    String gaps = "{\"id\":\"%s\",\"name\":\"G\",\"channels\":[null]}".formatted(id);
    assertThat(own.keeper.put(own.path("/devices/" + id), null, gaps).status()).isEqualTo(422);
    String believed =
        "{\"probeId\":\"%s\",\"at\":[null],\"believed\":true}"
            .formatted(Grounds.probeId(store, "core"));
    assertThat(own.keeper.post(own.path("/beliefs"), believed).status()).isEqualTo(422);
    String runs =
        "[{\"runId\":\"%s\",\"side\":\"a\"},{\"runId\":\"%s\",\"side\":\"b\"}]"
            .formatted(run("C"), run("D"));
    String path = own.path("/trials/" + UUID.randomUUID());
    own.keeper.put(path, null, "{\"name\":\"T\",\"runs\":" + runs + "}");
    String none = "{\"name\":\"U\",\"runs\":" + runs + ",\"was\":{\"name\":\"T\",\"runs\":null}}";
    assertThat(own.keeper.put(path, null, none).status()).isEqualTo(412);
  }

  @Test
  public void aLogger() {
    UUID id = UUID.randomUUID();
    own.keeper.post(
        own.path("/devices"), "{\"id\":\"%s\",\"name\":\"L\",\"channels\":[]}".formatted(id));
    String body =
        "{\"id\":\"%s\",\"name\":\"%s\",\"channels\":[],\"was\":{\"id\":\"%s\",\"name\":\"L\",\"channels\":[]}}";
    secondIsTold(
        own.path("/devices/" + id),
        body.formatted(id, "Mine", id),
        body.formatted(id, "Yours", id));
  }

  /** Sent over the version that it was made on, once more, because the answer never came. */
  private void sentTwiceIsOneChange(String path, String body) {
    String first = own.keeper.get(path).etag();
    Answer once = own.keeper.put(path, first, body);
    assertThat(once.status()).as(once.body().toString()).isEqualTo(200);
    int noted = own.keeper.get(own.path("/changes")).body().size();
    Answer twice = own.keeper.put(path, first, body);
    assertThat(twice.status()).isEqualTo(200);
    assertThat(twice.etag()).isEqualTo(once.etag()).isNotEqualTo(first);
    assertThat(own.keeper.get(own.path("/changes")).body()).hasSize(noted);
  }

  @Test
  public void aStoreSentTwiceIsOneChange() {
    UUID drum = own.newDrum();
    sentTwiceIsOneChange(own.path("/stores/" + drum), Grounds.drum(drum, "Renamed drum"));
  }

  @Test
  public void aHouseSentTwiceIsOneChange() {
    String path = own.path("/houses/" + own.newHouse());
    JsonNode design = own.keeper.get(path).body().path("design");
    sentTwiceIsOneChange(path, "{\"name\":\"Pit house\",\"design\":%s}".formatted(design));
  }

  @Test
  public void aBookSentTwiceIsOneChange() {
    String clinker =
        "{\"id\":\"own-1\",\"name\":\"Clinker\",\"density\":1100,\"specificHeat\":850,\"conductivity\":0.4,"
            + "\"moisture\":0,\"highestCelsius\":700,\"spread\":0.1,\"note\":\"weighed\"}";
    sentTwiceIsOneChange(
        own.path("/book"), "{\"currency\":\"€\",\"prices\":[],\"media\":[%s]}".formatted(clinker));
  }
}
