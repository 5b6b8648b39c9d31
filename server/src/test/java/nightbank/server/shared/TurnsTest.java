package nightbank.server.shared;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.awaitility.Awaitility;
import org.testng.annotations.Test;

/** Nobody's questions keep everybody else's from being answered. */
public class TurnsTest {
  @Test
  public void ofSixtyAtOnceOneHasItsShareAndTheRestIsToldToComeAgain() throws Exception {
    Turns turns = new Turns();
    UUID eager = UUID.randomUUID();
    CountDownLatch held = new CountDownLatch(1);
    AtomicInteger running = new AtomicInteger();
    AtomicInteger most = new AtomicInteger();
    ExecutorService askers = Executors.newFixedThreadPool(60);
    List<Future<String>> asked = new ArrayList<>();
    for (int i = 0; i < 60; i++) {
      asked.add(
          askers.submit(
              () -> {
                try {
                  return turns.take(
                      eager,
                      () -> {
                        most.accumulateAndGet(running.incrementAndGet(), Math::max);
                        await(held);
                        running.decrementAndGet();
                        return "answered";
                      });
                } catch (Problem p) {
                  return p.code();
                }
              }));
    }
    Awaitility.await().until(() -> asked.stream().filter(Future::isDone).count() == 54);
    Future<String> other = askers.submit(() -> turns.take(UUID.randomUUID(), () -> "other's"));
    held.countDown();
    assertThat(other.get(10, TimeUnit.SECONDS)).isEqualTo("other's");
    List<String> answers = new ArrayList<>();
    for (Future<String> f : asked) {
      answers.add(f.get(10, TimeUnit.SECONDS));
    }
    assertThat(answers).filteredOn(a -> a.equals("busy")).hasSize(54);
    assertThat(most.get())
        .isLessThanOrEqualTo(Math.max(2, Runtime.getRuntime().availableProcessors()));
    askers.shutdown();
  }

  @Test
  public void anAnswerThatFailsGivesItsTurnBack() {
    Turns turns = new Turns();
    UUID one = UUID.randomUUID();
    for (int i = 0; i < 30; i++) {
      assertThatThrownBy(
              () ->
                  turns.take(
                      one,
                      () -> {
                        throw new IllegalStateException("broken");
                      }))
          .isInstanceOf(IllegalStateException.class);
    }
    assertThat(turns.take(one, () -> "answered")).isEqualTo("answered");
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  public void whatWaitsIsGivenUpWhenTheSamePageAsksAnew() throws Exception {
    Turns turns = new Turns();
    UUID one = UUID.randomUUID();
    CountDownLatch held = new CountDownLatch(1);
    AtomicInteger reckoned = new AtomicInteger();
    ExecutorService askers = Executors.newFixedThreadPool(20);
    int cores = Math.max(2, Runtime.getRuntime().availableProcessors());
    CountDownLatch allHeld = new CountDownLatch(cores);
    for (int i = 0; i < cores; i++) {
      askers.submit(
          () ->
              turns.take(
                  UUID.randomUUID(),
                  () -> {
                    allHeld.countDown();
                    return held(held);
                  }));
    }
    await(allHeld);
    List<Future<Object>> asked = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      asked.add(
          askers.submit(
              () -> {
                try {
                  return turns.take(one, "page", reckoned::incrementAndGet);
                } catch (Problem p) {
                  return p.code();
                }
              }));
      int given = i;
      Awaitility.await().until(() -> asked.stream().filter(Future::isDone).count() == given);
    }
    held.countDown();
    List<Object> answers = new ArrayList<>();
    for (Future<Object> f : asked) {
      answers.add(f.get(10, TimeUnit.SECONDS));
    }
    assertThat(answers).containsExactlyInAnyOrder("busy", "busy", "busy", 1);
    assertThat(reckoned.get()).isEqualTo(1);
    askers.shutdown();
  }

  private static String held(CountDownLatch until) {
    await(until);
    return "held";
  }
}
