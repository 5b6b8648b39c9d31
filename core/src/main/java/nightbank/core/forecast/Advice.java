package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;

/**
 * What to do about a night, found by trying what the grower says can be done, how much of it and
 * when: the least work that holds, or what comes nearest and what is lacking then.
 *
 * @param actions to do with what stands anyway, no more than that when nothing is needed
 * @param lowestCelsius what the plants would feel at the coldest
 * @param holds whether the coldest tenth of the nights would stay above the plants' limit
 * @param minutes of work, estimated
 * @param shortage what would still be lacking
 * @param untried combinations that might do and were not looked at, since there were too many
 * @param latestSeconds the last moment until which what is to be done may be put off; empty where
 *     nothing is needed or nothing holds it
 */
public record Advice(
    List<Action> actions,
    double lowestCelsius,
    boolean holds,
    double minutes,
    Shortfall.Kind shortage,
    int untried,
    OptionalDouble latestSeconds) {

  /**
   * One thing that can be done tonight, in several ways: sooner or later, less or more.
   *
   * @param choices each a set of actions that go together
   */
  public record Option(List<List<Action>> choices) {
    public Option {
      choices = choices.stream().map(List::copyOf).toList();
    }

    /** Ways of one action each. */
    public static Option of(List<Action> ways) {
      return new Option(ways.stream().map(List::of).toList());
    }
  }

  /** Nights of the ensemble that makes sure; verdict and advice agree when it is theirs too. */
  public static final int MEMBERS = 64;

  private static final int MOST_TRIES = 320;
  private static final int MOST_LISTED = 60_000;
  private static final int ROUNDS = 4;
  private static final double LITTLE = 0.02; // K
  private static final double TOGETHER = 1.1; // things done together help at most so much more
  private static final int WAYS = 8; // of one option that are worth combining

  /**
   * Searches, and makes sure by an ensemble of what it found, the same that judges the night.
   *
   * @param plan the night; what is planned in it stands whatever is advised
   */
  public static Advice find(SystemPlan plan, List<Option> options, NightForecast.Doubt doubt) {
    return find(plan, options, doubt, Map.of());
  }

  /**
   * The same, with ensembles of {@link #MEMBERS} that are known of the night already.
   *
   * @param known by what is done in it
   */
  public static Advice find(
      SystemPlan plan,
      List<Option> options,
      NightForecast.Doubt doubt,
      Map<List<Action>, NightForecast> known) {
    Map<List<Action>, NightForecast> forecasts = new HashMap<>(known);
    Function<List<Action>, NightForecast> ensemble =
        done ->
            forecasts.computeIfAbsent(
                done, d -> NightForecast.of(plan.withActions(d), doubt, MEMBERS));
    Search search = new Search(plan, options);
    Advice first = sure(plan, search, ensemble, spread(ensemble.apply(plan.actions())));
    if (first.actions().equals(plan.actions())) {
      return first;
    }
    Advice best = best(plan, search, ensemble, first);
    return best.holds() ? best.waiting(search.latest(best.actions())) : best;
  }

  private static Advice best(
      SystemPlan plan,
      Search search,
      Function<List<Action>, NightForecast> ensemble,
      Advice first) {
    // what is done narrows the night's spread too, so it may hold after all, and less may do
    NightForecast with = ensemble.apply(first.actions());
    if (!first.holds() && with.verdict() != Verdict.HELD) {
      return first;
    }
    Advice less = sure(plan, search, ensemble, spread(with));
    return less.holds() && less.minutes() <= first.minutes() ? less : first.held();
  }

  private Advice held() {
    return new Advice(
        actions, lowestCelsius, true, minutes, Shortfall.Kind.NONE, untried, latestSeconds);
  }

  private Advice waiting(OptionalDouble until) {
    return new Advice(actions, lowestCelsius, holds, minutes, shortage, untried, until);
  }

  /** What an ensemble does not hold is searched again with as much more to spare as it lacked. */
  private static Advice sure(
      SystemPlan plan,
      Search search,
      Function<List<Action>, NightForecast> ensemble,
      double firstSpread) {
    double spread = firstSpread;
    Advice found = search.leastWork(spread);
    for (int round = 1; found.holds(); round++) {
      NightForecast f = ensemble.apply(found.actions());
      if (f.verdict() == Verdict.HELD) {
        return found;
      }
      if (round == ROUNDS) {
        return new Advice(
            found.actions,
            found.lowestCelsius,
            false,
            found.minutes,
            Shortfall.Kind.NONE,
            found.untried,
            OptionalDouble.empty());
      }
      spread += plan.house().plantLimitCelsius() - f.lowestTenth() + LITTLE;
      found = search.leastWork(spread);
    }
    return found;
  }

  private static double spread(NightForecast f) {
    return f.lowestMedian() - f.lowestTenth();
  }

  /**
   * Searches.
   *
   * @param plan the night; what is planned in it stands whatever is advised
   * @param spreadKelvin from the middle night's lowest down to the coldest tenth's, as the ensemble
   *     of the plan has it
   */
  public static Advice find(SystemPlan plan, List<Option> options, double spreadKelvin) {
    return new Search(plan, options).leastWork(spreadKelvin);
  }

  static double minutes(List<Action> actions, SystemPlan plan) {
    return actions.stream().mapToDouble(a -> Labour.minutes(a, plan.system())).sum();
  }

  /** One way of doing one thing, by itself. */
  private record Way(List<Action> actions, double gain, double minutes) {}

  /** Some ways together, before they are tried. */
  private record Set(List<Action> actions, double hoped, double minutes) {}

  /** What was tried of one night is remembered over the rounds. */
  private static final class Search {
    private final SystemPlan plan;
    private final SystemPlan small;
    private final List<List<Way>> ways;
    private final double standing;
    private final Map<List<Action>, Double> tried = new java.util.concurrent.ConcurrentHashMap<>();
    private int tries;
    private double limit;

    Search(SystemPlan plan, List<Option> options) {
      this.plan = plan;
      small = plan.small();
      standing = lowest(plan.actions());
      List<List<Action>> each =
          options.stream().flatMap(o -> o.choices().stream()).map(this::added).toList();
      List<Double> at = each.parallelStream().map(this::lowest).toList();
      ways = new ArrayList<>();
      int k = 0;
      for (Option o : options) {
        List<Way> own = new ArrayList<>();
        for (List<Action> choice : o.choices()) {
          own.add(new Way(choice, at.get(k++) - standing, minutes(choice, plan)));
        }
        ways.add(worthwhile(own));
      }
    }

    private List<Action> added(List<Action> more) {
      return Stream.concat(plan.actions().stream(), more.stream()).toList();
    }

    private double lowest(List<Action> actions) {
      return tried.computeIfAbsent(
          actions, a -> SystemSimulation.run(small.withActions(a)).lowestCelsius());
    }

    /** Those that no other of the same option beats in both work and warmth. */
    private static List<Way> worthwhile(List<Way> all) {
      List<Way> sorted = new ArrayList<>(all);
      sorted.sort(Comparator.comparingDouble(Way::minutes).thenComparing(w -> -w.gain()));
      List<Way> kept = new ArrayList<>();
      double best = 0;
      for (Way w : sorted) {
        if (w.gain() > best + 1e-3) {
          kept.add(w);
          best = w.gain();
        }
      }
      while (kept.size() > WAYS) {
        kept.remove(leastTold(kept));
      }
      return kept;
    }

    /** The one whose neighbours are closest: its place between them is told best without it. */
    private static int leastTold(List<Way> ways) {
      int least = 1;
      double gap = Double.POSITIVE_INFINITY;
      for (int i = 1; i < ways.size() - 1; i++) {
        double here = ways.get(i + 1).gain() - ways.get(i - 1).gain();
        if (here < gap) {
          gap = here;
          least = i;
        }
      }
      return least;
    }

    Advice leastWork(double spreadKelvin) {
      limit = plan.house().plantLimitCelsius() + Math.max(0, spreadKelvin);
      tries = 0;
      List<Set> sets = new ArrayList<>();
      int[] unlisted = {0};
      list(0, new Set(List.of(), 0, 0), limit - standing, sets, unlisted);
      sets.sort(Comparator.comparingDouble(Set::minutes));
      int batch = 2 * Runtime.getRuntime().availableProcessors();
      for (int from = 0; from < sets.size() && tries < MOST_TRIES; from += batch) {
        List<Set> some = sets.subList(from, Math.min(sets.size(), from + batch));
        tries += some.size();
        Optional<Set> held =
            some.parallelStream().filter(s -> lowest(added(s.actions())) >= limit).findFirst();
        if (held.isPresent()) {
          Advice made = made(added(held.get().actions()), limit, 0);
          if (made.holds()) {
            return made;
          }
        }
      }
      int untried = unlisted[0] + Math.max(0, sets.size() - tries);
      return made(nearest(), limit, untried);
    }

    /** By what the last search had to reach, or by what these actions reach where that is less. */
    OptionalDouble latest(List<Action> actions) {
      List<Action> way = new ArrayList<>(actions);
      way.removeAll(plan.actions());
      double reached = Math.min(limit, lowest(actions));
      return PutOff.latest(way, plan.lengthSeconds(), later -> lowest(added(later)), reached);
    }

    /** All sets that may do; each may add the gains of its ways and a tenth more. */
    private void list(int option, Set so, double needed, List<Set> all, int[] unlisted) {
      if (option == ways.size()) {
        if (TOGETHER * so.hoped() >= needed) {
          if (all.size() < MOST_LISTED) {
            all.add(so);
          } else {
            unlisted[0]++;
          }
        }
        return;
      }
      double most = so.hoped();
      for (int i = option; i < ways.size(); i++) {
        most += ways.get(i).stream().mapToDouble(Way::gain).max().orElse(0);
      }
      if (TOGETHER * most < needed) {
        return;
      }
      list(option + 1, so, needed, all, unlisted);
      for (Way w : ways.get(option)) {
        List<Action> more = new ArrayList<>(so.actions());
        more.addAll(w.actions());
        Set next = new Set(more, so.hoped() + w.gain(), so.minutes() + w.minutes());
        list(option + 1, next, needed, all, unlisted);
      }
    }

    /** When nothing holds: the most of everything, then without whatever does no good. */
    private List<Action> nearest() {
      List<List<Action>> chosen = new ArrayList<>();
      for (List<Way> own : ways) {
        own.stream()
            .max(Comparator.comparingDouble(Way::gain))
            .ifPresent(w -> chosen.add(w.actions()));
      }
      for (int round = 0; round < 2; round++) {
        for (int i = 0; i < chosen.size(); i++) {
          List<List<Action>> fewer = new ArrayList<>(chosen);
          fewer.remove(i);
          if (lowest(flat(fewer)) >= lowest(flat(chosen)) - LITTLE) {
            chosen.remove(i);
            i--;
          }
        }
      }
      return flat(chosen);
    }

    private List<Action> flat(List<List<Action>> chosen) {
      return added(chosen.stream().flatMap(List::stream).toList());
    }

    private Advice made(List<Action> actions, double limit, int untried) {
      SystemPlan done = plan.withActions(actions);
      SystemResult night = SystemSimulation.run(done);
      boolean holds = night.lowestCelsius() >= limit;
      return new Advice(
          actions,
          night.lowestCelsius(),
          holds,
          minutes(actions, plan),
          holds ? Shortfall.Kind.NONE : Shortfall.of(done, night).kind(),
          untried,
          OptionalDouble.empty());
    }
  }
}
