package nightbank.standins.logger;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;

/**
 * A logger with several channels on a store that it simulates itself (a core and a shell, warmed by
 * day), speaking SenML over HTTP with a token. What was measured waits until it is acknowledged.
 * Seeded, with faults to switch on.
 */
public final class LoggerDevice implements AutoCloseable {
  private static final int PACK = 40; // measurements in a pack
  private static final double CORE = 4.0e5; // J/K
  private static final double SHELL = 2.5e5;
  private static final double BETWEEN = 9; // W/K
  private static final double OUT = 5;

  private final URI address;
  private final String token;
  private final HttpClient client =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
  private final Deque<String> waiting = new ArrayDeque<>();
  private final Set<Fault> faults = EnumSet.noneOf(Fault.class);
  private List<String> channels = List.of("core", "edge");
  private String prefix = "";
  private long at;
  private Random random = new Random(1);
  private double core = 22;
  private double shell = 14;
  private double drift;
  private int measured;
  private int acknowledged;

  /** What can go wrong with a logger. */
  public enum Fault {
    /** A third of the measurements never come about. */
    DROPOUT,
    /** Every channel stays at its first value. */
    STUCK,
    /** Now and then -127 or 85. */
    FAULT_VALUES,
    /** A twentieth of a kelvin more every minute. */
    DRIFT,
    /** Two hours ahead. */
    WRONG_CLOCK,
    /** Nothing is sent for hours, then all of it at once. */
    BURSTS,
    /** The channels' names change places half way. */
    SWAPPED
  }

  private LoggerDevice(String address, String token) {
    this.address = URI.create(address + "/api/devices/readings");
    this.token = token;
  }

  public static LoggerDevice sendingTo(String address, String token) {
    return new LoggerDevice(address, token);
  }

  public LoggerDevice channels(String commonPrefix, String... names) {
    prefix = commonPrefix;
    channels = List.of(names);
    return this;
  }

  public LoggerDevice startingAt(long epochSecond, long seed) {
    at = epochSecond;
    random = new Random(seed);
    return this;
  }

  public LoggerDevice faults(Fault... more) {
    faults.addAll(List.of(more));
    return this;
  }

  public int measured() {
    return measured;
  }

  public int acknowledged() {
    return acknowledged;
  }

  /** Measures for so many minutes of its own time, sending as it goes; returns when done. */
  public void run(int minutes) throws InterruptedException {
    double firstCore = core;
    double firstShell = shell;
    for (int m = 0; m < minutes; m++) {
      step();
      if (faults.contains(Fault.DROPOUT) && random.nextInt(3) == 0) {
        continue;
      }
      boolean stuck = faults.contains(Fault.STUCK);
      measure(m, minutes, 0, stuck ? firstCore : core);
      measure(m, minutes, 1, stuck ? firstShell : shell);
      boolean silent = faults.contains(Fault.BURSTS) && m < minutes - 1;
      if (!silent && (waiting.size() >= PACK || m == minutes - 1)) {
        send();
      }
    }
  }

  private void step() {
    double hour = at % 86_400 / 3600.0;
    double heat = hour > 9 && hour < 14 ? 700 : 0;
    double air = 6 + 4 * Math.sin((hour - 9) / 24 * 2 * Math.PI);
    double flow = BETWEEN * (core - shell);
    core += 60 * (heat - flow) / CORE;
    shell += 60 * (flow - OUT * (shell - air)) / SHELL;
    drift += faults.contains(Fault.DRIFT) ? 0.05 : 0;
    at += 60;
  }

  private void measure(int minute, int minutes, int channel, double truth) {
    if (channel >= channels.size()) {
      return;
    }
    double value = truth + drift + 0.1 * random.nextGaussian();
    if (faults.contains(Fault.FAULT_VALUES) && random.nextInt(40) == 0) {
      value = random.nextBoolean() ? -127 : 85;
    }
    boolean swapped = faults.contains(Fault.SWAPPED) && minute > minutes / 2;
    String name = channels.get(swapped ? (channel + 1) % channels.size() : channel);
    long stamp = at + (faults.contains(Fault.WRONG_CLOCK) ? 7200 : 0);
    waiting.add(
        String.format(
            Locale.ROOT,
            "{\"n\":\"%s%s\",\"u\":\"Cel\",\"t\":%d,\"v\":%.2f}",
            prefix,
            name,
            stamp,
            value));
    measured++;
  }

  /** Sends what waits, pack by pack; what is not acknowledged stays. */
  private void send() throws InterruptedException {
    while (!waiting.isEmpty()) {
      List<String> pack = new ArrayList<>();
      waiting.stream().limit(500).forEach(pack::add);
      try {
        HttpResponse<String> answer =
            client.send(
                HttpRequest.newBuilder(address)
                    .timeout(Duration.ofSeconds(10))
                    .header("Content-Type", "application/senml+json")
                    .header("Authorization", "Bearer " + token)
                    .POST(HttpRequest.BodyPublishers.ofString("[" + String.join(",", pack) + "]"))
                    .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
          return;
        }
      } catch (IOException e) {
        return;
      }
      for (int i = 0; i < pack.size(); i++) {
        waiting.remove();
      }
      acknowledged += pack.size();
    }
  }

  @Override
  public void close() {
    waiting.clear();
  }
}
