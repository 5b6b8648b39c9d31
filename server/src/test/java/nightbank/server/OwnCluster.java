package nightbank.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.awaitility.Awaitility;

/** A database of its own and nodes of the program as processes beside it, to be killed at will. */
public final class OwnCluster {
  private final Path folder;
  private final String databasePort;
  private final List<Process> all = new ArrayList<>();

  public OwnCluster(String name) throws IOException {
    this(Files.createTempDirectory("nightbank-" + name));
  }

  public OwnCluster(Path folder) throws IOException {
    this.folder = folder;
    pg("start", folder.toString(), "scram");
    databasePort = Files.readString(folder.resolve("db-port")).strip();
  }

  /** One process of the program. */
  public static final class Node {
    public final String port;
    public final Process process;

    private Node(String port, Process process) {
      this.port = port;
      this.process = process;
    }

    public String address() {
      return "http://127.0.0.1:" + port;
    }

    public void kill() throws InterruptedException {
      process.destroyForcibly().waitFor();
    }
  }

  public Node start() throws IOException {
    return start(pg("free-port").strip());
  }

  public Node start(String port, String... settings) throws IOException {
    Path log = folder.resolve("program-" + port + ".log");
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx400m",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                "nightbank.server.NightBank",
                "--server.port=" + port,
                "--nightbank.data=" + folder.resolve("data"),
                "--nightbank.judge-ahead=false"));
    command.addAll(List.of(settings));
    ProcessBuilder java = new ProcessBuilder(command);
    java.environment().put("NIGHTBANK_DB_PORT", databasePort);
    java.environment()
        .put("NIGHTBANK_DB_PASSWORD", Files.readString(folder.resolve("password")).strip());
    java.redirectErrorStream(true).redirectOutput(log.toFile());
    Node node = new Node(port, java.start());
    all.add(node.process);
    Visitor anybody = new Visitor(node.address());
    try {
      Awaitility.await()
          .atMost(Duration.ofSeconds(120))
          .pollInterval(Duration.ofMillis(200))
          .failFast(() -> !node.process.isAlive())
          .until(() -> answers(anybody));
    } catch (RuntimeException e) {
      throw new IllegalStateException("node on port " + port + ": " + Files.readString(log), e);
    }
    return node;
  }

  private static boolean answers(Visitor v) {
    try {
      return v.get("/api/me").status() == 200;
    } catch (RuntimeException e) {
      return false;
    }
  }

  /** The first person and a holding; its path. */
  public String begin(Visitor keeper) {
    keeper.get("/api/me");
    Visitor.Answer begun =
        keeper.post(
            "/api/setup",
            """
        {"code":"%s","login":"first","name":"First","password":"three plain words",
         "holding":{"name":"Killed","latitude":57,"longitude":-3,"zone":"UTC"}}
        """
                .formatted(Program.setupCode(folder)));
    assertThat(begun.status()).as(begun.body().toString()).isEqualTo(200);
    keeper.signIn("first");
    return "/api/holdings/"
        + keeper.get("/api/me").body().path("holdings").path(0).path("id").asString();
  }

  private String postmaster() throws IOException {
    return Files.readAllLines(folder.resolve("cluster/postmaster.pid")).get(0).strip();
  }

  /**
   * All processes of the database stand still, or go on. The postmaster first: whom it let in after
   * the others were counted would go on answering.
   */
  public void freezeDatabase(boolean still) throws IOException {
    ProcessHandle postmaster = ProcessHandle.of(Long.parseLong(postmaster())).orElseThrow();
    signal(postmaster, still);
    postmaster.descendants().forEach(p -> signal(p, still));
  }

  /** Stopped, or on its way again; what has ended by itself meanwhile is left at that. */
  private static void signal(ProcessHandle process, boolean still) {
    String pid = String.valueOf(process.pid());
    try {
      new ProcessBuilder("kill", still ? "-STOP" : "-CONT", pid).start().waitFor();
      Awaitility.await()
          .pollInterval(Duration.ofMillis(5))
          .atMost(Duration.ofSeconds(10))
          .until(() -> hasEnded(state(pid)) || state(pid) == 'T' == still);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** A stopped postmaster does not lay its dead to rest: they stay as zombies. */
  private static boolean hasEnded(char state) {
    return state == 'Z' || state == 'X';
  }

  /** As /proc has it: T where it stands; X where it is gone. */
  private static char state(String pid) {
    try {
      String words = Files.readString(Path.of("/proc", pid, "stat"));
      return words.charAt(words.lastIndexOf(')') + 2);
    } catch (IOException gone) {
      return 'X';
    }
  }

  /** Starts it where it has gone down, as whoever keeps the program running does. */
  public void lookAfterDatabase() throws IOException {
    pg("start", folder.toString(), "scram", databasePort);
  }

  /** Its postmaster, killed without warning and started again. */
  public void killDatabase() throws IOException, InterruptedException {
    String pid = postmaster();
    new ProcessBuilder("kill", "-9", pid).start().waitFor();
    Awaitility.await()
        .atMost(Duration.ofSeconds(20))
        .until(() -> !Files.exists(Path.of("/proc", pid)));
    pg("start", folder.toString(), "scram", databasePort);
  }

  public void close() throws IOException, InterruptedException {
    for (Process p : all) {
      p.destroyForcibly().waitFor();
    }
    pg("stop", folder.toString());
    new ProcessBuilder("rm", "-rf", folder.toString()).start().waitFor();
  }

  private static String pg(String... words) throws IOException {
    List<String> command = new ArrayList<>(List.of("bash", Program.root() + "/tools/pg.sh"));
    command.addAll(List.of(words));
    Path out = Files.createTempFile("nightbank-pg", ".out");
    try {
      Process p = new ProcessBuilder(command).redirectOutput(out.toFile()).start();
      p.waitFor();
      return Files.readString(out);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(e);
    } finally {
      Files.deleteIfExists(out);
    }
  }
}
