package nightbank.server.nodes;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nightbank.server.Program;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Who keeps the program running: starts it again, says why it had ended, and keeps its log. */
public class KeepTest {
  private static final int LARGE = 11 << 20; // bytes, more than a log may have at a start

  private Path folder;

  @BeforeMethod
  void ground() throws IOException {
    folder = Files.createTempDirectory("nightbank-keep");
  }

  private int keep(String... command) throws IOException, InterruptedException {
    List<String> all =
        new ArrayList<>(List.of("bash", Program.root() + "/tools/keep.sh", folder.toString()));
    all.addAll(Arrays.asList(command));
    return new ProcessBuilder(all).start().waitFor();
  }

  private String log() throws IOException {
    return Files.readString(folder.resolve("program.log"));
  }

  @DataProvider
  Object[][] ends() {
    return new Object[][] {{3, "ran out of memory"}, {137, "was killed"}, {1, "ended with code 1"}};
  }

  @Test(dataProvider = "ends")
  public void whatEndsAgainAndAgainIsGivenUpAndItsReasonStandsInTheLog(int code, String why)
      throws IOException, InterruptedException {
    assertThat(keep("bash", "-c", "echo said; exit " + code)).isEqualTo(1);
    assertThat(log()).contains(why + "; started again.").contains(why + ", for the 5th time");
    assertThat(log().lines().filter(l -> l.equals("said"))).hasSize(5);
  }

  @Test
  public void whatIsAskedToEndIsNotStartedAgain() throws IOException, InterruptedException {
    assertThat(keep("bash", "-c", "echo said; kill $$; wait")).isZero();
    assertThat(log().lines().filter(l -> l.equals("said"))).hasSize(1);
  }

  @Test
  public void aLogIsAddedToAndALargeOneIsSetAside() throws IOException, InterruptedException {
    Files.writeString(folder.resolve("program.log"), "what a crash said\n");
    keep("bash", "-c", "kill $$; wait");
    assertThat(log()).contains("what a crash said");
    Files.writeString(folder.resolve("program.log"), "x".repeat(LARGE));
    keep("bash", "-c", "kill $$; wait");
    assertThat(Files.size(folder.resolve("program.log.1"))).isGreaterThanOrEqualTo(LARGE);
    assertThat(Files.size(folder.resolve("program.log"))).isLessThan(LARGE);
  }

  @Test
  public void theUnitFileNamesWhatItStartsAndPleasesSystemd()
      throws IOException, InterruptedException {
    Path unit = folder.resolve("nightbank.service");
    String command = Program.root() + "/nightbank";
    Process made =
        new ProcessBuilder(command, "service", "--home").redirectOutput(unit.toFile()).start();
    assertThat(made.waitFor()).isZero();
    assertThat(Files.readString(unit))
        .contains("ExecStart=" + command + " start --home")
        .contains("Restart=on-failure")
        .contains("MemoryMax=");
    Path verify = Path.of("/usr/bin/systemd-analyze");
    if (Files.isExecutable(verify)) {
      Process said =
          new ProcessBuilder(verify.toString(), "verify", unit.toString())
              .redirectErrorStream(true)
              .start();
      String complaints = new String(said.getInputStream().readAllBytes());
      assertThat(said.waitFor()).as(complaints).isZero();
    }
  }
}
