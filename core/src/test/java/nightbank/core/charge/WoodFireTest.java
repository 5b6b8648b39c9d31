package nightbank.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import org.testng.annotations.Test;

public class WoodFireTest {
  @Test
  public void dryWoodHoldsFifteenMegajoulesAKilogram() {
    assertThat(new WoodFire(1, 0.18, 0.44, 0.16).joules())
        .isCloseTo(15.14e6, withinPercentage(0.1));
  }

  @Test
  public void overItsWholeLengthAFireGivesWhatTheWoodHolds() {
    WoodFire fire = WoodFire.inMasonry(6);
    double sum = 0;
    for (double t = 0; t < 12 * 3600; t += 10) {
      sum += fire.watts(t + 5) * 10;
    }
    assertThat(sum).isCloseTo(fire.joules(), withinPercentage(0.1));
  }

  @Test
  public void wetWoodGivesLess() {
    assertThat(new WoodFire(5, 0.45, 0.4, 0.2).joules())
        .isLessThan(0.65 * new WoodFire(5, 0.15, 0.4, 0.2).joules());
  }

  @Test(expectedExceptions = IllegalArgumentException.class)
  public void moreThanTheWholeHeatCannotBeShared() {
    new WoodFire(5, 0.2, 0.8, 0.4);
  }
}
