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
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A weather service on loopback with invented weather, hour by hour:
 *
 * <pre>GET /hourly?latitude=57.2&amp;longitude=-3.5&amp;from=2026-01-30T15:00:00Z&amp;hours=36
 * </pre>
 *
 * answers with a point series in CoverageJSON (OGC 21-069r2): air temperature (Cel), wind speed
 * (km/h), cloud (%), dew point (K); with {@code &format=csv} as hours in CSV. Faults are switched
 * on by {@code POST /fault?kind=none|slow|down|wrong|half|huge}.
 */
public final class ForecastService implements AutoCloseable {
  private static final int MOST_HOURS = 240;
  private static final long SEED = 20_494_741;

  private final HttpServer server;
  private final AtomicInteger asked = new AtomicInteger();
  private final AtomicInteger answered = new AtomicInteger();
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

  /** Where it is asked, with places for what is asked for. */
  public String address() {
    return "http://127.0.0.1:"
        + server.getAddress().getPort()
        + "/hourly?latitude={latitude}&longitude={longitude}&from={from}&hours={hours}";
  }

  public void fault(Fault next) {
    fault = next;
  }

  /** How often it was asked for weather. */
  public int asked() {
    return asked.get();
  }

  /** How often it came to the end of what it had to say. */
  public int answered() {
    return answered.get();
  }

  private void switchFault(HttpExchange e) throws IOException {
    String kind = query(e).getOrDefault("kind", "none");
    fault = Fault.valueOf(kind.toUpperCase(Locale.ROOT));
    answer(e, 204, "");
  }

  private void hourly(HttpExchange e) throws IOException {
    asked.incrementAndGet();
    told(e);
    answered.incrementAndGet();
  }

  private void told(HttpExchange e) throws IOException {
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
              coverage(
                  List.of("\"soon\"", "\"2026-01-30T16:00:00Z\""),
                  List.of(new Told("air_temperature", "Cel", List.of("\"brass\"", "9999")))));
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
    int known =
        switch (fault) {
          case TEN_HOURS -> Math.min(hours, 10);
          case TWO_DAYS -> Math.min(hours, 48);
          default -> hours;
        };
    List<InventedWeather.Hour> told =
        IntStream.range(0, known)
            .mapToObj(h -> weather.forecast(from.plus(h, ChronoUnit.HOURS), h))
            .toList();
    if ("csv".equals(q.get("format"))) {
      return told.stream()
          .map(w -> one("%s,%.1f,%.1f\n", w.at(), w.celsius(), w.windMetresPerSecond()))
          .collect(Collectors.joining("", "time,temperature,wind m/s\n", ""));
    }
    return coverage(
        told.stream().map(w -> "\"" + w.at() + "\"").toList(),
        List.of(
            new Told("air_temperature", "Cel", figures(told, w -> w.celsius())),
            new Told("wind_speed", "km/h", figures(told, w -> 3.6 * w.windMetresPerSecond())),
            new Told("cloud_area_fraction", "%", figures(told, w -> 100 * w.cloud())),
            new Told("dew_point_temperature", "K", figures(told, w -> w.dewPoint() + 273.15))));
  }

  private static String one(String form, Object... of) {
    return String.format(Locale.ROOT, form, of);
  }

  private static List<String> figures(
      List<InventedWeather.Hour> of, ToDoubleFunction<InventedWeather.Hour> figure) {
    return of.stream().map(w -> one("%.2f", figure.applyAsDouble(w))).toList();
  }

  /** One of its series. */
  private record Told(String name, String unit, List<String> values) {}

  private static String coverage(List<String> times, List<Told> series) {
    String parameters =
        series.stream()
            .map(
                t ->
                    one(
                        "\"%s\":{\"type\":\"Parameter\",\"observedProperty\":{\"label\":{\"en\":\"%s\"}},"
                            + "\"unit\":{\"symbol\":{\"value\":\"%s\",\"type\":\"http://www.opengis.net/def/uom/UCUM/\"}}}",
                        t.name(), t.name().replace('_', ' '), t.unit()))
            .collect(Collectors.joining(","));
    String ranges =
        series.stream()
            .map(
                t ->
                    one(
                        "\"%s\":{\"type\":\"NdArray\",\"dataType\":\"float\",\"axisNames\":[\"t\"],"
                            + "\"shape\":[%d],\"values\":[%s]}",
                        t.name(), t.values().size(), String.join(",", t.values())))
            .collect(Collectors.joining(","));
    return one(
        "{\"type\":\"Coverage\",\"domain\":{\"type\":\"Domain\",\"domainType\":\"PointSeries\","
            + "\"axes\":{\"t\":{\"values\":[%s]}}},\"parameters\":{%s},\"ranges\":{%s}}",
        String.join(",", times), parameters, ranges);
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
    e.getResponseHeaders()
        .set(
            "Content-Type",
            json.startsWith("time,") ? "text/csv" : "application/prs.coverage+json");
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
