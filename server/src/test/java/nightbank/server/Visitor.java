package nightbank.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.UUID;
import org.awaitility.Awaitility;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Somebody at the other end of HTTP, with cookies and the CSRF token as a browser has them; every
 * answer is held against what openapi.json says of it.
 */
public final class Visitor {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final String address;
  private final CookieManager cookies;
  private final HttpClient client;

  public Visitor(Program program) {
    this(program.address());
  }

  public Visitor(String address) {
    this(address, new CookieManager());
  }

  private Visitor(String address, CookieManager cookies) {
    this.address = address;
    this.cookies = cookies;
    client = HttpClient.newBuilder().cookieHandler(cookies).build();
  }

  /** Somebody else at the same door. */
  public Visitor stranger() {
    return new Visitor(address);
  }

  /** The same person with the same cookies at another door of the house. */
  public Visitor at(String other) {
    return new Visitor(other, cookies);
  }

  /** What came back. */
  public record Answer(int status, JsonNode body, String etag) {
    public String code() {
      return body.path("code").asString("");
    }
  }

  /** Makes a keeper with a holding, whatever has been made before. */
  public static Visitor keeper(Program program, String login) {
    Visitor v = new Visitor(program);
    if (v.get("/api/me").body().path("beginNeeded").asBoolean()) {
      v.post(
          "/api/setup",
          """
          {"code":"%s","login":"first","name":"First","password":"three plain words",
           "holding":{"name":"First holding","latitude":57,"longitude":-3,"zone":"Europe/London"}}
          """
              .formatted(program.setupCode()));
    }
    if (!login.equals("first")) {
      program
          .bean(nightbank.server.account.Accounts.class)
          .create(login, login, "three plain words");
    }
    v.signIn(login);
    return v;
  }

  public Answer signIn(String login) {
    return post("/api/session", "{\"login\":\"" + login + "\",\"password\":\"three plain words\"}");
  }

  public UUID newHolding(String name) {
    return newHolding(name, 57.3);
  }

  public UUID newHolding(String name, double latitude) {
    return UUID.fromString(
        post(
                "/api/holdings",
                "{\"name\":\"%s\",\"latitude\":%s,\"longitude\":-3.4,\"zone\":\"Europe/London\"}"
                    .formatted(name, latitude))
            .body()
            .path("id")
            .asString());
  }

  /** Asks as a page does: for what is still being judged, again. */
  public Answer get(String path) {
    return Awaitility.await()
        .atMost(Duration.ofMinutes(2))
        .until(() -> send(request(path).GET()), a -> !a.code().equals("being-judged"));
  }

  /** What goes on coming, as it comes. */
  public java.io.InputStream stream(String path) {
    try {
      return client
          .send(request(path).GET().build(), HttpResponse.BodyHandlers.ofInputStream())
          .body();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** A file that is handed out. */
  public byte[] bytes(String path) {
    return bytes(request(path).GET());
  }

  public byte[] postForBytes(String path, String json) {
    return bytes(
        request(path)
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json)));
  }

  private byte[] bytes(HttpRequest.Builder request) {
    try {
      return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray()).body();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  public Answer post(String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json)));
  }

  public Answer put(String path, String ifMatch, String json) {
    HttpRequest.Builder r =
        request(path)
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(json));
    return send(ifMatch == null ? r : r.header("If-Match", ifMatch));
  }

  public Answer putBytes(String path, byte[] content) {
    return send(
        request(path)
            .header("Content-Type", "application/octet-stream")
            .PUT(HttpRequest.BodyPublishers.ofByteArray(content)));
  }

  /** As a logger sends: with its token and nothing else. */
  public Answer pack(String token, String senMl) {
    return send(
        HttpRequest.newBuilder(URI.create(address + "/api/devices/readings"))
            .header("Content-Type", "application/senml+json")
            .header("Authorization", "Bearer " + token)
            .POST(HttpRequest.BodyPublishers.ofString(senMl)));
  }

  public Answer delete(String path) {
    return send(request(path).DELETE());
  }

  public Answer upload(String path, String name, byte[] content) {
    String edge = "edge" + UUID.randomUUID();
    byte[] head =
        ("--"
                + edge
                + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
                + name
                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
            .getBytes(StandardCharsets.UTF_8);
    byte[] tail = ("\r\n--" + edge + "--\r\n").getBytes(StandardCharsets.UTF_8);
    return send(
        request(path)
            .header("Content-Type", "multipart/form-data; boundary=" + edge)
            .POST(HttpRequest.BodyPublishers.ofByteArrays(java.util.List.of(head, content, tail))));
  }

  private HttpRequest.Builder request(String path) {
    HttpRequest.Builder r = HttpRequest.newBuilder(URI.create(address + path));
    token().ifPresent(t -> r.header("X-XSRF-TOKEN", t));
    return r;
  }

  /** All its cookies as a header has them. */
  public String cookies() {
    return cookies.getCookieStore().getCookies().stream()
        .map(c -> c.getName() + "=" + c.getValue())
        .collect(java.util.stream.Collectors.joining("; "));
  }

  public java.util.Optional<String> token() {
    return cookies.getCookieStore().getCookies().stream()
        .filter(c -> c.getName().equals("XSRF-TOKEN"))
        .map(java.net.HttpCookie::getValue)
        .findFirst();
  }

  private Answer send(HttpRequest.Builder request) {
    try {
      if (token().isEmpty()) {
        client.send(
            HttpRequest.newBuilder(URI.create(address + "/api/me")).build(),
            HttpResponse.BodyHandlers.discarding());
        token().ifPresent(t -> request.setHeader("X-XSRF-TOKEN", t));
      }
      var answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
      String text = answer.body();
      JsonNode body =
          text.isEmpty() || "{[".indexOf(text.charAt(0)) < 0
              ? JSON.createObjectNode()
              : JSON.readTree(text);
      Contract.holds(
          answer.request().method(),
          answer.request().uri().getRawPath(),
          answer.statusCode(),
          body);
      return new Answer(
          answer.statusCode(), body, answer.headers().firstValue("ETag").orElse(null));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** The same visitor without the CSRF token, as another page would send. */
  public int postWithoutToken(String path, String json) {
    try {
      return client
          .send(
              HttpRequest.newBuilder(URI.create(address + path))
                  .header("Content-Type", "application/json")
                  .POST(HttpRequest.BodyPublishers.ofString(json))
                  .build(),
              HttpResponse.BodyHandlers.discarding())
          .statusCode();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
