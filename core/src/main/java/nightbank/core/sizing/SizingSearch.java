package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import nightbank.core.forecast.NightForecast;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreAppraisal;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;
import nightbank.core.weather.Weather;
import org.jspecify.annotations.Nullable;

/**
 * For each candidate the smallest number that holds a hard night in a house, found by following the
 * slope: more of the same never makes the night colder. No more are tried than half of the floor
 * takes. A night is held as Tonight holds it: by as much as its median lies above its coldest tenth
 * with what the house has already. Every body begins evenly full at dusk. Neglects that bodies
 * shade and warm each other.
 */
public final class SizingSearch {
  private static final String ID = "candidate";
  private static final double LONGEST = 72 * 3600.0;
  private static final double HOLD_STEP = 600;
  private static final double MORE = 1.5;
  private static final double FLOOR_SHARE = 0.5;
  private static final int MEMBERS = 64;

  private final SystemPlan night;
  private final int most;
  private final double sourceWatts;
  private final Prices prices;
  private final double without;
  private final double margin;

  /**
   * Prepares.
   *
   * @param night the hard night with whatever the house has already
   * @param doubt of everything that is not known of it; a night is held when its coldest tenth is
   * @param most bodies to try at the most
   * @param sourceWatts what charges them, all together
   */
  public SizingSearch(
      SystemPlan night, NightForecast.Doubt doubt, int most, double sourceWatts, Prices prices) {
    this.night = night;
    this.most = most;
    this.sourceWatts = sourceWatts;
    this.prices = prices;
    without = SystemSimulation.run(night).lowestCelsius();
    NightForecast f = NightForecast.of(night, doubt, MEMBERS);
    margin = Math.max(0, f.lowestMedian() - f.lowestTenth());
  }

  /** By how much the middle night must lie over the plants' limit to be held, K. */
  public double margin() {
    return margin;
  }

  /** What would hold the same night without being stored before it. */
  public List<Means> means() {
    return Means.all(night, margin);
  }

  /**
   * Sizes every candidate, cheapest and lightest first, those that hold before those that do not.
   *
   * @param done told how many are finished
   * @param stop asked between candidates; what is finished by then is returned
   */
  public List<Sized> run(List<Candidate> candidates, IntConsumer done, BooleanSupplier stop) {
    AtomicInteger finished = new AtomicInteger();
    List<Sized> all = Collections.synchronizedList(new ArrayList<>());
    IntStream.range(0, candidates.size())
        .parallel()
        .forEach(
            i -> {
              if (!stop.getAsBoolean()) {
                all.add(found(candidates.get(i)));
                done.accept(finished.incrementAndGet());
              }
            });
    return sorted(withDominated(all)).parallelStream()
        .map(
            s ->
                s.dominated()
                    ? s
                    : s.limitedBy(limit(s)).holding(holdSeconds(s.candidate(), s.count())))
        .toList();
  }

  public List<Sized> run(List<Candidate> candidates) {
    return run(candidates, n -> {}, () -> false);
  }

  /** The smallest number of one candidate, and what limits it. */
  public Sized size(Candidate c) {
    Sized s = found(c);
    return s.limitedBy(limit(s));
  }

  private Sized found(Candidate c) {
    double limit = night.house().plantLimitCelsius() + margin;
    int most = Math.min(this.most, fits(c));
    int fails = 0;
    double failsAt = without;
    int holds = 0;
    @Nullable SystemResult held = null;
    @Nullable SystemResult best = null;
    int n = 1;
    while (n > 0) {
      SystemResult night = of(c, n);
      double lowest = night.lowestCelsius();
      double slope = (lowest - failsAt) / Math.max(1, n - fails);
      if (lowest >= limit) {
        holds = n;
        held = night;
      } else {
        fails = n;
        failsAt = lowest;
        best = night;
      }
      if (held == null) {
        n = fails == most ? 0 : Math.min(most, further(fails, (limit - failsAt) / slope));
      } else {
        int gap = holds - fails;
        double share = (limit - failsAt) / Math.max(1e-9, held.lowestCelsius() - failsAt);
        n = gap <= 1 ? 0 : fails + Math.max(1, Math.min(gap - 1, (int) Math.ceil(share * gap)));
      }
    }
    return held == null
        ? described(c, most, false, Objects.requireNonNull(best))
        : described(c, holds, true, held);
  }

  /** Where the slope so far leads, between one more and four times as many. */
  private static int further(int from, double more) {
    return from + (int) Math.max(1, Math.min(3.0 * from, more > 0 ? Math.ceil(more) : 3.0 * from));
  }

  /** Bodies that find room: paths and beds keep half of the floor. */
  private int fits(Candidate c) {
    return night
        .house()
        .floor()
        .map(f -> (int) (FLOOR_SHARE * f.areaSquareMetres() / c.one().geometry().endArea()))
        .map(n -> Math.max(1, n))
        .orElse(most);
  }

  private SystemPlan plan(Candidate c, int count) {
    List<SystemStore> stores = new ArrayList<>(night.system().stores());
    HeatStore store = c.one().withCount(count);
    stores.add(
        new SystemStore(ID, store, StoreState.uniform(StoreGrid.night(store), c.fullCelsius())));
    return night.withSystem(night.system().withStores(stores));
  }

  private SystemResult of(Candidate c, int count) {
    return SystemSimulation.run(plan(c, count));
  }

  private Sized described(Candidate c, int count, boolean holds, SystemResult result) {
    SystemResult.StoreTrace own = result.stores().get(result.stores().size() - 1);
    double[] watts = own.toHouseWatts();
    HeatStore store = c.one().withCount(count);
    StoreAppraisal appraisal = StoreAppraisal.of(store, c.fullCelsius(), sourceWatts);
    BuildList build = BuildList.of(store, c.parts(), prices);
    return SizedBuilder.builder()
        .candidate(c)
        .count(count)
        .holds(holds)
        .limit(Sized.Limit.UNASKED)
        .lowestCelsius(result.lowestCelsius())
        .massKg(store.mass())
        .floorSquareMetres(count * store.geometry().endArea())
        .loadKgPerSquareMetre(store.massPerFloorArea())
        .usableJoules(appraisal.usableJoules())
        .powerAtDawnWatts(watts[watts.length - 1])
        .holdSeconds(Double.NaN)
        .refillSeconds(
            sourceWatts > 0 ? Math.max(0, -own.changeJoules()) / sourceWatts : Double.NaN)
        .cost(build.unpriced() > 0 ? Double.NaN : build.cost())
        .dominated(false)
        .build();
  }

  /**
   * With one body less: would half as much heat again do more, or half as quick a way out again?
   */
  private Sized.Limit limit(Sized s) {
    int fails = s.holds() ? s.count() - 1 : s.count();
    if (fails == 0) {
      return Sized.Limit.NONE;
    }
    Candidate c = s.candidate();
    HeatStore one = c.one();
    HeatStore heavier = one.scaled(MORE, 1);
    HeatStore quicker = one.scaled(1, MORE).withFacesTimes(MORE);
    return of(c.with(heavier), fails).lowestCelsius() >= of(c.with(quicker), fails).lowestCelsius()
        ? Sized.Limit.ENERGY
        : Sized.Limit.POWER;
  }

  /** How long house and stores stay above the plants' limit in steady cold of the night's low. */
  private double holdSeconds(Candidate c, int count) {
    double low = Double.POSITIVE_INFINITY;
    Weather w = night.weather();
    double wind = 0;
    double cloud = 0;
    for (int i = 0; i < w.seconds().length; i++) {
      low = Math.min(low, w.outdoorCelsius()[i]);
      wind += w.windMetresPerSecond()[i] / w.seconds().length;
      cloud += w.cloud()[i] / w.seconds().length;
    }
    Weather steady =
        new Weather(
            new double[] {0}, new double[] {low}, new double[] {wind}, new double[] {cloud});
    SystemPlan base = plan(c, count);
    SystemPlan cold =
        SystemPlan.of(
            base.system(),
            steady,
            base.airCelsius(),
            base.massCelsius(),
            base.groundCelsius(),
            LONGEST,
            HOLD_STEP);
    SystemResult result = SystemSimulation.run(cold);
    double limit = night.house().plantLimitCelsius();
    for (int k = 0; k < result.plants().length; k++) {
      if (result.plants()[k] < limit) {
        return result.seconds()[k];
      }
    }
    return LONGEST;
  }

  private static List<Sized> withDominated(List<Sized> all) {
    return all.stream()
        .map(a -> a.asDominated(all.stream().anyMatch(b -> dominates(b, a))))
        .toList();
  }

  /** Missing prices compare as equal. */
  static boolean dominates(Sized a, Sized b) {
    if (a == b || !a.holds()) {
      return false;
    }
    if (!b.holds()) {
      return true;
    }
    boolean priced = !Double.isNaN(a.cost()) && !Double.isNaN(b.cost());
    double[] better = {
      b.massKg() - a.massKg(),
      b.floorSquareMetres() - a.floorSquareMetres(),
      priced ? b.cost() - a.cost() : 0
    };
    boolean strictly = false;
    for (double d : better) {
      if (d < -1e-9) {
        return false;
      }
      strictly |= d > 1e-9;
    }
    return strictly;
  }

  private static List<Sized> sorted(List<Sized> all) {
    List<Sized> list = new ArrayList<>(all);
    list.sort(
        Comparator.comparing((Sized s) -> !s.holds())
            .thenComparing(s -> s.dominated())
            .thenComparingDouble(s -> Double.isNaN(s.cost()) ? Double.MAX_VALUE : s.cost())
            .thenComparingDouble(Sized::massKg)
            .thenComparing(s -> s.candidate().container().id())
            .thenComparing(s -> s.candidate().medium().id()));
    return list;
  }
}
