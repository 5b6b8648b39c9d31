package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import nightbank.server.job.JobKind;
import nightbank.server.job.Jobs;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jooq.impl.DefaultExecuteListenerProvider;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Sheets and days are judged anew when, and only when, something they rest on has changed. */
public class KeptJudgementsTest {
  private static final String WIDE = "from=2026-01-10&to=2026-01-12";
  private static final String NARROW = "from=2026-01-11&to=2026-01-11";

  private final Program program = Program.shared();
  private final DSLContext db = program.bean(DSLContext.class);
  private Grounds grounds;
  private UUID house;
  private UUID store;
  private String run;

  @BeforeMethod
  void aStoreWithAWinterDay() throws IOException {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
    store = UUID.randomUUID();
    drum("dry-sand");
    grounds.newPart(Grounds.element(store));
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    JsonNode read = grounds.readIn(grounds.upload(store, "wrapped.csv", file));
    run = read.path("runId").asString();
    settled(WIDE);
    sheet();
  }

  private void drum(String medium) {
    String in =
        Grounds.drum(store, "Drum")
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\"")
            .replaceFirst(
                "\"medium\":\"dry-sand\",\"measuredDensity\":1550,\\s*\"measuredSpecificHeat\":825",
                "\"medium\":\"" + medium + "\"");
    Answer made = grounds.keeper.post(grounds.path("/stores"), in);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
  }

  private JsonNode statement(String span) {
    return grounds.keeper.get(grounds.path("/statement?" + span + "&store=" + store)).body();
  }

  private JsonNode settled(String span) {
    return Awaitility.await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> statement(span), s -> s.path("pending").asInt(-1) == 0);
  }

  private JsonNode sheet() {
    Answer a = grounds.keeper.get(grounds.path("/runs/" + run + "/judgement"));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
    return a.body();
  }

  private boolean sheetIsRight() {
    return db.fetchOne(
            "SELECT judged = touches FROM judgement WHERE run_id = ?", UUID.fromString(run))
        .get(0, Boolean.class);
  }

  private int jobs() {
    return program.bean(Jobs.class).open(grounds.holding, JobKind.DAY).size();
  }

  @Test
  public void twoSpansDoNotJudgeEachOthersDaysAnew() {
    Answer said =
        grounds.keeper.post(
            grounds.path("/beliefs"),
            "{\"probeId\":\"%s\",\"at\":[1768042800],\"believed\":true}"
                .formatted(Grounds.probeId(store, "core")));
    assertThat(said.status()).isEqualTo(204);
    settled(WIDE);
    for (int i = 0; i < 3; i++) {
      assertThat(statement(NARROW).path("pending").asInt()).isZero();
      assertThat(statement(WIDE).path("pending").asInt()).isZero();
    }
    assertThat(jobs()).isZero();
  }

  @Test
  public void aHousesLimitChangedTakesBackItsStoresDaysAndSheets() {
    double delivered = settled(WIDE).path("sums").path("delivered").asDouble();
    Answer now = grounds.keeper.get(grounds.path("/houses/" + house));
    String design = now.body().path("design").toString();
    String hardier =
        design.replaceFirst("\"plantLimitCelsius\":2(\\.0)?", "\"plantLimitCelsius\":-9");
    assertThat(hardier).isNotEqualTo(design);
    Answer changed =
        grounds.keeper.put(
            grounds.path("/houses/" + house),
            now.etag(),
            "{\"id\":\"%s\",\"name\":\"Lean-to\",\"design\":%s}".formatted(house, hardier));
    assertThat(changed.status()).as(changed.body().toString()).isEqualTo(200);
    assertThat(statement(WIDE).path("pending").asInt()).isPositive();
    assertThat(settled(WIDE).path("sums").path("delivered").asDouble()).isLessThan(delivered);
    assertThat(sheetIsRight()).isFalse();
    assertThat(sheet().path("needBelowCelsius").asDouble()).isEqualTo(-4);
  }

  @Test
  public void aMediumOfTheHoldingsOwnChangedTakesBackWhatStandsOnIt() {
    book(700);
    store = UUID.randomUUID();
    drum("own-clinker");
    UUID core = Grounds.probeId(store, "core");
    StringBuilder readings = new StringBuilder();
    for (int h = 0; h < 20; h++) {
      readings
          .append(h == 0 ? "" : ",")
          .append(
              "{\"probeId\":\"%s\",\"at\":\"2026-01-11T%02d:00:00Z\",\"typed\":\"%d\"}"
                  .formatted(core, h + 2, 60 - h));
    }
    grounds.keeper.post(
        grounds.path("/readings"), "{\"fahrenheit\":false,\"readings\":[" + readings + "]}");
    double lost = settled(NARROW).path("sums").path("opening").asDouble();
    double now = now();
    book(1400);
    assertThat(statement(NARROW).path("pending").asInt()).isPositive();
    assertThat(settled(NARROW).path("sums").path("opening").asDouble()).isNotEqualTo(lost);
    assertThat(now())
        .as("the field of what was last read")
        .isNotCloseTo(2 * now, withinPercentage(5));
  }

  private double now() {
    return grounds
        .keeper
        .get(grounds.path("/stores/" + store))
        .body()
        .path("now")
        .path("usableJoules")
        .asDouble();
  }

  private void book(double specificHeat) {
    Answer before = grounds.keeper.get(grounds.path("/book"));
    Answer kept =
        grounds.keeper.put(
            grounds.path("/book"),
            before.etag(),
            "{\"currency\":\"\",\"prices\":[],\"media\":[{\"id\":\"own-clinker\",\"name\":\"Clinker\",\"density\":1500,\"specificHeat\":%s,\"conductivity\":0.4,\"moisture\":0,\"highestCelsius\":600,\"spread\":0.05,\"note\":\"\"}]}"
                .formatted(specificHeat));
    assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
  }

  @Test
  public void ofManyEventsNoneIsCutOff() {
    db.execute(
        """
        INSERT INTO event (id, holding_id, store_id, kind, at, note)
        SELECT gen_random_uuid(), ?, ?, 'NOTE', timestamptz '2026-01-11 00:00Z' + k * interval '1 second', ''
          FROM generate_series(1, 2500) k
        """,
        grounds.holding,
        store);
    grounds.keeper.post(
        grounds.path("/events"),
        "{\"id\":\"%s\",\"storeId\":\"%s\",\"kind\":\"SEEN\",\"at\":\"2026-01-12T06:00:00Z\",\"note\":\"the last\"}"
            .formatted(UUID.randomUUID(), store));
    assertThat(sheet().path("events").toString()).contains("the last");
  }

  @Test
  public void whatChangesNothingThatIsJudgedIsToldApartWithoutJudging() {
    Instant before = judgedWhen();
    grounds.keeper.post(
        grounds.path("/events"),
        "{\"id\":\"%s\",\"storeId\":\"%s\",\"kind\":\"LID\",\"way\":\"OFF\",\"at\":\"2026-01-11T06:00:00Z\",\"note\":\"\"}"
            .formatted(UUID.randomUUID(), store));
    assertThat(statement(WIDE).path("pending").asInt()).as("there is no lid").isZero();
    assertThat(judgedWhen()).isEqualTo(before);
  }

  /** A mark that moves with every judging of the day. */
  private Instant judgedWhen() {
    return new Instant(
        db.fetchOne(
                "SELECT xmin::text FROM judgement WHERE store_id = ? AND kind = 'DAY' AND subject = '2026-01-11'",
                store)
            .get(0, String.class));
  }

  private record Instant(String mark) {}

  @Test
  public void aSheetThatIsRightTakesFewQueries() {
    AtomicInteger statements = new AtomicInteger();
    AtomicInteger on = new AtomicInteger();
    db.configuration()
        .set(
            new DefaultExecuteListenerProvider(
                new ExecuteListener() {
                  private static final long serialVersionUID = 1L;

                  @Override
                  public void executeStart(ExecuteContext c) {
                    if (on.get() == 1 && asked(c)) {
                      statements.incrementAndGet();
                    }
                  }

                  /**
                   * Of the page's question: alarms, folders and jobs ask on threads of their own.
                   */
                  private boolean asked(ExecuteContext c) {
                    return Thread.currentThread().getName().contains("-exec-")
                        && !String.valueOf(c.sql()).contains("\"job\"");
                  }
                }));
    sheet();
    on.set(1);
    sheet();
    on.set(0);
    assertThat(statements.get()).isBetween(1, 4);
  }
}
