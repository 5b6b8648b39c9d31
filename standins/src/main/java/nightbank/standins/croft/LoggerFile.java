package nightbank.standins.croft;

import java.io.IOException;
import java.io.Writer;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** A logger with its own habits: sensor scatter and bias, resolution, faults, gaps, dialect. */
final class LoggerFile {
  /** How a logger writes. */
  enum Dialect {
    /** Semicolons, decimal comma, day first, date and time apart. */
    DAY_FIRST_COMMA,
    /** Tabs, month first, twelve hours, Fahrenheit. */
    MONTH_FIRST_FAHRENHEIT,
    /** Commas, ISO time with its offset, one row a reading. */
    ISO_LONG,
    /** Commas, seconds since 1970. */
    EPOCH
  }

  /** A stretch in which one channel (or all: -1) misbehaves. */
  record Fault(Instant from, Instant to, int channel, Kind kind) {
    enum Kind {
      MISSING,
      STUCK,
      OPEN_CIRCUIT,
      POWER_ON_VALUE
    }

    boolean covers(Instant at, int of) {
      return !at.isBefore(from) && at.isBefore(to) && (channel < 0 || channel == of);
    }
  }

  private final List<String> channels;
  private final double scatter;
  private final List<Fault> faults;
  private final Random dice;
  private final double[] bias;
  private final double[] last;
  private final List<Instant> times = new ArrayList<>();
  private final List<double[]> rows = new ArrayList<>();

  LoggerFile(List<String> channels, double scatter, long seed, Fault... faults) {
    this.channels = channels;
    this.scatter = scatter;
    this.faults = List.of(faults);
    dice = new Random(seed);
    bias = dice.doubles(channels.size(), -0.35, 0.35).toArray();
    last = new double[channels.size()];
  }

  void log(Instant at, double... truth) {
    if (faults.stream().anyMatch(f -> f.channel() < 0 && f.covers(at, 0))) {
      return;
    }
    double[] row = new double[truth.length];
    for (int i = 0; i < truth.length; i++) {
      double read = truth[i] + bias[i] + scatter * dice.nextGaussian();
      row[i] = Math.round(read * 10) / 10.0;
      for (Fault f : faults) {
        if (f.covers(at, i)) {
          row[i] =
              switch (f.kind()) {
                case MISSING -> Double.NaN;
                case STUCK -> last[i];
                case OPEN_CIRCUIT -> -127;
                case POWER_ON_VALUE -> 85;
              };
        }
      }
      last[i] = row[i];
    }
    times.add(at);
    rows.add(row);
  }

  void write(Path file, Dialect dialect) throws IOException {
    Charset charset =
        Charset.forName(dialect == Dialect.DAY_FIRST_COMMA ? "windows-1252" : "UTF-8");
    try (Writer out = Files.newBufferedWriter(file, charset)) {
      switch (dialect) {
        case DAY_FIRST_COMMA -> dayFirst(out);
        case MONTH_FIRST_FAHRENHEIT -> fahrenheit(out);
        case ISO_LONG -> isoLong(out);
        case EPOCH -> epoch(out);
      }
    }
  }

  private void dayFirst(Writer out) throws IOException {
    DateTimeFormatter form =
        DateTimeFormatter.ofPattern("dd.MM.yyyy;HH:mm", Locale.ROOT).withZone(ZoneOffset.UTC);
    out.write("Logger 3, channel list follows\r\nDate;Time");
    for (String channel : channels) {
      out.write(";" + channel + " [°C]");
    }
    out.write("\r\n");
    for (int i = 0; i < rows.size(); i++) {
      out.write(form.format(times.get(i)));
      for (double v : rows.get(i)) {
        out.write(";" + (Double.isNaN(v) ? "--" : Double.toString(v).replace('.', ',')));
      }
      out.write("\r\n");
    }
  }

  private void fahrenheit(Writer out) throws IOException {
    DateTimeFormatter form =
        DateTimeFormatter.ofPattern("MM/dd/yyyy hh:mm:ss a", Locale.US).withZone(ZoneOffset.UTC);
    out.write("Time");
    for (String channel : channels) {
      out.write("\t" + channel + " (°F)");
    }
    out.write("\n");
    for (int i = 0; i < rows.size(); i++) {
      out.write(form.format(times.get(i)));
      for (double v : rows.get(i)) {
        out.write("\t" + (Double.isNaN(v) ? "" : Math.round((v * 1.8 + 32) * 10) / 10.0));
      }
      out.write("\n");
    }
  }

  private void isoLong(Writer out) throws IOException {
    out.write("time,channel,value °C\n");
    for (int i = 0; i < rows.size(); i++) {
      for (int k = 0; k < channels.size(); k++) {
        double v = rows.get(i)[k];
        if (!Double.isNaN(v)) {
          out.write(times.get(i) + "," + channels.get(k) + "," + v + "\n");
        }
      }
    }
  }

  private void epoch(Writer out) throws IOException {
    out.write("seconds," + String.join(",", channels) + "\n");
    for (int i = 0; i < rows.size(); i++) {
      out.write(Long.toString(times.get(i).getEpochSecond()));
      for (double v : rows.get(i)) {
        out.write("," + (Double.isNaN(v) ? "nan" : Double.toString(v)));
      }
      out.write("\n");
    }
  }
}
