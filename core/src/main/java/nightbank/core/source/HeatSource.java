package nightbank.core.source;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What makes heat out of fuel, power, sun or rot. What it is; how it runs is {@link Running}. */
public sealed interface HeatSource
    permits WoodFire, Flames, FuelHeater, ElectricHeat, SunOnFace, CompostHeat, Animals {
  /** Where its heat goes; what is left of the whole leaves by its flue. */
  List<Share> shares();

  /** Nothing that it heats gets hotter, °C. */
  double highestCelsius();

  /** Whether what its receivers do not take up stays in the house, since there is no flue. */
  default boolean flueless() {
    return false;
  }

  /** Kelvins below it within which a mass takes up less the nearer it comes. */
  default double nearKelvin() {
    return (highestCelsius() - 20) / 2;
  }

  /** Whether it uses no more than stores take up. */
  default boolean yields() {
    return false;
  }

  /** Of what it gives the house, by long waves. */
  default double radiant() {
    return 0;
  }

  /** The most that it can give in a night, W; empty where nobody knows. */
  default OptionalDouble mostAtNight() {
    return OptionalDouble.empty();
  }

  /** The same with other receivers; empty for sun and rot, which go with their store. */
  Optional<HeatSource> heating(List<Share> others);

  /** From its beginning. One instance belongs to one simulation. */
  Running begin();

  /** A source at work. */
  interface Running {
    /** Moves on by one step; what is released is told by the rest. */
    void step(double from, double seconds, Circumstances now);

    /** Released in the step, mean W, before it is shared out. */
    double watts();

    /** Bought as fuel, by its lower heating value, mean W. */
    default double fuelWatts() {
      return 0;
    }

    /** Bought as power, mean W. */
    default double electricWatts() {
      return 0;
    }

    /** Leaves with the source's own air, mean W: a heap's breath. */
    default double ventedWatts() {
      return 0;
    }

    /** Water vapour that it gives off, kg/s. */
    default double vapour() {
      return 0;
    }

    /** Air that it draws from the room, m³/s. */
    default double drawnAir() {
      return 0;
    }

    /** Fuel that was bought and is still there, J: wood in the firebox, charcoal kept back. */
    default double leftJoules() {
      return 0;
    }
  }
}
