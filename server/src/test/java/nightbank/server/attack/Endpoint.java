package nightbank.server.attack;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nightbank.server.Program;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One way of asking that the committed openapi.json tells of. */
record Endpoint(String method, String path, JsonNode of) {
  static JsonNode described() {
    try {
      return JsonMapper.shared()
          .readTree(Files.readString(Program.root().resolve("server/openapi.json")));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static List<Endpoint> all() {
    List<Endpoint> all = new ArrayList<>();
    for (var path : described().path("paths").properties()) {
      for (var method : path.getValue().properties()) {
        all.add(
            new Endpoint(
                method.getKey().toUpperCase(Locale.ROOT), path.getKey(), method.getValue()));
      }
    }
    return all;
  }

  @Override
  public String toString() {
    return method + " " + path;
  }
}
