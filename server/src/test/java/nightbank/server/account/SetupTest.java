package nightbank.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Whoever runs the program is its first keeper, and only one is. */
public class SetupTest {
  private Program program;

  @BeforeClass
  void start() {
    program = Program.start("");
  }

  @AfterClass(alwaysRun = true)
  void end() {
    program.stopProgram();
    program.stopDatabase();
  }

  private Answer begin(String code, String login) {
    return new Visitor(program)
        .post(
            "/api/setup",
            """
            {"code":"%s","login":"%s","name":"S","password":"three plain words",
             "holding":{"name":"S","latitude":57,"longitude":-3,"zone":"Europe/London"}}
            """
                .formatted(code, login));
  }

  @Test
  public void withoutTheCodeNobodyBegins() {
    for (String guess : List.of("", "0000-0000", "AAAA-AAAA")) {
      Answer refused = begin(guess, "stranger");
      assertThat(refused.status()).isEqualTo(403);
      assertThat(refused.code()).isEqualTo("wrong-code");
      assertThat(refused.body().path("field").asString()).isEqualTo("code");
    }
    assertThat(new Visitor(program).get("/api/me").body().path("beginNeeded").asBoolean()).isTrue();
  }

  @Test(dependsOnMethods = "withoutTheCodeNobodyBegins")
  public void ofEightAtOnceOneIsTheFirstKeeper() {
    String code = program.setupCode().toLowerCase(java.util.Locale.ROOT).replace('-', ' ');
    List<CompletableFuture<Integer>> all =
        IntStream.range(0, 6)
            .mapToObj(i -> CompletableFuture.supplyAsync(() -> begin(code, "k" + i).status()))
            .toList();
    List<Integer> answers = all.stream().map(CompletableFuture::join).sorted().toList();
    assertThat(answers).startsWith(200).filteredOn(s -> s == 200).hasSize(1);
    assertThat(program.setupCode()).isEmpty();
    assertThat(begin(code, "late").status()).isEqualTo(409);
  }
}
