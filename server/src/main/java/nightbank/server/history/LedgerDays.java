package nightbank.server.history;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.judgement.JudgedRun;
import nightbank.server.history.internal.ReadDayRepository;
import nightbank.server.holding.Holdings;
import nightbank.server.job.Job;
import nightbank.server.job.JobHandler;
import nightbank.server.job.JobKind;
import nightbank.server.job.Jobs;
import nightbank.server.run.JudgedSubject;
import nightbank.server.run.Judgements;
import nightbank.server.run.Judgements.Judged;
import nightbank.server.run.KeptDays;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Judges every store's days one after the other behind the scenes, and keeps what came out. */
@Service
public class LedgerDays implements JobHandler {
  /** Of what a store gave to the house, s. */
  static final int STEP = 600;

  private static final int ENOUGH = 300; // readings of a probe and day: one in five minutes

  private final ReadDayRepository repository;
  private final KeptDays kept;
  private final Judgements judgements;
  private final Stores stores;
  private final Holdings holdings;
  private final Jobs jobs;

  LedgerDays(
      ReadDayRepository repository,
      KeptDays kept,
      Judgements judgements,
      Stores stores,
      Holdings holdings,
      Jobs jobs) {
    this.repository = repository;
    this.kept = kept;
    this.judgements = judgements;
    this.stores = stores;
    this.holdings = holdings;
    this.jobs = jobs;
  }

  /**
   * Days that are known.
   *
   * @param pending how many are still being judged; ask again
   */
  public record Days(List<LedgerDay> known, int pending) {}

  /** Which day of which store. */
  record Asked(UUID store, LocalDate evening) {}

  /** Every day from noon to noon, both evenings counted; the latest are judged first. */
  public Days of(UUID holding, UUID store, LocalDate from, LocalDate to, ZoneId zone) {
    Map<LocalDate, KeptDays.Kept<LedgerDay>> known =
        kept.between(holding, store, from, to, LedgerDay.class);
    Map<LocalDate, Instant> noons = new TreeMap<>();
    from.datesUntil(to.plusDays(2)).forEach(d -> noons.put(d, LedgerDay.noon(d, zone)));
    Set<LocalDate> read =
        known.size() > to.toEpochDay() - from.toEpochDay()
            ? Set.of()
            : repository.read(holding, store, from, List.copyOf(noons.values()));
    List<LedgerDay> days = new ArrayList<>();
    List<LocalDate> wanted = new ArrayList<>();
    Map<LocalDate, Object> unread = new TreeMap<>();
    int pending = 0;
    for (LocalDate d = to; !d.isBefore(from); d = d.minusDays(1)) {
      KeptDays.Kept<LedgerDay> day = known.get(d);
      if (day != null) {
        days.add(0, day.day());
        if (day.old()) {
          wanted.add(d);
        }
      } else if (read.contains(d)) {
        pending++;
        wanted.add(d);
      } else {
        LedgerDay nothing = LedgerDay.unread(d);
        days.add(0, nothing);
        unread.put(d, nothing);
      }
    }
    if (!unread.isEmpty()) {
      Set<UUID> probes =
          stores.probes(holding, store).stream().map(ProbeView::id).collect(Collectors.toSet());
      kept.unread(holding, store, probes, unread, noons);
      Set<LocalDate> meanwhile = repository.read(holding, store, from, List.copyOf(noons.values()));
      meanwhile.retainAll(unread.keySet());
      kept.forget(holding, store, meanwhile);
    }
    jobs.askAll(
        holding,
        JobKind.DAY,
        wanted.stream().map(d -> new Jobs.Wanted(store + " " + d, new Asked(store, d))).toList());
    return new Days(days, pending);
  }

  @Override
  public JobKind kind() {
    return JobKind.DAY;
  }

  @Override
  public void run(Job job) {
    Asked a = job.asked(Asked.class);
    ZoneId zone = ZoneId.of(holdings.get(job.holding()).zone());
    Instant from = LedgerDay.noon(a.evening(), zone);
    Instant to = LedgerDay.noon(a.evening().plusDays(1), zone);
    JudgedSubject day = JudgedSubject.day(job.holding(), a.store(), a.evening());
    judgements.keepDay(day, from, to, ENOUGH, LedgerDay.class, j -> day(a.evening(), j, from, to));
    job.finish(null);
  }

  private static LedgerDay day(
      LocalDate evening, Optional<Judged> judged, Instant from, Instant to) {
    return judged
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
    return LedgerDayBuilder.builder()
        .evening(evening)
        .readings(readings)
        .balanceStart(gross[first >= 0 ? first : Math.min(-first - 1, gross.length - 1)])
        .balanceEnd(gross[gross.length - 1])
        .charged(l.charged())
        .delivered(l.delivered())
        .early(l.early())
        .lost(l.lost())
        .residual(l.residual())
        .toHouse(Arrays.stream(watts).mapToObj(LedgerDays::kept).toArray(Double[]::new))
        .build();
  }

  /** To a thousandth of a watt, null where nothing is known. */
  private static @Nullable Double kept(double watts) {
    return Double.isNaN(watts) ? null : (Double) (Math.round(watts * 1000) / 1000.0);
  }
}
