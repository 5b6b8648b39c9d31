package nightbank.core.system;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.weather.Weather;

/** Stores of one temperature and places without a house, for tests against closed forms. */
final class Lumps {
  private Lumps() {}

  /** A body of one temperature that loses UA to the room it stands in. */
  static SystemStore lump(
      String id, double kilograms, double specificHeat, double ua, double start, double room) {
    Map<FaceName, Face> faces = new EnumMap<>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      faces.put(name, ua == 0 ? Face.measured(1e-9) : Face.measured(ua / 6));
    }
    Medium fill =
        new Medium(
            "lump",
            "Lump",
            Medium.Kind.SOLID,
            0,
            Range.exactly(kilograms),
            Range.exactly(specificHeat),
            Medium.HeatLaw.LINEAR,
            Range.exactly(400),
            90,
            "made up");
    Place there =
        new Place(Place.Where.ROOM, Place.Footing.RAISED, java.util.Set.of(), 1.5, 0.6, room);
    HeatStore store =
        HeatStore.of(new Geometry.Box(1, 1, 1), fill, faces)
            .withPlace(there)
            .withFloorCelsius(-30)
            .withZone(HeatedZone.everywhere());
    return new SystemStore(
        id, store, StoreState.uniform(new StoreGrid(store.geometry(), 1, 1, 1), start));
  }

  /** A tank of so much water, mixed, that loses UA to the air round it. */
  static SystemStore tank(String id, double kilograms, double ua, double start) {
    double side = Math.cbrt(kilograms / 998);
    Map<FaceName, Face> faces = new EnumMap<>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      faces.put(name, Face.measured(Math.max(1e-9, ua / (6 * side * side))));
    }
    HeatStore store =
        HeatStore.of(
                new Geometry.Box(side, side, side),
                MediumCatalogue.medium("water").orElseThrow(),
                faces)
            .withPlace(Place.inHouse())
            .withFloorCelsius(5);
    return new SystemStore(
        id, store, StoreState.uniform(new StoreGrid(store.geometry(), 1, 1, 1), start));
  }

  static PlantSystem of(SystemStore... stores) {
    return new PlantSystem(Optional.empty(), List.of(stores), List.of(), List.of(), List.of());
  }

  /** So many hours beside air of one temperature. */
  static SystemPlan hours(PlantSystem system, double air, double hours, double step) {
    return SystemPlan.of(system, still(air), air, air, air, hours * 3600, step);
  }

  static Weather still(double celsius) {
    return new Weather(
        new double[] {0, 1},
        new double[] {celsius, celsius},
        new double[] {2, 2},
        new double[] {0.5, 0.5});
  }

  static double at(SystemResult r, String store, double hours) {
    double[] mean = r.store(store).orElseThrow().meanCelsius();
    int k = 0;
    while (k < r.seconds().length - 1 && r.seconds()[k] < hours * 3600 - 1e-6) {
      k++;
    }
    return mean[k];
  }
}
