package nightbank.core.charge;

import nightbank.core.store.Carrier;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreModel;
import nightbank.core.store.Stream;

/**
 * Warm water or air led through the store's coil, pipe or stones. Heat goes by the temperatures: a
 * stream that comes in colder than the store empties it. A fan's power warms its air; a pump's is
 * taken as lost to the room.
 *
 * @param inletCelsius as the stream comes from collector, stove or loft
 */
public record StreamCharge(HeatStore store, double inletCelsius, double seconds) implements Source {
  public StreamCharge {
    if (store.carrier().isEmpty()) {
      throw new IllegalArgumentException("nothing is led through this store");
    }
    if (!(inletCelsius >= -50 && inletCelsius <= 1000)) {
      throw new IllegalArgumentException(
          "inlet must lie between -50 and 1000 °C, was " + inletCelsius + " °C");
    }
  }

  @Override
  public Given give(double second, double span, StoreModel model) {
    if (second >= seconds) {
      return Given.NOTHING;
    }
    Carrier carrier = store.carrier().orElseThrow();
    Stream stream = carrier.stream();
    boolean air = stream.fluid() == Stream.Fluid.AIR;
    double rate = stream.capacityRate();
    double inlet = inletCelsius + (air ? stream.machineWatts() / rate : 0);
    double ua = carrier.passage().conductance(store, stream, model.zoneCelsius());
    double into = -model.pass(span, rate, ua, inlet);
    double room = air ? 0 : stream.machineWatts();
    return new Given(0, into, room, Math.max(0, into) + room);
  }

  @Override
  public double endsAt() {
    return seconds;
  }
}
