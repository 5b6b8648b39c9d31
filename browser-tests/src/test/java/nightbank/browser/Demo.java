package nightbank.browser;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.standins.croft.Croft;
import nightbank.standins.forecast.ForecastService;
import tools.jackson.databind.JsonNode;

/** Quernstone Croft, running once for all tests. */
final class Demo {
  private static Demo shared;

  final String address;
  final Program program;
  final String home;
  private final Map<String, String> ids = new HashMap<>();

  private Demo(String... settings) throws IOException {
    Path folder = Files.createTempDirectory("croft");
    new Croft().write(folder);
    ForecastService forecast = new ForecastService(0);
    List<String> all = new ArrayList<>(List.of(settings));
    all.add("--nightbank.forecast=" + forecast.address());
    program = Program.start(folder.toString(), all.toArray(String[]::new));
    address = program.address();
    Visitor v = new Visitor(program);
    JsonNode me =
        v.post("/api/session", "{\"login\":\"keeper\",\"password\":\"quernstone croft\"}").body();
    String holding = me.path("holdings").path(0).path("id").asString();
    home = "/h/" + holding;
    String api = "/api/holdings/" + holding;
    for (JsonNode s : v.get(api + "/stores").body()) {
      String id = s.path("id").asString();
      ids.put(s.path("name").asString(), id);
      for (JsonNode r : v.get(api + "/stores/" + id + "/runs").body()) {
        ids.put(r.path("name").asString(), r.path("id").asString());
      }
    }
    for (JsonNode t : v.get(api + "/trials").body()) {
      ids.put(t.path("name").asString(), t.path("id").asString());
    }
    for (JsonNode h : v.get(api + "/houses").body()) {
      ids.put(h.path("name").asString(), h.path("id").asString());
    }
  }

  static synchronized Demo shared() {
    try {
      shared = shared == null ? new Demo() : shared;
      return shared;
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** One for a class that changes what others count on. */
  static Demo own(String... settings) {
    try {
      return new Demo(settings);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Id of a store, run or house by its name. */
  String id(String name) {
    String id = ids.get(name);
    if (id == null) {
      throw new IllegalArgumentException(name + " is not among " + ids.keySet());
    }
    return id;
  }

  /** A signed-in browser. */
  Browser browser(String login) {
    return new Browser(address).signIn(login, "quernstone croft");
  }
}
