package nightbank.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.core.store.Surroundings;
import org.testng.annotations.Test;

/** Heaps: Haug's rate, mixtures by hand, and the largest steady draw against a balance. */
public class HeapTest {
  private static HeatStore heap(double u) {
    Face face = Face.measured(u);
    return HeatStore.of(
            new Geometry.Cylinder(1, 1.3),
            MediumCatalogue.medium("compost").orElseThrow(),
            Map.of(FaceName.SIDE, face, FaceName.TOP, face, FaceName.FOOT, face))
        .withZone(HeatedZone.everywhere())
        .withPlace(Place.inHouse());
  }

  private static StoreState even(HeatStore heap, double celsius) {
    return StoreState.uniform(StoreGrid.coarse(heap), celsius);
  }

  @Test
  public void theRateIsHaugsAndPeaksBetweenSixtyAndSeventy() {
    double day = 86_400;
    assertThat(HeapWarmth.rate(20) * day).isCloseTo(0.0126, within(1e-5));
    assertThat(HeapWarmth.rate(55) * day)
        .isCloseTo(0.0126 * (Math.pow(1.066, 35) - Math.pow(1.21, -5)), within(1e-9));
    double best = 0;
    for (double t = 0; t < 90; t += 0.5) {
      best = HeapWarmth.rate(t) > HeapWarmth.rate(best) ? t : best;
    }
    assertThat(best).isBetween(60.0, 72.0);
    assertThat(HeapWarmth.rate(81)).isZero();
    assertThat(HeapWarmth.rate(-3)).isZero();
  }

  @Test
  public void wetOrAirlessFeedWorksSlower() {
    assertThat(HeapWarmth.moistureFactor(0.55)).isGreaterThan(0.9);
    assertThat(HeapWarmth.moistureFactor(0.3)).isLessThan(0.2);
    assertThat(HeapWarmth.airFactor(0.35)).isGreaterThan(0.95);
    assertThat(HeapWarmth.airFactor(0.05)).isLessThan(0.15);
  }

  @Test
  public void aBatchGivesAllItsHeatInTheEnd() {
    HeatStore heap = heap(2);
    StoreModel model = StoreModel.of(heap, even(heap, 55));
    HeapWarmth warmth =
        new HeapWarmth(List.of(new HeapWarmth.Batch(0, 400, 40, 0.55, 0.4)), 1e9, 10);
    double joules = 0;
    for (int i = 0; i < 4000; i++) {
      joules += warmth.give(i * 3600.0, 3600, model).inputWatts() * 3600;
    }
    assertThat(joules).isCloseTo(40 * HeapWarmth.HEAT_OF_SOLIDS, withinPercentage(0.1));
    assertThat(warmth.solidsLeft()).isLessThan(0.01);
  }

  @Test
  public void feedThatHasNotComeYetGivesNothing() {
    HeatStore heap = heap(2);
    HeapWarmth warmth =
        new HeapWarmth(List.of(new HeapWarmth.Batch(7200, 400, 40, 0.55, 0.4)), 1e9, 10);
    StoreModel model = StoreModel.of(heap, even(heap, 40));
    assertThat(warmth.give(0, 3600, model).sourceWatts()).isZero();
    assertThat(warmth.give(7200, 3600, model).sourceWatts()).isPositive();
  }

  @Test
  public void theLargestDrawIsWhatTheHeapMakesLessWhatItLoses() {
    HeatStore heap = heap(1);
    double keep = 50;
    // so much feed that its rate does not fall in the days tried
    List<HeapWarmth.Batch> plenty = List.of(new HeapWarmth.Batch(0, 400, 600, 0.55, 0.4));
    double draw = HeapWarmth.largestDraw(heap, even(heap, keep + 0.2), plenty, keep, 5, 5, 2);
    double made =
        600
            * HeapWarmth.HEAT_OF_SOLIDS
            * HeapWarmth.rate(keep)
            * new HeapWarmth.Batch(0, 400, 1, 0.55, 0.4).factor();
    StoreModel model = StoreModel.of(heap, even(heap, keep));
    model.step(600, Surroundings.of(5, 5), 0);
    double lost = 0;
    for (FaceName face : FaceName.values()) {
      lost += model.faceWatts(face);
    }
    double vented =
        made / HeapWarmth.HEAT_OF_SOLIDS * new HeapWarmth(plenty, 1, 5).ventedPerKilogram(keep);
    assertThat(draw).isCloseTo(made - lost - vented, withinPercentage(12));
  }

  @Test
  public void aWellFedHeapComesToRestBelowEightyAndItsShellStaysCooler() {
    HeatStore heap = heap(3);
    HeapWarmth plenty =
        new HeapWarmth(List.of(new HeapWarmth.Batch(0, 400, 250, 0.55, 0.4)), 1e9, 10);
    Charge charge =
        ChargeSimulation.of(heap, even(heap, 30), new Days(plenty, 12))
            .in(0, 8)
            .stepping(600)
            .run();
    assertThat(charge.hottest().celsius()).isBetween(60.0, 80.5);
    var end = charge.frames().get(charge.frames().size() - 1).state();
    assertThat(end.at(0.95, 0.5)).isLessThan(end.at(0.05, 0.5) - 5);
    assertThat(charge.residualJoules()).isCloseTo(0, within(1e-8 * charge.gainJoules()));
  }

  /** The same source, watched for so many days. */
  private record Days(Source source, double days) implements Source {
    @Override
    public Given give(double second, double seconds, StoreModel model) {
      return source.give(second, seconds, model);
    }

    @Override
    public double endsAt() {
      return days * 86_400;
    }
  }

  @Test
  public void anUnderfedHeapHasNothingToSpare() {
    HeatStore heap = heap(3);
    assertThat(
            HeapWarmth.largestDraw(
                heap,
                even(heap, 50),
                List.of(new HeapWarmth.Batch(0, 400, 5, 0.55, 0.4)),
                48,
                -5,
                5,
                10))
        .isZero();
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
        .allMatch(f -> f.moisture() > 0 && f.moisture() < 0.9 && f.degradable() <= 1);
  }
}
