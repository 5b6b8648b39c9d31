package nightbank.core.system;

import java.util.Map;
import nightbank.core.house.HouseModel;
import nightbank.core.store.model.StoreModel;
import org.jspecify.annotations.Nullable;

/** What can be felt at the start of a step. */
final class Sensors {
  private final Map<String, StoreRun> stores;
  private final @Nullable HouseModel house; // null without one
  private final Map<String, CircuitEnd.Collector> collectors;
  private final double airAlone;
  double outdoorCelsius;
  double irradiance;

  Sensors(
      Map<String, StoreRun> stores,
      Map<String, CircuitEnd.Collector> collectors,
      @Nullable HouseModel house,
      double airAlone) {
    this.stores = stores;
    this.collectors = collectors;
    this.house = house;
    this.airAlone = airAlone;
  }

  double celsius(Sensor s) {
    if (s instanceof Sensor.StoreZone z) {
      StoreModel m = model(z.store());
      return m == null ? Double.NaN : m.zoneCelsius();
    }
    if (s instanceof Sensor.InStore in) {
      StoreModel m = model(in.store());
      return m == null ? Double.NaN : m.at(in.radiusFraction(), in.heightFraction());
    }
    if (s instanceof Sensor.HouseAir) {
      return houseAir();
    }
    if (s instanceof Sensor.HouseFloor) {
      return house == null ? Double.NaN : house.floorCelsius();
    }
    if (s instanceof Sensor.Outdoors) {
      return outdoorCelsius;
    }
    if (s instanceof Sensor.Collector c) {
      CircuitEnd.Collector end = collectors.get(c.circuit());
      return end == null ? Double.NaN : standing(end);
    }
    return Double.NaN;
  }

  double houseAir() {
    return house == null ? airAlone : house.airCelsius();
  }

  double bed() {
    return house == null ? airAlone : house.bedCelsius();
  }

  double foot() {
    return house == null ? airAlone : house.footCelsius();
  }

  /** How warm a collector gets while nothing goes through it, °C. */
  double standing(CircuitEnd.Collector c) {
    return outdoorCelsius
        + c.opticalShare() * irradiance / Math.max(0.1, c.lossWattsPerSquareMetreKelvin());
  }

  private @Nullable StoreModel model(String store) {
    StoreRun run = stores.get(store);
    return run == null ? null : run.model;
  }
}
