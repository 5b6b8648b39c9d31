package nightbank.server.shared;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.testng.annotations.Test;

public class DemoClockTest {
  private Instant real = Instant.parse("2031-05-06T07:08:09Z");
  private final Clock hand =
      new Clock() {
        @Override
        public Instant instant() {
          return real;
        }

        @Override
        public ZoneId getZone() {
          return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
          return this;
        }
      };

  @Test
  public void itBeginsAtTheSameMomentOnAnyDayAndGoesOn() {
    DemoClock demo = new DemoClock(hand, false);
    assertThat(demo.instant()).isEqualTo(DemoClock.BEGIN);
    real = real.plusSeconds(90);
    assertThat(demo.instant()).isEqualTo(DemoClock.BEGIN.plusSeconds(90));
  }

  @Test
  public void afterAnHourItStandsStill() {
    DemoClock demo = new DemoClock(hand, false);
    real = real.plus(Duration.ofDays(9));
    assertThat(demo.instant()).isEqualTo(DemoClock.BEGIN.plus(Duration.ofHours(1)));
  }

  @Test
  public void startedAgainItIsNeverBeforeWhatWasRead() {
    DemoClock demo = new DemoClock(hand, false);
    demo.resume(DemoClock.BEGIN.plusSeconds(700));
    assertThat(demo.instant()).isEqualTo(DemoClock.BEGIN.plusSeconds(700));
    demo.resume(DemoClock.BEGIN.minusSeconds(700));
    assertThat(demo.instant()).isEqualTo(DemoClock.BEGIN.plusSeconds(700));
  }

  @Test
  public void toldToStandItStands() {
    DemoClock demo = new DemoClock(hand, true);
    demo.resume(DemoClock.BEGIN.plusSeconds(700));
    real = real.plusSeconds(90);
    assertThat(demo.instant()).isEqualTo(DemoClock.BEGIN);
  }
}
