package nightbank.core.house;

/**
 * Floor and beds as soil in layers over ground at a seasonal temperature 0.6 m down, with an edge
 * along the foundation that loses to outdoors.
 *
 * @param edgeWattsPerMetreKelvin along the perimeter, {@link #EDGE_BARE} or {@link #EDGE_INSULATED}
 */
public record Floor(
    double areaSquareMetres, double perimeterMetres, double edgeWattsPerMetreKelvin) {
  /** Edge loss of a bare foundation, W/(m K); ISO 13370, order of magnitude. */
  public static final double EDGE_BARE = 1.2;

  /** Edge loss with 50 mm of board let in to 0.5 m, W/(m K); ISO 13370, order of magnitude. */
  public static final double EDGE_INSULATED = 0.5;

  static final double DEPTH = 0.6; // m
  static final double CONDUCTIVITY = 1.2; // W/(m K), moist garden soil, ISO 13370
  static final double HEAT = 2.56e6; // J/(m³ K), 1600 kg/m³ of 1600 J/(kg K)
  static final double SURFACE_FILM = 7; // W/(m² K), ISO 6946 mean of up and down

  /** Thicknesses from the surface down, m: thin where a night reaches, thick below. */
  static final double[] LAYERS = {0.02, 0.04, 0.07, 0.11, 0.15, 0.21};

  public Floor {
    if (!(areaSquareMetres > 0 && areaSquareMetres <= 20_000)) {
      throw new IllegalArgumentException(
          "floor area must lie between 0 and 20000 m², was " + areaSquareMetres);
    }
    if (!(perimeterMetres >= 0 && perimeterMetres <= 4000)) {
      throw new IllegalArgumentException(
          "perimeter must lie between 0 and 4000 m, was " + perimeterMetres);
    }
    if (!(edgeWattsPerMetreKelvin >= 0 && edgeWattsPerMetreKelvin <= 5)) {
      throw new IllegalArgumentException(
          "edge loss must lie between 0 and 5 W/(m K), was " + edgeWattsPerMetreKelvin);
    }
  }
}
