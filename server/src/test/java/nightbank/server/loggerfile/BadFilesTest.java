package nightbank.server.loggerfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Random;
import java.util.UUID;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import nightbank.server.Grounds;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Files that are none, or would hurt: a clear word, nothing kept. */
public class BadFilesTest {
  private Grounds grounds;
  private UUID store;

  @BeforeClass
  void holding() {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
  }

  @DataProvider
  Object[][] files() throws IOException {
    byte[] noise = new byte[40_000];
    new Random(7).nextBytes(noise);
    StringBuilder wide = new StringBuilder("time");
    StringBuilder row = new StringBuilder("2026-01-14 12:00");
    for (int i = 0; i < 10_000; i++) {
      wide.append(",c").append(i);
      row.append(",1");
    }
    return new Object[][] {
      {"empty", new byte[0], "empty"},
      {"noise", noise, "not"},
      {"picture", concat(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0}, noise), "not"},
      {"zip", bomb(), "packed"},
      {"gzip", gzip(), "packed"},
      {"one column", "21.5\n22.0\n22.5\n".getBytes(), "time"},
      {"no time column", "core,edge\n21.5,20\n22,21\n".getBytes(), "time"},
      {"only a heading", "time,core\n".getBytes(), "time"},
      {"only a clock", "time,core\n12:00,20\n12:05,21\n12:10,22\n".getBytes(), "date"},
      {
        "times and no temperatures",
        "time,note\n2026-01-14 12:00,wet\n2026-01-14 12:05,dry\n".getBytes(),
        ""
      },
      {"10,000 columns", (wide + "\n" + row + "\n").getBytes(), "columns"},
      {"a line without end", "1,".repeat(3_000_000).getBytes(), ""},
      {"a quote that never closes", ("time,core\n\"" + "x".repeat(2_000_000)).getBytes(), ""},
      {
        "a poem",
        "Frost at the pane,\nand the kettle cold,\nno light in the lane.\n".getBytes(),
        "time"
      },
    };
  }

  private static byte[] concat(byte[] a, byte[] b) {
    byte[] all = java.util.Arrays.copyOf(a, a.length + b.length);
    System.arraycopy(b, 0, all, a.length, b.length);
    return all;
  }

  /** A hundred megabytes of nothing in a hundred kilobytes. */
  private static byte[] bomb() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("readings.csv"));
      byte[] zeros = new byte[1 << 20];
      for (int i = 0; i < 100; i++) {
        zip.write(zeros);
      }
    }
    return out.toByteArray();
  }

  private static byte[] gzip() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
      zip.write("time,core\n".getBytes());
    }
    return out.toByteArray();
  }

  @Test(dataProvider = "files")
  public void isRefusedWithReasonAndRemedy(String what, byte[] content, String word) {
    var answer = grounds.upload(store, what + ".csv", content);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo("file");
    assertThat(answer.body().path("detail").asString()).contains(word);
    assertThat(answer.body().path("remedy").asString()).isNotBlank();
    assertThat(answer.body().toString()).doesNotContain("Exception").doesNotContain("at nightbank");
    assertThat(grounds.keeper.get(grounds.path("/stores/" + store + "/runs")).body().size())
        .isZero();
  }

  @Test
  public void aFileTurningBadHalfWayKeepsNothing() {
    StringBuilder text = new StringBuilder("time,core\n");
    for (int i = 0; i < 30_000; i++) {
      text.append("2026-01-")
          .append(10 + i / 1440 % 20)
          .append(' ')
          .append(String.format("%02d:%02d", i / 60 % 24, i % 60))
          .append(",21.5\n");
    }
    text.append("\"").append("x".repeat(1_200_000));
    UUID fresh = grounds.newDrum();
    var done = grounds.readIn(grounds.upload(fresh, "half.csv", text.toString().getBytes()));
    assertThat(done.path("state").asString()).isEqualTo("FAILED");
    assertThat(done.path("problem").asString()).contains("quotes never close");
    var now = grounds.keeper.get(grounds.path("/stores/" + fresh)).body().path("now");
    assertThat(now.path("latest").size()).isZero();
  }

  @Test
  public void aMappingThatCannotBeFollowedIsRefusedAndTheOldOneStays() {
    UUID fresh = grounds.newDrum();
    var accepted =
        grounds.upload(
            fresh, "a.csv", "time,core\n2026-01-14 12:00,21\n2026-01-14 12:05,22\n".getBytes());
    String id = accepted.body().path("id").asString();
    String mapping = accepted.body().path("mapping").toString();
    String[][] wrong = {
      {"Europe/London", "Moon/Tycho"},
      {"\"delimiter\":\",\"", "\"delimiter\":\",,\""},
      {"\"timeColumns\":[0]", "\"timeColumns\":[-3]"},
      {"\"index\":1", "\"index\":99999"},
      {Grounds.probeId(fresh, "core").toString(), UUID.randomUUID().toString()},
    };
    for (String[] w : wrong) {
      assertThat(mapping).contains(w[0]);
      var answer =
          grounds.keeper.put(
              grounds.path("/imports/" + id + "/mapping"), null, mapping.replace(w[0], w[1]));
      assertThat(answer.status()).as(w[1]).isBetween(400, 499);
      assertThat(answer.code()).isNotEqualTo("unforeseen");
    }
    var view = grounds.keeper.get(grounds.path("/imports/" + id)).body();
    assertThat(view.path("mapping").toString()).isEqualTo(mapping);
  }

  @Test
  public void aFileStoppedKeepsNothing() {
    StringBuilder text = new StringBuilder("time,core\n");
    for (int i = 0; i < 400_000; i++) {
      text.append(1_700_000_000L + i * 30L).append(",21.5\n");
    }
    UUID fresh = grounds.newDrum();
    var accepted = grounds.upload(fresh, "long.csv", text.toString().getBytes());
    String id = accepted.body().path("id").asString();
    grounds.keeper.post(grounds.path("/imports/" + id + "/start"), "");
    grounds.keeper.post(grounds.path("/imports/" + id + "/stop"), "");
    var ended =
        org.awaitility.Awaitility.await()
            .atMost(java.time.Duration.ofSeconds(60))
            .until(
                () -> grounds.keeper.get(grounds.path("/imports/" + id)).body(),
                b -> !b.path("state").asString().equals("RUNNING"));
    assertThat(ended.path("state").asString()).isEqualTo("STOPPED");
    assertThat(
            grounds
                .keeper
                .get(grounds.path("/stores/" + fresh))
                .body()
                .path("now")
                .path("latest")
                .size())
        .isZero();
    assertThat(grounds.keeper.post(grounds.path("/imports/" + id + "/start"), "").status())
        .as("it may be begun again")
        .isEqualTo(200);
  }
}
