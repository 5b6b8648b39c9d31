package nightbank.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import org.testng.annotations.Test;

/** Haug's rate, and mixtures by hand. */
public class CompostHeatTest {
  private static StoreModel heap(double celsius) {
    HeatStore heap =
        HeatStore.of(
                new Geometry.Cylinder(1, 1.3),
                MediumCatalogue.medium("compost").orElseThrow(),
                Map.of())
            .withPlace(Place.inHouse());
    return StoreModel.of(heap, StoreState.uniform(StoreGrid.coarse(heap), celsius));
  }

  private static Circumstances near(StoreModel heap) {
    Circumstances c = new Circumstances();
    c.on = true;
    c.store = heap;
    c.zone = StoreModel.OWN_ZONE;
    c.outdoorCelsius = 10;
    return c;
  }

  @Test
  public void theRateIsHaugsAndPeaksBetweenSixtyAndSeventy() {
    double day = 86_400;
    assertThat(CompostHeat.rate(20) * day).isCloseTo(0.0126, within(1e-5));
    assertThat(CompostHeat.rate(55) * day)
        .isCloseTo(0.0126 * (Math.pow(1.066, 35) - Math.pow(1.21, -5)), within(1e-9));
    double best = 0;
    for (double t = 0; t < 90; t += 0.5) {
      best = CompostHeat.rate(t) > CompostHeat.rate(best) ? t : best;
    }
    assertThat(best).isBetween(60.0, 72.0);
    assertThat(CompostHeat.rate(81)).isZero();
    assertThat(CompostHeat.rate(-3)).isZero();
  }

  @Test
  public void whatComesLaterDoesNotWeighYet() {
    HeatStore drawn =
        HeatStore.of(
            new Geometry.Cylinder(1, 1.3),
            MediumCatalogue.medium("compost").orElseThrow(),
            Map.of());
    CompostHeat.Batch now = new CompostHeat.Batch(0, 1000, 100, 0.6, 0.3);
    CompostHeat.Batch later = new CompostHeat.Batch(86_400, 700, 70, 0.6, 0.3);
    double fed = CompostHeat.asFed(drawn, List.of(now, later)).heatCapacity(45);
    assertThat(fed).isCloseTo(now.heatCapacity(), withinPercentage(0.01));
  }

  @Test
  public void wetOrAirlessFeedWorksSlower() {
    assertThat(CompostHeat.moistureFactor(0.55)).isGreaterThan(0.9);
    assertThat(CompostHeat.moistureFactor(0.3)).isLessThan(0.2);
    assertThat(CompostHeat.airFactor(0.35)).isGreaterThan(0.95);
    assertThat(CompostHeat.airFactor(0.05)).isLessThan(0.15);
  }

  @Test
  public void aBatchGivesAllItsHeatInTheEnd() {
    CompostHeat.Rotting heap =
        new CompostHeat("h", List.of(new CompostHeat.Batch(0, 400, 40, 0.55, 0.4))).begin();
    Circumstances warm = near(heap(55));
    double joules = 0;
    for (int i = 0; i < 4000; i++) {
      heap.step(i * 3600.0, 3600, warm);
      joules += heap.watts() * 3600;
    }
    assertThat(joules).isCloseTo(40 * CompostHeat.HEAT_OF_SOLIDS, withinPercentage(0.1));
    assertThat(heap.solidsLeft()).isLessThan(0.01);
  }

  @Test
  public void feedThatHasNotComeYetGivesNothing() {
    CompostHeat.Rotting heap =
        new CompostHeat("h", List.of(new CompostHeat.Batch(7200, 400, 40, 0.55, 0.4))).begin();
    Circumstances warm = near(heap(40));
    heap.step(0, 3600, warm);
    assertThat(heap.watts()).isZero();
    heap.step(7200, 3600, warm);
    assertThat(heap.watts()).isPositive();
  }

  @Test
  public void mixturesAddUpByHand() {
    Feedstock straw = Feedstock.of("straw").orElseThrow();
    Feedstock hen = Feedstock.of("hen-manure").orElseThrow();
    FeedMix mix = new FeedMix(List.of(new FeedMix.Part(straw, 100), new FeedMix.Part(hen, 50)));
    double nitrogen = 100 * 0.88 * 0.007 + 50 * 0.31 * 0.08;
    double carbon = 100 * 0.88 * 0.007 * 80 + 50 * 0.31 * 0.08 * 6;
    assertThat(mix.carbonToNitrogen()).isCloseTo(carbon / nitrogen, within(1e-9));
    assertThat(mix.moisture()).isCloseTo((12 + 34.5) / 150, within(1e-9));
    assertThat(mix.density()).isCloseTo(150 / (100 / 135.0 + 50 / 877.0), within(1e-9));
    assertThat(mix.hints()).extracting(FeedMix.Hint::reason).anyMatch(r -> r.contains("too dry"));
  }

  @Test
  public void aGoodMixtureHasNoHints() {
    FeedMix mix =
        new FeedMix(
            List.of(
                new FeedMix.Part(Feedstock.of("horse-manure").orElseThrow(), 300),
                new FeedMix.Part(Feedstock.of("leaves").orElseThrow(), 90),
                new FeedMix.Part(Feedstock.of("kitchen").orElseThrow(), 40),
                new FeedMix.Part(Feedstock.of("hen-manure").orElseThrow(), 30),
                new FeedMix.Part(Feedstock.of("straw").orElseThrow(), 70)));
    assertThat(mix.hints()).as("%s at %.2f", mix.carbonToNitrogen(), mix.moisture()).isEmpty();
    assertThat(mix.freeAir()).isBetween(0.3, 0.9);
  }

  @Test
  public void leanAndRichMixturesAreToldApart() {
    FeedMix lean = new FeedMix(List.of(new FeedMix.Part(Feedstock.of("sawdust").orElseThrow(), 9)));
    FeedMix rich = new FeedMix(List.of(new FeedMix.Part(Feedstock.of("grass").orElseThrow(), 9)));
    assertThat(lean.hints().get(0).reason()).contains("will not get hot");
    assertThat(rich.hints().get(0).reason()).contains("ammonia");
    assertThat(rich.hints().get(1).remedy()).contains("dry and stiff");
    assertThatThrownBy(() -> new FeedMix(List.of())).hasMessageContaining("needs something");
  }

  @Test
  public void everyFeedstockNamesItsSource() {
    assertThat(Feedstock.all())
        .hasSizeGreaterThanOrEqualTo(10)
        .allMatch(f -> f.source().contains("NRAES-54"))
        .allMatch(f -> f.moisture() > 0 && f.moisture() < 0.9 && f.degradable().high() <= 1);
  }
}
