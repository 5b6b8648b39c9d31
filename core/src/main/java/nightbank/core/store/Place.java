package nightbank.core.store;

import java.util.EnumSet;
import java.util.Set;

/**
 * Where a store stands, which tells what lies beyond each of its faces. Combinations that cannot be
 * are refused in words.
 *
 * @param openToHouse faces of a body outside that look into the house all the same, as of a bench
 *     built into its wall
 * @param groundConductivity of the soil, W/(m K) (ISO 13370: 1.5 clay, 2.0 sand)
 * @param coverMetres of earth above a body that is buried or earth-covered
 * @param roomCelsius of another room; of no use elsewhere
 */
public record Place(
    Where where,
    Footing footing,
    Set<FaceName> openToHouse,
    double groundConductivity,
    double coverMetres,
    double roomCelsius) {

  /** Clay or silt, ISO 13370, W/(m K). */
  public static final double SOIL = 1.5;

  /** Earth over what is buried where nobody says, m (0.3 to 2). */
  public static final double USUAL_COVER = 0.6;

  /** What surrounds it. */
  public enum Where {
    HOUSE,
    OUTDOORS,
    /** A shed, cellar or dwelling that stays at one temperature. */
    ROOM
  }

  /** What it rests on. */
  public enum Footing {
    /** Air below it as round it. */
    RAISED,
    /** The floor or ground. */
    ON_GROUND,
    /** On the ground with earth heaped over side and top. */
    EARTH_COVERED,
    /** All of it in the ground; in a house, under its floor. */
    BURIED
  }

  /** What a face gives its heat to. */
  public enum Beyond {
    HOUSE_AIR,
    OUTDOOR_AIR,
    ROOM_AIR,
    /** Earth under the house's floor. */
    HOUSE_SOIL,
    /** Earth that no house warms. */
    GROUND
  }

  public Place {
    EnumSet<FaceName> open = EnumSet.noneOf(FaceName.class);
    open.addAll(openToHouse);
    openToHouse = Set.copyOf(open);
    if (!(groundConductivity >= 0.1 && groundConductivity <= 5)) {
      throw new IllegalArgumentException(
          "soil's conductivity must lie between 0.1 and 5 W/(m K), was " + groundConductivity);
    }
    boolean earth = footing == Footing.BURIED || footing == Footing.EARTH_COVERED;
    if (earth && !(coverMetres >= 0.05 && coverMetres <= 10)) {
      throw new IllegalArgumentException(
          "earth over a store must be 0.05 to 10 m, was " + coverMetres + " m");
    }
    if (where == Where.ROOM && !(roomCelsius >= -30 && roomCelsius <= 60)) {
      throw new IllegalArgumentException(
          "a room must have between -30 and 60 °C, was " + roomCelsius);
    }
    if (footing == Footing.EARTH_COVERED && where != Where.OUTDOORS) {
      throw new IllegalArgumentException(
          "earth is heaped over a store outdoors; inside, bury it under the floor");
    }
    if (footing == Footing.BURIED && where == Where.ROOM) {
      throw new IllegalArgumentException(
          "a store under another room's floor is as one buried outdoors; say so");
    }
    if (!open.isEmpty() && where == Where.HOUSE) {
      throw new IllegalArgumentException("in the house every face looks into it already");
    }
    if (!open.isEmpty() && footing == Footing.BURIED) {
      throw new IllegalArgumentException("what is buried shows no face to the house");
    }
    if (open.contains(FaceName.FOOT) && footing != Footing.RAISED) {
      throw new IllegalArgumentException("a foot on the ground cannot look into the house");
    }
  }

  private static Place of(Where where, Footing footing) {
    return new Place(where, footing, Set.of(), SOIL, USUAL_COVER, 15);
  }

  /** Pipes in the earth. */
  public static Place inGround() {
    return of(Where.OUTDOORS, Footing.BURIED);
  }

  public static Place inHouse() {
    return of(Where.HOUSE, Footing.RAISED);
  }

  public static Place onHouseFloor() {
    return of(Where.HOUSE, Footing.ON_GROUND);
  }

  public static Place underHouseFloor() {
    return of(Where.HOUSE, Footing.BURIED);
  }

  public static Place outdoors() {
    return of(Where.OUTDOORS, Footing.ON_GROUND);
  }

  public Place withSoil(double conductivity) {
    return new Place(where, footing, openToHouse, conductivity, coverMetres, roomCelsius);
  }

  public Place withCover(double metres) {
    return new Place(where, footing, openToHouse, groundConductivity, metres, roomCelsius);
  }

  public Place onFooting(Footing other) {
    return new Place(where, other, openToHouse, groundConductivity, coverMetres, roomCelsius);
  }

  public Place open(Set<FaceName> faces) {
    return new Place(where, footing, faces, groundConductivity, coverMetres, roomCelsius);
  }

  /** What a face gives its heat to. */
  public Beyond beyond(FaceName face) {
    if (!openToHouse.isEmpty() && openToHouse.contains(face)) {
      return Beyond.HOUSE_AIR;
    }
    Beyond soil = where == Where.HOUSE ? Beyond.HOUSE_SOIL : Beyond.GROUND;
    boolean foot = face == FaceName.FOOT && footing != Footing.RAISED;
    if (foot || footing == Footing.BURIED || footing == Footing.EARTH_COVERED) {
      return soil;
    }
    return switch (where) {
      case HOUSE -> Beyond.HOUSE_AIR;
      case OUTDOORS -> Beyond.OUTDOOR_AIR;
      case ROOM -> Beyond.ROOM_AIR;
    };
  }

  /** Whether any face gives its heat to the house's air or floor. */
  public boolean reachesHouse() {
    return where == Where.HOUSE || !openToHouse.isEmpty();
  }

  /** Whether it stands in the house or under its floor. */
  public boolean indoors() {
    return where == Where.HOUSE;
  }

  /** Whether some of it rests on or lies in earth. */
  public boolean onGround() {
    return footing != Footing.RAISED;
  }

  public boolean buried() {
    return footing == Footing.BURIED;
  }
}
