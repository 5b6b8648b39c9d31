package nightbank.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.cfg.JsonNodeFeature;
import tools.jackson.databind.json.JsonMapper;

/** The committed description is what the server says; the page's types are made from it. */
public class OpenApiTest {
  private static final JsonMapper JSON =
      JsonMapper.builder()
          .enable(SerializationFeature.INDENT_OUTPUT)
          .enable(JsonNodeFeature.WRITE_PROPERTIES_SORTED)
          .build();

  @Test
  public void committedDescriptionIsTheServersOwn() throws IOException {
    var said = Visitor.keeper(Program.shared(), "described").get("/v3/api-docs").body();
    ((tools.jackson.databind.node.ObjectNode) said).remove("servers");
    String text = JSON.writeValueAsString(said) + "\n";
    Path file = Program.root().resolve("server/openapi.json");
    if (Boolean.getBoolean("openapi.write")) {
      Files.writeString(file, text);
    }
    assertThat(Files.readString(file))
        .as("run the test with -Dopenapi.write=true, then npm run api in web/")
        .isEqualTo(text);
  }
}
