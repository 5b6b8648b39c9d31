package nightbank.core.forecast;

import java.util.Arrays;
import java.util.OptionalDouble;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.HouseLosses;
import nightbank.core.house.Keeps;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Weather;

/**
 * How a house and its stores stand when a night is looked ahead to: by what was read lately, else
 * by what is usual ({@link Usual}). Walls and floor follow the air by a day, stores in a room or in
 * the ground what surrounds them by some days; a heap makes its own heat.
 */
public final class StartOfNight {
  /** What was read so long ago still tells the air, s (estimate: a quarter of a day's swing). */
  public static final double FRESH = 6 * 3600.0;

  /** What was read so long ago still tells a store, s (estimate: the half-life of a small bin). */
  public static final double LOOK_BACK = 72 * 3600.0;

  /** So far back a heap is followed that nobody read, s: it turns over in weeks (estimate). */
  public static final double HEAP_LOOK_BACK = 30 * 86_400.0;

  private static final int ENOUGH = 12; // readings of a day: one in two hours
  private static final double HOUR = 3600;

  private StartOfNight() {}

  /** Where a temperature is from. */
  public enum Basis {
    READ,
    FROM_DAY,
    GUESSED
  }

  /** A temperature and where it is from, °C. */
  public record Taken(double celsius, Basis basis) {}

  /**
   * What surrounds stores that nobody read, °C.
   *
   * @param air in the house over the last days
   * @param outdoor over the last days
   * @param ground two metres down
   */
  public record Surrounding(double air, double outdoor, double ground) {
    double at(Place place) {
      return switch (place.where()) {
        case HOUSE -> air;
        case ROOM -> place.roomCelsius();
        case OUTDOORS -> outdoor;
      };
    }
  }

  /** Outdoors now; a clear night's fall above its low where nobody read it. */
  public static Taken evening(OptionalDouble read, double lowCelsius) {
    return read.isPresent()
        ? new Taken(read.getAsDouble(), Basis.READ)
        : new Taken(lowCelsius + Usual.EVENING_OVER_LOW.value(), Basis.GUESSED);
  }

  /**
   * The house's air now. Where nobody read it: what earth, other rooms and outdoors leave it at
   * rest; by so much over outdoors as is usual at dusk under glass; as people keep it where it is
   * theirs; whichever is warmest.
   *
   * @param evening outdoors, °C
   * @param ground two metres down
   */
  public static Taken air(OptionalDouble read, double evening, Greenhouse house, double ground) {
    if (read.isPresent()) {
      return new Taken(read.getAsDouble(), Basis.READ);
    }
    double by = HouseLosses.atRest(house, evening, ground);
    if (house.letsInSun()) {
      by = Math.max(by, evening + Usual.HOUSE_OVER_EVENING.value());
    }
    if (house.keeps() == Keeps.PEOPLE) {
      by = Math.max(by, house.plantLimitCelsius() + Usual.HOUSE_OVER_LIMIT.value());
    }
    return new Taken(by, Basis.GUESSED);
  }

  /**
   * Walls and floor: the mean of the air over the last day, where it was read often enough.
   *
   * @param lastDay air as read, °C
   */
  public static Taken mass(double[] lastDay, double air) {
    return lastDay.length >= ENOUGH
        ? new Taken(overDays(lastDay, air), Basis.FROM_DAY)
        : new Taken(air, Basis.GUESSED);
  }

  /** The mean of what was read, where that was often enough. */
  public static double overDays(double[] read, double otherwise) {
    return read.length >= ENOUGH ? Arrays.stream(read).average().orElseThrow() : otherwise;
  }

  /** A store that nobody read, as warm as the ground it lies in, else as what surrounds it. */
  public static StoreState unread(HeatStore store, Surrounding around) {
    Place place = store.place();
    return StoreState.uniform(
        StoreGrid.coarse(store), place.buried() ? around.ground() : around.at(place));
  }

  /**
   * A store that nobody read and that makes heat, by its own balance since it was fed.
   *
   * @param alone the store with what is fed to it, and no house
   * @param seconds since it was fed
   */
  public static StoreState fed(PlantSystem alone, Surrounding around, double seconds) {
    double air = around.at(alone.stores().get(0).store().place());
    Weather still =
        new Weather(
            new double[] {0},
            new double[] {air},
            new double[] {Usual.CALM.value()},
            new double[] {Weather.USUAL_CLOUD});
    double span = Math.min(HEAP_LOOK_BACK, Math.max(HOUR, seconds));
    return SystemSimulation.run(SystemPlan.of(alone, still, air, air, around.ground(), span, HOUR))
        .stores()
        .get(0)
        .end();
  }
}
