package nightbank.server.record.internal;

import static nightbank.db.Tables.LEDGER_DAY;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import nightbank.server.record.LedgerDay;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Judged days, and which days have readings at all. */
@Repository
public class LedgerDayRepository {
  private static final String NEW = "new";

  /**
   * So long a day may go without the readings that came after it was judged; by real time, as the
   * database counts it, since a demo's stands still.
   */
  private static final Duration RESPITE = Duration.ofMinutes(2);

  private static final String READ_DAYS =
      """
      SELECT noon.day
        FROM (SELECT to_timestamp(epoch) AS begin, lead(to_timestamp(epoch)) OVER (ORDER BY day) AS finish, day
                FROM unnest(?::bigint[]) WITH ORDINALITY AS n(epoch, day)) noon
       WHERE EXISTS (SELECT FROM probe p, LATERAL (SELECT 1 FROM reading
                       WHERE probe_id = p.id AND holding_id = p.holding_id
                         AND at >= noon.begin AND at < noon.finish LIMIT 1) r
                      WHERE p.holding_id = ? AND p.heat_store_id = ? AND p.kind = 'STORE')
      """;

  private final DSLContext db;

  LedgerDayRepository(DSLContext db) {
    this.db = db;
  }

  public Map<LocalDate, LedgerDay> between(UUID store, String mark, LocalDate from, LocalDate to) {
    Map<LocalDate, LedgerDay> days = new HashMap<>();
    db.selectFrom(LEDGER_DAY)
        .where(LEDGER_DAY.STORE_ID.eq(store))
        .and(LEDGER_DAY.MARK.eq(mark))
        .and(LEDGER_DAY.EVENING.between(from, to))
        .forEach(
            r ->
                days.put(
                    r.getEvening(),
                    new LedgerDay(
                        r.getEvening(),
                        r.getReadings(),
                        r.getBalanceStart(),
                        r.getBalanceEnd(),
                        r.getCharged(),
                        r.getDelivered(),
                        r.getEarly(),
                        r.getLost(),
                        r.getResidual(),
                        r.getToHouse(),
                        r.getJudgedTo(),
                        r.getStaleSince() != null
                            && r.getStaleSince().isBefore(Instant.now().minus(RESPITE)))));
    return days;
  }

  /** Evenings with a reading of any of the store's own probes: one look into the index a day. */
  public Set<LocalDate> read(UUID holding, UUID store, LocalDate from, LocalDate to, ZoneId zone) {
    Long[] noons =
        from.datesUntil(to.plusDays(2))
            .map(d -> LedgerDay.noon(d, zone).getEpochSecond())
            .toArray(Long[]::new);
    return db.resultQuery(READ_DAYS, noons, holding, store)
        .fetchSet(r -> from.plusDays(r.get(0, Long.class) - 1));
  }

  /** Days on which nothing was read. */
  public void save(UUID holding, UUID store, String mark, List<LedgerDay> unread) {
    db.batch(
            unread.stream()
                .map(
                    d ->
                        db.insertInto(LEDGER_DAY)
                            .set(LEDGER_DAY.STORE_ID, store)
                            .set(LEDGER_DAY.HOLDING_ID, holding)
                            .set(LEDGER_DAY.EVENING, d.evening())
                            .set(LEDGER_DAY.MARK, mark)
                            .set(LEDGER_DAY.READINGS, 0L)
                            .onConflict(LEDGER_DAY.STORE_ID, LEDGER_DAY.EVENING)
                            .doUpdate()
                            .setAllToExcluded())
                .toList())
        .execute();
  }

  /**
   * A place for a day that is being judged: a reading that comes in between those it is judged with
   * takes it away.
   */
  public void begin(UUID holding, UUID store, LocalDate evening, UUID judge) {
    db.insertInto(LEDGER_DAY)
        .set(LEDGER_DAY.STORE_ID, store)
        .set(LEDGER_DAY.HOLDING_ID, holding)
        .set(LEDGER_DAY.EVENING, evening)
        .set(LEDGER_DAY.MARK, NEW)
        .set(LEDGER_DAY.READINGS, 0L)
        .set(LEDGER_DAY.JUDGING, judge)
        .onConflict(LEDGER_DAY.STORE_ID, LEDGER_DAY.EVENING)
        .doUpdate()
        .set(LEDGER_DAY.JUDGING, judge)
        .setNull(LEDGER_DAY.STALE_SINCE)
        .execute();
  }

  /** Kept only where its place still is: otherwise it was judged without what came since. */
  public void finish(UUID store, String mark, LedgerDay d, UUID judge) {
    db.update(LEDGER_DAY)
        .set(LEDGER_DAY.MARK, mark)
        .set(LEDGER_DAY.READINGS, d.readings())
        .set(LEDGER_DAY.BALANCE_START, d.balanceStart())
        .set(LEDGER_DAY.BALANCE_END, d.balanceEnd())
        .set(LEDGER_DAY.CHARGED, d.charged())
        .set(LEDGER_DAY.DELIVERED, d.delivered())
        .set(LEDGER_DAY.EARLY, d.early())
        .set(LEDGER_DAY.LOST, d.lost())
        .set(LEDGER_DAY.RESIDUAL, d.residual())
        .set(LEDGER_DAY.TO_HOUSE, d.toHouse())
        .set(LEDGER_DAY.JUDGED_TO, d.judgedTo())
        .setNull(LEDGER_DAY.JUDGING)
        .where(LEDGER_DAY.STORE_ID.eq(store))
        .and(LEDGER_DAY.EVENING.eq(d.evening()))
        .and(LEDGER_DAY.JUDGING.eq(judge))
        .execute();
  }
}
