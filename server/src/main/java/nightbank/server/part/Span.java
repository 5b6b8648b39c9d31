package nightbank.server.part;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import nightbank.core.system.Control;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** A stretch of time by a holding's clock. */
public record Span(Instant start, double seconds, ZoneId zone) {

  /** Hours that come every day, past midnight where they end before they begin. */
  List<Control.Window> daily(@Nullable LocalTime from, @Nullable LocalTime to, String field) {
    if (from == null || to == null || from.equals(to)) {
      throw Problem.invalid(
          field,
          "Daily hours need a beginning and an end that differ.",
          "Give both, or let it run always.");
    }
    List<Control.Window> all = new ArrayList<>();
    LocalDate last = start.plusSeconds((long) seconds).atZone(zone).toLocalDate();
    for (LocalDate day = start.atZone(zone).toLocalDate().minusDays(1);
        !day.isAfter(last);
        day = day.plusDays(1)) {
      double opens = second(day, from);
      double shuts = second(to.isAfter(from) ? day : day.plusDays(1), to);
      if (shuts > 0 && opens < seconds && shuts > opens) {
        all.add(new Control.Window(Math.max(0, opens), Math.min(seconds, shuts)));
      }
    }
    return all;
  }

  private double second(LocalDate day, LocalTime at) {
    return (double) day.atTime(at).atZone(zone).toEpochSecond() - start.getEpochSecond();
  }
}
