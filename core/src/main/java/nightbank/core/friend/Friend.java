package nightbank.core.friend;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import nightbank.core.alarm.Signs;
import nightbank.core.forecast.DaysAdvice;
import nightbank.core.forecast.NightsAhead;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.Keeps;
import nightbank.core.store.FluidStream;
import nightbank.core.system.Action;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.system.SystemStore;

/**
 * The rules, each with the condition under which it speaks. Bounds are estimates, wide enough that
 * what thermometers, kilograms by eye and a usual flow leave open is not told as a fault.
 */
public final class Friend {
  private static final double LOOP_MORE = 1.2; // times what heats it gives at the most
  private static final double WARMER_MORE = 1.5; // times what is known to heat the house
  private static final double LIGHT = 0.5; // of what a heap is reckoned to weigh
  private static final double HALF = 0.5; // of a flow: a narrow pipe, a kink, a tired pump
  private static final double MATTERS = 0.5; // K of the night's coldest
  private static final double LEAST_RISE = 4; // K between in and out, else any draught explains it

  /** °C of air from which leaves want a vent open; people and stored things from a little less. */
  private static final double PLANTS_WARM = 30;

  private static final double OTHERS_WARM = 27;
  private static final double OPEN = 0.5; // K above it
  private static final double SPENT = 3600; // s after dusk

  private Friend() {}

  /**
   * Energy is kept: a loop cannot carry on what nothing gave it.
   *
   * @param place in which the circuit runs
   * @param circuit its id
   * @param watts carried while it charged, by flow and two thermometers
   * @param half what these leave open, W either way
   */
  public static Optional<Noticed> loop(
      PlantSystem place, String circuit, double watts, double half) {
    OptionalDouble most =
        place.circuits().stream()
            .filter(c -> c.id().equals(circuit))
            .findFirst()
            .map(c -> RatedHeat.into(place, c))
            .orElse(OptionalDouble.empty());
    return most.isPresent()
            && most.getAsDouble() > 0
            && watts - half > LOOP_MORE * most.getAsDouble()
        ? said(Rule.LOOP_FIGURES, circuit, watts, most.getAsDouble())
        : Optional.empty();
  }

  /**
   * Of the last hours of a night, when nothing but what heats the house holds it up.
   *
   * @param house its id
   * @param inside mean °C then
   * @param outside mean °C then
   * @param lossWattsPerKelvin of the house as it is described
   * @param otherWatts that masses, floor and stores can have given
   */
  public static Optional<Noticed> heater(
      String house,
      PlantSystem place,
      double inside,
      double outside,
      double lossWattsPerKelvin,
      double otherWatts) {
    double asked = lossWattsPerKelvin * (inside - outside);
    OptionalDouble rated = RatedHeat.all(place);
    return rated.isPresent()
            && inside - outside >= LEAST_RISE
            && asked > WARMER_MORE * (rated.getAsDouble() + otherWatts)
        ? said(Rule.HEATER_TOO_SMALL, house, asked, rated.getAsDouble() + otherWatts)
        : Optional.empty();
  }

  /**
   * The warmest moment at which a source gives heat, from an hour after dusk on, when the day's sun
   * is spent; where vents stand open then or it is too warm.
   *
   * @param id of the house
   */
  public static Optional<Noticed> evening(
      String id, SystemResult night, Greenhouse house, double duskSeconds) {
    double felt = house.keeps() == Keeps.PLANTS ? PLANTS_WARM : OTHERS_WARM;
    double vented = house.ventAboveCelsius(); // NaN where it has no such vents
    double warm = vented < felt ? vented : felt;
    int hottest = -1;
    for (int i = 0; i < night.seconds().length; i++) {
      int at = i;
      boolean burns = night.sources().stream().anyMatch(s -> s.watts()[at] > 0);
      boolean dark = night.seconds()[i] > duskSeconds + SPENT;
      if (dark && burns && (hottest < 0 || night.air()[i] > night.air()[hottest])) {
        hottest = i;
      }
    }
    return hottest >= 0 && night.air()[hottest] > warm + OPEN
        ? Optional.of(
            new Noticed(
                Rule.EVENING_TOO_WARM,
                id,
                night.air()[hottest],
                warm,
                OptionalDouble.of(night.seconds()[hottest])))
        : Optional.empty();
  }

  /** Each circuit with whose flow halved the night's coldest is noticeably colder. */
  public static List<Noticed> flows(SystemPlan plan, SystemResult asTyped) {
    List<Noticed> all = new ArrayList<>();
    for (FluidCircuit c : plan.system().circuits()) {
      double halved = SystemSimulation.run(halved(plan, c)).lowestCelsius();
      if (asTyped.lowestCelsius() - halved >= MATTERS) {
        said(Rule.FLOW_MATTERS, c.id(), asTyped.lowestCelsius(), halved).ifPresent(all::add);
      }
    }
    return all;
  }

  /**
   * Heaps that what is drawn from them cools under what they work at. What they do after the end is
   * left out.
   *
   * @param plan with what is done
   * @param done what comes of it
   * @return with the heap's hottest at the end, and what it would be if nothing were drawn
   */
  public static List<Noticed> overdrawn(SystemPlan plan, SystemResult done) {
    PlantSystem place = plan.system();
    List<SystemStore> heaps = place.stores().stream().filter(s -> place.rots(s.id())).toList();
    Set<String> drawing =
        heaps.stream().flatMap(h -> place.led(h.id()).stream()).collect(Collectors.toSet());
    if (drawing.stream().noneMatch(done::ran)) {
      return List.of();
    }
    SystemPlan undrawn = plan.withSystem(place.byHand(drawing::contains));
    List<Action> others = plan.actions().stream().filter(a -> !drawing.contains(a.of())).toList();
    SystemResult alone = SystemSimulation.run(undrawn.withActions(others));
    OptionalDouble end = OptionalDouble.of(plan.lengthSeconds());
    List<Noticed> all = new ArrayList<>();
    for (SystemStore h : heaps) {
      double ends = hottestAtEnd(done, h);
      double would = hottestAtEnd(alone, h);
      if (Signs.overdrawn(h.start().highestCelsius(), ends, would)) {
        all.add(new Noticed(Rule.HEAP_OVERDRAWN, h.id(), ends, would, end));
      }
    }
    return all;
  }

  private static double hottestAtEnd(SystemResult r, SystemStore store) {
    return r.store(store.id()).orElseThrow().end().highestCelsius();
  }

  private static SystemPlan halved(SystemPlan plan, FluidCircuit c) {
    FluidStream s = c.stream();
    FluidStream slow = new FluidStream(s.fluid(), HALF * s.kilogramsPerSecond(), s.machineWatts());
    List<FluidCircuit> others =
        plan.system().circuits().stream()
            .map(o -> o == c ? new FluidCircuit(c.id(), slow, c.ends(), c.control()) : o)
            .toList();
    return plan.withSystem(plan.system().withCircuits(others));
  }

  /**
   * A heap that weighs what nobody put there.
   *
   * @param fedKilograms by its own list and the log; 0 where neither says anything
   * @param weighsKilograms by its size and what it is made of
   */
  public static Optional<Noticed> heap(String store, double fedKilograms, double weighsKilograms) {
    return fedKilograms > 0 && fedKilograms < LIGHT * weighsKilograms
        ? said(Rule.HEAP_LIGHT, store, fedKilograms, weighsKilograms)
        : Optional.empty();
  }

  /**
   * A later night that breaks, and is held by what begins before the coming dawn.
   *
   * @param house its id
   * @param planned what is done anyway
   * @param limit °C that what is kept there stands
   * @return with the coldest tenth of that night, and when the first thing begins
   */
  public static Optional<Noticed> today(
      String house, NightsAhead ahead, DaysAdvice advice, List<Action> planned, double limit) {
    if (ahead.breaksFirst().isEmpty() || ahead.breaksFirst().getAsInt() == 0) {
      return Optional.empty();
    }
    NightsAhead.Night broken = ahead.nights().get(ahead.breaksFirst().getAsInt());
    double dawn = ahead.nights().get(0).span().dawn();
    DoubleStream begins =
        advice.actions().stream()
            .filter(a -> !planned.contains(a))
            .mapToDouble(Action::fromSeconds);
    OptionalDouble first = begins.filter(s -> s < dawn).min();
    return first.isEmpty()
        ? Optional.empty()
        : Optional.of(new Noticed(Rule.CHARGE_TODAY, house, broken.lowestTenth(), limit, first));
  }

  private static Optional<Noticed> said(Rule rule, String of, double seen, double against) {
    return Optional.of(new Noticed(rule, of, seen, against, OptionalDouble.empty()));
  }
}
