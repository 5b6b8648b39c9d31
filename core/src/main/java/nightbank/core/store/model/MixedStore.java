package nightbank.core.store.model;

import nightbank.core.internal.Exchange;
import nightbank.core.medium.Enthalpy;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;

/**
 * Water as one mixed layer. Implicit in time, energy solved exactly by bisection so that freezing
 * closes too. Neglects layering, which makes a tank drawn from the top worth more than this.
 */
public final class MixedStore implements StoreModel {
  private static final double BOILING = 100; // °C, at sea level
  private static final FaceName[] FACES = FaceName.values();

  private HeatStore store;
  private final StoreGrid grid;
  private final Enthalpy enthalpy;
  private double mass;
  private final double[] area = new double[3];
  private final double[] conductance = new double[3];
  private final double[] watts = new double[3];
  private double celsius;
  private double put; // W during the coming step
  private double steam; // J

  public MixedStore(HeatStore store, StoreState start) {
    this.store = store;
    this.grid = new StoreGrid(store.geometry(), 1, 1, 1);
    this.enthalpy = store.medium().enthalpy();
    this.mass = store.mass();
    for (FaceName name : FACES) {
      area[name.ordinal()] = store.faceArea(name) * store.count();
    }
    this.celsius = start.meanCelsius();
  }

  @Override
  public void step(double seconds, Surroundings around) {
    double sourceWatts = put;
    put = 0;
    double total = 0;
    double pull = 0;
    double coldest = celsius;
    double warmest = celsius;
    for (FaceName name : FACES) {
      double beyond = around.at(store.place().beyond(name));
      coldest = Math.min(coldest, beyond);
      warmest = Math.max(warmest, beyond);
      double g = area[name.ordinal()] * store.transmittance(name, celsius, beyond);
      conductance[name.ordinal()] = g;
      total += g;
      pull += g * beyond;
    }
    double before = enthalpy.joulesPerKg(celsius);
    double per = seconds / mass;
    double low = coldest - 1;
    double high = warmest + 1 + Math.max(0, sourceWatts) * per / 100;
    low -= Math.max(0, -sourceWatts) * per / 100;
    double next = celsius;
    for (int i = 0; i < 200; i++) {
      double f = enthalpy.joulesPerKg(next) - before - per * (sourceWatts + pull - total * next);
      if (Math.abs(f) < 1e-12 * (1 + Math.abs(before)) || high - low < 1e-13) {
        break;
      }
      if (f > 0) {
        high = next;
      } else {
        low = next;
      }
      double newton = next - f / (enthalpy.specificHeat(next) + per * total);
      next = newton > low && newton < high ? newton : (low + high) / 2;
    }
    celsius = next;
    for (FaceName name : FACES) {
      double beyond = around.at(store.place().beyond(name));
      watts[name.ordinal()] = conductance[name.ordinal()] * (celsius - beyond);
    }
    boil();
  }

  /** At a hundred degrees water boils: what is more leaves as steam, and is made up. */
  private void boil() {
    double over = enthalpy.joulesPerKg(celsius) - enthalpy.joulesPerKg(BOILING);
    if (over > 0) {
      steam += mass * over;
      celsius = BOILING;
    }
  }

  @Override
  public double steamJoules() {
    return steam;
  }

  @Override
  public int zone(HeatedZone zone) {
    return OWN_ZONE;
  }

  @Override
  public void put(int zone, double watts) {
    put += watts;
  }

  @Override
  public double heat(int zone, double watts, double hottest, double band, double seconds) {
    double room = Math.max(0, hottest - celsius);
    double holds = mass * (enthalpy.joulesPerKg(hottest) - enthalpy.joulesPerKg(celsius));
    double most = Math.max(0, holds / seconds - put);
    double taken = Math.min(most, watts * Math.min(1, room / band));
    put += taken;
    return taken;
  }

  private double exchanged(double seconds, double capacityRate, double conductance) {
    return Exchange.overStep(
        capacityRate,
        -Math.expm1(-conductance / capacityRate),
        mass * enthalpy.specificHeat(celsius) / seconds);
  }

  @Override
  public void respond(
      double seconds, double capacityRate, double conductance, boolean charging, Outlet out) {
    double share = exchanged(seconds, capacityRate, conductance) / capacityRate;
    out.atZero = share * celsius;
    out.slope = 1 - share;
  }

  @Override
  public double lead(
      double seconds, double capacityRate, double conductance, boolean charging, double inlet) {
    double given = exchanged(seconds, capacityRate, conductance) * (celsius - inlet);
    put -= given;
    return given;
  }

  @Override
  public void mixIn(double joulesPerKelvin, double added) {
    double more = joulesPerKelvin / (mass * enthalpy.specificHeat(celsius));
    double joules = mass * more * (enthalpy.joulesPerKg(added) - enthalpy.joulesPerKg(celsius));
    mass *= 1 + more;
    takeOut(-joules);
  }

  /** Takes heat out at once. */
  private void takeOut(double joules) {
    double aim = enthalpy.joulesPerKg(celsius) - joules / mass;
    double next = celsius;
    for (int i = 0; i < 60; i++) {
      double off = enthalpy.joulesPerKg(next) - aim;
      if (Math.abs(off) < 1e-10 * (1 + Math.abs(aim))) {
        break;
      }
      double newton = next - off / enthalpy.specificHeat(next);
      next = (newton < 0) == (next < 0) ? newton : newton < 0 ? -1e-9 : 1e-9;
    }
    celsius = next;
  }

  @Override
  public double zoneCelsius(int zone) {
    return celsius;
  }

  @Override
  public StoreState state() {
    return StoreState.uniform(grid, celsius);
  }

  @Override
  public double faceWatts(FaceName face) {
    return watts[face.ordinal()];
  }

  @Override
  public void replace(FaceName name, Face face) {
    store = store.withFace(name, face);
  }

  @Override
  public double highestCelsius() {
    return celsius;
  }

  @Override
  public double meanCelsius() {
    return celsius;
  }

  @Override
  public double at(double radiusFraction, double heightFraction) {
    return celsius;
  }

  @Override
  public double usableEnergy() {
    return mass * Math.max(0, enthalpy.between(store.floorCelsius(), celsius));
  }

  @Override
  public double heatContent() {
    return mass * enthalpy.joulesPerKg(celsius);
  }
}
