package nightbank.server.loggerfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.loggerfile.internal.ImportRepository;
import nightbank.server.shared.Settings;
import nightbank.server.store.Stores;
import org.awaitility.Awaitility;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Files that fall into a folder. */
public class WatchedFoldersTest {
  private static final String FIRST =
      "time,core,edge\n2026-01-14 12:00,21.5,19\n2026-01-14 12:05,22,19.5\n";
  private static final String NEXT =
      "time,core,edge\n2026-01-15 12:00,31.5,29\n2026-01-15 12:05,32,29.5\n";

  private final Program program = Program.shared();
  private WatchedFolders folders; // one that looks when it is told to
  private Grounds grounds;
  private UUID store;
  private Path folder;

  @BeforeMethod
  void watched() throws IOException {
    grounds = Grounds.fresh();
    store = grounds.newDrum();
    folders =
        new WatchedFolders(
            program.bean(Imports.class),
            program.bean(ImportRepository.class),
            program.bean(Stores.class),
            new Settings(Files.createTempDirectory("watched"), "", false, "", false),
            program.bean(Clock.class));
    folder = Path.of(folders.watch(grounds.holding, store).path());
  }

  private String path(String rest) {
    return grounds.path("/stores/" + store + rest);
  }

  private void fall(String name, String text) throws IOException {
    Files.writeString(folder.resolve(name), text);
    folders.look();
    folders.look();
  }

  private List<WatchedFolders.WaitingFile> waiting() {
    return folders.of(grounds.holding, store).waiting();
  }

  private List<String> names(String of) throws IOException {
    if (!Files.exists(folder.resolve(of))) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(folder.resolve(of))) {
      return all.map(p -> p.getFileName().toString()).sorted().toList();
    }
  }

  private void readInOnce() {
    grounds.readIn(grounds.upload(store, "first.csv", FIRST.getBytes(StandardCharsets.UTF_8)));
  }

  @Test
  public void theFirstOfAKindWaitsToBeLookedAt() throws IOException {
    fall("first.csv", FIRST);
    assertThat(waiting()).singleElement().matches(f -> f.fileName().equals("first.csv"));
    assertThat(names("taken")).singleElement().asString().endsWith("-first.csv");
    assertThat(grounds.keeper.get(path("/imports")).body()).isEmpty();
  }

  @Test
  public void whatIsLikeOneThatWasReadInIsReadInByItself() throws IOException {
    readInOnce();
    fall("next.csv", NEXT);
    Awaitility.await().until(() -> grounds.keeper.get(path("/imports")).body().size(), n -> n == 2);
    assertThat(grounds.keeper.get(path("/imports")).body().path(0).path("added").asLong())
        .isEqualTo(4);
    assertThat(waiting()).isEmpty();
  }

  @Test
  public void whatStillGrowsIsLeftAlone() throws IOException {
    readInOnce();
    Files.writeString(folder.resolve("grows.csv"), NEXT.substring(0, 40));
    folders.look();
    Files.writeString(folder.resolve("grows.csv"), NEXT);
    folders.look();
    assertThat(folder.resolve("grows.csv")).exists();
    folders.look();
    assertThat(folder.resolve("grows.csv")).doesNotExist();
  }

  @Test
  public void whatIsNoSuchFileIsPutAsideWithTheReason() throws IOException {
    fall("poem.txt", "Snow on the sill\n");
    List<String> aside = names("refused");
    assertThat(aside).hasSize(2);
    assertThat(aside.get(1)).endsWith("-poem.txt.why.txt");
    assertThat(Files.readString(folder.resolve("refused").resolve(aside.get(1)))).isNotBlank();
    assertThat(waiting()).isEmpty();
  }

  @Test
  public void aLinkToElsewhereIsNotFollowed() throws IOException {
    Path elsewhere = Files.writeString(Files.createTempFile("secret", ".csv"), NEXT);
    Files.createSymbolicLink(folder.resolve("link.csv"), elsewhere);
    folders.look();
    folders.look();
    assertThat(folder.resolve("link.csv")).isSymbolicLink();
    assertThat(waiting()).isEmpty();
  }

  @Test
  public void whatANodeLeftHalfWayIsTakenUpAgain() throws IOException {
    readInOnce();
    Path left = Files.writeString(folder.resolve(".taking-next.csv"), NEXT);
    Files.setLastModifiedTime(left, FileTime.fromMillis(0));
    folders.look();
    Awaitility.await().until(() -> grounds.keeper.get(path("/imports")).body().size(), n -> n == 2);
    assertThat(left).doesNotExist();
  }

  @Test
  public void onlyAKeeperLearnsWhereItIs() {
    Visitor.Answer made = grounds.keeper.put(path("/watched"), null, "");
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    assertThat(Path.of(made.body().path("path").asString())).isDirectory();
    Visitor helper = grounds.letIn("helper-" + store.toString().substring(0, 8), "HELPER");
    assertThat(helper.get(path("/watched")).status()).isEqualTo(403);
    assertThat(helper.put(path("/watched"), null, "").status()).isEqualTo(403);
  }
}
