package nightbank.server.broker;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.awaitility.Awaitility;

/** Debian's broker on loopback; what waits in it outlives it. */
final class Mosquitto implements AutoCloseable {
  static final String LOGIN = "croft";
  static final String PASSWORD = "reed and rush";

  final int port;
  private final Path folder;
  private Process process;

  Mosquitto() throws IOException {
    try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      port = free.getLocalPort();
    }
    folder = Files.createTempDirectory("nightbank-broker");
    run("/usr/bin/mosquitto_passwd", "-b", "-c", folder + "/names", LOGIN, PASSWORD);
    Files.writeString(
        folder.resolve("conf"),
        """
        listener %d 127.0.0.1
        allow_anonymous false
        password_file %s/names
        persistence true
        persistence_location %s/
        autosave_interval 1
        user root
        """
            .formatted(port, folder, folder));
    start();
  }

  String address() {
    return "mqtt://127.0.0.1:" + port;
  }

  void start() throws IOException {
    process =
        new ProcessBuilder("/usr/sbin/mosquitto", "-c", folder + "/conf")
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("log").toFile())
            .start();
    Awaitility.await().atMost(Duration.ofSeconds(20)).until(this::answers);
  }

  void stop() {
    process.destroy();
    process.onExit().join();
  }

  private boolean answers() {
    try (Socket s = new Socket(InetAddress.getLoopbackAddress(), port)) {
      return s.isConnected();
    } catch (IOException e) {
      return false;
    }
  }

  private static void run(String... words) throws IOException {
    Process p = new ProcessBuilder(List.of(words)).redirectErrorStream(true).start();
    p.getInputStream().readAllBytes();
    if (p.onExit().join().exitValue() != 0) {
      throw new IOException(words[0]);
    }
  }

  @Override
  public void close() {
    stop();
  }
}
