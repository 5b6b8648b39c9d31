package nightbank.server.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.caution.PartLimit;
import nightbank.core.medium.Medium;
import nightbank.core.sizing.Candidate;
import nightbank.core.sizing.Means;
import nightbank.core.sizing.Prices;
import nightbank.core.sizing.Sized;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.server.store.StoreDesign;

/** What was sized as a view, and as a design to plan by. */
final class SizedMapping {
  private SizedMapping() {}

  static SizingView.SizedView view(Sized s) {
    Candidate c = s.candidate();
    return new SizingView.SizedView(
        c.container().id(),
        c.container().name(),
        c.container().metresEach(),
        c.medium().id(),
        c.medium().name(),
        c.wrapMillimetres(),
        s.count(),
        s.holds(),
        s.limit().name(),
        s.lowestCelsius(),
        c.fullCelsius(),
        s.massKg(),
        s.floorSquareMetres(),
        s.loadKgPerSquareMetre(),
        s.usableJoules(),
        s.powerAtDawnWatts(),
        known(s.holdSeconds()),
        known(s.refillSeconds()),
        known(s.cost()),
        s.dominated(),
        s.dominated() ? null : design(c, s.count()));
  }

  static SizingView.MeansView view(Means m, Prices prices) {
    String fuel = m.kind().fuel().orElse("");
    OptionalDouble cost = prices.running(fuel, m.fuelKilograms(), m.electricJoules());
    return new SizingView.MeansView(
        m.kind(),
        m.amount(),
        m.holds(),
        m.lowestCelsius(),
        m.fuelKilograms(),
        m.electricJoules(),
        cost.isPresent() ? cost.getAsDouble() : null);
  }

  private static Double known(double v) {
    return Double.isFinite(v) ? v : null;
  }

  private static StoreDesign design(Candidate c, int count) {
    Geometry g = c.one().geometry();
    Geometry.Box box = g instanceof Geometry.Box b ? b : null;
    HeatedZone z = c.one().zone();
    var face =
        new StoreDesign.FaceDesign(
            c.wrapMillimetres() > 0
                ? List.of(
                    new StoreDesign.LayerDesign(
                        StoreDesign.LayerKind.BULK,
                        "stone-wool",
                        c.wrapMillimetres() / 1000,
                        false,
                        null))
                : List.of(),
            null);
    List<String> parts = new ArrayList<>();
    c.container().vessel().map(PartLimit::id).ifPresent(parts::add);
    boolean water = c.medium().kind() == Medium.Kind.WATER;
    return new StoreDesign(
        box == null ? StoreDesign.Shape.CYLINDER : StoreDesign.Shape.BOX,
        box == null ? 2 * g.halfWidth() : null,
        box == null ? null : box.lengthMetres(),
        box == null ? null : box.widthMetres(),
        g.heightMetres(),
        count,
        c.medium().id(),
        null,
        null,
        null,
        face,
        face,
        new StoreDesign.FaceDesign(List.of(), null),
        new StoreDesign.PlaceDesign(
            Place.Where.HOUSE, Place.Footing.ON_GROUND, null, null, null, null),
        c.one().floorCelsius(),
        c.fullCelsius(),
        new StoreDesign.ZoneDesign(
            water ? 1 : z.radiusFraction(), z.lowFraction(), z.highFraction(), null),
        null,
        new StoreDesign.Build(parts, null, null, null),
        null);
  }
}
