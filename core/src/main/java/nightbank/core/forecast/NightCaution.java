package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nightbank.core.medium.Medium;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.WoodFire;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.core.unit.Figure;

/**
 * Something in a night that can hurt people or break things, with its reason and what to do. Local
 * codes and licensed trades come first.
 *
 * @param of store that it concerns by its id, blank for the house
 * @param atSeconds when it begins, after the start of the night
 * @param figures that reason and remedy speak of, in the order of their places
 */
public record NightCaution(
    Code code, String of, double atSeconds, String reason, String remedy, List<Figure> figures) {

  NightCaution(
      Code code, String of, double atSeconds, String reason, String remedy, Figure... figures) {
    this(code, of, atSeconds, reason, remedy, List.of(figures));
  }

  /** What is warned of. */
  public enum Code {
    WATER_FREEZES,
    TOO_HOT_FOR_MEDIUM,
    TOO_HOT_FOR_LAYER,
    FIRE_INDOORS,
    FLAME_INDOORS,
    DAMPER_ON_FIRE,
    HOUSE_OVERHEATS,
    ELEMENT_IN_WATER,
    COIL_IN_HOT_MASS
  }

  private static final double EMBERS = 4 * 3600.0; // s after a load (3 to 8 h)
  private static final double BOILS_SOON = 95; // °C
  private static final double TOO_WARM = 25; // °C, for plants that stand a winter

  /** All that a night calls for. */
  public static List<NightCaution> of(SystemPlan plan, SystemResult night) {
    List<NightCaution> all = new ArrayList<>();
    List<SystemStore> stores = plan.system().stores();
    for (int i = 0; i < stores.size(); i++) {
      freezing(stores.get(i), night.stores().get(i), night.seconds(), all);
      heat(stores.get(i), night.stores().get(i), all);
    }
    burning(plan, night, all);
    elements(plan, night, all);
    coils(plan, night, all);
    tooWarm(plan, night, all);
    for (Action a : plan.actions()) {
      doing(plan, a, all);
    }
    return List.copyOf(all);
  }

  private static void freezing(
      SystemStore store, SystemResult.StoreTrace night, double[] seconds, List<NightCaution> all) {
    if (store.store().medium().kind() != Medium.Kind.WATER) {
      return;
    }
    double[] mean = night.meanCelsius();
    for (int i = 0; i < mean.length; i++) {
      if (mean[i] < 0) {
        all.add(
            new NightCaution(
                Code.WATER_FREEZES,
                store.id(),
                seconds[i],
                "The water begins to freeze. It gives heat while it does, but ice bursts what is"
                    + " full and closed.",
                "Leave room above the water, drain thin pipes and coils, or warm it before."));
        return;
      }
    }
  }

  private static void heat(
      SystemStore store, SystemResult.StoreTrace night, List<NightCaution> all) {
    HeatStore s = store.store();
    double hottest = night.hottestCelsius();
    if (hottest > s.medium().highestCelsius().value()) {
      all.add(
          new NightCaution(
              Code.TOO_HOT_FOR_MEDIUM,
              store.id(),
              0,
              "Some of it reaches {0}; "
                  + s.medium().name().toLowerCase(Locale.ROOT)
                  + " stands {1}.",
              "Charge it less or more slowly.",
              Figure.celsius(hottest),
              Figure.celsius(s.medium().highestCelsius().value())));
    }
    double mean = night.meanCelsius()[0];
    for (FaceName face : FaceName.values()) {
      for (Layer layer : s.face(face).layers()) {
        if (mean > layer.highestCelsius()) {
          all.add(
              new NightCaution(
                  Code.TOO_HOT_FOR_LAYER,
                  store.id(),
                  0,
                  "A layer on the " + face.name().toLowerCase(Locale.ROOT) + " stands only {0}.",
                  "Put a layer that stands more between it and the mass.",
                  Figure.celsius(layer.highestCelsius())));
          return;
        }
      }
    }
  }

  private static void doing(SystemPlan plan, Action a, List<NightCaution> all) {
    SystemSource source =
        plan.system().sources().stream()
            .filter(s -> s.id().equals(a.of()))
            .findFirst()
            .orElse(null);
    if (source == null) {
      return;
    }
    if (a.kind() == Action.Kind.DAMPER_SHUT && burnsAt(plan, source, a.fromSeconds())) {
      all.add(
          new NightCaution(
              Code.DAMPER_ON_FIRE,
              a.of(),
              a.fromSeconds(),
              "A flue shut while embers glow sends carbon monoxide into the house.",
              "Shut it when the last ember is black, and never in a house where somebody sleeps."));
    }
  }

  /** Whatever of it runs by itself or by hand. */
  private static void elements(SystemPlan plan, SystemResult night, List<NightCaution> all) {
    for (int i = 0; i < plan.system().sources().size(); i++) {
      SystemSource source = plan.system().sources().get(i);
      SystemResult.SourceTrace t = night.sources().get(i);
      if (!(source.source() instanceof ElectricHeat e) || t.electricJoules() <= 0) {
        continue;
      }
      e.shares().stream()
          .flatMap(s -> s.to().storeId().stream())
          .flatMap(id -> plan.system().stores().stream().filter(s -> s.id().equals(id)))
          .filter(s -> s.store().medium().kind() == Medium.Kind.WATER)
          .forEach(
              s ->
                  all.add(
                      new NightCaution(
                          Code.ELEMENT_IN_WATER,
                          s.id(),
                          first(t.watts(), night.seconds()),
                          "Water beside mains electricity can kill.",
                          "A residual-current device and an earth, by a licensed electrician.")));
    }
  }

  /** Water led through what is hotter than it may become. */
  private static void coils(SystemPlan plan, SystemResult night, List<NightCaution> all) {
    for (int i = 0; i < plan.system().stores().size(); i++) {
      SystemStore s = plan.system().stores().get(i);
      boolean water =
          s.store().medium().kind() != Medium.Kind.WATER
              && plan.system().circuits().stream()
                  .filter(c -> c.stream().fluid() == FluidStream.Fluid.WATER)
                  .flatMap(c -> c.ends().stream())
                  .anyMatch(end -> end.storeId().filter(s.id()::equals).isPresent());
      if (water && night.stores().get(i).hottestCelsius() > BOILS_SOON) {
        all.add(
            new NightCaution(
                Code.COIL_IN_HOT_MASS,
                s.id(),
                0,
                "Water is led through a mass of up to {0}: when its pump stands still, it boils in"
                    + " the coil, and steam bursts what is closed.",
                "An open vessel above the coil or a safety valve of its own, and a pump that does"
                    + " not stop for want of current; by local code and a licensed fitter.",
                Figure.celsius(night.stores().get(i).hottestCelsius())));
      }
    }
  }

  private static boolean burnsAt(SystemPlan plan, SystemSource source, double at) {
    return source.source() instanceof WoodFire
        && plan.actions().stream()
            .anyMatch(
                b ->
                    b.kind() == Action.Kind.LOAD
                        && b.of().equals(source.id())
                        && b.fromSeconds() <= at
                        && at < b.fromSeconds() + EMBERS);
  }

  /** Whatever burns in the house, by itself or by hand. */
  private static void burning(SystemPlan plan, SystemResult night, List<NightCaution> all) {
    for (int i = 0; i < plan.system().sources().size(); i++) {
      SystemSource s = plan.system().sources().get(i);
      SystemResult.SourceTrace t = night.sources().get(i);
      if (!s.indoors() || t.fuelJoules() <= 0) {
        continue;
      }
      double from = first(t.watts(), night.seconds());
      all.add(
          s.source().flueless()
              ? new NightCaution(
                  Code.FLAME_INDOORS,
                  s.id(),
                  from,
                  "An open flame in a closed house uses up air, wets everything and can set fire to"
                      + " film and fleece.",
                  "An opening low and one high, an alarm for carbon monoxide, nothing that burns"
                      + " near it, nobody asleep in there.")
              : new NightCaution(
                  Code.FIRE_INDOORS,
                  s.id(),
                  from,
                  "A fire in a closed house makes carbon monoxide when it lacks air or the flue"
                      + " fails.",
                  "Hang an alarm, keep an inlet open, let nobody sleep in there; flue and distance"
                      + " to timber by local code."));
    }
  }

  private static double first(double[] watts, double[] seconds) {
    for (int k = 1; k < watts.length; k++) {
      if (watts[k] > 0) {
        return seconds[k - 1];
      }
    }
    return 0;
  }

  /** An evening that gets too warm for winter plants and for money. */
  private static void tooWarm(SystemPlan plan, SystemResult night, List<NightCaution> all) {
    boolean heated = night.sources().stream().anyMatch(s -> s.toHouseJoules() > 0);
    for (int k = 0; k < night.air().length && heated; k++) {
      if (night.air()[k] > Math.max(TOO_WARM, night.air()[0] + 3)) {
        all.add(
            new NightCaution(
                Code.HOUSE_OVERHEATS,
                "",
                night.seconds()[k],
                "The air passes {0}: soft growth, and heat thrown away before it is needed.",
                "Burn less at once, or more of it into the mass; open a vent until it falls.",
                Figure.celsius(TOO_WARM)));
        return;
      }
    }
  }
}
