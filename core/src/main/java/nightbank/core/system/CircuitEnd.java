package nightbank.core.system;

import java.util.Optional;
import nightbank.core.store.HeatExchanger;
import org.jspecify.annotations.Nullable;

/** Where a circuit's fluid gives or takes heat. */
public sealed interface CircuitEnd {
  /** The store that it is at. */
  default Optional<String> storeId() {
    return Optional.empty();
  }

  /** Whether it gives its heat to the house. */
  default boolean inHouse() {
    return false;
  }

  /**
   * Through a coil, stones or pipes in a store.
   *
   * @param passage null for the store's own
   */
  record InStore(String store, @Nullable HeatExchanger passage) implements CircuitEnd {
    public InStore(String store) {
      this(store, null);
    }

    @Override
    public Optional<String> storeId() {
      return Optional.of(store);
    }
  }

  /** An exchanger at a store of which only its UA is known, W/K. */
  record Exchanger(String store, double wattsPerKelvin) implements CircuitEnd {
    @Override
    public Optional<String> storeId() {
      return Optional.of(store);
    }
  }

  /**
   * Water drawn from a tank itself.
   *
   * @param takenAt height from which it is drawn, 0 foot to 1 top
   */
  record Drawn(String store, double takenAt, double returnedAt) implements CircuitEnd {
    @Override
    public Optional<String> storeId() {
      return Optional.of(store);
    }
  }

  /** A radiator in the house's air. */
  record Radiator(double wattsPerKelvin) implements CircuitEnd {
    @Override
    public boolean inHouse() {
      return true;
    }
  }

  /** Pipes under floor or beds. */
  record UnderFloor(double wattsPerKelvin) implements CircuitEnd {
    @Override
    public boolean inHouse() {
      return true;
    }
  }

  /** The open air of the house: what is blown in mixes, and as much is drawn. */
  record HouseAir() implements CircuitEnd {
    @Override
    public boolean inHouse() {
      return true;
    }
  }

  record OutdoorAir() implements CircuitEnd {}

  /** A boiler, heated by its sources. */
  record Boiler(double highestCelsius) implements CircuitEnd {}

  /**
   * A collector in the sun: A (η G - k (T - T_out)), EN ISO 9806.
   *
   * @param lossWattsPerSquareMetreKelvin k, 3 glazed to 12 bare
   */
  record Collector(double squareMetres, double opticalShare, double lossWattsPerSquareMetreKelvin)
      implements CircuitEnd {}

  /** Something that does not grow warmer or colder: a stream, a mains supply, a hot inlet. */
  record Held(double celsius) implements CircuitEnd {}

  /** Takes so many watts whatever comes, as somebody's steady use does. */
  record Takes(double watts) implements CircuitEnd {}
}
