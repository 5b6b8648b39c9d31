package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.house.Greenhouse;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Flames;
import nightbank.core.source.FuelHeater;
import nightbank.core.source.HeatSource;
import nightbank.core.source.WoodFire;
import nightbank.core.store.FaceName;
import nightbank.core.store.Place.Beyond;
import nightbank.core.system.Action;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;

/**
 * Something that can be done in a place, by what there is.
 *
 * @param usual a sensible amount to begin with: kg, W or flames; NaN where there is none
 */
public record Possible(Action.Kind kind, String of, double usual) {
  private static final double USUAL_LOAD = 5; // kg
  private static final double[] LOADS = {2, 3.5, 5, 7, 10, 14};
  private static final double[] LOADS_OF_DAYS = {3.5, 7, 14};
  private static final double[] LOAD_TIMES = {0, 0.25, 0.5}; // of the night from dusk on
  private static final double[] RUN_TIMES = {0, 0.25, 0.5, 0.75};
  private static final double[] LID_TIMES = {0, 0.2, 0.4, 0.6, 0.8};

  /**
   * Everything that can be done.
   *
   * @param fleece whether there is fleece to lay over the plants
   */
  public static List<Possible> in(PlantSystem system, boolean fleece) {
    List<Possible> all = new ArrayList<>();
    Greenhouse house = system.house().orElseThrow();
    if (house.skin().stream().anyMatch(p -> p.screenResistance() > 0)) {
      all.add(new Possible(Action.Kind.SCREEN, "", Double.NaN));
    }
    if (fleece) {
      all.add(new Possible(Action.Kind.COVER, "", Double.NaN));
    }
    if (!house.gaps().isEmpty()) {
      all.add(new Possible(Action.Kind.STUFF_GAPS, "", Double.NaN));
    }
    for (SystemSource s : system.sources()) {
      if (s.source() instanceof WoodFire) {
        all.add(new Possible(Action.Kind.LOAD, s.id(), USUAL_LOAD));
      } else if (!s.control().runsByItself()) {
        all.add(new Possible(Action.Kind.RUN, s.id(), usual(s.source())));
      }
    }
    system.circuits().stream()
        .filter(c -> !c.control().runsByItself())
        .forEach(c -> all.add(new Possible(Action.Kind.RUN, c.id(), Double.NaN)));
    system.pumps().stream()
        .filter(p -> !p.control().runsByItself())
        .forEach(p -> all.add(new Possible(Action.Kind.RUN, p.id(), Double.NaN)));
    for (SystemStore s : system.stores()) {
      boolean lid = !s.store().face(FaceName.TOP).layers().isEmpty();
      if (lid && s.store().place().beyond(FaceName.TOP) == Beyond.HOUSE_AIR) {
        all.add(new Possible(Action.Kind.LID_OFF, s.id(), Double.NaN));
      }
    }
    return all;
  }

  private static double usual(HeatSource source) {
    if (source instanceof ElectricHeat e) {
      return e.watts();
    }
    if (source instanceof Flames f) {
      return f.count();
    }
    return source instanceof FuelHeater f ? f.watts() : Double.NaN;
  }

  /**
   * The ways in which all of it can be done in a night: how much, and from when.
   *
   * @param duskSeconds after the start; 0 where it is past
   */
  public static List<Advice.Option> options(
      SystemPlan plan, List<Possible> possible, double duskSeconds) {
    List<Advice.Option> all = new ArrayList<>();
    double dusk = Math.max(0, Math.min(plan.lengthSeconds() - 600, duskSeconds));
    for (Possible p : possible) {
      boolean stands =
          plan.actions().stream().anyMatch(a -> a.kind() == p.kind && a.of().equals(p.of));
      if (!stands) {
        all.add(p.ways(plan, dusk));
      }
    }
    return all;
  }

  /**
   * The ways in which it can be done over several days: by day from noon, at dusk, late in the
   * night; so much in each.
   */
  static List<List<Action>> overDays(
      SystemPlan plan, List<Possible> possible, List<NightsAhead.Span> nights) {
    List<List<Action>> all = new ArrayList<>();
    double dayBegins = 0;
    for (NightsAhead.Span night : nights) {
      for (Possible p : possible) {
        p.onDay(plan, dayBegins, night).forEach(a -> all.add(List.of(a)));
      }
      dayBegins = night.dawn();
    }
    return all;
  }

  private List<Action> onDay(SystemPlan plan, double dayBegins, NightsAhead.Span night) {
    double dusk = Math.max(dayBegins, night.dusk());
    double dawn = night.dawn();
    double noon = (dayBegins + dusk) / 2;
    boolean day = dusk - dayBegins > 2 * 3600;
    double late = dusk + (dawn - dusk) / 2;
    List<Action> ways = new ArrayList<>();
    switch (kind) {
      case LOAD -> {
        for (double kilograms : LOADS_OF_DAYS) {
          if (day) {
            ways.add(Action.load(of, noon, kilograms));
          }
          ways.add(Action.load(of, dusk, kilograms));
          ways.add(Action.load(of, late, kilograms));
        }
      }
      case RUN -> {
        for (double amount : amounts(plan)) {
          if (day) {
            ways.add(new Action(kind, of, noon - (dusk - noon) / 2, dusk, amount));
          }
          ways.add(new Action(kind, of, dusk, dawn, amount));
          ways.add(new Action(kind, of, late, dawn, amount));
        }
      }
      case LID_OFF -> {
        ways.add(new Action(kind, of, dusk, dawn, Double.NaN));
        ways.add(new Action(kind, of, late, dawn, Double.NaN));
      }
      default -> ways.add(new Action(kind, of, dusk, dawn, Double.NaN));
    }
    return ways;
  }

  private Advice.Option ways(SystemPlan plan, double dusk) {
    double end = plan.lengthSeconds();
    List<Action> ways = new ArrayList<>();
    switch (kind) {
      case LOAD -> {
        for (double share : LOAD_TIMES) {
          for (double kilograms : LOADS) {
            ways.add(Action.load(of, dusk + share * (end - dusk), kilograms));
          }
        }
        if (dusk > 3600) {
          for (double kilograms : LOADS) {
            ways.add(Action.load(of, dusk / 2, kilograms)); // before dusk, into the mass
          }
        }
      }
      case RUN -> {
        for (double share : RUN_TIMES) {
          double from = dusk + share * (end - dusk);
          for (double amount : amounts(plan)) {
            ways.add(new Action(kind, of, from, end, amount));
          }
        }
        if (dusk > 1800) {
          for (double amount : amounts(plan)) {
            ways.add(new Action(kind, of, 0, end, amount)); // the evening may be the coldest
          }
        }
      }
      case LID_OFF -> {
        for (double share : LID_TIMES) {
          ways.add(new Action(kind, of, dusk + share * (end - dusk), end, Double.NaN));
        }
      }
      default -> ways.add(new Action(kind, of, dusk, end, Double.NaN));
    }
    return Advice.Option.of(ways);
  }

  /** Flames can be lit in any number; what else runs, runs as it is rated. */
  private double[] amounts(SystemPlan plan) {
    for (SystemSource s : plan.system().sources()) {
      if (s.id().equals(of) && s.source() instanceof Flames f && f.count() > 1) {
        return new double[] {Math.ceil(f.count() / 3.0), Math.ceil(f.count() / 1.5), f.count()};
      }
    }
    return new double[] {usual};
  }
}
