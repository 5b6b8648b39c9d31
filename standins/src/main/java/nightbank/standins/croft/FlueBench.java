package nightbank.standins.croft;

import java.util.Arrays;

/** A stone bench five metres long with a flue through it, as its cross-section. */
final class FlueBench {
  static final double LENGTH = 5;
  static final double WIDTH = 0.6;
  static final double HEIGHT = 0.5;
  private static final int NX = 12;
  private static final int NZ = 10;
  private static final double DX = WIDTH / NX;
  private static final double DZ = HEIGHT / NZ;
  private static final double K = 2.55;
  private static final double CAPACITY = 2610 * 812; // stone with its joints, J/(m³ K)

  private final double[][] t = new double[NX][NZ];
  private final double[][] next = new double[NX][NZ];
  private double toHouse;

  FlueBench(double start) {
    for (double[] line : t) {
      Arrays.fill(line, start);
    }
  }

  void step(double dt, double air, double ground, double watts) {
    toHouse = 0;
    for (int i = 0; i < NX; i++) {
      for (int l = 0; l < NZ; l++) {
        double here = t[i][l];
        double q = 0;
        q += i > 0 ? K * DZ / DX * (t[i - 1][l] - here) : -side(DZ, here - air);
        q += i < NX - 1 ? K * DZ / DX * (t[i + 1][l] - here) : -side(DZ, here - air);
        q +=
            l > 0
                ? K * DX / DZ * (t[i][l - 1] - here)
                : -DX / (1 / 1.15 + DZ / 2 / K) * (here - ground);
        q += l < NZ - 1 ? K * DX / DZ * (t[i][l + 1] - here) : -side(DX, here - air);
        if (i >= 4 && i < 8 && l >= 2 && l < 6) {
          q += watts / LENGTH / 16;
        }
        next[i][l] = here + q * dt / (CAPACITY * DX * DZ);
      }
    }
    for (int i = 0; i < NX; i++) {
      System.arraycopy(next[i], 0, t[i], 0, NZ);
    }
  }

  private double side(double area, double excess) {
    double film = 8.6 * Math.pow(Math.max(0.5, Math.abs(excess)) / 15, 0.17);
    double watts = area / (1 / film + 0.025 / K) * excess;
    toHouse += LENGTH * watts;
    return watts;
  }

  double toHouse() {
    return toHouse;
  }

  /** Temperature at fractions of the half width and of the height. */
  double at(double across, double height) {
    double x = Math.max(0, Math.min(NX - 1.001, (1 + across) * NX / 2 - 0.5));
    double z = Math.max(0, Math.min(NZ - 1.001, height * NZ - 0.5));
    int i = (int) x;
    int l = (int) z;
    double low = t[i][l] + (x - i) * (t[i + 1][l] - t[i][l]);
    double high = t[i][l + 1] + (x - i) * (t[i + 1][l + 1] - t[i][l + 1]);
    return low + (z - l) * (high - low);
  }

  /** The true mean, which no logger sees. */
  double mean() {
    return Arrays.stream(t).flatMapToDouble(Arrays::stream).average().orElseThrow();
  }
}
