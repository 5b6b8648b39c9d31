package nightbank.server.history;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import nightbank.core.caution.StoreFacts;
import nightbank.core.evidence.EventKind;
import nightbank.core.sizing.Prices;
import nightbank.core.source.FireLoad;
import nightbank.core.usual.Usual;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.holding.Holdings;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.upkeep.Tasks;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Statements: what went in and out of stores over any time, and what it took. */
@Service
public class Statements {
  private static final Duration LONGEST = Duration.ofDays(400);

  private final LedgerDays days;
  private final Stores stores;
  private final EventLog events;
  private final Books books;
  private final Holdings holdings;
  private final Tasks tasks;

  Statements(
      LedgerDays days,
      Stores stores,
      EventLog events,
      Books books,
      Holdings holdings,
      Tasks tasks) {
    this.days = days;
    this.stores = stores;
    this.events = events;
    this.books = books;
    this.holdings = holdings;
    this.tasks = tasks;
  }

  /**
   * States.
   *
   * @param store absent for the whole holding
   * @param from first evening
   * @param to last evening
   */
  public StatementView of(UUID holding, @Nullable UUID store, LocalDate from, LocalDate to) {
    if (from == null || to == null || to.isBefore(from)) {
      throw Problem.invalid("from", "A statement must begin before it ends.", "Check both days.");
    }
    if (Duration.ofDays(to.toEpochDay() - from.toEpochDay()).compareTo(LONGEST) > 0) {
      throw Problem.invalid("to", "A statement covers 400 days at most.", "Take one winter.");
    }
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    List<StoreView> chosen =
        store == null
            ? stores.all(holding).stream().filter(s -> !s.planned()).toList()
            : List.of(stores.get(holding, store));
    Map<LocalDate, double[]> rows = new LinkedHashMap<>();
    List<StatementView.StoreSums> parts = new ArrayList<>();
    int pending = 0;
    int unread = 0;
    double element = 0;
    for (StoreView s : chosen) {
      LedgerDays.Days d = days.of(holding, s.id(), from, to, zone);
      pending += d.pending();
      List<LedgerDay> judged = d.known().stream().filter(LedgerDay::judged).toList();
      unread += unread(d.known(), judged);
      if (!judged.isEmpty()) {
        StatementView.Sums sums = sums(judged, stores.core(holding, s.id()).makesHeat());
        parts.add(new StatementView.StoreSums(s.id(), s.name(), sums));
        element +=
            stores.core(holding, s.id()).heat().kind() == StoreFacts.SourceKind.ELEMENT
                ? sums.charged()
                : 0;
        judged.forEach(day -> add(rows, day));
      }
    }
    Instant begin = LedgerDay.noon(from, zone);
    Instant end = LedgerDay.noon(to.plusDays(1), zone);
    List<EventView> done =
        events.between(holding, begin, end).stream()
            .filter(e -> store == null || store.equals(e.storeId()))
            .toList();
    StatementView.Effort effort = effort(done, element);
    Materials book = books.materials(holding);
    return StatementViewBuilder.builder()
        .storeId(store)
        .storeName(store == null ? "" : chosen.get(0).name())
        .from(from)
        .to(to)
        .sums(total(parts))
        .stores(parts)
        .days(
            rows.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(e -> row(e.getKey(), e.getValue()))
                .toList())
        .pending(pending)
        .unread(unread)
        .effort(effort)
        .currency(book.currency())
        .cost(cost(effort, book.prices()))
        .tasks(store == null ? tasks.times(holding, begin, end) : List.of())
        .build();
  }

  private static int unread(List<LedgerDay> known, List<LedgerDay> judged) {
    if (judged.isEmpty()) {
      return 0;
    }
    LocalDate first = judged.get(0).evening();
    LocalDate last = judged.get(judged.size() - 1).evening();
    return (int)
        known.stream()
            .filter(d -> !d.judged())
            .filter(d -> d.evening().isAfter(first) && d.evening().isBefore(last))
            .count();
  }

  /** The residual takes what the balance did between readings of one day and the next too. */
  private static StatementView.Sums sums(List<LedgerDay> judged, boolean warmsItself) {
    double opening = judged.get(0).balanceStart();
    double closing = judged.get(judged.size() - 1).balanceEnd();
    double charged = judged.stream().mapToDouble(LedgerDay::charged).sum();
    double delivered = judged.stream().mapToDouble(LedgerDay::delivered).sum();
    double early = judged.stream().mapToDouble(LedgerDay::early).sum();
    double lost = judged.stream().mapToDouble(LedgerDay::lost).sum();
    double left = opening + charged - closing - delivered - early - lost;
    return warmsItself
        ? new StatementView.Sums(opening, 0, charged, delivered, early, lost, left, closing)
        : new StatementView.Sums(opening, charged, 0, delivered, early, lost, left, closing);
  }

  private static StatementView.Sums total(List<StatementView.StoreSums> parts) {
    double[] t = new double[8];
    for (StatementView.StoreSums p : parts) {
      StatementView.Sums s = p.sums();
      double[] all = {
        s.opening(),
        s.charged(),
        s.own(),
        s.delivered(),
        s.early(),
        s.lost(),
        s.residual(),
        s.closing()
      };
      for (int i = 0; i < t.length; i++) {
        t[i] += all[i];
      }
    }
    return new StatementView.Sums(t[0], t[1], t[2], t[3], t[4], t[5], t[6], t[7]);
  }

  private static void add(Map<LocalDate, double[]> rows, LedgerDay d) {
    double[] r = rows.computeIfAbsent(d.evening(), k -> new double[6]);
    double[] all = {d.charged(), d.delivered(), d.early(), d.lost(), d.residual(), d.balanceEnd()};
    for (int i = 0; i < r.length; i++) {
      r[i] += all[i];
    }
  }

  private static StatementView.Row row(LocalDate evening, double[] r) {
    return new StatementView.Row(evening, r[0], r[1], r[2], r[3], r[4], r[5]);
  }

  private static StatementView.Effort effort(List<EventView> done, double element) {
    int fires = 0;
    int doings = 0;
    double wood = 0;
    double fuel = 0;
    double minutes = 0;
    for (EventView e : done) {
      double kilograms = e.amount() == null ? 0 : e.amount();
      boolean fire = e.kind() == EventKind.FIRE_LIT;
      if (e.kind().burns()) {
        fires += fire ? 1 : 0;
        wood += kilograms;
        double moisture = e.moisture() == null ? Usual.WOOD_MOISTURE.value() : e.moisture();
        fuel += kilograms * FireLoad.heatingValue(moisture);
      }
      double took = e.kind().minutes(kilograms);
      doings += took > 0 ? 1 : 0;
      minutes += took;
    }
    return new StatementView.Effort(fires, wood, fuel, element, doings, minutes / 60);
  }

  private static @Nullable Double cost(StatementView.Effort e, Prices prices) {
    OptionalDouble sum = prices.running("firewood", e.woodKilograms(), e.elementJoules());
    return sum.isPresent() ? sum.getAsDouble() : null;
  }
}
