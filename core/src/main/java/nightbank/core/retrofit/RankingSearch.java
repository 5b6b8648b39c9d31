package nightbank.core.retrofit;

import java.util.ArrayList;
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
import java.util.function.IntFunction;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nightbank.core.forecast.Labour;
import nightbank.core.forecast.NightForecast;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Share;
import nightbank.core.store.model.StoreModel;
import nightbank.core.system.Control;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;

/** Goes through the winters of a {@link Ranking}: each change alone, pairs, then the path. */
final class RankingSearch {
  private static final int MOST_PAIRS = 20;
  private static final int MOST_STEPS = 5;
  private static final int LOOKED_AT = 2; // of what might come next on the path
  private static final int FIRST_MEMBERS = 2; // of each change alone
  private static final int MEMBERS_OF_PAIRS = 2;
  private static final double DAY = 86_400;
  private static final double BEGUN = 0.1; // of the work: the winters as they are
  private static final int OF = 1000;
  private static final double LITTLE = 0.05; // K
  private static final double FEWEST_HOURS = 0.25;
  private static final double TOGETHER = 3; // times what a pair has over its parts counts
  private static final double BLOWING = 8; // m/s, for which a bought heater is enough
  private static final double COLDEST = 60; // K over outdoors, the same

  private final Ranking.Question q;
  private final List<SystemPlan> whole;
  private final List<Wintered> lived; // the whole winters
  private final List<SystemPlan> members;
  private final SystemPlan hardestNights; // of the first member
  private final int tenth;
  private final Map<String, Retrofit> byId = new LinkedHashMap<>();
  private final Map<List<String>, List<Wintered>> known = new ConcurrentHashMap<>();
  private final BiConsumer<Integer, Integer> progress;
  private final BooleanSupplier stop;
  private volatile Going going;

  RankingSearch(Ranking.Question q, BiConsumer<Integer, Integer> progress, BooleanSupplier stop) {
    this.q = q;
    this.progress = progress;
    this.stop = stop;
    double days = q.winters().get(0).lengthSeconds() / DAY;
    going = new Going(0, BEGUN, 2 * Ranking.MEMBERS * days);
    whole = each(m -> HardDays.lit(drawn(m), this::look));
    List<HardDays> hard = each(m -> HardDays.of(whole.get(m), this::look));
    lived = hard.stream().map(HardDays::whole).toList();
    members = hard.stream().map(HardDays::days).toList();
    hardestNights = hard.get(0).fewest();
    tenth = Math.max(1, nights(whole.get(0)) / 10);
    q.retrofits().apply(whole.get(0)).forEach(r -> byId.put(r.id(), r));
  }

  private SystemPlan drawn(int m) {
    SystemPlan plan = Ranking.coarse(q.winters().get(m % q.winters().size()));
    return m == 0 ? plan : NightForecast.member(plan, q.doubt().ofTheHouseAlone(), m - 1);
  }

  private static int nights(SystemPlan winter) {
    return (int) Math.round(winter.lengthSeconds() / DAY);
  }

  /** One for every member, on all processors. */
  private <T> List<T> each(IntFunction<T> of) {
    return IntStream.range(0, Ranking.MEMBERS).parallel().mapToObj(of).toList();
  }

  /** What is done of a part of the work, in days gone through. */
  private static final class Going {
    final double from;
    final double to;
    final double days;
    final AtomicInteger gone = new AtomicInteger();

    Going(double from, double to, double days) {
      this.from = from;
      this.to = to;
      this.days = days;
    }

    int told() {
      double share = Math.min(1, gone.incrementAndGet() / Math.max(1, days));
      return (int) (OF * (from + (to - from) * share));
    }
  }

  /** At every moment of a winter that is kept; from midnight to midnight it is told. */
  private void look(double second, List<StoreModel> stores) {
    if (second > 0 && second % DAY < 1) {
      if (stop.getAsBoolean()) {
        throw new CancellationException();
      }
      progress.accept(going.told(), OF);
    }
  }

  Ranking run() {
    int n = byId.size();
    int pairs = Math.min(MOST_PAIRS, n * (n - 1) / 2);
    going =
        new Going(
            BEGUN,
            1,
            members.stream().mapToDouble(RankingSearch::nights).sum()
                    / Ranking.MEMBERS
                    * (Ranking.MEMBERS * (1 + n + MOST_STEPS)
                        + MEMBERS_OF_PAIRS * (pairs + MOST_STEPS * (LOOKED_AT - 1)))
                + nights(hardestNights) * (pairs == MOST_PAIRS ? n * (n + 1) / 2 : 0)
                + nights(whole.get(0)) * 2 * Ranking.MEMBERS);
    List<List<String>> alone = byId.keySet().stream().map(List::of).toList();
    know(Stream.concat(Stream.of(List.<String>of()), alone.stream()).toList(), FIRST_MEMBERS);
    know(List.of(List.of()), Ranking.MEMBERS);
    know(alone.stream().filter(this::doesSomething).toList(), Ranking.MEMBERS);
    List<List<String>> together = hopeful();
    know(together, MEMBERS_OF_PAIRS);
    List<Ranking.Tried> singles = alone.stream().map(this::tried).sorted(best()).toList();
    List<Ranking.Tried> helping =
        together.stream().filter(this::helpEachOther).map(this::tried).sorted(best()).toList();
    List<Ranking.Step> path = path(singles);
    Ranking.Base base = base();
    progress.accept(OF, OF);
    return new Ranking(
        List.copyOf(byId.values()),
        base,
        singles,
        helping,
        path,
        n * (n - 1) / 2 - together.size());
  }

  private static Comparator<Ranking.Tried> best() {
    return Comparator.comparing(Ranking.Tried::clear)
        .thenComparingDouble(Ranking.Tried::worth)
        .reversed();
  }

  /** Simulates what is not known yet, by so many members. */
  private void know(List<List<String>> sets, int by) {
    record Run(List<String> set, int member) {}
    List<Run> runs =
        sets.stream()
            .flatMap(
                s ->
                    IntStream.range(known.getOrDefault(s, List.of()).size(), by)
                        .mapToObj(m -> new Run(s, m)))
            .toList();
    List<Wintered> found =
        runs.parallelStream()
            .map(r -> Wintered.of(changed(members.get(r.member()), r.set()), this::look))
            .toList();
    for (int i = 0; i < runs.size(); i++) {
      known.merge(
          runs.get(i).set(),
          List.of(found.get(i)),
          (had, more) -> Stream.concat(had.stream(), more.stream()).toList());
    }
  }

  /** What changes next to nothing in the first winters is left at them. */
  private boolean doesSomething(List<String> set) {
    Ranking.Told saved = more(List.of(), set, Wintered::lost);
    Ranking.Told warmer = more(set, List.of(), this::hardest);
    return saved.low() < 0
        || saved.high() > 0
        || Math.max(Math.abs(warmer.low()), Math.abs(warmer.high())) > LITTLE;
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

  private Ranking.Told over(List<String> set, ToDoubleFunction<Wintered> of) {
    return Ranking.Told.of(of(set).stream().mapToDouble(of).toArray());
  }

  /** Member by member against another set. */
  private Ranking.Told more(List<String> set, List<String> than, ToDoubleFunction<Wintered> of) {
    double[] d = new double[Math.min(of(set).size(), of(than).size())];
    for (int m = 0; m < d.length; m++) {
      d[m] = of.applyAsDouble(of(set).get(m)) - of.applyAsDouble(of(than).get(m));
    }
    return Ranking.Told.of(d);
  }

  private Ranking.Base base() {
    List<String> none = List.of();
    return new Ranking.Base(
        nights(whole.get(0)),
        over(none, Wintered::lost),
        over(none, this::hardest),
        Ranking.Told.of(lived.stream().mapToDouble(Wintered::fuelJoules).toArray()),
        Ranking.Told.of(lived.stream().mapToDouble(Wintered::electricJoules).toArray()),
        told(each(m -> (double) Wintered.of(alone(whole.get(m)), this::look).lost())),
        told(each(m -> Wintered.of(heated(alone(whole.get(m))), this::look).electricJoules())));
  }

  private static Ranking.Told told(List<Double> members) {
    return Ranking.Told.of(members.stream().mapToDouble(x -> x).toArray());
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

  private Ranking.Tried tried(List<String> set) {
    List<String> none = List.of();
    Ranking.Told saved = more(none, set, Wintered::lost);
    Ranking.Told minus = more(set, none, this::hardest);
    boolean clear = saved.isClear() || minus.isClear() && Math.abs(minus.middle()) > LITTLE;
    OptionalDouble money = money(set);
    double hours = hours(set);
    return new Ranking.Tried(
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
  private double worth(
      Ranking.Told saved, Ranking.Told warmer, OptionalDouble money, double hours) {
    double cost = Math.max(FEWEST_HOURS, hours) * Math.max(1e-6, q.hourWorth()) + money.orElse(0);
    boolean losing = over(List.of(), Wintered::lost).middle() > 0;
    double brings = losing ? saved.middle() + 0.01 * warmer.middle() : warmer.middle();
    return brings / cost;
  }

  /**
   * Whether a pair warms the hard nights by more than its parts do, or saves more of them, in the
   * winters that it went through.
   */
  private boolean helpEachOther(List<String> pair) {
    Ranking.Tried both = tried(pair);
    double nights = 0;
    double kelvin = 0;
    for (String id : pair) {
      List<Wintered> one = of(List.of(id)).subList(0, MEMBERS_OF_PAIRS);
      nights += Math.max(0, -mean(one, Wintered::lost));
      kelvin += Math.max(0, mean(one, this::hardest));
    }
    return both.clear()
        && (both.saved().middle() > nights + 0.5
            || both.warmer().middle() > 1.15 * kelvin + LITTLE);
  }

  /** Mean over the first winters of what is more than in the place as it is. */
  private double mean(List<Wintered> some, ToDoubleFunction<Wintered> of) {
    List<Wintered> none = of(List.of());
    return IntStream.range(0, some.size())
        .mapToDouble(m -> of.applyAsDouble(some.get(m)) - of.applyAsDouble(none.get(m)))
        .average()
        .orElseThrow();
  }

  /** Pairs that are worth a closer look, by the hardest nights of one winter. */
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
    double none = sketchedHardest(List.of());
    Map<String, Double> alone =
        ids.parallelStream()
            .collect(Collectors.toMap(id -> id, id -> sketchedHardest(List.of(id)) - none));
    record Hope(List<String> pair, double kelvin) {}
    return pairs.parallelStream()
        .map(
            p -> {
              double both = sketchedHardest(p) - none;
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

  private double sketchedHardest(List<String> set) {
    return Wintered.of(changed(hardestNights, set), this::look).coldest(HardDays.FEWEST);
  }

  private List<Ranking.Step> path(List<Ranking.Tried> singles) {
    List<Ranking.Step> path = new ArrayList<>();
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
  private List<String> next(List<Ranking.Tried> singles, List<String> before, boolean givesUp) {
    List<List<String>> next =
        singles.stream()
            .filter(t -> t.worth() > 0 && !before.contains(t.ids().get(0)))
            .filter(t -> retrofit(t.ids().get(0)).kind().givesUp() == givesUp)
            .limit(LOOKED_AT)
            .map(t -> with(before, t.ids().get(0)))
            .toList();
    know(next, MEMBERS_OF_PAIRS);
    List<String> best =
        next.stream()
            .filter(s -> worthAfter(s, before) > 0)
            .max(Comparator.comparingDouble(s -> worthAfter(s, before)))
            .orElse(List.of());
    know(List.of(best), Ranking.MEMBERS);
    return best;
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

  private Ranking.Step step(List<String> set, List<String> before) {
    String id = set.get(set.size() - 1);
    return new Ranking.Step(
        id,
        over(set, Wintered::lost),
        more(before, set, Wintered::lost),
        more(set, before, this::hardest),
        money(List.of(id)),
        hours(List.of(id)));
  }
}
