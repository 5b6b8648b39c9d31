package nightbank.server.record;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import nightbank.core.run.JudgedRun;
import nightbank.server.record.internal.LedgerDayRepository;
import nightbank.server.run.Beliefs;
import nightbank.server.run.Judgements;
import nightbank.server.shared.Courtesy;
import nightbank.server.store.Stores;
import nightbank.server.store.Stores.CoreStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Judges every store's days one after the other behind the scenes, and keeps what came out. */
@Service
public class LedgerDays {
  private static final Logger LOG = LoggerFactory.getLogger(LedgerDays.class);

  /** Of what a store gave to the house, s. */
  static final int STEP = 600;

  private static final int ENOUGH = 300; // readings of a probe and day: one in five minutes

  private final LedgerDayRepository repository;
  private final Judgements judgements;
  private final Beliefs beliefs;
  private final Stores stores;
  private final Courtesy courtesy;
  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(r -> new Thread(r, "ledger-days"));
  private final Set<Wanted> underWay = ConcurrentHashMap.newKeySet();

  LedgerDays(
      LedgerDayRepository repository,
      Judgements judgements,
      Beliefs beliefs,
      Stores stores,
      Courtesy courtesy) {
    this.repository = repository;
    this.judgements = judgements;
    this.beliefs = beliefs;
    this.stores = stores;
    this.courtesy = courtesy;
  }

  private record Wanted(UUID store, LocalDate evening) {}

  /**
   * Days that are known.
   *
   * @param pending how many are still being judged; ask again
   */
  public record Days(List<LedgerDay> known, int pending) {}

  /** Every day from noon to noon, both evenings counted; the latest are judged first. */
  public Days of(UUID holding, UUID store, LocalDate from, LocalDate to, ZoneId zone) {
    CoreStore core = stores.core(holding, store);
    Instant first = LedgerDay.noon(from, zone);
    Instant last = LedgerDay.noon(to.plusDays(1), zone);
    Map<String, Set<Long>> believed = beliefs.between(holding, first, last);
    String mark = core.version() + "/" + believed.hashCode();
    Map<LocalDate, LedgerDay> known = repository.between(store, mark, from, to);
    Set<LocalDate> read =
        known.size() > to.toEpochDay() - from.toEpochDay()
            ? Set.of()
            : repository.read(holding, store, from, to, zone);
    List<LedgerDay> days = new ArrayList<>();
    List<LedgerDay> unread = new ArrayList<>();
    int pending = 0;
    for (LocalDate d = to; !d.isBefore(from); d = d.minusDays(1)) {
      LedgerDay day = known.get(d);
      if (day == null && !read.contains(d)) {
        day = LedgerDay.unread(d);
        unread.add(day);
      }
      if (day != null) {
        days.add(0, day);
        if (day.old()) {
          judgeLater(holding, core, d, mark, zone);
        }
      } else {
        pending++;
        judgeLater(holding, core, d, mark, zone);
      }
    }
    repository.save(holding, store, mark, unread);
    return new Days(days, pending);
  }

  private void judgeLater(
      UUID holding, CoreStore core, LocalDate evening, String mark, ZoneId zone) {
    Wanted wanted = new Wanted(core.id(), evening);
    if (!underWay.add(wanted)) {
      return;
    }
    UUID judge = UUID.randomUUID();
    worker.execute(
        () -> {
          courtesy.giveWay();
          try {
            repository.begin(holding, core.id(), evening, judge);
            repository.finish(core.id(), mark, judged(holding, core, evening, zone), judge);
          } catch (RuntimeException e) {
            LOG.warn("the day of {} of store {} was not judged", evening, core.id(), e);
            repository.finish(core.id(), mark, LedgerDay.unread(evening), judge);
          } finally {
            underWay.remove(wanted);
          }
        });
  }

  private LedgerDay judged(UUID holding, CoreStore core, LocalDate evening, ZoneId zone) {
    Instant from = LedgerDay.noon(evening, zone);
    Instant to = LedgerDay.noon(evening.plusDays(1), zone);
    return judgements
        .judgeDay(holding, core, from, to, ENOUGH)
        .map(j -> day(evening, j.readings(), j.run(), from, to))
        .orElseGet(() -> LedgerDay.unread(evening));
  }

  private static LedgerDay day(
      LocalDate evening, long readings, JudgedRun run, Instant from, Instant to) {
    int steps = (int) (Duration.between(from, to).toSeconds() / STEP);
    double[] watts = run.toHouseIn(from.getEpochSecond(), STEP, steps);
    JudgedRun.Ledger l = run.ledger();
    double[] gross = run.gross();
    int first = Arrays.binarySearch(run.at(), from.getEpochSecond());
    return new LedgerDay(
        evening,
        readings,
        gross[first >= 0 ? first : Math.min(-first - 1, gross.length - 1)],
        gross[gross.length - 1],
        l.charged(),
        l.delivered(),
        l.early(),
        l.lost(),
        l.residual(),
        Arrays.stream(watts).mapToObj(w -> Double.isNaN(w) ? null : w).toArray(Double[]::new),
        Instant.ofEpochSecond(run.at()[run.at().length - 1]),
        false);
  }

  @PreDestroy
  void stop() {
    worker.shutdownNow();
  }
}
