package nightbank.core.judgement;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.stream.LongStream;

/**
 * The seven nights on end of a season in which a house was coldest on the mean, against its other
 * nights. It tells what was otherwise then, not what caused it: wind, sky and an open door are not
 * looked at.
 *
 * @param firstDay evening it begins, days since 1970
 * @param nights of the seven that were read
 * @param lowest mean of the house's lows, °C
 * @param usualLowest of the other nights, °C
 * @param outdoor mean of the outdoor lows, °C; empty where they were not read
 * @param usualOutdoor of the other nights, °C
 * @param paid what the stores gave a night, J
 * @param usualPaid of the other nights, J
 */
public record HardestWeek(
    long firstDay,
    int nights,
    double lowest,
    double usualLowest,
    OptionalDouble outdoor,
    OptionalDouble usualOutdoor,
    double paid,
    double usualPaid) {
  private static final int DAYS = 7;
  private static final int READ = 5; // of them
  private static final int SEASON = 14; // nights that tell what is usual
  private static final double COLDER = 2; // K
  private static final double LESS = 0.75; // of what they usually gave
  private static final double NOTHING = 3.6e5; // J a night: no store to speak of

  /**
   * One night that was read.
   *
   * @param day its evening, days since 1970
   * @param outdoor its low, empty where nobody read it
   * @param paid what the stores gave while it was cold, J
   */
  public record Night(long day, double lowest, OptionalDouble outdoor, double paid) {}

  /** Whether it was colder outdoors than on other nights, as far as that was read. */
  public boolean colder() {
    return outdoor.isPresent()
        && usualOutdoor.isPresent()
        && outdoor.getAsDouble() < usualOutdoor.getAsDouble() - COLDER;
  }

  /** Whether stores give anything there to speak of. */
  public boolean storesPay() {
    return usualPaid > NOTHING;
  }

  /** Whether the stores gave less than on other nights. */
  public boolean storesGaveLess() {
    return storesPay() && paid < LESS * usualPaid;
  }

  /** Empty before two weeks of nights were read, or where no week has five of them. */
  public static Optional<HardestWeek> of(List<Night> season) {
    if (season.size() < SEASON) {
      return Optional.empty();
    }
    LongStream starts = season.stream().mapToLong(Night::day);
    return starts
        .mapToObj(d -> week(season, d))
        .flatMap(Optional::stream)
        .min(Comparator.comparingDouble(HardestWeek::lowest));
  }

  private static Optional<HardestWeek> week(List<Night> season, long first) {
    Predicate<Night> within = n -> n.day() >= first && n.day() < first + DAYS;
    List<Night> own = season.stream().filter(within).toList();
    List<Night> others = season.stream().filter(within.negate()).toList();
    return own.size() < READ || others.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new HardestWeek(
                first,
                own.size(),
                own.stream().mapToDouble(Night::lowest).average().orElseThrow(),
                others.stream().mapToDouble(Night::lowest).average().orElseThrow(),
                outdoors(own),
                outdoors(others),
                own.stream().mapToDouble(Night::paid).average().orElseThrow(),
                others.stream().mapToDouble(Night::paid).average().orElseThrow()));
  }

  private static OptionalDouble outdoors(List<Night> nights) {
    return nights.stream().flatMapToDouble(n -> n.outdoor().stream()).average();
  }
}
