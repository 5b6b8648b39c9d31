package nightbank.server.migration;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import nightbank.server.Program;
import org.testng.annotations.Test;

/**
 * A migration that has landed is never edited: a database that was made with it could not be moved
 * on. A new one gets its line here when it lands ({@code sha256sum V*.sql}).
 */
public class LandedTest {
  @Test
  public void noMigrationThatHasLandedIsChanged() throws IOException, NoSuchAlgorithmException {
    Map<String, String> landed = new TreeMap<>();
    try (InputStream in = LandedTest.class.getResourceAsStream("landed.sha256")) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
        landed.put(line.substring(66), line.substring(0, 64));
      }
    }
    Map<String, String> are = new TreeMap<>();
    Path folder = Program.root().resolve("db/src/main/resources/db/migration");
    try (Stream<Path> files = Files.list(folder)) {
      for (Path f : files.toList()) {
        byte[] print = MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(f));
        are.put(f.getFileName().toString(), HexFormat.of().formatHex(print));
      }
    }
    assertThat(are).isEqualTo(landed);
  }
}
