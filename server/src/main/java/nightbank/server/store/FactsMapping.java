package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.caution.PartLimit;
import nightbank.core.caution.StoreFacts;
import nightbank.core.caution.StoreFactsBuilder;
import nightbank.core.store.HeatStore;
import nightbank.server.part.StoreHeat;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreDesign.Build;

/** What the rules of caution ask about a design. */
final class FactsMapping {
  private FactsMapping() {}

  static StoreFacts toCore(StoreDesign d, HeatStore store, StoreHeat heat) {
    Build build = d.build();
    return StoreFactsBuilder.builder()
        .store(store)
        .source(heat.kind())
        .fullCelsius(d.chargeToCelsius())
        .hottestCelsius(Double.NaN)
        .contactCelsius(Double.NaN)
        .power(heat::wattsAt)
        .woodMoisture(heat.woodMoisture())
        .closedVessel(build != null && Boolean.TRUE.equals(build.closedVessel()))
        .closedCoil(build != null && Boolean.TRUE.equals(build.closedCoil()))
        .pumped(d.led() == null || !Boolean.FALSE.equals(d.led().pumped()))
        .bathed(build != null && Boolean.TRUE.equals(build.bathed()))
        .parts(parts(d))
        .room(Optional.empty())
        .build();
  }

  /** Parts named in the build, and the pipe of the coil. */
  static List<PartLimit> parts(StoreDesign d) {
    List<String> ids = new ArrayList<>();
    if (d.led() != null && d.led().pipe() != null) {
      ids.add(d.led().pipe());
    }
    if (d.build() != null && d.build().parts() != null) {
      ids.addAll(d.build().parts());
    }
    return ids.stream().distinct().map(FactsMapping::part).toList();
  }

  private static PartLimit part(String id) {
    return PartLimit.of(id)
        .orElseThrow(
            () ->
                Problem.invalid(
                    "design.build.parts",
                    "There is no part called " + id + ".",
                    "Choose one from the list."));
  }
}
