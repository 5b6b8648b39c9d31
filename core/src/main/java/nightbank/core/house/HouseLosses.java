package nightbank.core.house;

import java.util.ArrayList;
import java.util.List;

/** What leaves a house by part at one moment, W; parts sum to the whole. */
public final class HouseLosses {
  private HouseLosses() {}

  /** One way out. */
  public record Loss(Kind kind, String name, double watts) {
    /** Which way. */
    public enum Kind {
      SKIN,
      SHARED_WALL,
      DRAUGHT,
      GAP,
      /** Through film that lets long waves straight to the sky. */
      THROUGH_FILM,
      EDGE
    }
  }

  /**
   * Skin parts carry what the sky draws through them.
   *
   * @param floor temperature of the floor's surface, which film lets see the sky
   */
  public static List<Loss> at(
      Greenhouse house,
      double air,
      double floor,
      double wind,
      double outdoor,
      double sky,
      boolean screen) {
    List<Loss> all = new ArrayList<>();
    for (SkinPart p : house.skin()) {
      double u = p.transmittance(p.shared() ? 4 : wind, screen && !p.shared());
      double behind = p.shared() ? p.beyondCelsius() : outdoor;
      double watts = p.areaSquareMetres() * u * (air - behind);
      watts += p.skyWatts(wind, outdoor, sky, screen);
      all.add(new Loss(p.shared() ? Loss.Kind.SHARED_WALL : Loss.Kind.SKIN, p.name(), watts));
    }
    Greenhouse tight = house.withGaps(List.of());
    all.add(
        new Loss(
            Loss.Kind.DRAUGHT,
            "Draught",
            tight.draughtCoefficient(wind, air - outdoor) * (air - outdoor)));
    for (Gap g : house.gaps()) {
      double flow = g.cubicMetresPerSecond(air - outdoor, wind) * Greenhouse.AIR_HEAT;
      all.add(new Loss(Loss.Kind.GAP, g.name(), flow * (air - outdoor)));
    }
    double film = house.throughFilm(screen) * (floor - sky);
    if (film != 0) {
      all.add(new Loss(Loss.Kind.THROUGH_FILM, "Straight to the sky", film));
    }
    house
        .floor()
        .ifPresent(
            f ->
                all.add(
                    new Loss(
                        Loss.Kind.EDGE,
                        "Foundation edge",
                        f.perimeterMetres() * f.edgeWattsPerMetreKelvin() * (air - outdoor))));
    return all;
  }
}
