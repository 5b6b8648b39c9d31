package nightbank.server.store.internal;

import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import nightbank.core.caution.PartLimit;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.SkinMaterial;
import nightbank.core.source.Feedstock;
import nightbank.core.source.Fuel;
import nightbank.core.source.Hearth;
import nightbank.core.store.FaceUse;
import nightbank.core.usual.Usual;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.shared.Versions;
import nightbank.server.store.Appraisal;
import nightbank.server.store.BuildView;
import nightbank.server.store.StoreDesign;
import nightbank.server.store.StoreDraft;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Stores and the tables they choose from, over HTTP. */
@RestController
class StoreController {
  private final Stores stores;
  private final Access access;

  StoreController(Stores stores, Access access) {
    this.stores = stores;
    this.access = access;
  }

  record CatalogueView(
      List<Medium> media,
      List<InsulationMaterial> insulation,
      List<SkinMaterial> skins,
      List<PartLimit> parts,
      List<Hearth> hearths,
      List<Feedstock> feedstocks,
      List<Fuel> fuels,
      List<UsualView> usual,
      List<FaceUseView> faceUses) {}

  /** How warm a face may be for a use, °C. */
  record FaceUseView(FaceUse of, double low, double best, double high, String source) {
    FaceUseView(FaceUse u) {
      this(u, u.celsius().low(), u.celsius().value(), u.celsius().high(), u.source());
    }
  }

  /** A number taken where nobody says otherwise, in its unit. */
  record UsualView(Usual of, double value, double low, double high, String unit, String source) {
    UsualView(Usual u) {
      this(u, u.value(), u.range().low(), u.range().high(), u.unit(), u.source());
    }
  }

  @GetMapping("/api/catalogue")
  CatalogueView catalogue() {
    return new CatalogueView(
        MediumCatalogue.media(),
        MediumCatalogue.insulation(),
        MediumCatalogue.skins(),
        PartLimit.all(),
        Hearth.all(),
        Feedstock.all(),
        Fuel.all(),
        Arrays.stream(Usual.values()).map(UsualView::new).toList(),
        Arrays.stream(FaceUse.values()).map(FaceUseView::new).toList());
  }

  @GetMapping("/api/holdings/{holdingId}/stores")
  List<StoreView> all(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return stores.all(holdingId);
  }

  @PostMapping("/api/holdings/{holdingId}/stores")
  ResponseEntity<StoreView> create(@PathVariable UUID holdingId, @RequestBody StoreDraft draft) {
    access.require(holdingId, Role.KEEPER);
    StoreView made = stores.create(holdingId, draft);
    return Versions.tagged(made.version(), made);
  }

  /** What a design would come to; nothing is kept. */
  @PostMapping("/api/holdings/{holdingId}/appraisal")
  Appraisal appraise(
      @PathVariable UUID holdingId,
      @RequestParam(required = false) UUID houseId,
      @RequestParam(required = false) UUID storeId,
      @RequestBody StoreDesign design) {
    access.require(holdingId, Role.GUEST);
    return stores.appraise(holdingId, design, houseId, storeId);
  }

  @GetMapping("/api/holdings/{holdingId}/stores/{storeId}/build")
  BuildView build(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.GUEST);
    return stores.build(holdingId, storeId);
  }

  @GetMapping("/api/holdings/{holdingId}/stores/{storeId}")
  ResponseEntity<StoreView> get(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.GUEST);
    StoreView store = stores.get(holdingId, storeId);
    return Versions.tagged(store.version(), store);
  }

  @PutMapping("/api/holdings/{holdingId}/stores/{storeId}")
  ResponseEntity<StoreView> change(
      @PathVariable UUID holdingId,
      @PathVariable UUID storeId,
      @RequestHeader("If-Match") String ifMatch,
      @RequestBody StoreDraft draft) {
    access.require(holdingId, Role.KEEPER);
    StoreView changed = stores.change(holdingId, storeId, draft, Versions.of(ifMatch));
    return Versions.tagged(changed.version(), changed);
  }

  @DeleteMapping("/api/holdings/{holdingId}/stores/{storeId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.KEEPER);
    stores.remove(holdingId, storeId);
  }
}
