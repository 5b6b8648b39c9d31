package nightbank.server.loggerfile.internal;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.FileMapping.TimeForm;
import nightbank.server.loggerfile.FileMapping.Use;
import nightbank.server.loggerfile.FileMappingBuilder;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;

/** Guesses alphabet, separator, heading, times, units and columns from the first rows. */
final class DialectGuess {
  static final int LOOK_BYTES = 256 * 1024;
  private static final int LOOK_ROWS = 400;
  private static final char[] DELIMITERS = {'\t', ';', ',', '|'};
  private static final Pattern FAHRENHEIT =
      Pattern.compile(
          "(°\\s*f\\b|\\bdeg\\s*f\\b|[(\\[_ ]f[)\\]]?$|fahrenheit)", Pattern.CASE_INSENSITIVE);
  private static final Pattern UNIT =
      Pattern.compile(
          "[\\[(]?\\s*(°\\s*[cf]|deg\\s*[cf]|celsius|fahrenheit)\\s*[\\])]?|[_ ][cf]$",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern TIME_NAME =
      Pattern.compile("time|date|zeit|datum|hora|fecha|heure|when|stamp", Pattern.CASE_INSENSITIVE);
  private static final Pattern AIR_NAME =
      Pattern.compile("\\b(air|ambient|luft|outside|room)\\b", Pattern.CASE_INSENSITIVE);
  private static final Pattern CLOCK = Pattern.compile("\\d{1,2}:\\d{2}");
  private static final Pattern DATE = Pattern.compile("\\d{1,4}[-./]\\d{1,2}[-./]\\d{1,4}");

  private final List<List<String>> rows = new ArrayList<>();
  private final List<Long> lines = new ArrayList<>();
  private final Charset charset;
  private final char delimiter;
  private int firstData;

  private DialectGuess(Charset charset, char delimiter) {
    this.charset = charset;
    this.delimiter = delimiter;
  }

  /** A guess with what is unsure about it. */
  record Guess(FileMapping mapping, boolean ambiguousDates, String fingerprint) {}

  /**
   * @param head the first {@link #LOOK_BYTES} of the file, or all of a shorter one
   */
  static Guess of(byte[] head, List<ProbeView> probes, String zone) throws IOException {
    Charset charset = TextFile.charset(head);
    DialectGuess best = null;
    int bestScore = -1;
    for (char d : DELIMITERS) {
      DialectGuess g = new DialectGuess(charset, d);
      int score = g.load(head);
      if (score > bestScore) {
        bestScore = score;
        best = g;
      }
    }
    if (best == null || bestScore <= 0) {
      throw Problem.invalid(
          "file",
          "No rows with a time and a number were found.",
          "The file needs a column of times and at least one of temperatures, separated by comma,"
              + " semicolon, tab or bar.");
    }
    return best.guess(probes, zone);
  }

  /** Number of rows that look like data with as many cells as most. */
  private int load(byte[] head) throws IOException {
    try {
      RowReader.read(
          new ByteArrayInputStream(head),
          charset,
          delimiter,
          (line, cells) -> {
            rows.add(List.copyOf(cells.getFields()));
            lines.add(line);
            return rows.size() < LOOK_ROWS;
          });
    } catch (Problem e) {
      if (rows.isEmpty()) {
        throw e;
      }
    }
    if (rows.size() > 1 && head.length == LOOK_BYTES) {
      rows.remove(rows.size() - 1); // cut by the look
    }
    Map<Integer, Integer> widths = new LinkedHashMap<>();
    rows.forEach(r -> widths.merge(r.size(), 1, Integer::sum));
    int width = 0;
    int most = 0;
    for (var w : widths.entrySet()) {
      if (w.getKey() >= 2 && w.getValue() > most) {
        most = w.getValue();
        width = w.getKey();
      }
    }
    firstData = -1;
    int data = 0;
    for (int i = 0; i < rows.size(); i++) {
      if (rows.get(i).size() == width && looksLikeData(rows.get(i))) {
        firstData = firstData < 0 ? i : firstData;
        data++;
      }
    }
    return data * 10 + (data > 0 ? Math.min(9, width) : 0);
  }

  private static boolean looksLikeData(List<String> row) {
    boolean time = false;
    boolean number = false;
    for (String cell : row) {
      time |= isTime(cell) || isEpoch(cell);
      number |= !isTime(cell) && !isEpoch(cell) && isNumber(cell);
    }
    return time && number;
  }

  private static boolean isTime(String cell) {
    return CLOCK.matcher(cell).find() || DATE.matcher(cell).find();
  }

  private static boolean isEpoch(String cell) {
    String c = cell.strip();
    return c.matches("1\\d{9}(\\.\\d+)?|1\\d{12}");
  }

  private static boolean isNumber(String cell) {
    return cell.length() < 20
        && (!Double.isNaN(NumberReader.read(cell, true))
            || !Double.isNaN(NumberReader.read(cell, false)));
  }

  private Guess guess(List<ProbeView> probes, String zone) {
    List<List<String>> data =
        rows.subList(firstData, rows.size()).stream()
            .filter(r -> r.size() == rows.get(firstData).size() && looksLikeData(r))
            .toList();
    int width = data.get(0).size();
    int heading = heading(width);
    List<String> names = new ArrayList<>();
    for (int i = 0; i < width; i++) {
      names.add(heading < 0 ? "Column " + (i + 1) : rows.get(heading).get(i).strip());
    }
    List<Integer> time = timeColumns(data, width);
    String joined = sample(data, time);
    boolean[] unsure = new boolean[1];
    TimeForm form = form(data, time, joined, unsure);
    boolean comma = decimalComma(data, time);
    int channel = channelColumn(data, names, time, comma);
    List<FileMapping.Column> columns = new ArrayList<>();
    Set<java.util.UUID> taken = new HashSet<>();
    for (int i = 0; i < width; i++) {
      if (time.contains(i) || i == channel) {
        continue;
      }
      boolean counts = isCounter(data, i, names.get(i));
      boolean numeric = !counts && mostlyNumbers(data, i, comma);
      columns.add(
          numeric
              ? column(i, names.get(i), probes, taken)
              : new FileMapping.Column(i, names.get(i), Use.SKIP, null, false));
    }
    Map<String, FileMapping.Channel> channels = new LinkedHashMap<>();
    if (channel >= 0) {
      for (List<String> row : data) {
        String name = row.get(channel).strip();
        if (channels.size() < 100 && !channels.containsKey(name)) {
          var c = column(channel, name, probes, taken);
          channels.put(name, new FileMapping.Channel(c.use(), c.probeId(), c.fahrenheit()));
        }
      }
    }
    if (columns.stream().allMatch(c -> c.use() == Use.SKIP)) {
      throw Problem.invalid(
          "file", "There is no column of temperatures.", "Check the separator and the export.");
    }
    FileMapping mapping =
        FileMappingBuilder.builder()
            .charset(charset.name())
            .delimiter(String.valueOf(delimiter))
            .headingLine(heading < 0 ? 0 : lines.get(heading).intValue())
            .decimalComma(comma)
            .timeForm(form)
            .zone(zone)
            .timeColumns(time)
            .columns(columns)
            .channelColumn(channel)
            .channels(channels)
            .build();
    String mark = charset + "|" + delimiter + "|" + time + "|" + names;
    return new Guess(mapping, unsure[0], fingerprint(mark));
  }

  private int heading(int width) {
    for (int i = firstData - 1; i >= 0 && i >= firstData - 3; i--) {
      if (rows.get(i).size() == width && rows.get(i).stream().noneMatch(DialectGuess::isTime)) {
        return i;
      }
    }
    return -1;
  }

  private static List<Integer> timeColumns(List<List<String>> data, int width) {
    List<String> first = data.get(0);
    int date = -1;
    int clock = -1;
    for (int i = 0; i < width; i++) {
      String cell = first.get(i);
      boolean d = DATE.matcher(cell).find();
      boolean c = CLOCK.matcher(cell).find();
      if (d && c || date < 0 && clock < 0 && isEpoch(cell)) {
        return List.of(i);
      }
      date = d && date < 0 ? i : date;
      clock = c && clock < 0 ? i : clock;
    }
    if (date < 0 || clock < 0) {
      throw Problem.invalid(
          "file",
          "There is no column with both date and time, nor one of each.",
          "Let the logger write the date beside the time.");
    }
    return List.of(date, clock);
  }

  static String sample(List<List<String>> data, List<Integer> time) {
    return join(data.get(0), time);
  }

  static String join(List<String> row, List<Integer> time) {
    StringBuilder b = new StringBuilder();
    for (int i : time) {
      b.append(i < row.size() ? row.get(i).strip() : "").append(' ');
    }
    return b.toString().strip();
  }

  private static TimeForm form(
      List<List<String>> data, List<Integer> time, String first, boolean[] unsure) {
    if (isEpoch(first)) {
      return first.strip().length() >= 13 && !first.contains(".")
          ? TimeForm.EPOCH_MILLIS
          : TimeForm.EPOCH_SECONDS;
    }
    if (first.matches("^\\D*\\d{4}[-./].*")) {
      return TimeForm.YEAR_FIRST;
    }
    boolean overTwelveFirst = false;
    boolean overTwelveSecond = false;
    for (List<String> row : data) {
      String[] n = join(row, time).split("\\D+");
      if (n.length >= 2) {
        overTwelveFirst |= parse(n[0]) > 12;
        overTwelveSecond |= parse(n[1]) > 12;
      }
    }
    unsure[0] = overTwelveFirst == overTwelveSecond;
    if (unsure[0]) {
      return first.contains("/") && first.matches("(?i).*[ap]m.*")
          ? TimeForm.MONTH_FIRST
          : TimeForm.DAY_FIRST;
    }
    return overTwelveSecond ? TimeForm.MONTH_FIRST : TimeForm.DAY_FIRST;
  }

  private static int parse(String digits) {
    return digits.isEmpty() || digits.length() > 6 ? 0 : Integer.parseInt(digits);
  }

  private boolean decimalComma(List<List<String>> data, List<Integer> time) {
    if (delimiter == ',') {
      return data.stream()
          .flatMap(List::stream)
          .anyMatch(c -> c.strip().matches("-?\\d+,\\d+") && !c.contains("."));
    }
    int comma = 0;
    int point = 0;
    for (List<String> row : data) {
      for (int i = 0; i < row.size(); i++) {
        if (!time.contains(i)) {
          String c = row.get(i).strip();
          comma += c.matches("-?\\d+,\\d+\\D*") ? 1 : 0;
          point += c.matches("-?\\d+\\.\\d+\\D*") ? 1 : 0;
        }
      }
    }
    return comma > point;
  }

  private static boolean mostlyNumbers(List<List<String>> data, int column, boolean comma) {
    long numbers =
        data.stream().filter(r -> !Double.isNaN(NumberReader.read(r.get(column), comma))).count();
    return numbers * 3 > data.size();
  }

  private static boolean isCounter(List<List<String>> data, int column, String name) {
    if (name.matches("(?i)^(no\\.?|nr\\.?|#|index|record|sample)$")) {
      return true;
    }
    for (int i = 0; i < Math.min(20, data.size()); i++) {
      if (!data.get(i).get(column).strip().equals(String.valueOf(i + 1))) {
        return false;
      }
    }
    return data.size() > 2;
  }

  private static int channelColumn(
      List<List<String>> data, List<String> names, List<Integer> time, boolean comma) {
    int numeric = 0;
    int wordy = -1;
    for (int i = 0; i < names.size(); i++) {
      if (time.contains(i)) {
        continue;
      }
      if (mostlyNumbers(data, i, comma)) {
        numeric++;
      } else {
        int at = i;
        Set<String> words = new HashSet<>();
        data.forEach(r -> words.add(r.get(at).strip()));
        words.removeIf(w -> w.isEmpty() || w.matches("-+"));
        if (words.size() > 1 && words.size() <= 100 && words.size() * 2 <= data.size()) {
          wordy = i;
        }
      }
    }
    return numeric == 1 ? wordy : -1;
  }

  private static FileMapping.Column column(
      int index, String heading, List<ProbeView> probes, Set<java.util.UUID> taken) {
    boolean fahrenheit = FAHRENHEIT.matcher(heading).find();
    String plain = plainName(heading);
    for (ProbeView p : probes) {
      if (p.name().equalsIgnoreCase(plain) && taken.add(p.id())) {
        return new FileMapping.Column(index, heading, Use.PROBE, p.id(), fahrenheit);
      }
    }
    if (AIR_NAME.matcher(plain).find()) {
      for (ProbeView p : probes) {
        if (p.kind() == ProbeView.Kind.AIR && taken.add(p.id())) {
          return new FileMapping.Column(index, heading, Use.PROBE, p.id(), fahrenheit);
        }
      }
      return new FileMapping.Column(index, heading, Use.NEW_AIR, null, fahrenheit);
    }
    boolean other = TIME_NAME.matcher(plain).find();
    return new FileMapping.Column(
        index, heading, other ? Use.SKIP : Use.NEW_PROBE, null, fahrenheit);
  }

  static String plainName(String heading) {
    String plain = UNIT.matcher(heading).replaceAll("").replaceAll("[\\[\\](){}]", " ");
    plain = plain.replace('_', ' ').strip().replaceAll("\\s+", " ");
    return plain.isEmpty() ? heading.strip() : plain.substring(0, Math.min(100, plain.length()));
  }

  private static String fingerprint(String mark) {
    try {
      byte[] sum =
          java.security.MessageDigest.getInstance("SHA-256")
              .digest(mark.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
      return java.util.HexFormat.of().formatHex(sum, 0, 16);
    } catch (java.security.NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
