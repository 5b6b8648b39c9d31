package nightbank.standins.forecast;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Executors;

/**
 * A weather service on loopback with invented weather, hour by hour:
 *
 * <pre>GET /hourly?latitude=57.2&amp;longitude=-3.5&amp;from=2026-01-30T15:00:00Z&amp;hours=36
 * </pre>
 *
 * answers {@code {"issued": …, "hours": [{"at", "celsius", "wind", "cloud", "dewPoint"}]}}. Faults
 * are switched on by {@code POST /fault?kind=none|slow|down|wrong|half|huge}.
 */
public final class ForecastService implements AutoCloseable {
  private static final int MOST_HOURS = 240;
  private static final long SEED = 20_494_741;

  private final HttpServer server;
  private volatile Fault fault = Fault.NONE;

  /** What can go wrong with a service. */
  public enum Fault {
    NONE,
    /** Answers after ten seconds. */
    SLOW,
    /** Answers 503. */
    DOWN,
    /** Answers with values no weather has, and words where numbers belong. */
    WRONG,
    /** Knows the next ten hours. */
    TEN_HOURS,
    /** Knows two days. */
    TWO_DAYS,
    /** Answers without end. */
    HUGE
  }

  public ForecastService(int port) throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), port), 20);
    server.setExecutor(Executors.newFixedThreadPool(4, ForecastService::daemon));
    server.createContext("/hourly", this::hourly);
    server.createContext("/fault", this::switchFault);
    server.start();
  }

  private static Thread daemon(Runnable work) {
    Thread t = new Thread(work, "forecast");
    t.setDaemon(true);
    return t;
  }

  public static void main(String[] args) throws IOException {
    try (ForecastService service = new ForecastService(Integer.parseInt(args[0]))) {
      System.out.println("forecast stand-in on " + service.address());
      Thread.currentThread().join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  public void fault(Fault next) {
    fault = next;
  }

  private void switchFault(HttpExchange e) throws IOException {
    String kind = query(e).getOrDefault("kind", "none");
    fault = Fault.valueOf(kind.toUpperCase(Locale.ROOT));
    answer(e, 204, "");
  }

  private void hourly(HttpExchange e) throws IOException {
    try {
      switch (fault) {
        case SLOW ->
            new java.util.concurrent.CountDownLatch(1)
                .await(10, java.util.concurrent.TimeUnit.SECONDS);
        case DOWN -> {
          answer(e, 503, "{}");
          return;
        }
        case WRONG -> {
          answer(
              e,
              200,
              "{\"issued\":\"today\",\"hours\":[{\"at\":\"soon\",\"celsius\":\"brass\"},"
                  + "{\"at\":\"2026-01-30T16:00:00Z\",\"celsius\":9999}]}");
          return;
        }
        case HUGE -> {
          e.sendResponseHeaders(200, 0);
          byte[] much = " ".repeat(1 << 16).getBytes(StandardCharsets.US_ASCII);
          for (int i = 0; i < 4096; i++) {
            e.getResponseBody().write(much);
          }
          e.close();
          return;
        }
        default -> {}
      }
      Map<String, String> q = query(e);
      answer(e, 200, body(q));
    } catch (RuntimeException wrong) {
      answer(e, 400, "{}");
    } catch (InterruptedException stop) {
      Thread.currentThread().interrupt();
    }
  }

  private String body(Map<String, String> q) {
    InventedWeather weather =
        new InventedWeather(
            SEED, Double.parseDouble(q.get("latitude")), Double.parseDouble(q.get("longitude")));
    Instant from = Instant.parse(q.get("from")).truncatedTo(ChronoUnit.HOURS);
    int hours = Math.min(MOST_HOURS, Integer.parseInt(q.getOrDefault("hours", "48")));
    StringBuilder out = new StringBuilder("{\"issued\":\"" + from + "\",\"hours\":[");
    int known =
        switch (fault) {
          case TEN_HOURS -> Math.min(hours, 10);
          case TWO_DAYS -> Math.min(hours, 48);
          default -> hours;
        };
    for (int h = 0; h < known; h++) {
      InventedWeather.Hour w = weather.forecast(from.plus(h, ChronoUnit.HOURS), h);
      out.append(h == 0 ? "" : ",")
          .append(
              String.format(
                  Locale.ROOT,
                  "{\"at\":\"%s\",\"celsius\":%.1f,\"wind\":%.1f,\"cloud\":%.2f,\"dewPoint\":%.1f}",
                  w.at(),
                  w.celsius(),
                  w.windMetresPerSecond(),
                  w.cloud(),
                  w.dewPoint()));
    }
    return out.append("]}").toString();
  }

  private static Map<String, String> query(HttpExchange e) {
    Map<String, String> q = new HashMap<>();
    String raw = e.getRequestURI().getQuery();
    for (String pair : raw == null ? new String[0] : raw.split("&")) {
      int at = pair.indexOf('=');
      if (at > 0) {
        q.put(pair.substring(0, at), pair.substring(at + 1));
      }
    }
    return q;
  }

  private static void answer(HttpExchange e, int status, String json) throws IOException {
    byte[] bytes = json.getBytes(StandardCharsets.UTF_8);
    e.getResponseHeaders().set("Content-Type", "application/json");
    e.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
    if (bytes.length > 0) {
      e.getResponseBody().write(bytes);
    }
    e.close();
  }

  @Override
  public void close() {
    server.stop(0);
  }
}
