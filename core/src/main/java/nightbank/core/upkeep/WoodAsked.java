package nightbank.core.upkeep;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import nightbank.core.usual.Usual;

/**
 * What the season will still ask of the wood: what fires burnt for each degree-day of it so far,
 * times the degree-days that a usual year has left. Degree-days count how far a day's mean lies
 * below 8 °C, about where unheated houses need fires at night (own choice). Neglects that a place
 * is changed, and that people light otherwise late in winter than early.
 *
 * @param kilograms middle
 * @param low one standard uncertainty below it
 * @param high above
 * @param until the end of the season that is meant
 * @param threeDays kg that the next three days ask on the average
 */
public record WoodAsked(
    double kilograms, double low, double high, Instant until, double threeDays) {
  static final double BASE = 8; // °C

  /**
   * How far one winter lies from the next, as a share; estimate from degree-days of mild places.
   */
  static final double WINTERS_DIFFER = 0.2;

  private static final int FEWEST = 3;
  private static final double LEAST_DEGREE_DAYS = 10;
  private static final double OVER = 0.05; // of a year's degree-days: the season is as good as over
  private static final double FIRES_DIFFER = 0.5; // of one fire's wood; estimate

  /**
   * Of the season that runs, or of the next where that is as good as over.
   *
   * @return empty where fewer than three fires were lit in it, or hardly a cold day was
   */
  public static Optional<WoodAsked> of(
      List<WoodPile.Fire> fires, Instant now, double latitude, OpenAir air) {
    Instant start = start(now, latitude);
    List<WoodPile.Fire> so =
        fires.stream()
            .filter(f -> !f.at().isBefore(start) && !f.at().isAfter(now) && f.kilograms() > 0)
            .toList();
    Optional<Instant> first = so.stream().map(WoodPile.Fire::at).min(Instant::compareTo);
    double past = first.map(f -> degreeDays(f.minus(Duration.ofDays(1)), now, air)).orElse(0.0);
    if (so.size() < FEWEST || past < LEAST_DEGREE_DAYS) {
      return Optional.empty();
    }
    double each = so.stream().mapToDouble(WoodPile.Fire::kilograms).sum() / past;
    Instant end = yearLater(start);
    double left = degreeDays(now, end, air);
    if (left < OVER * degreeDays(start, end, air)) {
      left = degreeDays(end, yearLater(end), air);
      end = yearLater(end);
    }
    double unsure = Math.hypot(FIRES_DIFFER / Math.sqrt(so.size()), WINTERS_DIFFER);
    double middle = each * left;
    double soon = each * degreeDays(now, now.plus(Duration.ofDays(3)), air);
    return Optional.of(
        new WoodAsked(
            middle, Math.max(0, middle * (1 - unsure)), middle * (1 + unsure), end, soon));
  }

  /**
   * Finger-thick wood for lighting, of the next three days' wood, kg.
   *
   * @param lit fires so far
   * @param burnt kg on them and on what was laid on later
   */
  public double kindling(int lit, double burnt) {
    return burnt > 0 ? Math.min(threeDays, Usual.KINDLING.value() * lit * threeDays / burnt) : 0;
  }

  /** K·d below the base, by days' means. */
  static double degreeDays(Instant from, Instant to, OpenAir air) {
    double sum = 0;
    double days = Duration.between(from, to).toSeconds() / 86_400.0;
    for (int d = 0; d < days; d++) {
      double share = Math.min(1, days - d);
      sum += share * Math.max(0, BASE - air.celsius(from.plus(Duration.ofDays(d))));
    }
    return sum;
  }

  /** Midsummer but a month: the first of August, south of the equator of February. */
  private static Instant start(Instant now, double latitude) {
    Month month = latitude < 0 ? Month.FEBRUARY : Month.AUGUST;
    LocalDate day = now.atZone(ZoneOffset.UTC).toLocalDate();
    LocalDate first = LocalDate.of(day.getYear(), month, 1);
    return (first.isAfter(day) ? first.minusYears(1) : first)
        .atStartOfDay(ZoneOffset.UTC)
        .toInstant();
  }

  private static Instant yearLater(Instant start) {
    return start.atZone(ZoneOffset.UTC).plusYears(1).toInstant();
  }
}
