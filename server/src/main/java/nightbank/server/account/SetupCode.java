package nightbank.server.account;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.time.Duration;
import nightbank.server.shared.Allowances;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Who may be the first keeper: whoever can read the file {@code setup-code} of the program's data,
 * which the start command prints. It is of use once.
 */
@Component
public class SetupCode {
  private static final int LENGTH = 8;
  private static final Allowances.Rate TRIES = new Allowances.Rate(60, Duration.ofMinutes(1));

  private final Path file;
  private final Accounts accounts;
  private final Allowances allowances;

  SetupCode(Settings settings, Accounts accounts, Allowances allowances) {
    file = settings.data().resolve("setup-code");
    this.accounts = accounts;
    this.allowances = allowances;
  }

  /** One for a program that nobody keeps yet; the one that there is stays. */
  @EventListener(ApplicationReadyEvent.class)
  void made() throws IOException {
    if (accounts.anybody()) {
      Files.deleteIfExists(file);
    } else if (!Files.exists(file)) {
      Files.createDirectories(file.toAbsolutePath().getParent());
      try {
        Files.createFile(
            file,
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(file, Code.drawn(LENGTH), StandardOpenOption.TRUNCATE_EXISTING);
      } catch (FileAlreadyExistsException byAnother) {
        return; // a node beside this one was first
      }
    }
  }

  /** Refuses who does not show it. */
  public void require(String shown) {
    allowances.require("setup", TRIES, "code");
    if (!MessageDigest.isEqual(Code.plain(shown == null ? "" : shown), Code.plain(kept()))) {
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "wrong-code",
          "code",
          "This is not the setup code.",
          "The start command prints it: ./nightbank start");
    }
  }

  private String kept() {
    try {
      made();
      return Files.readString(file);
    } catch (IOException e) {
      throw new UncheckedIOException("the setup code cannot be read", e);
    }
  }

  /** It has been of use. */
  public void forget() {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    allowances.forget("setup");
  }
}
