package nightbank.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.system.Action;
import nightbank.server.shared.Problem;

/**
 * When a store's lid stands open every day, by the holding's clock; past midnight where it shuts
 * before it opens.
 */
public record LidHours(LocalTime from, LocalTime to) {

  /** The hours of all stores' lids that fall into a span, as the core's actions. */
  public static List<Action> actions(
      List<StoreView> stores, Instant start, ZoneId zone, double lengthSeconds) {
    Instant end = start.plusSeconds((long) lengthSeconds);
    List<Action> actions = new ArrayList<>();
    for (StoreView s : stores) {
      LidHours hours = s.design().lidOff();
      if (hours != null) {
        for (TimeInterval off : hours.between(start, end, zone)) {
          double opens = off.from() - start.getEpochSecond();
          double shuts = Math.min(lengthSeconds, off.to() - start.getEpochSecond());
          actions.add(
              new Action(
                  Action.Kind.LID_OFF, s.id().toString(), Math.max(0, opens), shuts, Double.NaN));
        }
      }
    }
    return actions;
  }

  /** Every stretch of these hours that touches a span, whole. */
  public List<TimeInterval> between(Instant start, Instant end, ZoneId zone) {
    List<TimeInterval> off = new ArrayList<>();
    LocalDate last = end.atZone(zone).toLocalDate();
    for (LocalDate day = start.atZone(zone).toLocalDate().minusDays(1);
        !day.isAfter(last);
        day = day.plusDays(1)) {
      LocalDate shut = to.isAfter(from) ? day : day.plusDays(1);
      long opens = epochSecond(day, from, zone);
      long shuts = epochSecond(shut, to, zone);
      boolean touches = shuts > start.getEpochSecond() && opens < end.getEpochSecond();
      if (touches && shuts > opens) {
        off.add(new TimeInterval(opens, shuts));
      }
    }
    return off;
  }

  private static long epochSecond(LocalDate day, LocalTime at, ZoneId zone) {
    return day.atTime(at).atZone(zone).toEpochSecond();
  }

  /** Whether there is anything on top to lift. */
  public static boolean liftable(StoreDesign d) {
    return d.top() != null && d.top().layers() != null && !d.top().layers().isEmpty();
  }

  static void check(StoreDesign d) {
    LidHours hours = d.lidOff();
    if (hours == null) {
      return;
    }
    if (hours.from == null || hours.to == null || hours.from.equals(hours.to)) {
      throw Problem.invalid(
          "design.lidOff",
          "The lid's hours need an opening and a shutting that differ.",
          "Give both hours, or none if the lid stays on.");
    }
    if (!liftable(d)) {
      throw Problem.invalid(
          "design.lidOff",
          "The top is bare, so there is no lid to lift.",
          "Put layers on the top, or take the lid's hours away.");
    }
    if (!d.indoors()) {
      throw Problem.invalid(
          "design.lidOff",
          "The store stands outdoors; an open lid would warm nothing but the weather.",
          "Leave the lid on, or say that the store stands in the house.");
    }
  }
}
