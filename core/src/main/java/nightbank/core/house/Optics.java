package nightbank.core.house;

/**
 * How a sheet treats long waves; what is neither let through nor taken up is thrown back.
 *
 * @param through τ, the same both ways
 * @param emissivityIn ε towards the house
 * @param emissivityOut ε towards the sky
 */
public record Optics(double through, double emissivityIn, double emissivityOut) {
  /** Stone, wood, board, paint: ε 0.9 (Incropera et al., app. A). */
  public static final Optics OPAQUE = new Optics(0, 0.9, 0.9);

  /** Dry polyethylene film, 0.1 to 0.2 mm; τ 0.65 to 0.8 by additives (ASAE EP406). */
  public static final Optics FILM = new Optics(0.65, 0.25, 0.25);

  /** The same under a sheet of drops: water lets no long wave through, gaps between drops do. */
  public static final Optics WET_FILM = new Optics(0.15, 0.8, 0.8);

  public Optics {
    share("share of long waves let through", through);
    share("emissivity", emissivityIn);
    share("emissivity", emissivityOut);
    if (through + Math.max(emissivityIn, emissivityOut) > 1 + 1e-9) {
      throw new IllegalArgumentException(
          "what a sheet lets through and takes up cannot be more than all, was "
              + through
              + " and "
              + Math.max(emissivityIn, emissivityOut));
    }
  }

  private static void share(String what, double value) {
    if (!(value >= 0 && value <= 1)) {
      throw new IllegalArgumentException(what + " must lie in 0 to 1, was " + value);
    }
  }

  /** The same sheet wet inside: little passes, and it shines like water. */
  public Optics wet() {
    double keeps = WET_FILM.through / FILM.through;
    double less = through * keeps;
    return through < 0.1
        ? this
        : new Optics(
            less,
            Math.min(1 - less, Math.max(emissivityIn, WET_FILM.emissivityIn)),
            Math.min(1 - less, Math.max(emissivityOut, WET_FILM.emissivityOut)));
  }

  /** Behind another sheet of film or bubble, which takes its part of what passes. */
  public Optics behind(Optics inner) {
    return new Optics(through * inner.through, inner.emissivityIn, emissivityOut);
  }
}
