package nightbank.core.forecast;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.Optics;
import nightbank.core.house.SkinPart;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;
import nightbank.core.weather.Ground;
import nightbank.core.weather.Weather;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.random.SobolSequenceGenerator;

/**
 * One night with its certainty: an ensemble over the low, sky, wind, draught, skin, masses, soil,
 * dampness, store faces and material, and the start, drawn from a Sobol sequence, so that the same
 * question has the same answer.
 *
 * @param middle the night with every quantity at its best estimate
 * @param without the same night without stores
 * @param lowest of the members, coldest first, °C
 * @param lowestTenth lowest that nine members in ten stay above, °C
 * @param lowestMedian median of the members' lowest, °C
 * @param lowestNinetieth °C
 * @param chanceOfHolding share of members that stay above the plants' limit
 */
@RecordBuilder
public record NightForecast(
    SystemResult middle,
    SystemResult without,
    double[] lowest,
    double lowestTenth,
    double lowestMedian,
    double lowestNinetieth,
    double chanceOfHolding,
    double[] bandLow,
    double[] bandHigh,
    Verdict verdict) {

  /** How unsure a house is that no night has taught, ln: skin, draught, slow mass, soil. */
  public static final double SKIN = 0.2;

  public static final double LEAK = 0.6;
  public static final double MASS = 0.5;
  public static final double SOIL = 0.3;

  private static final double LOW_PER_HOUR = 0.025; // K, of a forecast's low by its lead
  private static final double MORE_PER_HOUR = 0.002; // of cloud share and ln wind

  /**
   * How unsure the inputs are, one standard deviation each; estimates, and told on screen.
   *
   * @param lowKelvin of the low
   * @param cloud share of the sky
   * @param windFactor ln of the wind at the house: forecast and shelter
   * @param skyFactor ln of how far the sky lies below the air
   * @param leakFactor ln
   * @param skinFactor ln
   * @param massFactor ln of inner masses
   * @param soilFactor ln of what the floor takes up and gives
   * @param wetFactor ln of the wet share of the floor, and of what wet film lets through
   * @param faceFactor ln of what the stores' faces let through
   * @param startKelvin of the stores' and the house's start
   * @param growing whether the weather's doubt grows with every hour, as over several days
   */
  @RecordBuilder
  public record Doubt(
      double lowKelvin,
      double cloud,
      double windFactor,
      double skyFactor,
      double leakFactor,
      double skinFactor,
      double massFactor,
      double soilFactor,
      double wetFactor,
      double faceFactor,
      double startKelvin,
      boolean growing) {
    private static final double SHELTER = 0.35;
    private static final double FACES = 0.3;
    private static final double WET = 0.6;

    /** A low that the grower types for the coming night. */
    public static Doubt ofTypedNight() {
      return described(1.2, 0.25, 0.4);
    }

    /** A forecast so many hours ahead. */
    public static Doubt ofForecast(double leadHours) {
      double lead = Math.max(0, leadHours);
      return described(
          1.1 + LOW_PER_HOUR * lead,
          Math.min(0.35, 0.18 + MORE_PER_HOUR * lead),
          0.35 + MORE_PER_HOUR * lead);
    }

    private static Doubt described(double low, double cloud, double wind) {
      return NightForecastDoubtBuilder.builder()
          .lowKelvin(low)
          .cloud(cloud)
          .windFactor(Math.hypot(wind, SHELTER))
          .skyFactor(Weather.SKY_UNSURE)
          .leakFactor(LEAK)
          .skinFactor(SKIN)
          .massFactor(MASS)
          .soilFactor(SOIL)
          .wetFactor(WET)
          .faceFactor(FACES)
          .startKelvin(1.0)
          .growing(false)
          .build();
    }

    /** The same of weather that is as it is: a winter that is over, or one made up. */
    public Doubt ofTheHouseAlone() {
      return NightForecastDoubtBuilder.builder(this)
          .lowKelvin(0)
          .cloud(0)
          .windFactor(SHELTER)
          .growing(false)
          .build();
    }

    /** The same with the weather's doubt growing from hour to hour. */
    public Doubt overDays() {
      return NightForecastDoubtBuilder.builder(this).growing(true).build();
    }

    /** As unsure of the start as readings so old leave one: 0.15 K more an hour, 8 K at most. */
    public Doubt withStartAged(double hours) {
      return NightForecastDoubtBuilder.builder(this)
          .startKelvin(startKelvin + Math.min(8, 0.15 * Math.max(0, hours)))
          .build();
    }

    /** As sure of the house as its nights have made it; never surer than of one not learned. */
    public Doubt withLearned(double skinSigma, double leakSigma, double massSigma) {
      return NightForecastDoubtBuilder.builder(this)
          .leakFactor(Math.min(LEAK, leakSigma))
          .skinFactor(Math.min(SKIN, skinSigma))
          .massFactor(Math.min(MASS, massSigma))
          .build();
    }
  }

  static final int DIMENSIONS = 14;

  public static NightForecast of(SystemPlan plan, Doubt doubt, int members) {
    SystemResult middle = SystemSimulation.run(plan);
    SystemResult without = SystemSimulation.run(plan.withoutStores());
    SystemPlan small = plan.small();
    List<SystemResult> runs =
        IntStream.range(0, members)
            .parallel()
            .mapToObj(i -> SystemSimulation.run(member(small, doubt, i)))
            .toList();
    double[] lowest = runs.stream().mapToDouble(SystemResult::lowestCelsius).sorted().toArray();
    double limit = plan.house().plantLimitCelsius();
    double chance = (double) Arrays.stream(lowest).filter(t -> t >= limit).count() / members;
    double tenth = quantile(lowest, 0.1);
    double median = quantile(lowest, 0.5);
    int points = middle.seconds().length;
    double[] low = new double[points];
    double[] high = new double[points];
    double[] column = new double[members];
    for (int k = 0; k < points; k++) {
      for (int i = 0; i < members; i++) {
        column[i] = runs.get(i).plants()[k];
      }
      Arrays.sort(column);
      low[k] = quantile(column, 0.1);
      high[k] = quantile(column, 0.9);
    }
    return NightForecastBuilder.builder()
        .middle(middle)
        .without(without)
        .lowest(lowest)
        .lowestTenth(tenth)
        .lowestMedian(median)
        .lowestNinetieth(quantile(lowest, 0.9))
        .chanceOfHolding(chance)
        .bandLow(low)
        .bandHigh(high)
        .verdict(judge(tenth, median, limit))
        .build();
  }

  /** Held when the 10 % worst stay above the limit, lost when the median falls below it. */
  public static Verdict judge(double lowestTenth, double lowestMedian, double limit) {
    if (lowestTenth >= limit) {
      return Verdict.HELD;
    }
    return lowestMedian < limit ? Verdict.LOST : Verdict.CLOSE;
  }

  /**
   * One member of the ensemble, always the same for the same number.
   *
   * @param number from 0 on
   */
  public static SystemPlan member(SystemPlan plan, Doubt doubt, int number) {
    SobolSequenceGenerator sobol = new SobolSequenceGenerator(DIMENSIONS);
    sobol.skipTo(64 + number);
    return vary(plan, doubt, sobol.nextVector());
  }

  /** One truth among those that it leaves open; the same seed draws the same. */
  public static SystemPlan drawn(SystemPlan plan, Doubt doubt, long seed) {
    return vary(plan, doubt, new SplittableRandom(seed).doubles(DIMENSIONS).toArray());
  }

  /**
   * One member.
   *
   * @param u numbers in 0 to 1, one for each thing that is unsure
   */
  static SystemPlan vary(SystemPlan plan, Doubt doubt, double[] u) {
    NormalDistribution normal = new NormalDistribution();
    double[] z =
        Arrays.stream(u)
            .map(x -> normal.inverseCumulativeProbability(Math.min(0.999, Math.max(0.001, x))))
            .toArray();
    double start = z[7] * doubt.startKelvin();
    PlantSystem system = plan.system();
    PlantSystem varied =
        system
            .withHouse(house(plan.house(), doubt, z))
            .withStores(system.stores().stream().map(s -> vary(s, doubt, z, start)).toList());
    return plan.withSystem(varied)
        .withWeather(weather(plan.weather(), doubt, z))
        .startingAt(
            plan.airCelsius(),
            plan.massCelsius() + start / 2,
            plan.groundCelsius() + z[13] * Ground.UNSURE / 2);
  }

  private static Weather weather(Weather w, Doubt doubt, double[] z) {
    double end = w.seconds()[w.seconds().length - 1];
    double[] out = new double[w.seconds().length];
    double[] cloud = new double[out.length];
    double[] wind = new double[out.length];
    for (int i = 0; i < out.length; i++) {
      double second = w.seconds()[i];
      double lead = doubt.growing() ? Math.max(0, second / 3600) : 0;
      // the doubt grows over the first six hours: the evening is known, the low is not
      double grown = Math.min(1, second / Math.min(6 * 3600.0, Math.max(1, end)));
      double low = doubt.lowKelvin() + LOW_PER_HOUR * lead;
      double sky = doubt.cloud() + MORE_PER_HOUR * lead;
      double windy = doubt.windFactor() + MORE_PER_HOUR * lead;
      out[i] = w.outdoorCelsius()[i] + z[0] * low * grown;
      cloud[i] = Math.min(1, Math.max(0, w.cloud()[i] + z[1] * Math.min(0.35, sky)));
      wind[i] = w.windMetresPerSecond()[i] * Math.exp(z[2] * windy);
    }
    return new Weather(
        w.seconds(),
        out,
        wind,
        cloud,
        w.dewPointCelsius(),
        w.skyFactor() * Math.exp(z[8] * doubt.skyFactor()));
  }

  private static Greenhouse house(Greenhouse as, Doubt doubt, double[] z) {
    double wetter = Math.exp(z[11] * doubt.wetFactor());
    Greenhouse house =
        as.scaled(
                Math.min(as.mostSkinFactor(), Math.exp(z[4] * doubt.skinFactor())),
                Math.min(as.mostLeakFactor(), Math.exp(z[3] * doubt.leakFactor())))
            .heavier(Math.exp(z[9] * doubt.massFactor()))
            .withWetShare(Math.min(1, as.wetShare() * wetter));
    house = house.changed(p -> wetFilm(p, Math.exp(-z[11] * doubt.wetFactor())), 1);
    return house.floor().isEmpty()
        ? house
        : house.withFloor(house.floor().get().giving(Math.exp(z[10] * doubt.soilFactor())));
  }

  /** Wet film that lets so many times as much through. */
  private static SkinPart wetFilm(SkinPart part, double factor) {
    Optics wet = part.wet();
    if (part.dry().through() < 0.1) {
      return part;
    }
    double through = Math.min(part.dry().through(), wet.through() * factor);
    return part.shining(
        part.dry(),
        new Optics(
            through,
            Math.min(1 - through, wet.emissivityIn()),
            Math.min(1 - through, wet.emissivityOut())));
  }

  private static SystemStore vary(SystemStore s, Doubt doubt, double[] z, double start) {
    var medium = s.store().medium();
    double spread = medium.conductivity().relativeSpread() / 2;
    double heavy = medium.density().relativeSpread() / 2;
    var varied =
        s.store()
            .scaled(Math.exp(z[6] * heavy), Math.exp(z[5] * spread))
            .withFacesTimes(Math.exp(z[12] * doubt.faceFactor()));
    return s.with(varied, s.start().shifted(start));
  }

  /** Lowest that so large a share of the members stays below, °C. */
  public double lowestBelow(double share) {
    return quantile(lowest, share);
  }

  static double quantile(double[] sorted, double share) {
    double at = share * (sorted.length - 1);
    int low = (int) Math.floor(at);
    int high = Math.min(low + 1, sorted.length - 1);
    return sorted[low] + (sorted[high] - sorted[low]) * (at - low);
  }
}
