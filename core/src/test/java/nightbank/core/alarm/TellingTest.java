package nightbank.core.alarm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import org.testng.annotations.Test;

public class TellingTest {
  private static final ZoneId ZONE = ZoneId.of("Europe/London");
  private static final QuietHours NIGHT =
      new QuietHours(LocalTime.of(22, 0), LocalTime.of(6, 30), ZONE);
  private static final Telling TELLING = new Telling(NIGHT, Duration.ofMinutes(30));

  private static Instant at(String time) {
    return Instant.parse("2026-01-30T" + time + ":00Z");
  }

  @Test
  public void whatCanWaitWaitsForTheEndOfTheQuietHours() {
    assertThat(TELLING.first(at("21:59"), false)).isEqualTo(at("21:59"));
    assertThat(TELLING.first(at("22:00"), false)).isEqualTo(Instant.parse("2026-01-31T06:30:00Z"));
    assertThat(TELLING.first(at("03:10"), false)).isEqualTo(at("06:30"));
    assertThat(TELLING.first(at("06:30"), false)).isEqualTo(at("06:30"));
  }

  @Test
  public void whatCannotWaitDoesNot() {
    assertThat(TELLING.first(at("03:10"), true)).isEqualTo(at("03:10"));
    assertThat(TELLING.next(at("03:10"), true)).isEqualTo(at("03:40"));
  }

  @Test
  public void itIsToldAgainButNotInTheQuietHours() {
    assertThat(TELLING.next(at("20:00"), false)).isEqualTo(at("20:30"));
    assertThat(TELLING.next(at("21:45"), false)).isEqualTo(Instant.parse("2026-01-31T06:30:00Z"));
  }

  @Test
  public void quietHoursMayLieWithinADayOrNotBeAtAll() {
    QuietHours noon = new QuietHours(LocalTime.of(12, 0), LocalTime.of(14, 0), ZONE);
    assertThat(noon.at(at("11:59"))).isFalse();
    assertThat(noon.at(at("13:00"))).isTrue();
    assertThat(noon.after(at("13:00"))).isEqualTo(at("14:00"));
    QuietHours none = new QuietHours(LocalTime.NOON, LocalTime.NOON, ZONE);
    assertThat(none.at(at("12:00"))).isFalse();
  }

  @Test
  public void theClockOnTheWallCountsWhereItIsPutForward() {
    Instant late = Instant.parse("2026-03-28T23:30:00Z"); // put forward at 01:00Z
    assertThat(NIGHT.after(late)).isEqualTo(Instant.parse("2026-03-29T05:30:00Z"));
  }

  @Test
  public void nobodyIsToldEveryFewSeconds() {
    assertThatThrownBy(() -> new Telling(NIGHT, Duration.ofSeconds(10)))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
