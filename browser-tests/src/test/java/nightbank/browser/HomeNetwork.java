package nightbank.browser;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.testng.SkipException;

/**
 * A network namespace of its own beside this machine, as phones are beside it in a greenhouse: one
 * line on which phones reach the program, which can be cut, and one on which tests hold them.
 */
final class HomeNetwork implements AutoCloseable {
  private final String name = "nb" + ProcessHandle.current().pid();
  private final String net = "10." + (60 + ProcessHandle.current().pid() % 100) + ".";

  /**
   * Lays its lines.
   *
   * @throws SkipException where this machine may not make one
   */
  HomeNetwork() {
    if (run("ip", "netns", "add", name) != 0) {
      throw new SkipException("no network namespace can be made here");
    }
    line("h", "1");
    line("c", "2");
    in("ip", "link", "set", "lo", "up");
  }

  private void line(String which, String third) {
    String here = name + which;
    must("ip", "link", "add", here, "type", "veth", "peer", "name", here + "p", "netns", name);
    must("ip", "addr", "add", net + third + ".1/24", "dev", here);
    must("ip", "link", "set", here, "up");
    in("ip", "addr", "add", net + third + ".2/24", "dev", here + "p");
    in("ip", "link", "set", here + "p", "up");
  }

  /** This machine as the phones see it. */
  String address() {
    return net + "1.1";
  }

  /** Who may hold them. */
  String holder() {
    return net + "2.1";
  }

  /** Where they are held. */
  String phones() {
    return net + "2.2";
  }

  /** Whether the phones have a signal. */
  void signal(boolean there) {
    must("ip", "link", "set", name + "h", there ? "up" : "down");
    if (there) {
      in("ip", "link", "set", name + "hp", "up");
    }
  }

  /** A command as a phone's. */
  ProcessBuilder command(String... command) {
    List<String> all = new ArrayList<>(List.of("ip", "netns", "exec", name));
    all.addAll(List.of(command));
    return new ProcessBuilder(all);
  }

  /** A home folder of a phone whose browser trusts a root certificate. */
  static Path trusting(Path root) throws IOException {
    Path home = Files.createTempDirectory("nightbank-phone");
    Path known = Files.createDirectories(home.resolve(".pki/nssdb"));
    must("certutil", "-d", "sql:" + known, "-N", "--empty-password");
    must("certutil", "-d", "sql:" + known, "-A", "-t", "C,,", "-n", "root", "-i", root.toString());
    return home;
  }

  private void in(String... command) {
    if (wait(command(command)) != 0) {
      throw new IllegalStateException(String.join(" ", command));
    }
  }

  static void must(String... command) {
    if (run(command) != 0) {
      throw new IllegalStateException(String.join(" ", command));
    }
  }

  private static int run(String... command) {
    return wait(new ProcessBuilder(command));
  }

  private static int wait(ProcessBuilder command) {
    try {
      return command.redirectErrorStream(true).inheritIO().start().waitFor();
    } catch (IOException e) {
      return -1;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return -1;
    }
  }

  @Override
  public void close() {
    run("ip", "netns", "del", name);
  }
}
