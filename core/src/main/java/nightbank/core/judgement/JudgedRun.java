package nightbank.core.judgement;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.evidence.Exclusion;
import nightbank.core.evidence.Phase;
import nightbank.core.fit.CoolDownFit;
import nightbank.core.fit.StoreCalibration;
import nightbank.core.fit.StoreFactor;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreState;

/**
 * What a run means. Times are epoch seconds, temperatures °C, heat J, power W; curves share {@code
 * at}.
 *
 * @param probes cleaned readings by probe, NaN where missing
 * @param modelled the conduction model at the same probes
 * @param mean store temperature from probe positions and the fitted field
 * @param meanHalfWidth half of its 95 % interval, K
 * @param gross heat above the floor temperature, cold cells counting negative
 * @param usable balance above the floor temperature, J; see StoreState.usableEnergy
 * @param usableHalfWidth half of its 95 % interval, J
 * @param toHouse what it gave to the house's air in the step that ends at each moment, W, by its
 *     own balance where nothing charges it; below zero where it took
 */
@RecordBuilder
public record JudgedRun(
    long[] at,
    List<String> channels,
    double[][] probes,
    double[][] modelled,
    double[] air,
    double[] mean,
    double[] meanHalfWidth,
    double[] gross,
    double[] usable,
    double[] usableHalfWidth,
    List<Phase> phases,
    List<Exclusion> excluded,
    Peak peak,
    Optional<CoolDown> coolDown,
    Ledger ledger,
    double[] toHouse,
    Optional<JudgedLoop> loop,
    Map<FaceName, Double> faceShares,
    Calibration calibration,
    List<Finding> findings,
    HeatStore learned,
    StoreState lastState) {

  /**
   * What the store gave to the house in even steps, W, NaN where the run does not reach.
   *
   * @param from epoch second at which the first step begins
   * @param stepSeconds length of each
   */
  public double[] toHouseIn(long from, long stepSeconds, int steps) {
    double[] joules = new double[steps];
    double[] covered = new double[steps];
    for (int i = 1; i < at.length; i++) {
      for (int k = (int) Math.max(0, (at[i - 1] - from) / stepSeconds); k < steps; k++) {
        long begin = from + k * stepSeconds;
        if (begin >= at[i]) {
          break;
        }
        double shared = Math.min(at[i], begin + stepSeconds) - Math.max(at[i - 1], begin);
        if (shared > 0) {
          joules[k] += toHouse[i] * shared;
          covered[k] += shared;
        }
      }
    }
    for (int k = 0; k < steps; k++) {
      joules[k] = covered[k] > 0 ? joules[k] / covered[k] : Double.NaN;
    }
    return joules;
  }

  /** Highest mean temperature and when, with half of its 95 % interval. */
  public record Peak(long at, double meanCelsius, double halfWidth, boolean fromFit) {}

  /**
   * The settled part of a cool-down.
   *
   * @param capacity heat capacity of the store over the part used, J/K
   * @param lossCoefficient UA = C/τ, W/K, with its 95 % interval, material spread included
   */
  public record CoolDown(
      CoolDownFit fit,
      long from,
      long to,
      double capacity,
      double lossCoefficient,
      double lossLow,
      double lossHigh) {

    /**
     * The fitted mean at times counted from the start of the part used; NaN outside it.
     *
     * @param air beside, °C
     * @param length of the part used, s
     */
    public double[] curve(double[] seconds, double[] air, double length) {
      int first = 0;
      while (first < seconds.length && seconds[first] < 0) {
        first++;
      }
      int last = first;
      while (last < seconds.length && seconds[last] <= length) {
        last++;
      }
      double[] whole = new double[seconds.length];
      java.util.Arrays.fill(whole, Double.NaN);
      if (last > first) {
        double[] at = java.util.Arrays.copyOfRange(seconds, first, last);
        double[] fitted = fit.curve(at, seconds, air);
        System.arraycopy(fitted, 0, whole, first, fitted.length);
      }
      return whole;
    }
  }

  /**
   * Energy over the run, J: charged = change + delivered + early + lost + residual.
   *
   * @param charged by label power, or as fitted when there is no label
   * @param change of heat content, from measured means
   * @param delivered reached the house while it was cold
   * @param early reached the house while it was warm
   * @param lost went to ground or open air
   * @param gain of heat content during charging
   * @param efficiency gain over what was put in, NaN without a charge
   */
  public record Ledger(
      double charged,
      double change,
      double delivered,
      double early,
      double lost,
      double residual,
      double gain,
      double efficiency,
      boolean powerLabelled) {}

  /** A factor by which readings differ from the design, and half a 95 % interval of its log. */
  public record Found(double factor, double half) {
    static Found of(StoreCalibration.Calibrated fit, StoreFactor which) {
      return new Found(Math.exp(fit.log(which)), fit.half(which));
    }
  }

  /**
   * What the readings make of the design.
   *
   * @param side of the transmittance of the side
   * @param ends of that of top and foot
   */
  public record Calibration(Found power, Found conductivity, Found side, Found ends) {
    static Calibration of(StoreCalibration.Calibrated fit) {
      return new Calibration(
          Found.of(fit, StoreFactor.POWER),
          Found.of(fit, StoreFactor.CONDUCTIVITY),
          Found.of(fit, StoreFactor.SIDE),
          Found.of(fit, StoreFactor.ENDS));
    }
  }

  /** A thing to say, with the numbers it needs; worded where units are known. */
  public record Finding(Code code, double value, double halfWidth, String detail) {
    /** What is said. */
    public enum Code {
      HALF_LIFE,
      MAIN_FACE,
      WORST_FACE,
      EFFICIENCY,
      PEAK,
      READINGS_LEFT_OUT,
      FACES_DIFFER,
      CONTRADICTED,
      POWER_DIFFERS,
      TOO_HOT,
      AIR_UNKNOWN,
      MAKES_HEAT,
      LID_OFF,
      FIRE_TO_STORE,
      LOOP_CHARGED,
      LOOP_DREW,
      LOOP_TURNED,
      COOL_DOWN_TOO_SHORT,
      FALL_TOO_SMALL,
      TOO_FEW_READINGS,
      NO_CHARGE_SEEN,
      ONE_PROBE
    }
  }
}
