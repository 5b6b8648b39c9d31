package nightbank.core.judgement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoggedEvent;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.ReadingCleaner;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.evidence.TimeSeries;
import nightbank.core.fit.HandFit;
import nightbank.core.fit.HandRecord;
import nightbank.core.fit.HandRecord.At;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import org.jspecify.annotations.Nullable;

/**
 * A run of few readings: what charged it and what was round it, as far as it was told, else as the
 * readings rise and as such places are in the cold half of the year. What a loop brought by its own
 * thermometers counts where the store's readings do not speak against it. Neglects a lid's hours,
 * and what a stream carried off.
 */
public final class HandJudge {
  /** Readings of all probes: more are a logger's. */
  public static final int MOST = 80;

  private static final double READ = 0.95; // K: half a degree of rounding, and a hand's own
  private static final double SPOT_READ = 1.5; // K: an infrared eye's own, and where it was held
  private static final double DULL = 0.06; // of what it is over the air: an emissivity not known
  private static final double HURTS = 50; // °C of a side that a hand leaves at once (ISO 13732-1)
  private static final double HAND = 5; // K: hands differ, and so do sides
  private static final String TOUCHED = "touched";
  private static final double FOIL = 0.5; // likewise of foil, which shows what it faces
  private static final double AIR_READ = 1.25; // K: the air wanders within hours too
  private static final int MOST_AIR = 24; // readings, of a spot too: the rest say the same again
  private static final int MOST_STRETCHES = 4; // that end at the hottest reading or before
  private static final double RISE = 3; // K that tell a charge
  private static final double LABEL = 0.055; // ln of a rated power that gets in (IEC 60335-1)
  private static final double SHARE = 0.25; // ln of what a fire leaves in its mass
  private static final double UNKNOWN = 0.8; // ln of a power that nobody knows
  private static final double LOGGED = 400; // s by which a source's hours are noted wrong
  private static final double BETWEEN = 1.0 / 6; // of two readings: an hour that nobody noted
  private static final double WALK = 1800; // s: of a loop that was read but once
  private static final double FOUND = 25; // K by which a first reading may miss the mean
  private static final double[] OFFERED = {0.1, 0.25, 0.5, 1, 1.5, 2, 3}; // half-lives after it
  private static final double WORTH = 0.93; // of an interval: less is not worth the walk
  private static final double DAY = 86_400;
  private static final double WARMEST = 14.5 * 3600; // of the sun's day

  /** The whole store's mean at a moment, epoch second. */
  public record Mean(long at, HandFit.Estimate celsius) {}

  /**
   * What a run of few readings comes to.
   *
   * @param from epoch second at which its charge began; of no use where none was seen
   * @param charged whether a charge was told or seen
   * @param guessed whether its hours were read off the readings
   * @param record what it was judged from
   * @param readings of the mass that were taken; what no store can have had is left out
   * @param inside how many of the record's places are probes in the mass; the rest are spots
   * @param loop what its loop brought beside what it took up; empty where none was read
   */
  public record Judged(
      HandFit.Answer answer,
      List<Mean> means,
      long from,
      long to,
      boolean charged,
      boolean guessed,
      HandRecord record,
      int readings,
      int inside,
      Optional<LoopCheck> loop) {
    /** The store as the readings leave it likeliest, without the places of spots. */
    public HeatStore learned() {
      HeatStore all = answer.learned();
      return all.withProbes(all.probes().subList(0, inside));
    }

    /** What to read to tell most more; empty where nothing would. Takes as long as the judging. */
    public Optional<Next> next() {
      return HandJudge.next(record, answer, inside);
    }
  }

  /**
   * A reading that would tell more of the half-life.
   *
   * @param channel of which probe
   * @param afterSeconds since the end of the charge
   * @param before half a 95 % interval of the half-life as it is told, as a share of it
   * @param after the same with that reading
   */
  public record Next(String channel, double afterSeconds, double before, double after) {}

  private HandJudge() {}

  /** Empty where nobody read the mass, where a logger did, or where it makes heat of its own. */
  public static Optional<Judged> of(JudgementInputs in) {
    HeatStore store = withSpots(in);
    long zero = in.window().ledgerFrom();
    HandRecord.Around around = around(in, zero);
    List<HandRecord.Reading> read = new ArrayList<>();
    @Nullable ReadingSeries main = null;
    for (ReadingSeries raw : in.probes()) {
      ReadingSeries s = cleaned(in, raw);
      int place = place(store, s.channel());
      for (int i = 0; place >= 0 && i < s.size(); i++) {
        read.add(
            new HandRecord.Reading(
                At.STORE, place, s.epochSeconds()[i] - zero, s.celsius()[i], READ));
      }
      main = place >= 0 && (main == null || s.size() > main.size()) ? s : main;
    }
    for (JudgementInputs.Spot spot : in.spots()) {
      ReadingSeries s = cleaned(in, spot.readings());
      spot(s, store, place(store, s.channel()), around.air(), zero, read);
      main = (main == null || main.size() == 0) && s.size() > 0 ? s : main;
    }
    if (main == null || read.isEmpty() || read.size() > MOST || in.store().makesHeat()) {
      return Optional.empty();
    }
    int taken = read.size();
    hotter(in, store, zero, read);
    in.air().stream()
        .map(s -> cleaned(in, s))
        .filter(s -> s.size() > 0)
        .findFirst()
        .ifPresent(s -> air(s, zero, read));
    ReadingSeries most = main;
    Fitted own = likeliest(store, charges(in, most, zero), most, zero, around, read);
    Optional<LoopCheck> loop = loop(in, own, zero);
    Fitted best =
        loop.filter(LoopCheck::agree)
            .map(l -> List.of(byLoop(l.loop(), zero)))
            .map(by -> likeliest(store, by, most, zero, around, read))
            .orElse(own);
    HandRecord.Charge by = best.record().charge();
    return Optional.of(
        new Judged(
            best.answer(),
            means(best.record(), best.answer(), zero),
            zero + Math.round(by.from()),
            zero + Math.round(by.to()),
            by.watts() > 0,
            by.watts() > 0 && told(in).isEmpty() && best == own,
            best.record(),
            taken,
            in.store().design().probes().size(),
            loop));
  }

  private static Fitted likeliest(
      HeatStore store,
      List<HandRecord.Charge> possible,
      ReadingSeries main,
      long zero,
      HandRecord.Around around,
      List<HandRecord.Reading> read) {
    return possible.stream()
        .map(by -> new HandRecord(store, by, start(by, main, zero), around, read))
        .map(tried -> new Fitted(tried, HandFit.of(tried)))
        .min(Comparator.comparingDouble(f -> f.answer().misfit()))
        .orElseThrow();
  }

  /** Of a store that its loop charges and that took up heat, by a loop that brought some. */
  private static Optional<LoopCheck> loop(JudgementInputs in, Fitted own, long zero) {
    Optional<LoopReadings> read = in.loop().filter(l -> in.store().byStream());
    Optional<JudgedLoop> judged = read.flatMap(JudgedLoop::judge).filter(HandJudge::brings);
    HandRecord.Charge by = own.record().charge();
    return judged.isEmpty()
        ? Optional.empty()
        : own.answer()
            .brought()
            .map(
                stored ->
                    LoopCheck.of(
                        read.get(),
                        judged.get(),
                        stored,
                        zero + Math.round(by.from()),
                        zero + Math.round(by.to())));
  }

  private static boolean brings(JudgedLoop loop) {
    return loop.charged() > 0
        && loop.spells().stream().anyMatch(s -> s.direction() == JudgedLoop.Direction.CHARGING);
  }

  private static HandRecord.Charge byLoop(JudgedLoop loop, long zero) {
    List<JudgedLoop.Spell> on =
        loop.spells().stream().filter(s -> s.direction() == JudgedLoop.Direction.CHARGING).toList();
    double from = on.get(0).from() - zero;
    double to = Math.max(from + WALK, on.get(on.size() - 1).to() - zero);
    double half = loop.chargedHalf() / loop.charged();
    return new HandRecord.Charge(
        from, to, loop.charged() / (to - from), half / 2, BETWEEN * (to - from));
  }

  /**
   * What only tells that it was so hot: a hand on its side at half its height, the end of a
   * thermometer's scale where its first probe sits (nobody says which hurt, or which it was).
   */
  private static void hotter(
      JudgementInputs in, HeatStore store, long zero, List<HandRecord.Reading> into) {
    int inside = in.store().design().probes().size();
    for (LoggedEvent e : in.events()) {
      double at = e.at() - zero;
      if (e.at() < in.window().readFrom()) {
        continue;
      }
      if (e.kind() == EventKind.TOO_HOT) {
        int side = place(store, TOUCHED);
        into.add(new HandRecord.Reading(At.SURFACE, side, at, HURTS, HAND, true));
      } else if (e.kind() == EventKind.OFF_SCALE && inside > 0 && Double.isFinite(e.amount())) {
        into.add(new HandRecord.Reading(At.STORE, 0, at, e.amount(), READ, true));
      }
    }
  }

  /** Spots are places too, after the probes in the mass, and so is where a hand was laid. */
  private static HeatStore withSpots(JudgementInputs in) {
    List<Probe> all = new ArrayList<>(in.store().design().probes());
    in.spots().forEach(s -> all.add(s.where()));
    if (in.events().stream().anyMatch(e -> e.kind() == EventKind.TOO_HOT)) {
      all.add(new Probe(TOUCHED, 1, 0.5));
    }
    return in.store().design().withProbes(all);
  }

  /**
   * A surface read from outside, by an eye for infrared as a rule: told as if it shone like most
   * matter does (emissivity 0.95; Incropera et al., table A.11: 0.85 to 0.96 for paint, wood, brick
   * and plastic), which is not so of foil.
   */
  private static void spot(
      ReadingSeries s,
      HeatStore store,
      int place,
      double air,
      long zero,
      List<HandRecord.Reading> into) {
    boolean top = store.probes().get(place).heightFraction() >= HandRecord.TOP;
    var layers = store.face(top ? FaceName.TOP : FaceName.SIDE).layers();
    boolean foil =
        !layers.isEmpty() && layers.get(layers.size() - 1) instanceof Layer.ReflectiveGap;
    double shine = foil ? FOIL : DULL;
    int n = Math.min(MOST_AIR, s.size());
    for (int k = 0; k < n; k++) {
      int i = (int) ((long) k * s.size() / n);
      double over = Math.abs(s.celsius()[i] - air);
      into.add(
          new HandRecord.Reading(
              At.SURFACE,
              place,
              s.epochSeconds()[i] - zero,
              s.celsius()[i],
              Math.hypot(SPOT_READ, shine * over)));
    }
  }

  private static Optional<Next> next(HandRecord record, HandFit.Answer answer, int inside) {
    if (answer.halfLife().isEmpty()) {
      return Optional.empty();
    }
    double half = answer.halfLife().get().value();
    double end = record.charge().to();
    List<HandRecord.Reading> offered = new ArrayList<>();
    int places = place(record.store(), TOUCHED);
    for (int p = 0; p < (places < 0 ? record.store().probes().size() : places); p++) {
      for (double share : OFFERED) {
        At at = p < inside ? At.STORE : At.SURFACE;
        double sigma = p < inside ? READ : SPOT_READ;
        offered.add(new HandRecord.Reading(at, p, end + share * half, 0, sigma));
      }
    }
    return HandFit.mostTelling(record, offered)
        .filter(t -> t.after() < WORTH * t.before())
        .map(
            t ->
                new Next(
                    record.store().probes().get(t.reading().probe()).id(),
                    t.reading().seconds() - end,
                    t.before(),
                    t.after()));
  }

  private static ReadingSeries cleaned(JudgementInputs in, ReadingSeries s) {
    return ReadingCleaner.clean(
            s,
            ReadingCleaner.SENSOR_LOW,
            ReadingCleaner.SENSOR_HIGH,
            in.believed().getOrDefault(s.channel(), Set.of()))
        .kept();
  }

  private static List<Mean> means(HandRecord record, HandFit.Answer answer, long zero) {
    Map<Long, HandFit.Estimate> at = new LinkedHashMap<>();
    for (int i = 0; i < record.readings().size(); i++) {
      if (record.readings().get(i).at() != At.AIR) {
        at.put(zero + Math.round(record.readings().get(i).seconds()), answer.means().get(i));
      }
    }
    return at.entrySet().stream().map(e -> new Mean(e.getKey(), e.getValue())).toList();
  }

  private static int place(HeatStore store, String channel) {
    for (int p = 0; p < store.probes().size(); p++) {
      if (store.probes().get(p).id().equals(channel)) {
        return p;
      }
    }
    return -1;
  }

  private static void air(ReadingSeries s, long zero, List<HandRecord.Reading> into) {
    int n = Math.min(MOST_AIR, s.size());
    for (int k = 0; k < n; k++) {
      int i = (int) ((long) k * s.size() / n);
      into.add(
          new HandRecord.Reading(At.AIR, -1, s.epochSeconds()[i] - zero, s.celsius()[i], AIR_READ));
    }
  }

  private static Optional<SourceProfile> told(JudgementInputs in) {
    return in.course().filter(c -> c.greatest() > 0);
  }

  private record Fitted(HandRecord record, HandFit.Answer answer) {}

  /**
   * As it was logged; else every stretch between two readings in which it grew warmer, on the way
   * from its coldest to its hottest: away from its source a mass goes on warming after the charge.
   */
  private static List<HandRecord.Charge> charges(
      JudgementInputs in, ReadingSeries main, long zero) {
    Optional<SourceProfile> told = told(in);
    if (told.isPresent()) {
      return List.of(profile(told.get(), zero));
    }
    double[] t = main.celsius();
    int hottest = 0;
    for (int i = 1; i < t.length; i++) {
      hottest = t[i] > t[hottest] ? i : hottest;
    }
    int coldest = 0;
    for (int i = 1; i < hottest; i++) {
      coldest = t[i] <= t[coldest] ? i : coldest;
    }
    List<HandRecord.Charge> all = new ArrayList<>();
    for (int to = hottest; to > coldest && to > hottest - MOST_STRETCHES; to--) {
      for (int from : to - 1 == coldest ? new int[] {coldest} : new int[] {coldest, to - 1}) {
        if (t[to] - t[from] >= RISE) {
          all.add(between(in, main, from, to, zero));
        }
      }
    }
    return all.isEmpty() ? List.of(HandRecord.Charge.none(main.epochSeconds()[0] - zero)) : all;
  }

  private static HandRecord.Charge between(
      JudgementInputs in, ReadingSeries main, int i, int k, long zero) {
    double from = main.epochSeconds()[i] - zero;
    double to = main.epochSeconds()[k] - zero;
    boolean rated = in.store().watts() > 0 && !in.store().byStream();
    double rise = main.celsius()[k] - main.celsius()[i];
    double watts =
        rated
            ? in.store().watts()
            : in.store().design().heatCapacity(main.celsius()[k]) * rise / (to - from);
    return new HandRecord.Charge(from, to, watts, rated ? LABEL : UNKNOWN, BETWEEN * (to - from));
  }

  /** A store that was read before its charge stood as it was read, near enough. */
  private static Optional<HandRecord.Start> start(
      HandRecord.Charge by, ReadingSeries main, long zero) {
    return main.epochSeconds()[0] - zero <= by.from()
        ? Optional.of(new HandRecord.Start(main.celsius()[0], FOUND))
        : Optional.empty();
  }

  private static HandRecord.Charge profile(SourceProfile course, long zero) {
    TimeSeries w = course.watts();
    int begin = -1;
    int end = 0;
    double joules = 0;
    for (int i = 0; i + 1 < w.size(); i++) {
      joules += w.values()[i] * (w.epochSeconds()[i + 1] - w.epochSeconds()[i]);
      if (w.values()[i] > 0.1 * course.greatest()) {
        begin = begin < 0 ? i : begin;
        end = i + 1;
      }
    }
    double from = w.epochSeconds()[Math.max(0, begin)] - zero;
    double to = Math.max(from + 60, w.epochSeconds()[end] - zero);
    double spread = course.rated() ? LABEL : course.writtenDown() ? SHARE : UNKNOWN;
    return new HandRecord.Charge(from, to, joules / (to - from), spread, LOGGED);
  }

  /** Air of such places where nobody read it; estimates. */
  private static HandRecord.Around around(JudgementInputs in, long zero) {
    Place place = in.store().design().place();
    double warmest = WARMEST - in.site().longitude() / 360 * DAY - Math.floorMod(zero, (long) DAY);
    double ground = in.site().groundCelsius();
    return switch (place.where()) {
      case HOUSE -> new HandRecord.Around(9.5, 3.5, 4.5, 1.2, warmest, ground);
      case ROOM -> new HandRecord.Around(place.roomCelsius(), 3, 1.5, 1, warmest, ground);
      case OUTDOORS -> new HandRecord.Around(4, 5, 3, 1.5, warmest, ground);
    };
  }
}
