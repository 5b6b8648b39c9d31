package nightbank.core.house;

import java.util.List;

/** Shapes that people have, each from a few dimensions: parts with areas, volume, ground plan. */
public sealed interface HouseShape {

  /**
   * One face of a shape.
   *
   * @param azimuthDegrees way it looks, clockwise from north
   * @param atBack whether it is the side that leans on something
   */
  record Side(
      String name,
      double areaSquareMetres,
      double tiltDegrees,
      double azimuthDegrees,
      boolean atBack) {}

  /** Faces with their areas; the front looks the way given, degrees clockwise from north. */
  List<Side> sides(double frontAzimuth);

  double volume();

  double floorArea();

  /** Length of foundation towards the open, m. */
  double perimeter();

  private static void within(String what, double metres, double most) {
    if (!(metres > 0 && metres <= most)) {
      throw new IllegalArgumentException(
          what + " must lie between 0 and " + most + " m, was " + metres + " m");
    }
  }

  private static double turned(double azimuth, double by) {
    return ((azimuth + by) % 360 + 360) % 360;
  }

  /** Two slopes over a ridge; the front is a long side. */
  record Gable(double lengthMetres, double widthMetres, double eavesMetres, double ridgeMetres)
      implements HouseShape {
    public Gable {
      within("length", lengthMetres, 200);
      within("width", widthMetres, 60);
      within("height of the eaves", eavesMetres, 10);
      if (!(ridgeMetres > eavesMetres && ridgeMetres <= 15)) {
        throw new IllegalArgumentException(
            "the ridge must lie above the eaves and at most 15 m up, was " + ridgeMetres + " m");
      }
    }

    @Override
    public List<Side> sides(double front) {
      double rise = ridgeMetres - eavesMetres;
      double slope = Math.hypot(widthMetres / 2, rise);
      double tilt = Math.toDegrees(Math.atan2(rise, widthMetres / 2));
      double end = widthMetres * (eavesMetres + ridgeMetres) / 2;
      return List.of(
          new Side("Front slope", slope * lengthMetres, tilt, front, false),
          new Side("Rear slope", slope * lengthMetres, tilt, turned(front, 180), false),
          new Side("Front wall", lengthMetres * eavesMetres, 90, front, false),
          new Side("Rear wall", lengthMetres * eavesMetres, 90, turned(front, 180), false),
          new Side("Left end", end, 90, turned(front, 90), false),
          new Side("Right end", end, 90, turned(front, -90), false));
    }

    @Override
    public double volume() {
      return lengthMetres * widthMetres * (eavesMetres + ridgeMetres) / 2;
    }

    @Override
    public double floorArea() {
      return lengthMetres * widthMetres;
    }

    @Override
    public double perimeter() {
      return 2 * (lengthMetres + widthMetres);
    }
  }

  /** One slope against a building; the front is the low side. */
  record LeanTo(double lengthMetres, double depthMetres, double frontMetres, double backMetres)
      implements HouseShape {
    public LeanTo {
      within("length", lengthMetres, 200);
      within("depth", depthMetres, 60);
      within("height in front", frontMetres, 10);
      if (!(backMetres > frontMetres && backMetres <= 15)) {
        throw new IllegalArgumentException(
            "the back must be higher than the front and at most 15 m, was " + backMetres + " m");
      }
    }

    @Override
    public List<Side> sides(double front) {
      double rise = backMetres - frontMetres;
      double end = depthMetres * (frontMetres + backMetres) / 2;
      return List.of(
          new Side(
              "Roof",
              Math.hypot(depthMetres, rise) * lengthMetres,
              Math.toDegrees(Math.atan2(rise, depthMetres)),
              front,
              false),
          new Side("Front", lengthMetres * frontMetres, 90, front, false),
          new Side("Left end", end, 90, turned(front, 90), false),
          new Side("Right end", end, 90, turned(front, -90), false),
          new Side("Back", lengthMetres * backMetres, 90, turned(front, 180), true));
    }

    @Override
    public double volume() {
      return lengthMetres * depthMetres * (frontMetres + backMetres) / 2;
    }

    @Override
    public double floorArea() {
      return lengthMetres * depthMetres;
    }

    @Override
    public double perimeter() {
      return lengthMetres + 2 * depthMetres;
    }
  }

  /** Half an ellipse over its width. */
  record Tunnel(double lengthMetres, double widthMetres, double heightMetres)
      implements HouseShape {
    public Tunnel {
      within("length", lengthMetres, 200);
      within("width", widthMetres, 30);
      within("height", heightMetres, 10);
    }

    @Override
    public List<Side> sides(double front) {
      double arc = arc(widthMetres / 2, heightMetres);
      double end = Math.PI / 4 * widthMetres * heightMetres;
      return List.of(
          new Side("Front half", arc * lengthMetres / 2, 40, front, false),
          new Side("Rear half", arc * lengthMetres / 2, 40, turned(front, 180), false),
          new Side("Left end", end, 90, turned(front, 90), false),
          new Side("Right end", end, 90, turned(front, -90), false));
    }

    /** Half the perimeter of an ellipse, Ramanujan's second formula (1914). */
    private static double arc(double a, double b) {
      double h = Math.pow((a - b) / (a + b), 2);
      return Math.PI / 2 * (a + b) * (1 + 3 * h / (10 + Math.sqrt(4 - 3 * h)));
    }

    @Override
    public double volume() {
      return Math.PI / 4 * widthMetres * heightMetres * lengthMetres;
    }

    @Override
    public double floorArea() {
      return lengthMetres * widthMetres;
    }

    @Override
    public double perimeter() {
      return 2 * (lengthMetres + widthMetres);
    }
  }

  /** A cap of a sphere. */
  record Dome(double diameterMetres, double heightMetres) implements HouseShape {
    public Dome {
      within("diameter", diameterMetres, 60);
      within("height", heightMetres, 30);
      if (heightMetres > diameterMetres) {
        throw new IllegalArgumentException("a dome is at most as high as it is wide");
      }
    }

    @Override
    public List<Side> sides(double front) {
      double a = diameterMetres / 2;
      double area = Math.PI * (a * a + heightMetres * heightMetres);
      return List.of(
          new Side("Front half", area / 2, 50, front, false),
          new Side("Rear half", area / 2, 50, turned(front, 180), false));
    }

    @Override
    public double volume() {
      double a = diameterMetres / 2;
      return Math.PI * heightMetres * (3 * a * a + heightMetres * heightMetres) / 6;
    }

    @Override
    public double floorArea() {
      return Math.PI * diameterMetres * diameterMetres / 4;
    }

    @Override
    public double perimeter() {
      return Math.PI * diameterMetres;
    }
  }

  /** A room: four walls and a flat ceiling; the front is a long side. */
  record Room(double lengthMetres, double widthMetres, double heightMetres) implements HouseShape {
    public Room {
      within("length", lengthMetres, 200);
      within("width", widthMetres, 60);
      within("height", heightMetres, 15);
    }

    @Override
    public List<Side> sides(double front) {
      double along = lengthMetres * heightMetres;
      double across = widthMetres * heightMetres;
      return List.of(
          new Side("Ceiling", floorArea(), 0, front, false),
          new Side("Front", along, 90, front, false),
          new Side("Back", along, 90, turned(front, 180), false),
          new Side("Left end", across, 90, turned(front, 90), false),
          new Side("Right end", across, 90, turned(front, -90), false));
    }

    @Override
    public double volume() {
      return floorArea() * heightMetres;
    }

    @Override
    public double floorArea() {
      return lengthMetres * widthMetres;
    }

    @Override
    public double perimeter() {
      return 2 * (lengthMetres + widthMetres);
    }
  }

  /** A cold frame: a sloping light on a box. */
  record Frame(double lengthMetres, double depthMetres, double frontMetres, double backMetres)
      implements HouseShape {
    public Frame {
      within("length", lengthMetres, 50);
      within("depth", depthMetres, 5);
      within("height in front", frontMetres, 2);
      if (!(backMetres >= frontMetres && backMetres <= 3)) {
        throw new IllegalArgumentException(
            "the back must be at least as high as the front and at most 3 m, was "
                + backMetres
                + " m");
      }
    }

    @Override
    public List<Side> sides(double front) {
      double rise = backMetres - frontMetres;
      double end = depthMetres * (frontMetres + backMetres) / 2;
      return List.of(
          new Side(
              "Light",
              Math.hypot(depthMetres, rise) * lengthMetres,
              Math.toDegrees(Math.atan2(rise, depthMetres)),
              front,
              false),
          new Side("Front", lengthMetres * frontMetres, 90, front, false),
          new Side("Back", lengthMetres * backMetres, 90, turned(front, 180), false),
          new Side("Left end", end, 90, turned(front, 90), false),
          new Side("Right end", end, 90, turned(front, -90), false));
    }

    @Override
    public double volume() {
      return lengthMetres * depthMetres * (frontMetres + backMetres) / 2;
    }

    @Override
    public double floorArea() {
      return lengthMetres * depthMetres;
    }

    @Override
    public double perimeter() {
      return 2 * (lengthMetres + depthMetres);
    }
  }
}
