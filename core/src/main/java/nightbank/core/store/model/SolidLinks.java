package nightbank.core.store.model;

import java.util.Arrays;
import java.util.stream.IntStream;
import nightbank.core.store.FaceName;
import org.jspecify.annotations.Nullable;

/** What conducts between the cells of a solid body and to its faces, W/K; taken anew where hot. */
final class SolidLinks {
  private static final FaceName[] FACES = FaceName.values();
  private static final double STALE = 0.02; // change of conductivity that is worth new links

  final double[] conducts; // W/(m K) by cell
  final double[] across; // W/K between a cell and the next across
  final double[] along;
  final double[] upward;
  private final CellMedia media;
  private final StoreGrid grid;
  private final @Nullable PoreWater water; // null where it holds none
  private final double[] celsius;
  private final double[] linkedAt; // °C at which it was taken
  private final double[] atFaces = new double[3]; // W/(m K) of the cells behind each face
  private final int[][] behind = new int[3][]; // cells of each face
  private final double[][] weight = new double[3][]; // their share of its area
  private final double conductivity;
  private final double slope; // the steepest of its media, 1/K
  private final boolean even; // the same conductivity everywhere and always
  private final int ni;
  private final int nj;
  private final int nl;

  /**
   * Links of a body.
   *
   * @param water of a damp medium, null for a dry one
   * @param celsius of the cells, as they go on changing
   */
  SolidLinks(CellMedia media, StoreGrid grid, @Nullable PoreWater water, double[] celsius) {
    this.media = media;
    this.grid = grid;
    this.water = water;
    this.celsius = celsius;
    conductivity = media.conductivity(0);
    slope = media.steepest();
    even = water == null && slope == 0 && media.even();
    ni = grid.across();
    nj = grid.along();
    nl = grid.layers();
    int n = grid.cells();
    conducts = new double[n];
    linkedAt = new double[n];
    across = new double[n];
    along = new double[n];
    upward = new double[n];
    for (FaceName name : FACES) {
      behind[name.ordinal()] = cellsBehind(name);
      weight[name.ordinal()] = weights(name, behind[name.ordinal()]);
    }
    renew();
  }

  void renew() {
    for (int c = 0; c < conducts.length; c++) {
      double base = water != null ? water.conductivity(c) : media.conductivity(c);
      conducts[c] = slope == 0 ? base : base * media.conductivityFactor(c, celsius[c]);
      linkedAt[c] = celsius[c];
    }
    for (int l = 0; l < nl; l++) {
      double thick = grid.thickness(l);
      for (int j = 0; j < nj; j++) {
        for (int i = 0; i < ni; i++) {
          int c = grid.cell(i, j, l);
          across[c] =
              i == ni - 1
                  ? 0
                  : between(c, c + 1) * grid.acrossInterface(i, j) * thick / grid.acrossRun(i);
          along[c] =
              j == nj - 1
                  ? 0
                  : between(c, c + ni) * grid.alongInterface(i) * thick / grid.alongRun(j);
          upward[c] =
              l == nl - 1 ? 0 : between(c, c + ni * nj) * grid.planArea(i, j) / grid.layerRun(l);
        }
      }
    }
    for (FaceName name : FACES) {
      atFaces[name.ordinal()] = even ? conductivity : mean(name, conducts);
    }
  }

  void renewWhereHot() {
    double most = slope == 0 ? Double.POSITIVE_INFINITY : STALE / slope;
    for (int c = 0; c < celsius.length && slope != 0; c++) {
      if (Math.abs(celsius[c] - linkedAt[c]) > most) {
        renew();
        return;
      }
    }
  }

  /** Conductivity between two cells: one where all conduct alike, else the two halves in series. */
  private double between(int a, int b) {
    return even ? conductivity : 2 * conducts[a] * conducts[b] / (conducts[a] + conducts[b]);
  }

  /** W/(m K) of the cells behind a face. */
  double atFace(FaceName name) {
    return atFaces[name.ordinal()];
  }

  private int[] cellsBehind(FaceName name) {
    return IntStream.range(0, grid.cells())
        .filter(
            c ->
                switch (name) {
                  case SIDE -> c % ni == ni - 1;
                  case TOP -> c / (ni * nj) == nl - 1;
                  case FOOT -> c / (ni * nj) == 0;
                })
        .toArray();
  }

  private double[] weights(FaceName name, int[] cells) {
    double[] areas =
        Arrays.stream(cells)
            .mapToDouble(
                c ->
                    name == FaceName.SIDE
                        ? grid.acrossInterface(ni - 1, c / ni % nj) * grid.thickness(c / (ni * nj))
                        : grid.planArea(c % ni, c / ni % nj))
            .toArray();
    double all = Arrays.stream(areas).sum();
    return Arrays.stream(areas).map(a -> a / all).toArray();
  }

  /** Mean over the cells behind a face, by area. */
  double mean(FaceName name, double[] of) {
    int[] cells = behind[name.ordinal()];
    double[] share = weight[name.ordinal()];
    double sum = 0;
    for (int i = 0; i < cells.length; i++) {
      sum += share[i] * of[cells[i]];
    }
    return sum;
  }
}
