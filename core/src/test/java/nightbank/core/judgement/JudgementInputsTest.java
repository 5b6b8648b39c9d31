package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import nightbank.core.evidence.ChargedStore;
import nightbank.core.evidence.EventKind;
import nightbank.core.evidence.LoggedEvent;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.source.Hearth;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import nightbank.core.system.Places;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a judgement rests on, and how it is told apart. */
public class JudgementInputsTest {
  private static final long BEGIN = 1_767_000_000L;
  private static final long END = BEGIN + 86_400;
  private static final HeatStore BIN =
      Places.lidded().withProbes(List.of(new Probe("core", 0.1, 0.5), new Probe("edge", 0.9, 0.5)));

  private static ChargedStore store() {
    return new ChargedStore(
        BIN, false, 600, false, Optional.empty(), Hearth.bench(), 0, 0, 180, true);
  }

  private static ChargedStore withFire() {
    return new ChargedStore(
        BIN, false, 0, false, Optional.empty(), Hearth.bench(), 6, 0, 180, true);
  }

  private static ChargedStore inSun() {
    return new ChargedStore(
        BIN, false, 0, false, Optional.empty(), Hearth.bench(), 0, 0.5, 180, false);
  }

  private static ReadingSeries series(String channel, double from, double to) {
    int n = 145;
    long[] at = new long[n];
    double[] celsius = new double[n];
    for (int i = 0; i < n; i++) {
      at[i] = BEGIN + i * 600L;
      celsius[i] = from + (to - from) * i / (n - 1);
    }
    return new ReadingSeries(channel, at, celsius);
  }

  private static JudgementInputs inputs(
      ChargedStore store, List<LoggedEvent> events, Map<Long, Double> cloud) {
    return new JudgementInputs(
        store,
        List.of(series("core", 60, 50), series("edge", 50, 42)),
        List.of(),
        List.of(series("air", 10, 5)),
        Optional.empty(),
        Optional.empty(),
        Map.of(),
        events,
        List.of(),
        new TreeMap<>(cloud),
        new JudgementInputs.Site(57, -3, 8, 7),
        JudgementInputs.Window.of(BEGIN, END, false));
  }

  private static LoggedEvent event(long at, EventKind kind, EventKind.Way way) {
    return new LoggedEvent(at, kind, way, Double.NaN, Double.NaN);
  }

  @DataProvider
  Object[][] changes() {
    JudgementInputs plain = inputs(store(), List.of(), Map.of());
    LoggedEvent off = event(BEGIN + 3600, EventKind.LID, EventKind.Way.OFF);
    return new Object[][] {
      {"a lid", inputs(store(), List.of(off), Map.of())},
      {"a sky", inputs(store(), List.of(), Map.of(BEGIN, 0.2))},
      {"another store", inputs(withFire(), List.of(), Map.of())},
      {
        "a belief",
        new JudgementInputs(
            plain.store(),
            plain.probes(),
            List.of(),
            plain.air(),
            plain.inlet(),
            plain.outlet(),
            Map.of("core", Set.of(BEGIN)),
            plain.events(),
            plain.lidHours(),
            plain.cloudAt(),
            plain.site(),
            plain.window())
      },
      {
        "another limit of the house",
        new JudgementInputs(
            plain.store(),
            plain.probes(),
            List.of(),
            plain.air(),
            plain.inlet(),
            plain.outlet(),
            plain.believed(),
            plain.events(),
            plain.lidHours(),
            plain.cloudAt(),
            new JudgementInputs.Site(57, -3, 8, 9),
            plain.window())
      },
    };
  }

  @Test(dataProvider = "changes")
  public void whateverItRestsOnChangesItsPrint(String what, JudgementInputs changed) {
    JudgementInputs plain = inputs(store(), List.of(), Map.of());
    assertThat(changed.fingerprint()).as(what).isNotEqualTo(plain.fingerprint());
    assertThat(inputs(store(), List.of(), Map.of()).fingerprint()).isEqualTo(plain.fingerprint());
  }

  @Test
  public void aStoreRestsOnlyOnWhatItHas() {
    assertThat(store().countedEvents(false))
        .containsExactly(EventKind.TOO_HOT, EventKind.OFF_SCALE, EventKind.LID, EventKind.ELEMENT);
    assertThat(withFire().countedEvents(true))
        .containsExactlyInAnyOrder(
            EventKind.TOO_HOT,
            EventKind.OFF_SCALE,
            EventKind.LID,
            EventKind.FIRE_LIT,
            EventKind.FUEL_ADDED,
            EventKind.PUMP);
    assertThat(inSun().countedEvents(false))
        .containsExactly(EventKind.TOO_HOT, EventKind.OFF_SCALE);
  }

  @Test
  public void anOpenLidCountsFromWhenItWasLastMovedEvenBefore() {
    LoggedEvent before = event(BEGIN - 90_000, EventKind.LID, EventKind.Way.OFF);
    LoggedEvent on = event(BEGIN + 7200, EventKind.LID, EventKind.Way.ON);
    JudgedRun judged = inputs(store(), List.of(before, on), Map.of()).judge().orElseThrow();
    assertThat(judged.findings())
        .filteredOn(f -> f.code() == JudgedRun.Finding.Code.LID_OFF)
        .singleElement()
        .satisfies(f -> assertThat(f.value()).isCloseTo(7200, within(1.0)));
  }

  @Test
  public void aPumpStandsFromWhenItWasSwitchedOffUntilItIsOnAgain() {
    assertThat(
            JudgementInputs.pumpStood(
                List.of(
                    event(100, EventKind.PUMP, EventKind.Way.OFF),
                    event(150, EventKind.PUMP, EventKind.Way.OFF),
                    event(200, EventKind.PUMP, null),
                    event(300, EventKind.PUMP, EventKind.Way.ON),
                    event(350, EventKind.LID, EventKind.Way.OFF),
                    event(400, EventKind.PUMP, EventKind.Way.OFF))))
        .containsExactly(new TimeInterval(100, 300), new TimeInterval(400, Long.MAX_VALUE));
  }

  @Test
  public void aFireThatNobodyWeighedIsAUsualOneAndFuelAddedHalfOfOne() {
    Hearth hearth = Hearth.bench();
    assertThat(event(0, EventKind.FIRE_LIT, null).fire(hearth, 6).orElseThrow().kilograms())
        .isEqualTo(6);
    assertThat(event(0, EventKind.FUEL_ADDED, null).fire(hearth, 6).orElseThrow().kilograms())
        .isEqualTo(3);
    assertThat(
            new LoggedEvent(0, EventKind.FIRE_LIT, null, 4, 0.3)
                .fire(hearth, 0)
                .orElseThrow()
                .moisture())
        .isEqualTo(0.3);
    assertThat(event(0, EventKind.FIRE_LIT, null).fire(hearth, 0)).isEmpty();
    assertThat(event(0, EventKind.DOOR, EventKind.Way.OPEN).fire(hearth, 6)).isEmpty();
  }

  @Test
  public void anElementsHoursAreThoseThatWereLoggedFromBothSides() {
    JudgementInputs switched =
        inputs(
            store(),
            List.of(
                event(BEGIN + 3600, EventKind.ELEMENT, EventKind.Way.ON),
                event(BEGIN + 7200, EventKind.ELEMENT, EventKind.Way.OFF),
                event(BEGIN + 10_800, EventKind.ELEMENT, EventKind.Way.ON)),
            Map.of());
    SourceProfile course = switched.course().orElseThrow();
    assertThat(course.rated()).isTrue();
    assertThat(course.watts().at(BEGIN + 3000, 600)).isZero();
    assertThat(course.watts().at(BEGIN + 5400, 600)).isEqualTo(store().watts());
    assertThat(course.watts().at(BEGIN + 9000, 600)).isZero();
    assertThat(course.watts().at(BEGIN + 14_400, 600)).as("nobody said that it ended").isZero();
    assertThat(inputs(store(), List.of(), Map.of()).course()).isEmpty();
  }

  @Test
  public void tooFewReadingsAreNoJudgement() {
    JudgementInputs none =
        new JudgementInputs(
            store(),
            List.of(new ReadingSeries("core", new long[0], new double[0])),
            List.of(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Map.of(),
            List.of(),
            List.of(),
            new TreeMap<>(),
            new JudgementInputs.Site(57, -3, 8, 7),
            JudgementInputs.Window.exactly(BEGIN, END));
    assertThat(none.judge()).isEmpty();
    assertThat(none.lastRead()).isEmpty();
    assertThat(none.readings()).isZero();
  }

  /** What the judging code makes of one run; whoever changes it raises the version. */
  @Test
  public void theVersionIsThatOfWhatIsJudged() {
    JudgedRun j = inputs(store(), List.of(), Map.of()).judge().orElseThrow();
    String told =
        String.format(
            Locale.ROOT,
            "%.3f K, %.4g J",
            j.peak().meanCelsius(),
            j.ledger().delivered() + j.ledger().early());
    assertThat(JudgementInputs.VERSION + " " + told).isEqualTo("8 50.612 K, 3.371e+06 J");
  }
}
