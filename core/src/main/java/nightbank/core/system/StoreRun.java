package nightbank.core.system;

import java.util.List;
import nightbank.core.house.Floor;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;
import nightbank.core.source.HeatSource;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.GroundPath;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place.Beyond;
import nightbank.core.store.StoreCircuit;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.Surroundings;
import org.jspecify.annotations.Nullable;

/** A store at work: its model, its lid, and its heat by where it went. */
final class StoreRun {
  private static final FaceName[] FACES = FaceName.values();

  final String id;
  final StoreModel model;
  private final HeatStore store;
  private final Action[] lids;
  private final Face top;
  private final double floorShare;
  private final double startContent;
  private final Surroundings around = new Surroundings();
  private final double[] mean;
  private final double[] usable;
  private final double[] toHouse;
  private final double[] into;
  private boolean open;
  private double charged;
  private double delivered;
  private double early;
  private double lost;
  private double moved;
  private double received;
  private double keptIn; // J put in since the last moment kept
  private double fed;
  private double hottest;
  private double kept; // J to the house since the last moment kept

  /** W of the step: to the house by its faces, of these by long waves and to the floor. */
  double houseWatts;

  double radiantWatts;
  double floorWatts;

  StoreRun(SystemStore s, @Nullable Greenhouse house, List<Action> actions, int moments) {
    id = s.id();
    store = s.store();
    model = StoreModel.of(store, s.start());
    lids =
        actions.stream()
            .filter(a -> a.kind() == Action.Kind.LID_OFF && a.of().equals(id))
            .toArray(Action[]::new);
    top = store.face(FaceName.TOP);
    floorShare = floorShare(store, house);
    startContent = model.heatContent();
    mean = new double[moments];
    usable = new double[moments];
    toHouse = new double[moments];
    into = new double[moments];
    mean[0] = model.meanCelsius();
    usable[0] = model.usableEnergy();
    hottest = s.start().highestCelsius();
  }

  HeatStore store() {
    return store;
  }

  /** What its own stream goes through; null without one. */
  @Nullable HeatExchanger passage() {
    return store.carrier().map(StoreCircuit::passage).orElse(null);
  }

  /** Of what leaves a foot or a buried body, what comes back through the house's floor. */
  private static double floorShare(HeatStore store, @Nullable Greenhouse house) {
    if (house == null) {
      return 0;
    }
    double area = house.floor().map(Floor::areaSquareMetres).orElse(0.0);
    if (area == 0 || !store.place().indoors()) {
      return 0;
    }
    boolean insulated =
        house.floor().map(Floor::edgeWattsPerMetreKelvin).orElse(9.0) <= Floor.EDGE_INSULATED;
    double foot = Math.sqrt(store.geometry().endArea() / Math.PI);
    double wide = Math.sqrt(area / Math.PI);
    return GroundPath.houseShare(foot, wide, store.place().groundConductivity(), insulated);
  }

  /** W/K to the house's air, as far as it is known at the start. */
  double tie(double air) {
    double sum = 0;
    for (FaceName face : FACES) {
      if (store.place().beyond(face) == Beyond.HOUSE_AIR) {
        Face now = lids.length > 0 && face == FaceName.TOP ? Face.bare() : store.face(face);
        double u = store.withFace(face, now).transmittance(face, model.meanCelsius(), air);
        sum += u * store.faceArea(face) * store.count();
      }
    }
    return sum;
  }

  void lid(double at) {
    boolean lifted = false;
    for (Action a : lids) {
      lifted |= a.runs(at);
    }
    if (lifted != open) {
      model.replace(FaceName.TOP, lifted ? Face.bare() : top);
      open = lifted;
    }
  }

  /**
   * Heat from a source during the step.
   *
   * @return W that it takes up
   */
  double heat(int zone, double watts, HeatSource from, double seconds) {
    double taken =
        watts <= 0 ? 0 : model.heat(zone, watts, from.highestCelsius(), from.nearKelvin(), seconds);
    charged += taken * seconds;
    keptIn += taken * seconds;
    return taken;
  }

  /** Heat that is made in the mass itself. */
  double made(int zone, double watts, double seconds) {
    model.put(zone, watts);
    charged += watts * seconds;
    keptIn += watts * seconds;
    return watts;
  }

  /** Heat by circuits and heat pumps: what it gave in a step, and what of it the house got, J. */
  void gave(double joules, double houseJoules, boolean needed) {
    if (needed) {
      delivered += houseJoules;
    } else {
      early += houseJoules;
    }
    kept += houseJoules;
    moved += joules - houseJoules;
    received += Math.max(0, -joules);
    keptIn -= joules;
  }

  void mixIn(double joulesPerKelvin, double celsius) {
    double before = model.heatContent();
    model.mixIn(joulesPerKelvin, celsius);
    fed += model.heatContent() - before;
  }

  void step(
      double seconds, Sensors sensors, double groundCelsius, boolean needed, double sourceWatts) {
    around
        .set(Beyond.HOUSE_AIR, sensors.houseAir())
        .set(Beyond.OUTDOOR_AIR, sensors.outdoorCelsius)
        .set(Beyond.ROOM_AIR, store.place().roomCelsius())
        .set(Beyond.GROUND, groundCelsius)
        .set(Beyond.HOUSE_SOIL, floorShare * sensors.foot() + (1 - floorShare) * groundCelsius);
    model.step(seconds, around);
    double air = 0;
    double soil = 0;
    double all = 0;
    for (FaceName face : FACES) {
      double watts = model.faceWatts(face);
      Beyond beyond = store.place().beyond(face);
      air += beyond == Beyond.HOUSE_AIR ? watts : 0;
      soil += beyond == Beyond.HOUSE_SOIL ? floorShare * watts : 0;
      all += watts;
    }
    radiantWatts = HouseModel.RADIANT * air;
    floorWatts = soil;
    houseWatts = air + soil;
    if (needed) {
      delivered += houseWatts * seconds;
    } else {
      early += houseWatts * seconds;
    }
    kept += houseWatts * seconds;
    lost += (all - houseWatts) * seconds;
    if (sourceWatts > 0) {
      hottest = Math.max(hottest, model.highestCelsius());
    }
  }

  void keep(int moment, double seconds) {
    mean[moment] = model.meanCelsius();
    usable[moment] = model.usableEnergy();
    toHouse[moment] = kept / seconds;
    kept = 0;
    into[moment] = keptIn / seconds;
    keptIn = 0;
  }

  SystemResult.StoreTrace trace() {
    toHouse[0] = toHouse.length > 1 ? toHouse[1] : 0;
    double change = model.heatContent() - startContent;
    double away = lost + model.steamJoules();
    return SystemResultStoreTraceBuilder.builder()
        .id(id)
        .meanCelsius(mean)
        .usableJoules(usable)
        .toHouseWatts(toHouse)
        .intoWatts(into)
        .chargedJoules(charged)
        .deliveredJoules(delivered)
        .earlyJoules(early)
        .lostJoules(away)
        .movedJoules(moved)
        .receivedJoules(received)
        .fedJoules(fed)
        .changeJoules(change)
        .hottestCelsius(hottest)
        .residualJoules(charged + fed - change - delivered - early - away - moved)
        .end(model.state())
        .build();
  }
}
