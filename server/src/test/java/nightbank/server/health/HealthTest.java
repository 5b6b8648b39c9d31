package nightbank.server.health;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What wants somebody, and what does not. */
public class HealthTest {
  private Grounds own;

  @BeforeClass
  void ground() {
    own = Grounds.fresh();
  }

  private JsonNode item(String of) {
    for (JsonNode i : own.keeper.get(own.path("/health")).body()) {
      if (i.path("of").asString().equals(of)) {
        return i;
      }
    }
    throw new AssertionError(of);
  }

  @Test
  public void databaseAndDiskAreToldInBytes() {
    assertThat(item("DATABASE").path("bytes").asLong()).isGreaterThan(1_000_000);
    assertThat(item("DISK").path("bytes").asLong()).isPositive();
  }

  @Test
  public void withoutAForecastItIsNotWell() {
    assertThat(item("FORECAST").path("well").asBoolean()).isFalse();
    assertThat(item("FORECAST").path("last").isNull()).isTrue();
  }

  @Test
  public void aBackupIsWellForADayAndAHalf() throws IOException {
    Path folder = Program.shared().folder().resolve("backups");
    Files.createDirectories(folder);
    Path file = Files.writeString(folder.resolve("nightbank-test.dump"), "x");
    assertThat(item("BACKUP").path("well").asBoolean()).isTrue();
    Files.setLastModifiedTime(file, FileTime.from(Instant.now().minus(Duration.ofDays(2))));
    assertThat(item("BACKUP").path("well").asBoolean()).isFalse();
    Files.delete(file);
    assertThat(item("BACKUP").path("last").isNull()).isTrue();
  }

  @Test
  public void aLoggerThatNeverSentIsNotWellAndOneThatJustDidIs() {
    UUID drum = own.newDrum();
    String token =
        own.keeper
            .post(
                own.path("/devices"),
                "{\"name\":\"Shed\",\"channels\":[{\"name\":\"c\",\"probeId\":\"%s\"}]}"
                    .formatted(Grounds.probeId(drum, "core")))
            .body()
            .path("token")
            .asString();
    assertThat(item("LOGGER").path("well").asBoolean()).isFalse();
    own.keeper.pack(token, "[{\"n\":\"c\",\"u\":\"Cel\",\"t\":0,\"v\":21.5}]");
    assertThat(item("LOGGER").path("well").asBoolean()).isTrue();
  }

  @Test
  public void aGuestIsNotToldOfTheMachine() {
    assertThat(own.letIn("g" + own.holding, "GUEST").get(own.path("/health")).status())
        .isEqualTo(403);
  }
}
