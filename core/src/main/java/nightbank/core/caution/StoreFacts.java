package nightbank.core.caution;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import nightbank.core.store.HeatStore;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a build, for the rules.
 *
 * @param source what charges it
 * @param fullCelsius mean that it is to be charged to
 * @param hottestCelsius hottest point that a simulated charge or a probe showed; NaN when unknown
 * @param contactCelsius where pipes and vessel feel it, NaN when unknown
 * @param power of the source by the mean of the store, W by °C; 0 when unknown
 * @param woodMoisture wet-basis, NaN without a fire
 * @param closedVessel no way out for steam
 * @param closedCoil a water coil without an open vent or a relief valve
 * @param pumped a pump or fan moves the stream
 * @param bathed somebody bathes in the water
 * @param parts pipes, vessels and glues in it
 * @param room that it stands in, where that is known
 */
@RecordBuilder
public record StoreFacts(
    HeatStore store,
    SourceKind source,
    double fullCelsius,
    double hottestCelsius,
    double contactCelsius,
    DoubleUnaryOperator power,
    double woodMoisture,
    boolean closedVessel,
    boolean closedCoil,
    boolean pumped,
    boolean bathed,
    List<PartLimit> parts,
    Optional<Room> room) {

  /** Inside of a house, m. */
  public record Room(double lengthMetres, double widthMetres, double heightMetres) {}

  /** What charges a store. */
  public enum SourceKind {
    NONE,
    ELEMENT,
    FIRE,
    FLAMES,
    WATER_LOOP,
    WARM_AIR,
    HEAT_PUMP,
    SUN,
    HEAP
  }

  public StoreFacts {
    parts = List.copyOf(parts);
  }

  /** A store of which no more is known. */
  public static StoreFacts of(
      HeatStore store, SourceKind source, double fullCelsius, double powerWatts) {
    return StoreFactsBuilder.builder()
        .store(store)
        .source(source)
        .fullCelsius(fullCelsius)
        .hottestCelsius(Double.NaN)
        .contactCelsius(Double.NaN)
        .power(t -> powerWatts)
        .woodMoisture(Double.NaN)
        .closedVessel(false)
        .closedCoil(false)
        .pumped(true)
        .bathed(false)
        .parts(List.of())
        .room(Optional.empty())
        .build();
  }

  public StoreFacts withPeak(double hottest, double contact) {
    return StoreFactsBuilder.builder(this).hottestCelsius(hottest).contactCelsius(contact).build();
  }

  public StoreFacts in(@Nullable Room house) {
    return StoreFactsBuilder.builder(this).room(Optional.ofNullable(house)).build();
  }

  /** Hottest that any of it gets, as far as is known, °C. */
  double peak() {
    return Double.isNaN(hottestCelsius) ? fullCelsius : Math.max(fullCelsius, hottestCelsius);
  }

  double contact() {
    return Double.isNaN(contactCelsius) ? fullCelsius : Math.max(fullCelsius, contactCelsius);
  }

  boolean burns() {
    return source == SourceKind.FIRE || source == SourceKind.FLAMES;
  }
}
