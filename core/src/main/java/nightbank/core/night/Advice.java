package nightbank.core.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * What to do about a night, found by trying what the grower says can be done: the least work that
 * holds, or what comes nearest and what is lacking then.
 *
 * @param actions to do with what stands anyway, no more than that when nothing is needed
 * @param lowestCelsius what the plants would feel at the coldest
 * @param holds whether the coldest tenth of the nights would stay above the plants' limit
 * @param minutes of work, estimated
 * @param shortage what would still be lacking
 * @param untried combinations that were not looked at, since there were too many
 */
public record Advice(
    List<Action> actions,
    double lowestCelsius,
    boolean holds,
    double minutes,
    Shortfall.Kind shortage,
    int untried) {

  /**
   * One thing that can be done tonight, at several strengths.
   *
   * @param choices from least to most work; each is one action
   */
  public record Option(List<Action> choices) {
    public Option {
      choices = List.copyOf(choices);
    }
  }

  private static final int MOST_TRIES = 400;

  /** Nights of the ensemble that makes sure; verdict and advice agree when it is theirs too. */
  public static final int MEMBERS = 64;

  private static final int ROUNDS = 4;
  private static final double LITTLE = 0.02; // K

  /**
   * Searches, and makes sure by an ensemble of what it found, the same that judges the night.
   *
   * @param plan the night; what is planned in it stands whatever is advised
   */
  public static Advice find(NightPlan plan, List<Option> options, NightForecast.Doubt doubt) {
    return find(plan, options, doubt, Map.of());
  }

  /**
   * The same, with ensembles of {@link #MEMBERS} that are known of the night already.
   *
   * @param known by what is done in it
   */
  public static Advice find(
      NightPlan plan,
      List<Option> options,
      NightForecast.Doubt doubt,
      Map<List<Action>, NightForecast> known) {
    Map<List<Action>, NightForecast> forecasts = new HashMap<>(known);
    Function<List<Action>, NightForecast> ensemble =
        done ->
            forecasts.computeIfAbsent(
                done, d -> NightForecast.of(plan.withActions(d), doubt, MEMBERS));
    Advice first = sure(plan, options, ensemble, spread(ensemble.apply(plan.actions())));
    if (!first.holds() || first.actions().equals(plan.actions())) {
      return first;
    }
    // what is done narrows the night's spread too, so less may do
    double narrower = spread(ensemble.apply(first.actions()));
    Advice less = sure(plan, options, ensemble, narrower);
    return less.holds() && less.minutes() < first.minutes() ? less : first;
  }

  /** What an ensemble does not hold is searched again with as much more to spare as it lacked. */
  private static Advice sure(
      NightPlan plan,
      List<Option> options,
      Function<List<Action>, NightForecast> ensemble,
      double firstSpread) {
    double spread = firstSpread;
    Advice found = null;
    for (int i = 0; i < ROUNDS; i++) {
      found = find(plan, options, spread);
      if (!found.holds()) {
        return found;
      }
      NightForecast f = ensemble.apply(found.actions());
      if (f.verdict() == Verdict.HELD) {
        return found;
      }
      spread += plan.house().plantLimitCelsius() - f.lowestTenth() + LITTLE;
    }
    return new Advice(
        found.actions,
        found.lowestCelsius,
        false,
        found.minutes,
        Shortfall.Kind.NONE,
        found.untried);
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
  public static Advice find(NightPlan plan, List<Option> options, double spreadKelvin) {
    NightPlan small = plan.withStores(plan.stores().stream().map(NightStore::small).toList());
    double limit = plan.house().plantLimitCelsius() + Math.max(0, spreadKelvin);
    List<List<Action>> tries = combinations(plan.actions(), options);
    double all = 1;
    for (Option o : options) {
      all *= 1 + o.choices().size();
    }
    int untried = (int) Math.min(Integer.MAX_VALUE, all - tries.size());
    tries.sort(Comparator.comparingDouble(Advice::minutes));
    Optional<Advice> first =
        firstThatHolds(small, tries, limit).map(a -> trial(plan, a, limit, untried));
    if (first.isPresent() && first.get().holds()) {
      return first.get();
    }
    return tries.parallelStream()
        .map(a -> trial(small, a, limit, untried))
        .max(Comparator.comparingDouble(Advice::lowestCelsius).thenComparing(a -> -a.minutes()))
        .orElseThrow();
  }

  /** In order of work, a handful at once on all cores. */
  private static Optional<List<Action>> firstThatHolds(
      NightPlan small, List<List<Action>> tries, double limit) {
    int batch = 2 * Runtime.getRuntime().availableProcessors();
    for (int from = 0; from < tries.size(); from += batch) {
      List<List<Action>> some = tries.subList(from, Math.min(tries.size(), from + batch));
      Optional<List<Action>> held =
          some.parallelStream().filter(a -> trial(small, a, limit, 0).holds()).findFirst();
      if (held.isPresent()) {
        return held;
      }
    }
    return Optional.empty();
  }

  private static Advice trial(NightPlan plan, List<Action> actions, double limit, int untried) {
    NightResult night = NightSimulation.run(plan.withActions(actions));
    boolean holds = night.lowestCelsius() >= limit;
    return new Advice(
        actions,
        night.lowestCelsius(),
        holds,
        minutes(actions),
        holds ? Shortfall.Kind.NONE : Shortfall.of(plan, night).kind(),
        untried);
  }

  private static List<List<Action>> combinations(List<Action> standing, List<Option> options) {
    List<List<Action>> all = new ArrayList<>();
    all.add(standing);
    for (Option option : options) {
      List<List<Action>> more = new ArrayList<>(all);
      for (List<Action> before : all) {
        for (Action choice : option.choices()) {
          if (more.size() < MOST_TRIES) {
            more.add(Stream.concat(before.stream(), Stream.of(choice)).toList());
          }
        }
      }
      all = more;
    }
    return new ArrayList<>(all);
  }

  /** Work of a set of actions; minutes that a grower with everything at hand needs. */
  static double minutes(List<Action> actions) {
    double sum = 0;
    for (Action a : actions) {
      sum +=
          switch (a.kind()) {
            case SCREEN -> Labour.SCREEN;
            case LID_OFF -> Labour.LID;
            case PUMP -> Labour.PUMP;
            case ELEMENT -> 4 + (a.toSeconds() - a.fromSeconds()) / 3600 * 3; // scarce power
            case COVER -> Labour.COVER;
            case STUFF_GAPS -> Labour.GAPS;
            case FIRE -> Labour.LIGHT_FIRE + Labour.A_KILOGRAM_OF_WOOD * a.amount();
          };
    }
    return sum;
  }
}
