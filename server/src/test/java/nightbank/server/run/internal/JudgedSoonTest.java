package nightbank.server.run.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Problem;
import org.awaitility.Awaitility;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Nobody waits for long, and nothing is begun over again. */
public class JudgedSoonTest {
  private JudgedSoon soon;
  private CountDownLatch begun;
  private CountDownLatch goOn;
  private AtomicInteger times;
  private AtomicReference<String> kept;

  @BeforeMethod
  void begin() {
    soon = new JudgedSoon(new ForegroundPriority());
    begun = new CountDownLatch(1);
    goOn = new CountDownLatch(1);
    times = new AtomicInteger();
    kept = new AtomicReference<>();
  }

  @AfterMethod
  void end() {
    goOn.countDown();
    soon.destroy();
  }

  private String slow() {
    times.incrementAndGet();
    begun.countDown();
    try {
      goOn.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    kept.set("judged");
    return "judged";
  }

  private String ask() {
    return soon.of("run", () -> Optional.ofNullable(kept.get()), this::slow);
  }

  @Test
  public void whatTakesLongGoesOnAndIsFoundByWhoeverAsksAgain() {
    assertThatThrownBy(this::ask)
        .isInstanceOfSatisfying(Problem.class, p -> assertThat(p.code()).isEqualTo("being-judged"));
    assertThatThrownBy(this::ask).isInstanceOf(Problem.class);
    assertThat(times).as("begun once").hasValue(1);
    goOn.countDown();
    Awaitility.await().until(() -> kept.get() != null);
    assertThat(ask()).isEqualTo("judged");
    assertThat(times).hasValue(1);
  }

  @Test
  public void whoeverAsksMeanwhileWaitsForThatAndThenForTheirOwn() throws InterruptedException {
    CompletableFuture<String> first =
        CompletableFuture.supplyAsync(() -> soon.of("few", Optional::empty, this::slow));
    begun.await();
    CompletableFuture<String> second =
        CompletableFuture.supplyAsync(() -> soon.of("few", Optional::empty, () -> "new"));
    goOn.countDown();
    assertThat(first.join()).isEqualTo("judged");
    assertThat(second.join()).as("it may rest on more").isEqualTo("new");
  }

  @Test
  public void whatCannotBeJudgedSaysWhy() {
    assertThatThrownBy(
            () ->
                soon.of(
                    "gone",
                    Optional::empty,
                    () -> {
                      throw Problem.notFound("run");
                    }))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.code()).isNotEqualTo("being-judged"));
  }
}
