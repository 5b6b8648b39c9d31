package nightbank.server.history;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.core.judgement.BeforeAfter;
import nightbank.core.judgement.HardestWeek;
import org.jspecify.annotations.Nullable;

/**
 * Nights of a house as they were.
 *
 * @param pending store days still being judged; what stores paid is told meanwhile
 * @param hardest week of these nights, absent before two weeks were read
 * @param since what the nights from each evening on show against those before, where either side
 *     has enough of them
 */
public record PastNightView(
    UUID houseId,
    double limitCelsius,
    List<Night> nights,
    int held,
    int close,
    int lost,
    int unknown,
    int pending,
    @Nullable Hardest hardest,
    List<Since> since) {

  /**
   * The nights from an evening on against those before, at the same cold outdoors, for whoever
   * changed something that day.
   *
   * @param warmerKelvin by how much the house's low is higher; with its 95 % confidence interval
   * @param otherCold whether the cold of the one side hardly overlaps that of the other
   */
  public record Since(
      LocalDate evening,
      int nightsBefore,
      int nightsAfter,
      double warmerKelvin,
      double lowKelvin,
      double highKelvin,
      BeforeAfter.Finding finding,
      boolean otherCold) {
    static List<Since> of(List<Night> nights) {
      List<BeforeAfter.Night> read = read(nights);
      return read.stream().flatMap(n -> from(read, n.day()).stream()).toList();
    }

    static List<BeforeAfter.Night> read(List<Night> nights) {
      return nights.stream()
          .filter(n -> n.liftKelvin() != null)
          .map(
              n ->
                  new BeforeAfter.Night(
                      n.evening().toEpochDay(),
                      Objects.requireNonNull(n.lowestCelsius()),
                      Objects.requireNonNull(n.outdoorLowest())))
          .toList();
    }

    private static Optional<Since> from(List<BeforeAfter.Night> read, long day) {
      return BeforeAfter.of(read, day)
          .map(
              f ->
                  new Since(
                      LocalDate.ofEpochDay(day),
                      f.nightsBefore(),
                      f.nightsAfter(),
                      f.warmer(),
                      f.low(),
                      f.high(),
                      f.finding(),
                      f.otherCold()));
    }
  }

  /**
   * The week in which the house was coldest; means of a night, °C and J.
   *
   * @param paidJoules absent while stores' days are still being judged, and where none pay
   * @param colder whether it was so outdoors
   * @param storesGaveLess than on other nights
   */
  public record Hardest(
      LocalDate from,
      int nights,
      double lowestCelsius,
      double usualLowest,
      @Nullable Double outdoorCelsius,
      @Nullable Double usualOutdoor,
      @Nullable Double paidJoules,
      @Nullable Double usualPaid,
      boolean colder,
      boolean storesGaveLess) {
    static @Nullable Hardest of(List<Night> nights, boolean judged) {
      return HardestWeek.of(nights.stream().flatMap(n -> told(n).stream()).toList())
          .map(
              w ->
                  new Hardest(
                      LocalDate.ofEpochDay(w.firstDay()),
                      w.nights(),
                      w.lowest(),
                      w.usualLowest(),
                      or(w.outdoor()),
                      or(w.usualOutdoor()),
                      judged && w.storesPay() ? (Double) w.paid() : null,
                      judged && w.storesPay() ? (Double) w.usualPaid() : null,
                      w.colder(),
                      judged && w.storesGaveLess()))
          .orElse(null);
    }

    private static Optional<HardestWeek.Night> told(Night n) {
      return n.lowestCelsius() == null || n.verdict().equals("UNKNOWN")
          ? Optional.empty()
          : Optional.of(
              new HardestWeek.Night(
                  n.evening().toEpochDay(),
                  n.lowestCelsius(),
                  n.outdoorLowest() == null
                      ? OptionalDouble.empty()
                      : OptionalDouble.of(n.outdoorLowest()),
                  n.paid().stream().mapToDouble(Paid::joules).sum()));
    }

    private static @Nullable Double or(OptionalDouble value) {
      return value.isPresent() ? (Double) value.getAsDouble() : null;
    }
  }

  /**
   * One night, by the evening it began.
   *
   * @param verdict HELD, CLOSE, LOST, or UNKNOWN where too little was looked at
   * @param lowestCelsius that any thermometer showed, absent when none was read
   * @param lowestAt when, absent where only a thermometer tells that keeps its lowest
   * @param notBelowCelsius what it cannot have been under by what else was seen
   * @param unreadFrom the longest stretch from dusk to dawn that nobody read, where it leaves the
   *     night unknown
   * @param model where the house's model puts the low of that stretch
   * @param outdoorLowest absent when nobody read outdoors
   * @param seen what somebody saw, as noted
   * @param done doors, vents and screens that somebody noted
   * @param paid what each store gave while the house was cold
   */
  @RecordBuilder
  public record Night(
      LocalDate evening,
      String verdict,
      @Nullable Double lowestCelsius,
      @Nullable Instant lowestAt,
      @Nullable Double notBelowCelsius,
      @Nullable Instant unreadFrom,
      @Nullable Instant unreadTo,
      @Nullable Model model,
      @Nullable Double outdoorLowest,
      @Nullable Double liftKelvin,
      double coldDegreeHours,
      List<String> seen,
      List<Done> done,
      List<Paid> paid) {}

  /** Where a low lies: from stores that gave nothing more to stores that went on giving. */
  public record Model(double lowCelsius, double highCelsius) {}

  /** Something done to the house. */
  public record Done(Instant at, EventKind kind, EventKind.@Nullable Way way, String note) {}

  /** A store's part, J. */
  public record Paid(UUID storeId, String name, double joules) {}
}
