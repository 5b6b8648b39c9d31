package nightbank.core.retrofit;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.CancellationException;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import nightbank.core.forecast.NightForecast;
import nightbank.core.sizing.Prices;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;

/**
 * Changes to a place, alone and in pairs, over the same winters and the same draws of what is
 * unsure in the house, so that what differs between them is the change and nothing else; ranked by
 * nights saved for what they cost. Then a path: at each step whatever saves most for its cost after
 * what was taken before; that less is asked of the place comes only where nothing else saves any.
 *
 * @param retrofits all that were tried
 * @param base the place as it is
 * @param singles best first
 * @param pairs those that save more together than each alone, best first
 * @param path in sensible order, each step with all before it
 * @param untried pairs that were not looked at
 */
public record Ranking(
    List<Retrofit> retrofits,
    Base base,
    List<Tried> singles,
    List<Tried> pairs,
    List<Step> path,
    int untried) {
  /** Winters that each is judged by. */
  public static final int MEMBERS = 4;

  /** Longest step, s; against an eighth of it the nights' lows move by less than 0.3 K. */
  private static final double STEP = 1800;

  /** A winter in the steps and on the grids that all changes are judged by. */
  static SystemPlan coarse(SystemPlan winter) {
    return winter.on(s -> grid(winter.system(), s.id(), s.store())).withStep(STEP);
  }

  /** Whether a heap takes off hangs on a little, so that its grid is finer than others'. */
  static StoreGrid grid(PlantSystem place, String id, HeatStore store) {
    return place.rots(id) ? StoreGrid.night(store) : StoreGrid.winter(store);
  }

  /**
   * A figure over the members.
   *
   * @param middle their mean
   * @param low the least of them; three in five of what may be lie between it and the most
   */
  public record Told(double middle, double low, double high) {
    static Told of(double[] members) {
      double[] sorted = members.clone();
      Arrays.sort(sorted);
      double mean = Arrays.stream(sorted).average().orElseThrow();
      return new Told(mean, sorted[0], sorted[sorted.length - 1]);
    }

    /** Whether all members agree that it is not nothing. */
    public boolean isClear() {
      return low > 0 || high < 0;
    }
  }

  /**
   * The place as it is.
   *
   * @param lost nights
   * @param hardest of the coldest tenth of nights, K over what must not get colder
   * @param bare nights that the house alone would lose, without stores or fires
   * @param boughtJoules that a heater in the house alone would give so that none is lost
   */
  public record Base(
      int nights,
      Told lost,
      Told hardest,
      Told fuelJoules,
      Told electricJoules,
      Told bare,
      Told boughtJoules) {}

  /**
   * One change, or a pair.
   *
   * @param saved nights
   * @param warmer by so much in the coldest tenth of nights, K
   * @param money empty where a price is missing
   * @param hours of work, to make it and to live with it for a winter
   * @param fuelJoules more than before over the winter, negative for less
   * @param clear whether it does anything beyond its doubt
   * @param worth what it brings for its cost, of use to rank by and for nothing else
   */
  public record Tried(
      List<String> ids,
      Told saved,
      Told warmer,
      OptionalDouble money,
      double hours,
      double fuelJoules,
      double electricJoules,
      boolean clear,
      double worth) {}

  /**
   * One step of the path.
   *
   * @param lost nights that are lost still
   * @param saved nights by this step, after those before it
   */
  public record Step(
      String id, Told lost, Told saved, Told warmer, OptionalDouble money, double hours) {}

  /**
   * What is asked.
   *
   * @param winters the place as it is through one winter or several, which members take in turn; no
   *     fire is lit yet
   * @param doubt of the house
   * @param retrofits those to be tried, by the place with what is done in it
   * @param hourWorth what an hour of work is worth in the money of the prices
   */
  public record Question(
      List<SystemPlan> winters,
      NightForecast.Doubt doubt,
      Function<SystemPlan, List<Retrofit>> retrofits,
      Prices prices,
      double hourWorth) {
    public Question {
      winters = List.copyOf(winters);
      if (winters.isEmpty()) {
        throw new IllegalArgumentException("there must be a winter to judge by");
      }
      if (!(hourWorth >= 0 && hourWorth <= 1e6)) {
        throw new IllegalArgumentException(
            "an hour of work must be worth 0 to 1000000, was " + hourWorth);
      }
    }
  }

  /**
   * Ranks.
   *
   * @param progress told what is done of how much
   * @param stop asked every day of every winter
   * @throws CancellationException when it was stopped
   */
  public static Ranking of(
      Question q, BiConsumer<Integer, Integer> progress, BooleanSupplier stop) {
    return new RankingSearch(q, progress, stop).run();
  }
}
