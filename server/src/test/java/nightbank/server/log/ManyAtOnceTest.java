package nightbank.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import nightbank.server.Grounds;
import org.testng.annotations.Test;

/** Several phones that send the same readings at once, each in its own order. */
public class ManyAtOnceTest {
  private final Grounds own = Grounds.fresh();

  private static String readings(UUID store, List<Integer> order, int day, int figure) {
    List<String> all = new ArrayList<>();
    for (int i : order) {
      all.add(
          "{\"probeId\":\"%s\",\"at\":\"2026-01-%02dT%02d:%02d:00Z\",\"typed\":\"%d\"}"
              .formatted(
                  Grounds.probeId(store, List.of("core", "half", "edge").get(i % 3)),
                  day,
                  i / 60,
                  i % 60,
                  figure));
    }
    return "{\"fahrenheit\":false,\"readings\":[" + String.join(",", all) + "]}";
  }

  @Test
  public void allAreTakenInWhateverOrderTheyCome() throws Exception {
    UUID store = own.newDrum();
    ExecutorService phones = Executors.newFixedThreadPool(4);
    List<Future<Integer>> answers = new ArrayList<>();
    for (int k = 0; k < 40; k++) {
      List<Integer> order = new ArrayList<>();
      for (int i = 0; i < 90; i++) {
        order.add(i);
      }
      Collections.shuffle(order, new Random(k));
      String sent = readings(store, order, 10 + k / 8, 40 + k);
      answers.add(phones.submit(() -> own.keeper.post(own.path("/readings"), sent).status()));
    }
    for (Future<Integer> a : answers) {
      assertThat(a.get()).isEqualTo(200);
    }
    phones.shutdown();
  }
}
