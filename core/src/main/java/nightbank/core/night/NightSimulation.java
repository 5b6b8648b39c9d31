package nightbank.core.night;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.charge.WoodFire;
import nightbank.core.house.Floor;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;
import nightbank.core.store.Carrier;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.GroundPath;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.StoreModel;
import nightbank.core.store.Stream;
import nightbank.core.store.Surroundings;
import nightbank.core.weather.Interpolation;
import nightbank.core.weather.Weather;

/**
 * House and stores through one night, with what is done in it. Stores see the air of the step's
 * start, the house gets the heat that they gave in the step, so what leaves one reaches the other
 * exactly. Where stores tie the air so strongly that this would swing, steps are parted. The loop
 * allocates nothing but where a lid is lifted or shut.
 */
public final class NightSimulation {
  /** What a fleece over the plants is worth, K; 17 g/m² fleece, 1.5 to 3 in practice. */
  public static final double COVER_KELVIN = 2;

  private static final double CALM = 0.5; // of the air's heat capacity, given up in one part
  private static final int MOST_PARTS = 100;
  private static final double ENDLESS = 1e9; // W/K: the loop's own rate is in its conductance

  private NightSimulation() {}

  public static NightResult run(NightPlan plan) {
    return new Run(plan).go();
  }

  private static final class Run {
    private final NightPlan plan;
    private final Greenhouse house;
    private final Weather weather;
    private final Action[] actions;
    private final int steps;
    private final double dt;
    private final HouseModel model;
    private final HouseModel.Step now = new HouseModel.Step();
    private final Surroundings around = new Surroundings();
    private final Track[] tracks;
    private final int parts;
    private final double[] seconds;
    private final double[] outdoor;
    private final double[] air;
    private final double[] leaf;
    private final double[] plants;
    private final double[] mass;
    private final double start;
    private double bill;
    private double peak;
    private double lost;
    private double vented;
    private double sun;
    private double room;
    private double fromMass;
    private double toHouse;
    private double cold;

    Run(NightPlan plan) {
      this.plan = plan;
      house = plan.house();
      weather = plan.weather();
      actions = plan.actions().toArray(Action[]::new);
      steps = (int) Math.ceil(plan.lengthSeconds() / plan.stepSeconds());
      dt = plan.lengthSeconds() / steps;
      model = new HouseModel(house, plan.airCelsius(), plan.massCelsius(), plan.groundCelsius());
      tracks = new Track[plan.stores().size()];
      for (int i = 0; i < tracks.length; i++) {
        tracks[i] = new Track(plan.stores().get(i), house, steps, actions);
      }
      double ties = 0;
      for (Track track : tracks) {
        ties += track.tie(plan.airCelsius());
      }
      double longest = CALM * house.airCapacity() / Math.max(1e-9, ties);
      parts = (int) Math.min(MOST_PARTS, Math.max(1, Math.ceil(dt / longest)));
      seconds = new double[steps + 1];
      outdoor = new double[steps + 1];
      air = new double[steps + 1];
      leaf = new double[steps + 1];
      plants = new double[steps + 1];
      mass = new double[steps + 1];
      start = model.heatContent();
    }

    NightResult go() {
      outdoor[0] = weather.outdoorAt(0);
      air[0] = model.airCelsius();
      leaf[0] = air[0];
      plants[0] = air[0];
      mass[0] = model.floorCelsius();
      for (int k = 1; k <= steps; k++) {
        step(k);
      }
      leaf[0] = steps > 0 ? air[0] + leaf[1] - air[1] : leaf[0];
      int lowest = lowest(plants);
      double residual = toHouse + sun + room - lost - vented - (model.heatContent() - start);
      List<NightResult.StoreNight> through = new ArrayList<>();
      for (Track track : tracks) {
        through.add(track.result());
        residual += track.residual();
      }
      return new NightResult(
          seconds,
          outdoor,
          air,
          leaf,
          plants,
          mass,
          through,
          plants[lowest],
          seconds[lowest],
          cold,
          bill,
          peak,
          lost,
          fromMass,
          vented,
          sun,
          room,
          residual);
    }

    private void step(int k) {
      double h = dt / parts;
      for (Track track : tracks) {
        track.toHouse[k] = 0;
      }
      for (int p = 1; p <= parts; p++) {
        part((k - 1) * dt + p * h, h, k);
      }
      seconds[k] = k * dt;
      outdoor[k] = now.outdoorCelsius;
      air[k] = model.airCelsius();
      leaf[k] = model.leafCelsius();
      double cover = any(Action.Kind.COVER, k * dt) ? COVER_KELVIN : 0;
      plants[k] = Math.min(air[k], leaf[k]) + cover;
      mass[k] = model.floorCelsius();
      cold += Math.max(0, house.plantLimitCelsius() - plants[k]) * dt / 3600;
      for (Track track : tracks) {
        track.note(k);
      }
    }

    private void part(double at, double h, int k) {
      now.outdoorCelsius = weather.outdoorAt(at);
      now.windMetresPerSecond = weather.windAt(at);
      now.skyCelsius = weather.skyAt(at);
      now.groundCelsius = plan.groundCelsius();
      now.screenDrawn = any(Action.Kind.SCREEN, at);
      now.gapsStuffed = any(Action.Kind.STUFF_GAPS, at);
      now.sunWatts =
          plan.sunWatts().length == 0
              ? 0
              : Interpolation.linear(weather.seconds(), plan.sunWatts(), at);
      now.outdoorDewCelsius = weather.dewPointAt(at);
      boolean needed = model.demandWatts() > 0;
      double gain = 0;
      double radiant = 0;
      double floor = 0;
      double toRoom = 0;
      double outBefore = weather.outdoorAt(at - h);
      for (Track track : tracks) {
        toRoom += track.roomWatts(at - h / 2);
        around
            .set(Place.Beyond.HOUSE_AIR, model.airCelsius())
            .set(Place.Beyond.OUTDOOR_AIR, outBefore)
            .set(Place.Beyond.ROOM_AIR, track.store.store().place().roomCelsius())
            .set(Place.Beyond.GROUND, plan.groundCelsius())
            .set(
                Place.Beyond.HOUSE_SOIL,
                track.floorShare * model.footCelsius()
                    + (1 - track.floorShare) * plan.groundCelsius());
        double given = track.step(at, h, around, needed);
        track.toHouse[k] += given / parts;
        gain += given - track.radiant - track.toFloor;
        radiant += track.radiant;
        floor += track.toFloor;
      }
      now.gainWatts = gain + toRoom;
      now.radiantWatts = radiant;
      now.floorWatts = floor;
      model.step(h, now);
      double demand = model.demandWatts();
      gain += radiant + floor;
      toHouse += gain * h;
      room += toRoom * h;
      sun += model.sunJoules();
      lost += model.lostJoules() + model.groundJoules();
      vented += model.ventedJoules();
      fromMass += model.fromMassJoules();
      bill += demand * h;
      peak = Math.max(peak, demand);
    }

    private boolean any(Action.Kind kind, double at) {
      for (Action a : actions) {
        if (a.kind() == kind && a.runs(at)) {
          return true;
        }
      }
      return false;
    }
  }

  private static int lowest(double[] row) {
    int at = 0;
    for (int i = 1; i < row.length; i++) {
      if (row[i] < row[at]) {
        at = i;
      }
    }
    return at;
  }

  /** One store, what is done to it, and its heat by where it went. */
  private static final class Track {
    private final NightStore store;
    private final StoreModel model;
    private final Action[] elements;
    private final Action[] lids;
    private final Action[] pumps;
    private final Carrier carrier;
    private final WoodFire[] fires;
    private final double[] lit;
    private final Face top;
    private final double floorShare;
    private double radiant; // W of what it gave in the step
    private double toFloor;
    private final double startContent;
    private final double[] mean;
    private final double[] usable;
    private final double[] toHouse;
    private boolean open;
    private double charged;
    private double delivered;
    private double early;
    private double lost;
    private double hottest;

    Track(NightStore store, Greenhouse house, int steps, Action[] actions) {
      this.store = store;
      floorShare = floorShare(store.store(), house);
      model = StoreModel.of(store.store(), store.start());
      elements = of(actions, Action.Kind.ELEMENT);
      lids = of(actions, Action.Kind.LID_OFF);
      pumps = of(actions, Action.Kind.PUMP);
      carrier = store.store().carrier().orElse(null);
      Action[] burnt = of(actions, Action.Kind.FIRE);
      fires = new WoodFire[burnt.length];
      lit = new double[burnt.length];
      for (int i = 0; i < burnt.length; i++) {
        fires[i] = WoodFire.in(store.hearth(), burnt[i].amount(), WoodFire.USUAL_MOISTURE);
        lit[i] = burnt[i].fromSeconds();
      }
      top = store.store().face(FaceName.TOP);
      startContent = model.heatContent();
      mean = new double[steps + 1];
      usable = new double[steps + 1];
      toHouse = new double[steps + 1];
      mean[0] = model.meanCelsius();
      usable[0] = model.usableEnergy();
      hottest = store.start().highestCelsius();
    }

    private Action[] of(Action[] actions, Action.Kind kind) {
      List<Action> mine = new ArrayList<>();
      for (Action a : actions) {
        if (a.kind() == kind && a.storeId().equals(store.id())) {
          mine.add(a);
        }
      }
      return mine.toArray(Action[]::new);
    }

    /** What a fire gives to the room at once; one that burns outside warms no house. */
    double roomWatts(double at) {
      double watts = 0;
      if (!store.store().place().indoors()) {
        return 0;
      }
      for (int i = 0; i < fires.length; i++) {
        watts += fires[i].watts(at - lit[i]) * fires[i].toRoom();
      }
      return watts;
    }

    /** W/K to the house's air, as far as it is known at the start. */
    double tie(double air) {
      HeatStore s = store.store();
      double sum = carrier != null && pumps.length > 0 ? carrier.stream().capacityRate() : 0;
      for (FaceName face : FACES) {
        if (s.place().beyond(face) == Place.Beyond.HOUSE_AIR) {
          Face now = lids.length > 0 && face == FaceName.TOP ? Face.bare() : s.face(face);
          double u = s.withFace(face, now).transmittance(face, store.start().meanCelsius(), air);
          sum += u * s.faceArea(face) * s.count();
        }
      }
      return sum;
    }

    double step(double at, double dt, Surroundings around, boolean needed) {
      boolean lifted = runs(lids, at);
      if (lifted != open) {
        model.replace(FaceName.TOP, lifted ? Face.bare() : top);
        open = lifted;
      }
      double watts = 0;
      for (Action e : elements) {
        watts += e.runs(at) ? e.amount() : 0;
      }
      for (int i = 0; i < fires.length; i++) {
        watts += fires[i].watts(at - dt / 2 - lit[i]) * fires[i].toStore();
      }
      double house =
          carrier != null && runs(pumps, at) ? carried(dt, around.at(Place.Beyond.HOUSE_AIR)) : 0;
      model.step(dt, around, watts);
      charged += watts * dt;
      double away = 0;
      radiant = 0;
      toFloor = 0;
      for (FaceName face : FACES) {
        double out = model.faceWatts(face);
        switch (store.store().place().beyond(face)) {
          case HOUSE_AIR -> radiant += HouseModel.RADIANT * out;
          case HOUSE_SOIL -> toFloor += floorShare * out;
          default -> {}
        }
        away += out;
      }
      double given = radiant / HouseModel.RADIANT + toFloor;
      house += given;
      away -= given;
      hottest = watts > 0 ? Math.max(hottest, model.highestCelsius()) : hottest;
      if (needed) {
        delivered += house * dt;
      } else {
        early += house * dt;
      }
      lost += away * dt;
      return house;
    }

    /** What pump or fan bring to the house, W; a fan's own power comes with it. */
    private double carried(double dt, double air) {
      Stream stream = carrier.stream();
      double ua = carrier.passage().conductance(store.store(), stream, model.zoneCelsius());
      if (stream.fluid() == Stream.Fluid.AIR) {
        charged += stream.machineWatts() * dt;
        return model.pass(dt, stream.capacityRate(), ua, air) + stream.machineWatts();
      }
      return model.pass(dt, ENDLESS, stream.toAir(ua), air);
    }

    private static boolean runs(Action[] some, double at) {
      for (Action a : some) {
        if (a.runs(at)) {
          return true;
        }
      }
      return false;
    }

    void note(int k) {
      mean[k] = model.meanCelsius();
      usable[k] = model.usableEnergy();
    }

    double residual() {
      double away = lost + model.steamJoules();
      return charged + startContent - model.heatContent() - delivered - early - away;
    }

    NightResult.StoreNight result() {
      toHouse[0] = toHouse.length > 1 ? toHouse[1] : 0;
      return new NightResult.StoreNight(
          store.id(),
          mean,
          usable,
          toHouse,
          charged,
          delivered,
          early,
          lost + model.steamJoules(),
          model.heatContent() - startContent,
          hottest,
          model.state());
    }
  }

  /** Of what leaves a foot or a buried body, what comes back through the house's floor. */
  private static double floorShare(HeatStore store, Greenhouse house) {
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

  private static final FaceName[] FACES = FaceName.values();
}
