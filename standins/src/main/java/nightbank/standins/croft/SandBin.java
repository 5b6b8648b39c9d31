package nightbank.standins.croft;

import java.util.Arrays;

/**
 * A brick-lined bin of dry sand with a flat element, as a quarter of a box cut into equal cells and
 * stepped explicitly. Its sand is a little heavier and its element a little weaker than the plate
 * and the table say.
 */
final class SandBin {
  static final double LENGTH = 0.9;
  static final double WIDTH = 0.7;
  static final double HEIGHT = 0.6;
  static final double TRUE_WATTS = 877;
  private static final int NX = 9;
  private static final int NY = 7;
  private static final int NZ = 12;
  private static final double DX = LENGTH / 2 / NX;
  private static final double DY = WIDTH / 2 / NY;
  private static final double DZ = HEIGHT / NZ;
  private static final double K = 0.315;
  private static final double DENSITY = 1562;
  private static final double SIDE = 3.55;
  private static final double TOP = 0.44;
  private static final double FOOT = 1.5;

  private final double[][][] t = new double[NX][NY][NZ];
  private final double[][][] next = new double[NX][NY][NZ];
  private double toHouse;

  SandBin(double start) {
    for (double[][] plane : t) {
      for (double[] line : plane) {
        Arrays.fill(line, start);
      }
    }
  }

  /** Parabola through handbook values of quartz at 20, 200 and 400 °C. */
  private static double specificHeat(double celsius) {
    double x = celsius - 20;
    return 742 + 1.3 * x - 0.0011 * x * x;
  }

  void step(double dt, double air, double ground, double watts) {
    double mass = DENSITY * DX * DY * DZ;
    double heated = 4 * 5 * 3 * 4; // cells with the element in them, all quarters
    toHouse = 0;
    for (int i = 0; i < NX; i++) {
      for (int j = 0; j < NY; j++) {
        for (int l = 0; l < NZ; l++) {
          double here = t[i][j][l];
          double q = 0;
          q += i > 0 ? K * DY * DZ / DX * (t[i - 1][j][l] - here) : 0;
          q +=
              i < NX - 1
                  ? K * DY * DZ / DX * (t[i + 1][j][l] - here)
                  : -out(SIDE * (1 + 0.0015 * (here - air)), DX, DY * DZ, here - air);
          q += j > 0 ? K * DX * DZ / DY * (t[i][j - 1][l] - here) : 0;
          q +=
              j < NY - 1
                  ? K * DX * DZ / DY * (t[i][j + 1][l] - here)
                  : -out(SIDE * (1 + 0.0015 * (here - air)), DY, DX * DZ, here - air);
          if (l == 0) {
            q -= DX * DY / (1 / FOOT + DZ / 2 / K) * (here - ground);
          } else {
            q += K * DX * DY / DZ * (t[i][j][l - 1] - here);
          }
          q +=
              l < NZ - 1
                  ? K * DX * DY / DZ * (t[i][j][l + 1] - here)
                  : -out(TOP, DZ, DX * DY, here - air);
          if (i < 5 && j < 3 && l >= 3 && l < 7) {
            q += watts / heated;
          }
          next[i][j][l] = here + q * dt / (mass * specificHeat(here));
        }
      }
    }
    for (int i = 0; i < NX; i++) {
      for (int j = 0; j < NY; j++) {
        System.arraycopy(next[i][j], 0, t[i][j], 0, NZ);
      }
    }
  }

  private double out(double u, double cell, double area, double excess) {
    double watts = area / (1 / u + cell / 2 / K) * excess;
    toHouse += 4 * watts;
    return watts;
  }

  /** W into the house in the last step. */
  double toHouse() {
    return toHouse;
  }

  /** Temperature at fractions of the half width, the narrow way, and of the height. */
  double at(double across, double height) {
    double y = Math.max(0, Math.min(NY - 1.001, across * NY - 0.5));
    double z = Math.max(0, Math.min(NZ - 1.001, height * NZ - 0.5));
    int j = (int) y;
    int l = (int) z;
    double low = t[0][j][l] + (y - j) * (t[0][j + 1][l] - t[0][j][l]);
    double high = t[0][j][l + 1] + (y - j) * (t[0][j + 1][l + 1] - t[0][j][l + 1]);
    return low + (z - l) * (high - low);
  }

  /** The true mean, which no logger sees. */
  double mean() {
    return Arrays.stream(t)
        .flatMap(Arrays::stream)
        .flatMapToDouble(Arrays::stream)
        .average()
        .orElseThrow();
  }
}
