package nightbank.core.system;

/** A temperature that a control feels. */
public sealed interface Sensor {
  /** In the part of a store that its source heats. */
  record StoreZone(String store) implements Sensor {}

  /** At a place in a store. */
  record InStore(String store, double radiusFraction, double heightFraction) implements Sensor {}

  record HouseAir() implements Sensor {}

  record HouseFloor() implements Sensor {}

  record Outdoors() implements Sensor {}

  /** Of a collector in the sun, by how warm it would get standing still. */
  record Collector(String circuit) implements Sensor {}

  /** One that is broken or gone; what waits for it stays off. */
  record Silent() implements Sensor {}
}
