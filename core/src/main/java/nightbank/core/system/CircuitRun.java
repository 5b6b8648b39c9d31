package nightbank.core.system;

import java.util.List;
import java.util.Map;
import nightbank.core.store.FluidStream;
import nightbank.core.store.model.StoreModel.Outlet;

/** A circuit at work: finds the temperature at which its fluid comes round, and moves the heat. */
final class CircuitRun {
  final String id;
  final ControlRun control;
  private final FluidStream stream;
  private final boolean air;
  private final EndRun[] ends;
  private final Outlet[] outlets;
  private final double[] got; // W that each end gave to the fluid in the step
  private final double[] netJoules;
  private final double[] watts;
  private double boiler; // W that sources gave its boiler in the step
  private double boilerTook;
  private double moved;
  private double toHouse;
  private double electric;
  private double kept;
  private double comesRound = Double.NaN;

  /** W of the step to the house's air and floor. */
  double airWatts;

  double floorWatts;

  CircuitRun(FluidCircuit c, List<Action> actions, Map<String, StoreRun> stores, int moments) {
    id = c.id();
    stream = c.stream();
    air = stream.fluid() == FluidStream.Fluid.AIR;
    control = new ControlRun(id, c.control(), actions);
    int n = c.ends().size();
    ends = new EndRun[n];
    outlets = new Outlet[n];
    got = new double[n];
    netJoules = new double[n];
    watts = new double[moments];
    for (int i = 0; i < n; i++) {
      ends[i] = EndRun.of(c.ends().get(i), stream, stores);
      outlets[i] = new Outlet();
    }
  }

  /** Whether every store that it leads to is there. */
  boolean whole() {
    for (EndRun e : ends) {
      if (e == null) {
        return false;
      }
    }
    return true;
  }

  /** W/K that tie the house's air while it runs. */
  double tie() {
    double sum = 0;
    for (EndRun e : ends) {
      sum += e != null ? e.tie(stream.capacityRate()) : 0;
    }
    return sum;
  }

  void boil(double w) {
    boiler += w;
  }

  /** Share of the boiler's heat that the fluid took in the step. */
  double boilerTook() {
    return boilerTook;
  }

  void step(double seconds, Sensors sensors, boolean needed) {
    airWatts = 0;
    floorWatts = 0;
    boilerTook = 0;
    if (control.ran() && whole()) {
      double rate = stream.capacityRate();
      for (int i = 0; i < ends.length; i++) {
        ends[i].respond(seconds, rate, sensors, boiler, outlets[i]);
      }
      lead(seconds, rate, sensors, needed);
      electric += stream.machineWatts() * seconds;
    }
    boiler = 0;
  }

  private void lead(double seconds, double rate, Sensors sensors, boolean needed) {
    double fan = air ? stream.machineWatts() / rate : 0; // K: a fan's power warms its air
    double inlet = closed(fan);
    if (Double.isNaN(inlet)) {
      return; // nothing but givers: no heat can go round
    }
    for (int i = 0; i < ends.length; i++) {
      // a boiler or collector gives less rather than get hotter than it can
      double most = ends[i].highest();
      Outlet o = outlets[i];
      if (at(i, inlet, fan) * o.slope + o.atZero > most + 1e-9) {
        o.atZero = most;
        o.slope = 0;
        inlet = closed(fan);
        if (at(i, inlet, fan) > most) { // it comes in hotter: nothing is given
          o.atZero = 0;
          o.slope = 1;
          inlet = closed(fan);
        }
        if (Double.isNaN(inlet)) {
          return;
        }
      }
    }
    comesRound = inlet;
    double given = air ? stream.machineWatts() : 0;
    double house = 0;
    double t = inlet + fan;
    for (int i = 0; i < ends.length; i++) {
      double out = outlets[i].atZero + outlets[i].slope * t;
      got[i] = ends[i].apply(seconds, rate, t, out);
      given += Math.max(0, got[i]);
      if (ends[i].inAir()) {
        airWatts -= got[i];
        house -= got[i];
      } else if (ends[i].inFloor()) {
        floorWatts -= got[i];
        house -= got[i];
      } else if (ends[i].boils()) {
        boilerTook = boiler > 0 ? Math.max(0, Math.min(1, got[i] / boiler)) : 0;
      }
      netJoules[i] += got[i] * seconds;
      t = out;
    }
    book(seconds, given, house, needed);
  }

  private void book(double seconds, double given, double house, boolean needed) {
    double share = given > 0 ? Math.max(0, house) / given : 0;
    for (int i = 0; i < ends.length; i++) {
      if (ends[i].store() != null) {
        double w = got[i];
        ends[i].store().gave(w * seconds, w > 0 ? w * share * seconds : 0, needed);
      }
    }
    moved += given * seconds;
    kept += given * seconds;
    toHouse += house * seconds;
  }

  /** Temperature with which the fluid comes to the first end, so that it comes round the same. */
  private double closed(double fan) {
    double a = fan;
    double b = 1;
    for (Outlet o : outlets) {
      a = o.atZero + o.slope * a;
      b *= o.slope;
    }
    return 1 - b < 1e-9 ? Double.NaN : a / (1 - b);
  }

  private double at(int end, double inlet, double fan) {
    double t = inlet + fan;
    for (int i = 0; i < end; i++) {
      t = outlets[i].atZero + outlets[i].slope * t;
    }
    return t;
  }

  /** Fluid temperature at the first end in the last step that it ran, °C; NaN before. */
  double comesRound() {
    return comesRound;
  }

  void keep(int moment, double seconds) {
    watts[moment] = kept / seconds;
    kept = 0;
  }

  SystemResult.CircuitTrace trace() {
    return new SystemResult.CircuitTrace(
        id, watts, netJoules, moved, toHouse, electric, control.runSeconds(), control.starts());
  }
}
