package nightbank.standins.croft;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import nightbank.standins.croft.LoggerFile.Dialect;
import nightbank.standins.croft.LoggerFile.Fault;

/**
 * Quernstone Croft, an invented holding: three January weeks of it, simulated by equations and
 * numbers of its own, so that what reads its files cannot find itself in them. Same seed, same
 * files.
 */
public final class Croft {
  private static final long SEED = 570_280;
  private static final int STEP = 30;
  private static final Instant LOGGED_FROM = Instant.parse("2026-01-09T00:00:00Z");
  private static final Instant DOOR_OPENED = Instant.parse("2026-01-20T16:25:00Z");
  private static final Instant DOOR_SHUT = Instant.parse("2026-01-21T07:15:00Z");

  private final Winter winter = new Winter(SEED);
  private final LeanTo house = new LeanTo(8);
  private final SandBin bin = new SandBin(26);
  private final WaterColumns columns = new WaterColumns(9);
  private final FlueBench bench = new FlueBench(13);
  private final Heap heap = new Heap(54);
  private final List<String> events = new ArrayList<>();
  private final List<String> truth = new ArrayList<>();
  private double fireLitAt = Double.NEGATIVE_INFINITY;
  private double fireKilograms;
  private boolean element;

  private final LoggerFile binLog =
      new LoggerFile(
          List.of("middle", "half way", "edge", "air beside"),
          0.35,
          SEED + 1,
          fault("2026-01-16T02:10:00Z", "2026-01-16T08:50:00Z", -1, Fault.Kind.MISSING),
          fault("2026-01-17T20:00:00Z", "2026-01-18T11:00:00Z", 2, Fault.Kind.STUCK),
          fault("2026-01-24T03:00:00Z", "2026-01-24T03:30:00Z", 1, Fault.Kind.MISSING));
  private final LoggerFile columnLog =
      new LoggerFile(
          List.of("column low", "column high"),
          0.12,
          SEED + 2,
          fault("2026-01-13T11:20:00Z", "2026-01-13T11:30:00Z", 0, Fault.Kind.POWER_ON_VALUE),
          fault("2026-01-27T06:00:00Z", "2026-01-27T06:10:00Z", 1, Fault.Kind.POWER_ON_VALUE));
  private final LoggerFile benchLog =
      new LoggerFile(
          List.of("bench core", "bench edge"),
          0.2,
          SEED + 3,
          fault("2026-01-19T13:10:00Z", "2026-01-19T13:30:00Z", 0, Fault.Kind.OPEN_CIRCUIT),
          fault("2026-01-28T09:00:00Z", "2026-01-28T12:20:00Z", 1, Fault.Kind.MISSING));
  private final LoggerFile heapLog =
      new LoggerFile(List.of("heap core", "heap shell", "outdoors"), 0.15, SEED + 4);

  private static Fault fault(String from, String to, int channel, Fault.Kind kind) {
    return new Fault(Instant.parse(from), Instant.parse(to), channel, kind);
  }

  /**
   * Writes the croft's description, its loggers' files and its events into a folder, and beside
   * them the true means of its stores, which no logger sees.
   */
  public static void main(String[] args) throws IOException {
    new Croft().write(Path.of(args[0]));
  }

  /** Writes into a folder, which is made when it is not there. */
  public void write(Path folder) throws IOException {
    Files.createDirectories(folder);
    live();
    binLog.write(folder.resolve("sand-bin.csv"), Dialect.DAY_FIRST_COMMA);
    columnLog.write(folder.resolve("water-columns.txt"), Dialect.MONTH_FIRST_FAHRENHEIT);
    benchLog.write(folder.resolve("stone-bench.csv"), Dialect.ISO_LONG);
    heapLog.write(folder.resolve("heap.csv"), Dialect.EPOCH);
    Files.writeString(
        folder.resolve("events.json"),
        "[\n" + String.join(",\n", events) + "\n]\n",
        StandardCharsets.UTF_8);
    Files.writeString(
        folder.resolve("truth.csv"),
        "time,sand bin,water columns,stone bench\n" + String.join("\n", truth) + "\n",
        StandardCharsets.UTF_8);
    try (InputStream told = Croft.class.getResourceAsStream("croft.json")) {
      Files.copy(told, folder.resolve("croft.json"), StandardCopyOption.REPLACE_EXISTING);
    }
  }

  private void live() {
    event(LOGGED_FROM.plusSeconds(9 * 3600), null, "NOTE", "All four loggers set going.");
    event(
        Instant.parse("2026-01-12T10:30:00Z"),
        "heap",
        "HEAP",
        "Two barrows of mucking-out, one of straw.");
    event(
        Instant.parse("2026-01-22T11:00:00Z"),
        "heap",
        "HEAP",
        "Three barrows of mucking-out, straw, leaves.");
    event(DOOR_OPENED, null, "DOOR", "Barrow out, arms full; pulled the door to behind me.");
    event(DOOR_SHUT, null, "ICE", "Ice on the water dish. Door stood a hand's breadth open.");
    event(
        Instant.parse("2026-01-18T11:05:00Z"),
        "sand-bin",
        "REPAIR",
        "Edge probe had come off its plug.");
    long length = Duration.between(Winter.BEGIN, Winter.END).toSeconds();
    for (long s = 0; s <= length; s += STEP) {
      Instant now = Winter.BEGIN.plusSeconds(s);
      fire(s, now);
      surplus(s);
      double toBench = burning(s) * 0.44;
      bin.step(STEP, house.air(), 6.3, element ? SandBin.TRUE_WATTS : 0);
      columns.step(STEP, house.air(), 6.4, winter.sunOnGlass(s));
      bench.step(STEP, house.air(), 6.6, toBench);
      heap.step(STEP, winter.outdoor(s), freshness(s / 86_400.0));
      boolean ajar = !now.isBefore(DOOR_OPENED) && now.isBefore(DOOR_SHUT);
      double stores = bin.toHouse() + columns.toHouse() + bench.toHouse();
      house.step(STEP, winter, s, stores + burning(s) * 0.16, ajar ? 0.3 : 0);
      if (s % 600 == 0 && !now.isBefore(LOGGED_FROM)) {
        log(now, s);
      }
    }
  }

  private void log(Instant now, double s) {
    binLog.log(now, bin.at(0.08, 0.5), bin.at(0.5, 0.5), bin.at(0.9, 0.5), house.air());
    columnLog.log(now, columns.at(0.2), columns.at(0.8));
    benchLog.log(now, bench.at(0.1, 0.7), bench.at(0.85, 0.5));
    heapLog.log(now, heap.at(0.1), heap.at(0.7), winter.outdoor(s));
    truth.add(
        String.format(
            Locale.ROOT, "%s,%.2f,%.2f,%.2f", now, bin.mean(), columns.mean(), bench.mean()));
  }

  /** Lit at half past four when the coming night looks cold; the last evening is still to come. */
  private void fire(long s, Instant now) {
    if (s % 86_400 != 59_400) {
      return;
    }
    double coming = winter.outdoor(s + 13.5 * 3600);
    if (coming < 0) {
      fireLitAt = s;
      fireKilograms = coming < -4 ? 8 : 6;
      event(
          now,
          "stone-bench",
          "FIRE_LIT",
          "Split birch, two years dry.",
          String.format(Locale.ROOT, "%.1f, \"moisture\": 0.18", fireKilograms));
    }
  }

  /** Heat of the fire, W: rises over three quarters of an hour and dies away. */
  private double burning(double s) {
    double since = s - fireLitAt;
    double slow = 2700;
    return since < 0 || since > 12 * slow
        ? 0
        : fireKilograms * 15.1e6 * since / (slow * slow) * Math.exp(-since / slow);
  }

  /** The element runs at midday while the sun gives more than the batteries take. */
  private void surplus(long s) {
    double sun = winter.sunOnGlass(s);
    double hour = s % 86_400 / 3600.0;
    boolean midday = hour > 9.7 && hour < 14.9;
    double core = bin.at(0.08, 0.42);
    element = midday && core < 450 && sun > (element ? 210 : 260);
  }

  private static double freshness(double day) {
    double fed = 0.75 * Math.exp(-day / 16);
    fed += day > 4.4 ? 0.25 * Math.exp(-(day - 4.4) / 14) : 0;
    fed += day > 14.5 ? 0.4 * Math.exp(-(day - 14.5) / 14) : 0;
    return fed;
  }

  private void event(Instant at, String store, String kind, String note) {
    event(at, store, kind, note, "null");
  }

  private void event(Instant at, String store, String kind, String note, String amount) {
    UUID id = UUID.nameUUIDFromBytes((at + kind).getBytes(StandardCharsets.UTF_8));
    events.add(
        String.format(
            Locale.ROOT,
            "  {\"id\": \"%s\", \"at\": \"%s\", \"store\": %s, \"kind\": \"%s\", \"note\": \"%s\", \"amount\": %s}",
            id,
            at,
            store == null ? "null" : '"' + store + '"',
            kind,
            note,
            amount));
  }
}
