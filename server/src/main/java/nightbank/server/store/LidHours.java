package nightbank.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import nightbank.core.night.Action;
import nightbank.server.shared.Problem;

/**
 * When a store's lid stands open every day, by the holding's clock; past midnight where it shuts
 * before it opens.
 */
public record LidHours(LocalTime from, LocalTime to) {

  /** The hours of all stores' lids that fall into a span, as the core's actions. */
  public static List<Action> actions(
      List<StoreView> stores, Instant start, ZoneId zone, double lengthSeconds) {
    List<Action> actions = new ArrayList<>();
    for (StoreView s : stores) {
      LidHours hours = s.design().lidOff();
      if (hours != null) {
        hours.within(s.id().toString(), start, zone, lengthSeconds, actions);
      }
    }
    return actions;
  }

  private void within(
      String store, Instant start, ZoneId zone, double lengthSeconds, List<Action> into) {
    LocalDate last = start.plusSeconds((long) lengthSeconds).atZone(zone).toLocalDate();
    for (LocalDate day = start.atZone(zone).toLocalDate().minusDays(1);
        !day.isAfter(last);
        day = day.plusDays(1)) {
      LocalDate shut = to.isAfter(from) ? day : day.plusDays(1);
      double opens = seconds(start, day, from, zone);
      double shuts = Math.min(lengthSeconds, seconds(start, shut, to, zone));
      if (shuts > Math.max(0, opens)) {
        into.add(new Action(Action.Kind.LID_OFF, store, Math.max(0, opens), shuts, 0));
      }
    }
  }

  private static double seconds(Instant start, LocalDate day, LocalTime at, ZoneId zone) {
    return day.atTime(at).atZone(zone).toEpochSecond() - start.getEpochSecond();
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
    if (d.top() == null || d.top().layers() == null || d.top().layers().isEmpty()) {
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
