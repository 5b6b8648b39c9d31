package nightbank.core.system;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.function.Function;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseModel;
import nightbank.core.store.model.StoreModel;
import nightbank.core.weather.Interpolation;
import nightbank.core.weather.Weather;
import org.jspecify.annotations.Nullable;

/**
 * A place through time: house, stores, sources, circuits, heat pumps and what switches them, one
 * simulation for a charge, a night, a week and a winter.
 *
 * <p>All parts see the state of the step's start; what one gives, another gets in the same step, so
 * that every joule is booked whatever the order of parts. Steps are parted where schedule, hand or
 * loads change something, and where a guard is about to turn. Where stores and circuits tie the air
 * so strongly that this would swing, steps are shorter. Error is first order in the step. The loop
 * allocates nothing but where a lid is lifted or shut.
 */
public final class SystemSimulation {
  /** What a fleece over the plants is worth, K; 17 g/m² fleece, 1.5 to 3 in practice. */
  public static final double COVER_KELVIN = 2;

  private static final double CALM = 1; // of the air's heat capacity in one part: beyond it swings
  private static final int MOST_PARTS = 100;

  private SystemSimulation() {}

  /** Somebody who looks on. */
  public interface Watcher {
    /** At a moment that is kept, the first included; models in the order of the plan's stores. */
    void at(double second, List<StoreModel> stores);
  }

  public static SystemResult run(SystemPlan plan) {
    return run(plan, (second, stores) -> {});
  }

  public static SystemResult run(SystemPlan plan, Watcher watcher) {
    return new Run(plan, watcher).go();
  }

  private static final class Run {
    private final SystemPlan plan;
    private final Watcher watcher;
    private final Weather weather;
    private final @Nullable HouseModel model; // null where stores are looked at alone
    private final HouseModel.Step now = new HouseModel.Step();
    private final Sensors sensors;
    private final Map<String, StoreRun> byId = new HashMap<>();
    private final StoreRun[] stores;
    private final SourceRun[] sources;
    private final CircuitRun[] circuits;
    private final PumpRun[] pumps;
    private final List<StoreModel> models = new ArrayList<>();
    private final HouseDoings doings;
    private final double[] turns; // moments at which something changes, rising
    private final int moments;
    private final double record;
    private final double longest;
    private final double start;
    private final double[] seconds;
    private final double[] outdoor;
    private final double[] air;
    private final double[] leaf;
    private final double[] plants;
    private final double[] floor;
    private int turn;
    private double lowest = Double.POSITIVE_INFINITY;
    private double lowestAt;
    private double bill;
    private double peak;
    private double lost;
    private double vented;
    private double sun;
    private double direct;
    private double fromMass;
    private double gained;
    private double cold;

    Run(SystemPlan plan, Watcher watcher) {
      this.plan = plan;
      this.watcher = watcher;
      Greenhouse house = plan.system().house().orElse(null);
      weather = plan.weather();
      model =
          house == null
              ? null
              : new HouseModel(house, plan.airCelsius(), plan.massCelsius(), plan.groundCelsius())
                  .forSteps(plan.stepSeconds());
      moments = (int) Math.ceil(plan.lengthSeconds() / plan.recordSeconds() - 1e-9) + 1;
      record = plan.lengthSeconds() / (moments - 1);
      List<Action> actions = plan.actions();
      List<SystemStore> parts = sorted(plan.system().stores(), SystemStore::id);
      for (SystemStore s : parts) {
        byId.put(s.id(), new StoreRun(s, house, actions, moments));
      }
      stores = parts.stream().map(s -> byId.get(s.id())).toArray(StoreRun[]::new);
      plan.system()
          .stores()
          .forEach(s -> models.add(Objects.requireNonNull(byId.get(s.id())).model));
      Map<String, CircuitRun> led = new LinkedHashMap<>();
      Map<String, CircuitEnd.Collector> collectors = new HashMap<>();
      for (FluidCircuit c : sorted(plan.system().circuits(), FluidCircuit::id)) {
        led.put(c.id(), new CircuitRun(c, actions, byId, moments));
        c.ends().stream()
            .filter(e -> e instanceof CircuitEnd.Collector)
            .findFirst()
            .ifPresent(e -> collectors.put(c.id(), (CircuitEnd.Collector) e));
      }
      circuits = led.values().toArray(CircuitRun[]::new);
      sources =
          sorted(plan.system().sources(), SystemSource::id).stream()
              .map(s -> new SourceRun(s, actions, byId, led, moments))
              .toArray(SourceRun[]::new);
      pumps =
          sorted(plan.system().pumps(), PumpedHeat::id).stream()
              .map(p -> new PumpRun(p, actions, byId, moments))
              .toArray(PumpRun[]::new);
      sensors = new Sensors(byId, collectors, model, plan.airCelsius());
      doings = new HouseDoings(actions);
      turns = turns(actions);
      longest = house == null ? plan.stepSeconds() : calm(house);
      start = model == null ? 0 : model.heatContent();
      seconds = new double[moments];
      outdoor = new double[moments];
      air = new double[moments];
      leaf = new double[moments];
      plants = new double[moments];
      floor = new double[moments];
    }

    private static <T> List<T> sorted(List<T> parts, Function<T, String> id) {
      return parts.stream().sorted(Comparator.comparing(id)).toList();
    }

    /** Step within which what ties the air cannot make it swing. */
    private double calm(Greenhouse house) {
      double ties = 0;
      for (StoreRun s : stores) {
        ties += s.tie(plan.airCelsius());
      }
      for (CircuitRun c : circuits) {
        ties += c.tie();
      }
      double most = CALM * house.airCapacity() / Math.max(1e-9, ties);
      return Math.max(plan.stepSeconds() / MOST_PARTS, Math.min(plan.stepSeconds(), most));
    }

    private double[] turns(List<Action> actions) {
      TreeSet<Double> all = new TreeSet<>();
      for (Action a : actions) {
        all.add(a.fromSeconds());
        all.add(a.toSeconds());
      }
      for (SourceRun s : sources) {
        all.addAll(s.moments());
      }
      for (CircuitRun c : circuits) {
        all.addAll(c.control.moments());
      }
      for (PumpRun p : pumps) {
        all.addAll(p.control.moments());
      }
      return all.stream()
          .filter(t -> t > 1e-6 && t < plan.lengthSeconds())
          .mapToDouble(t -> t)
          .toArray();
    }

    SystemResult go() {
      keep(0);
      double at = 0;
      for (int k = 1; k < moments; k++) {
        double until = k == moments - 1 ? plan.lengthSeconds() : k * record;
        while (at < until - 1e-6) {
          double h = next(at, until);
          step(at, h);
          at = at + h > until - 1e-6 ? until : at + h;
        }
        keep(k);
      }
      leaf[0] = moments > 1 ? air[0] + leaf[1] - air[1] : leaf[0];
      return result();
    }

    private double next(double at, double until) {
      while (turn < turns.length && turns[turn] <= at + 1e-6) {
        turn++;
      }
      double end = turn < turns.length ? Math.min(until, turns[turn]) : until;
      feel(at);
      double h = longest;
      for (SourceRun s : sources) {
        s.control.on(at, sensors);
        h = Math.min(h, s.control.calm(h));
      }
      for (CircuitRun c : circuits) {
        c.control.on(at, sensors);
        h = Math.min(h, c.control.calm(h));
      }
      for (PumpRun p : pumps) {
        p.control.on(at, sensors);
        h = Math.min(h, p.calm(p.control.calm(h), sensors));
      }
      double left = end - at;
      return left <= h ? left : left / Math.ceil(left / h - 1e-9);
    }

    private void feel(double at) {
      sensors.outdoorCelsius = weather.outdoorAt(at);
      sensors.irradiance = along(plan.irradiance(), at);
    }

    private double along(double[] row, double at) {
      return row.length == 0 ? 0 : Interpolation.linear(weather.seconds(), row, at);
    }

    private void step(double at, double h) {
      double ground = plan.groundCelsius();
      boolean needed = model != null && model.demandWatts() > 0;
      now.drawnAir = 0;
      now.vapour = 0;
      double toAir = 0;
      double radiant = 0;
      double toFloor = 0;
      double toPipes = 0;
      for (SourceRun s : sources) {
        s.feed(at, sensors.outdoorCelsius);
        s.step(at, h, sensors);
        now.drawnAir += s.drawnAir();
        now.vapour += s.vapour();
        toAir += s.houseWatts - s.radiantWatts;
        radiant += s.radiantWatts;
        direct += s.houseWatts * h;
      }
      for (CircuitRun c : circuits) {
        c.step(h, sensors, needed);
        toAir += c.airWatts;
        toPipes += c.floorWatts;
      }
      for (SourceRun s : sources) {
        s.afterCircuits(h);
        s.control.passed(h);
      }
      for (PumpRun p : pumps) {
        p.step(h, sensors, needed);
        toAir += p.houseWatts;
        p.control.passed(h);
      }
      for (StoreRun s : stores) {
        s.lid(at);
        s.step(h, sensors, ground, needed, heated(s) ? 1 : 0);
        toAir += s.houseWatts - s.radiantWatts - s.floorWatts;
        radiant += s.radiantWatts;
        toFloor += s.floorWatts;
      }
      for (CircuitRun c : circuits) {
        c.control.passed(h);
      }
      if (model != null) {
        house(model, at, h, toAir, radiant, toFloor, toPipes);
      }
    }

    private boolean heated(StoreRun store) {
      for (SourceRun s : sources) {
        if (s.heats(store)) {
          return true;
        }
      }
      return false;
    }

    private void house(
        HouseModel model,
        double at,
        double h,
        double toAir,
        double radiant,
        double toFloor,
        double toPipes) {
      double end = at + h;
      now.outdoorCelsius = weather.outdoorAt(end);
      now.windMetresPerSecond = weather.windAt(end);
      now.skyCelsius = weather.skyAt(end);
      now.outdoorDewCelsius = weather.dewPointAt(end);
      now.groundCelsius = plan.groundCelsius();
      now.screenDrawn = doings.any(Action.Kind.SCREEN, at);
      now.gapsStuffed = doings.any(Action.Kind.STUFF_GAPS, at);
      now.doorSquareMetres = doings.door(at);
      now.sunWatts = along(plan.sunWatts(), end);
      now.gainWatts = toAir;
      now.radiantWatts = radiant;
      now.floorWatts = toFloor;
      now.pipeWatts = toPipes;
      model.step(h, now);
      gained += (toAir + radiant + toFloor + toPipes) * h + model.vapourJoules();
      sun += model.sunJoules();
      lost += model.lostJoules() + model.groundJoules();
      vented += model.ventedJoules();
      fromMass += model.fromMassJoules();
      bill += model.demandWatts() * h;
      peak = Math.max(peak, model.demandWatts());
      double felt = felt(model, end);
      cold += Math.max(0, plan.house().plantLimitCelsius() - felt) * h / 3600;
      if (felt < lowest) {
        lowest = felt;
        lowestAt = end;
      }
    }

    private double felt(HouseModel model, double at) {
      double cover = doings.any(Action.Kind.COVER, at - 1e-3) ? COVER_KELVIN : 0;
      return model.limitedCelsius() + cover;
    }

    private void keep(int k) {
      double at = k == moments - 1 ? plan.lengthSeconds() : k * record;
      seconds[k] = at;
      outdoor[k] = weather.outdoorAt(at);
      air[k] = model == null ? plan.airCelsius() : model.airCelsius();
      leaf[k] = model == null ? plan.airCelsius() : model.shoneOnCelsius();
      plants[k] = model == null ? plan.airCelsius() : felt(model, at);
      floor[k] = model == null ? plan.airCelsius() : model.floorCelsius();
      if (k > 0) {
        for (StoreRun s : stores) {
          s.keep(k, record);
        }
        for (SourceRun s : sources) {
          s.keep(k, record);
        }
        for (CircuitRun c : circuits) {
          c.keep(k, record);
        }
        for (PumpRun p : pumps) {
          p.keep(k, record);
        }
      }
      watcher.at(at, models);
    }

    private SystemResult result() {
      double change = model == null ? 0 : model.heatContent() - start;
      double residual = gained + sun - lost - vented - change;
      PlantSystem system = plan.system();
      List<SystemResult.StoreTrace> through =
          inOrder(system.stores(), SystemStore::id, stores, r -> r.id, StoreRun::trace);
      for (SystemResult.StoreTrace t : through) {
        residual += t.residualJoules();
      }
      return SystemResultBuilder.builder()
          .seconds(seconds)
          .outdoor(outdoor)
          .air(air)
          .leaf(leaf)
          .plants(plants)
          .floor(floor)
          .stores(through)
          .sources(
              inOrder(system.sources(), SystemSource::id, sources, r -> r.id, SourceRun::trace))
          .circuits(
              inOrder(system.circuits(), FluidCircuit::id, circuits, r -> r.id, CircuitRun::trace))
          .pumps(inOrder(system.pumps(), PumpedHeat::id, pumps, r -> r.id, PumpRun::trace))
          .lowestCelsius(model == null ? plan.airCelsius() : lowest)
          .lowestAtSeconds(lowestAt)
          .coldDegreeHours(cold)
          .billJoules(bill)
          .peakDemandWatts(peak)
          .lostJoules(lost)
          .massJoules(fromMass)
          .ventedJoules(vented)
          .sunJoules(sun)
          .directJoules(direct)
          .residualJoules(residual)
          .stepSeconds(longest)
          .build();
    }

    /** As the plan has them; they ran in the order of their ids. */
    private static <P, R, T> List<T> inOrder(
        List<P> parts,
        Function<P, String> idOf,
        R[] runs,
        Function<R, String> idOfRun,
        Function<R, T> trace) {
      Map<String, R> by = new HashMap<>();
      for (R r : runs) {
        by.put(idOfRun.apply(r), r);
      }
      return parts.stream().map(p -> trace.apply(by.get(idOf.apply(p)))).toList();
    }
  }
}
