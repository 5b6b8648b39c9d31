package nightbank.core.caution;

import static nightbank.core.caution.Caution.Code;
import static nightbank.core.caution.Caution.Weight.DAMAGE;
import static nightbank.core.caution.Caution.Weight.DANGER;
import static nightbank.core.caution.Caution.Weight.NOTE;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Predicate;
import nightbank.core.caution.StoreFacts.SourceKind;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.unit.Figure;

/** The usual cautions of a build, as rules with condition, reason and remedy. */
final class UsualCautions {
  private static final double BURNS_SKIN =
      60; // °C, stone or metal touched for seconds, ISO 13732-1
  private static final double LIGHTS_TIMBER = 80; // °C, wood that has dried for years
  private static final double FLOOR = 150; // kg/m², suspended floors of dwellings, EN 1991-1-1
  private static final double TALL = 2.5;
  private static final double HEAVY = 400; // kg of bags
  private static final double WARM_LOW = 20;
  private static final double WARM_HIGH = 50; // °C between which legionella thrives

  private record Rule(
      Code code,
      Caution.Weight weight,
      Predicate<StoreFacts> when,
      String reason,
      String remedy,
      List<Figure> figures) {

    Rule(
        Code code,
        Caution.Weight weight,
        Predicate<StoreFacts> when,
        String reason,
        String remedy,
        Figure... figures) {
      this(code, weight, when, reason, remedy, List.of(figures));
    }
  }

  private static final List<Rule> RULES =
      List.of(
          new Rule(
              Code.CARBON_MONOXIDE,
              DANGER,
              f -> f.burns() && f.store().place().indoors(),
              "Whatever burns in a closed house makes carbon monoxide.",
              "Hang an alarm, keep an inlet open, let nobody sleep in there."),
          new Rule(
              Code.FLUE_BY_CODE,
              DANGER,
              f -> f.source() == SourceKind.FIRE,
              "A flue and its passage through roof or wall set houses alight when they are wrong.",
              "Local code first; have a licensed trade see it before the first fire."),
          new Rule(
              Code.TIMBER_DISTANCE,
              DANGER,
              f -> f.burns() || f.peak() > LIGHTS_TIMBER && outerHot(f),
              "Wood dried by heat lights at lower temperatures every year.",
              "Keep the distance of your local code; a shield needs an open gap behind it, free below"
                  + " and above."),
          new Rule(
              Code.BACK_DRAUGHT,
              DANGER,
              f -> f.source() == SourceKind.FIRE,
              "Wind and a fan can press smoke back into the house.",
              "A cowl, an inlet of its own for the fire, and no extracting fan while it burns."),
          new Rule(
              Code.CHIMNEY_FIRE,
              DANGER,
              f -> f.source() == SourceKind.FIRE,
              "A long cool flue gathers soot and tar that can catch fire.",
              "Dry wood, hot short fires, and a flue that is swept before the winter and in it."),
          new Rule(
              Code.DRYING_ON_METAL,
              DANGER,
              f -> f.burns() || f.source() == SourceKind.ELEMENT && f.peak() > LIGHTS_TIMBER,
              "Cloth or twigs laid on hot metal to dry catch fire unseen.",
              "Lay nothing on it, hang nothing over it."),
          new Rule(
              Code.HOT_FACES,
              DANGER,
              f -> f.peak() > BURNS_SKIN && outerHot(f),
              "Its faces get hot enough to burn whoever leans on them, children first.",
              "A rail or a lath in front, and the hand's width to pots and film."),
          new Rule(
              Code.DAMP_MUST_VENT,
              DANGER,
              f -> f.store().dries() && f.peak() > 90,
              "Damp fill near boiling makes steam, and steam bursts what is closed.",
              "Dry it first over days, never seal the vessel: leave a vent for good."),
          new Rule(
              Code.DAMP_MUST_VENT,
              DANGER,
              f ->
                  f.closedVessel()
                      && !f.store().dries()
                      && f.store().medium().kind() == Medium.Kind.SOLID
                      && f.peak() > 100,
              "A sealed vessel that passes {0} bursts if any damp is left in it.",
              "Leave a vent at the top for good, and dry the fill before you close it.",
              Figure.celsius(100)),
          new Rule(
              Code.CLOSED_COIL,
              DANGER,
              f -> f.closedCoil() && f.peak() > 95 && waterCoil(f),
              "A closed water coil in something that can pass {0} is a boiler.",
              "An open vent to a tank above it, or a relief valve led to a safe place; by a licensed"
                  + " trade.",
              Figure.celsius(100)),
          new Rule(
              Code.STEAM_SCALDS,
              DANGER,
              f ->
                  f.peak() > 85
                      && (f.store().medium().kind() == Medium.Kind.WATER
                          || waterCoil(f)
                          || f.store().dries()),
              "Water near boiling spits and steam scalds.",
              "Open lids and valves from the side, with gloves; lead vents away from faces."),
          new Rule(
              Code.GLOWING_CORE,
              DANGER,
              f -> f.hottestCelsius() > 200 && f.hottestCelsius() > f.fullCelsius() + 80,
              "The core glows behind a wall that feels merely warm.",
              "Let it even out for a day before you dig or open it; a probe in the core, not a hand on"
                  + " the side."),
          new Rule(
              Code.FROST_BURSTS,
              DAMAGE,
              f ->
                  f.store().medium().kind() == Medium.Kind.WATER && !f.store().place().indoors()
                      || waterCoil(f),
              "Frost bursts pipes, pumps and vessels that stand full.",
              "Drain what is not in use before the first frost; leave a hand's width over the water."),
          new Rule(
              Code.LEGIONELLA,
              DANGER,
              f ->
                  f.bathed()
                      && f.store().medium().kind() == Medium.Kind.WATER
                      && f.fullCelsius() > WARM_LOW
                      && f.store().floorCelsius() < WARM_HIGH,
              "In lukewarm water that stands legionella grows, and spray carries it into the lungs.",
              "Nobody bathes in it or sprays it; or heat it through to {0} first.",
              Figure.celsius(60)),
          new Rule(
              Code.WATER_AND_MAINS,
              DANGER,
              f ->
                  f.store().medium().kind() == Medium.Kind.WATER
                      && (f.source() == SourceKind.ELEMENT || f.source() == SourceKind.HEAT_PUMP),
              "Water beside mains electricity can kill.",
              "A residual-current device and an earth, by a licensed electrician; local codes first."),
          new Rule(
              Code.FLOOR_LOAD,
              DANGER,
              f -> !f.store().place().onGround() && load(f) > FLOOR,
              "It weighs more on its footprint than a floor that hangs on joists must bear.",
              "Stand it on the ground, or have the floor reckoned by someone who may sign for it."),
          new Rule(
              Code.MAY_TIP,
              DANGER,
              UsualCautions::tall,
              "It is tall for its width and heavy.",
              "Tie it to a wall or to its neighbours before filling."),
          new Rule(
              Code.LIME_BURNS,
              DANGER,
              f ->
                  f.parts().stream()
                          .anyMatch(p -> p.id().contains("mortar") && !p.id().startsWith("clay"))
                      || f.store().medium().id().equals("concrete"),
              "Fresh lime and cement burn skin and eyes.",
              "Gloves and goggles; water at hand to rinse."),
          new Rule(
              Code.LIME_BURNS,
              DANGER,
              f -> f.store().medium().id().equals("limestone") && f.peak() > 450,
              "Limestone burns to quicklime, which boils with water and blinds.",
              "Keep it below {0}, or use another stone next to the fire.",
              Figure.celsius(400)),
          new Rule(
              Code.FINS_AND_REFRIGERANT,
              DANGER,
              f -> f.source() == SourceKind.HEAT_PUMP,
              "A heat pump's fins cut and its refrigerant must not get out.",
              "Gloves at the fins; whatever opens the circuit is for licensed hands."),
          new Rule(
              Code.HEAP_GAS,
              DANGER,
              f -> f.source() == SourceKind.HEAP && f.store().place().indoors(),
              "A heap eats oxygen and gives carbon dioxide and ammonia; in a closed house that can"
                  + " kill.",
              "Air the house before you go in, keep a vent open, never bend into a pit beside it."),
          new Rule(
              Code.HEAP_SPORES,
              DANGER,
              f -> f.source() == SourceKind.HEAP,
              "Turning a heap throws up spores that can inflame the lungs.",
              "Turn it damp, upwind, with a mask."),
          new Rule(
              Code.HEAP_SELF_HEATING,
              DANGER,
              f -> f.source() == SourceKind.HEAP && f.peak() > 75,
              "A big dry heap above {0} can go on heating until it smoulders.",
              "Wet it and open it up; keep it under two metres and away from walls that burn.",
              Figure.celsius(75)),
          new Rule(
              Code.GROUND_AIR,
              DANGER,
              f -> airPipes(f.store()),
              "Open pipes in the ground gather damp and mould, and may draw radon into the house.",
              "Lay them to a drain, seal the joints, ask about radon where you live."),
          new Rule(
              Code.LIFTING,
              DANGER,
              f ->
                  f.store().medium().kind() == Medium.Kind.SOLID
                      && f.source() != SourceKind.HEAP
                      && f.store().mass() > HEAVY,
              "Many sacks or blocks are lifted to fill it.",
              "Small bags, a barrow to the spot, two people for blocks over {0}.",
              Figure.kilograms(25)),
          new Rule(
              Code.NO_THERMOSIPHON,
              NOTE,
              f ->
                  !f.pumped()
                      && f.store().carrier().isPresent()
                      && f.store().carrier().get().passage() instanceof HeatExchanger.Coil c
                      && waterCoil(f)
                      && c.lengthMetres() / (c.outerDiameterMetres() - 2 * c.wallMetres()) > 400,
              "Water does not circulate by itself through a long pipe of small bore.",
              "A small pump, or a short wide loop that rises all the way."));

  private UsualCautions() {}

  static void of(StoreFacts f, Consumer<Caution> say) {
    for (Rule r : RULES) {
      if (r.when.test(f)) {
        say.accept(new Caution(r.code, r.weight, "", r.reason, r.remedy, r.figures));
      }
    }
  }

  /** Whether some face is so thinly wrapped that its outside gets hot. */
  private static boolean outerHot(StoreFacts f) {
    for (FaceName name : new FaceName[] {FaceName.SIDE, FaceName.TOP}) {
      double u = f.store().transmittance(name, f.fullCelsius(), f.store().floorCelsius());
      double over = u * (f.fullCelsius() - f.store().floorCelsius()) / 10; // film of 10 W/(m² K)
      if (f.store().floorCelsius() + over > BURNS_SKIN - 15) {
        return true;
      }
    }
    return false;
  }

  private static boolean waterCoil(StoreFacts f) {
    return f.store().carrier().filter(c -> c.fluid() == FluidStream.Fluid.WATER).isPresent();
  }

  private static double load(StoreFacts f) {
    return f.store().massPerFloorArea();
  }

  private static boolean airPipes(HeatStore s) {
    return s.place().buried()
        && s.carrier()
            .filter(c -> c.passage() instanceof HeatExchanger.Bore)
            .filter(c -> c.fluid() == FluidStream.Fluid.AIR)
            .isPresent();
  }

  private static boolean tall(StoreFacts f) {
    HeatStore s = f.store();
    double width =
        s.geometry() instanceof Geometry.Box b
            ? Math.min(b.lengthMetres(), b.widthMetres())
            : 2 * s.geometry().halfWidth();
    return !s.place().buried()
        && f.source() != SourceKind.HEAP
        && s.geometry().heightMetres() > TALL * width;
  }
}
