package nightbank.core.retrofit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nightbank.core.forecast.Labour;
import nightbank.core.forecast.NightForecast;
import nightbank.core.sizing.Prices;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Share;
import nightbank.core.system.Control;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;

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
  public static final double STEP = 1800;

  private static final int MOST_PAIRS = 20;
  private static final int MOST_STEPS = 5;
  private static final int LOOKED_AT = 2; // of what might come next on the path
  private static final int MEMBERS_OF_PAIRS = 2;
  private static final double LITTLE = 0.05; // K
  private static final double FEWEST_HOURS = 0.25;
  private static final double TOGETHER = 3; // times what a pair has over its parts counts
  private static final double BLOWING = 8; // m/s, for which a bought heater is enough
  private static final double COLDEST = 60; // K over outdoors, the same

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
   * @param stop asked before every winter
   * @throws CancellationException when it was stopped
   */
  public static Ranking of(
      Question q, BiConsumer<Integer, Integer> progress, BooleanSupplier stop) {
    return new Search(q, progress, stop).run();
  }

  private static final class Search {
    private final Question q;
    private final List<SystemPlan> whole;
    private final List<Wintered> lived; // the whole winters
    private final List<SystemPlan> members;
    private final int tenth;
    private final Map<String, Retrofit> byId = new LinkedHashMap<>();
    private final Map<List<String>, List<Wintered>> known = new ConcurrentHashMap<>();
    private final BiConsumer<Integer, Integer> progress;
    private final BooleanSupplier stop;
    private final AtomicInteger done = new AtomicInteger();
    private int all = 100;

    Search(Question q, BiConsumer<Integer, Integer> progress, BooleanSupplier stop) {
      this.q = q;
      this.progress = progress;
      this.stop = stop;
      whole = each(MEMBERS, m -> HardDays.lit(drawn(m)));
      List<HardDays> hard = each(MEMBERS, m -> HardDays.of(whole.get(m)));
      lived = hard.stream().map(HardDays::whole).toList();
      members = hard.stream().map(h -> h.days().withStep(STEP)).toList();
      tenth = Math.max(1, nights(whole.get(0)) / 10);
      q.retrofits().apply(whole.get(0)).forEach(r -> byId.put(r.id(), r));
    }

    private SystemPlan drawn(int m) {
      SystemPlan plan = q.winters().get(m % q.winters().size()).small();
      return m == 0 ? plan : NightForecast.member(plan, q.doubt().ofTheHouseAlone(), m - 1);
    }

    private static int nights(SystemPlan winter) {
      return (int) Math.round(winter.lengthSeconds() / 86_400);
    }

    /** One for each of so many members, on all processors. */
    private <T> List<T> each(int members, IntFunction<T> of) {
      return IntStream.range(0, members)
          .parallel()
          .mapToObj(m -> counted(() -> of.apply(m)))
          .toList();
    }

    private <T> T counted(Supplier<T> work) {
      if (stop.getAsBoolean()) {
        throw new CancellationException();
      }
      T made = work.get();
      progress.accept(Math.min(all, done.incrementAndGet()), all);
      return made;
    }

    Ranking run() {
      int n = byId.size();
      int pairs = Math.min(MOST_PAIRS, n * (n - 1) / 2);
      all =
          MEMBERS * (4 + n + MOST_STEPS * LOOKED_AT)
              + MEMBERS_OF_PAIRS * pairs
              + (pairs == MOST_PAIRS ? n * (n + 1) / 2 : 0);
      List<List<String>> alone = byId.keySet().stream().map(List::of).toList();
      know(Stream.concat(Stream.of(List.<String>of()), alone.stream()).toList(), MEMBERS);
      List<List<String>> together = hopeful();
      know(together, MEMBERS_OF_PAIRS);
      List<Tried> singles = alone.stream().map(this::tried).sorted(best()).toList();
      List<Tried> helping =
          together.stream().filter(this::helpEachOther).map(this::tried).sorted(best()).toList();
      List<Step> path = path(singles);
      Base base = base();
      progress.accept(all, all);
      return new Ranking(
          List.copyOf(byId.values()),
          base,
          singles,
          helping,
          path,
          n * (n - 1) / 2 - together.size());
    }

    private static Comparator<Tried> best() {
      return Comparator.comparing(Tried::clear).thenComparingDouble(Tried::worth).reversed();
    }

    /** Simulates what is not known yet, by so many members. */
    private void know(List<List<String>> sets, int by) {
      List<List<String>> fresh =
          sets.stream().filter(s -> known.getOrDefault(s, List.of()).size() < by).toList();
      List<Wintered> found =
          IntStream.range(0, fresh.size() * by)
              .parallel()
              .mapToObj(
                  i -> counted(() -> Wintered.of(changed(members.get(i % by), fresh.get(i / by)))))
              .toList();
      for (int i = 0; i < fresh.size(); i++) {
        known.put(fresh.get(i), found.subList(i * by, (i + 1) * by));
      }
    }

    private SystemPlan changed(SystemPlan plan, List<String> set) {
      SystemPlan so = plan;
      for (String id : set) {
        so = retrofit(id).made().apply(so);
      }
      return so;
    }

    private List<Wintered> of(List<String> set) {
      return Objects.requireNonNull(known.get(set));
    }

    private Told over(List<String> set, ToDoubleFunction<Wintered> of) {
      return Told.of(of(set).stream().mapToDouble(of).toArray());
    }

    /** Member by member against another set. */
    private Told more(List<String> set, List<String> than, ToDoubleFunction<Wintered> of) {
      double[] d = new double[Math.min(of(set).size(), of(than).size())];
      for (int m = 0; m < d.length; m++) {
        d[m] = of.applyAsDouble(of(set).get(m)) - of.applyAsDouble(of(than).get(m));
      }
      return Told.of(d);
    }

    private Base base() {
      List<String> none = List.of();
      return new Base(
          nights(whole.get(0)),
          over(none, Wintered::lost),
          over(none, this::hardest),
          Told.of(lived.stream().mapToDouble(Wintered::fuelJoules).toArray()),
          Told.of(lived.stream().mapToDouble(Wintered::electricJoules).toArray()),
          told(each(MEMBERS, m -> (double) sketched(alone(whole.get(m))).lost())),
          told(each(MEMBERS, m -> sketched(heated(alone(whole.get(m)))).electricJoules())));
    }

    private static Wintered sketched(SystemPlan plan) {
      return Wintered.of(plan.withStep(HardDays.SKETCH));
    }

    private static Told told(List<Double> members) {
      return Told.of(members.stream().mapToDouble(x -> x).toArray());
    }

    private double hardest(Wintered w) {
      return w.coldest(tenth);
    }

    private static SystemPlan alone(SystemPlan p) {
      return p.withSystem(PlantSystem.of(p.house(), List.of()))
          .withActions(p.actions().stream().filter(a -> a.of().isBlank()).toList());
    }

    /** By a heater strong enough for any house, on a thermostat a kelvin over the limit. */
    private static SystemPlan heated(SystemPlan p) {
      double on = p.house().plantLimitCelsius() + 1;
      Control control = Control.free(new Guard.Thermostat(new Sensor.HouseAir(), on, on + 0.5));
      double watts = Math.min(1e6, p.house().lossCoefficient(BLOWING) * COLDEST);
      return p.withSystem(
          p.system()
              .withSources(
                  List.of(
                      new SystemSource(
                          "bought",
                          new ElectricHeat(Share.allToHouse(), watts, false),
                          control,
                          true))));
    }

    private Tried tried(List<String> set) {
      List<String> none = List.of();
      Told saved = more(none, set, Wintered::lost);
      Told minus = more(set, none, this::hardest);
      boolean clear = saved.isClear() || minus.isClear() && Math.abs(minus.middle()) > LITTLE;
      OptionalDouble money = money(set);
      double hours = hours(set);
      return new Tried(
          set,
          saved,
          minus,
          money,
          hours,
          more(set, none, Wintered::fuelJoules).middle(),
          more(set, none, Wintered::electricJoules).middle(),
          clear,
          worth(saved, minus, money, hours));
    }

    private OptionalDouble money(List<String> set) {
      double sum = 0;
      for (String id : set) {
        OptionalDouble one = retrofit(id).money(q.prices());
        if (one.isEmpty()) {
          return one;
        }
        sum += one.getAsDouble();
      }
      return OptionalDouble.of(sum);
    }

    /** Once, and over the first winter. */
    private double hours(List<String> set) {
      double once = set.stream().mapToDouble(id -> retrofit(id).hours()).sum();
      return once + (minutes(changed(whole.get(0), set)) - minutes(whole.get(0))) / 60;
    }

    private static double minutes(SystemPlan winter) {
      return winter.actions().stream().mapToDouble(a -> Labour.minutes(a, winter.system())).sum();
    }

    /** Nights for what it costs; where none can be saved, kelvins. */
    private double worth(Told saved, Told warmer, OptionalDouble money, double hours) {
      double cost = Math.max(FEWEST_HOURS, hours) * Math.max(1e-6, q.hourWorth()) + money.orElse(0);
      boolean losing = over(List.of(), Wintered::lost).middle() > 0;
      double brings = losing ? saved.middle() + 0.01 * warmer.middle() : warmer.middle();
      return brings / cost;
    }

    /** Whether a pair warms the hard nights by more than its parts do, or saves more of them. */
    private boolean helpEachOther(List<String> pair) {
      Tried both = tried(pair);
      double nights = 0;
      double kelvin = 0;
      for (String id : pair) {
        Tried one = tried(List.of(id));
        nights += Math.max(0, one.saved().middle());
        kelvin += Math.max(0, one.warmer().middle());
      }
      return both.clear()
          && (both.saved().middle() > nights + 0.5
              || both.warmer().middle() > 1.15 * kelvin + LITTLE);
    }

    /** Pairs that are worth a closer look, by one winter in steps of an hour. */
    private List<List<String>> hopeful() {
      List<List<String>> pairs = new ArrayList<>();
      List<String> ids = List.copyOf(byId.keySet());
      for (int i = 0; i < ids.size(); i++) {
        for (int k = i + 1; k < ids.size(); k++) {
          pairs.add(List.of(ids.get(i), ids.get(k)));
        }
      }
      if (pairs.size() <= MOST_PAIRS) {
        return pairs;
      }
      SystemPlan sketch = members.get(0).withStep(HardDays.SKETCH);
      double none = sketchedHardest(sketch, List.of());
      Map<String, Double> alone =
          ids.parallelStream()
              .collect(
                  Collectors.toMap(id -> id, id -> sketchedHardest(sketch, List.of(id)) - none));
      record Hope(List<String> pair, double kelvin) {}
      return pairs.parallelStream()
          .map(
              p -> {
                double both = sketchedHardest(sketch, p) - none;
                double more =
                    both
                        - Objects.requireNonNull(alone.get(p.get(0)))
                        - Objects.requireNonNull(alone.get(p.get(1)));
                return new Hope(p, both + TOGETHER * Math.max(0, more));
              })
          .sorted(Comparator.comparingDouble(Hope::kelvin).reversed())
          .limit(MOST_PAIRS)
          .map(Hope::pair)
          .toList();
    }

    private double sketchedHardest(SystemPlan plan, List<String> set) {
      return counted(() -> hardest(Wintered.of(changed(plan, set))));
    }

    private List<Step> path(List<Tried> singles) {
      List<Step> path = new ArrayList<>();
      List<String> taken = List.of();
      while (path.size() < MOST_STEPS && over(taken, Wintered::lost).middle() > 0.2) {
        List<String> before = taken;
        List<String> best = next(singles, before, false);
        best = best.isEmpty() ? next(singles, before, true) : best;
        if (best.isEmpty()) {
          break;
        }
        path.add(step(best, before));
        taken = best;
      }
      return path;
    }

    /** With what saves most for its cost after what was taken; empty where nothing does. */
    private List<String> next(List<Tried> singles, List<String> before, boolean givesUp) {
      List<List<String>> next =
          singles.stream()
              .filter(t -> t.worth() > 0 && !before.contains(t.ids().get(0)))
              .filter(t -> retrofit(t.ids().get(0)).kind().givesUp() == givesUp)
              .limit(LOOKED_AT)
              .map(t -> with(before, t.ids().get(0)))
              .toList();
      know(next, MEMBERS);
      return next.stream()
          .filter(s -> worthAfter(s, before) > 0)
          .max(Comparator.comparingDouble(s -> worthAfter(s, before)))
          .orElse(List.of());
    }

    private Retrofit retrofit(String id) {
      return Objects.requireNonNull(byId.get(id));
    }

    private static List<String> with(List<String> taken, String id) {
      return Stream.concat(taken.stream(), Stream.of(id)).toList();
    }

    private double worthAfter(List<String> set, List<String> before) {
      String id = set.get(set.size() - 1);
      return worth(
          more(before, set, Wintered::lost),
          more(set, before, this::hardest),
          money(List.of(id)),
          hours(List.of(id)));
    }

    private Step step(List<String> set, List<String> before) {
      String id = set.get(set.size() - 1);
      return new Step(
          id,
          over(set, Wintered::lost),
          more(before, set, Wintered::lost),
          more(set, before, this::hardest),
          money(List.of(id)),
          hours(List.of(id)));
    }
  }
}
