package nightbank.server.shared;

import java.time.Duration;
import org.jooq.DSLContext;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * How often somebody may do something, counted by all nodes together: buckets that fill with time.
 */
@Component
public class Allowances {
  private static final String SPEND =
      """
      INSERT INTO allowance AS a (who, left_over, at) VALUES (?, ? - 1, now())
      ON CONFLICT (who) DO UPDATE
         SET left_over = least(?, a.left_over + extract(epoch FROM now() - a.at) * ?) - 1, at = now()
       WHERE least(?, a.left_over + extract(epoch FROM now() - a.at) * ?) >= 1
      """;

  private static final Duration LONGEST = Duration.ofDays(1);

  private final DSLContext db;

  Allowances(DSLContext db) {
    this.db = db;
  }

  /** So many at once, and as many again over a time. */
  public record Rate(int most, Duration within) {
    double aSecond() {
      return most / (double) within.toSeconds();
    }
  }

  /** Takes one; false when none is left. */
  public boolean spend(String who, Rate rate) {
    double more = rate.aSecond();
    return db.execute(SPEND, who, rate.most(), rate.most(), more, rate.most(), more) == 1;
  }

  /** Takes one, or says that there were too many. */
  public void require(String who, Rate rate, String field) {
    if (!spend(who, rate)) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "too-many-tries",
          field,
          "Too many tries.",
          "Wait a minute, then try again.");
    }
  }

  /** Gives one back. */
  public void giveBack(String who, Rate rate) {
    db.execute(
        "UPDATE allowance SET left_over = least(?, left_over + 1) WHERE who = ?", rate.most(), who);
  }

  /** Gives all back. */
  public void forget(String who) {
    db.execute("DELETE FROM allowance WHERE who = ?", who);
  }

  @Scheduled(fixedDelay = 3_600_000)
  void tidy() {
    db.execute(
        "DELETE FROM allowance WHERE at < now() - ?::interval", LONGEST.toSeconds() + " seconds");
  }
}
