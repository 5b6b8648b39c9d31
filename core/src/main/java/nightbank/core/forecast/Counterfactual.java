package nightbank.core.forecast;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.house.Greenhouse;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;

/**
 * The same night with one thing otherwise. Without a store the same fuel and power are spent all
 * the same, into the house where their source stands in it.
 *
 * @param of store or part that it concerns, blank for the house
 * @param lowestCelsius what the plants would feel at the coldest
 * @param gainKelvin over the night as planned; negative when it would be worse
 * @param peakKelvin by how much the evening's warmest air would be higher; what a store takes off
 *     it
 */
public record Counterfactual(
    Kind kind, String of, double lowestCelsius, double gainKelvin, double peakKelvin) {

  /** What is otherwise. */
  public enum Kind {
    /** A store taken away. */
    WITHOUT_STORE,
    /** Draught and gaps halved. */
    GAPS_HALVED,
    /** Bubble film or a second skin inside the part that loses most. */
    SECOND_SKIN
  }

  private static final double NOTHING = 0.01; // K: a store that does not reach the house

  /** All of them for a plan; a store that gives the house nothing is left out. */
  public static List<Counterfactual> of(SystemPlan asked) {
    SystemPlan plan = asked.small();
    SystemResult usual = SystemSimulation.run(plan);
    double peak = peak(usual);
    List<Case> cases = new ArrayList<>();
    for (SystemStore gone : plan.system().stores()) {
      cases.add(new Case(Kind.WITHOUT_STORE, gone.id(), plan.without(gone.id()::equals)));
    }
    Greenhouse house = plan.house();
    cases.add(new Case(Kind.GAPS_HALVED, "", plan.withHouse(house.changed(p -> p, 0.5))));
    int most = worst(house);
    if (most >= 0) {
      var part = house.skin().get(most);
      Greenhouse skinned = house.changed(p -> p == part ? p.withSecondSkin() : p, 1);
      cases.add(new Case(Kind.SECOND_SKIN, part.name(), plan.withHouse(skinned)));
    }
    return IntStream.range(0, cases.size())
        .parallel()
        .mapToObj(
            i -> {
              Case c = cases.get(i);
              SystemResult r = SystemSimulation.run(c.plan);
              double gain = r.lowestCelsius() - usual.lowestCelsius();
              return new Counterfactual(c.kind, c.of, r.lowestCelsius(), gain, peak(r) - peak);
            })
        .filter(
            c ->
                c.kind != Kind.WITHOUT_STORE
                    || Math.abs(c.gainKelvin) >= NOTHING
                    || Math.abs(c.peakKelvin) >= NOTHING)
        .toList();
  }

  private static double peak(SystemResult r) {
    return Arrays.stream(r.air()).max().orElseThrow();
  }

  private record Case(Kind kind, String of, SystemPlan plan) {}

  private static int worst(Greenhouse house) {
    int most = -1;
    double loss = 0;
    for (int i = 0; i < house.skin().size(); i++) {
      var p = house.skin().get(i);
      double here = p.shared() ? 0 : p.areaSquareMetres() * p.transmittance();
      if (here > loss) {
        loss = here;
        most = i;
      }
    }
    return most;
  }
}
