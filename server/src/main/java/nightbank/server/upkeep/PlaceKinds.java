package nightbank.server.upkeep;

import java.util.EnumSet;
import java.util.Set;
import java.util.UUID;
import nightbank.core.upkeep.UsualTask.For;
import nightbank.server.house.Houses;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartView;
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
    for (PartView p : parts.all(holding)) {
      if (p.design() instanceof PartDesign.Fire) {
        there.addAll(Set.of(For.FIRE, For.ANYTHING_BURNT));
      } else if (p.design() instanceof PartDesign.Flames) {
        there.add(For.ANYTHING_BURNT);
      } else if (p.design() instanceof PartDesign.Heap) {
        there.add(For.HEAP);
      } else if (p.design() instanceof PartDesign.Circuit c) {
        there.add(c.carries() == PartDesign.Carries.AIR ? For.AIR_LOOP : For.WATER_LOOP);
      }
    }
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
}
