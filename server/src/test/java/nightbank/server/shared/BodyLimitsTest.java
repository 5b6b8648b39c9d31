package nightbank.server.shared;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is larger than it may be is refused before anybody looks at it. */
public class BodyLimitsTest {
  private final Program program = Program.shared();

  @DataProvider
  Object[][] told() {
    return new Object[][] {{true}, {false}};
  }

  /** With its length told, or in chunks. */
  @Test(dataProvider = "told")
  public void aStrangerCannotSendAMegabyteToTheDoor(boolean lengthTold) throws Exception {
    byte[] body =
        ("{\"login\":\"" + "a".repeat(1_000_000) + "\",\"password\":\"x\"}")
            .getBytes(StandardCharsets.UTF_8);
    HttpRequest.BodyPublisher sent =
        lengthTold
            ? BodyPublishers.ofByteArray(body)
            : BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(body));
    HttpClient client = HttpClient.newBuilder().cookieHandler(new java.net.CookieManager()).build();
    URI door = URI.create(program.address() + "/api/session");
    client.send(
        HttpRequest.newBuilder(URI.create(program.address() + "/api/me")).build(),
        HttpResponse.BodyHandlers.ofString());
    String token =
        ((java.net.CookieManager) client.cookieHandler().orElseThrow())
            .getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .findFirst()
                .orElseThrow()
                .getValue();
    HttpResponse<String> answer =
        client.send(
            HttpRequest.newBuilder(door)
                .header("X-XSRF-TOKEN", token)
                .header("content-type", "application/json")
                .POST(sent)
                .build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(answer.statusCode()).isEqualTo(413);
    assertThat(answer.headers().firstValue("content-type").orElse(""))
        .startsWith("application/problem+json");
    assertThat(answer.body()).contains("too-large").contains("16 kB");
  }

  @Test
  public void aGuestCannotHandOutATableThatFillsTheMemory() {
    Visitor.Answer answer =
        Grounds.fresh()
            .keeper
            .post("/api/tables/csv", "{\"rows\":[[\"" + "x".repeat(6_000_000) + "\"]]}");
    assertThat(answer.status()).isEqualTo(413);
  }

  @Test
  public void aLoggersFileMayBeLarger() throws IOException {
    Grounds own = Grounds.fresh();
    StringBuilder text = new StringBuilder("time,core\n");
    for (int i = 0; text.length() < 5_000_000; i++) {
      text.append("2026-01-14 12:00:00,21.5\n");
    }
    try (InputStream file =
        new ByteArrayInputStream(text.toString().getBytes(StandardCharsets.UTF_8))) {
      assertThat(own.upload(own.newDrum(), "large.csv", file.readAllBytes()).status())
          .isEqualTo(200);
    }
  }
}
