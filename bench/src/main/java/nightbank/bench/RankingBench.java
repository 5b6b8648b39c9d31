package nightbank.bench;

import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.LongStream;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Floor;
import nightbank.core.house.Gap;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.Optics;
import nightbank.core.house.SkinPart;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.retrofit.Ranking;
import nightbank.core.retrofit.Retrofits;
import nightbank.core.sizing.Prices;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Winter;
import nightbank.core.source.CompostHeat;
import nightbank.core.source.ElectricHeat;
import nightbank.core.source.Hearth;
import nightbank.core.source.Share;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.Control;
import nightbank.core.system.Guard;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.Sensor;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;

/**
 * Twelve changes and twenty pairs over winters of 120 days of a place with four stores, in a
 * program that has only just begun and again once it is warm.
 */
public final class RankingBench {
  private static final int CHANGES = 12;
  private static final int DAYS = 120;

  private RankingBench() {}

  private static SystemStore store(String id, String medium, Geometry size, int count) {
    HeatStore store =
        HeatStore.of(size, MediumCatalogue.medium(medium).orElseThrow(), Map.of())
            .withCount(count)
            .withPlace(Place.inHouse());
    return new SystemStore(id, store, StoreState.uniform(StoreGrid.night(store), 15));
  }

  private static SystemPlan winter(long seed) {
    Optics glass = new Optics(0.02, 0.84, 0.84);
    Greenhouse house =
        Greenhouse.of(
                List.of(
                    SkinPart.sheet("roof", 30, glass, 5.8).facing(30, 180).sunny(0.7),
                    SkinPart.sheet("front", 24, glass, 5.8).sunny(0.7),
                    SkinPart.of("back", 20, 2).seeing(0)),
                60,
                0.8,
                1)
            .withMasses(List.of(new InnerMass(3e6, 100)))
            .withGaps(List.of(new Gap("door", 5, 0.004)))
            .withFloor(new Floor(25, 20, Floor.EDGE_BARE));
    PlantSystem place =
        PlantSystem.of(
                house,
                List.of(
                    store("columns", "water", new Geometry.Cylinder(0.15, 1.2), 6),
                    store("bin", "dry-sand", new Geometry.Box(1.6, 1, 0.9), 1),
                    store("bench", "granite", new Geometry.Box(3, 0.6, 0.5), 1),
                    store("heap", "compost", new Geometry.Box(1.8, 1.5, 1.2), 1)))
            .withSources(
                List.of(
                    new SystemSource(
                        "element",
                        new ElectricHeat(Share.allTo("bin"), 900, false),
                        Control.free(new Guard.Thermostat(new Sensor.StoreZone("bin"), 85, 90)),
                        true),
                    new SystemSource(
                        "hearth",
                        Hearth.bench().fire(List.of("bench"), false, List.of()),
                        Control.free(),
                        true),
                    new SystemSource(
                        "rot",
                        new CompostHeat(
                            "heap", List.of(new CompostHeat.Batch(0, 1500, 220, 0.55, 0.4))),
                        Control.free(),
                        true)));
    return Season.plan(
        place, Winter.between(-3, -13, DAYS, seed), 7, new double[0], new double[0], List.of());
  }

  public static void main(String[] args) {
    List<SystemPlan> winters =
        LongStream.range(0, Ranking.MEMBERS).mapToObj(RankingBench::winter).toList();
    for (String when : new String[] {"at once", "again", "again"}) {
      AtomicLong first = new AtomicLong();
      long begun = System.nanoTime();
      Ranking found =
          Ranking.of(
              new Ranking.Question(
                  winters,
                  NightForecast.Doubt.ofTypedNight(),
                  p -> Retrofits.of(p).stream().limit(CHANGES).toList(),
                  Prices.NONE,
                  10),
              (done, of) -> first.compareAndSet(0, System.nanoTime()),
              () -> false);
      int all = CHANGES * (CHANGES - 1) / 2;
      System.out.printf(
          "%s: %d changes and %d pairs over %d days in %.1f s, first progress after %.2f s%n",
          when,
          found.retrofits().size(),
          all - found.untried(),
          found.base().nights(),
          (System.nanoTime() - begun) / 1e9,
          (first.get() - begun) / 1e9);
    }
  }
}
