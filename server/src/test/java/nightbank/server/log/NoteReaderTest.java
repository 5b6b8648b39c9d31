package nightbank.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.server.log.NotesView.Doubt;
import nightbank.server.log.NotesView.Note;
import nightbank.server.store.ProbeView;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Notes on a scrap of paper, typed the next morning at twenty past nine. */
public class NoteReaderTest {
  private static final Instant NOW = Instant.parse("2026-01-13T09:20:00Z");
  private static final List<ProbeView> PROBES =
      List.of(
          probe("core", ProbeView.Kind.STORE),
          probe("edge", ProbeView.Kind.STORE),
          probe("air", ProbeView.Kind.AIR));

  private static ProbeView probe(String name, ProbeView.Kind kind) {
    return new ProbeView(UUID.nameUUIDFromBytes(name.getBytes()), kind, name, 0.5, 0.5);
  }

  private static List<Note> read(String text) {
    return read(text, false, null);
  }

  private static List<Note> read(String text, boolean fahrenheit, Instant began) {
    return new NoteReader(PROBES, fahrenheit, 90, ZoneId.of("UTC"), NOW, began).read(text);
  }

  /** Probe, moment and °C of each, as they would be kept. */
  private static String told(List<Note> notes) {
    return notes.stream()
        .map(
            n ->
                String.format(
                    Locale.ROOT,
                    "%s %s %.1f%s",
                    PROBES.stream()
                        .filter(p -> p.id().equals(n.probeId()))
                        .map(ProbeView::name)
                        .findFirst()
                        .orElse("?"),
                    n.at() == null ? "?" : n.at().toString().substring(5, 16),
                    n.celsius() == null ? Double.NaN : n.celsius(),
                    n.doubt() == null ? "" : " " + n.doubt()))
        .collect(Collectors.joining("; "));
  }

  @DataProvider
  Object[][] scraps() {
    return new Object[][] {
      {"22:40 core 61, edge 38", "core 01-12T22:40 61.0; edge 01-12T22:40 38.0"},
      {"22:40 core 61,5 edge 38", "core 01-12T22:40 61.5; edge 01-12T22:40 38.0"},
      {"8:05 Core: 61; EDGE=38", "core 01-13T08:05 61.0; edge 01-13T08:05 38.0"},
      {"yesterday 22:40 core 61", "core 01-12T22:40 61.0"},
      {"6 am core 61", "core 01-13T06:00 61.0"},
      {"10.40 pm core 61", "core 01-12T22:40 61.0"},
      {"2240 core 61", "core 01-12T22:40 61.0"},
      {"noon core 61", "core 01-12T12:00 61.0"},
      {"22.40 core 61", "core 01-12T22:40 61.0"},
      {"core 61", "core ? 61.0 NO_TIME"},
      {"7:00 core 140F", "core 01-13T07:00 60.0"},
      {"7:00 core -3, air −4", "core 01-13T07:00 -3.0; air 01-13T07:00 -4.0"},
      {"7:00 61 38", "core 01-13T07:00 61.0; edge 01-13T07:00 38.0"},
      {"7:00 61", "? 01-13T07:00 61.0 NO_PROBE"},
      {"7:00 cellar 61", "? 01-13T07:00 61.0 NO_PROBE"},
      {"7:00 co 61", "core 01-13T07:00 61.0"},
      {"7:00 core 200", "core 01-13T07:00 200.0 MAYBE_FAHRENHEIT"},
      {"7:00 core 200C", "core 01-13T07:00 200.0"},
      {"12 Jan 22:40 core 61", "core 01-12T22:40 61.0"},
      {"January 12th, 2026 22:40 core 61", "core 01-12T22:40 61.0"},
      {"3/1/26 18:00 core 61", "core 01-03T18:00 61.0"},
      {"1/12/26 18:00 core 61", "core 01-12T18:00 61.0"},
      {"12.1. 22:40 core 61", "core 01-12T22:40 61.0"},
      {"2026-01-12 22:40 core 61", "core 01-12T22:40 61.0"},
      {"2026-01-12T22:40 core 61", "core 01-12T22:40 61.0"},
      {"24 Dec 18:00 core 61", "core 12-24T18:00 61.0"},
      {"Sunday 18:00 core 61", "core 01-11T18:00 61.0"},
      {"2026-01-14 07:00 core 61", "core 01-14T07:00 61.0 AHEAD"},
      {"\u200f7:00\u200e core\u00a061", "core 01-13T07:00 61.0"},
      {"7:00 stirred the ashes", "? 01-13T07:00 NaN NO_FIGURE"},
      {"the cat sat on it", "? ? NaN NO_FIGURE"},
      {"12 Jan\n18:00 core 20\n22:00 core 61", "core 01-12T18:00 20.0; core 01-12T22:00 61.0"},
    };
  }

  @Test(dataProvider = "scraps")
  public void isUnderstoodAsMeant(String text, String meant) {
    assertThat(told(read(text))).isEqualTo(meant);
  }

  @Test
  public void aNightsNotesRunOnPastMidnight() {
    assertThat(told(read("18:10 core 19\n22:40 core 61\n\n7:00 core 48")))
        .isEqualTo("core 01-12T18:10 19.0; core 01-12T22:40 61.0; core 01-13T07:00 48.0");
    assertThat(told(read("11 Jan 18:10 core 19\n22:40 core 61\n7:00 core 48")))
        .isEqualTo("core 01-11T18:10 19.0; core 01-11T22:40 61.0; core 01-12T07:00 48.0");
  }

  @DataProvider
  Object[][] tables() {
    return new Object[][] {
      {"time\tcore\tedge\n22:40\t61\t38\n7:00\t48\t"},
      {"time,core,edge\n22:40,61,38\n7:00,48,-"},
      {"Time; Core; Edge\n22:40; 61; 38\n7:00; 48; n/a"},
      {"time  core  edge\n22:40  61  38\n7:00  48"},
      {"time core edge\n22:40 61 38\n7:00 48 ?"},
      {
        "| time | core | edge |\n| 22:40 | 61 | 38 |\n| 7:00 | 48 | |"
            .replaceAll("(?m)^\\| | \\|$", "")
      },
    };
  }

  @Test(dataProvider = "tables")
  public void aTableFromAnywhereIsReadByItsHeading(String text) {
    assertThat(told(read(text)))
        .isEqualTo("core 01-12T22:40 61.0; edge 01-12T22:40 38.0; core 01-13T07:00 48.0");
  }

  @Test
  public void aColumnHasItsOwnUnitAndACellItsOwn() {
    assertThat(told(read("time\tcore (°F)\tedge\n7:00\t140\t38\n8:00\t60C\t36")))
        .startsWith("core 01-13T07:00 60.0; edge 01-13T07:00 38.0; core 01-13T08:00 60.0");
  }

  @Test
  public void aColumnThatIsNoProbeIsTiedToNone() {
    assertThat(told(read("time\tcore\tpump\n7:00\t61\t12")))
        .endsWith("? 01-13T07:00 12.0 NO_PROBE");
  }

  @Test
  public void onesOwnUnitsAreTheFirstGuess() {
    assertThat(told(read("7:00 core 140, edge 38C", true, null)))
        .isEqualTo("core 01-13T07:00 60.0; edge 01-13T07:00 38.0");
  }

  @Test
  public void minutesSinceTheStartNeedTheStart() {
    String text = "+0 min core 61\n+90 min core 50\n3 h core 44";
    assertThat(told(read(text)))
        .isEqualTo("core ? 61.0 NO_TIME; core ? 50.0 NO_TIME; core ? 44.0 NO_TIME");
    assertThat(told(read(text, false, Instant.parse("2026-01-12T18:00:00Z"))))
        .isEqualTo("core 01-12T18:00 61.0; core 01-12T19:30 50.0; core 01-12T21:00 44.0");
    assertThat(told(read("min\tcore\n0\t61\n90\t50", false, Instant.parse("2026-01-12T18:00:00Z"))))
        .isEqualTo("core 01-12T18:00 61.0; core 01-12T19:30 50.0");
  }

  @Test
  public void everyDoubtHasItsWord() {
    assertThat(Doubt.values()).hasSize(5);
  }

  @Test
  public void aLineWithoutEndIsLookedAtNoFurther() {
    List<Note> notes = read("x 1 ".repeat(50_000) + "\n7:00 core 61");
    assertThat(notes).hasSize(2);
    assertThat(notes.get(0).doubt()).isEqualTo(Doubt.NO_FIGURE);
    assertThat(notes.get(0).typed()).hasSizeLessThan(100);
    assertThat(told(notes.subList(1, 2))).isEqualTo("core 01-13T07:00 61.0");
  }
}
