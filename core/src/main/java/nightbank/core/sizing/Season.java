package nightbank.core.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Share;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;

/**
 * A whole winter in one go with so many bodies of one candidate, house and every store carrying
 * their state from day to night to day: the curve of size against nights lost. The candidate is
 * charged by day with what its source can give; what else stands runs by its own controls and by
 * habits. Steps are coarse, {@link #STEP}; against steps of a minute the nights' lows move by less
 * than 0.3 K.
 */
public final class Season {
  /** Longest step, s. */
  public static final double STEP = 600;

  private static final String ID = "candidate";
  private static final String SOURCE = "candidate's source";
  private static final double DAY = 86_400;
  private static final double CHARGE_FROM = 10 * 3600; // of the day
  private static final double CHARGE_TO = 16 * 3600;
  private static final double LIGHT_AT = 17 * 3600;
  private static final double KEPT = 1800;
  private static final double ENDLESS = 40; // times what a body loses in a day, W/W

  private final SystemPlan winter;
  private final Candidate candidate;
  private final double dailyJoules;

  /** A fire that is lit at dusk when the coming night is colder than so much. */
  public record Habit(String fire, double kilograms, double whenLowBelow) {}

  private Season(SystemPlan winter, Candidate candidate, double dailyJoules) {
    this.winter = winter;
    this.candidate = candidate;
    this.dailyJoules = dailyJoules;
  }

  /**
   * Prepares.
   *
   * @param winter the place with what stands in it, from a midnight on through its weather; see
   *     {@link #plan}
   * @param dailyJoules that the source can give in a day, 0 for as much as the store takes
   */
  public static Season of(SystemPlan winter, Candidate candidate, double dailyJoules) {
    return new Season(winter, candidate, dailyJoules);
  }

  /**
   * A place through a winter.
   *
   * @param like the place as it is
   * @param sunWatts into the house at the winter's weather's moments, empty for none
   * @param irradiance on level ground at the same moments, W/m², empty for none
   */
  public static SystemPlan plan(
      PlantSystem like,
      Winter winter,
      double groundCelsius,
      double[] sunWatts,
      double[] irradiance,
      List<Habit> habits) {
    var weather = winter.weather();
    double air = Math.max(weather.outdoorAt(0) + 3, like.house().orElseThrow().plantLimitCelsius());
    return SystemPlan.of(
            like.withCircuits(running(like)),
            weather,
            air,
            air,
            groundCelsius,
            winter.nights().size() * DAY,
            STEP)
        .recording(KEPT)
        .withActions(lit(winter, habits))
        .withSun(sunWatts, irradiance);
  }

  /** What is laid on fires through a winter. */
  public static List<Action> lit(Winter winter, List<Habit> habits) {
    List<Action> actions = new ArrayList<>();
    for (int d = 0; d < winter.nights().size(); d++) {
      for (Habit h : habits) {
        if (winter.nights().get(d).lowCelsius() < h.whenLowBelow()) {
          actions.add(Action.load(h.fire(), d * DAY + LIGHT_AT, h.kilograms()));
        }
      }
    }
    return actions;
  }

  /** Whom somebody has to switch runs on cold nights: by the house's own thermometer. */
  private static List<FluidCircuit> running(PlantSystem like) {
    double limit = like.house().orElseThrow().plantLimitCelsius();
    return like.circuits().stream()
        .map(
            c ->
                c.control().runsByItself()
                    ? c
                    : c.with(
                        Control.free(
                            new Guard.Thermostat(new Sensor.HouseAir(), limit + 1, limit + 3))))
        .toList();
  }

  /**
   * One point of the curve.
   *
   * @param refillingLimits whether as many bodies with a source that always fills them would lose
   *     clearly fewer nights
   */
  public record Point(
      int count,
      double massKg,
      int nightsLost,
      double coldDegreeHours,
      boolean refillingLimits,
      double woodJoules,
      double electricJoules) {}

  /** The curve at these numbers of bodies, 0 for none. */
  public List<Point> curve(List<Integer> counts) {
    return IntStream.range(0, counts.size())
        .parallel()
        .mapToObj(i -> point(counts.get(i)))
        .toList();
  }

  private Point point(int count) {
    SystemResult r = SystemSimulation.run(with(count, dailyJoules));
    int lost = lost(r);
    boolean refilling = false;
    if (count > 0 && dailyJoules > 0 && lost > 0) {
      int filled = lost(SystemSimulation.run(with(count, 0)));
      refilling = lost - filled >= Math.max(1, 0.2 * lost);
    }
    double mass = count == 0 ? 0 : candidate.one().withCount(count).mass();
    return new Point(
        count, mass, lost, r.coldDegreeHours(), refilling, r.fuelJoules(), r.electricJoules());
  }

  private SystemPlan with(int count, double joules) {
    if (count == 0) {
      return winter;
    }
    HeatStore store = candidate.one().withCount(count);
    double start = Math.min(candidate.fullCelsius(), winter.airCelsius() + 10);
    List<SystemStore> stores = new ArrayList<>(winter.system().stores());
    stores.add(new SystemStore(ID, store, StoreState.uniform(StoreGrid.night(store), start)));
    List<Control.Window> days = new ArrayList<>();
    for (double d = 0; d < winter.lengthSeconds(); d += DAY) {
      days.add(new Control.Window(d + CHARGE_FROM, d + CHARGE_TO));
    }
    double full = candidate.fullCelsius();
    double watts = joules > 0 ? joules / (CHARGE_TO - CHARGE_FROM) : endless(store, full);
    List<SystemSource> sources = new ArrayList<>(winter.system().sources());
    sources.add(
        new SystemSource(
            SOURCE,
            new ElectricHeat(Share.allTo(ID), Math.min(1e6, watts), false),
            Control.between(days, new Guard.Thermostat(new Sensor.StoreZone(ID), full - 1, full)),
            true));
    return winter.withSystem(winter.system().withStores(stores).withSources(sources));
  }

  private static double endless(HeatStore store, double full) {
    return ENDLESS * store.heatCapacity(full) * Math.max(5, full) / DAY / 24;
  }

  private int lost(SystemResult r) {
    double limit = winter.house().plantLimitCelsius();
    int nights = (int) Math.round(winter.lengthSeconds() / DAY);
    boolean[] below = new boolean[nights + 1];
    for (int k = 0; k < r.plants().length; k++) {
      if (r.plants()[k] < limit) {
        below[(int) Math.floor((r.seconds()[k] + DAY / 2) / DAY)] = true;
      }
    }
    return (int) IntStream.rangeClosed(0, nights).filter(i -> below[i]).count();
  }
}
