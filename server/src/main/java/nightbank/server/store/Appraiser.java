package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.caution.Caution;
import nightbank.core.caution.StoreCautions;
import nightbank.core.caution.StoreFacts;
import nightbank.core.sizing.BuildList;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreAppraisal;
import nightbank.server.book.Materials;
import nightbank.server.part.StoreHeat;
import org.jspecify.annotations.Nullable;

/** What a design comes to, from the core's figures. */
final class Appraiser {
  private Appraiser() {}

  /**
   * Appraises.
   *
   * @param heat what its parts say
   * @param hottestRead hottest of its probes as last read, NaN when none was
   * @param room of the house that it is for, null when unknown
   */
  static Appraisal appraise(
      StoreDesign design,
      HeatStore store,
      StoreHeat heat,
      Materials book,
      double hottestRead,
      StoreFacts.@Nullable Room room) {
    StoreAppraisal a = StoreAppraisal.of(store, design.chargeToCelsius(), heat::wattsAt);
    double charge = a.chargeSeconds();
    List<Appraisal.FaceLoss> faces = new ArrayList<>();
    for (FaceName name : FaceName.values()) {
      faces.add(
          new Appraisal.FaceLoss(
              name.name(),
              store.faceArea(name) * store.count(),
              a.transmittance(name),
              a.watts(name),
              store.face(name).thicknessMetres(),
              StoreNow.known(
                  store.surfaceCelsius(name, design.chargeToCelsius(), store.floorCelsius()))));
    }
    BuildList build = BuildList.of(store, FactsMapping.parts(design), book.prices());
    BuildList.Item fill = build.items().get(0);
    StoreFacts facts =
        FactsMapping.toCore(design, store, heat).withPeak(hottestRead, Double.NaN).in(room);
    return AppraisalBuilder.builder()
        .massKg(store.mass())
        .volumeCubicMetres(store.geometry().volume() * store.count())
        .loadKgPerSquareMetre(store.massPerFloorArea())
        .usableJoules(a.usableJoules())
        .usableLow(a.usableLow())
        .usableHigh(a.usableHigh())
        .lossWattsPerKelvin(a.lossCoefficient())
        .losesHalfSeconds(a.losesHalfSeconds())
        .chargeSeconds(Double.isFinite(charge) ? charge : null)
        .sourceTooWeak(Double.isInfinite(charge))
        .dawnWatts(a.dawnWatts())
        .biot(a.biot())
        .packs(fill.packs().orElse(null))
        .packName(fill.packName().orElse(null))
        .cost(build.cost())
        .unpriced(build.unpriced())
        .currency(book.currency())
        .faces(faces)
        .cautions(StoreCautions.of(facts).stream().map(Appraiser::view).toList())
        .build();
  }

  static Appraisal.CautionView view(Caution c) {
    return new Appraisal.CautionView(
        c.code().name(), c.weight().name(), c.of(), c.reason(), c.remedy(), c.figures());
  }
}
