package nightbank.core.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Floor;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;
import nightbank.core.weather.Weather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Sizing against trying every number, and what it says of its answers. */
public class SizingSearchTest {
  private static final double LENGTH = 15 * 3600.0;
  private static final Candidate.Reach REACH = new Candidate.Reach(55, 90);

  /** Hardly anything unsure but the deep ground. */
  private static final NightForecast.Doubt DOUBT =
      new NightForecast.Doubt(0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, false);

  static SystemPlan night(double low) {
    Greenhouse house =
        Greenhouse.of(
                List.of(
                    Skins.part("roof", 18, 4, 0.5),
                    Skins.part("front", 9, 4, 0.3),
                    Skins.part("back", 14, 1.5, 0)),
                32,
                0.8,
                2)
            .withMasses(List.of(new InnerMass(4e6, 80)))
            .withFloor(new Floor(14, 11, 0.8));
    return SystemPlan.of(
        PlantSystem.of(house, List.of()),
        Weather.typed(1, low, 13 * 3600, 2, 0.3, LENGTH),
        6,
        6,
        7,
        LENGTH,
        600);
  }

  static List<Candidate> some(String... media) {
    var list =
        java.util.Arrays.stream(media).map(m -> MediumCatalogue.medium(m).orElseThrow()).toList();
    return Candidate.all(list, new double[] {0, 100}, REACH, 5, Place.onHouseFloor());
  }

  private static SizingSearch search(SystemPlan night, int most, Prices prices) {
    return new SizingSearch(night, DOUBT, most, 900, prices);
  }

  private static double lowest(SystemPlan night, Candidate c, int n) {
    if (n == 0) {
      return SystemSimulation.run(night).lowestCelsius();
    }
    var store = c.one().withCount(n);
    var state = StoreState.uniform(StoreGrid.night(store), c.fullCelsius());
    return SystemSimulation.run(
            night.withSystem(
                night.system().withStores(List.of(new SystemStore("x", store, state)))))
        .lowestCelsius();
  }

  @DataProvider
  Object[][] candidates() {
    return some("water", "dry-sand", "granite").stream()
        .map(c -> new Object[] {c})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "candidates")
  public void theSmallestNumberIsTheOneThatTryingAllFinds(Candidate c) {
    SystemPlan night = night(-8);
    Sized sized = search(night, 24, Prices.NONE).size(c);
    int room = (int) Math.max(1, 0.5 * 14 / c.one().geometry().endArea());
    int most = Math.min(24, room);
    int brute = 0;
    NightForecast f = NightForecast.of(night, DOUBT, 64);
    double limit = 2 + f.lowestMedian() - f.lowestTenth();
    for (int n = 1; n <= most && brute == 0; n++) {
      brute = lowest(night, c, n) >= limit ? n : 0;
    }
    assertThat(sized.holds()).isEqualTo(brute > 0);
    assertThat(sized.count()).isEqualTo(brute > 0 ? brute : most);
    assertThat(sized.lowestCelsius()).isCloseTo(lowest(night, c, sized.count()), within(1e-9));
  }

  @Test
  public void whatIsUnsureAsksForMore() {
    Candidate c = some("water").get(0);
    Sized sure = search(night(-6), 60, Prices.NONE).size(c);
    NightForecast.Doubt typed = NightForecast.Doubt.ofTypedNight();
    Sized unsure = new SizingSearch(night(-6), typed, 60, 900, Prices.NONE).size(c);
    assertThat(sure.holds()).isTrue();
    assertThat(unsure.count()).isGreaterThan(sure.count());
    assertThat(unsure.lowestCelsius()).isGreaterThan(2.5);
  }

  @Test
  public void moreBodiesNeverMakeTheNightColder() {
    SystemPlan night = night(-9);
    for (Candidate c : some("water", "dry-sand")) {
      double before = lowest(night, c, 0);
      for (int n = 1; n <= 16; n *= 2) {
        double now = lowest(night, c, n);
        assertThat(now).as("%s × %d", c.container().id(), n).isGreaterThanOrEqualTo(before - 0.05);
        before = now;
      }
    }
  }

  @Test
  public void aWrappedSlowBodyIsLimitedByPowerAndABareSmallOneByEnergy() {
    SystemPlan night = night(-8);
    SizingSearch search = search(night, 400, Prices.NONE);
    Candidate slow =
        some("dry-sand").stream()
            .filter(c -> c.container().id().equals("big-bin") && c.wrapMillimetres() > 0)
            .findFirst()
            .orElseThrow();
    assertThat(search.size(slow).limit()).isEqualTo(Sized.Limit.POWER);
    Candidate quick =
        some("water").stream()
            .filter(c -> c.container().id().equals("bucket") && c.wrapMillimetres() == 0)
            .findFirst()
            .orElseThrow();
    assertThat(search.size(quick).limit()).isEqualTo(Sized.Limit.ENERGY);
  }

  @Test
  public void aMildNightNeedsOneAndSaysSo() {
    Sized sized = search(night(1), 10, Prices.NONE).size(some("water").get(0));
    assertThat(sized.count()).isEqualTo(1);
    assertThat(sized.limit()).isEqualTo(Sized.Limit.NONE);
  }

  @Test
  public void nothingThatIsDominatedIsBetterInAnything() {
    Prices prices =
        new Prices(
            Map.of(
                "water", new Pack("tap", 1000, Pack.Unit.LITRE, 2),
                "dry-sand", new Pack("bag", 25, Pack.Unit.KILOGRAM, 4)));
    List<Sized> all = search(night(-8), 60, prices).run(some("water", "dry-sand", "granite"));
    assertThat(all).extracting(Sized::dominated).contains(true, false);
    for (Sized s : all) {
      boolean beaten = all.stream().anyMatch(o -> SizingSearch.dominates(o, s));
      assertThat(s.dominated()).isEqualTo(beaten);
    }
    assertThat(all.stream().filter(s -> !s.dominated()))
        .allMatch(s -> s.holds())
        .allMatch(s -> s.holdSeconds() > 6 * 3600);
    assertThat(all.stream().map(Sized::holds).toList())
        .isSortedAccordingTo((a, b) -> Boolean.compare(b, a));
  }

  @Test
  public void noVesselIsChargedAboveWhatItStands() {
    for (Candidate c : some("water", "dry-sand", "damp-sand")) {
      assertThat(c.fullCelsius()).isLessThanOrEqualTo(c.medium().highestCelsius().value());
      c.container()
          .vessel()
          .ifPresent(v -> assertThat(c.fullCelsius()).isLessThanOrEqualTo(v.highestCelsius()));
    }
  }

  @Test
  public void earthIsForBedsStonesAreLaidAndWaterStandsInVessels() {
    for (Candidate c : some("water", "dry-sand", "granite", "soil", "cob")) {
      switch (c.container().id()) {
        case "bed" -> assertThat(c.medium().id()).isEqualTo("soil");
        case "bench", "wall", "stack" -> assertThat(c.medium().id()).isIn("granite", "cob");
        case "drum", "bin", "big-bin" -> assertThat(c.medium().id()).isEqualTo("dry-sand");
        default -> assertThat(c.medium().id()).isEqualTo("water");
      }
    }
  }

  @Test
  public void aSearchTellsHowFarItIsAndStopsWhenAsked() {
    List<Candidate> all = some("water", "dry-sand", "granite", "brick");
    List<Integer> told = java.util.Collections.synchronizedList(new ArrayList<>());
    AtomicInteger asked = new AtomicInteger();
    List<Sized> part =
        search(night(-8), 20, Prices.NONE).run(all, told::add, () -> asked.incrementAndGet() > 6);
    assertThat(part).hasSizeLessThan(all.size()).hasSizeGreaterThanOrEqualTo(5);
    assertThat(told).hasSameSizeAs(part);
  }
}
