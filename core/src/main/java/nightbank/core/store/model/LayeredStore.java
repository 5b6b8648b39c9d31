package nightbank.core.store.model;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nightbank.core.internal.Exchange;
import nightbank.core.medium.TabledEnthalpy;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import org.jspecify.annotations.Nullable;

/**
 * A store cut into level layers only: a tank that does not mix by itself, or a bed of stones with
 * air going through. Conduction between layers and losses are implicit in time and close to
 * rounding; what the stream brings follows as a step of its own. Neglects differences across a
 * layer.
 */
abstract sealed class LayeredStore implements StoreModel permits LayeredTank, AirBed {
  protected HeatStore store;
  protected final StoreGrid grid;
  protected final TabledEnthalpy enthalpy;
  protected final int n;
  protected final double[] celsius;
  protected final double[] joulesPerKg;
  protected final double[] mass; // kg in a layer of all bodies
  protected final double[] heated; // share of the source's heat by layer
  private final List<double[]> zones = new ArrayList<>();
  private final double[] put; // W into each layer during the coming step
  private final double[] side; // m² of a layer of all bodies
  private final double[] up; // W/K to the next layer
  private final double[] ratio;
  private final double[] right;
  private final double[] watts = new double[3];
  private final double end;

  LayeredStore(HeatStore store, StoreState start) {
    this.store = store;
    grid = start.grid();
    enthalpy = new TabledEnthalpy(store.medium().enthalpy());
    n = grid.layers();
    celsius = start.celsius();
    joulesPerKg = new double[n];
    mass = new double[n];
    heated = new double[n];
    put = new double[n];
    side = new double[n];
    up = new double[n];
    ratio = new double[n];
    right = new double[n];
    Geometry g = store.geometry();
    end = g.endArea() * store.count();
    double k = store.medium().conductivity().value();
    double zone = 0;
    for (int l = 0; l < n; l++) {
      double thick = grid.thickness(l);
      mass[l] = end * thick * store.medium().density().value();
      side[l] = g.perimeter() * thick * store.count();
      up[l] = l == n - 1 ? 0 : k * end / grid.layerRun(l);
      heated[l] = grid.overlap(store.zone(), 0, 0, l);
      zone += heated[l];
      joulesPerKg[l] = enthalpy.joulesPerKg(celsius[l]);
    }
    for (int l = 0; l < n; l++) {
      heated[l] /= zone;
    }
    zones.add(heated);
  }

  @Override
  public void step(double seconds, Surroundings around) {
    double beside = around.at(store.place().beyond(FaceName.SIDE));
    double over = around.at(store.place().beyond(FaceName.TOP));
    double below = around.at(store.place().beyond(FaceName.FOOT));
    double mean = meanCelsius();
    double uSide = store.transmittance(FaceName.SIDE, mean, beside);
    double uTop = store.transmittance(FaceName.TOP, celsius[n - 1], over);
    double uFoot = store.transmittance(FaceName.FOOT, celsius[0], below);
    for (int l = 0; l < n; l++) {
      double c = mass[l] * enthalpy.specificHeat(celsius[l]) / seconds;
      double down = l == 0 ? 0 : up[l - 1];
      double out = uSide * side[l];
      double pull = out * beside;
      if (l == n - 1) {
        out += uTop * end;
        pull += uTop * end * over;
      }
      if (l == 0) {
        out += uFoot * end;
        pull += uFoot * end * below;
      }
      double left = c + out + up[l] + down * (1 - (l == 0 ? 0 : ratio[l - 1]));
      ratio[l] = up[l] / left;
      right[l] = (c * celsius[l] + put[l] + pull + (l == 0 ? 0 : down * right[l - 1])) / left;
    }
    double above = 0;
    Arrays.fill(watts, 0);
    for (int l = n - 1; l >= 0; l--) {
      double next = right[l] + (l == n - 1 ? 0 : ratio[l] * above);
      above = next;
      watts[FaceName.SIDE.ordinal()] += uSide * side[l] * (next - beside);
      if (l == n - 1) {
        watts[FaceName.TOP.ordinal()] = uTop * end * (next - over);
      }
      if (l == 0) {
        watts[FaceName.FOOT.ordinal()] = uFoot * end * (next - below);
      }
      joulesPerKg[l] += enthalpy.specificHeat(celsius[l]) * (next - celsius[l]);
      celsius[l] = enthalpy.celsius(joulesPerKg[l], 0, next);
      put[l] = 0;
    }
    settle();
  }

  /** What layers do by themselves after they have been warmed or cooled. */
  abstract void settle();

  @Override
  public void mixIn(double joulesPerKelvin, double added) {
    double has = 0;
    for (int l = 0; l < n; l++) {
      has += mass[l] * enthalpy.specificHeat(celsius[l]);
    }
    double more = joulesPerKelvin / has;
    for (int l = 0; l < n; l++) {
      joulesPerKg[l] = (joulesPerKg[l] + more * enthalpy.joulesPerKg(added)) / (1 + more);
      mass[l] *= 1 + more;
      celsius[l] = enthalpy.celsius(joulesPerKg[l], 0, celsius[l]);
    }
    settle();
  }

  @Override
  public int zone(HeatedZone zone) {
    double[] share = new double[n];
    double all = 0;
    for (int l = 0; l < n; l++) {
      share[l] = grid.overlap(zone, 0, 0, l);
      all += share[l];
    }
    for (int l = 0; l < n; l++) {
      share[l] /= all;
    }
    zones.add(share);
    return zones.size() - 1;
  }

  @Override
  public void put(int zone, double watts) {
    double[] share = zones.get(zone);
    for (int l = 0; l < n; l++) {
      put[l] += share[l] * watts;
    }
  }

  @Override
  public double heat(int zone, double watts, double hottest, double band, double seconds) {
    double[] share = zones.get(zone);
    double taken = 0;
    for (int l = 0; l < n; l++) {
      double room = Math.max(0, hottest - celsius[l]);
      double holds = mass[l] * (enthalpy.joulesPerKg(hottest) - joulesPerKg[l]);
      double most = Math.max(0, holds / seconds - put[l]);
      double w = Math.min(most, watts * share[l] * Math.min(1, room / band));
      put[l] += w;
      taken += w;
    }
    return taken;
  }

  @Override
  public double zoneCelsius(int zone) {
    double[] share = zones.get(zone);
    double sum = 0;
    for (int l = 0; l < n; l++) {
      sum += share[l] * celsius[l];
    }
    return sum;
  }

  /** Of the exchanger's conductance, what lies in a layer; a share of all. */
  abstract double exchangerShare(int layer);

  @Override
  public void respond(
      double seconds, double capacityRate, double conductance, boolean charging, Outlet out) {
    out.atZero = 0;
    out.slope = 1;
    along(seconds, capacityRate, conductance, charging, 0, out);
  }

  @Override
  public double lead(
      double seconds, double capacityRate, double conductance, boolean charging, double inlet) {
    return along(seconds, capacityRate, conductance, charging, inlet, null);
  }

  /** Layer by layer, from the top down when it charges, from the foot up when it empties. */
  private double along(
      double seconds,
      double rate,
      double conductance,
      boolean charging,
      double inlet,
      @Nullable Outlet out) {
    double stream = inlet;
    double given = 0;
    for (int k = 0; k < n; k++) {
      int l = charging ? n - 1 - k : k;
      double part = exchangerShare(l);
      if (part > 0) {
        double g =
            Exchange.overStep(
                rate,
                -Math.expm1(-conductance * part / rate),
                mass[l] * enthalpy.specificHeat(celsius[l]) / seconds);
        if (out != null) {
          out.atZero += g / rate * (celsius[l] - out.atZero);
          out.slope *= 1 - g / rate;
        } else {
          double w = g * (celsius[l] - stream);
          put[l] -= w;
          stream += w / rate;
          given += w;
        }
      }
    }
    return given;
  }

  @Override
  public StoreState state() {
    return new StoreState(grid, celsius);
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
  public double at(double radiusFraction, double heightFraction) {
    return grid.interpolate(celsius, radiusFraction, heightFraction);
  }

  @Override
  public double highestCelsius() {
    return Arrays.stream(celsius).max().orElseThrow();
  }

  @Override
  public double meanCelsius() {
    double sum = 0;
    double total = 0;
    for (int l = 0; l < n; l++) {
      sum += mass[l] * celsius[l];
      total += mass[l];
    }
    return sum / total;
  }

  @Override
  public double usableEnergy() {
    double floor = enthalpy.joulesPerKg(store.floorCelsius());
    double joules = 0;
    for (int l = 0; l < n; l++) {
      joules += mass[l] * Math.max(0, joulesPerKg[l] - floor);
    }
    return joules;
  }

  @Override
  public double heatContent() {
    double joules = 0;
    for (int l = 0; l < n; l++) {
      joules += mass[l] * joulesPerKg[l];
    }
    return joules;
  }
}
