package nightbank.core.judgement;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.LongStream;
import nightbank.core.evidence.ChargedStore;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoggedEvent;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.RunRecordBuilder;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.evidence.TimeSeries;
import nightbank.core.house.SolarGain;
import nightbank.core.internal.Fingerprint;
import nightbank.core.source.LitFire;
import nightbank.core.source.WoodFire;
import nightbank.core.store.Probe;
import nightbank.core.weather.Weather;

/**
 * All that the judgement of a stretch of a store's time rests on. Equal inputs have equal {@link
 * #fingerprint}s and are judged alike; what changes none of them changes no judgement.
 *
 * @param store as it was then
 * @param probes readings in the mass, by probe
 * @param spots read from outside on its surface, of use where few readings are judged
 * @param air readings of the air round it, nearest thermometer first; the first that was read
 *     counts
 * @param inlet readings of its stream on the way in, from when its ledger counts; empty without
 *     such a thermometer
 * @param outlet the same on the way out
 * @param believed moments of readings, by channel, that the grower believes whatever cleaning says
 * @param events in the order of time, those before the stretch too that act into it still
 * @param lidHours stretches for which its lid stands open by its design's hours
 * @param cloudAt share of the sky covered by epoch second, as a weather file told it
 * @param site where it stands
 * @param window of time
 */
@RecordBuilder
public record JudgementInputs(
    ChargedStore store,
    List<ReadingSeries> probes,
    List<Spot> spots,
    List<ReadingSeries> air,
    Optional<ReadingSeries> inlet,
    Optional<ReadingSeries> outlet,
    Map<String, Set<Long>> believed,
    List<LoggedEvent> events,
    List<TimeInterval> lidHours,
    NavigableMap<Long, Double> cloudAt,
    Site site,
    Window window) {
  /**
   * Of the judging code: to be raised with any change that judges the same inputs differently, or
   * that keeps what is judged in another shape.
   */
  public static final int VERSION = 8;

  /** House air below which heat counts as delivered where no house says otherwise, °C. */
  public static final double NO_HOUSE_NEED = 10;

  /** The same where one does, K above what its plants bear. */
  public static final double NEED_MARGIN = 5;

  private static final long SUN_STEP = 600; // s

  /** A sky told so long before or after a moment still counts for it, s. */
  public static final long SKY_HEARD = 2 * 3600;

  /**
   * A spot on its surface: at the top where its height is all of it, else on the side.
   *
   * @param where as its probes' places are told
   */
  public record Spot(Probe where, ReadingSeries readings) {}

  /** Of the air outdoors and of the house it stands in, °C; degrees north and east. */
  public record Site(
      double latitude, double longitude, double groundCelsius, double needBelowCelsius) {}

  /**
   * From when to when, epoch seconds.
   *
   * @param readFrom from when on readings are taken
   * @param ledgerFrom from when on its ledger counts
   */
  public record Window(long readFrom, long ledgerFrom, long to) {
    /** A stretch, and as much before it as the store's kind needs to be judged. */
    public static Window of(long from, long to, boolean makesHeat) {
      return new Window(from - (makesHeat ? RunRecord.HEAP_LOOKS_BACK : 0), from, to);
    }

    /** A stretch as somebody marked it, and nothing before it. */
    public static Window exactly(long from, long to) {
      return new Window(from, from, to);
    }
  }

  public JudgementInputs {
    probes = List.copyOf(probes);
    spots = List.copyOf(spots);
    air = List.copyOf(air);
    believed = Map.copyOf(believed);
    events = List.copyOf(events);
    lidHours = List.copyOf(lidHours);
    cloudAt = new TreeMap<>(cloudAt);
  }

  /** So long before a stretch events still act into it that do not last, s. */
  public static long eventsReachBack() {
    return (long) WoodFire.LONGEST;
  }

  /** SHA-256 of all of it, and of the version of the code that judges. */
  public String fingerprint() {
    return Fingerprint.of(VERSION, this);
  }

  /** The same, for something that says more besides the judgement. */
  public String fingerprintWith(Object beside) {
    return Fingerprint.of(VERSION, this, beside);
  }

  /** How many readings there are. */
  public long readings() {
    return probes.stream().mapToLong(ReadingSeries::size).sum()
        + beside().map(ReadingSeries::size).orElse(0);
  }

  /** Epoch second of the last reading in the mass; empty without any. */
  public OptionalLong lastRead() {
    return probes.stream()
        .filter(s -> s.size() > 0)
        .mapToLong(s -> s.epochSeconds()[s.size() - 1])
        .max();
  }

  /** Judges; empty where too little was read. */
  public Optional<JudgedRun> judge() {
    List<ReadingSeries> read = probes.stream().filter(s -> s.size() > 1).toList();
    if (read.isEmpty()) {
      return Optional.empty();
    }
    Optional<LoopReadings> loop = loop();
    return RunJudge.judge(
        RunRecordBuilder.builder()
            .store(store.design())
            .probes(read)
            .air(beside().orElse(new ReadingSeries("", new long[0], new double[0])))
            .groundCelsius(site.groundCelsius())
            .sourceWatts(loop.isPresent() && store.byStream() ? 0 : store.watts())
            .needBelowCelsius(site.needBelowCelsius())
            .makesHeat(store.makesHeat())
            .believed(believed)
            .loop(loop)
            .course(course())
            .lidOff(lidOff())
            .ledgerFrom(window.ledgerFrom())
            .build());
  }

  private Optional<ReadingSeries> beside() {
    return air.stream().filter(s -> s.size() > 1).findFirst();
  }

  Optional<LoopReadings> loop() {
    if (inlet.isEmpty() || outlet.isEmpty() || store.stream().isEmpty()) {
      return Optional.empty();
    }
    ReadingSeries in = inlet.get();
    ReadingSeries out = outlet.get();
    return in.size() == 0 || out.size() == 0
        ? Optional.empty()
        : Optional.of(
            new LoopReadings(in, out, store.stream().get().capacityRate(), pumpStood(events)));
  }

  /** Stretches for which its pump stood, as it was logged; the last may last still. */
  public static List<TimeInterval> pumpStood(List<LoggedEvent> events) {
    var moved = new TreeMap<Long, Boolean>();
    events.stream()
        .filter(e -> e.kind() == EventKind.PUMP && e.way() != null)
        .forEach(e -> moved.put(e.at(), e.way() == EventKind.Way.OFF));
    return between(moved);
  }

  /** When its lid was off: by its hours and by what was logged; the last word holds. */
  private List<TimeInterval> lidOff() {
    if (!store.lidded()) {
      return List.of();
    }
    var moved = new TreeMap<Long, Boolean>();
    for (TimeInterval s : lidHours) {
      moved.put(s.from(), true);
      moved.put(s.to(), false);
    }
    events.stream()
        .filter(e -> e.kind() == EventKind.LID && e.way() != null)
        .forEach(e -> moved.put(e.at(), e.way() == EventKind.Way.OFF));
    return between(moved).stream().filter(s -> s.to() > window.readFrom()).toList();
  }

  /** From each word that it began to the next that it ended. */
  private static List<TimeInterval> between(NavigableMap<Long, Boolean> begun) {
    List<TimeInterval> spells = new ArrayList<>();
    Long since = null;
    for (var word : begun.entrySet()) {
      if (word.getValue() && since == null) {
        since = word.getKey();
      } else if (!word.getValue() && since != null) {
        spells.add(new TimeInterval(since, word.getKey()));
        since = null;
      }
    }
    if (since != null) {
      spells.add(new TimeInterval(since, Long.MAX_VALUE));
    }
    return spells;
  }

  Optional<SourceProfile> course() {
    if (store.sunlitSquareMetres() > 0) {
      return Optional.of(SourceProfile.ofSun(sun()));
    }
    if (store.switched()) {
      return switchedHours();
    }
    if (store.usualKilograms() == 0) {
      return Optional.empty();
    }
    List<LitFire> fires =
        events.stream()
            .filter(e -> e.at() >= window.readFrom() - (long) WoodFire.LONGEST)
            .flatMap(e -> e.fire(store.hearth(), store.usualKilograms()).stream())
            .toList();
    return fires.isEmpty()
        ? Optional.empty()
        : Optional.of(SourceProfile.ofFires(fires, window.readFrom(), window.to()));
  }

  /**
   * From each word that it was switched on to the next that it was off; one never said off tells
   * nothing.
   */
  private Optional<SourceProfile> switchedHours() {
    var moved = new TreeMap<Long, Boolean>();
    events.stream()
        .filter(e -> e.kind() == EventKind.ELEMENT && e.way() != null)
        .forEach(e -> moved.put(e.at(), e.way() == EventKind.Way.ON));
    List<TimeInterval> on = between(moved).stream().filter(h -> h.to() < Long.MAX_VALUE).toList();
    return on.isEmpty()
        ? Optional.empty()
        : Optional.of(SourceProfile.ofHours(on, store.watts(), window.readFrom(), window.to()));
  }

  /** W on its sunlit face, taken up. What hills and panes keep out is left to the readings. */
  private TimeSeries sun() {
    long[] at =
        LongStream.iterate(window.readFrom(), t -> t <= window.to(), t -> t + SUN_STEP).toArray();
    double[] watts =
        SolarGain.onUpright(
            store.sunlitSquareMetres(),
            store.facingDegrees(),
            at,
            this::cloud,
            site.latitude(),
            site.longitude());
    return new TimeSeries(at, watts);
  }

  private double cloud(long at) {
    Map.Entry<Long, Double> before = cloudAt.floorEntry(at);
    Map.Entry<Long, Double> after = cloudAt.ceilingEntry(at);
    boolean early =
        before != null && (after == null || at - before.getKey() <= after.getKey() - at);
    Map.Entry<Long, Double> nearest = early ? before : after;
    return nearest == null || Math.abs(at - nearest.getKey()) > SKY_HEARD
        ? Weather.USUAL_CLOUD
        : nearest.getValue();
  }
}
