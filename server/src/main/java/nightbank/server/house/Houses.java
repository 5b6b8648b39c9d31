package nightbank.server.house;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.SkinPart;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.server.house.internal.HouseRepository;
import nightbank.server.house.internal.HouseRepository.StoredHouse;
import nightbank.server.shared.Problem;
import org.springframework.stereotype.Service;

/** Houses: kept, checked, and handed to the core. */
@Service
public class Houses {
  private static final double CALM_WIND = 2; // m/s, for the loss shown beside the design

  private final HouseRepository repository;
  private final Clock clock;

  Houses(HouseRepository repository, Clock clock) {
    this.repository = repository;
    this.clock = clock;
  }

  /** What a keeper sends. */
  public record HouseDraft(UUID id, String name, HouseDesign design) {}

  public List<HouseView> all(UUID holding) {
    return repository.all(holding).stream().map(Houses::view).toList();
  }

  public HouseView get(UUID holding, UUID id) {
    return view(stored(holding, id));
  }

  public Greenhouse greenhouse(UUID holding, UUID id) {
    return toCore(stored(holding, id).design());
  }

  public HouseView create(UUID holding, HouseDraft draft) {
    check(draft);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    repository.insert(holding, id, draft.name().strip(), draft.design(), clock.instant());
    return get(holding, id);
  }

  public HouseView change(UUID holding, UUID id, HouseDraft draft, int version) {
    check(draft);
    stored(holding, id);
    if (!repository.update(
        holding, id, draft.name().strip(), draft.design(), version, clock.instant())) {
      throw Problem.changedMeanwhile("house");
    }
    return get(holding, id);
  }

  private StoredHouse stored(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("house"));
  }

  private static void check(HouseDraft draft) {
    if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 200) {
      throw Problem.invalid(
          "name", "A house needs a name of up to 200 letters.", "Give it a name.");
    }
    toCore(draft.design());
  }

  private static Greenhouse toCore(HouseDesign d) {
    if (d == null || d.skin() == null || d.skin().isEmpty()) {
      throw Problem.invalid(
          "design.skin",
          "A house without a skin is the open air.",
          "Add at least one part: a roof or a wall with its area.");
    }
    if (d.skin().size() > 200) {
      throw Problem.invalid("design.skin", "More than 200 parts.", "Put like parts together.");
    }
    List<SkinPart> parts = new ArrayList<>();
    for (int i = 0; i < d.skin().size(); i++) {
      HouseDesign.Part p = d.skin().get(i);
      double sky =
          switch (p.looks() == null ? HouseDesign.Looks.OUT : p.looks()) {
            case UP -> 0.9;
            case OUT -> 0.45;
            case SHELTERED -> 0;
          };
      parts.add(
          Problem.field(
              "design.skin." + i,
              () -> new SkinPart(p.name(), p.areaSquareMetres(), p.transmittance(), sky)));
    }
    Medium mass =
        MediumCatalogue.medium(d.innerMassMedium() == null ? "soil" : d.innerMassMedium())
            .orElseThrow(
                () ->
                    Problem.invalid(
                        "design.innerMassMedium",
                        "There is no medium called " + d.innerMassMedium() + ".",
                        "Choose one from the list."));
    InnerMass inner =
        Problem.field(
            "design.innerMassKg",
            () -> InnerMass.of(mass, d.innerMassKg(), d.innerMassAreaSquareMetres()));
    return Problem.field(
        "design",
        () ->
            Greenhouse.of(
                parts, d.volumeCubicMetres(), d.airChangesPerHour(), inner, d.plantLimitCelsius()));
  }

  private static HouseView view(StoredHouse h) {
    Greenhouse g = toCore(h.design());
    List<HouseView.Loss> losses = new ArrayList<>();
    for (SkinPart p : g.skin()) {
      losses.add(
          new HouseView.Loss(p.name(), p.areaSquareMetres() * p.transmittanceInWind(CALM_WIND)));
    }
    losses.add(new HouseView.Loss("Draught", g.draughtCoefficient(CALM_WIND)));
    return new HouseView(
        h.id(), h.name(), h.version(), h.design(), g.lossCoefficient(CALM_WIND), losses);
  }
}
