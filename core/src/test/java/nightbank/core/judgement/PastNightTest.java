package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nightbank.core.judgement.PastNight.Outcome;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PastNightTest {
  private static final double NOBODY = Double.NaN;

  private static PastNight night(double lowest, double unread, double minimum, boolean ice) {
    return PastNightBuilder.builder()
        .limitCelsius(2)
        .lowestCelsius(lowest)
        .minimumCelsius(minimum)
        .notBelowCelsius(NOBODY)
        .unreadShare(unread)
        .model(Optional.empty())
        .outdoorLowest(-6)
        .coldDegreeHours(0)
        .iceSeen(ice)
        .build();
  }

  @DataProvider
  Object[][] nights() {
    return new Object[][] {
      {5.0, false, Outcome.HELD},
      {3.0, false, Outcome.HELD},
      {2.9, false, Outcome.CLOSE},
      {1.6, false, Outcome.CLOSE},
      {1.4, false, Outcome.LOST},
      {4.0, true, Outcome.CLOSE},
      {2.5, true, Outcome.LOST},
    };
  }

  @Test(dataProvider = "nights")
  public void theLowAndIceSeenDecide(double lowest, boolean ice, Outcome expected) {
    assertThat(night(lowest, 0.02, NOBODY, ice).outcome()).isEqualTo(expected);
  }

  @DataProvider
  Object[][] littleLookedAt() {
    return new Object[][] {
      {"once at five in the afternoon", 9.0, 1.0, NOBODY, false, Outcome.UNKNOWN},
      {"once, and under the limit", 1.0, 0.9, NOBODY, false, Outcome.LOST},
      {"until nine in the evening", 6.0, 0.7, NOBODY, false, Outcome.UNKNOWN},
      {"a thermometer that keeps its lowest", NOBODY, 1.0, 3.4, false, Outcome.HELD},
      {"the same a little over", NOBODY, 1.0, 2.4, false, Outcome.CLOSE},
      {"the same under what was read once", 9.0, 1.0, 1.2, false, Outcome.LOST},
      {"ice and nothing else", NOBODY, 1.0, NOBODY, true, Outcome.LOST},
      {"ice, and a warm reading at five", 9.0, 1.0, NOBODY, true, Outcome.LOST},
    };
  }

  @Test(dataProvider = "littleLookedAt")
  public void aNightIsToldOnlyAsFarAsSomebodyLooked(
      String how, double lowest, double unread, double minimum, boolean ice, Outcome expected) {
    assertThat(night(lowest, unread, minimum, ice).outcome()).as(how).isEqualTo(expected);
  }

  @Test
  public void iceAloneDoesNotTellOfPlantsThatStandIt() {
    PastNight hardy =
        PastNightBuilder.builder(night(NOBODY, 1, NOBODY, true)).limitCelsius(-4).build();
    assertThat(hardy.outcome()).isEqualTo(Outcome.UNKNOWN);
  }

  @Test
  public void aDishThatDidNotFreezeTellsOfHardyPlantsOnly() {
    PastNight tender =
        PastNightBuilder.builder(night(NOBODY, 1, NOBODY, false))
            .notBelowCelsius(PastNight.NO_ICE)
            .build();
    assertThat(tender.outcome()).isEqualTo(Outcome.UNKNOWN);
    assertThat(PastNightBuilder.builder(tender).limitCelsius(-4).build().outcome())
        .isEqualTo(Outcome.HELD);
  }

  @Test
  public void aModelSaysWhereTheLowLiesButNotThatANightHeld() {
    PastNight warm =
        PastNightBuilder.builder(night(6, 0.7, NOBODY, false))
            .model(Optional.of(new UnreadHours.Range(3.5, 5)))
            .build();
    assertThat(warm.outcome()).isEqualTo(Outcome.UNKNOWN);
    assertThat(warm.liftKelvin()).isNaN();
  }

  @Test
  public void liftIsOverOutdoorsAndUnknownWithoutIt() {
    assertThat(night(3, 0, NOBODY, false).liftKelvin()).isCloseTo(9, within(1e-12));
    assertThat(
            PastNightBuilder.builder(night(3, 0, NOBODY, false))
                .outdoorLowest(NOBODY)
                .build()
                .liftKelvin())
        .isNaN();
  }
}
