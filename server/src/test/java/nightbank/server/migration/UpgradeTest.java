package nightbank.server.migration;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.UUID;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.boot.jdbc.DataSourceBuilder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * A holding as the first version that landed kept it, brought through every version since: the
 * program begins on it, and its grower finds everything.
 */
public class UpgradeTest {
  private static final UUID PERSON = UUID.randomUUID();
  private static final UUID HOLDING = UUID.randomUUID();
  private static final UUID HOUSE = UUID.randomUUID();
  private static final UUID STORE = UUID.randomUUID();
  private static final UUID CORE = UUID.randomUUID();
  private static final UUID RUN = UUID.randomUUID();
  private static final Instant BEGUN = Instant.parse("2025-12-30T12:00:00Z");
  private static final int MINUTES = 3 * 24 * 60; // over the turn of the year, by tens

  private Program program;
  private Visitor keeper;

  @BeforeClass
  void upgrade() {
    String hash = Program.shared().bean(PasswordEncoder.class).encode("three plain words");
    program = Program.startOn(port -> first(port, hash));
    keeper = new Visitor(program);
    assertThat(keeper.signIn("old hand").status()).isEqualTo(200);
  }

  @AfterClass(alwaysRun = true)
  void end() {
    program.stopProgram();
    program.stopDatabase();
  }

  /** What the first version kept. */
  private static void first(String port, String hash) {
    var source =
        DataSourceBuilder.create()
            .url("jdbc:postgresql://127.0.0.1:" + port + "/postgres")
            .username("nightbank")
            .password("")
            .build();
    Flyway.configure().dataSource(source).target("1").load().migrate();
    DSLContext db = DSL.using(source, SQLDialect.POSTGRES);
    db.execute(
        "INSERT INTO person (id, login, name, password_hash, fahrenheit, created_at)"
            + " VALUES (?, 'old hand', 'Ada Carrow', ?, true, now())",
        PERSON,
        hash);
    db.execute(
        "INSERT INTO holding (id, name, latitude, longitude, zone, created_at)"
            + " VALUES (?, 'Old croft', 57.2, -3.5, 'Europe/London', now())",
        HOLDING);
    db.execute(
        "INSERT INTO membership (holding_id, person_id, role) VALUES (?, ?, 'KEEPER')",
        HOLDING,
        PERSON);
    db.execute(
        "INSERT INTO greenhouse (id, holding_id, name, design, updated_at)"
            + " VALUES (?, ?, 'Lean-to', ?::jsonb, now())",
        HOUSE,
        HOLDING,
        """
        {"skin":[
          {"name":"roof","looks":"UP","areaSquareMetres":18,"transmittance":5.8,"material":"single-glass"},
          {"name":"wall","looks":"SHELTERED","areaSquareMetres":12,"transmittance":2.2,"material":null}],
         "volumeCubicMetres":32,"airChangesPerHour":1,"innerMassKg":8000,"innerMassMedium":"granite",
         "innerMassAreaSquareMetres":20,"plantLimitCelsius":2,"groundCelsius":7}
        """);
    db.execute(
        "INSERT INTO heat_store (id, holding_id, greenhouse_id, name, design, updated_at)"
            + " VALUES (?, ?, ?, 'Drum', ?::jsonb, now())",
        STORE,
        HOLDING,
        HOUSE,
        """
        {"shape":"CYLINDER","diameterMetres":0.56,"heightMetres":0.62,"count":1,"medium":"dry-sand",
         "measuredDensity":1550,"measuredSpecificHeat":825,
         "side":{"layers":[],"measuredTransmittance":0.9},"top":{"layers":[],"measuredTransmittance":9.5},
         "foot":{"layers":[],"measuredTransmittance":0.8},"indoors":true,"onGround":false,
         "floorCelsius":8,"chargeToCelsius":70,
         "source":{"kind":"ELEMENT","powerWatts":620,"reachFraction":0.15,"lowFraction":0.15,"highFraction":0.85}}
        """);
    db.execute(
        "INSERT INTO probe (id, holding_id, heat_store_id, kind, name, radius_fraction, height_fraction)"
            + " VALUES (?, ?, ?, 'STORE', 'core', 0.05, 0.5)",
        CORE,
        HOLDING,
        STORE);
    db.fetch(
        "SELECT ensure_reading_month(m) FROM unnest(ARRAY[timestamptz '2025-12-10Z', '2026-01-10Z']) m");
    db.execute(
        "INSERT INTO reading (probe_id, at, holding_id, celsius)"
            + " SELECT ?, ?::timestamptz + n * interval '10 minutes', ?, 15 + 50 * exp(-n / 200.0)"
            + " FROM generate_series(0, ?) n",
        CORE,
        BEGUN.toString(),
        HOLDING,
        MINUTES / 10);
    db.execute(
        "INSERT INTO run (id, holding_id, store_id, name, from_at, to_at)"
            + " VALUES (?, ?, ?, 'First run', ?::timestamptz, ?::timestamptz)",
        RUN,
        HOLDING,
        STORE,
        BEGUN.toString(),
        BEGUN.plusSeconds(60L * MINUTES).toString());
    db.execute(
        "INSERT INTO event (id, holding_id, store_id, kind, at, note)"
            + " VALUES (gen_random_uuid(), ?, ?, 'FIRE_LIT', ?::timestamptz, 'birch')",
        HOLDING,
        STORE,
        BEGUN.toString());
  }

  private JsonNode get(String path) {
    Answer a = keeper.get("/api/holdings/" + HOLDING + path);
    assertThat(a.status()).as(path + " " + a.body()).isEqualTo(200);
    return a.body();
  }

  @DataProvider
  Object[][] everything() {
    return new Object[][] {
      {"", "Old croft"},
      {"/houses", "Lean-to"},
      {"/houses/" + HOUSE, "single-glass"},
      {"/stores", "Drum"},
      {"/stores/" + STORE, "core"},
      {"/stores/" + STORE + "/build", "sand"},
      {"/stores/" + STORE + "/runs", "First run"},
      {"/parts", "620"},
      {"/events?from=2025-12-01T00:00:00Z&to=2026-02-01T00:00:00Z", "birch"},
      {"/runs/" + RUN + "/readings", "65"},
      {"/people", "Ada Carrow"},
      {"/alarms", "["},
    };
  }

  @Test(dataProvider = "everything")
  public void isThere(String path, String word) {
    assertThat(get(path).toString()).contains(word);
  }

  @Test
  public void noReadingIsLostOverTheTurnOfTheYear() {
    var count =
        program
            .bean(DSLContext.class)
            .fetchSingle(
                "SELECT count(*), min(celsius), max(celsius) FROM reading WHERE holding_id = ?",
                HOLDING);
    assertThat(count.get(0, Integer.class)).isEqualTo(MINUTES / 10 + 1);
    assertThat(count.get(2, Double.class)).isEqualTo(65.0);
  }

  @Test
  public void itsRunIsJudgedAndItsNightToo() {
    assertThat(get("/runs/" + RUN + "/judgement").isObject()).isTrue();
    Answer night =
        keeper.post(
            "/api/holdings/" + HOLDING + "/houses/" + HOUSE + "/tonight", "{\"lowCelsius\":-3}");
    assertThat(night.status()).as(night.body().toString()).isEqualTo(200);
  }

  @Test
  public void itCanBeChanged() {
    String at = "/api/holdings/" + HOLDING + "/thermometers/" + UUID.randomUUID();
    String body = "{\"houseId\":\"%s\",\"kind\":\"AIR\",\"name\":\"air\"}".formatted(HOUSE);
    assertThat(keeper.put(at, null, body).status()).isEqualTo(200);
  }
}
