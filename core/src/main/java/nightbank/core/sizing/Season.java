package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightResult;
import nightbank.core.night.NightSimulation;
import nightbank.core.night.NightStore;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreGrid;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.core.store.Surroundings;
import nightbank.core.weather.Weather;

/**
 * A winter night by night with so many bodies of one candidate, their state carried from night to
 * day to night, charged by day with what the source can give: the curve of size against nights
 * lost. House and plants begin every evening as they follow the outdoors; days are taken at their
 * mean.
 */
public final class Season {
  private static final String ID = "candidate";
  private static final double NIGHT = 15 * 3600.0;
  private static final double LOW_AFTER = 13 * 3600.0;
  private static final double CHARGE = 6 * 3600.0; // of a winter's day
  private static final double REST = 3 * 3600.0;
  private static final double STEP = 600;
  private static final double DAY_STEP = 900;

  private final NightPlan like;
  private final Winter winter;
  private final Candidate candidate;
  private final double dailyJoules;

  /**
   * Prepares.
   *
   * @param like a night whose house, other stores, ground and actions are those of every night
   * @param dailyJoules that the source can give in a day, 0 for as much as the store takes
   */
  public Season(NightPlan like, Winter winter, Candidate candidate, double dailyJoules) {
    this.like = like;
    this.winter = winter;
    this.candidate = candidate;
    this.dailyJoules = dailyJoules;
  }

  /** One point of the curve. */
  public record Point(int count, double massKg, int nightsLost, double coldDegreeHours) {}

  /** The curve at these numbers of bodies, 0 for none. */
  public List<Point> curve(List<Integer> counts) {
    return IntStream.range(0, counts.size())
        .parallel()
        .mapToObj(i -> point(counts.get(i)))
        .toList();
  }

  private Point point(int count) {
    HeatStore store = count == 0 ? null : candidate.one().withCount(count);
    StoreState state =
        store == null ? null : StoreState.uniform(StoreGrid.night(store), candidate.fullCelsius());
    int lost = 0;
    double cold = 0;
    for (Winter.Night n : winter.nights()) {
      if (store != null) {
        state = charged(store, state, n);
      }
      NightResult result = NightSimulation.run(night(n, store, state));
      double limit = like.house().plantLimitCelsius();
      lost += result.lowestCelsius() < limit ? 1 : 0;
      cold += result.coldDegreeHours();
      if (store != null) {
        state = result.stores().get(result.stores().size() - 1).end();
      }
    }
    return new Point(count, store == null ? 0 : store.mass(), lost, cold);
  }

  private NightPlan night(Winter.Night n, HeatStore store, StoreState state) {
    List<NightStore> stores = new ArrayList<>(like.stores());
    if (store != null) {
      stores.add(new NightStore(ID, store, state));
    }
    double lift = like.airCelsius() - like.weather().outdoorAt(0);
    double slow = like.massCelsius() - like.airCelsius();
    double air = n.eveningCelsius() + lift;
    return new NightPlan(
        like.house(),
        stores,
        Weather.typed(n.eveningCelsius(), n.lowCelsius(), LOW_AFTER, n.wind(), n.cloud(), NIGHT),
        air,
        Math.max(n.lowCelsius(), air + slow),
        like.groundCelsius(),
        NIGHT,
        STEP,
        like.actions(),
        new double[0]);
  }

  /** The day: air between outdoors and comfort, the source on until full or spent. */
  private StoreState charged(HeatStore store, StoreState state, Winter.Night n) {
    StoreModel model = StoreModel.of(store, state);
    double air = Math.max(like.house().plantLimitCelsius() + 3, n.dayCelsius() + 4);
    Surroundings around = Surroundings.of(air, like.groundCelsius());
    double watts =
        dailyJoules > 0
            ? dailyJoules / CHARGE
            : store.heatCapacity(candidate.fullCelsius())
                * Math.max(1, candidate.fullCelsius() - model.meanCelsius())
                / CHARGE
                * 1.5;
    for (double t = 0; t < CHARGE + REST; t += DAY_STEP) {
      boolean on = t < CHARGE && model.meanCelsius() < candidate.fullCelsius();
      model.step(DAY_STEP, around, on ? watts : 0);
    }
    return model.state();
  }
}
