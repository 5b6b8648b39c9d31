package nightbank.server.loggerfile.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import nightbank.server.loggerfile.FileMapping.TimeForm;
import nightbank.server.shared.Problem;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Numbers, times and alphabets as loggers write them. */
public class ReadersTest {
  private static final ZoneId LONDON = ZoneId.of("Europe/London");

  @DataProvider
  Object[][] numbers() {
    return new Object[][] {
      {"21.5", false, 21.5},
      {" 21.5 ", false, 21.5},
      {"21,5", true, 21.5},
      {"-0,4", true, -0.4},
      {"\u22127.5", false, -7.5},
      {"1,234.5", false, 1234.5},
      {"1.234,5", true, 1234.5},
      {"21.5 °C", false, 21.5},
      {"21.5C", false, 21.5},
      {"+3", false, 3},
      {"1e2", false, 100},
      {"\u00a014.0", false, 14},
    };
  }

  @Test(dataProvider = "numbers")
  public void aNumberIsReadAsItIsWritten(String text, boolean comma, double value) {
    assertThat(NumberReader.read(text, comma)).isCloseTo(value, within(1e-9));
  }

  @DataProvider
  Object[][] noNumbers() {
    return new Object[][] {
      {""}, {"--"}, {"nan"}, {"err"}, {"12:30"}, {"1-2"}, {"."}, {"9".repeat(40)}, {"OFL"},
    };
  }

  @Test(dataProvider = "noNumbers")
  public void whatIsNoNumberIsNone(String text) {
    assertThat(NumberReader.read(text, false)).isNaN();
  }

  @DataProvider
  Object[][] times() {
    return new Object[][] {
      {TimeForm.YEAR_FIRST, "2026-01-14T12:00:00Z", "2026-01-14T12:00:00Z"},
      {TimeForm.YEAR_FIRST, "2026-01-14 12:00", "2026-01-14T12:00:00Z"},
      {TimeForm.YEAR_FIRST, "2026/01/14 12:00:30.250", "2026-01-14T12:00:30Z"},
      {TimeForm.YEAR_FIRST, "2026-01-14T13:00:00+01:00", "2026-01-14T12:00:00Z"},
      {TimeForm.YEAR_FIRST, "2026-07-14 12:00", "2026-07-14T11:00:00Z"},
      {TimeForm.DAY_FIRST, "14.01.2026 12:00", "2026-01-14T12:00:00Z"},
      {TimeForm.DAY_FIRST, "14/1/26 9:05", "2026-01-14T09:05:00Z"},
      {TimeForm.MONTH_FIRST, "01/14/2026 12:30:00 PM", "2026-01-14T12:30:00Z"},
      {TimeForm.MONTH_FIRST, "01/14/2026 12:30:00 AM", "2026-01-14T00:30:00Z"},
      {TimeForm.MONTH_FIRST, "1/14/26 1:00 p.m.", "2026-01-14T13:00:00Z"},
      {TimeForm.EPOCH_SECONDS, "1768392000", "2026-01-14T12:00:00Z"},
      {TimeForm.EPOCH_MILLIS, "1768392000000", "2026-01-14T12:00:00Z"},
    };
  }

  @Test(dataProvider = "times")
  public void aTimeIsReadInItsForm(TimeForm form, String text, String at) {
    assertThat(new TimeReader(form, LONDON).read(text)).isEqualTo(Instant.parse(at));
  }

  @DataProvider
  Object[][] noTimes() {
    return new Object[][] {
      {TimeForm.DAY_FIRST, "31.02.2026 12:00"},
      {TimeForm.DAY_FIRST, "14.13.2026 12:00"},
      {TimeForm.DAY_FIRST, "14.01.2026"},
      {TimeForm.YEAR_FIRST, "2026-01-14 25:00"},
      {TimeForm.YEAR_FIRST, "yesterday"},
      {TimeForm.YEAR_FIRST, ""},
      {TimeForm.EPOCH_SECONDS, "soon"},
      {TimeForm.EPOCH_SECONDS, "9".repeat(30)},
    };
  }

  @Test(dataProvider = "noTimes")
  public void whatIsNoTimeIsNoneAndNothingIsRepairedInSilence(TimeForm form, String text) {
    assertThat(new TimeReader(form, LONDON).read(text)).isNull();
  }

  @Test
  public void theHourThatSpringLeavesOutIsReadAsTheOneAfter() {
    TimeReader reader = new TimeReader(TimeForm.DAY_FIRST, LONDON);
    assertThat(reader.read("29.03.2026 00:59")).isEqualTo(Instant.parse("2026-03-29T00:59:00Z"));
    assertThat(reader.read("29.03.2026 02:00")).isEqualTo(Instant.parse("2026-03-29T01:00:00Z"));
  }

  @DataProvider
  Object[][] alphabets() {
    return new Object[][] {
      {"UTF-8", "time;°C\n", StandardCharsets.UTF_8},
      {"UTF-16LE", "time;celsius;more;columns\n", StandardCharsets.UTF_16LE},
      {"UTF-16BE", "time;celsius;more;columns\n", StandardCharsets.UTF_16BE},
      {"windows-1252", "Zeit;°C\n", Charset.forName("windows-1252")},
    };
  }

  @Test(dataProvider = "alphabets")
  public void anAlphabetIsKnownByItsBytes(String written, String text, Charset expected) {
    assertThat(TextFile.charset(text.repeat(20).getBytes(Charset.forName(written))))
        .isEqualTo(expected);
  }

  @Test
  public void aLetterCutAtTheEndOfTheLookIsStillUtf8() {
    String text = "x".repeat(64 * 1024 - 1) + "°".repeat(10);
    assertThat(TextFile.charset(text.getBytes(StandardCharsets.UTF_8)))
        .isEqualTo(StandardCharsets.UTF_8);
  }

  @Test
  public void bytesThatAreNoTextAreRefusedByName() {
    byte[] bytes = {1, 2, 3, 0, 5, 6, 7, 8, 14, 15, 16};
    assertThatThrownBy(() -> TextFile.charset(bytes))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("not a text file");
  }

  @DataProvider
  Object[][] headings() {
    return new Object[][] {
      {"core [°C]", "core"},
      {"core_C", "core"},
      {"edge (°F)", "edge"},
      {"half way deg C", "half way"},
      {"air_beside", "air beside"},
      {"Temperature", "Temperature"},
    };
  }

  @Test(dataProvider = "headings")
  public void aHeadingIsFreedOfItsUnit(String heading, String name) {
    assertThat(DialectGuess.plainName(heading)).isEqualTo(name);
  }
}
