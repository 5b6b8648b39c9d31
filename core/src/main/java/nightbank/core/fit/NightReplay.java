package nightbank.core.fit;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.house.Floor;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;

/** Logged nights of a house followed again by its model, with factors on what it is. */
final class NightReplay {
  /** Factors that all nights share: skin, draught, slow mass. */
  static final int SHARED = 3;

  private static final double SAMPLE = 1800; // s between residuals
  private static final double BOUND = 4; // of any log, where the house's own limits are wider

  private final Greenhouse house;
  private final List<LoggedNight> nights;
  private final int[] every;
  private final double mostSkin;
  private final double mostLeak;

  NightReplay(Greenhouse house, List<LoggedNight> nights) {
    this.house = house;
    this.nights = nights;
    every = nights.stream().mapToInt(n -> (int) Math.max(1, SAMPLE / n.stepSeconds())).toArray();
    mostSkin = Math.min(BOUND, Math.log(house.mostSkinFactor()));
    mostLeak = Math.min(BOUND, Math.log(house.mostLeakFactor()));
  }

  /** A point's shared factors held within what the house can be. */
  void hold(double[] point) {
    point[0] = held(point[0], mostSkin);
    point[1] = held(point[1], mostLeak);
    point[2] = held(point[2], BOUND);
  }

  int samples(int i) {
    return (nights.get(i).airCelsius().length - 1) / every[i];
  }

  /** Model less reading, K times the weight, at samples half an hour apart. */
  double[] residuals(int i, double[] log, double weight) {
    LoggedNight night = nights.get(i);
    double[] air = simulate(night, log, "", 1);
    double[] r = new double[samples(i)];
    for (int k = 0; k < r.length; k++) {
      int at = (k + 1) * every[i];
      double read = night.airCelsius()[at];
      r[k] = Double.isNaN(read) ? 0 : (air[at] - read) * weight;
    }
    return r;
  }

  /** Root mean square of every night, K. */
  double[] scatters(double[] point) {
    return IntStream.range(0, nights.size())
        .parallel()
        .mapToDouble(
            i -> scatter(residuals(i, logs(point[0], point[1], point[2], point[SHARED + i]), 1)))
        .toArray();
  }

  static double scatter(double[] residuals) {
    double sum = Arrays.stream(residuals).map(r -> r * r).sum();
    return Math.max(1e-6, Math.sqrt(sum / Math.max(1, residuals.length)));
  }

  /** Factors on skin, draught and mass, where the mass began, and what is taken as given. */
  static double[] logs(double skin, double leak, double mass, double start) {
    return new double[] {skin, leak, mass, start, 0, 0, 0};
  }

  /**
   * Inside air at every moment of the night.
   *
   * @param log see {@link #logs}
   * @param without a source to leave out, blank for none
   * @param times of every gain
   */
  double[] simulate(LoggedNight night, double[] log, String without, double times) {
    Greenhouse changed =
        HouseFit.changed(
            house,
            Math.exp(held(log[0], mostSkin)),
            Math.exp(held(log[1], mostLeak)),
            Math.exp(held(log[2], BOUND)));
    double soil = Math.exp(log[SHARED + 3]);
    if (log[SHARED + 3] != 0 && house.floor().isPresent()) {
      Floor f = house.floor().get();
      changed = changed.withFloor(f.giving(soil));
    }
    double sky = Math.exp(log[SHARED + 2]);
    double given = times * Math.exp(log[SHARED + 1]);
    double[] read = night.airCelsius();
    HouseModel model =
        new HouseModel(changed, read[0], night.massCelsius() + log[SHARED], night.groundCelsius());
    HouseModel.Step now = new HouseModel.Step();
    now.groundCelsius = night.groundCelsius();
    double[] air = new double[read.length];
    air[0] = read[0];
    for (int k = 1; k < air.length; k++) {
      double middle = (k - 0.5) * night.stepSeconds();
      now.outdoorCelsius = night.weather().outdoorAt(middle);
      now.windMetresPerSecond = night.weather().windAt(middle);
      now.outdoorDewCelsius = night.weather().dewPointAt(middle);
      now.skyCelsius =
          now.outdoorCelsius + sky * (night.weather().skyAt(middle) - now.outdoorCelsius);
      double gained = 0;
      for (LoggedNight.Gain gain : night.gains()) {
        gained += gain.of().equals(without) ? 0 : given * gain.watts()[k];
      }
      now.radiantWatts = HouseModel.RADIANT * gained;
      now.gainWatts = gained - now.radiantWatts;
      model.step(night.stepSeconds(), now);
      air[k] = model.airCelsius();
    }
    return air;
  }

  private static double held(double log, double most) {
    return Math.max(-BOUND, Math.min(most, log));
  }
}
