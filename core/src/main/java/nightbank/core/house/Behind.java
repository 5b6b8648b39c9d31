package nightbank.core.house;

/** What a part of the skin has behind it. */
public sealed interface Behind {
  /** Air, wind, sky. */
  Behind OPEN = new Open();

  /** The open air. */
  record Open() implements Behind {}

  /**
   * A room that something else keeps warm, or cold.
   *
   * @param celsius -40 to 60
   */
  record Room(double celsius) implements Behind {
    public Room {
      if (!(celsius >= -40 && celsius <= 60)) {
        throw new IllegalArgumentException(
            "the room behind a wall must lie between -40 and 60 °C, was " + celsius);
      }
    }
  }

  /**
   * Earth that reaches up to the surface somewhere above, as warm far off as it is two metres down.
   * ISO 13370 lets such a wall lose to the year's mean of the air and adds a swing; here the
   * ground's own temperature of the season stands for both. Neglects snow, ground water, and the
   * week's weather, which half a metre of earth keeps out.
   *
   * @param resistance of the way through it, m² K/W
   */
  record Earth(double resistance) implements Behind {
    public Earth {
      if (!(resistance > 0 && resistance <= 50)) {
        throw new IllegalArgumentException(
            "the way through earth must lie between 0 and 50 m² K/W, was " + resistance);
      }
    }

    /**
     * The way from a wall's outer face, ISO 13370:2017 for walls of basements: U = 2λ/(πz) (1 +
     * d/2(d + z)) ln(z/d + 1), the floor taken to be as well insulated as the wall.
     *
     * @param depthMetres of the part's middle below the surface, 0.25 to 10
     * @param wall m² K/W of the wall itself, without films
     * @param soil that lies behind it
     */
    public static Earth at(double depthMetres, double wall, Floor.Soil soil) {
      if (!(depthMetres >= 0.25 && depthMetres <= 10)) {
        throw new IllegalArgumentException(
            "earth must lie 0.25 to 10 m deep at the middle of a part, was " + depthMetres + " m");
      }
      double films = INNER_FILM + OUTER_FILM;
      double foot = 2 * depthMetres;
      double d = soil.conductivity() * (wall + films);
      double u =
          2
              * soil.conductivity()
              / (Math.PI * foot)
              * (1 + 0.5 * d / (d + foot))
              * Math.log(foot / d + 1);
      return new Earth(Math.max(0.05, 1 / u - wall - INNER_FILM));
    }

    private static final double INNER_FILM = 0.13; // m² K/W, ISO 6946
    private static final double OUTER_FILM = 0.04;
  }
}
