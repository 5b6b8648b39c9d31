package nightbank.core.trial;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * Runs set beside each other to learn what one change did, brought to the same start: their
 * cool-downs are carried along one exponential each from the same excess over the same air for the
 * same hours.
 *
 * <p>Half-widths are 95 %. A side of several runs takes the wider of what its fits say and what its
 * runs differ by. Neglects that loss grows with temperature: runs that began far apart are named as
 * such in {@link #differed()}.
 *
 * @param common start, air and hours that all sides are brought to; absent when no side cooled
 *     enough
 * @param differences of each later side from the first
 * @param differed what was not alike besides the change that was meant
 */
public record Trial(
    Optional<Common> common,
    List<Side> sides,
    List<Difference> differences,
    List<Differed> differed) {
  /** Of two common digital probes, one in the mass and one in the air, K (95 %, estimate). */
  private static final double OFFSET = 0.5;

  private static final double ALIKE = 0.10; // a loss less than a tenth apart is no change worth it

  /**
   * What one arrangement run twice differs by through draught and moisture, of its loss (95 %,
   * estimate).
   */
  private static final double AGAIN = 0.03;

  /**
   * One run with what is known of its surroundings.
   *
   * @param side what was changed, as the grower names it; runs of one name are one side
   * @param mass which mass it was run on: of one mass the doubt of its heat capacity cancels
   * @param cooling empty where the run tells none
   * @param windMetresPerSecond mean over the run, NaN when nobody knows
   * @param openings doors and vents opened
   * @param wettings times that water was added
   * @param liftings times that the lid was touched
   */
  public record Entry(
      String side,
      String mass,
      Optional<Cooling> cooling,
      double windMetresPerSecond,
      int openings,
      int wettings,
      int liftings) {}

  /** What all sides are brought to. */
  public record Common(double excessKelvin, double airCelsius, double seconds) {
    double reading(double logTau) {
      return airCelsius + excessKelvin * Math.exp(-seconds / Math.exp(logTau));
    }
  }

  /**
   * One side of a trial.
   *
   * @param fair absent when none of its runs tells anything
   */
  public record Side(String name, List<Integer> runs, Optional<Fair> fair) {}

  /**
   * One side as brought to the common start.
   *
   * @param logTau ln of the time constant in s, with its half-width
   * @param lossCoefficient W/K
   * @param readingCelsius mean at the end of the common hours, with its interval
   */
  public record Fair(
      double logTau,
      double logTauHalf,
      double lossCoefficient,
      double lossLow,
      double lossHigh,
      double readingCelsius,
      double readingLow,
      double readingHigh) {
    public double halfLifeSeconds() {
      return Math.exp(logTau) * Math.log(2);
    }
  }

  /** What the change did. */
  public enum Word {
    LOSES_LESS,
    LOSES_MORE,
    ALIKE,
    CANNOT_TELL
  }

  /**
   * A side against the first.
   *
   * @param ratio of its loss coefficient to the first's, with its interval
   * @param readingKelvin by how much warmer it would read at the end, with its interval
   */
  public record Difference(
      String side,
      Word word,
      double ratio,
      double ratioLow,
      double ratioHigh,
      double readingKelvin,
      double readingLow,
      double readingHigh) {}

  /** Something else that was not alike, by its means of the first side and another. */
  public record Differed(What what, String side, double first, double other) {
    /** What was not alike. */
    public enum What {
      START_EXCESS,
      AIR,
      AIR_SWING,
      HOURS,
      WIND,
      OPENINGS,
      WETTINGS,
      LIFTINGS,
      MASS
    }
  }

  private record Cooled(Entry entry, Cooling down) {
    static Optional<Cooled> of(Entry e) {
      return e.cooling().map(c -> new Cooled(e, c));
    }
  }

  private record Pool(String name, List<Cooled> runs, double logTau, double statistic) {
    static Pool of(String name, List<Cooled> runs) {
      double weights = 0;
      double sum = 0;
      for (Cooled c : runs) {
        double w = 1 / Math.max(1e-8, c.down.logHalf() * c.down.logHalf());
        weights += w;
        sum += w * c.down.logTau();
      }
      double mean = sum / weights;
      double half = Math.hypot(Math.sqrt(1 / weights), AGAIN / Math.sqrt(runs.size()));
      int n = runs.size();
      if (n > 1) {
        double square = 0;
        for (Cooled c : runs) {
          square += (c.down.logTau() - mean) * (c.down.logTau() - mean);
        }
        double t = new TDistribution(n - 1).inverseCumulativeProbability(0.975);
        half = Math.max(half, t * Math.sqrt(square / (n - 1) / n));
      }
      return new Pool(name, runs, mean, half);
    }

    double mean(java.util.function.ToDoubleFunction<Cooled> of) {
      return runs.stream().mapToDouble(of).average().orElseThrow();
    }

    double offsetHalf() {
      return OFFSET / mean(c -> c.down.meanExcess());
    }

    boolean sameMassAs(Pool other) {
      String mass = runs.get(0).entry.mass();
      return runs.stream().allMatch(c -> c.entry.mass().equals(mass))
          && other.runs.stream().allMatch(c -> c.entry.mass().equals(mass));
    }

    double logLoss() {
      return mean(c -> Math.log(c.down.capacity())) - logTau;
    }
  }

  /**
   * Compares.
   *
   * @param entries of two sides at least; the first entry's side is what the others are held
   *     against
   * @param hours to carry all to, s; NaN for as long as the shortest was followed
   */
  public static Trial compare(List<Entry> entries, double hours) {
    Map<String, List<Integer>> order = new LinkedHashMap<>();
    for (int i = 0; i < entries.size(); i++) {
      order.computeIfAbsent(entries.get(i).side(), k -> new ArrayList<>()).add(i);
    }
    if (order.size() < 2) {
      throw new IllegalArgumentException("a trial needs two sides at least, had " + order.size());
    }
    Map<String, Pool> pools = new LinkedHashMap<>();
    order.forEach(
        (side, at) -> {
          List<Cooled> cooled =
              at.stream().flatMap(i -> Cooled.of(entries.get(i)).stream()).toList();
          if (!cooled.isEmpty()) {
            pools.put(side, Pool.of(side, cooled));
          }
        });
    Optional<Common> common = common(pools.values().stream().toList(), hours);
    List<Side> sides =
        order.entrySet().stream()
            .map(
                e ->
                    new Side(
                        e.getKey(),
                        e.getValue(),
                        common.flatMap(
                            c ->
                                Optional.ofNullable(pools.get(e.getKey()))
                                    .map(pool -> fair(pool, c)))))
            .toList();
    Pool first = pools.get(sides.get(0).name());
    List<Difference> differences = new ArrayList<>();
    List<Differed> differed = new ArrayList<>();
    for (Side s : sides.subList(1, sides.size())) {
      Pool other = pools.get(s.name());
      if (first == null || other == null) {
        double nan = Double.NaN;
        differences.add(new Difference(s.name(), Word.CANNOT_TELL, nan, nan, nan, nan, nan, nan));
      } else {
        differences.add(difference(first, other, common.orElseThrow()));
        differed(first, other, differed);
      }
    }
    return new Trial(common, sides, differences, differed);
  }

  private static Optional<Common> common(List<Pool> pools, double hours) {
    List<Cooled> all = pools.stream().flatMap(p -> p.runs.stream()).toList();
    if (all.isEmpty()) {
      return Optional.empty();
    }
    List<Double> starts =
        all.stream().map(c -> c.down.start()).sorted(Comparator.naturalOrder()).toList();
    double air = all.stream().mapToDouble(c -> c.down.air()).average().orElseThrow();
    double shortest = all.stream().mapToDouble(c -> c.down.seconds()).min().orElseThrow();
    return Optional.of(
        new Common(starts.get(starts.size() / 2), air, Double.isNaN(hours) ? shortest : hours));
  }

  private static Fair fair(Pool p, Common c) {
    double half = Math.hypot(p.statistic, p.offsetHalf());
    double loss = Math.exp(p.logLoss());
    double lossHalf = Math.hypot(half, p.mean(r -> r.down.materialHalf()));
    return new Fair(
        p.logTau,
        half,
        loss,
        loss * Math.exp(-lossHalf),
        loss * Math.exp(lossHalf),
        c.reading(p.logTau),
        c.reading(p.logTau - half),
        c.reading(p.logTau + half));
  }

  private static Difference difference(Pool first, Pool other, Common c) {
    boolean same = first.sameMassAs(other);
    double fits = Math.hypot(first.statistic, other.statistic);
    double offset =
        same
            ? Math.abs(first.offsetHalf() - other.offsetHalf())
            : Math.hypot(first.offsetHalf(), other.offsetHalf());
    double apart = Math.hypot(fits, offset);
    double material =
        same
            ? 0
            : Math.hypot(
                first.mean(r -> r.down.materialHalf()), other.mean(r -> r.down.materialHalf()));
    double log = other.logLoss() - first.logLoss();
    double half = Math.hypot(apart, material);
    Word word;
    if (log - half > 0) {
      word = Word.LOSES_MORE;
    } else if (log + half < 0) {
      word = Word.LOSES_LESS;
    } else {
      word =
          Math.max(Math.abs(log - half), Math.abs(log + half)) < ALIKE
              ? Word.ALIKE
              : Word.CANNOT_TELL;
    }
    double a = c.reading(first.logTau);
    double warmer = c.reading(other.logTau) - a;
    return new Difference(
        other.name,
        word,
        Math.exp(log),
        Math.exp(log - half),
        Math.exp(log + half),
        warmer,
        c.reading(other.logTau - apart) - a,
        c.reading(other.logTau + apart) - a);
  }

  private static void differed(Pool a, Pool b, List<Differed> into) {
    ratio(Differed.What.START_EXCESS, a, b, c -> c.down.start(), 1.2, into);
    ratio(Differed.What.HOURS, a, b, c -> c.down.seconds() / 3600, 1.5, into);
    gap(Differed.What.AIR, a, b, c -> c.down.air(), 3, into);
    gap(Differed.What.AIR_SWING, a, b, c -> c.down.swing(), 5, into);
    gap(Differed.What.WIND, a, b, c -> c.entry.windMetresPerSecond(), 2, into);
    gap(Differed.What.OPENINGS, a, b, c -> c.entry.openings(), 0.5, into);
    gap(Differed.What.WETTINGS, a, b, c -> c.entry.wettings(), 0.5, into);
    gap(Differed.What.LIFTINGS, a, b, c -> c.entry.liftings(), 0.5, into);
    if (!a.sameMassAs(b)) {
      into.add(
          new Differed(
              Differed.What.MASS,
              b.name,
              a.mean(c -> c.down.capacity()),
              b.mean(c -> c.down.capacity())));
    }
  }

  private static void ratio(
      Differed.What what,
      Pool a,
      Pool b,
      java.util.function.ToDoubleFunction<Cooled> of,
      double most,
      List<Differed> into) {
    double first = a.mean(of);
    double other = b.mean(of);
    if (Math.max(first, other) > most * Math.max(1e-9, Math.min(first, other))) {
      into.add(new Differed(what, b.name, first, other));
    }
  }

  private static void gap(
      Differed.What what,
      Pool a,
      Pool b,
      java.util.function.ToDoubleFunction<Cooled> of,
      double most,
      List<Differed> into) {
    double first = a.mean(of);
    double other = b.mean(of);
    if (Math.abs(first - other) > most) {
      into.add(new Differed(what, b.name, first, other));
    }
  }

  /**
   * A side's cool-down from the common start.
   *
   * @param bound -1 for the lower end of its interval, 0 for the middle, 1 for the upper
   * @return °C at the seconds asked for
   */
  public List<Double> curve(Fair side, List<Double> seconds, int bound) {
    Common c = common.orElseThrow();
    double tau = Math.exp(side.logTau() + bound * side.logTauHalf());
    return seconds.stream()
        .map(s -> c.airCelsius() + c.excessKelvin() * Math.exp(-s / tau))
        .toList();
  }

  /**
   * A run's mean as it would have read from the common start: what it missed of its own fit, scaled
   * by the start, on the common curve; thinned.
   *
   * @return pairs of seconds after the start and °C; none where the run tells nothing
   */
  public List<double[]> dots(Entry e) {
    List<double[]> dots = new ArrayList<>();
    Optional<Cooled> cooled = Cooled.of(e);
    if (cooled.isEmpty() || common.isEmpty()) {
      return dots;
    }
    Cooling c = cooled.get().down;
    Common to = common.get();
    double scale = to.excessKelvin / Math.max(1, c.start());
    for (double[] m : c.missed()) {
      if (m[0] <= to.seconds) {
        double common =
            to.airCelsius + to.excessKelvin * Math.exp(-m[0] / c.timeConstant().value());
        dots.add(new double[] {m[0], common + scale * m[1]});
      }
    }
    return dots;
  }
}
