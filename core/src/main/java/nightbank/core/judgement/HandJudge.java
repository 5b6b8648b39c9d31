package nightbank.core.judgement;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.fit.HandFit;
import nightbank.core.fit.HandFit.At;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;

/**
 * A run of few readings: what charged it and what was round it, as far as it was told, else as the
 * readings rise and as such places are.
 */
public final class HandJudge {
  private static final double READ = 0.95; // K: half a degree of rounding, and a hand's own
  private static final double AIR_READ = 1.25; // K: the air wanders within hours too
  private static final int MOST_AIR = 24;
  private static final int MOST = 80; // readings of all probes: more are a logger's
  private static final double RISE = 3; // K that tell a charge
  private static final double LABEL = 0.055; // ln of a rated power that gets in (IEC 60335-1)
  private static final double SHARE = 0.25; // ln of what a fire leaves in its mass
  private static final double UNKNOWN = 0.8; // ln of a power that nobody knows
  private static final double LOGGED = 400; // s by which a source's hours are noted wrong
  private static final double FOUND = 25; // K by which a first reading may miss the mean
  private static final double DAY = 86_400;
  private static final double WARMEST = 14.5 * 3600; // of the sun's day

  /**
   * What a run of few readings comes to.
   *
   * @param from epoch second at which its charge began; of no use where none was seen
   * @param charged whether a charge was told or seen
   * @param guessed whether its hours were read off the readings
   */
  public record Judged(
      HandFit.Answer answer, long from, long to, boolean charged, boolean guessed, int readings) {}

  private record Charged(HandFit.Charge by, boolean seen, boolean guessed) {}

  private HandJudge() {}

  /** Empty where nobody read the mass at all, or a logger did. */
  public static Optional<Judged> of(JudgementInputs in) {
    HeatStore store = in.store().design();
    long zero = in.window().ledgerFrom();
    List<HandFit.Reading> read = new ArrayList<>();
    ReadingSeries main = null;
    for (ReadingSeries s : in.probes()) {
      int place = place(store, s.channel());
      for (int i = 0; place >= 0 && i < s.size(); i++) {
        read.add(
            new HandFit.Reading(At.STORE, place, s.epochSeconds()[i] - zero, s.celsius()[i], READ));
      }
      main = place >= 0 && (main == null || s.size() > main.size()) ? s : main;
    }
    if (read.isEmpty() || read.size() > MOST || in.store().makesHeat()) {
      return Optional.empty();
    }
    int own = read.size();
    in.air().stream().filter(s -> s.size() > 0).findFirst().ifPresent(s -> air(s, zero, read));
    Charged charged = charge(in, main, zero);
    return Optional.of(
        new Judged(
            HandFit.of(store, charged.by, around(in, zero), read),
            zero + (long) charged.by.from(),
            zero + (long) charged.by.to(),
            charged.seen,
            charged.guessed,
            own));
  }

  private static int place(HeatStore store, String channel) {
    for (int p = 0; p < store.probes().size(); p++) {
      if (store.probes().get(p).id().equals(channel)) {
        return p;
      }
    }
    return -1;
  }

  private static void air(ReadingSeries s, long zero, List<HandFit.Reading> into) {
    int n = Math.min(MOST_AIR, s.size());
    for (int k = 0; k < n; k++) {
      int i = (int) ((long) k * s.size() / n);
      into.add(
          new HandFit.Reading(At.AIR, -1, s.epochSeconds()[i] - zero, s.celsius()[i], AIR_READ));
    }
  }

  private static Charged charge(JudgementInputs in, ReadingSeries main, long zero) {
    Optional<SourceProfile> told = in.course().filter(c -> c.greatest() > 0);
    if (told.isPresent()) {
      return new Charged(
          profile(told.get(), zero, told.get().writtenDown() ? SHARE : UNKNOWN), true, false);
    }
    int hottest = 0;
    for (int i = 1; i < main.size(); i++) {
      hottest = main.celsius()[i] > main.celsius()[hottest] ? i : hottest;
    }
    double first = main.epochSeconds()[0] - zero;
    if (hottest == 0 || main.celsius()[hottest] - main.celsius()[hottest - 1] < RISE) {
      return new Charged(
          new HandFit.Charge(first, first, 0, 0, 1, main.celsius()[0], FOUND), false, false);
    }
    double from = main.epochSeconds()[hottest - 1] - zero;
    double to = main.epochSeconds()[hottest] - zero;
    boolean rated = in.store().watts() > 0;
    double rise = main.celsius()[hottest] - main.celsius()[hottest - 1];
    double watts =
        rated
            ? in.store().watts()
            : in.store().design().heatCapacity(main.celsius()[hottest]) * rise / (to - from);
    return new Charged(
        new HandFit.Charge(
            from, to, watts, rated ? LABEL : UNKNOWN, (to - from) / 4, Double.NaN, 0),
        true,
        true);
  }

  private static HandFit.Charge profile(SourceProfile course, long zero, double spread) {
    ReadingSeries w = course.watts();
    int begin = 0;
    int end = 0;
    double joules = 0;
    for (int i = 0; i + 1 < w.size(); i++) {
      joules += w.celsius()[i] * (w.epochSeconds()[i + 1] - w.epochSeconds()[i]);
      boolean on = w.celsius()[i] > 0.1 * course.greatest();
      begin = on && end == 0 ? i : begin;
      end = on ? i + 1 : end;
    }
    double from = w.epochSeconds()[begin] - zero;
    double to = Math.max(from + 60, w.epochSeconds()[end] - zero);
    return new HandFit.Charge(from, to, joules / (to - from), spread, LOGGED, Double.NaN, 0);
  }

  /** Air of such places in the cold half of the year where nobody read it; estimates. */
  private static HandFit.Around around(JudgementInputs in, long zero) {
    Place place = in.store().design().place();
    double warmest = WARMEST - in.site().longitude() / 360 * DAY - Math.floorMod(zero, (long) DAY);
    double ground = in.site().groundCelsius();
    return switch (place.where()) {
      case HOUSE -> new HandFit.Around(9.5, 3.5, 4.5, 1.2, warmest, ground);
      case ROOM -> new HandFit.Around(place.roomCelsius(), 3, 1.5, 1, warmest, ground);
      case OUTDOORS -> new HandFit.Around(4, 5, 3, 1.5, warmest, ground);
    };
  }
}
