package nightbank.server.migration;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Program;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.boot.jdbc.DataSourceBuilder;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What a holding of the version before holds, after its database has been moved on. */
public class MigrationTest {
  private static final UUID HOLDING = UUID.randomUUID();
  private static final UUID STORE = UUID.randomUUID();
  private static final UUID PROBE = UUID.randomUUID();
  private static final UUID RUN = UUID.randomUUID();

  private DSLContext db;

  @BeforeClass
  void moveOn() {
    DSLContext server = Program.shared().bean(DSLContext.class);
    String name = "before_" + UUID.randomUUID().toString().replace("-", "");
    server.execute("CREATE DATABASE " + name);
    String url =
        server
            .connectionResult(c -> c.getMetaData().getURL())
            .replaceFirst("/postgres\\b", "/" + name);
    var source = DataSourceBuilder.create().url(url).username("nightbank").password("").build();
    flyway(source, "12").migrate();
    db = DSL.using(source, org.jooq.SQLDialect.POSTGRES);
    fill();
    flyway(source, "latest").migrate();
  }

  private static Flyway flyway(javax.sql.DataSource source, String target) {
    return Flyway.configure().dataSource(source).target(target).load();
  }

  private void fill() {
    db.execute(
        "INSERT INTO holding (id, name, latitude, longitude, zone, created_at)"
            + " VALUES (?, 'Croft', 57, -3, 'UTC', now())",
        HOLDING);
    db.execute(
        "INSERT INTO heat_store (id, holding_id, name, design, updated_at)"
            + " VALUES (?, ?, 'Drum', '{}', now())",
        STORE,
        HOLDING);
    db.execute(
        "INSERT INTO probe (id, holding_id, heat_store_id, kind, name, radius_fraction, height_fraction)"
            + " VALUES (?, ?, ?, 'STORE', 'core', 0, 0.5)",
        PROBE,
        HOLDING,
        STORE);
    db.fetch("SELECT ensure_reading_month(timestamptz '2026-01-10Z')");
    db.execute(
        "INSERT INTO reading (probe_id, at, holding_id, celsius)"
            + " VALUES (?, timestamptz '2026-01-10 12:00Z', ?, 40)",
        PROBE,
        HOLDING);
    db.execute(
        "INSERT INTO run (id, holding_id, store_id, name, from_at, to_at)"
            + " VALUES (?, ?, ?, 'Run', '2026-01-10Z', '2026-01-11Z')",
        RUN,
        HOLDING,
        STORE);
    db.execute(
        "INSERT INTO run_judgement (run_id, holding_id, mark, sheet) VALUES (?, ?, 'm', '{}')",
        RUN,
        HOLDING);
    db.execute(
        "INSERT INTO ledger_day (store_id, holding_id, evening, mark, readings)"
            + " VALUES (?, ?, '2026-01-10', 'm', 0)",
        STORE,
        HOLDING);
    for (String note :
        new String[] {
          "Ice on the dish", "No ice anywhere", "rime on the door", "a nice evening", "Smoke"
        }) {
      db.execute(
          "INSERT INTO event (id, holding_id, kind, at, note)"
              + " VALUES (gen_random_uuid(), ?, 'SEEN', '2026-01-10Z', ?)",
          HOLDING,
          note);
    }
    for (String state : new String[] {"UPLOADED", "DONE"}) {
      db.execute(
          "INSERT INTO import_file (id, holding_id, store_id, file_name, bytes, state, mapping, created_at)"
              + " VALUES (gen_random_uuid(), ?, ?, 'log.csv', 10, ?, '{}', now())",
          HOLDING,
          STORE,
          state);
    }
  }

  private String one(String sql, Object... values) {
    return db.fetchSingle(sql, values).get(0, String.class);
  }

  @Test
  public void iceThatWasSeenIsAnEventOfItsOwnAndWordsThatDenyItAreNot() {
    assertThat(db.fetch("SELECT note FROM event WHERE kind = 'ICE'").getValues(0, String.class))
        .containsExactlyInAnyOrder("Ice on the dish", "rime on the door");
  }

  @Test
  public void aFileThatWaitedIsAskedForAgainAndOneThatWasReadIsNot() {
    assertThat(one("SELECT problem FROM import_file WHERE state = 'FAILED'")).contains("again");
    assertThat(one("SELECT count(*) FROM import_file WHERE state = 'DONE'")).isEqualTo("1");
  }

  @Test
  public void readingsAndRunsStandAndWhatWasJudgedIsJudgedAnew() {
    assertThat(one("SELECT min(celsius) FROM reading WHERE probe_id = ?", PROBE)).isEqualTo("40.0");
    assertThat(one("SELECT count(*) FROM run WHERE id = ?", RUN)).isEqualTo("1");
    assertThat(one("SELECT count(*) FROM judgement")).isEqualTo("0");
    assertThat(one("SELECT count(*) FROM pg_trigger WHERE NOT tgisinternal"))
        .as("no trigger is left")
        .isEqualTo("0");
  }

  @Test
  public void readingsHangInATableAYearHoweverTheyLie() {
    db.fetch("SELECT ensure_reading_year(y) FROM generate_series(2026, 2027) y");
    db.execute(
        "INSERT INTO reading (probe_id, at, holding_id, celsius)"
            + " VALUES (?, timestamptz '2026-12-31 23:59:59Z', ?, 41), (?, timestamptz '2027-01-01Z', ?, 42)",
        PROBE,
        HOLDING,
        PROBE,
        HOLDING);
    assertThat(one("SELECT count(*) FROM reading_2026")).isEqualTo("2");
    assertThat(one("SELECT count(*) FROM reading_2027")).isEqualTo("1");
    assertThat(one("SELECT count(*) FROM pg_inherits WHERE inhparent = 'reading'::regclass"))
        .isEqualTo("2");
  }
}
