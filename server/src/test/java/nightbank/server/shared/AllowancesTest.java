package nightbank.server.shared;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.UUID;
import nightbank.server.Program;
import org.jooq.DSLContext;
import org.testng.annotations.Test;

public class AllowancesTest {
  private static final Allowances.Rate THREE = new Allowances.Rate(3, Duration.ofMinutes(3));

  private final Allowances allowances = Program.shared().bean(Allowances.class);
  private final DSLContext db = Program.shared().bean(DSLContext.class);

  private static String somebody() {
    return "test " + UUID.randomUUID();
  }

  private boolean spend(String who) {
    return allowances.spend(who, THREE);
  }

  /** How many of five tries are granted. */
  private int spent(String who) {
    int granted = 0;
    for (int i = 0; i < 5; i++) {
      granted += spend(who) ? 1 : 0;
    }
    return granted;
  }

  private void later(String who, String interval) {
    db.execute("UPDATE allowance SET at = at - ?::interval WHERE who = ?", interval, who);
  }

  @Test
  public void soManyAtOnceAndThenNoneUntilTimeHasPassed() {
    String who = somebody();
    assertThat(spent(who)).isEqualTo(3);
    assertThat(spend(somebody())).as("somebody else").isTrue();
    later(who, "61 seconds");
    assertThat(spend(who)).isTrue();
    assertThat(spend(who)).isFalse();
    later(who, "1 hour");
    assertThat(spent(who)).as("never more than so many").isEqualTo(3);
  }

  @Test
  public void whatIsGivenBackCanBeSpent() {
    String who = somebody();
    for (int i = 0; i < 3; i++) {
      spend(who);
    }
    allowances.giveBack(who, THREE);
    assertThat(spend(who)).isTrue();
    assertThat(spend(who)).isFalse();
    allowances.forget(who);
    assertThat(spend(who)).isTrue();
  }
}
