package nightbank.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nightbank.core.weather.MoistAir;
import org.testng.annotations.Test;

/** Beasts that sleep in the house. */
public class AnimalsTest {
  @Test
  public void aDozenHensGiveAboutAHundredWattsOfWhichAQuarterIsVapour() {
    Animals hens = new Animals(12, 2);
    HeatSource.Running night = hens.begin();
    assertThat(hens.watts()).isCloseTo(105, within(1.0));
    assertThat(night.watts() + night.vapour() * MoistAir.LATENT)
        .isCloseTo(hens.watts(), within(1e-9));
    assertThat(night.watts() / hens.watts()).isCloseTo(0.75, within(1e-12));
    assertThat(night.fuelWatts() + night.electricWatts()).isZero();
  }

  @Test
  public void heatGrowsLessThanMass() {
    assertThat(new Animals(1, 32).watts()).isCloseTo(8 * new Animals(1, 2).watts(), within(1e-9));
  }

  @Test
  public void noneOrOneWithoutMassIsRefusedWithItsRange() {
    assertThatThrownBy(() -> new Animals(0, 2)).hasMessageContaining("1 to 5000");
    assertThatThrownBy(() -> new Animals(3, 0)).hasMessageContaining("0.02 to 1000 kg");
  }
}
