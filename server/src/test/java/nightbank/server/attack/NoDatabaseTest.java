package nightbank.server.attack;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import org.awaitility.Awaitility;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Without its database the program says so at once, and is back by itself. */
public class NoDatabaseTest {
  private Program program;
  private Grounds own;

  @BeforeClass
  void start() {
    program = Program.start("");
    own = Grounds.fresh(program);
    own.newDrum();
  }

  @AfterClass(alwaysRun = true)
  void end() {
    program.stopProgram();
    program.stopDatabase();
  }

  @Test
  public void itIsToldWithinTwoSecondsAndMendsItself() {
    program.stopDatabase();
    long begun = System.nanoTime();
    Answer without = own.keeper.get(own.path("/stores"));
    assertThat((System.nanoTime() - begun) / 1e9).isLessThan(2.5);
    assertThat(without.status()).isEqualTo(503);
    assertThat(without.code()).isEqualTo("database");
    assertThat(own.keeper.pack("nb_" + UUID.randomUUID(), "[]").status()).isEqualTo(503);
    assertThat(own.keeper.get("/actuator/health/readiness").status()).isEqualTo(503);
    program.startDatabase();
    Awaitility.await()
        .atMost(Duration.ofSeconds(30))
        .until(() -> own.keeper.get(own.path("/stores")).status() == 200);
    assertThat(own.keeper.get("/actuator/health/readiness").status()).isEqualTo(200);
  }
}
