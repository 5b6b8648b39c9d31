package nightbank.core.retrofit;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import nightbank.core.sizing.Pack;
import nightbank.core.sizing.Prices;
import nightbank.core.system.SystemPlan;

/**
 * One change to a place.
 *
 * @param of the store, source or circuit that it is made to by its id, blank for the house
 * @param amount of what it changes, in the kind's own measure: metres, m², bodies, W, kg or K
 * @param needs what has to be bought for it
 * @param hours of work, once; an estimate, half to twice as long. What it asks every night is told
 *     by what is done then
 * @param made the place, its doings with it, once it is made
 */
public record Retrofit(
    Kind kind,
    String of,
    double amount,
    List<Need> needs,
    double hours,
    UnaryOperator<SystemPlan> made) {

  /** What kind of change. */
  public enum Kind {
    /** Gaps stopped for good, and the draught between the panes. */
    CLOSE_GAPS,
    /** Film hung inside whatever lets in sun. */
    SECOND_SKIN,
    /** A screen drawn over the plants every night. */
    SCREEN,
    /** Fleece laid over the plants on cold nights. */
    FLEECE,
    /** Board let in along the foundation. */
    EDGE_BOARD,
    /** A store's bare top under a lid that is taken off at midnight. */
    LID,
    /** As many bodies again beside a store's own. */
    MORE_MASS,
    /** Water in place of what a store is filled with. */
    WATER_FILL,
    /** Board under a store. */
    FOOT,
    /** An element of twice the power. */
    BIGGER_ELEMENT,
    /** Half as much wood again on every fire. */
    LONGER_FIRE,
    /** Wood dried to 15 % before it is burnt. */
    DRY_WOOD,
    /** A water loop from a heap to the house. */
    HEAP_LOOP,
    /** Plants that stand three kelvins more. */
    HARDIER_PLANTS,
    /** Half of the house kept, film across the middle. */
    HALF_HOUSE;

    /** Whether less is asked of the place, and not more given to it. */
    boolean givesUp() {
      return this == HARDIER_PLANTS || this == HALF_HOUSE;
    }

    /** Whether the lows in the house tell what it did. */
    public boolean isShownByLows() {
      return this != HARDIER_PLANTS;
    }
  }

  /**
   * Something to buy.
   *
   * @param price its id in the grower's own prices
   */
  public record Need(String price, double amount, Pack.Unit unit) {}

  /** By which it is known within one place. */
  public String id() {
    return of.isEmpty() ? kind.name() : kind.name() + ' ' + of;
  }

  /** What it costs to buy; empty where a price is missing. */
  public OptionalDouble money(Prices prices) {
    double sum = 0;
    for (Need n : needs) {
      Pack pack = prices.of(n.price).filter(p -> p.unit() == n.unit).orElse(null);
      if (pack == null) {
        return OptionalDouble.empty();
      }
      sum += pack.packs(n.amount) * pack.price();
    }
    return OptionalDouble.of(sum);
  }
}
