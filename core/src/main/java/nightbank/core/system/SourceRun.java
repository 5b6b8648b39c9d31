package nightbank.core.system;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nightbank.core.source.Circumstances;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.FireLoad;
import nightbank.core.source.HeatSource;
import nightbank.core.source.Receiver;
import nightbank.core.source.Share;
import nightbank.core.source.WoodFire;
import org.jspecify.annotations.Nullable;

/** A source at work, what switches it, and where its heat goes. */
final class SourceRun {
  final String id;
  final ControlRun control;
  private final HeatSource source;
  private final HeatSource.Running running;
  private final boolean indoors;
  private final Action[] bypasses;
  private final Action[] dampers;
  private final Action[] quenches;
  private final StoreRun[] stores; // by share; null for house and circuits
  private final CircuitRun[] circuits;
  private final int[] zones;
  private final double[] shares;
  private final boolean[] toHouse;
  private final List<CompostHeat.Batch> coming;
  private final @Nullable StoreRun heap;
  private final Circumstances now = new Circumstances();
  private final double[] watts;
  private double released;
  private double toStores;
  private double houseJoules;
  private double toCircuits;
  private double vented;
  private double lost;
  private double fuel;
  private double electric;
  private double ran; // s
  private double kept; // J since the last moment kept

  /** W of the step to the house, of these by long waves. */
  double houseWatts;

  double radiantWatts;

  SourceRun(
      SystemSource s,
      List<Action> actions,
      Map<String, StoreRun> storeRuns,
      Map<String, CircuitRun> circuitRuns,
      int moments) {
    id = s.id();
    indoors = s.indoors();
    source = withLoads(s, actions);
    running = source.begin();
    control = new ControlRun(id, s.control(), actions);
    bypasses = of(actions, Action.Kind.BYPASS);
    dampers = of(actions, Action.Kind.DAMPER_SHUT);
    quenches = of(actions, Action.Kind.QUENCH);
    int n = source.shares().size();
    stores = new StoreRun[n];
    circuits = new CircuitRun[n];
    zones = new int[n];
    shares = new double[n];
    toHouse = new boolean[n];
    watts = new double[moments];
    StoreRun first = null;
    for (int i = 0; i < n; i++) {
      Share share = source.shares().get(i);
      shares[i] = share.of();
      if (share.to() instanceof Receiver.StoreZone z) {
        stores[i] = storeRuns.get(z.store());
        zones[i] = stores[i] == null || z.zone() == null ? 0 : stores[i].model.zone(z.zone());
        first = first == null ? stores[i] : first;
      } else if (share.to() instanceof Receiver.Circuit c) {
        circuits[i] = circuitRuns.get(c.circuit());
      } else {
        toHouse[i] = true;
      }
    }
    heap = first;
    now.store = first == null ? null : first.model;
    now.zone = n > 0 ? zones[0] : 0;
    coming = new ArrayList<>();
    if (source instanceof CompostHeat c) {
      c.batches().stream().filter(b -> b.atSeconds() > 0).forEach(coming::add);
      coming.sort(java.util.Comparator.comparingDouble(CompostHeat.Batch::atSeconds));
    }
  }

  private Action[] of(List<Action> actions, Action.Kind kind) {
    return actions.stream()
        .filter(a -> a.kind() == kind && a.of().equals(id))
        .toArray(Action[]::new);
  }

  /** What is laid on by hand burns with what lies in the hearth already. */
  private static HeatSource withLoads(SystemSource s, List<Action> actions) {
    if (!(s.source() instanceof WoodFire fire)) {
      return s.source();
    }
    List<FireLoad> loads = new ArrayList<>(fire.loads());
    for (Action a : actions) {
      if (a.kind() == Action.Kind.LOAD && a.of().equals(s.id())) {
        loads.add(new FireLoad(a.fromSeconds(), a.amount(), a.moisture()));
      }
    }
    return fire.with(loads);
  }

  /** Moments at which something about it changes. */
  List<Double> moments() {
    List<Double> all = new ArrayList<>(control.moments());
    if (source instanceof WoodFire fire) {
      fire.loads().forEach(l -> all.add(l.atSeconds()));
    }
    coming.forEach(b -> all.add(b.atSeconds()));
    for (Action[] some : new Action[][] {bypasses, dampers, quenches}) {
      for (Action a : some) {
        all.add(a.fromSeconds());
        all.add(a.toSeconds());
      }
    }
    return all;
  }

  /** Feeds what comes now. */
  void feed(double second, double outdoor) {
    while (!coming.isEmpty() && coming.get(0).atSeconds() <= second + 1e-6) {
      CompostHeat.Batch b = coming.remove(0);
      if (heap != null) {
        heap.mixIn(b.heatCapacity(), outdoor);
      }
    }
  }

  void step(double from, double seconds, Sensors sensors) {
    now.on = control.ran();
    now.amount = control.amount();
    now.bypassed = any(bypasses, from);
    now.damperShut = any(dampers, from);
    now.quenched = begins(quenches, from);
    now.irradiance = sensors.irradiance;
    now.outdoorCelsius = sensors.outdoorCelsius;
    running.step(from, seconds, now);
    double made = running.watts();
    double breath = running.ventedWatts();
    double goes = made - breath;
    double past = now.bypassed ? WoodFire.pastBypass() : 1;
    double spent = 0;
    double unused = 0;
    double house = 0;
    for (int i = 0; i < shares.length; i++) {
      double w = goes * shares[i];
      if (toHouse[i]) {
        house += indoors ? w : 0;
      } else if (stores[i] != null) {
        double taken =
            source instanceof CompostHeat
                ? stores[i].made(zones[i], w, seconds)
                : stores[i].heat(zones[i], w * past, source, seconds);
        toStores += taken * seconds;
        spent += taken;
        unused += source.yields() ? w - taken : 0;
      } else if (circuits[i] != null) {
        circuits[i].boil(w);
      } else {
        unused += source.yields() ? w : 0;
      }
    }
    double rest = goes - spent - unused - house - circuitWatts(goes);
    if (source.flueless() && indoors) {
      house += rest; // nothing leaves by a flue
      rest = 0;
    }
    double damp = indoors ? breath : 0; // a heap that breathes into the house warms it
    houseWatts = house + damp;
    radiantWatts = source.radiant() * house;
    released += (made - unused) * seconds;
    houseJoules += houseWatts * seconds;
    vented += (breath - damp) * seconds;
    lost += rest * seconds;
    ran += made > 0 ? seconds : 0;
    fuel += running.fuelWatts() * seconds;
    electric += Math.max(0, running.electricWatts() - unused) * seconds;
    kept += (made - unused) * seconds;
  }

  private double circuitWatts(double goes) {
    double sum = 0;
    for (int i = 0; i < shares.length; i++) {
      sum += circuits[i] == null ? 0 : goes * shares[i];
    }
    return sum;
  }

  /** What circuits did with its heat: taken up, or boiled away and up the flue. */
  void afterCircuits(double seconds) {
    for (int i = 0; i < shares.length; i++) {
      if (circuits[i] != null) {
        double w = (running.watts() - running.ventedWatts()) * shares[i];
        double taken = w * circuits[i].boilerTook();
        toCircuits += taken * seconds;
        lost += (w - taken) * seconds;
      }
    }
  }

  private static boolean any(Action[] some, double at) {
    for (Action a : some) {
      if (a.runs(at)) {
        return true;
      }
    }
    return false;
  }

  private static boolean begins(Action[] some, double at) {
    for (Action a : some) {
      if (Math.abs(a.fromSeconds() - at) < 1e-3) {
        return true;
      }
    }
    return false;
  }

  double vapour() {
    return indoors ? running.vapour() : 0;
  }

  double drawnAir() {
    return indoors ? running.drawnAir() : 0;
  }

  boolean heats(StoreRun store) {
    for (StoreRun s : stores) {
      if (s == store) {
        return running.watts() > 0;
      }
    }
    return false;
  }

  void keep(int moment, double seconds) {
    watts[moment] = kept / seconds;
    kept = 0;
  }

  SystemResult.SourceTrace trace() {
    return SystemResultSourceTraceBuilder.builder()
        .id(id)
        .watts(watts)
        .releasedJoules(released)
        .toStoresJoules(toStores)
        .toHouseJoules(houseJoules)
        .toCircuitsJoules(toCircuits)
        .ventedJoules(vented)
        .lostJoules(lost)
        .fuelJoules(fuel)
        .electricJoules(electric)
        .leftJoules(running.leftJoules())
        .runSeconds(ran)
        .starts(control.starts())
        .build();
  }
}
