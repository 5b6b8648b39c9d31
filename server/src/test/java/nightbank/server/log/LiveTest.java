package nightbank.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import nightbank.server.Grounds;
import org.awaitility.Awaitility;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Pages that listen while readings come in. */
public class LiveTest {
  private Grounds grounds;
  private UUID store;

  @BeforeClass
  void drum() {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
  }

  private BlockingQueue<String> listen(Grounds who, String path) {
    BlockingQueue<String> lines = new LinkedBlockingQueue<>();
    Thread t =
        new Thread(
            () -> {
              try (var in =
                  new BufferedReader(
                      new InputStreamReader(who.keeper.stream(path), StandardCharsets.UTF_8))) {
                for (String l = in.readLine(); l != null; l = in.readLine()) {
                  lines.add(l);
                }
              } catch (IOException e) {
                lines.add("closed");
              }
            });
    t.setDaemon(true);
    t.start();
    return lines;
  }

  private void read(String typed, String at) {
    grounds.keeper.post(
        grounds.path("/readings"),
        "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
            .formatted(Grounds.probeId(store, "core"), at, typed));
  }

  private static String next(BlockingQueue<String> lines, String beginning) {
    return Awaitility.await()
        .atMost(Duration.ofSeconds(20))
        .until(
            () -> {
              String l = lines.poll(100, TimeUnit.MILLISECONDS);
              return l == null ? "" : l;
            },
            l -> l.startsWith(beginning));
  }

  @Test
  public void aPageHearsOfReadingsOfItsHoldingOnceTheyAreKeptAndOnlyOfNewOnes() {
    BlockingQueue<String> lines = listen(grounds, grounds.path("/live"));
    next(lines, ":listening");
    read("41", "2026-01-12T01:00:00Z");
    assertThat(next(lines, "data:")).contains(Grounds.probeId(store, "core").toString());
    read("41", "2026-01-12T01:00:00Z");
    read("42", "2026-01-12T01:05:00Z");
    next(lines, "data:");
    assertThat(lines).as("the doubled reading said nothing").noneMatch(l -> l.startsWith("data:"));
  }

  @Test
  public void nobodyListensToAnotherHolding() {
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(grounds.path("/live")).status()).isIn(403, 404);
    BlockingQueue<String> theirs = listen(other, other.path("/live"));
    next(theirs, ":listening");
    read("43", "2026-01-12T02:00:00Z");
    BlockingQueue<String> own = listen(grounds, grounds.path("/live"));
    next(own, ":listening");
    read("44", "2026-01-12T02:05:00Z");
    next(own, "data:");
    assertThat(theirs).noneMatch(l -> l.startsWith("data:"));
  }
}
