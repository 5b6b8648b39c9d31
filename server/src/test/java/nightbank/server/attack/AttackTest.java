package nightbank.server.attack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import nightbank.server.Grounds;
import nightbank.server.Program;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every endpoint asked in every wrong way that chance finds: each answer is one that a client can
 * act on, in time. {@code -Dattack.count} tells how many.
 */
public class AttackTest {
  private static final int COUNT = Integer.getInteger("attack.count", 1500);
  private static final double LONGEST = 5; // s
  private static final List<String> METHODS =
      List.of("GET", "PUT", "POST", "DELETE", "PATCH", "OPTIONS", "HEAD", "FROB");
  private static final List<String> PIECES =
      List.of(
          "",
          "%20",
          "%",
          "%zz",
          "%00",
          "..",
          "null",
          "%F0%9F%94%A5",
          "'%20OR%201=1",
          "-1",
          "x".repeat(3000),
          "00000000-0000-0000-0000-000000000000",
          "a%2Fb",
          ";x=1",
          "1e9",
          "%C0%AF");
  private static final List<String> VALUES =
      List.of(
          "",
          "%00",
          "NaN",
          "1e999",
          "-1",
          "9999-12-31T23:59:59Z",
          "%2B999999999-12-31T23:59:59Z",
          "-999999999-01-01T00:00:00Z",
          "null",
          "x".repeat(5000),
          "%F0%9F%94%A5",
          "2026-01-01");
  private static final List<String> TYPES =
      List.of(
          "text/plain",
          "application/xml",
          "",
          "application/json;charset=utf-7",
          "a",
          "x/y;q=",
          "multipart/form-data",
          "multipart/form-data; boundary=x",
          "application/octet-stream");
  private static final List<String> ACCEPTS =
      List.of("text/csv", "application/xml", "x", "*/*;q=2", "", "image/png", "text/html", "a/b,c");

  private Program program;
  private RawHttp raw;
  private Grounds own;
  private JsonNode described;
  private Map<String, UUID> ids;

  @BeforeClass
  void open() throws IOException {
    program = Program.start("");
    raw = new RawHttp(program.address());
    described = Endpoint.described();
    own = Grounds.fresh(program);
    ids = Inhabited.of(own);
  }

  @AfterClass
  void close() {
    program.stopProgram();
    program.stopDatabase();
  }

  private record Ask(String method, String target, Map<String, String> headers, byte[] body) {}

  private record Wrong(Ask ask, RawHttp.Answer answer, String why) {
    @Override
    public String toString() {
      String sent = new String(ask.body, StandardCharsets.UTF_8);
      return "%s: %s %.160s %s%n   %.300s%n   -> %d in %.1f s %.300s"
          .formatted(
              why,
              ask.method,
              ask.target,
              ask.headers.entrySet().stream().filter(e -> !e.getKey().equals("Cookie")).toList(),
              sent,
              answer.status(),
              answer.seconds(),
              answer.body());
    }
  }

  /** Threads of its own: the program under attack counts on the common ones. */
  @Test
  public void whateverIsAskedTheAnswerCanBeActedOn() throws InterruptedException {
    List<Endpoint> endpoints = Endpoint.all();
    ConcurrentLinkedQueue<Wrong> wrong = new ConcurrentLinkedQueue<>();
    ConcurrentSkipListMap<Integer, Integer> answers = new ConcurrentSkipListMap<>();
    ExecutorService askers = Executors.newFixedThreadPool(4);
    for (int i = 0; i < COUNT; i++) {
      Ask ask = ask(endpoints.get(i % endpoints.size()), new Random(i * 0x9E3779B97F4A7C15L));
      askers.execute(
          () -> {
            RawHttp.Answer answer;
            try {
              answer = raw.send(ask.method, ask.target, ask.headers, ask.body);
            } catch (IOException none) {
              answer = new RawHttp.Answer(0, Map.of(), none.toString(), 0);
            }
            answers.merge(answer.status(), 1, Integer::sum);
            String why = fault(ask, answer);
            if (!why.isEmpty()) {
              wrong.add(new Wrong(ask, answer, why));
            }
          });
    }
    askers.shutdown();
    assertThat(askers.awaitTermination(30, TimeUnit.MINUTES)).isTrue();
    assertThat(wrong).as("of " + answers).isEmpty();
    assertThat(answers.keySet()).contains(200, 400, 404, 405, 406, 412, 415, 422, 428);
  }

  private static String fault(Ask ask, RawHttp.Answer answer) {
    if (answer.status() >= 500 || answer.status() == 0) {
      return "a fault of ours";
    }
    if (answer.seconds() > LONGEST) {
      return "too late";
    }
    boolean told =
        answer.headers().getOrDefault("content-type", "").startsWith("application/problem+json");
    if (answer.status() >= 400
        && !ask.method.equals("HEAD")
        && !(told && answer.body().contains("\"detail\"") && answer.body().contains("\"code\""))) {
      return "no problem details";
    }
    return "";
  }

  private Ask ask(Endpoint e, Random dice) {
    Sample sample = new Sample(described, dice, ids);
    int what = dice.nextInt(10);
    String method = dice.nextInt(15) == 0 ? METHODS.get(dice.nextInt(METHODS.size())) : e.method();
    StringBuilder target =
        new StringBuilder(filled(e.path(), what == 0, method.equals("DELETE"), dice));
    String sign = "?";
    for (JsonNode p : e.of().path("parameters")) {
      if (p.path("in").asString().equals("query") && dice.nextInt(6) > 0) {
        String value =
            what == 1 || what > 7
                ? VALUES.get(dice.nextInt(VALUES.size()))
                : URLEncoder.encode(
                    sample.of(p.path("schema")).asString(""), StandardCharsets.UTF_8);
        target.append(sign).append(p.path("name").asString()).append('=').append(value);
        sign = "&";
      }
    }
    Map<String, String> headers = new LinkedHashMap<>();
    if (!e.path().equals("/api/session")) {
      headers.put("Cookie", own.keeper.cookies());
      headers.put("X-XSRF-TOKEN", own.keeper.token().orElse(""));
    }
    headers.put(
        "Accept", what == 2 ? ACCEPTS.get(dice.nextInt(ACCEPTS.size())) : "application/json");
    if (dice.nextInt(3) > 0) {
      headers.put(
          "If-Match",
          List.of("\"1\"", "*", "", "\"x\"", "9".repeat(400), "W/\"0\"").get(dice.nextInt(6)));
    }
    byte[] body = new byte[0];
    JsonNode schema = e.of().at("/requestBody/content/application~1json/schema");
    if (!e.method().equals("GET") && dice.nextInt(12) > 0) {
      headers.put(
          "Content-Type", what == 3 ? TYPES.get(dice.nextInt(TYPES.size())) : "application/json");
      JsonNode whole = sample.of(schema);
      String text =
          what > 3 && what < 9
              ? sample.spoilt(whole)
              : JsonMapper.shared().writeValueAsString(whole);
      body = text.getBytes(what == 9 ? StandardCharsets.UTF_16 : StandardCharsets.UTF_8);
    }
    boolean leaves =
        method.equals("DELETE") && e.path().endsWith("session") || e.path().endsWith("/sessions");
    return new Ask(leaves ? "GET" : method, target.toString(), headers, body);
  }

  /** With ids of what is there; never of what is to be taken away, which others are asked about. */
  private String filled(String path, boolean oddly, boolean away, Random dice) {
    StringBuilder out = new StringBuilder();
    for (String piece : path.substring(1).split("/")) {
      out.append('/');
      if (!piece.startsWith("{")) {
        out.append(oddly && dice.nextInt(6) == 0 ? PIECES.get(dice.nextInt(PIECES.size())) : piece);
      } else if (oddly) {
        out.append(PIECES.get(dice.nextInt(PIECES.size())));
      } else {
        if (piece.equals("{at}")) {
          out.append("2026-01-11T0").append(dice.nextInt(10)).append(":00:00Z");
          continue;
        }
        UUID known = ids.get(piece.substring(1, piece.length() - 1));
        boolean last = path.endsWith(piece) && away;
        out.append(known == null || last || dice.nextInt(15) == 0 ? UUID.randomUUID() : known);
      }
    }
    return out.toString();
  }
}
