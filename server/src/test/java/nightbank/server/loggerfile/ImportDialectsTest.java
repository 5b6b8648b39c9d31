package nightbank.server.loggerfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.Grounds;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Loggers write as they please; the guess understands them. */
public class ImportDialectsTest {
  private Grounds grounds;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
  }

  /** A file and how its first row must be understood. */
  private record Dialect(String what, byte[] bytes, String at, double core) {
    @Override
    public String toString() {
      return what;
    }
  }

  private static Dialect utf8(String what, String text, String at, double core) {
    return new Dialect(what, text.getBytes(StandardCharsets.UTF_8), at, core);
  }

  private static Dialect in(String charset, String what, String text, String at, double core) {
    return new Dialect(what, text.getBytes(Charset.forName(charset)), at, core);
  }

  @DataProvider
  Object[][] dialects() {
    String noon = "2026-01-14T12:00:00Z";
    Dialect[] all = {
      utf8(
          "commas, ISO with Z",
          "time,core,air\n2026-01-14T12:00:00Z,21.5,4\n2026-01-14T12:05:00Z,22,4\n",
          noon,
          21.5),
      utf8(
          "ISO with an offset",
          "time,core,air\n2026-01-14T13:00:00+01:00,21.5,4\n2026-01-14T13:05:00+01:00,22,4\n",
          noon,
          21.5),
      utf8(
          "semicolons, decimal comma, day first in two columns",
          "Datum;Zeit;core [°C];air [°C]\n14.01.2026;12:00;21,5;4,0\n14.01.2026;12:05;22,0;4,1\n",
          noon,
          21.5),
      utf8(
          "tabs, month first, twelve hours, Fahrenheit, preamble and counter",
          "# logger 7\n# made up\nNo.\tDate Time\tcore (°F)\tair (°F)\n"
              + "1\t01/14/2026 12:00:00 PM\t70.7\t39\n2\t01/14/2026 12:05:00 PM\t71\t39\n"
              + "3\t01/14/2026 01:05:00 PM\t71\t39\n",
          noon,
          21.5),
      utf8(
          "midnight on a twelve-hour clock",
          "Date Time\tcore\n01/14/2026 12:00 AM\t21.5\n01/14/2026 12:05 AM\t22\n",
          "2026-01-14T00:00:00Z",
          21.5),
      utf8(
          "seconds since 1970",
          "seconds,core,air\n1768392000,21.5,4\n1768392300,22,4\n",
          noon,
          21.5),
      utf8(
          "milliseconds since 1970",
          "ms|core|air\n1768392000000|21.5|4\n1768392300000|22|4\n",
          noon,
          21.5),
      utf8(
          "one row a reading",
          "time,channel,value\n2026-01-14T12:00:00Z,core,21.5\n2026-01-14T12:00:00Z,air,4\n"
              + "2026-01-14T12:05:00Z,core,22\n2026-01-14T12:05:00Z,air,4\n",
          noon,
          21.5),
      utf8(
          "byte-order mark",
          "\uFEFFtime,core,air\n2026-01-14 12:00:00,21.5,4\n2026-01-14 12:05:00,22,4\n",
          noon,
          21.5),
      in(
          "UTF-16",
          "UTF-16 with its mark",
          "time\tcore °C\tair °C\n2026-01-14 12:00\t21.5\t4\n2026-01-14 12:05\t22\t4\n",
          noon,
          21.5),
      in(
          "UTF-16LE",
          "UTF-16 without a mark",
          "time\tcore °C\tair °C\n2026-01-14 12:00\t21.5\t4\n2026-01-14 12:05\t22\t4\n",
          noon,
          21.5),
      in(
          "windows-1252",
          "Latin-1",
          "Zeit;core [°C];air [°C]\n14.01.2026 12:00;21,5;4,0\n14.01.2026 12:05;22,0;4,1\n",
          noon,
          21.5),
      utf8(
          "quoted decimal commas between commas",
          "time,core,air\n2026-01-14 12:00,\"21,5\",\"4,0\"\n2026-01-14 12:05,\"22,0\",\"4,1\"\n",
          noon,
          21.5),
      utf8(
          "units in the cells",
          "time,core\n2026-01-14 12:00,21.5 °C\n2026-01-14 12:05,22.0 °C\n",
          noon,
          21.5),
      utf8(
          "no heading",
          "2026-01-14 12:00:00;21.5\n2026-01-14 12:05:00;22.0\n2026-01-14 12:10:00;22.1\n",
          noon,
          21.5),
      utf8(
          "two-digit years, day first",
          "when;core\n14/01/26 12:00;21,5\n14/01/26 12:05;22,0\n",
          noon,
          21.5),
      utf8(
          "lines ended the old way",
          "time,core\r2026-01-14 12:00,21.5\r2026-01-14 12:05,22\r",
          noon,
          21.5),
    };
    Object[][] cases = new Object[all.length][];
    for (int i = 0; i < all.length; i++) {
      cases[i] = new Object[] {all[i]};
    }
    return cases;
  }

  @Test(dataProvider = "dialects")
  public void isUnderstoodAtFirstGuess(Dialect d) {
    UUID store = grounds.newDrum();
    var accepted = grounds.upload(store, "log.csv", d.bytes);
    assertThat(accepted.status()).as(accepted.body().toString()).isEqualTo(200);
    var row = accepted.body().path("preview").path(0);
    assertThat(Instant.parse(row.path("at").asString())).isEqualTo(Instant.parse(d.at));
    var done = grounds.readIn(accepted);
    assertThat(done.path("state").asString()).isEqualTo("DONE");
    var latest =
        grounds.keeper.get(grounds.path("/stores/" + store)).body().path("now").path("latest");
    assertThat(latest.size()).isPositive();
    assertThat(row.path("celsius").toString()).contains(String.valueOf(d.core).substring(0, 4));
    assertThat(done.path("leftOut").asLong()).isZero();
    assertThat(done.path("added").asLong()).isEqualTo(done.path("readings").asLong());
  }

  @Test
  public void missingAndImpossibleCellsAreLeftOutOneByOneWithTheirReason() {
    UUID store = grounds.newDrum();
    String text =
        "time,core,half,air\n"
            + "2026-01-14 12:00,21.5,--,4\n"
            + "2026-01-14 12:05,,20,4\n"
            + "2026-01-14 12:10,oops,20,4\n"
            + "2026-01-14 12:15,99999,20,4\n"
            + "yesterday,21,20,4\n"
            + "2099-01-14 12:20,21,20,4\n"
            + "2026-01-14 12:25,21,20\n"
            + "2026-01-14 12:30,-127,20,4\n";
    var done = grounds.readIn(grounds.upload(store, "gaps.csv", text.getBytes()));
    assertThat(done.path("state").asString()).isEqualTo("DONE");
    assertThat(done.path("leftOut").asLong()).isEqualTo(7);
    assertThat(done.path("readings").asLong()).isEqualTo(6 * 3 - 5);
    var left =
        grounds
            .keeper
            .get(grounds.path("/imports/" + done.path("id").asString() + "/left-out"))
            .body();
    assertThat(left.toString())
        .contains("\"line\":2")
        .contains("No reading.")
        .contains("This is not a number.")
        .contains("No temperature can be so low or so high.")
        .contains("This is not a time of the form chosen.")
        .contains("The time lies in the future.")
        .contains("The row ends before this column.");
  }

  @Test
  public void theSameFileTwiceAddsNothing() {
    UUID store = grounds.newDrum();
    byte[] text = "time,core\n2026-01-14 12:00,21.5\n2026-01-14 12:05,22\n".getBytes();
    assertThat(grounds.readIn(grounds.upload(store, "a.csv", text)).path("added").asLong())
        .isEqualTo(2);
    var again = grounds.readIn(grounds.upload(store, "a.csv", text));
    assertThat(again.path("state").asString()).isEqualTo("DONE");
    assertThat(again.path("added").asLong()).isZero();
    assertThat(again.path("readings").asLong()).isEqualTo(2);
    assertThat(grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body().size())
        .isEqualTo(1);
  }

  @Test
  public void datesThatReadEitherWayAreSaidToAndTheCorrectionIsRemembered() {
    UUID store = grounds.newDrum();
    String text = "time;core\n03/04/2026 12:00;21,5\n03/04/2026 12:05;22,0\n";
    var accepted = grounds.upload(store, "either.csv", text.getBytes());
    assertThat(accepted.body().path("ambiguousDates").asBoolean()).isTrue();
    String mapping = accepted.body().path("mapping").toString().replace("DAY_FIRST", "MONTH_FIRST");
    String id = accepted.body().path("id").asString();
    var corrected = grounds.keeper.put(grounds.path("/imports/" + id + "/mapping"), null, mapping);
    assertThat(corrected.status()).as(corrected.body().toString()).isEqualTo(200);
    assertThat(corrected.body().path("preview").path(0).path("at").asString())
        .startsWith("2026-03-04T12:00");
    grounds.readIn(corrected);
    var next = grounds.upload(store, "next.csv", text.replace("03/04", "03/05").getBytes());
    assertThat(next.body().path("remembered").asBoolean()).isTrue();
    assertThat(next.body().path("ambiguousDates").asBoolean()).isFalse();
    assertThat(next.body().path("preview").path(0).path("at").asString()).startsWith("2026-03-05");
  }

  @Test
  public void theHourThatComesTwiceInAutumnIsReadAsTwo() {
    UUID store = grounds.newDrum();
    StringBuilder text = new StringBuilder("time;core\n");
    for (String t : new String[] {"00:30", "01:00", "01:30", "01:00", "01:30", "02:00"}) {
      text.append("25.10.2025 ").append(t.equals("00:30") ? t : t).append(";20,0\n");
    }
    String night = text.toString().replace("25.10.2025", "26.10.2025");
    var done = grounds.readIn(grounds.upload(store, "autumn.csv", night.getBytes()));
    assertThat(done.path("added").asLong()).isEqualTo(6);
    assertThat(Instant.parse(done.path("from").asString()))
        .isEqualTo(Instant.parse("2025-10-25T23:30:00Z"));
    assertThat(Instant.parse(done.path("to").asString()))
        .isEqualTo(Instant.parse("2025-10-26T02:00:00Z"));
  }

  @Test
  public void columnsWithoutAProbeBringTheirOwn() {
    UUID store = grounds.newDrum();
    String text = "time,top edge,core\n2026-01-14 12:00,31.5,60\n2026-01-14 12:05,32,61\n";
    grounds.readIn(grounds.upload(store, "more.csv", text.getBytes()));
    var probes = grounds.keeper.get(grounds.path("/stores/" + store)).body().path("probes");
    assertThat(probes.size()).isEqualTo(5);
    assertThat(probes.path(4).path("name").asString()).isEqualTo("top edge");
    assertThat(probes.path(4).path("heightFraction").asDouble()).isCloseTo(0.85, within(1e-9));
  }
}
