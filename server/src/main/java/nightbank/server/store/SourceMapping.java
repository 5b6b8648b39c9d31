package nightbank.server.store;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.charge.Element;
import nightbank.core.charge.FeedMix;
import nightbank.core.charge.Feedstock;
import nightbank.core.charge.Fire;
import nightbank.core.charge.HeapWarmth;
import nightbank.core.charge.Hearth;
import nightbank.core.charge.HeatPump;
import nightbank.core.charge.PumpedFrom;
import nightbank.core.charge.SmallFlames;
import nightbank.core.charge.Source;
import nightbank.core.charge.StreamCharge;
import nightbank.core.charge.SunOnFace;
import nightbank.core.charge.WoodFire;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreModel;
import nightbank.server.shared.Problem;

/** What charges a store, to the core; every refusal names its field. */
final class SourceMapping {
  static final double USUAL_HOURS = 5;
  private static final double FIREWOOD = 0.18;
  private static final double USUAL_WOOD = 6; // kg
  private static final double TAKEN_UP = 0.85; // of sun, by a dull dark face
  private static final double HEAP_DAYS = 14;
  private static final double HEAP_CELSIUS = 50; // that feed has been working at

  private final SourceDesign s;
  private final HeatStore store;
  private final double airCelsius;
  private final StoreModel cold;

  private SourceMapping(
      SourceDesign source, HeatStore store, double airCelsius, StoreModel coldStore) {
    this.s = source;
    this.store = store;
    this.airCelsius = airCelsius;
    this.cold = coldStore;
  }

  /**
   * The source of a charge.
   *
   * @param coldStore that a heat pump draws on, null without one
   */
  static Source toCore(
      SourceDesign source, HeatStore store, double airCelsius, StoreModel coldStore) {
    if (source == null || source.kind() == null || source.kind() == SourceDesign.Kind.NONE) {
      throw Problem.invalid(
          "design.source.kind", "Nothing charges this store.", "Choose what charges it.");
    }
    return new SourceMapping(source, store, airCelsius, coldStore).source();
  }

  /** How its fire splits its heat: the grower's own split, else the hearth's. */
  static Hearth hearth(SourceDesign s) {
    Hearth hearth =
        Hearth.of(s == null || s.hearth() == null ? "" : s.hearth()).orElseGet(Hearth::bench);
    boolean own = s != null && s.toStore() != null && s.toRoom() != null;
    return own
        ? Problem.field("design.source.toStore", () -> split(hearth, s.toStore(), s.toRoom()))
        : hearth;
  }

  /** kg of a fire of a store that burns wood, 0 of any other. */
  static double usualWood(SourceDesign s) {
    return s != null && s.kind() == SourceDesign.Kind.FIRE ? or(s.woodKilograms(), USUAL_WOOD) : 0;
  }

  private static Hearth split(Hearth hearth, double store, double room) {
    if (!(store >= 0 && room >= 0 && store + room <= 1)) {
      throw new IllegalArgumentException("store and room cannot take more than the whole fire");
    }
    return hearth.withSplit(store, room);
  }

  private Source source() {
    double seconds = hours() * 3600;
    return switch (s.kind()) {
      case ELEMENT ->
          Problem.field(
              "design.source.powerWatts",
              () ->
                  new Element(
                      power(),
                      or(s.thermostatCelsius(), Double.POSITIVE_INFINITY),
                      0,
                      seconds,
                      Boolean.TRUE.equals(s.surplus())));
      case FIRE -> fire();
      case FLAMES ->
          Problem.field(
              "design.source.flames",
              () ->
                  new SmallFlames(
                      s.flames() == null ? 0 : s.flames(),
                      or(s.gramsPerHour(), 5),
                      or(s.toStore(), 0.5),
                      seconds));
      case WATER_LOOP, WARM_AIR ->
          Problem.field(
              store.carrier().isEmpty() ? "design.led" : "design.source.inletCelsius",
              () -> new StreamCharge(store, or(s.inletCelsius(), 55), seconds));
      case SUN -> Problem.field("design.source.sunlitSquareMetres", () -> sun(seconds));
      case HEAT_PUMP -> heatPump(seconds);
      case HEAP -> heap();
      case NONE -> throw new IllegalStateException();
    };
  }

  private double hours() {
    double hours = or(s.hours(), USUAL_HOURS);
    if (!(hours > 0 && hours <= 24 * 30)) {
      throw Problem.invalid(
          "design.source.hours",
          "A charge must last between 0 and 720 hours, was " + hours + " h.",
          "Give the hours of one charge.");
    }
    return hours;
  }

  private double power() {
    if (s.powerWatts() <= 0) {
      throw Problem.invalid(
          "design.source.powerWatts",
          "Its power is not known.",
          "Read it off the plate, or measure what it draws.");
    }
    return s.powerWatts();
  }

  private Source fire() {
    double kilograms = usualWood(s);
    Hearth hearth = hearth(s);
    WoodFire wood =
        Problem.field(
            "design.source.woodKilograms",
            () -> WoodFire.in(hearth, kilograms, or(s.woodMoisture(), FIREWOOD)));
    double lever =
        s.leverAfterHours() == null ? Double.POSITIVE_INFINITY : s.leverAfterHours() * 3600;
    return new Fire(wood, 0, lever);
  }

  /** A bright winter's day as a half sine, at the best that the sunlit face gets. */
  private Source sun(double seconds) {
    int n = 24;
    double[] at = new double[n + 1];
    double[] shine = new double[n + 1];
    double area = sunlitArea(s, store);
    double best = s.powerWatts() > 0 ? s.powerWatts() / area : 350;
    for (int i = 0; i <= n; i++) {
      at[i] = seconds * i / n;
      shine[i] = best * Math.sin(Math.PI * i / n);
    }
    return new SunOnFace(or(s.absorptance(), TAKEN_UP), area, at, shine);
  }

  private static double sunlitArea(SourceDesign s, HeatStore store) {
    return or(s.sunlitSquareMetres(), store.faceArea(FaceName.SIDE) * store.count() / 2);
  }

  /** m² that take all sun up; 0 where the sun charges nothing. */
  static double sunlit(SourceDesign s, HeatStore store) {
    return s != null && s.kind() == SourceDesign.Kind.SUN
        ? or(s.absorptance(), TAKEN_UP) * sunlitArea(s, store)
        : 0;
  }

  private Source heatPump(double seconds) {
    HeatPump pump =
        Problem.field(
            "design.source.powerWatts",
            () ->
                new HeatPump(
                    power(), 0.4, 5, cold == null ? -20 : 2, or(s.thermostatCelsius(), 55)));
    return cold == null
        ? PumpedFrom.outside(pump, or(s.coldCelsius(), airCelsius), seconds)
        : PumpedFrom.store(pump, cold, airCelsius, seconds);
  }

  private Source heap() {
    List<HeapWarmth.Batch> batches = batches(s);
    if (batches.isEmpty()) {
      throw Problem.invalid(
          "design.source.feeds",
          "Nobody has said what the heap was fed.",
          "Write down the feedings of the last weeks.");
    }
    double days = s.hours() == null ? HEAP_DAYS : hours() / 24;
    return new HeapWarmth(batches, days * 86_400, airCelsius);
  }

  static List<HeapWarmth.Batch> batches(SourceDesign s) {
    if (s == null || s.feeds() == null || s.feeds().isEmpty()) {
      return List.of();
    }
    FeedMix mix = mix(s.feeds());
    List<HeapWarmth.Batch> batches = new ArrayList<>();
    for (SourceDesign.Feed f : s.feeds()) {
      double solids = feedstock(f).degradableSolids(f.kilograms());
      batches.add(
          new HeapWarmth.Batch(0, f.kilograms(), solids, mix.moisture(), mix.freeAir())
              .after(Math.max(0, f.daysAgo()) * 86_400, HEAP_CELSIUS));
    }
    return batches;
  }

  static FeedMix mix(List<SourceDesign.Feed> feeds) {
    return Problem.field(
        "design.source.feeds",
        () ->
            new FeedMix(
                feeds.stream().map(f -> new FeedMix.Part(feedstock(f), f.kilograms())).toList()));
  }

  private static Feedstock feedstock(SourceDesign.Feed f) {
    return Feedstock.of(f.feedstock() == null ? "" : f.feedstock())
        .orElseThrow(
            () ->
                Problem.invalid(
                    "design.source.feeds",
                    "There is no feedstock called " + f.feedstock() + ".",
                    "Choose one from the list."));
  }

  private static double or(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }
}
