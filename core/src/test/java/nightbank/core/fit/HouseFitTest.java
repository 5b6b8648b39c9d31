package nightbank.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import nightbank.core.fit.LearnedHouse.NightLearned;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Skins;
import nightbank.core.weather.Weather;
import org.testng.annotations.Test;

/** Houses whose truth is known, logged by noisy thermometers in made-up weather. */
public class HouseFitTest {
  private static final int MOMENTS = 14 * 6 + 1;

  private static Greenhouse design() {
    return Greenhouse.of(List.of(Skins.part("glass", 60, 3.4, 0.5)), 70, 0.8, 2)
        .withMasses(List.of(new InnerMass(8e6, 220)))
        .withGaps(List.of(new Gap("door", 5, 0.003)))
        .withFloor(new Floor(25, 14, Floor.EDGE_BARE));
  }

  /** A night of the true house; the grower knows neither its start nor its cloud. */
  private static LoggedNight logged(Greenhouse truth, int i, Random dice, double noise) {
    return logged(truth, i, dice, noise, 1);
  }

  private static LoggedNight logged(
      Greenhouse truth, int i, Random dice, double noise, double gains) {
    double[] seconds = IntStream.range(0, 15).mapToDouble(h -> h * 3600.0).toArray();
    double low = -8 + 8 * dice.nextDouble();
    double windy = 0.5 + 5 * dice.nextDouble();
    double dull = dice.nextDouble();
    double[] out = IntStream.range(0, 15).mapToDouble(h -> low + 6 * Math.exp(-h / 4.0)).toArray();
    double[] wind = IntStream.range(0, 15).mapToDouble(h -> windy).toArray();
    double[] cloud = IntStream.range(0, 15).mapToDouble(h -> dull).toArray();
    double[] guess = IntStream.range(0, 15).mapToDouble(h -> 0.5).toArray();
    double[] sand = new double[MOMENTS];
    double[] water = new double[MOMENTS];
    for (int k = 0; k < MOMENTS; k++) {
      sand[k] = 500 * Math.exp(-k / 60.0);
      water[k] = 250;
    }
    double mass = 6 + 4 * dice.nextDouble();
    HouseModel model = new HouseModel(truth, mass, mass + 1.5 * dice.nextGaussian(), 8);
    HouseModel.Step now = new HouseModel.Step();
    Weather real = new Weather(seconds, out, wind, cloud);
    now.groundCelsius = 8;
    double[] air = new double[MOMENTS];
    air[0] = mass;
    double drift = 0;
    for (int k = 1; k < MOMENTS; k++) {
      double middle = (k - 0.5) * 600;
      now.outdoorCelsius = real.outdoorAt(middle);
      now.windMetresPerSecond = windy;
      now.skyCelsius = real.skyAt(middle);
      now.radiantWatts = HouseModel.RADIANT * gains * (sand[k] + water[k]);
      now.gainWatts = gains * (sand[k] + water[k]) - now.radiantWatts;
      model.step(600, now);
      drift = 0.9 * drift + 0.4 * noise * dice.nextGaussian();
      air[k] = model.airCelsius() + drift;
    }
    return new LoggedNight(
        "night " + i,
        new Weather(seconds, out, wind, guess),
        600,
        air,
        List.of(new LoggedNight.Gain("sand", sand), new LoggedNight.Gain("water", water)),
        mass,
        8);
  }

  private static List<LoggedNight> logged(Greenhouse truth, int count, long seed, double noise) {
    return logged(truth, count, seed, noise, 1);
  }

  /** Stores that gave so many times what they were judged to have given. */
  private static List<LoggedNight> logged(
      Greenhouse truth, int count, long seed, double noise, double gains) {
    Random dice = new Random(seed);
    return IntStream.range(0, count).mapToObj(i -> logged(truth, i, dice, noise, gains)).toList();
  }

  @Test
  public void fewerThanThreeNightsSayNothing() {
    assertThat(HouseFit.of(design(), logged(design(), 2, 1, 0.1))).isEmpty();
  }

  @Test
  public void theLossOfTheHouseIsInsideItsInterval() {
    int inside = 0;
    int sets = 40;
    double widest = 0;
    for (int s = 0; s < sets; s++) {
      Random dice = new Random(900 + s);
      Greenhouse truth =
          HouseFit.changed(
              design(),
              Math.exp(0.2 * dice.nextGaussian()),
              Math.exp(0.5 * dice.nextGaussian()),
              Math.exp(0.3 * dice.nextGaussian()));
      truth =
          truth.withFloor(new Floor(25 * Math.exp(0.3 * dice.nextGaussian()), 14, Floor.EDGE_BARE));
      double real = truth.lossCoefficient(2) / design().lossCoefficient(2);
      LearnedHouse learned =
          HouseFit.of(design(), logged(truth, 8, 70 + s, 0.3, Math.exp(0.18 * dice.nextGaussian())))
              .orElseThrow();
      inside += learned.loss().low() <= real && real <= learned.loss().high() ? 1 : 0;
      widest = Math.max(widest, learned.loss().halfLog());
    }
    assertThat(inside).as("of %d", sets).isBetween(36, sets);
    assertThat(widest).as("still worth saying").isLessThan(0.5);
  }

  @Test
  public void moreNightsNarrowTheInterval() {
    Greenhouse truth = HouseFit.changed(design(), 1.2, 1.4, 0.8);
    double few = HouseFit.of(design(), logged(truth, 5, 3, 0.3)).orElseThrow().loss().halfLog();
    double many = HouseFit.of(design(), logged(truth, 30, 3, 0.3)).orElseThrow().loss().halfLog();
    assertThat(many).isLessThan(0.8 * few);
  }

  @Test
  public void aNightWithTheDoorAjarStandsOutAndDoesNotColourTheOthers() {
    Greenhouse truth = HouseFit.changed(design(), 1.1, 1, 1);
    List<LoggedNight> nights = new ArrayList<>(logged(truth, 11, 5, 0.2));
    nights.set(4, logged(HouseFit.changed(truth, 1, 14, 1), 4, new Random(6), 0.2));
    LearnedHouse learned = HouseFit.of(design(), nights).orElseThrow();
    assertThat(learned.nights().stream().filter(NightLearned::unlike).map(NightLearned::id))
        .containsExactly("night 4");
    Greenhouse open = HouseFit.changed(truth, 1, 14, 1);
    double real = open.lossCoefficient(3) / truth.lossCoefficient(3);
    assertThat(learned.nights().get(4).lossTimes()).isBetween(0.7 * real, 1.4 * real);
    assertThat(learned.loss().value())
        .isCloseTo(truth.lossCoefficient(2) / design().lossCoefficient(2), within(0.12));
  }

  @Test
  public void withoutMassTheShareOfASourceIsItsPowerOverTheLoss() {
    Greenhouse bare =
        // nothing but draught: 150 W/K at 4 m/s
        Greenhouse.of(List.of(), 150 * 3600 / Greenhouse.AIR_HEAT / 10, 10, 2).withAirCapacity(1e3);
    double[] air = new double[25];
    double[] lamp = new double[25];
    double[] stove = new double[25];
    for (int k = 0; k < 25; k++) {
      lamp[k] = 300;
      stove[k] = 900;
      air[k] = -5 + 1200 / 150.0;
    }
    Weather still =
        new Weather(
            new double[] {0, 1}, new double[] {-5, -5}, new double[] {4, 4}, new double[] {1, 1});
    List<LoggedNight> nights =
        IntStream.range(0, 4)
            .mapToObj(
                i ->
                    new LoggedNight(
                        "n" + i,
                        still,
                        600,
                        air,
                        List.of(
                            new LoggedNight.Gain("lamp", lamp),
                            new LoggedNight.Gain("stove", stove)),
                        3,
                        3))
            .toList();
    LearnedHouse learned = HouseFit.of(bare, nights).orElseThrow();
    assertThat(learned.loss().value()).isCloseTo(1, within(0.01));
    NightLearned night = learned.nights().get(0);
    assertThat(night.shares().get(0).of()).isEqualTo("stove");
    assertThat(night.shares().get(0).kelvin()).isCloseTo(6, within(0.05));
    assertThat(night.shares().get(1).kelvin()).isCloseTo(2, within(0.05));
    assertThat(night.lowest() - night.lowestWithout()).isCloseTo(8, within(0.08));
  }

  @Test
  public void gapsInTheReadingsAreNoColdAir() {
    Greenhouse truth = HouseFit.changed(design(), 1.15, 1, 1);
    List<LoggedNight> whole = logged(truth, 8, 11, 0.1);
    List<LoggedNight> torn =
        whole.stream()
            .map(
                n -> {
                  double[] air = n.airCelsius().clone();
                  for (int k = 30; k < 50; k++) {
                    air[k] = Double.NaN;
                  }
                  return new LoggedNight(
                      n.id(), n.weather(), 600, air, n.gains(), n.massCelsius(), 8);
                })
            .toList();
    double a = HouseFit.of(design(), whole).orElseThrow().loss().value();
    double b = HouseFit.of(design(), torn).orElseThrow().loss().value();
    assertThat(b).isCloseTo(a, within(0.05));
  }
}
