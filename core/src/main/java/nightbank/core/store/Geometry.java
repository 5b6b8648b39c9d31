package nightbank.core.store;

/** Shape of the mass itself, without insulation; lengths in metres. */
public sealed interface Geometry permits Geometry.Cylinder, Geometry.Box {
  double heightMetres();

  /** Area of the top, and of the foot, m². */
  double endArea();

  /** Length round the side, m. */
  double perimeter();

  /** Distance from the upright middle (line or plane) to the nearest side, m. */
  double halfWidth();

  default double volume() {
    return endArea() * heightMetres();
  }

  default double sideArea() {
    return perimeter() * heightMetres();
  }

  /** An upright cylinder. */
  record Cylinder(double radiusMetres, double heightMetres) implements Geometry {
    public Cylinder {
      length("radius", radiusMetres);
      length("height", heightMetres);
    }

    @Override
    public double endArea() {
      return Math.PI * radiusMetres * radiusMetres;
    }

    @Override
    public double perimeter() {
      return 2 * Math.PI * radiusMetres;
    }

    @Override
    public double halfWidth() {
      return radiusMetres;
    }
  }

  /** An upright box. */
  record Box(double lengthMetres, double widthMetres, double heightMetres) implements Geometry {
    public Box {
      length("length", lengthMetres);
      length("width", widthMetres);
      length("height", heightMetres);
    }

    @Override
    public double endArea() {
      return lengthMetres * widthMetres;
    }

    @Override
    public double perimeter() {
      return 2 * (lengthMetres + widthMetres);
    }

    @Override
    public double halfWidth() {
      return Math.min(lengthMetres, widthMetres) / 2;
    }
  }

  private static void length(String what, double metres) {
    if (!(metres >= 0.02 && metres <= 50)) {
      throw new IllegalArgumentException(
          what + " must lie between 0.02 and 50 m, was " + metres + " m");
    }
  }
}
