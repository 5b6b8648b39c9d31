package nightbank.core.night;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;
import nightbank.core.store.FaceName;
import nightbank.core.store.StoreModel;
import nightbank.core.weather.Weather;

/**
 * House and stores through one night. Stores see the air of the step's start, the house gets the
 * heat that they gave in the step, so what leaves one reaches the other exactly. Neglects the sun
 * and any action during the night.
 */
public final class NightSimulation {
  private NightSimulation() {}

  public static NightResult run(NightPlan plan) {
    int steps = (int) Math.ceil(plan.lengthSeconds() / plan.stepSeconds());
    double dt = plan.lengthSeconds() / steps;
    Greenhouse house = plan.house();
    Weather weather = plan.weather();
    HouseModel model = new HouseModel(house, plan.airCelsius(), plan.massCelsius());
    int n = plan.stores().size();
    StoreModel[] stores = new StoreModel[n];
    Track[] tracks = new Track[n];
    for (int i = 0; i < n; i++) {
      NightStore s = plan.stores().get(i);
      stores[i] = StoreModel.of(s.store(), s.start());
      tracks[i] = new Track(s, stores[i], steps);
    }
    double[] seconds = new double[steps + 1];
    double[] outdoor = new double[steps + 1];
    double[] air = new double[steps + 1];
    double[] mass = new double[steps + 1];
    outdoor[0] = weather.outdoorAt(0);
    air[0] = model.airCelsius();
    mass[0] = model.massCelsius();
    double start = model.heatContent();
    double bill = 0;
    double peak = 0;
    double lost = 0;
    double fromMass = 0;
    double toHouse = 0;
    double cold = 0;
    for (int k = 1; k <= steps; k++) {
      double at = k * dt;
      double out = weather.outdoorAt(at);
      double wind = weather.windAt(at);
      double cloud = weather.cloudAt(at);
      double demand = house.demandWatts(wind, out, cloud);
      double gain = 0;
      for (int i = 0; i < n; i++) {
        boolean indoors = plan.stores().get(i).store().place().indoors();
        stores[i].step(
            dt, indoors ? model.airCelsius() : weather.outdoorAt(at - dt), plan.groundCelsius(), 0);
        gain += tracks[i].book(k, dt, demand > 0);
      }
      model.step(dt, out, wind, cloud, gain);
      toHouse += gain * dt;
      lost += model.lostJoules();
      fromMass += model.fromMassJoules();
      bill += demand * dt;
      peak = Math.max(peak, demand);
      cold += Math.max(0, house.plantLimitCelsius() - model.airCelsius()) * dt / 3600;
      seconds[k] = at;
      outdoor[k] = out;
      air[k] = model.airCelsius();
      mass[k] = model.massCelsius();
    }
    int lowest = lowest(air);
    double residual = toHouse - lost - (model.heatContent() - start);
    List<NightResult.StoreNight> through = new ArrayList<>();
    for (Track track : tracks) {
      through.add(track.result());
      residual += track.residual();
    }
    return new NightResult(
        seconds,
        outdoor,
        air,
        mass,
        through,
        air[lowest],
        seconds[lowest],
        cold,
        bill,
        peak,
        lost,
        fromMass,
        residual);
  }

  private static int lowest(double[] air) {
    int at = 0;
    for (int i = 1; i < air.length; i++) {
      if (air[i] < air[at]) {
        at = i;
      }
    }
    return at;
  }

  /** Books one store's heat by where it went. */
  private static final class Track {
    private final NightStore store;
    private final StoreModel model;
    private final double startContent;
    private final double[] mean;
    private final double[] usable;
    private final double[] toHouse;
    private double delivered;
    private double early;
    private double lost;

    Track(NightStore store, StoreModel model, int steps) {
      this.store = store;
      this.model = model;
      startContent = model.heatContent();
      mean = new double[steps + 1];
      usable = new double[steps + 1];
      toHouse = new double[steps + 1];
      mean[0] = model.meanCelsius();
      usable[0] = model.usableEnergy();
    }

    double book(int k, double dt, boolean needed) {
      double house = 0;
      double away = 0;
      for (FaceName face : FaceName.values()) {
        boolean toGround = face == FaceName.FOOT && store.store().place().onGround();
        if (store.store().place().indoors() && !toGround) {
          house += model.faceWatts(face);
        } else {
          away += model.faceWatts(face);
        }
      }
      mean[k] = model.meanCelsius();
      usable[k] = model.usableEnergy();
      toHouse[k] = house;
      if (needed) {
        delivered += house * dt;
      } else {
        early += house * dt;
      }
      lost += away * dt;
      return house;
    }

    double residual() {
      return startContent - model.heatContent() - delivered - early - lost;
    }

    NightResult.StoreNight result() {
      toHouse[0] = toHouse.length > 1 ? toHouse[1] : 0;
      return new NightResult.StoreNight(
          store.id(),
          mean,
          usable,
          toHouse,
          delivered,
          early,
          lost,
          model.heatContent() - startContent);
    }
  }
}
