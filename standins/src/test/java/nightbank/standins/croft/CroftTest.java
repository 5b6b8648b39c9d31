package nightbank.standins.croft;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The croft's files are the same each time and hold what its story says. */
public class CroftTest {
  private Path folder;

  @BeforeClass
  void write() throws IOException {
    folder = Files.createTempDirectory("croft");
    new Croft().write(folder);
  }

  @Test
  public void sameSeedSameFiles() throws IOException {
    Path again = Files.createTempDirectory("croft");
    new Croft().write(again);
    try (var files = Files.list(folder)) {
      for (Path f : files.toList()) {
        assertThat(Files.mismatch(f, again.resolve(f.getFileName())))
            .as(f.toString())
            .isEqualTo(-1);
      }
    }
  }

  @Test
  public void theStuckProbeSticksAndTheGapIsThere() throws IOException {
    var rows = Files.readAllLines(folder.resolve("sand-bin.csv"), Charset.forName("windows-1252"));
    long stuck =
        rows.stream()
            .filter(r -> r.startsWith("17.01.2026;2") || r.startsWith("18.01.2026;0"))
            .map(r -> r.split(";")[4])
            .distinct()
            .count();
    assertThat(stuck).as("values of the stuck edge probe").isEqualTo(1);
    assertThat(rows).noneMatch(r -> r.startsWith("16.01.2026;05:"));
    assertThat(rows).anyMatch(r -> r.contains("--"));
  }

  @Test
  public void faultsOfEachKindAreThere() throws IOException {
    assertThat(Files.readString(folder.resolve("stone-bench.csv"))).contains("bench core,-127.0");
    assertThat(Files.readString(folder.resolve("water-columns.txt"))).contains("\t185.0"); // 85 °C
  }

  @Test
  public void theNightOfTheOpenDoorFreezes() throws IOException {
    double coldest =
        Files.readAllLines(folder.resolve("sand-bin.csv"), Charset.forName("windows-1252")).stream()
            .filter(r -> r.startsWith("21.01.2026;0"))
            .mapToDouble(r -> Double.parseDouble(r.split(";")[5].replace(',', '.')))
            .min()
            .orElseThrow();
    assertThat(coldest).isLessThan(0);
    assertThat(Files.readString(folder.resolve("events.json"))).contains("Ice on the water dish");
  }
}
