package nightbank.core.house;

/** Parts of made-up houses, for tests. */
public final class Skins {
  private Skins() {}

  /** An opaque sheet by its tabled U, seeing so much of the sky. */
  public static SkinPart part(String name, double area, double u, double sky) {
    return SkinPart.of(name, area, u).seeing(sky);
  }

  /** Glass or stiff plastic, which lets sun in and no long waves. */
  public static SkinPart pane(String name, double area, double u, double tilt) {
    return SkinPart.of(name, area, u).sunny(0.7).facing(tilt, 180);
  }

  /** Single film. */
  public static SkinPart film(String name, double area, double tilt) {
    return SkinPart.sheet(name, area, Optics.FILM, 6.8).sunny(0.75).facing(tilt, 180);
  }
}
