package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nightbank.core.forecast.Verdict;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PastNightTest {
  @DataProvider
  Object[][] nights() {
    return new Object[][] {
      {5.0, false, Verdict.HELD},
      {3.0, false, Verdict.HELD},
      {2.9, false, Verdict.CLOSE},
      {1.6, false, Verdict.CLOSE},
      {1.4, false, Verdict.LOST},
      {4.0, true, Verdict.CLOSE},
      {2.5, true, Verdict.LOST},
    };
  }

  @Test(dataProvider = "nights")
  public void theLowAndIceSeenDecide(double lowest, boolean ice, Verdict expected) {
    assertThat(new PastNight(lowest, 2, -6, 0, ice).verdict()).isEqualTo(expected);
  }

  @Test
  public void liftIsOverOutdoorsAndUnknownWithoutIt() {
    assertThat(new PastNight(3, 2, -6, 0, false).liftKelvin()).isCloseTo(9, within(1e-12));
    assertThat(new PastNight(3, 2, Double.NaN, 0, false).liftKelvin()).isNaN();
  }
}
