package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Runs found, parted and joined; readings believed against the cleaning. */
public class RunEditTest {
  private Grounds grounds;
  private UUID store;

  @BeforeClass
  void wrapped() throws IOException {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    grounds.readIn(grounds.upload(store, "wrapped.csv", file));
  }

  private JsonNode runs() {
    return grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body();
  }

  private JsonNode judged(String id) {
    return grounds.keeper.get(grounds.path("/runs/" + id + "/judgement")).body();
  }

  @Test
  public void aRunIsPartedAndJoinedAgain() {
    JsonNode whole = runs().path(runs().size() - 1);
    String id = whole.path("id").asString();
    Answer parted =
        grounds.keeper.post(
            grounds.path("/runs/" + id + "/split"), "{\"at\":\"2026-01-12T01:00:00Z\"}");
    assertThat(parted.status()).as(parted.body().toString()).isEqualTo(200);
    assertThat(parted.body().path(0).path("to").asString()).isEqualTo("2026-01-12T01:00:00Z");
    assertThat(parted.body().path(1).path("from").asString()).isEqualTo("2026-01-12T01:00:00Z");
    String rest = parted.body().path(1).path("id").asString();
    Answer joined =
        grounds.keeper.post(grounds.path("/runs/" + id + "/join"), "{\"other\":\"" + rest + "\"}");
    assertThat(joined.body().path("from").asString()).isEqualTo(whole.path("from").asString());
    assertThat(joined.body().path("to").asString()).isEqualTo(whole.path("to").asString());
    assertThat(runs().toString()).doesNotContain(rest);
  }

  @Test
  public void fourWhoPartARunAtOnceLeaveRunsThatDoNotOverlap() {
    UUID alone = grounds.newDrum();
    String id =
        grounds
            .keeper
            .post(
                grounds.path("/stores/" + alone + "/runs"),
                "{\"name\":\"Long\",\"from\":\"2026-01-11T00:00:00Z\",\"to\":\"2026-01-11T10:00:00Z\"}")
            .body()
            .path("id")
            .asString();
    List<CompletableFuture<Answer>> all =
        IntStream.rangeClosed(1, 4)
            .mapToObj(
                h ->
                    CompletableFuture.supplyAsync(
                        () ->
                            grounds.keeper.post(
                                grounds.path("/runs/" + id + "/split"),
                                "{\"at\":\"2026-01-11T0%d:00:00Z\"}".formatted(2 * h))))
            .toList();
    assertThat(all.stream().map(f -> f.join().status())).allMatch(s -> s == 200 || s == 422);
    List<String> ends = new ArrayList<>();
    for (JsonNode r : grounds.keeper.get(grounds.path("/stores/" + alone + "/runs")).body()) {
      ends.add(r.path("from").asString() + " " + r.path("to").asString());
    }
    ends.sort(null);
    for (int i = 1; i < ends.size(); i++) {
      assertThat(ends.get(i).split(" ")[0]).isEqualTo(ends.get(i - 1).split(" ")[1]);
    }
    assertThat(ends.get(ends.size() - 1)).endsWith("2026-01-11T10:00:00Z");
  }

  @Test
  public void aRunIsNotPartedOutsideItselfNorJoinedToItself() {
    String id = runs().path(0).path("id").asString();
    Answer outside =
        grounds.keeper.post(
            grounds.path("/runs/" + id + "/split"), "{\"at\":\"2020-01-12T01:00:00Z\"}");
    assertThat(outside.body().path("field").asString()).isEqualTo("at");
    Answer itself =
        grounds.keeper.post(grounds.path("/runs/" + id + "/join"), "{\"other\":\"" + id + "\"}");
    assertThat(itself.body().path("field").asString()).isEqualTo("other");
    UUID elsewhere = grounds.newDrum();
    String other =
        grounds
            .keeper
            .post(
                grounds.path("/stores/" + elsewhere + "/runs"),
                "{\"name\":\"Other\",\"from\":\"2026-01-11T13:00:00Z\",\"to\":\"2026-01-12T00:00:00Z\"}")
            .body()
            .path("id")
            .asString();
    assertThat(
            grounds
                .keeper
                .post(grounds.path("/runs/" + id + "/join"), "{\"other\":\"" + other + "\"}")
                .status())
        .isEqualTo(422);
  }

  @Test
  public void aChargeNobodyMarkedIsFoundWithItsStart() throws IOException {
    UUID fresh = grounds.newDrum();
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/bare.csv"));
    grounds.readIn(grounds.upload(fresh, "bare.csv", file));
    JsonNode marked = grounds.keeper.get(grounds.path("/stores/" + fresh + "/runs")).body().path(0);
    String found = grounds.path("/stores/" + fresh + "/runs/found");
    assertThat(grounds.keeper.get(found).body()).as("the file's own run is known").isEmpty();
    grounds.keeper.delete(grounds.path("/runs/" + marked.path("id").asString()));
    JsonNode again = grounds.keeper.get(found).body();
    assertThat(again.size()).as(again.toString()).isEqualTo(1);
    assertThat(again.path(0).path("name").asString()).startsWith("Charge of");
    assertThat(
            grounds.keeper.get(grounds.path("/stores/" + grounds.newDrum() + "/runs/found")).body())
        .isEmpty();
  }

  @Test
  public void readingsLeftOutAreTakenWhenTheGrowerBelievesThemAndNotOtherwise() {
    String id = runs().path(0).path("id").asString();
    Answer odd =
        grounds.keeper.post(
            grounds.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-12T01:00:30Z\",\"typed\":\"190\"}]}"
                .formatted(Grounds.probeId(store, "edge")));
    assertThat(odd.status()).as(odd.body().toString()).isEqualTo(200);
    JsonNode first = judged(id).path("setAside");
    assertThat(first.size()).isEqualTo(1);
    JsonNode one = first.path(0);
    String belief =
        "{\"probeId\":\"%s\",\"at\":[%d],\"believed\":%%s}"
            .formatted(one.path("probeId").asString(), one.path("at").asLong());
    Answer said = grounds.keeper.post(grounds.path("/beliefs"), belief.formatted("true"));
    assertThat(said.status()).isEqualTo(204);
    JsonNode then = judged(id);
    assertThat(then.path("setAside").size()).isLessThan(first.size());
    assertThat(then.path("believed").size()).isEqualTo(1);
    grounds.keeper.post(grounds.path("/beliefs"), belief.formatted("false"));
    assertThat(judged(id).path("setAside").size()).isEqualTo(first.size());
    assertThat(judged(id).path("believed").size()).isZero();
    assertThat(
            grounds
                .keeper
                .post(
                    grounds.path("/beliefs"),
                    belief
                        .formatted("true")
                        .replace(one.path("probeId").asString(), UUID.randomUUID().toString()))
                .status())
        .isEqualTo(404);
  }
}
