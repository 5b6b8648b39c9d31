package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nightbank.core.forecast.NightsAhead.Span;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;

/**
 * What to do over several days so that all of their nights hold, with little work: night by night
 * from the first that breaks, with whatever makes it hold for the fewest minutes, done that evening
 * or on a day before; in the end what has become needless is left out. A good plan and not always
 * the best one.
 *
 * @param actions with what stands anyway
 * @param holds whether every night's coldest tenth stays above the plants' limit
 * @param latestSeconds the last moment at which the first thing for the night that breaks first
 *     still makes it hold; empty where nothing is needed or nothing does
 */
public record DaysAdvice(
    List<Action> actions, boolean holds, double minutes, OptionalDouble latestSeconds) {
  private static final double LITTLE = 0.02; // K
  private static final double MINUTE = 60;
  private static final int MOST_STEPS = 24;
  private static final double CLOSE = 900; // s

  /**
   * Searches.
   *
   * @param options of every day: ways in which one thing is done on one day
   */
  public static DaysAdvice find(SystemPlan plan, NightsAhead ahead, List<Advice.Option> options) {
    return new Search(plan, ahead, options).find();
  }

  private static final class Search {
    private final SystemPlan plan;
    private final List<Span> spans;
    private final double[] needed;
    private final List<List<Action>> ways = new ArrayList<>();
    private final Map<List<Action>, double[]> tried = new HashMap<>();

    Search(SystemPlan plan, NightsAhead ahead, List<Advice.Option> options) {
      this.plan = plan.small();
      spans = ahead.nights().stream().map(NightsAhead.Night::span).toList();
      double limit = plan.house().plantLimitCelsius();
      needed = ahead.nights().stream().mapToDouble(n -> limit + n.spreadKelvin()).toArray();
      options.forEach(o -> ways.addAll(o.choices()));
    }

    DaysAdvice find() {
      List<Action> chosen = new ArrayList<>(plan.actions());
      OptionalDouble latest = OptionalDouble.empty();
      boolean stuck = false;
      for (int step = 0; step < MOST_STEPS && !stuck; step++) {
        int night = failing(lows(chosen));
        if (night < 0) {
          break;
        }
        List<Action> way = best(chosen, night);
        stuck = way.isEmpty();
        if (!stuck) {
          if (step == 0) {
            latest = latest(chosen, way, night);
          }
          chosen.addAll(way);
        }
      }
      List<Action> kept = withoutNeedless(chosen);
      boolean holds = failing(lows(kept)) < 0;
      return new DaysAdvice(kept, holds, minutes(kept), holds ? latest : OptionalDouble.empty());
    }

    private int failing(double[] lows) {
      for (int n = 0; n < lows.length; n++) {
        if (lows[n] < needed[n]) {
          return n;
        }
      }
      return -1;
    }

    /** What makes a night hold for the fewest minutes, else what helps it most for a minute. */
    private List<Action> best(List<Action> chosen, int night) {
      double before = lows(chosen)[night];
      List<List<Action>> open =
          ways.stream()
              .filter(w -> w.get(0).fromSeconds() < spans.get(night).dawn())
              .filter(w -> w.stream().noneMatch(a -> clashes(chosen, a)))
              .toList();
      Map<List<Action>, Double> at = new HashMap<>();
      open.parallelStream()
          .map(w -> Map.entry(w, run(with(chosen, w))[night]))
          .sequential()
          .forEach(e -> at.put(e.getKey(), e.getValue()));
      return open.stream()
          .filter(w -> at.get(w) >= needed[night])
          .min(Comparator.comparingDouble(this::minutes))
          .or(
              () ->
                  open.stream()
                      .filter(w -> at.get(w) > before + LITTLE)
                      .max(
                          Comparator.comparingDouble(w -> (at.get(w) - before) / (1 + minutes(w)))))
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

    private OptionalDouble latest(List<Action> chosen, List<Action> way, int night) {
      if (run(with(chosen, way))[night] < needed[night]) {
        return OptionalDouble.empty();
      }
      double low = way.get(0).fromSeconds();
      double high = spans.get(night).dawn();
      while (high - low > CLOSE) {
        double middle = (low + high) / 2;
        if (run(with(chosen, later(way, middle)))[night] >= needed[night]) {
          low = middle;
        } else {
          high = middle;
        }
      }
      return OptionalDouble.of(low);
    }

    private static List<Action> later(List<Action> way, double from) {
      double by = from - way.get(0).fromSeconds();
      return way.stream()
          .map(
              a ->
                  new Action(
                      a.kind(),
                      a.of(),
                      a.fromSeconds() + by,
                      Math.max(a.fromSeconds() + by, a.toSeconds()),
                      a.amount(),
                      a.moisture()))
          .toList();
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
      return tried.computeIfAbsent(List.copyOf(actions), this::run);
    }

    private double[] run(List<Action> actions) {
      return NightsAhead.lowest(SystemSimulation.run(plan.withActions(actions)), spans);
    }
  }
}
