package nightbank.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** The whole program on a throw-away database, once for all tests of this process. */
public final class Program {
  /** Goes on from half past three, so that a night lies ahead at whatever hour tests are run. */
  private static final Clock AFTERNOON =
      Clock.offset(Clock.systemUTC(), untilHalfPastThree(LocalTime.now(ZoneOffset.UTC)));

  private static Program shared;

  private final Path folder;
  private final String databasePort;
  private final boolean demo;
  private final String[] settings;
  private ServletWebServerApplicationContext context;

  private static Duration untilHalfPastThree(LocalTime now) {
    Duration until = Duration.between(now, LocalTime.of(15, 30));
    return until.isNegative() ? until.plusDays(1) : until;
  }

  private Program(Path folder, String databasePort, boolean demo, String[] settings) {
    this.folder = folder;
    this.databasePort = databasePort;
    this.demo = demo;
    this.settings = settings;
    context = open("0");
  }

  private ServletWebServerApplicationContext open(String port) {
    SpringApplication app = new SpringApplication(NightBank.class);
    app.setRegisterShutdownHook(true);
    if (!demo) {
      app.addInitializers(
          c ->
              ((GenericApplicationContext) c)
                  .registerBean(
                      "afternoon", Clock.class, () -> AFTERNOON, b -> b.setPrimary(true)));
    }
    return (ServletWebServerApplicationContext)
        app.run(with(settings, "--server.port=" + port, "--server.shutdown=immediate"));
  }

  /** The program goes away, its database stays; tells the port for {@link #startAgain}. */
  public int stopProgram() {
    int port = context.getWebServer().getPort();
    context.close();
    return port;
  }

  public void startAgain(int port) {
    context = open(String.valueOf(port));
  }

  public void stopDatabase() {
    stopDatabase(folder);
  }

  public void startDatabase() {
    try {
      run("start", folder.toString(), "trust", databasePort);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Starts it when first asked for. */
  public static synchronized Program shared() {
    if (shared == null) {
      shared = start("");
    }
    return shared;
  }

  /** Starts one on a database of its own; with a folder of demo data, or none. */
  public static Program start(String demo, String... settings) {
    return start(demo, port -> {}, settings);
  }

  /** Starts one on a database in which something is before; it is told the database's port. */
  public static Program startOn(Consumer<String> before, String... settings) {
    return start("", before, settings);
  }

  private static Program start(String demo, Consumer<String> before, String... settings) {
    try {
      Path folder = Files.createTempDirectory("nightbank-test");
      run("start", folder.toString(), "trust");
      String port = Files.readString(folder.resolve("db-port")).strip();
      Runtime.getRuntime().addShutdownHook(new Thread(() -> stop(folder)));
      before.accept(port);
      return new Program(
          folder,
          port,
          !demo.isEmpty(),
          with(
              settings,
              "--NIGHTBANK_DB_PORT=" + port,
              "--nightbank.data=" + folder.resolve("data"),
              "--nightbank.judge-ahead=false",
              "--nightbank.demo-stands=true",
              "--nightbank.demo=" + demo));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String[] with(String[] more, String... usual) {
    return java.util.stream.Stream.concat(
            java.util.Arrays.stream(usual), java.util.Arrays.stream(more))
        .toArray(String[]::new);
  }

  private static void stopDatabase(Path folder) {
    try {
      run("stop", folder.toString());
    } catch (IOException e) {
      System.err.println("the test database was not stopped: " + e.getMessage());
    }
  }

  private static void stop(Path folder) {
    stopDatabase(folder);
    try {
      new ProcessBuilder("rm", "-rf", folder.toString()).start().waitFor();
    } catch (IOException e) {
      System.err.println("the test database was not stopped: " + e.getMessage());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  public Path folder() {
    return folder;
  }

  /** What makes somebody its first keeper; blank once there is one. */
  public String setupCode() {
    return setupCode(folder);
  }

  static String setupCode(Path folder) {
    try {
      Path file = folder.resolve("data/setup-code");
      return Files.exists(file) ? Files.readString(file) : "";
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  public String address() {
    return "http://127.0.0.1:"
        + context.getWebServer().getPort()
        + context.getEnvironment().getProperty("server.servlet.context-path", "");
  }

  public <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  private static void run(String... words) throws IOException {
    output(words);
  }

  private static String output(String... words) throws IOException {
    List<String> command = new ArrayList<>(List.of("bash", root() + "/tools/pg.sh"));
    command.addAll(List.of(words));
    Path out = Files.createTempFile("nightbank-pg", ".out");
    Process process =
        new ProcessBuilder(command).redirectOutput(out.toFile()).redirectErrorStream(true).start();
    try {
      int code = process.waitFor();
      String said = Files.readString(out);
      if (code != 0) {
        throw new IOException("pg.sh " + words[0] + ": " + said);
      }
      return said;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(e);
    } finally {
      Files.deleteIfExists(out);
    }
  }

  public static Path root() {
    return Path.of(System.getProperty("nightbank.root", "..")).toAbsolutePath().normalize();
  }
}
