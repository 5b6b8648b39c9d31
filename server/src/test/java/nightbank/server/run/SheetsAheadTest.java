package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.shared.Courtesy;
import nightbank.server.shared.Settings;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

public class RunsAheadTest {
  private final Program program = Program.shared();
  private Grounds grounds;
  private UUID run;
  private RunsAhead ahead;

  @BeforeClass
  void aFilesRun() throws IOException {
    grounds = Grounds.fresh();
    UUID store = grounds.newDrum();
    byte[] file =
        Files.readAllBytes(
            Program.root().resolve("core/src/test/resources/reference/logs/wrapped.csv"));
    grounds.readIn(grounds.upload(store, "wrapped.csv", file));
    run =
        UUID.fromString(
            grounds
                .keeper
                .get(grounds.path("/stores/" + store + "/runs"))
                .body()
                .path(0)
                .path("id")
                .asString());
    ahead =
        new RunsAhead(
            program.bean(Judgements.class),
            new Courtesy(),
            new Settings(program.folder(), "", false, "", true));
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    ahead.stop();
  }

  private int sheets() {
    return program
        .bean(DSLContext.class)
        .fetchOne("SELECT count(*) FROM run_judgement WHERE run_id = ?", run)
        .get(0, Integer.class);
  }

  @Test
  public void aSheetIsReadyBeforeAnybodyOpensIt() {
    assertThat(sheets()).isZero();
    ahead.kept(new RunsAhead.RunKept(grounds.holding, run));
    Awaitility.await().atMost(Duration.ofSeconds(30)).until(() -> sheets() == 1);
  }

  @Test(dependsOnMethods = "aSheetIsReadyBeforeAnybodyOpensIt")
  public void aRunThatIsGoneHoldsUpNothing() {
    program.bean(DSLContext.class).execute("DELETE FROM run_judgement WHERE run_id = ?", run);
    ahead.kept(new RunsAhead.RunKept(grounds.holding, UUID.randomUUID()));
    ahead.kept(new RunsAhead.RunKept(grounds.holding, run));
    Awaitility.await().atMost(Duration.ofSeconds(30)).until(() -> sheets() == 1);
  }
}
