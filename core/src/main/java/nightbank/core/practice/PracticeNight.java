package nightbank.core.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.alarm.Signs;
import nightbank.core.forecast.Labour;
import nightbank.core.forecast.NightForecast;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;

/**
 * A night to be lived before it is real. What is hidden (the low that comes, sky, wind, how tight
 * the house is, what its masses hold) is one draw of what the forecast says is unsure, so that who
 * does what it advises holds as often as it claims. The same engine as for nights that are real.
 */
public final class PracticeNight {
  private static final int MOST_TOLD = 3;
  private static final double TELLING = 0.05; // K; less is no decision
  // What is worth a word at dawn; own choices.
  private static final double LITTLE = 0.1 * 3.6e6; // J, out of the house
  private static final double MUCH = 0.5 * 3.6e6; // J, into a store
  private static final double LATE = 0.4; // of what was put in

  private final SystemPlan truth;

  private PracticeNight(SystemPlan truth) {
    this.truth = truth;
  }

  /**
   * A night.
   *
   * @param stated as the forecast has it
   * @param seed the same one hides the same truth
   */
  public static PracticeNight of(SystemPlan stated, NightForecast.Doubt doubt, long seed) {
    return new PracticeNight(NightForecast.drawn(stated.small(), doubt, seed));
  }

  /**
   * What thermometers have shown so far, °C.
   *
   * @param seconds after the night's start
   * @param stores means, in the order of the place's stores
   */
  public record Seen(double[] seconds, double[] air, double[] outdoor, List<double[]> stores) {}

  /**
   * Until a moment; what is done after it changes nothing of it.
   *
   * @param done whatever was done, in any order
   */
  public Seen until(List<Action> done, double second) {
    SystemResult r = lived(done);
    int n = (int) Arrays.stream(r.seconds()).filter(s -> s <= second + 1e-6).count();
    return new Seen(
        Arrays.copyOf(r.seconds(), n),
        Arrays.copyOf(r.air(), n),
        Arrays.copyOf(r.outdoor(), n),
        r.stores().stream().map(s -> Arrays.copyOf(s.meanCelsius(), n)).toList());
  }

  /**
   * When an alarm wakes who sleeps: the first moment after one at which the air is below it.
   *
   * @return empty where it does not ring before the night is over
   */
  public OptionalDouble wakes(List<Action> done, double fromSecond, double belowCelsius) {
    SystemResult r = lived(done);
    for (int i = 0; i < r.seconds().length; i++) {
      if (r.seconds()[i] > fromSecond + 1e-6 && r.air()[i] < belowCelsius) {
        return OptionalDouble.of(r.seconds()[i]);
      }
    }
    return OptionalDouble.empty();
  }

  /**
   * A way of going through the night.
   *
   * @param lowestCelsius that the plants felt
   * @param minutes of work, estimated
   * @param wood kg laid on fires
   */
  public record Way(
      boolean held, double lowestCelsius, double lowestAtSeconds, double minutes, double wood) {}

  /**
   * A decision.
   *
   * @param done whether it was done, or advised and left
   * @param kelvin by which the coldest was warmer for it, or would have been
   */
  public record Decision(Action action, boolean done, double kelvin, double minutes) {}

  /**
   * A store, from dusk to dawn.
   *
   * @param beganCelsius of its warmest place
   * @param dawnCelsius of its warmest place
   * @param idleCelsius of its warmest place at dawn if nothing had been done
   * @param putJoules into it by sources, more than if nothing had been done
   * @param keptJoules of it that had not come out by dawn
   * @param heap whether it heats by itself as long as it is warm enough
   */
  public record Left(
      String store,
      double beganCelsius,
      double dawnCelsius,
      double idleCelsius,
      double putJoules,
      double keptJoules,
      boolean heap) {
    /** Much of what was put in came too late for the night. */
    public boolean cameLate() {
      return putJoules >= MUCH && keptJoules >= LATE * putJoules;
    }

    /** It no longer heats as it did, and would if it had been left alone. */
    public boolean overdrawn() {
      return heap && Signs.overdrawn(beganCelsius, dawnCelsius, idleCelsius);
    }
  }

  /** A loop that was switched on and took more out of the house than it brought, J. */
  public record Turned(String circuit, double joules) {}

  /**
   * What came of it.
   *
   * @param own what was done
   * @param advised what the forecast's advice of the evening would have come to
   * @param idle nothing done at all
   * @param advisedAir what the house's thermometer would have shown with it, °C, at the moments of
   *     {@link Seen}
   * @param decisions at most three, the weightiest first
   * @param left by store, in the order of the place's stores
   * @param turned none where every loop that was switched on brought something
   */
  public record Dawn(
      Way own,
      Way advised,
      Way idle,
      double[] advisedAir,
      List<Decision> decisions,
      List<Left> left,
      List<Turned> turned) {}

  /**
   * The night's end.
   *
   * @param standing what the place does by its own hours, in both
   */
  public Dawn dawn(List<Action> done, List<Action> advice, List<Action> standing) {
    SystemResult own = lived(done);
    SystemResult as = lived(advice);
    SystemResult idle = lived(standing);
    List<Decision> decisions = new ArrayList<>();
    for (Action a : done) {
      if (!standing.contains(a)) {
        double without = lived(without(done, a)).lowestCelsius();
        decisions.add(new Decision(a, true, own.lowestCelsius() - without, minutes(a)));
      }
    }
    for (Action a : advice) {
      if (done.stream().noneMatch(d -> d.kind() == a.kind() && d.of().equals(a.of()))) {
        double with = lived(with(done, a)).lowestCelsius();
        decisions.add(new Decision(a, false, with - own.lowestCelsius(), minutes(a)));
      }
    }
    return new Dawn(
        way(done, own, standing),
        way(advice, as, standing),
        way(standing, idle, standing),
        as.air(),
        decisions.stream()
            .filter(d -> Math.abs(d.kelvin()) >= TELLING)
            .sorted(Comparator.comparingDouble((Decision d) -> -Math.abs(d.kelvin())))
            .limit(MOST_TOLD)
            .toList(),
        left(own, idle),
        turned(own, done));
  }

  private List<Left> left(SystemResult own, SystemResult idle) {
    List<Left> left = new ArrayList<>();
    for (int i = 0; i < own.stores().size(); i++) {
      SystemStore store = truth.system().stores().get(i);
      SystemResult.StoreTrace with = own.stores().get(i);
      SystemResult.StoreTrace without = idle.stores().get(i);
      left.add(
          new Left(
              store.id(),
              store.start().highestCelsius(),
              with.end().highestCelsius(),
              without.end().highestCelsius(),
              with.chargedJoules() - without.chargedJoules(),
              with.changeJoules() - without.changeJoules(),
              truth.system().rots(store.id())));
    }
    return left;
  }

  private static List<Turned> turned(SystemResult own, List<Action> done) {
    return own.circuits().stream()
        .filter(c -> c.toHouseJoules() < -LITTLE)
        .filter(c -> done.stream().anyMatch(a -> a.of().equals(c.id())))
        .map(c -> new Turned(c.id(), -c.toHouseJoules()))
        .toList();
  }

  /** What comes of doing so. */
  public Way way(List<Action> done, List<Action> standing) {
    return way(done, lived(done), standing);
  }

  private SystemResult lived(List<Action> done) {
    return SystemSimulation.run(truth.withActions(done));
  }

  private Way way(List<Action> done, SystemResult r, List<Action> standing) {
    List<Action> work = done.stream().filter(a -> !standing.contains(a)).toList();
    return new Way(
        r.lowestCelsius() >= truth.house().plantLimitCelsius(),
        r.lowestCelsius(),
        r.lowestAtSeconds(),
        work.stream().mapToDouble(this::minutes).sum(),
        work.stream().filter(a -> a.kind() == Action.Kind.LOAD).mapToDouble(Action::amount).sum());
  }

  private double minutes(Action a) {
    return Labour.minutes(a, truth.system());
  }

  private static List<Action> without(List<Action> all, Action one) {
    List<Action> some = new ArrayList<>(all);
    some.remove(one);
    return some;
  }

  private static List<Action> with(List<Action> all, Action one) {
    List<Action> more = new ArrayList<>(all);
    more.add(one);
    return more;
  }
}
