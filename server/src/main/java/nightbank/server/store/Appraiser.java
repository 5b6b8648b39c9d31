package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreAppraisal;

/** What a design comes to, from the core's figures. */
final class Appraiser {
  private Appraiser() {}

  static Appraisal appraise(StoreDesign design, HeatStore store) {
    double power = design.source() == null ? 0 : design.source().powerWatts();
    StoreAppraisal a = StoreAppraisal.of(store, design.chargeToCelsius(), power);
    List<Appraisal.FaceLoss> faces = new ArrayList<>();
    for (FaceName name : FaceName.values()) {
      faces.add(
          new Appraisal.FaceLoss(
              name.name(),
              store.faceArea(name) * store.count(),
              a.transmittance(name),
              a.watts(name),
              store.face(name).thicknessMetres()));
    }
    List<Appraisal.Notice> notices =
        a.notices().stream()
            .map(n -> new Appraisal.Notice(n.code().name(), n.reason(), n.remedy()))
            .toList();
    return new Appraisal(
        store.mass(),
        store.geometry().volume() * store.count(),
        store.massPerFloorArea(),
        a.usableJoules(),
        a.usableLow(),
        a.usableHigh(),
        a.lossCoefficient(),
        a.halfLifeSeconds(),
        a.chargeSeconds(),
        a.biot(),
        faces,
        notices);
  }
}
