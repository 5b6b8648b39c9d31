package nightbank.core.system;

import java.util.ArrayList;
import java.util.List;

/** A control at work: what its guards remember, and when one of them will next turn. */
final class ControlRun {
  private static final double SHORTEST = 1; // s

  private final Control control;
  private final Action[] runs;
  private final Action[] stops;
  private final Guard[] guards;
  private final boolean[] on;
  private final double[] felt; // what each guard felt at the step's start
  private final double[] before;
  private boolean ran;
  private boolean steady; // whether it did in the last step what it does now
  private double lastStep;
  private int starts;
  private double runSeconds;
  private double amount = Double.NaN;

  ControlRun(String id, Control control, List<Action> actions) {
    this.control = control;
    runs = of(actions, id, Action.Kind.RUN);
    stops = of(actions, id, Action.Kind.STOP);
    guards = control.guards().toArray(Guard[]::new);
    on = new boolean[guards.length];
    felt = new double[guards.length];
    before = new double[guards.length];
    java.util.Arrays.fill(felt, Double.NaN);
  }

  private static Action[] of(List<Action> actions, String id, Action.Kind kind) {
    return actions.stream()
        .filter(a -> a.kind() == kind && a.of().equals(id))
        .toArray(Action[]::new);
  }

  /** Moments at which schedule or hand switch it. */
  List<Double> moments() {
    List<Double> all = new ArrayList<>();
    if (control.schedule() instanceof Control.Schedule.Between b) {
      b.windows().forEach(w -> add(all, w.from(), w.to()));
    }
    for (Action a : runs) {
      add(all, a.fromSeconds(), a.toSeconds());
    }
    for (Action a : stops) {
      add(all, a.fromSeconds(), a.toSeconds());
    }
    return all;
  }

  private static void add(List<Double> all, double from, double to) {
    all.add(from);
    all.add(to);
  }

  /** Whether it runs in the step that begins now. */
  boolean on(double second, Sensors sensors) {
    boolean may = scheduled(second);
    boolean free = true;
    for (int i = 0; i < guards.length; i++) {
      before[i] = felt[i];
      felt[i] = felt(guards[i], sensors);
      on[i] = turned(guards[i], felt[i], on[i]);
      free &= on[i];
    }
    boolean now = may && free;
    starts += now && !ran ? 1 : 0;
    steady = now == ran;
    ran = now;
    return now;
  }

  private boolean scheduled(double second) {
    amount = Double.NaN;
    for (Action a : stops) {
      if (a.runs(second)) {
        return false;
      }
    }
    for (Action a : runs) {
      if (a.runs(second)) {
        amount = a.amount();
        return true;
      }
    }
    if (control.schedule() instanceof Control.Schedule.Always) {
      return true;
    }
    if (control.schedule() instanceof Control.Schedule.Between b) {
      for (int i = 0; i < b.windows().size(); i++) {
        if (b.windows().get(i).holds(second)) {
          return true;
        }
      }
    }
    return false;
  }

  private static double felt(Guard g, Sensors sensors) {
    if (g instanceof Guard.Thermostat t) {
      return sensors.celsius(t.sensor());
    }
    if (g instanceof Guard.Above a) {
      return sensors.celsius(a.sensor());
    }
    Guard.Differential d = (Guard.Differential) g;
    return sensors.celsius(d.warm()) - sensors.celsius(d.cold());
  }

  private static boolean turned(Guard g, double value, boolean was) {
    if (Double.isNaN(value)) {
      return false; // a silent sensor: off
    }
    if (g instanceof Guard.Thermostat t) {
      return value < t.onBelow() || was && value <= t.offAbove();
    }
    return value > rising(g) || was && value >= falling(g);
  }

  /** At which it turns on as its value rises, for what is no thermostat. */
  private static double rising(Guard g) {
    return g instanceof Guard.Above a ? a.onAbove() : ((Guard.Differential) g).onAboveKelvin();
  }

  private static double falling(Guard g) {
    return g instanceof Guard.Above a ? a.offBelow() : ((Guard.Differential) g).offBelowKelvin();
  }

  /**
   * Longest step after which no guard will have turned long ago: on a straight line through what
   * was felt last; short where it has only just been switched.
   */
  double calm(double longest) {
    double step = longest;
    for (int i = 0; i < guards.length; i++) {
      if (Double.isNaN(felt[i]) || Double.isNaN(before[i]) || lastStep == 0) {
        continue;
      }
      if (!steady) {
        step = Math.min(step, Math.max(SHORTEST, longest / 8));
        continue;
      }
      double rate = (felt[i] - before[i]) / lastStep;
      double turn = next(guards[i], on[i], rate);
      double in = (turn - felt[i]) / rate;
      if (in > 0 && in < step) {
        step = Math.max(SHORTEST, in + 0.2);
      }
    }
    return step;
  }

  /** The value at which a guard turns when it goes on so; NaN when it goes away from it. */
  private static double next(Guard g, boolean on, double rate) {
    if (g instanceof Guard.Thermostat t) {
      return on ? rate > 0 ? t.offAbove() : Double.NaN : rate < 0 ? t.onBelow() : Double.NaN;
    }
    return on ? rate < 0 ? falling(g) : Double.NaN : rate > 0 ? rising(g) : Double.NaN;
  }

  void passed(double seconds) {
    lastStep = seconds;
    runSeconds += ran ? seconds : 0;
  }

  boolean guarded() {
    return guards.length > 0;
  }

  boolean ran() {
    return ran;
  }

  double amount() {
    return amount;
  }

  int starts() {
    return starts;
  }

  double runSeconds() {
    return runSeconds;
  }
}
