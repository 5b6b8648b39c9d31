package nightbank.core.system;

import java.util.Map;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.model.LayeredTank;
import nightbank.core.store.model.StoreModel.Outlet;
import org.jspecify.annotations.Nullable;

/** One end of a circuit at work: how it answers a stream, linear in what comes in. */
abstract class EndRun {
  private static final double STALE = 2; // K: films are reckoned anew
  private static final double STILL = 1e6; // W/K: water drawn from a bucket is the bucket's

  /** Null where its store is not there, or nothing is led through it. */
  static @Nullable EndRun of(CircuitEnd end, FluidStream stream, Map<String, StoreRun> stores) {
    if (end.storeId().isEmpty()) {
      return new Placed(end);
    }
    StoreRun store = stores.get(end.storeId().get());
    if (store == null) {
      return null;
    }
    if (end instanceof CircuitEnd.InStore in) {
      HeatExchanger own = store.passage();
      HeatExchanger passage = in.passage() == null ? own : in.passage();
      return passage == null ? null : new Exchanging(store, passage, stream, Double.NaN);
    }
    if (end instanceof CircuitEnd.Exchanger e) {
      return new Exchanging(store, null, stream, e.wattsPerKelvin());
    }
    if (end instanceof CircuitEnd.Drawn d) {
      return store.model instanceof LayeredTank tank
          ? new Drawing(store, tank, d)
          : new Exchanging(store, null, stream, STILL);
    }
    return new Placed(end);
  }

  abstract void respond(
      double seconds, double rate, Sensors sensors, double boilerWatts, Outlet out);

  /**
   * Takes place.
   *
   * @return W that it gives to the fluid
   */
  double apply(double seconds, double rate, double in, double out) {
    return rate * (out - in);
  }

  double highest() {
    return Double.POSITIVE_INFINITY;
  }

  @Nullable StoreRun store() {
    return null;
  }

  boolean inAir() {
    return false;
  }

  /** W/K by which a stream ties the house's air to it here. */
  double tie(double rate) {
    return 0;
  }

  boolean inFloor() {
    return false;
  }

  boolean boils() {
    return false;
  }

  /** A coil, stones or pipes in a store, or an exchanger of known UA. */
  private static final class Exchanging extends EndRun {
    private final StoreRun store;
    private final @Nullable HeatExchanger passage;
    private final FluidStream stream;
    private double conductance;
    private double reckonedAt = Double.NaN;
    private boolean charging;

    Exchanging(
        StoreRun store, @Nullable HeatExchanger passage, FluidStream stream, double conductance) {
      this.store = store;
      this.passage = passage;
      this.stream = stream;
      this.conductance = conductance;
    }

    @Override
    void respond(double seconds, double rate, Sensors sensors, double boilerWatts, Outlet out) {
      double zone = store.model.zoneCelsius();
      if (passage != null && !(Math.abs(zone - reckonedAt) < STALE)) {
        conductance = passage.conductance(store.store(), stream, zone);
        reckonedAt = zone;
      }
      store.model.respond(seconds, rate, conductance, charging, out);
    }

    @Override
    double apply(double seconds, double rate, double in, double out) {
      double w = store.model.lead(seconds, rate, conductance, charging, in);
      charging = w < 0;
      return w;
    }

    @Override
    @Nullable StoreRun store() {
      return store;
    }
  }

  /** Water drawn from a layered tank itself. */
  private static final class Drawing extends EndRun {
    private final StoreRun store;
    private final LayeredTank tank;
    private final CircuitEnd.Drawn end;

    Drawing(StoreRun store, LayeredTank tank, CircuitEnd.Drawn end) {
      this.store = store;
      this.tank = tank;
      this.end = end;
    }

    @Override
    void respond(double seconds, double rate, Sensors sensors, double boilerWatts, Outlet out) {
      double flow = rate / FluidStream.Fluid.WATER.specificHeat();
      out.atZero = tank.drawnCelsius(seconds, flow, end.returnedAt(), end.takenAt());
      out.slope = 0;
    }

    @Override
    double apply(double seconds, double rate, double in, double out) {
      double w = rate * (out - in);
      tank.exchange(
          seconds,
          rate / FluidStream.Fluid.WATER.specificHeat(),
          end.returnedAt(),
          end.takenAt(),
          w * seconds);
      return w;
    }

    @Override
    @Nullable StoreRun store() {
      return store;
    }
  }

  /** An end that is no store's. */
  private static final class Placed extends EndRun {
    private final CircuitEnd end;

    Placed(CircuitEnd end) {
      this.end = end;
    }

    @Override
    void respond(double seconds, double rate, Sensors sensors, double boilerWatts, Outlet out) {
      if (end instanceof CircuitEnd.Radiator r) {
        towards(sensors.houseAir(), r.wattsPerKelvin() / rate, out);
      } else if (end instanceof CircuitEnd.UnderFloor u) {
        towards(sensors.bed(), u.wattsPerKelvin() / rate, out);
      } else if (end instanceof CircuitEnd.HouseAir) {
        at(sensors.houseAir(), out);
      } else if (end instanceof CircuitEnd.OutdoorAir) {
        at(sensors.outdoorCelsius, out);
      } else if (end instanceof CircuitEnd.Held h) {
        at(h.celsius(), out);
      } else if (end instanceof CircuitEnd.Collector c) {
        double loss = c.squareMetres() * c.lossWattsPerSquareMetreKelvin();
        towards(sensors.standing(c), loss / rate, out);
      } else if (end instanceof CircuitEnd.Takes t) {
        out.atZero = -t.watts() / rate;
        out.slope = 1;
      } else {
        out.atZero = boilerWatts / rate;
        out.slope = 1;
      }
    }

    /** Share of the way that a stream comes to what stays as it is. */
    private static double passed(double transferUnits) {
      return -Math.expm1(-transferUnits);
    }

    private static void towards(double celsius, double transferUnits, Outlet out) {
      double share = passed(transferUnits);
      out.atZero = share * celsius;
      out.slope = 1 - share;
    }

    private static void at(double celsius, Outlet out) {
      out.atZero = celsius;
      out.slope = 0;
    }

    @Override
    double highest() {
      return end instanceof CircuitEnd.Boiler b ? b.highestCelsius() : Double.POSITIVE_INFINITY;
    }

    @Override
    boolean inAir() {
      return end instanceof CircuitEnd.Radiator || end instanceof CircuitEnd.HouseAir;
    }

    @Override
    double tie(double rate) {
      if (end instanceof CircuitEnd.Radiator r) {
        return rate * passed(r.wattsPerKelvin() / rate);
      }
      return inAir() ? rate : 0;
    }

    @Override
    boolean inFloor() {
      return end instanceof CircuitEnd.UnderFloor;
    }

    @Override
    boolean boils() {
      return end instanceof CircuitEnd.Boiler;
    }
  }
}
