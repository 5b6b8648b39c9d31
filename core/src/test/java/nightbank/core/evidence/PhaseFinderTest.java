package nightbank.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Charging, holding and releasing told apart by the hottest probe. */
public class PhaseFinderTest {
  private static final int STEP = 300;

  private static long[] times(int n) {
    long[] at = new long[n];
    for (int i = 0; i < n; i++) {
      at[i] = 1_768_000_000L + (long) i * STEP;
    }
    return at;
  }

  private static double[] flat(int n, double value) {
    double[] v = new double[n];
    java.util.Arrays.fill(v, value);
    return v;
  }

  /** Rises from hour 2 to hour 6, then falls towards the air. */
  private static double[] charged(int n, double noise) {
    Random dice = new Random(3);
    double[] v = new double[n];
    for (int i = 0; i < n; i++) {
      double h = i * STEP / 3600.0;
      double t = h < 2 ? 10 : h < 6 ? 10 + 40 * (h - 2) : 5 + 165 * Math.exp(-(h - 6) / 20);
      v[i] = t + noise * dice.nextGaussian();
    }
    return v;
  }

  @DataProvider
  Object[][] noises() {
    return new Object[][] {{0.0}, {0.3}};
  }

  @Test(dataProvider = "noises")
  public void aChargeIsFoundFromItsBeginToItsPeak(double noise) {
    int n = 30 * 12;
    List<Phase> phases = PhaseFinder.find(times(n), new double[][] {charged(n, noise)}, flat(n, 5));
    List<Phase> charging = phases.stream().filter(p -> p.kind() == Phase.Kind.CHARGING).toList();
    assertThat(charging).hasSize(1);
    assertThat((charging.get(0).fromEpochSecond() - times(n)[0]) / 3600.0)
        .isCloseTo(2, within(0.05));
    assertThat((charging.get(0).toEpochSecond() - times(n)[0]) / 3600.0).isCloseTo(6, within(0.05));
  }

  @Test
  public void aSourceThatGoesOnAndOffBetweenReadingsIsFoundToMinutes() {
    HeatStore bin =
        HeatStore.of(
                new Geometry.Box(1.5, 0.9, 0.8),
                MediumCatalogue.medium("dry-sand").orElseThrow(),
                Map.of())
            .withZone(new HeatedZone(0.4, 0.25, 0.6));
    StoreModel model = StoreModel.of(bin, StoreState.uniform(StoreGrid.standard(bin), 20));
    Random dice = new Random(11);
    int n = 24 * 6;
    long[] at = new long[n];
    double[][] probes = new double[3][n];
    for (int minute = 0; minute < n * 10; minute++) {
      if (minute % 10 == 0) {
        at[minute / 10] = 60L * minute;
        for (int p = 0; p < 3; p++) {
          double read = model.at(0.1 + 0.4 * p, 0.5) + 0.1 * dice.nextGaussian();
          probes[p][minute / 10] = Math.round(4 * read) / 4.0;
        }
      }
      model.step(60, Surroundings.of(5, 8), minute >= 186 && minute < 324 ? 900 : 0);
    }
    Phase charge =
        PhaseFinder.find(at, probes, flat(n, 5)).stream()
            .filter(p -> p.kind() == Phase.Kind.CHARGING)
            .findFirst()
            .orElseThrow();
    assertThat(charge.fromEpochSecond() / 60.0).isCloseTo(186, within(8.0));
    assertThat(charge.toEpochSecond() / 60.0).isCloseTo(324, within(8.0));
  }

  @Test
  public void phasesFollowOneAnotherWithoutGap() {
    int n = 30 * 12;
    List<Phase> phases = PhaseFinder.find(times(n), new double[][] {charged(n, 0.3)}, flat(n, 5));
    for (int i = 1; i < phases.size(); i++) {
      assertThat(phases.get(i).fromEpochSecond()).isEqualTo(phases.get(i - 1).toEpochSecond());
      assertThat(phases.get(i).kind()).isNotEqualTo(phases.get(i - 1).kind());
    }
    assertThat(phases.get(0).fromEpochSecond()).isEqualTo(times(n)[0]);
  }

  @Test
  public void aStoreAsColdAsTheAirHoldsAndDoesNotRelease() {
    int n = 100;
    List<Phase> phases = PhaseFinder.find(times(n), new double[][] {flat(n, 6)}, flat(n, 5));
    assertThat(phases).extracting(Phase::kind).containsExactly(Phase.Kind.HOLDING);
  }

  @Test
  public void aProbeThatFallsSilentDoesNotHideTheCharge() {
    int n = 30 * 12;
    double[] cut = charged(n, 0);
    for (int i = 40; i < 50; i++) {
      cut[i] = Double.NaN;
    }
    List<Phase> phases =
        PhaseFinder.find(times(n), new double[][] {cut, charged(n, 0.2)}, flat(n, 5));
    assertThat(phases).extracting(Phase::kind).contains(Phase.Kind.CHARGING);
  }
}
