package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import nightbank.core.forecast.NightsAhead.Span;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;

/**
 * What to do over several days so that all of their nights hold, with little work: night by night
 * from the first that breaks, with whatever makes it hold for the fewest minutes, done that evening
 * or on a day before; in the end what has become needless is left out. A good plan and not always
 * the best one.
 *
 * @param actions with what stands anyway
 * @param holds whether every night's coldest tenth stays above the plants' limit
 * @param latestSeconds the last moment until which what is advised for the night that breaks first
 *     may be put off; empty where nothing is needed or nothing holds it
 */
public record DaysAdvice(
    List<Action> actions, boolean holds, double minutes, OptionalDouble latestSeconds) {
  private static final double LITTLE = 0.02; // K
  private static final double MINUTE = 60;
  private static final int ROUNDS = 3;
  private static final int MOST_FOR_A_NIGHT = 4;
  private static final int DAYS_BEFORE = 2; // that anything is done for a night
  private static final double STEP = 1200; // s, within a tenth of a kelvin of half of it

  /**
   * Searches, and makes sure by the ensemble that judges the nights; where that asks for more, once
   * more with more.
   *
   * @param plan as judged; what is planned in it stands
   * @param possible what there is to be done on any day
   * @param stop asked before every simulation
   * @throws CancellationException when it was stopped
   */
  public static DaysAdvice find(
      SystemPlan plan,
      NightsAhead ahead,
      List<Possible> possible,
      NightForecast.Doubt doubt,
      BooleanSupplier stop) {
    Search search = new Search(plan, ahead, possible, stop);
    NightsAhead sure = ahead;
    List<Action> actions = plan.actions();
    for (int round = 0; round < ROUNDS && sure.breaksFirst().isPresent(); round++) {
      search.need(sure);
      List<Action> more = search.find(actions);
      if (more.equals(actions)) {
        break;
      }
      actions = more;
      sure = NightsAhead.of(plan.withActions(actions), search.spans, doubt, stop);
    }
    boolean holds = sure.breaksFirst().isEmpty();
    return new DaysAdvice(
        actions,
        holds,
        actions.isEmpty() ? 0 : search.minutes(actions),
        holds ? search.latest : OptionalDouble.empty());
  }

  private static final class Search {
    private final SystemPlan plan;
    private final List<Span> spans;
    private final double[] needed;
    private final List<List<Action>> ways;
    private final Set<Integer> hopeless = new HashSet<>();
    private final Map<List<Action>, double[]> tried = new HashMap<>();
    private final double limit;
    private final BooleanSupplier stop;
    private OptionalDouble latest = OptionalDouble.empty();

    Search(SystemPlan plan, NightsAhead ahead, List<Possible> possible, BooleanSupplier stop) {
      this.stop = stop;
      this.plan = plan.small().withStep(Math.max(STEP, plan.stepSeconds()));
      spans = ahead.nights().stream().map(NightsAhead.Night::span).toList();
      limit = plan.house().plantLimitCelsius();
      needed = new double[spans.size()];
      ways = Possible.overDays(this.plan, possible, spans);
    }

    /** What the middle of each night must reach so that its coldest tenth holds. */
    void need(NightsAhead judged) {
      for (int n = 0; n < needed.length; n++) {
        NightsAhead.Night night = judged.nights().get(n);
        double spread = Math.max(0, night.lowest() - night.lowestTenth());
        needed[n] = Math.max(needed[n], limit + spread + LITTLE);
      }
    }

    List<Action> find(List<Action> from) {
      List<Action> chosen = new ArrayList<>(from);
      for (int night = failing(lows(chosen)); night >= 0; night = failing(lows(chosen))) {
        for (int more = 0; more < MOST_FOR_A_NIGHT && fails(night, lows(chosen)); more++) {
          List<Action> way = best(chosen, night);
          if (way.isEmpty()) {
            break;
          }
          chosen.addAll(way);
        }
        if (fails(night, lows(chosen))) {
          hopeless.add(night);
        }
      }
      List<Action> kept = withoutNeedless(chosen);
      if (hopeless.isEmpty()) {
        latest = latest(kept);
      }
      return kept;
    }

    private int failing(double[] lows) {
      for (int n = 0; n < lows.length; n++) {
        if (fails(n, lows) && !hopeless.contains(n)) {
          return n;
        }
      }
      return -1;
    }

    private boolean fails(int night, double[] lows) {
      return lows[night] < needed[night];
    }

    private record Tried(List<Action> way, double low) {}

    /** What makes a night hold for the fewest minutes, else what helps it most for a minute. */
    private List<Action> best(List<Action> chosen, int night) {
      double before = lows(chosen)[night];
      double dawn = spans.get(night).dawn();
      double earliest = night > DAYS_BEFORE ? spans.get(night - DAYS_BEFORE - 1).dawn() : 0;
      List<List<Action>> open =
          ways.stream()
              .filter(w -> w.get(0).fromSeconds() < dawn && w.get(0).fromSeconds() >= earliest)
              .filter(w -> w.stream().noneMatch(a -> clashes(chosen, a)))
              .toList();
      List<Tried> tried =
          open.parallelStream().map(w -> new Tried(w, run(with(chosen, w), night))).toList();
      return tried.stream()
          .filter(t -> t.low() >= needed[night])
          .min(Comparator.comparingDouble(t -> minutes(t.way())))
          .or(
              () ->
                  tried.stream()
                      .filter(t -> t.low() > before + LITTLE)
                      .max(
                          Comparator.comparingDouble(
                              t -> (t.low() - before) / (1 + minutes(t.way())))))
          .map(Tried::way)
          .orElse(List.of());
    }

    /** One thing is not done twice over the same hours; wood may be laid on again later. */
    private static boolean clashes(List<Action> chosen, Action a) {
      return chosen.stream()
          .anyMatch(
              b ->
                  b.kind() == a.kind()
                      && b.of().equals(a.of())
                      && b.fromSeconds() <= a.toSeconds()
                      && a.fromSeconds() <= b.toSeconds());
    }

    /** Until when all that is advised for the night that breaks first may be put off. */
    private OptionalDouble latest(List<Action> kept) {
      int night = failing(lows(plan.actions()));
      if (night < 0) {
        return OptionalDouble.empty();
      }
      List<Action> way = new ArrayList<>(kept);
      way.removeAll(plan.actions());
      double dawn = spans.get(night).dawn();
      way.removeIf(a -> a.fromSeconds() >= dawn);
      return PutOff.latest(
          way, dawn, later -> run(with(plan.actions(), later), night), needed[night]);
    }

    private List<Action> withoutNeedless(List<Action> chosen) {
      List<Action> kept = new ArrayList<>(chosen);
      double[] all = lows(chosen);
      List<Action> own = new ArrayList<>(chosen);
      own.removeAll(plan.actions());
      own.sort(Comparator.comparingDouble(a -> -minutes(List.of(a))));
      for (Action a : own) {
        List<Action> fewer = new ArrayList<>(kept);
        fewer.remove(a);
        double[] then = lows(fewer);
        boolean worse = false;
        for (int n = 0; n < then.length; n++) {
          worse |= then[n] < needed[n] && then[n] < all[n] - LITTLE;
        }
        if (!worse) {
          kept = fewer;
        }
      }
      return List.copyOf(kept);
    }

    private static List<Action> with(List<Action> chosen, List<Action> way) {
      return Stream.concat(chosen.stream(), way.stream()).toList();
    }

    private double minutes(List<Action> actions) {
      return Math.max(actions.isEmpty() ? 0 : 1 / MINUTE, Advice.minutes(actions, plan));
    }

    private double[] lows(List<Action> actions) {
      return tried.computeIfAbsent(
          List.copyOf(actions), a -> NightsAhead.lowest(simulated(plan.withActions(a)), spans));
    }

    /** What the plants feel at the coldest of one night; what comes after it is not reckoned. */
    private double run(List<Action> actions, int night) {
      SystemPlan till = plan.withActions(actions).until(spans.get(night).dawn());
      return NightsAhead.lowest(simulated(till), spans)[night];
    }

    private SystemResult simulated(SystemPlan how) {
      if (stop.getAsBoolean()) {
        throw new CancellationException();
      }
      return SystemSimulation.run(how);
    }
  }
}
