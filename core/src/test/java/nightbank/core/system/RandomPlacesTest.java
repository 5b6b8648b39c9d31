package nightbank.core.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.LongStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What must be so of any place, tried on a few hundred. */
public class RandomPlacesTest {
  private static final int PLACES = 300;

  @DataProvider
  Object[][] seeds() {
    return LongStream.range(0, PLACES).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void itClosesNeverGetsHotterThanWhatHeatsItAndTheOrderIsOfNoMatter(long seed) {
    RandomPlace place = RandomPlace.of(seed);
    SystemPlan plan = place.plan();
    SystemResult r = SystemSimulation.run(plan);
    double moved = moved(r);
    assertThat(r.residualJoules()).as("whole").isCloseTo(0, within(1e-9 * moved));
    for (SystemResult.StoreTrace s : r.stores()) {
      assertThat(s.residualJoules()).as(s.id()).isCloseTo(0, within(1e-9 * moved));
      assertThat(s.hottestCelsius()).as(s.id()).isLessThan(place.hottest + 1);
    }
    for (SystemResult.SourceTrace s : r.sources()) {
      double told =
          s.toStoresJoules()
              + s.toHouseJoules()
              + s.toCircuitsJoules()
              + s.ventedJoules()
              + s.lostJoules();
      assertThat(told).as(s.id()).isCloseTo(s.releasedJoules(), within(1e-9 * moved));
    }
    for (SystemResult.PumpTrace p : r.pumps()) {
      assertThat(p.coldJoules() + p.electricJoules())
          .as(p.id())
          .isCloseTo(p.hotJoules(), within(1e-9 * moved));
    }
    assertThat(Arrays.stream(r.air()).allMatch(Double::isFinite)).isTrue();
    SystemResult turned = SystemSimulation.run(place.turned(plan));
    assertThat(turned.air()).containsExactly(r.air());
  }

  @Test(dataProvider = "seeds")
  public void withEverythingOffNothingGetsWarmerThanTheWarmest(long seed) {
    RandomPlace place = RandomPlace.of(seed);
    SystemPlan off = place.off(place.plan());
    SystemResult r = SystemSimulation.run(off);
    double warmest = Math.max(10, off.groundCelsius());
    for (SystemStore s : off.system().stores()) {
      warmest = Math.max(warmest, s.start().highestCelsius());
    }
    for (double t : r.air()) {
      assertThat(t).isLessThanOrEqualTo(warmest + 1e-6);
    }
    for (SystemResult.StoreTrace s : r.stores()) {
      assertThat(s.end().highestCelsius()).as(s.id()).isLessThanOrEqualTo(warmest + 1e-6);
    }
    assertThat(r.fuelJoules() + r.electricJoules()).isZero();
  }

  private static double moved(SystemResult r) {
    double sum = Places.moved(r);
    for (SystemResult.SourceTrace s : r.sources()) {
      sum += s.releasedJoules();
    }
    for (SystemResult.CircuitTrace c : r.circuits()) {
      sum += c.movedJoules();
    }
    for (SystemResult.PumpTrace p : r.pumps()) {
      sum += p.hotJoules();
    }
    return sum;
  }
}
