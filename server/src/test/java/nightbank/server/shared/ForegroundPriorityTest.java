package nightbank.server.shared;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.Test;

/** What is computed behind the scenes stands back while somebody waits. */
public class ForegroundPriorityTest {
  private final ForegroundPriority priority = new ForegroundPriority();

  @Test(timeOut = 10_000)
  public void workGoesOnAtOnceWhenNobodyWaits() {
    priority.giveWay();
    assertThat(priority.first(() -> "answered")).isEqualTo("answered");
    priority.giveWay();
  }

  @Test(timeOut = 10_000)
  public void workStandsBackUntilTheAnswerIsGiven() throws Exception {
    CountDownLatch asked = new CountDownLatch(1);
    CountDownLatch mayAnswer = new CountDownLatch(1);
    var answer =
        CompletableFuture.supplyAsync(
            () ->
                priority.first(
                    () -> {
                      asked.countDown();
                      return await(mayAnswer);
                    }));
    asked.await();
    Thread work = new Thread(priority::giveWay);
    work.start();
    while (work.getState() != Thread.State.TIMED_WAITING) {
      assertThat(work.isAlive()).as("stands back").isTrue();
      Thread.onSpinWait();
    }
    mayAnswer.countDown();
    assertThat(answer.get()).isTrue();
    work.join();
  }

  @Test(timeOut = 10_000)
  public void anAnswerThatFailsHoldsNobodyUp() {
    assertThatThrownBy(
            () ->
                priority.first(
                    () -> {
                      throw new IllegalStateException("no weather");
                    }))
        .hasMessage("no weather");
    priority.giveWay();
  }

  private static boolean await(CountDownLatch latch) {
    try {
      return latch.await(5, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
