package nightbank.server.upkeep;

import java.util.EnumSet;
import java.util.Set;
import java.util.UUID;
import nightbank.core.upkeep.UsualTask.For;
import nightbank.server.house.Houses;
import nightbank.server.part.PartDesign;
import nightbank.server.part.Parts;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.thermometer.Thermometers;
import org.springframework.stereotype.Component;

/** What there is in a holding that needs to be kept going. */
@Component
class PlaceKinds {
  private static final String WATER = "water";

  private final Houses houses;
  private final Stores stores;
  private final Parts parts;
  private final Thermometers thermometers;

  PlaceKinds(Houses houses, Stores stores, Parts parts, Thermometers thermometers) {
    this.houses = houses;
    this.stores = stores;
    this.parts = parts;
    this.thermometers = thermometers;
  }

  Set<For> of(UUID holding) {
    Set<For> there = EnumSet.noneOf(For.class);
    if (!houses.all(holding).isEmpty()) {
      there.add(For.HOUSE);
    }
    parts.all(holding).forEach(p -> there.addAll(p.design().as(NEEDS)));
    for (StoreView s : stores.all(holding)) {
      if (WATER.equals(s.design().medium())) {
        there.add(For.WATER);
      }
      if (!s.probes().isEmpty()) {
        there.add(For.PROBES);
      }
    }
    if (!thermometers.all(holding).isEmpty()) {
      there.add(For.PROBES);
    }
    return there;
  }

  private static final PartDesign.Cases<Set<For>> NEEDS =
      new PartDesign.Cases<>() {
        @Override
        public Set<For> fire(PartDesign.Fire d) {
          return Set.of(For.FIRE, For.ANYTHING_BURNT);
        }

        @Override
        public Set<For> flames(PartDesign.Flames d) {
          return Set.of(For.ANYTHING_BURNT);
        }

        @Override
        public Set<For> heater(PartDesign.Heater d) {
          return Set.of(For.ANYTHING_BURNT);
        }

        @Override
        public Set<For> element(PartDesign.Element d) {
          return Set.of();
        }

        @Override
        public Set<For> sunlight(PartDesign.Sunlight d) {
          return Set.of();
        }

        @Override
        public Set<For> heap(PartDesign.Heap d) {
          return Set.of(For.HEAP);
        }

        @Override
        public Set<For> circuit(PartDesign.Circuit d) {
          return Set.of(d.carries() == PartDesign.Carries.AIR ? For.AIR_LOOP : For.WATER_LOOP);
        }

        @Override
        public Set<For> heatPump(PartDesign.HeatPump d) {
          return Set.of();
        }

        @Override
        public Set<For> animals(PartDesign.Animals d) {
          return Set.of();
        }
      };
}
