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
import nightbank.server.store.StoreDesignBuilder;
import org.jspecify.annotations.Nullable;

/** What was sized as a view, and as a design to plan by. */
final class SizedMapping {
  private SizedMapping() {}

  static SizingView.SizedView view(Sized s) {
    Candidate c = s.candidate();
    return SizingViewSizedViewBuilder.builder()
        .container(c.container().id())
        .containerName(c.container().name())
        .metresEach(c.container().metresEach())
        .medium(c.medium().id())
        .mediumName(c.medium().name())
        .wrapMillimetres(c.wrapMillimetres())
        .count(s.count())
        .holds(s.holds())
        .limit(s.limit().name())
        .lowestCelsius(s.lowestCelsius())
        .fullCelsius(c.fullCelsius())
        .massKg(s.massKg())
        .floorSquareMetres(s.floorSquareMetres())
        .loadKgPerSquareMetre(s.loadKgPerSquareMetre())
        .usableJoules(s.usableJoules())
        .powerAtDawnWatts(s.powerAtDawnWatts())
        .holdSeconds(known(s.holdSeconds()))
        .refillSeconds(known(s.refillSeconds()))
        .cost(known(s.cost()))
        .dominated(s.dominated())
        .design(s.dominated() ? null : design(c, s.count()))
        .build();
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

  private static @Nullable Double known(double v) {
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
    return StoreDesignBuilder.builder()
        .shape(box == null ? StoreDesign.Shape.CYLINDER : StoreDesign.Shape.BOX)
        .diameterMetres(box == null ? 2 * g.halfWidth() : null)
        .lengthMetres(box == null ? null : box.lengthMetres())
        .widthMetres(box == null ? null : box.widthMetres())
        .heightMetres(g.heightMetres())
        .count(count)
        .medium(c.medium().id())
        .measuredDensity(null)
        .measuredSpecificHeat(null)
        .measuredConductivity(null)
        .side(face)
        .top(face)
        .foot(new StoreDesign.FaceDesign(List.of(), null))
        .place(
            new StoreDesign.PlaceDesign(
                Place.Where.HOUSE, Place.Footing.ON_GROUND, null, null, null, null))
        .floorCelsius(c.one().floorCelsius())
        .chargeToCelsius(c.fullCelsius())
        .zone(
            new StoreDesign.ZoneDesign(
                water ? 1 : z.radiusFraction(), z.lowFraction(), z.highFraction(), null))
        .led(null)
        .build(new StoreDesign.Build(parts, null, null, null))
        .lidOff(null)
        .made();
  }
}
