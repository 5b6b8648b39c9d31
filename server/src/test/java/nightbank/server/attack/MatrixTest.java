package nightbank.server.attack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every endpoint that openapi.json tells of, asked by everybody who may not ask it. */
public class MatrixTest {
  private static final int MOST_TRIES = 60;
  private static final String HOLDING = "/api/holdings/{holdingId}";

  /** What anybody may ask. */
  private static final Set<String> OPEN =
      Set.of(
          "GET /api/me",
          "GET /root.crt",
          "POST /api/session",
          "POST /api/session/link",
          "POST /api/setup",
          "POST /api/passwords",
          "POST /api/people",
          "POST /api/alarms/seen",
          "POST /api/devices/readings");

  /** Questions too long for an address: they change nothing, so whoever reads may ask them. */
  private static final Set<String> QUESTIONS =
      Set.of(
          "/appraisal",
          "/houses/shaped",
          "/nights-ahead",
          "/calendar",
          "/sizing/{id}", // one's own search, stopped
          "/ranking/{id}", // the same
          "/tonight",
          "/nights/compare",
          "/sizing",
          "/sizing/curve",
          "/ranking",
          "/pairs",
          "/charge",
          "/heap",
          "/loss",
          "/table");

  private Program program;
  private RawHttp raw;
  private Grounds own;
  private Map<String, UUID> ids;
  private Map<String, UUID> theirs;
  private Visitor stranger;
  private Visitor guest;
  private Visitor helper;
  private JsonNode described;

  @BeforeClass
  void people() throws IOException {
    program = Program.start("");
    raw = new RawHttp(program.address());
    described = Endpoint.described();
    own = Grounds.fresh(program);
    Grounds others = Grounds.fresh(program);
    ids = Inhabited.of(own);
    theirs = Inhabited.of(others);
    stranger = others.keeper;
    guest = own.letIn("guest" + own.holding, "GUEST");
    helper = own.letIn("helper" + own.holding, "HELPER");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    program.stopProgram();
    program.stopDatabase();
  }

  private static boolean writes(Endpoint e) {
    return !e.method().equals("GET") && QUESTIONS.stream().noneMatch(e.path()::endsWith);
  }

  @DataProvider
  Object[][] guarded() {
    return Endpoint.all().stream()
        .filter(e -> !OPEN.contains(e.toString()))
        .map(e -> new Object[] {e})
        .toArray(Object[][]::new);
  }

  @DataProvider
  Object[][] ofAHolding() {
    return Endpoint.all().stream()
        .filter(e -> e.path().startsWith(HOLDING))
        .map(e -> new Object[] {e})
        .toArray(Object[][]::new);
  }

  @DataProvider
  Object[][] withAnId() {
    return Endpoint.all().stream()
        .filter(e -> e.path().startsWith(HOLDING) && e.path().lastIndexOf('{') > HOLDING.length())
        .map(e -> new Object[] {e})
        .toArray(Object[][]::new);
  }

  /** With a body made up by chance, until it is one that can be read. */
  private RawHttp.Answer ask(Endpoint e, Visitor who, Map<String, UUID> in) throws IOException {
    RawHttp.Answer answer = ask(e, who, in, new Random(0));
    for (int seed = 1; seed < MOST_TRIES && answer.status() == 400; seed++) {
      answer = ask(e, who, in, new Random(seed));
    }
    return answer;
  }

  private RawHttp.Answer ask(Endpoint e, Visitor who, Map<String, UUID> in, Random dice)
      throws IOException {
    Map<String, String> headers = new LinkedHashMap<>();
    if (who != null) {
      headers.put("Cookie", who.cookies());
      headers.put("X-XSRF-TOKEN", who.token().orElse(""));
    }
    headers.put("If-Match", "\"1\"");
    byte[] body = new byte[0];
    JsonNode content = e.of().at("/requestBody/content");
    if (content.has("multipart/form-data")) {
      headers.put("Content-Type", "multipart/form-data; boundary=e");
      body =
          "--e\r\nContent-Disposition: form-data; name=\"file\"; filename=\"f\"\r\n\r\nx\r\n--e--\r\n"
              .getBytes(StandardCharsets.UTF_8);
    } else if (content.has("application/octet-stream")) {
      headers.put("Content-Type", "application/octet-stream");
      body = new byte[] {1};
    } else if (content.has("application/json")) {
      headers.put("Content-Type", "application/json");
      JsonNode schema = content.path("application/json").path("schema");
      body =
          JsonMapper.shared()
              .writeValueAsString(new Sample(described, dice, in).of(schema))
              .getBytes(StandardCharsets.UTF_8);
    }
    return raw.send(e.method(), target(e, in), headers, body);
  }

  private static String target(Endpoint e, Map<String, UUID> in) {
    StringBuilder path = new StringBuilder();
    for (String piece : e.path().substring(1).split("/")) {
      String name = piece.startsWith("{") ? piece.substring(1, piece.length() - 1) : "";
      path.append('/')
          .append(
              name.isEmpty()
                  ? piece
                  : name.equals("at")
                      ? "2026-01-11T01:00:00Z"
                      : in.getOrDefault(name, UUID.randomUUID()).toString());
    }
    String sign = "?";
    for (JsonNode p : e.of().path("parameters")) {
      if (p.path("in").asString().equals("query") && p.path("required").asBoolean()) {
        String format = p.path("schema").path("format").asString("");
        String value =
            switch (format) {
              case "date" -> "2026-01-11";
              case "date-time" -> "2026-01-11T01:00:00Z";
              case "uuid" -> in.get("storeId").toString();
              default -> p.path("schema").path("type").asString("").equals("string") ? "x" : "1";
            };
        path.append(sign).append(p.path("name").asString()).append('=').append(value);
        sign = "&";
      }
    }
    return path.toString();
  }

  @Test(dataProvider = "guarded")
  public void whoeverIsNotSignedInIsAskedTo(Endpoint e) throws IOException {
    Visitor nobody = own.keeper.stranger();
    nobody.get("/api/me");
    assertThat(ask(e, nobody, ids).status()).isEqualTo(401);
  }

  @Test(dataProvider = "ofAHolding")
  public void aStrangerIsToldThatThereIsNoSuchHolding(Endpoint e) throws IOException {
    RawHttp.Answer answer = ask(e, stranger, ids);
    assertThat(answer.status()).as(answer.body()).isEqualTo(404);
    assertThat(answer.body()).contains("\"field\":\"holding\"");
  }

  @Test(dataProvider = "ofAHolding")
  public void aGuestChangesNothing(Endpoint e) throws IOException {
    if (writes(e)) {
      RawHttp.Answer answer = ask(e, guest, ids);
      assertThat(answer.status()).as(answer.body()).isEqualTo(403);
      assertThat(answer.body()).contains("\"not-allowed\"");
    }
  }

  /** In one's own holding with what belongs to another: nothing of it is there. */
  @Test(dataProvider = "withAnId")
  public void whatBelongsToAnotherHoldingIsNotThere(Endpoint e) throws IOException {
    Map<String, UUID> mixed = new LinkedHashMap<>(theirs);
    mixed.put("holdingId", own.holding);
    RawHttp.Answer answer = ask(e, own.keeper, mixed);
    assertThat(answer.status()).as(answer.body()).isBetween(400, 499);
    assertThat(answer.status()).as(answer.body()).isNotEqualTo(401);
  }

  @Test(dependsOnMethods = "whatBelongsToAnotherHoldingIsNotThere", alwaysRun = true)
  public void theOthersHaveEverythingStill() {
    String path = "/api/holdings/" + theirs.get("holdingId");
    assertThat(stranger.get(path + "/stores/" + theirs.get("storeId")).status()).isEqualTo(200);
    assertThat(stranger.get(path + "/houses/" + theirs.get("houseId")).status()).isEqualTo(200);
    assertThat(
            stranger
                .get(path + "/events?from=2026-01-11T00:00:00Z&to=2026-01-12T00:00:00Z")
                .body()
                .toString())
        .contains(theirs.get("eventId").toString());
    assertThat(helper.get(own.path("/stores")).status()).isEqualTo(200);
  }
}
