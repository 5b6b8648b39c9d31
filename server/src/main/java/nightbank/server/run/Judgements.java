package nightbank.server.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.function.Function;
import java.util.stream.Collectors;
import nightbank.core.run.Course;
import nightbank.core.run.JudgedRun;
import nightbank.core.run.LoopReadings;
import nightbank.core.run.ReadingSeries;
import nightbank.core.run.RunJudge;
import nightbank.core.run.RunRecord;
import nightbank.core.run.Stretch;
import nightbank.server.house.Houses;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.log.Readings;
import nightbank.server.run.internal.SheetRepository;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.info.BuildProperties;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Hands runs to the core and keeps what it said until something they rest on changes. */
@Service
public class Judgements {
  private static final int MOST_READINGS = 4000; // a probe and run: two a moment of its curves
  private static final double NO_HOUSE_NEED = 10; // °C
  private static final double NEED_MARGIN = 5; // K above the plants' limit
  private static final double GROUND = 8; // °C, where no house says otherwise

  private final Runs runs;
  private final Stores stores;
  private final Houses houses;
  private final Readings readings;
  private final EventLog events;
  private final Beliefs beliefs;
  private final Loops loops;
  private final Lids lids;
  private final SunOnStores sun;
  private final LoggedFires fires;
  private final SheetRepository sheets;
  private final String built;
  private final Cache<Key, Optional<Judged>> cache = Caffeine.newBuilder().maximumSize(60).build();
  private final Semaphore busy =
      new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors()));

  Judgements(
      Runs runs,
      Stores stores,
      Houses houses,
      Readings readings,
      EventLog events,
      Beliefs beliefs,
      Loops loops,
      Lids lids,
      SunOnStores sun,
      LoggedFires fires,
      SheetRepository sheets,
      ObjectProvider<BuildProperties> build) {
    this.runs = runs;
    this.stores = stores;
    this.houses = houses;
    this.readings = readings;
    this.events = events;
    this.beliefs = beliefs;
    this.loops = loops;
    this.lids = lids;
    this.sun = sun;
    this.fires = fires;
    this.sheets = sheets;
    BuildProperties properties = build.getIfAvailable();
    built = properties == null ? "" : String.valueOf(properties.getTime());
  }

  private record Key(
      UUID store,
      int version,
      Instant from,
      Instant ledgerFrom,
      Instant to,
      String mark,
      int most) {}

  /**
   * What the judgement of a stretch rests on besides the store, gathered once.
   *
   * @param read a mark of the readings
   */
  private record Basis(
      Instant from,
      Instant to,
      List<ProbeView> probes,
      List<UUID> air,
      String read,
      Map<String, Set<Long>> believed,
      List<Stretch> stood,
      List<Stretch> lidOff,
      Optional<Course> course) {
    Set<UUID> restsOn() {
      return concerned(probes, air);
    }

    String mark() {
      int driven = course.map(c -> Arrays.hashCode(c.watts().celsius())).orElse(0);
      return read + "/" + believed + "/" + stood + "/" + lidOff + "/" + driven;
    }
  }

  private static Set<UUID> concerned(List<ProbeView> probes, List<UUID> air) {
    Set<UUID> read = new HashSet<>(air);
    probes.forEach(p -> read.add(p.id()));
    return read;
  }

  private Basis basis(UUID holding, CoreStore store, Instant from, Instant to) {
    List<ProbeView> probes = stores.probes(holding, store.id());
    List<UUID> air = airProbes(holding, store, probes);
    return new Basis(
        from,
        to,
        probes,
        air,
        readings.mark(holding, concerned(probes, air), from, to),
        beliefs.between(holding, from, to),
        loops.stood(holding, store, probes, to),
        lids.off(holding, store, from, to),
        course(holding, store, from, to));
  }

  private Optional<Course> course(UUID holding, CoreStore store, Instant from, Instant to) {
    return sun.on(holding, store, from, to)
        .map(Course::ofSun)
        .or(() -> fires.on(holding, store, from, to));
  }

  /** What the core said, and of how many readings. */
  public record Judged(JudgedRun run, long readings) {}

  public JudgementView view(UUID holding, UUID runId) {
    RunView run = runs.get(holding, runId);
    CoreStore store = stores.core(holding, run.storeId());
    Basis basis = basis(holding, store, run.from(), run.to());
    List<EventView> seen =
        events.between(holding, run.from(), run.to()).stream()
            .filter(e -> e.storeId() == null || e.storeId().equals(run.storeId()))
            .toList();
    String mark = mark(holding, store, run, basis, seen);
    return sheets
        .find(runId, mark)
        .orElseGet(
            () -> {
              JudgementView view = fresh(holding, store, run, basis, seen);
              sheets.save(holding, runId, mark, view);
              return view;
            });
  }

  /** Of everything that a sheet rests on, the program that judged it too. */
  private String mark(
      UUID holding, CoreStore store, RunView run, Basis basis, List<EventView> seen) {
    return String.join(
        "/",
        built,
        Integer.toHexString(
            List.of(
                    store.version(),
                    run,
                    basis.probes(),
                    seen,
                    basis.mark(),
                    needBelow(holding, store),
                    ground(holding, store, run.from()))
                .toString()
                .hashCode()),
        basis.read());
  }

  private JudgementView fresh(
      UUID holding, CoreStore store, RunView run, Basis basis, List<EventView> seen) {
    Judged judged =
        judge(holding, store, basis, run.from(), MOST_READINGS)
            .orElseThrow(
                () ->
                    new Problem(
                        HttpStatus.UNPROCESSABLE_ENTITY,
                        "too-few-readings",
                        "run",
                        "Fewer than eight readings of one probe lie in this run.",
                        "Choose a longer stretch, or hand over the logger's file."));
    return JudgementMapping.view(
        run,
        store.name(),
        store.store().floorCelsius(),
        needBelow(holding, store),
        judged.run(),
        basis.probes().stream().collect(Collectors.toMap(ProbeView::id, Function.identity())),
        believed(basis),
        judged.readings(),
        judged
            .run()
            .loop()
            .map(l -> LoopView.of(store.id(), store.name(), store.heat().byStream(), l))
            .orElse(null),
        basis.restsOn().stream().sorted().toList(),
        seen);
  }

  private static List<JudgementView.SetAside> believed(Basis basis) {
    return basis.probes().stream()
        .flatMap(
            p ->
                basis.believed().getOrDefault(p.id().toString(), Set.of()).stream()
                    .map(at -> new JudgementView.SetAside(p.id(), p.name(), at, null, "BELIEVED")))
        .toList();
  }

  /** Judges any stretch of a store's time; empty when too little was read. */
  public Optional<Judged> judge(UUID holding, CoreStore store, Instant from, Instant to) {
    return judge(holding, store, basis(holding, store, from, to), from, MOST_READINGS);
  }

  /**
   * A day of its ledger.
   *
   * @param most readings of each probe, evenly thinned: fewer are judged sooner
   */
  public Optional<Judged> judgeDay(
      UUID holding, CoreStore store, Instant from, Instant to, int most) {
    Instant begin = from.minusSeconds(store.makesHeat() ? RunRecord.HEAP_LOOKS_BACK : 0);
    return judge(holding, store, basis(holding, store, begin, to), from, most);
  }

  private Optional<Judged> judge(
      UUID holding, CoreStore store, Basis basis, Instant ledgerFrom, int most) {
    Key key =
        new Key(
            store.id(), store.version(), basis.from(), ledgerFrom, basis.to(), basis.mark(), most);
    return cache.get(key, k -> fresh(holding, store, basis, ledgerFrom, most));
  }

  private Optional<Judged> fresh(
      UUID holding, CoreStore store, Basis basis, Instant ledgerFrom, int most) {
    Instant from = basis.from();
    Instant to = basis.to();
    List<ReadingSeries> series = new ArrayList<>();
    long count = 0;
    for (var probe : store.store().probes()) {
      ReadingSeries s = readings.series(holding, UUID.fromString(probe.id()), from, to, most);
      count += s.size();
      if (s.size() > 1) {
        series.add(s);
      }
    }
    if (series.isEmpty()) {
      return Optional.empty();
    }
    ReadingSeries beside = new ReadingSeries("", new long[0], new double[0]);
    for (UUID probe : basis.air()) {
      ReadingSeries s = readings.series(holding, probe, from, to, most);
      if (s.size() > 1) {
        beside = s;
        count += s.size();
        break;
      }
    }
    Optional<LoopReadings> loop =
        loops.of(holding, store, basis.probes(), basis.stood(), ledgerFrom, to, most);
    RunRecord record =
        new RunRecord(
            store.store(),
            series,
            beside,
            ground(holding, store, from),
            loop.isPresent() && store.heat().byStream() ? 0 : store.heat().watts(),
            needBelow(holding, store),
            store.makesHeat(),
            basis.believed(),
            loop,
            basis.course(),
            basis.lidOff(),
            ledgerFrom.getEpochSecond());
    busy.acquireUninterruptibly();
    try {
      long all = count;
      return RunJudge.judge(record).map(j -> new Judged(j, all));
    } finally {
      busy.release();
    }
  }

  /** Nearest air first: beside the store, then in its house, then outdoors for a store outside. */
  List<UUID> airProbes(UUID holding, CoreStore store, List<ProbeView> probes) {
    List<UUID> air = new ArrayList<>();
    probes.stream().filter(p -> p.kind() == ProbeView.Kind.AIR).forEach(p -> air.add(p.id()));
    if (store.store().place().indoors() && store.houseId() != null) {
      Map<UUID, UUID> inHouse = readings.airProbes(holding, store.houseId());
      inHouse.keySet().stream().filter(p -> !air.contains(p)).sorted().forEach(air::add);
    } else if (!store.store().place().indoors()) {
      air.addAll(readings.outdoorProbes(holding));
    }
    return air;
  }

  private double needBelow(UUID holding, CoreStore store) {
    return store.houseId() == null
        ? NO_HOUSE_NEED
        : houses.get(holding, store.houseId()).design().plantLimitCelsius() + NEED_MARGIN;
  }

  private double ground(UUID holding, CoreStore store, Instant at) {
    return store.houseId() == null
        ? GROUND
        : houses.ground(holding, houses.get(holding, store.houseId()).design(), at);
  }
}
