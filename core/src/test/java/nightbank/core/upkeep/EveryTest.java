package nightbank.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.ZoneId;
import java.util.Arrays;
import nightbank.core.upkeep.Every.State;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class EveryTest {
  private static final ZoneId ZONE = ZoneId.of("Europe/London");

  private static Instant day(String date) {
    return LocalDate.parse(date).atTime(12, 0).atZone(ZONE).toInstant();
  }

  private static State state(Every every, String done, String now, int fires, double kilograms) {
    return every.due(done == null ? null : day(done), day(now), fires, kilograms, ZONE).state();
  }

  @DataProvider
  public Object[][] cases() {
    Every month = Every.days(30);
    Every fires = new Every(null, 5, null, null);
    Every wood = new Every(365, null, 400.0, null);
    Every autumn = new Every(null, null, null, MonthDay.of(10, 15));
    return new Object[][] {
      {"just done", month, "2026-01-01", "2026-01-02", 0, 0.0, State.NOT_YET},
      {"nearly", month, "2026-01-01", "2026-01-26", 0, 0.0, State.SOON},
      {"over", month, "2026-01-01", "2026-01-31", 0, 0.0, State.DUE},
      {"never done", month, null, "2026-01-31", 0, 0.0, State.DUE},
      {"days count nothing", fires, "2020-01-01", "2026-01-31", 3, 0.0, State.NOT_YET},
      {"by fires", fires, "2026-01-01", "2026-01-03", 5, 0.0, State.DUE},
      {"wood before the year", wood, "2026-01-01", "2026-02-01", 0, 401.0, State.DUE},
      {"the year before the wood", wood, "2025-01-01", "2026-02-01", 0, 1.0, State.DUE},
      {"done in autumn", autumn, "2025-10-10", "2026-03-01", 0, 0.0, State.NOT_YET},
      {"a fortnight before", autumn, "2025-10-10", "2026-10-05", 0, 0.0, State.SOON},
      {"on the day", autumn, "2025-10-10", "2026-10-15", 0, 0.0, State.DUE},
      {"late, in the winter", autumn, "2025-10-10", "2026-12-01", 0, 0.0, State.DUE},
      {
        "done late counts for that winter",
        autumn,
        "2026-12-01",
        "2026-12-02",
        0,
        0.0,
        State.NOT_YET
      },
      {"done in summer does not", autumn, "2026-06-01", "2026-10-16", 0, 0.0, State.DUE},
      {"never done, in January", autumn, null, "2026-01-20", 0, 0.0, State.DUE},
      {"never done, in summer", autumn, null, "2026-07-01", 0, 0.0, State.NOT_YET},
    };
  }

  @Test(dataProvider = "cases")
  public void itComesRoundByWhicheverIsFirst(
      String name, Every every, String done, String now, int fires, double kg, State expected) {
    assertThat(state(every, done, now, fires, kg)).isEqualTo(expected);
  }

  @Test
  public void theLongerItIsLeftTheMorePressingItIs() {
    double before = -1;
    for (String now : new String[] {"2026-01-01", "2026-01-10", "2026-01-30", "2026-03-01"}) {
      double way = Every.days(30).due(day("2026-01-01"), day(now), 0, 0, ZONE).way();
      assertThat(way).isGreaterThan(before);
      before = way;
    }
  }

  @Test
  public void whatComesRoundByNothingOrByNonsenseIsRefused() {
    assertThatThrownBy(() -> new Every(null, null, null, null)).hasMessageContaining("come round");
    assertThatThrownBy(() -> Every.days(0)).hasMessageContaining("days");
    assertThatThrownBy(() -> new Every(null, 0, null, null)).hasMessageContaining("fires");
    assertThatThrownBy(() -> new Every(null, null, Double.NaN, null)).hasMessageContaining("wood");
  }

  @Test
  public void everyUsualTaskSaysWhatAndWhyAndComesRound() {
    assertThat(UsualTask.values())
        .allSatisfy(
            t -> {
              assertThat(t.what()).isNotBlank();
              assertThat(t.why()).endsWith(".");
              assertThat(t.every()).isNotNull();
            });
    assertThat(Arrays.stream(UsualTask.values()).map(UsualTask::what).distinct())
        .hasSameSizeAs(UsualTask.values());
  }

  @Test
  public void atThePaceSoFarHalfTheWayInFiveDaysIsDueInFiveMore() {
    Instant done = Instant.parse("2026-01-10T00:00:00Z");
    Instant now = Instant.parse("2026-01-15T00:00:00Z");
    assertThat(Every.atPace(done, now, 0.5)).contains(Instant.parse("2026-01-20T00:00:00Z"));
    assertThat(Every.atPace(done, now, 0)).isEmpty();
  }
}
