package nightbank.core.night;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;

/**
 * Something in a night that can hurt people or break things, with its reason and what to do. Local
 * codes and licensed trades come first.
 *
 * @param of store that it concerns by its id, blank for the house
 * @param atSeconds when it begins, after the start of the night
 */
public record NightCaution(Code code, String of, double atSeconds, String reason, String remedy) {

  /** What is warned of. */
  public enum Code {
    WATER_FREEZES,
    TOO_HOT_FOR_MEDIUM,
    TOO_HOT_FOR_LAYER,
    FIRE_INDOORS,
    ELEMENT_IN_WATER
  }

  /** All that a night calls for. */
  public static List<NightCaution> of(NightPlan plan, NightResult night) {
    List<NightCaution> all = new ArrayList<>();
    for (int i = 0; i < plan.stores().size(); i++) {
      freezing(plan.stores().get(i), night.stores().get(i), night.seconds(), all);
      heat(plan.stores().get(i), night.stores().get(i), all);
    }
    for (Action a : plan.actions()) {
      doing(plan, a, all);
    }
    return List.copyOf(all);
  }

  private static void freezing(
      NightStore store, NightResult.StoreNight night, double[] seconds, List<NightCaution> all) {
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

  private static void heat(NightStore store, NightResult.StoreNight night, List<NightCaution> all) {
    HeatStore s = store.store();
    double hottest = night.hottestCelsius();
    if (hottest > s.medium().highestCelsius().value()) {
      all.add(
          new NightCaution(
              Code.TOO_HOT_FOR_MEDIUM,
              store.id(),
              0,
              String.format(
                  "Some of it reaches %.0f °C; %s stands %.0f °C.",
                  hottest, s.medium().name().toLowerCase(), s.medium().highestCelsius().value()),
              "Charge it less or more slowly."));
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
                  String.format(
                      "A layer on the %s stands only %.0f °C.",
                      face.name().toLowerCase(), layer.highestCelsius()),
                  "Put a layer that stands more between it and the mass."));
          return;
        }
      }
    }
  }

  private static void doing(NightPlan plan, Action a, List<NightCaution> all) {
    if (a.kind() == Action.Kind.FIRE) {
      all.add(
          new NightCaution(
              Code.FIRE_INDOORS,
              a.storeId(),
              a.fromSeconds(),
              "A fire in a closed house makes carbon monoxide when it lacks air or the flue fails.",
              "Hang an alarm, keep an inlet open, let nobody sleep in there; flue and distance to"
                  + " timber by local code."));
    }
    if (a.kind() == Action.Kind.ELEMENT) {
      plan.stores().stream()
          .filter(s -> s.id().equals(a.storeId()))
          .filter(s -> s.store().medium().kind() == Medium.Kind.WATER)
          .forEach(
              s ->
                  all.add(
                      new NightCaution(
                          Code.ELEMENT_IN_WATER,
                          s.id(),
                          a.fromSeconds(),
                          "Water beside mains electricity can kill.",
                          "A residual-current device and an earth, by a licensed electrician.")));
    }
  }
}
