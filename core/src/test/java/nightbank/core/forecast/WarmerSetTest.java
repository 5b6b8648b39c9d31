package nightbank.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Share;
import nightbank.core.system.Control;
import nightbank.core.system.Guard;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import org.testng.annotations.Test;

/** By how much a thermostat is set too low. */
public class WarmerSetTest {
  private static SystemPlan heated(double watts, double onBelow) {
    SystemSource heater =
        new SystemSource(
            "heater",
            new ElectricHeat(Share.allToHouse(), watts, false),
            Control.free(new Guard.Thermostat(new Sensor.HouseAir(), onBelow, onBelow + 1)),
            true);
    return Places.night(PlantSystem.of(Places.house(), List.of()).withSources(List.of(heater)), -8);
  }

  @Test
  public void setSoMuchWarmerTheNightHoldsAndALittleLessDoesNot() {
    SystemPlan plan = heated(8000, -3);
    assertThat(SystemSimulation.run(plan).lowestCelsius()).isLessThan(2);
    double by = WarmerSet.of(plan).orElseThrow();
    assertThat(SystemSimulation.run(heated(8000, -3 + by + 0.1)).lowestCelsius())
        .isGreaterThanOrEqualTo(1.95);
    assertThat(SystemSimulation.run(heated(8000, -3 + by - 0.4)).lowestCelsius()).isLessThan(2);
  }

  @Test
  public void aHeaterThatIsTooSmallIsNotHelpedByItsThermostat() {
    assertThat(WarmerSet.of(heated(100, 3))).isEmpty();
  }

  @Test
  public void withoutAThermostatThereIsNothingToSet() {
    assertThat(WarmerSet.of(Places.night(-8))).isEqualTo(OptionalDouble.empty());
  }
}
