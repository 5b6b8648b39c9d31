package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.job.Jobs;
import nightbank.server.shared.Settings;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

public class SheetsAheadTest {
  private final Program program = Program.shared();
  private Grounds grounds;
  private UUID run;
  private SheetsAhead ahead;

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
        new SheetsAhead(
            program.bean(Judgements.class),
            program.bean(Jobs.class),
            new Settings(program.folder(), "", false, "", true));
  }

  private int sheets() {
    return program
        .bean(DSLContext.class)
        .fetchOne("SELECT count(*) FROM judgement WHERE run_id = ? AND judged = touches", run)
        .get(0, Integer.class);
  }

  @Test
  public void aSheetIsReadyBeforeAnybodyOpensIt() {
    assertThat(sheets()).isZero();
    ahead.kept(new SheetsAhead.RunKept(grounds.holding, run));
    Awaitility.await().atMost(Duration.ofSeconds(30)).until(() -> sheets() == 1);
  }

  @Test(dependsOnMethods = "aSheetIsReadyBeforeAnybodyOpensIt")
  public void aRunThatIsGoneHoldsUpNothing() {
    program.bean(DSLContext.class).execute("DELETE FROM judgement WHERE run_id = ?", run);
    ahead.kept(new SheetsAhead.RunKept(grounds.holding, UUID.randomUUID()));
    ahead.kept(new SheetsAhead.RunKept(grounds.holding, run));
    Awaitility.await().atMost(Duration.ofSeconds(30)).until(() -> sheets() == 1);
  }
}
