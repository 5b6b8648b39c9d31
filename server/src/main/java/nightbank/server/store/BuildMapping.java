package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.caution.PartLimit;
import nightbank.core.sizing.BuildList;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.server.book.Materials;

/** The core's build list as a sheet. */
final class BuildMapping {
  private BuildMapping() {}

  static BuildView view(StoreView store, HeatStore core, Materials book) {
    List<PartLimit> parts = FactsMapping.parts(store.design());
    BuildList list = BuildList.of(core, parts, book.prices());
    List<BuildView.Limit> limits = new ArrayList<>();
    limits.add(new BuildView.Limit(core.medium().name(), core.medium().highestCelsius().value()));
    for (FaceName face : FaceName.values()) {
      for (Layer layer : core.face(face).layers()) {
        limits.add(new BuildView.Limit(layer.name(), layer.highestCelsius()));
      }
    }
    parts.forEach(p -> limits.add(new BuildView.Limit(p.name(), p.highestCelsius())));
    return BuildViewBuilder.builder()
        .name(store.name())
        .design(store.design())
        .appraisal(store.appraisal())
        .items(
            list.items().stream()
                .map(
                    i ->
                        new BuildView.Item(
                            i.name(),
                            i.amount(),
                            i.unit().name(),
                            i.packName().orElse(null),
                            i.packs().orElse(null),
                            i.cost().isPresent() ? i.cost().getAsDouble() : null))
                .toList())
        .cuts(
            list.cuts().stream()
                .map(
                    c ->
                        new BuildView.Cut(
                            c.face().name(),
                            c.what(),
                            c.pieces(),
                            c.lengthMetres(),
                            c.widthMetres(),
                            c.thicknessMetres(),
                            c.round()))
                .toList())
        .steps(list.steps())
        .slenderness(list.slenderness())
        .tippingNewtons(list.tippingNewtons())
        .pallets(list.pallets())
        .limits(limits.stream().distinct().toList())
        .build();
  }
}
