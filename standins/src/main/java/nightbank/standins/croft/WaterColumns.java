package nightbank.standins.croft;

import java.util.Arrays;

/** Ten upright columns of water along the back wall, each five layers that mix when turned over. */
final class WaterColumns {
  static final int COUNT = 10;
  private static final int LAYERS = 5;
  private static final double RADIUS = 0.149;
  private static final double HEIGHT = 1.48;
  private static final double FILM = 7.4;

  private final double[] t = new double[LAYERS];
  private double toHouse;

  WaterColumns(double start) {
    Arrays.fill(t, start);
  }

  void step(double dt, double air, double ground, double sunOnGlass) {
    double layer = HEIGHT / LAYERS;
    double heat = 1000 * 4186 * Math.PI * RADIUS * RADIUS * layer;
    double end = Math.PI * RADIUS * RADIUS;
    toHouse = 0;
    for (int i = 0; i < LAYERS; i++) {
      double area = 2 * Math.PI * RADIUS * layer + (i == LAYERS - 1 ? end : 0);
      double film = FILM * Math.pow(Math.max(0.5, Math.abs(t[i] - air)) / 8, 0.15);
      double out = film * area * (t[i] - air);
      double foot = i == 0 ? 0.9 * end * (t[i] - ground) : 0;
      double sun = 0.38 * sunOnGlass * 2 * RADIUS * layer;
      toHouse += COUNT * out;
      t[i] += dt * (sun - out - foot) / heat;
    }
    for (int pass = 0; pass < LAYERS; pass++) {
      for (int i = 1; i < LAYERS; i++) {
        if (t[i] < t[i - 1]) {
          t[i] = t[i - 1] = (t[i] + t[i - 1]) / 2;
        }
      }
    }
  }

  double toHouse() {
    return toHouse;
  }

  double at(double height) {
    return t[Math.min(LAYERS - 1, (int) (height * LAYERS))];
  }

  /** The true mean, which no logger sees. */
  double mean() {
    return Arrays.stream(t).average().orElseThrow();
  }
}
