package nightbank.server.run;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.evidence.ChargedStore;
import nightbank.core.evidence.ChargedStoreBuilder;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoggedEvent;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.judgement.JudgementInputs;
import nightbank.core.judgement.JudgementInputsBuilder;
import nightbank.core.store.FaceName;
import nightbank.core.store.Layer;
import nightbank.core.store.Probe;
import nightbank.core.usual.Usual;
import nightbank.core.weather.Ground;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.HouseView;
import nightbank.server.house.Houses;
import nightbank.server.log.EventLog;
import nightbank.server.log.Readings;
import nightbank.server.shared.InputChanged.Keys;
import nightbank.server.store.Arrangements;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import nightbank.server.store.Stores.CoreStore;
import nightbank.server.weather.Weathers;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Gathers, once each, all that the judgement of a stretch of a store's time rests on. */
@Service
class JudgementAssembler {

  private final Stores stores;
  private final Houses houses;
  private final Holdings holdings;
  private final Readings readings;
  private final EventLog events;
  private final ReadingOverrides beliefs;
  private final Weathers weathers;

  JudgementAssembler(
      Stores stores,
      Houses houses,
      Holdings holdings,
      Readings readings,
      EventLog events,
      ReadingOverrides beliefs,
      Weathers weathers) {
    this.stores = stores;
    this.houses = houses;
    this.holdings = holdings;
    this.readings = readings;
    this.events = events;
    this.beliefs = beliefs;
    this.weathers = weathers;
  }

  /**
   * From when to when, before a store's kind has its say in it. A day counts whole though the store
   * was changed in it; it is judged by how it was for the greater part.
   */
  record Span(Instant from, Instant to, boolean asMarked) {
    JudgementInputs.Window window(Arrangements.Lasting as, boolean makesHeat) {
      return asMarked
          ? JudgementInputs.Window.exactly(
              as.later(from).getEpochSecond(), as.earlier(to).getEpochSecond())
          : JudgementInputs.Window.of(from.getEpochSecond(), to.getEpochSecond(), makesHeat);
    }
  }

  /**
   * A stretch of a store's time and what is to be gathered for it.
   *
   * @param air thermometers of the air round it, nearest first
   * @param keys of all it rests on
   * @param changedAt when the store was changed within the stretch as it was marked: judged is the
   *     longest while that it stayed the same
   */
  @RecordBuilder
  record Concern(
      UUID holding,
      Span span,
      CoreStore store,
      List<UUID> air,
      ChargedStore charged,
      List<EventKind> kinds,
      HoldingView place,
      JudgementInputs.Site site,
      JudgementInputs.Window window,
      List<Instant> changedAt,
      Set<String> keys) {
    List<ProbeView> probes() {
      return store.probes();
    }

    /** The same, resting on more. */
    Concern with(Set<String> more) {
      Set<String> all = new HashSet<>(keys);
      all.addAll(more);
      return JudgementAssemblerConcernBuilder.builder(this).keys(all).build();
    }

    Instant readFrom() {
      return Instant.ofEpochSecond(window.readFrom());
    }

    Instant ledgerFrom() {
      return Instant.ofEpochSecond(window.ledgerFrom());
    }

    Instant to() {
      return Instant.ofEpochSecond(window.to());
    }

    /** From when on a change of anything may tell of it. */
    Instant restsFrom() {
      return span.from().isBefore(readFrom()) ? span.from() : readFrom();
    }

    Instant restsTo() {
      return span.to().isAfter(to()) ? span.to() : to();
    }

    /** Thermometers that are read for it. */
    Set<UUID> read() {
      Set<UUID> read = new HashSet<>(air);
      probes().forEach(p -> read.add(p.id()));
      return read;
    }

    Optional<UUID> probe(ProbeView.Kind kind) {
      return probes().stream().filter(p -> p.kind() == kind).map(ProbeView::id).findFirst();
    }
  }

  Concern concern(UUID holding, UUID storeId, Span span) {
    Arrangements when = stores.arrangements(holding, storeId);
    Arrangements.Lasting as = when.mostOf(span.from(), span.to());
    CoreStore store = stores.core(holding, storeId, as.arrangement());
    List<ProbeView> probes = store.probes();
    HoldingView place = holdings.get(holding);
    HouseView house = store.houseId() == null ? null : houses.get(holding, store.houseId());
    List<UUID> air = airProbes(holding, store);
    ChargedStore charged = charged(store, house, place);
    boolean streamed = probes.stream().anyMatch(p -> p.kind() == ProbeView.Kind.INLET);
    List<EventKind> kinds = charged.countedEvents(streamed);
    double ground =
        house == null
            ? Usual.UNHOUSED_GROUND.value()
            : house.design().groundCelsius() != null
                ? house.design().groundCelsius()
                : Ground.celsius(place.latitude(), 0, span.from(), Ground.DEEP);
    double need =
        house == null
            ? JudgementInputs.NO_HOUSE_NEED
            : house.design().plantLimitCelsius() + JudgementInputs.NEED_MARGIN;
    return JudgementAssemblerConcernBuilder.builder()
        .holding(holding)
        .span(span)
        .store(store)
        .air(air)
        .charged(charged)
        .kinds(kinds)
        .place(place)
        .site(new JudgementInputs.Site(place.latitude(), place.longitude(), ground, need))
        .window(span.window(as, charged.makesHeat()))
        .changedAt(span.asMarked() ? when.changesWithin(span.from(), span.to()) : List.of())
        .keys(keys(store, air, kinds, charged))
        .build();
  }

  private static Set<String> keys(
      CoreStore store, List<UUID> air, List<EventKind> kinds, ChargedStore charged) {
    Set<String> keys = new HashSet<>(Set.of(Keys.PLACE, Keys.AIR, Keys.store(store.id())));
    store.probes().forEach(p -> keys.add(Keys.probe(p.id())));
    air.forEach(p -> keys.add(Keys.probe(p)));
    kinds.forEach(k -> keys.addAll(Keys.eventsAt(k, store.id())));
    store.store().media().forEach(m -> keys.add(Keys.material(m.id())));
    for (FaceName face : FaceName.values()) {
      for (Layer l : store.store().face(face).layers()) {
        if (l instanceof Layer.Bulk b) {
          keys.add(Keys.material(b.material().id()));
        }
      }
    }
    if (store.houseId() != null) {
      keys.add(Keys.house(store.houseId()));
    }
    if (charged.sunlitSquareMetres() > 0) {
      keys.add(Keys.SKY);
    }
    return keys;
  }

  private static ChargedStore charged(CoreStore s, @Nullable HouseView house, HoldingView place) {
    HouseDesign.Shape shape = house == null ? null : house.design().shape();
    double sunwards = place.latitude() < 0 ? 0 : 180;
    return ChargedStoreBuilder.builder()
        .design(s.store())
        .makesHeat(s.makesHeat())
        .watts(s.heat().watts())
        .byStream(s.heat().byStream())
        .stream(s.heat().stream())
        .hearth(s.heat().hearth())
        .usualKilograms(s.heat().usualWood())
        .sunlitSquareMetres(s.sunlit())
        .facingDegrees(shape == null ? sunwards : shape.frontDegrees())
        .lidded(s.lid().there())
        .build();
  }

  /**
   * @param most readings of each probe, evenly thinned: fewer are judged sooner
   */
  JudgementInputs inputs(Concern c, int most) {
    Instant from = c.readFrom();
    List<UUID> mass =
        c.store().store().probes().stream().map(p -> UUID.fromString(p.id())).toList();
    List<ProbeView> spots =
        c.probes().stream().filter(p -> p.kind() == ProbeView.Kind.SURFACE).toList();
    Map<UUID, ReadingSeries> read =
        readings.series(
            c.holding(),
            Stream.of(mass, spots.stream().map(ProbeView::id).toList(), c.air())
                .flatMap(List::stream)
                .toList(),
            from,
            c.to(),
            most);
    List<UUID> pipes =
        Stream.of(ProbeView.Kind.INLET, ProbeView.Kind.OUTLET)
            .flatMap(k -> c.probe(k).stream())
            .toList();
    Map<UUID, ReadingSeries> stream =
        readings.series(c.holding(), pipes, c.ledgerFrom(), c.to(), most);
    return JudgementInputsBuilder.builder()
        .store(c.charged())
        .probes(mass.stream().map(read::get).toList())
        .spots(
            spots.stream()
                .map(
                    p ->
                        new JudgementInputs.Spot(
                            new Probe(p.id().toString(), p.radiusFraction(), p.heightFraction()),
                            Objects.requireNonNull(read.get(p.id()))))
                .toList())
        .air(c.air().stream().map(read::get).toList())
        .inlet(c.probe(ProbeView.Kind.INLET).map(stream::get))
        .outlet(c.probe(ProbeView.Kind.OUTLET).map(stream::get))
        .believed(believed(c))
        .events(logged(c))
        .lidHours(lidHours(c))
        .cloudAt(sky(c))
        .site(c.site())
        .window(c.window())
        .build();
  }

  /** Moments by probe that somebody believes. */
  Map<String, Set<Long>> believed(Concern c) {
    Map<String, Set<Long>> own = new HashMap<>();
    beliefs
        .between(c.holding(), c.readFrom(), c.to())
        .forEach(
            (probe, at) -> {
              if (c.keys().contains(Keys.probe(UUID.fromString(probe)))) {
                own.put(probe, at);
              }
            });
    return own;
  }

  private List<LoggedEvent> logged(Concern c) {
    if (c.kinds().isEmpty()) {
      return List.of();
    }
    Duration reach = Duration.ofSeconds(JudgementInputs.eventsReachBack());
    return events
        .counted(c.holding(), c.store().id(), c.kinds(), c.readFrom().minus(reach), c.to())
        .stream()
        .map(EventLog::toCore)
        .toList();
  }

  private static List<TimeInterval> lidHours(Concern c) {
    var hours = c.store().lid().hours();
    return !c.store().lid().there() || hours == null
        ? List.of()
        : hours.between(
            c.readFrom().minus(Duration.ofDays(1)), c.to(), ZoneId.of(c.place().zone()));
  }

  private NavigableMap<Long, Double> sky(Concern c) {
    NavigableMap<Long, Double> cloud = new TreeMap<>();
    if (c.charged().sunlitSquareMetres() > 0) {
      Duration heard = Duration.ofSeconds(JudgementInputs.SKY_HEARD);
      weathers.recorded(c.holding(), c.readFrom().minus(heard), c.to().plus(heard)).stream()
          .filter(h -> h.cloud() != null)
          .forEach(h -> cloud.put(h.at().getEpochSecond(), h.cloud()));
    }
    return cloud;
  }

  /** Nearest air first: beside the store, then in its house, then outdoors for a store outside. */
  List<UUID> airProbes(UUID holding, CoreStore store) {
    List<UUID> air = new ArrayList<>();
    store.probes().stream()
        .filter(p -> p.kind() == ProbeView.Kind.AIR)
        .forEach(p -> air.add(p.id()));
    if (store.store().place().indoors() && store.houseId() != null) {
      Map<UUID, UUID> inHouse = readings.airProbes(holding, store.houseId());
      inHouse.keySet().stream()
          .filter(p -> !air.contains(p))
          .sorted(
              Comparator.comparing((UUID p) -> inHouse.get(p) != null) // the house's own first
                  .thenComparing(Comparator.naturalOrder()))
          .forEach(air::add);
    } else if (!store.store().place().indoors()) {
      air.addAll(readings.outdoorProbes(holding));
    }
    return air;
  }
}
