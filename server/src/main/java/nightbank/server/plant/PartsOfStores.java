package nightbank.server.plant;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.source.Hearth;
import nightbank.server.plant.ControlDesign.GuardDesign;
import nightbank.server.plant.PartDesign.Carries;
import nightbank.server.plant.PartDesign.EndDesign;
import nightbank.server.plant.PartDesign.HeatTo;
import nightbank.server.plant.PartDesign.Node;
import nightbank.server.plant.PartDesign.NodeDesign;
import nightbank.server.plant.PartDesign.To;
import nightbank.server.shared.Problem;
import nightbank.server.store.SourceDesign;
import nightbank.server.store.StoreDesign;
import nightbank.server.store.StoreDesign.Carrying;
import nightbank.server.store.StoreDesign.Led;

/** The parts that a store's own design tells of: what charges it, and what leads its heat away. */
final class PartsOfStores {
  private static final double USUAL_INLET = 55; // °C
  private static final double BAND = 3; // K below a thermostat's setting

  private final UUID id;
  private final String name;
  private final UUID house;
  private final StoreDesign design;
  private final SourceDesign s;
  private final Instant now;

  private PartsOfStores(UUID id, String name, UUID house, StoreDesign design, Instant now) {
    this.id = id;
    this.name = name;
    this.house = house;
    this.design = design;
    this.s = design.source();
    this.now = now;
  }

  /** All of them. */
  static List<PartView> of(UUID id, String name, UUID house, StoreDesign design, Instant now) {
    PartsOfStores p = new PartsOfStores(id, name, house, design, now);
    List<PartView> all = new ArrayList<>();
    p.source().ifPresent(all::add);
    p.circuit().ifPresent(all::add);
    return all;
  }

  /** What charges it. */
  static Optional<PartView> source(UUID id, StoreDesign design, Instant now) {
    return new PartsOfStores(id, "", null, design, now).source();
  }

  private PartView part(String what, String key, PartDesign d) {
    UUID part = UUID.nameUUIDFromBytes((id + key).getBytes(StandardCharsets.UTF_8));
    return new PartView(part, what + " of the " + name.toLowerCase(Locale.ENGLISH), house, d);
  }

  private Optional<PartView> source() {
    if (s == null || s.kind() == null) {
      return Optional.empty();
    }
    return switch (s.kind()) {
      case NONE -> Optional.empty();
      case ELEMENT -> s.powerWatts() > 0 ? made("Element", element()) : Optional.empty();
      case FIRE -> made("Fire", fire());
      case FLAMES -> made("Flames", flames());
      case WATER_LOOP, WARM_AIR -> fed();
      case HEAT_PUMP -> s.powerWatts() > 0 ? made("Heat pump", pump()) : Optional.empty();
      case SUN -> made("Sun", new PartDesign.Sunlight(id, s.absorptance(), s.sunlitSquareMetres()));
      case HEAP -> made("Rot", heap());
    };
  }

  private Optional<PartView> made(String what, PartDesign d) {
    return Optional.of(part(what, "source", d));
  }

  private HeatTo here(double share) {
    return new HeatTo(To.STORE, id, share);
  }

  private PartDesign element() {
    boolean surplus = Boolean.TRUE.equals(s.surplus());
    GuardDesign[] cut = cutAt();
    ControlDesign control =
        new ControlDesign(
            surplus ? ControlDesign.Runs.ALWAYS : ControlDesign.Runs.BY_HAND,
            null,
            null,
            List.of(cut));
    return new PartDesign.Element(
        List.of(here(1)), s.powerWatts(), surplus, design.indoors(), control);
  }

  private GuardDesign[] cutAt() {
    Double at = s.thermostatCelsius();
    return at == null
        ? new GuardDesign[0]
        : new GuardDesign[] {new GuardDesign.Thermostat(PartDesign.inStore(id), at - BAND, at)};
  }

  private PartDesign fire() {
    Hearth hearth = Hearth.of(s.hearth() == null ? "" : s.hearth()).orElseGet(Hearth::bench);
    boolean own = s.toStore() != null && s.toRoom() != null;
    double store = own ? s.toStore() : hearth.toStore().value();
    double room = own ? s.toRoom() : hearth.toRoom().value();
    if (!(store >= 0 && room >= 0 && store + room <= 1)) {
      throw Problem.invalid(
          "design.source.toStore",
          "Store and room cannot take more than the whole fire.",
          "Leave some for the flue.");
    }
    return new PartDesign.Fire(
        List.of(here(store), new HeatTo(To.HOUSE, null, room)),
        hearth.id(),
        null,
        null,
        false,
        s.woodKilograms(),
        s.woodMoisture(),
        design.indoors());
  }

  private PartDesign flames() {
    double into = s.toStore() == null ? 0.5 : s.toStore();
    return new PartDesign.Flames(
        List.of(here(into), new HeatTo(To.HOUSE, null, 1 - into)),
        s.flames() == null ? 0 : s.flames(),
        s.gramsPerHour() == null ? 5 : s.gramsPerHour(),
        "wax",
        design.indoors(),
        ControlDesign.byHand());
  }

  private PartDesign pump() {
    NodeDesign cold =
        s.coldStoreId() != null
            ? new NodeDesign(Node.STORE, s.coldStoreId(), null)
            : s.coldCelsius() != null
                ? new NodeDesign(Node.HELD, null, s.coldCelsius())
                : new NodeDesign(Node.OUTDOOR_AIR, null, null);
    return new PartDesign.HeatPump(
        s.powerWatts(),
        cold,
        new NodeDesign(Node.STORE, id, null),
        null,
        s.thermostatCelsius(),
        ControlDesign.byHand());
  }

  private PartDesign heap() {
    List<PartDesign.Fed> fed =
        (s.feeds() == null ? List.<SourceDesign.Feed>of() : s.feeds())
            .stream()
                .map(
                    f ->
                        new PartDesign.Fed(
                            f.feedstock(),
                            f.kilograms(),
                            now.minus(Duration.ofSeconds((long) (f.daysAgo() * 86_400)))))
                .toList();
    return new PartDesign.Heap(id, fed);
  }

  /** A stream that comes warm from somewhere else. */
  private Optional<PartView> fed() {
    Led led = design.led();
    if (led == null) {
      return Optional.empty();
    }
    double inlet = s.inletCelsius() == null ? USUAL_INLET : s.inletCelsius();
    return made(
        "Stream into",
        new PartDesign.Circuit(
            carries(led),
            led.kilogramsPerSecond(),
            led.machineWatts(),
            List.of(new EndDesign.Held(inlet), new EndDesign.Through(id)),
            ControlDesign.byHand()));
  }

  private static Carries carries(Led led) {
    return led.carrying() == Carrying.AIR ? Carries.AIR : Carries.WATER;
  }

  private Optional<PartView> circuit() {
    Led led = design.led();
    if (led == null || led.way() == null) {
      return Optional.empty();
    }
    boolean air = led.carrying() == Carrying.AIR;
    if (!air && led.radiatorWattsPerKelvin() <= 0) {
      return Optional.empty();
    }
    EndDesign house =
        air ? new EndDesign.HouseAir() : new EndDesign.Radiator(led.radiatorWattsPerKelvin());
    return Optional.of(
        part(
            air ? "Fan" : "Pump",
            "circuit",
            new PartDesign.Circuit(
                carries(led),
                led.kilogramsPerSecond(),
                led.machineWatts(),
                List.of(new EndDesign.Through(id), house),
                ControlDesign.byHand())));
  }
}
