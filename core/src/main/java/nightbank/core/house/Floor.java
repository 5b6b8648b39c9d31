package nightbank.core.house;

/**
 * Floor and beds as soil two metres down to undisturbed earth, with an edge along the foundation
 * that loses to outdoors.
 *
 * @param edgeWattsPerMetreKelvin along the perimeter, {@link #EDGE_BARE} or {@link #EDGE_INSULATED}
 */
public record Floor(
    double areaSquareMetres, double perimeterMetres, double edgeWattsPerMetreKelvin, Soil soil) {
  /** Edge loss of a bare foundation, W/(m K); ISO 13370, order of magnitude. */
  public static final double EDGE_BARE = 1.2;

  /** Edge loss with 50 mm of board let in to 0.5 m, W/(m K); ISO 13370, order of magnitude. */
  public static final double EDGE_INSULATED = 0.5;

  static final double EMISSIVITY = 0.95; // soil and leaves, Incropera et al., app. A

  /** Layers of the two metres: 9 mm at the surface, half a metre at the bottom. */
  static final double[] LAYERS = SoilColumn.layers(2, 12, 1.45);

  /**
   * The earth under a house.
   *
   * @param conductivity W/(m K)
   * @param heat ρ c, J/(m³ K)
   * @param freezingWater m³ of water in a m³ that freezes
   */
  public record Soil(double conductivity, double heat, double freezingWater) {
    /** Moist garden soil (ISO 13370; 0.8 to 1.8 W/(m K)); 15 % of water, 0.1 to 0.25. */
    public static final Soil GARDEN = new Soil(1.2, 2.56e6, 0.15);

    public Soil {
      if (!(conductivity >= 0.1 && conductivity <= 5)) {
        throw new IllegalArgumentException(
            "soil's conductivity must lie between 0.1 and 5 W/(m K), was " + conductivity);
      }
      if (!(heat >= 2e5 && heat <= 5e6)) {
        throw new IllegalArgumentException(
            "soil's heat must lie between 2e5 and 5e6 J/(m³ K), was " + heat);
      }
      if (!(freezingWater >= 0 && freezingWater <= 0.6)) {
        throw new IllegalArgumentException(
            "water in soil must lie between 0 and 0.6 of its volume, was " + freezingWater);
      }
    }
  }

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

  public Floor(double areaSquareMetres, double perimeterMetres, double edge) {
    this(areaSquareMetres, perimeterMetres, edge, Soil.GARDEN);
  }

  /** The same floor on soil that takes up and gives so many times as much. */
  public Floor giving(double factor) {
    double k = Math.max(0.1, Math.min(5, soil.conductivity * factor));
    double heat = Math.max(2e5, Math.min(5e6, soil.heat * factor));
    return new Floor(
        areaSquareMetres,
        perimeterMetres,
        edgeWattsPerMetreKelvin,
        new Soil(k, heat, soil.freezingWater));
  }

  double edgeWattsPerKelvin() {
    return perimeterMetres * edgeWattsPerMetreKelvin;
  }
}
