package nightbank.standins.logger;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
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
 * A logger with several channels on a store that it simulates itself, speaking SenML over HTTP with
 * a token. What was measured waits until it is acknowledged. Seeded, with faults to switch on. One
 * that follows has no clock: it tells how long ago it measured.
 */
public final class LoggerDevice implements AutoCloseable {
  private static final int PACK = 40; // measurements in a pack
  private static final int PACE = 15; // s between measurements of one that follows
  private static final int SWAP_AFTER = 240; // measurements, twice
  private static final int KEPT = 5000; // measurements that wait at most

  private final URI address;
  private final String token;
  private final HttpClient client =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
  private final Deque<Measured> waiting = new ArrayDeque<>();
  private final Set<Fault> faults = EnumSet.noneOf(Fault.class);
  private List<String> channels = List.of("core", "edge");
  private String prefix = "";
  private long at;
  private Random random = new Random(1);
  private Body body = new CoreAndShell();
  private double drift;
  private boolean clockless;
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

  private record Measured(String name, long at, double celsius) {}

  /**
   * Follows a heap's loop until it is ended.
   *
   * @param args address of the program, file with the token, names of faults
   */
  public static void main(String[] args) throws IOException, InterruptedException {
    String token = Files.readString(Path.of(args[1])).strip();
    try (LoggerDevice logger =
        sendingTo(args[0], token).at(new HeapLoop()).channels("heaploop:", "in", "out")) {
      for (int i = 2; i < args.length; i++) {
        logger.faults(Fault.valueOf(args[i].toUpperCase(Locale.ROOT)));
      }
      logger.follow(Integer.MAX_VALUE, PACE * 1000L);
    }
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

  public LoggerDevice at(Body other) {
    body = other;
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
    double firstCore = body.at(0);
    double firstShell = body.at(1);
    for (int m = 0; m < minutes; m++) {
      step();
      if (faults.contains(Fault.DROPOUT) && random.nextInt(3) == 0) {
        continue;
      }
      boolean stuck = faults.contains(Fault.STUCK);
      measure(m, minutes, 0, stuck ? firstCore : body.at(0));
      measure(m, minutes, 1, stuck ? firstShell : body.at(1));
      boolean silent = faults.contains(Fault.BURSTS) && m < minutes - 1;
      if (!silent && (waiting.size() >= PACK || m == minutes - 1)) {
        send();
      }
    }
  }

  /** Measures and sends as real time goes, so often, with ages for times. */
  public void follow(int times, long paceMillis) throws InterruptedException {
    clockless = true;
    for (int n = 0; n < times; n++) {
      body.step(PACE, 16);
      at = System.nanoTime() / 1_000_000_000;
      if (!faults.contains(Fault.DROPOUT) || random.nextInt(3) > 0) {
        measure(n, SWAP_AFTER, 0, body.at(0));
        measure(n, SWAP_AFTER, 1, body.at(1));
      }
      while (waiting.size() > KEPT) {
        waiting.remove();
      }
      if (!faults.contains(Fault.BURSTS) || waiting.size() >= PACK) {
        send();
      }
      if (n < times - 1) {
        Thread.sleep(paceMillis);
      }
    }
  }

  private void step() {
    body.step(60, at % 86_400 / 3600.0);
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
    waiting.add(new Measured(prefix + name, stamp, value));
    measured++;
  }

  /** Sends what waits, pack by pack; what is not acknowledged stays. */
  private void send() throws InterruptedException {
    while (!waiting.isEmpty()) {
      long zero = clockless ? System.nanoTime() / 1_000_000_000 : 0;
      List<String> pack = new ArrayList<>();
      waiting.stream().limit(500).forEach(m -> pack.add(record(m, zero)));
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

  private static String record(Measured m, long zero) {
    return String.format(
        Locale.ROOT,
        "{\"n\":\"%s\",\"u\":\"Cel\",\"t\":%d,\"v\":%.2f}",
        m.name(),
        m.at() - zero,
        m.celsius());
  }

  @Override
  public void close() {
    waiting.clear();
  }
}
