package nightbank.core.fit;

import java.util.Arrays;
import java.util.Optional;
import nightbank.core.weather.Interpolation;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;

/**
 * Fit of dT/dt = -(T - T_air(t))/τ to a store's mean temperature, air as measured and linear
 * between its readings, by least squares on ln τ and the start temperature.
 *
 * <p>The 95 % interval of τ uses the residual scatter, widened when neighbouring residuals go
 * together (effective sample size (1 - ρ)/(1 + ρ)). Neglects loss that grows with temperature: use
 * it on the settled part of a cool-down only.
 *
 * @param timeConstantSeconds τ
 * @param low lower end of the 95 % interval of τ, s
 * @param high upper end
 * @param startCelsius fitted mean at the first point used
 * @param fallKelvin fall of the fitted mean over the part used
 * @param scatterKelvin standard deviation of the residuals
 * @param points number of readings used
 */
public record CoolDownFit(
    double timeConstantSeconds,
    double low,
    double high,
    double startCelsius,
    double fallKelvin,
    double scatterKelvin,
    int points) {

  private static final int LEAST_POINTS = 6;
  private static final double LEAST_FALL = 5; // in standard deviations of the scatter

  /** The same with an interval that a doubt from elsewhere adds to. */
  public CoolDownFit widened(double logHalf) {
    double half = Math.hypot(Math.log(high / low) / 2, logHalf);
    return new CoolDownFit(
        timeConstantSeconds,
        timeConstantSeconds * Math.exp(-half),
        timeConstantSeconds * Math.exp(half),
        startCelsius,
        fallKelvin,
        scatterKelvin,
        points);
  }

  /** Time in which half of the excess over the air is lost, s. */
  public double halfLifeSeconds() {
    return timeConstantSeconds * Math.log(2);
  }

  /**
   * Fits, or declines when the fall is too small against the scatter or the points too few.
   *
   * @param seconds times from any zero, rising
   * @param celsius mean store temperature
   * @param air air temperature at the same times
   */
  public static Optional<CoolDownFit> of(double[] seconds, double[] celsius, double[] air) {
    int n = seconds.length;
    if (n < LEAST_POINTS) {
      return Optional.empty();
    }
    double span = seconds[n - 1] - seconds[0];
    double guess = guess(seconds, celsius, air, span);
    var problem =
        new LeastSquaresBuilder()
            .model(point -> model(point.toArray(), seconds, air))
            .target(celsius)
            .start(new double[] {Math.log(guess), celsius[0]})
            .lazyEvaluation(false)
            .maxEvaluations(200)
            .maxIterations(100)
            .build();
    double[] best;
    double[] residuals;
    RealMatrix jacobian;
    try {
      var optimum = new LevenbergMarquardtOptimizer().optimize(problem);
      best = optimum.getPoint().toArray();
      residuals = optimum.getResiduals().toArray();
      jacobian = optimum.getJacobian();
    } catch (org.hipparchus.exception.MathRuntimeException e) {
      return Optional.empty();
    }
    double tau = Math.exp(best[0]);
    double sum = Arrays.stream(residuals).map(r -> r * r).sum();
    double scatter = Math.sqrt(sum / (n - 2));
    double[] fitted = values(best, seconds, air);
    double fall = fitted[0] - fitted[n - 1];
    if (Math.abs(fall) < LEAST_FALL * scatter / Math.sqrt(n / 6.0)
        || Math.abs(fall) < 0.3
        || tau > 200 * span) {
      return Optional.empty();
    }
    double inflate = inflation(residuals);
    RealMatrix covariance =
        MatrixUtils.inverse(jacobian.transposeMultiply(jacobian))
            .scalarMultiply(scatter * scatter * inflate);
    double dof = Math.max(2, n / inflate - 2);
    double t = new TDistribution(dof).inverseCumulativeProbability(0.975);
    double half = t * Math.sqrt(covariance.getEntry(0, 0));
    return Optional.of(
        new CoolDownFit(
            tau, Math.exp(best[0] - half), Math.exp(best[0] + half), best[1], fall, scatter, n));
  }

  private static double guess(double[] seconds, double[] celsius, double[] air, double span) {
    double meanAir = Arrays.stream(air).average().orElseThrow();
    double first = celsius[0] - meanAir;
    double last = celsius[celsius.length - 1] - meanAir;
    double ratio = first / last;
    return ratio > 1.001 && Double.isFinite(ratio) ? span / Math.log(ratio) : 3 * span;
  }

  private static Pair<org.hipparchus.linear.RealVector, RealMatrix> model(
      double[] p, double[] seconds, double[] air) {
    double[] at = values(p, seconds, air);
    double step = 1e-5;
    double[] shifted = values(new double[] {p[0] + step, p[1]}, seconds, air);
    double[] raised = values(new double[] {p[0], p[1] + 1}, seconds, air);
    double[][] slope = new double[at.length][2];
    for (int i = 0; i < at.length; i++) {
      slope[i][0] = (shifted[i] - at[i]) / step;
      slope[i][1] = raised[i] - at[i];
    }
    return new Pair<>(new ArrayRealVector(at, false), new Array2DRowRealMatrix(slope, false));
  }

  /** Exact for air linear between points: T = a - bτ + (T₀ - a₀ + bτ) e^(-Δt/τ). */
  private static double[] values(double[] p, double[] seconds, double[] air) {
    double tau = Math.exp(p[0]);
    double[] t = new double[seconds.length];
    t[0] = p[1];
    for (int i = 1; i < t.length; i++) {
      double dt = seconds[i] - seconds[i - 1];
      double lag = tau * (air[i] - air[i - 1]) / dt;
      t[i] = air[i] - lag + (t[i - 1] - air[i - 1] + lag) * Math.exp(-dt / tau);
    }
    return t;
  }

  private static double inflation(double[] residuals) {
    double together = 0;
    double square = 0;
    for (int i = 0; i < residuals.length; i++) {
      square += residuals[i] * residuals[i];
      if (i > 0) {
        together += residuals[i] * residuals[i - 1];
      }
    }
    double rho = square == 0 ? 0 : together / square;
    if (rho < 2 / Math.sqrt(residuals.length)) {
      return 1;
    }
    double r = Math.min(0.98, rho);
    return Math.min((1 + r) / (1 - r), residuals.length / 4.0);
  }

  /** The fitted curve at other times, °C; air given at its own times. */
  public double[] curve(double[] seconds, double[] airSeconds, double[] air) {
    double[] beside = new double[seconds.length];
    for (int i = 0; i < seconds.length; i++) {
      beside[i] = Interpolation.linear(airSeconds, air, seconds[i]);
    }
    return values(new double[] {Math.log(timeConstantSeconds), startCelsius}, seconds, beside);
  }
}
