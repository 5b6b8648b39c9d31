package nightbank.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.job.internal.JobRepository;
import nightbank.server.job.internal.JobRepository.Claimed;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The table of work, with nodes that are made up; kinds that no worker of the program takes up. */
public class JobsTest {
  private static final JobKind KIND = JobKind.SHEET;
  private static final Duration SILENCE = Duration.ofSeconds(12);
  private static final UUID ONE = UUID.randomUUID();
  private static final UUID OTHER = UUID.randomUUID();

  private final Program program = Program.start("");
  private final JobRepository repository = program.bean(JobRepository.class);
  private final DSLContext db = program.bean(DSLContext.class);
  private UUID holding;

  @BeforeMethod
  void noWorkers() {
    program.bean(JobWorkers.class).stop();
    db.execute("DELETE FROM job");
    db.execute("DELETE FROM job_turn");
    holding = Grounds.fresh(program).holding;
  }

  private UUID ask(UUID of, String subject) {
    return repository.ask(UUID.randomUUID(), of, KIND, subject, JSONB.valueOf("\"\""));
  }

  private Claimed claim(UUID node) {
    return repository.claim(node, Set.of(KIND), false, SILENCE).orElse(null);
  }

  private JobView.State state(UUID id) {
    return repository.find(holding, KIND, id).orElseThrow().state();
  }

  private Job job(UUID node, Claimed c) {
    return new Job(repository, program.bean(Json.class), node, c);
  }

  @Test
  public void whatIsAskedForTwiceIsDoneOnce() {
    UUID first = ask(holding, "a");
    assertThat(ask(holding, "a")).isEqualTo(first);
    assertThat(claim(ONE).id()).isEqualTo(first);
    assertThat(ask(holding, "a")).as("while it is under way").isEqualTo(first);
    assertThat(claim(OTHER)).isNull();
    assertThat(repository.end(first, ONE, JobView.State.DONE, null, "")).isTrue();
    assertThat(ask(holding, "a")).as("once it is done").isNotEqualTo(first);
  }

  @Test
  public void aHoldingWithMuchToDoDoesNotKeepOthersWaiting() {
    UUID small = Grounds.fresh(program).holding;
    for (int i = 0; i < 10; i++) {
      ask(holding, "day " + i);
    }
    ask(small, "the only one");
    List<UUID> order = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      order.add(claim(ONE).holding());
    }
    assertThat(order.indexOf(small)).isBetween(0, 1);
  }

  @Test
  public void whatSomebodyStillLooksForComesFirstOfWhatIsDoneAhead() {
    JSONB nothing = JSONB.valueOf("\"\"");
    List<JSONB> two = List.of(nothing, nothing);
    repository.askAll(holding, JobKind.DAY, List.of("a1", "a2"), two);
    db.execute("UPDATE job SET asked_at = now() - interval '1 minute'");
    repository.askAll(holding, JobKind.DAY, List.of("b1", "b2"), two);
    db.execute("UPDATE job SET asked_at = asked_at - interval '1 minute'");
    assertThat(ahead()).as("asked for last, in its order").isEqualTo("b1");
    assertThat(repository.askAll(holding, JobKind.DAY, List.of("a1", "a2"), two))
        .as("asked for again")
        .isEqualTo(2);
    assertThat(repository.askAll(holding, JobKind.DAY, List.of("a2", "a1"), two))
        .as("and again at once")
        .isZero();
    assertThat(List.of(ahead(), ahead(), ahead())).containsExactly("a1", "a2", "b2");
  }

  private String ahead() {
    return repository.claim(ONE, Set.of(JobKind.DAY), true, SILENCE).orElseThrow().subject();
  }

  @Test
  public void whatANodeThatIsGoneWasAtIsTakenByAnother() {
    UUID id = ask(holding, "a");
    Claimed first = claim(ONE);
    assertThat(claim(OTHER)).as("it lives").isNull();
    db.execute("UPDATE job SET alive_at = now() - interval '13 seconds' WHERE id = ?", id);
    Claimed second = claim(OTHER);
    assertThat(second.id()).isEqualTo(id);
    assertThat(second.tries()).isEqualTo(2);
    assertThatThrownBy(() -> job(ONE, first).finish(null))
        .as("it comes back too late and may keep nothing")
        .isInstanceOf(JobStopped.class);
    assertThat(repository.beat(id, ONE, null)).as("it is told to leave it").isFalse();
    job(OTHER, second).finish(null);
    assertThat(state(id)).isEqualTo(JobView.State.DONE);
  }

  @Test
  public void whatWaitsIsStoppedAtOnceAndWhatIsUnderWayIsToldToStop() {
    UUID waits = ask(holding, "a");
    repository.stop(holding, waits);
    assertThat(state(waits)).isEqualTo(JobView.State.STOPPED);
    UUID runs = ask(holding, "b");
    Claimed c = claim(ONE);
    repository.stop(holding, runs);
    assertThat(state(runs)).isEqualTo(JobView.State.RUNNING);
    assertThat(repository.beat(runs, ONE, JSONB.valueOf("{\"far\":3}"))).isFalse();
    assertThat(repository.find(holding, KIND, runs).orElseThrow().progress().data()).contains("3");
    assertThat(job(ONE, c).askedToStop()).isTrue();
  }

  @Test
  public void anothersWorkIsNeitherSeenNorStopped() {
    UUID id = ask(holding, "a");
    UUID stranger = Grounds.fresh(program).holding;
    assertThat(repository.find(stranger, KIND, id)).isEmpty();
    repository.stop(stranger, id);
    assertThat(state(id)).isEqualTo(JobView.State.WAITING);
  }

  @Test
  public void aNodeThatGoesAwayInOrderLeavesItsWorkToOthers() {
    UUID id = ask(holding, "a");
    claim(ONE);
    repository.leave(id, ONE);
    assertThat(claim(OTHER).id()).isEqualTo(id);
  }
}
