package nightbank.server.log;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nightbank.core.unit.TypedTemperature;
import nightbank.server.log.NotesView.Doubt;
import nightbank.server.log.NotesView.Note;
import nightbank.server.store.ProbeView;
import org.jspecify.annotations.Nullable;

/**
 * Notes as people write them, line by line or as a table, as readings to be looked over: what is
 * not understood stays in the list with its doubt.
 */
final class NoteReader {
  private static final Pattern FIGURE =
      Pattern.compile("^([-+]?\\d{1,4}(?:[.,]\\d{1,3})?)\\s*°?\\s*([cfkCFK])?(?![\\p{L}\\d:])");
  private static final Pattern BLANK = Pattern.compile("[-–—?x/]*|n/?a|hi|low?|off( the)? scale");
  private static final Pattern WORD = Pattern.compile("^[\\p{L}#][\\p{L}\\p{N}_#'’.-]*");
  private static final Pattern WHEN =
      Pattern.compile(
          "time|date|when|day|hour|clock|at|min(utes)?( since.*)?", Pattern.CASE_INSENSITIVE);
  private static final Pattern FAHRENHEIT = Pattern.compile("[\\s(\\[°]f[)\\]]?$|fahrenheit");
  private static final String[] DELIMITERS = {"\t", ";", "\\|", ",", "\\s{2,}", "\\s+"};
  private static final double MUCH = 1.3; // of what a store is charged to (estimate)
  private static final double WARM = 100; // °C that any store may have (estimate)
  private static final int SHOWN = 60; // letters of one that is not read
  private static final int LONGEST_LINE = 400; // letters: nobody's note is longer

  private final List<ProbeView> probes;
  private final List<ProbeView> inside;
  private final boolean fahrenheit;
  private final double chargeTo;
  private final ZoneId zone;
  private final Instant now;
  private final @Nullable Instant began;
  private final List<Found> found = new ArrayList<>();
  private @Nullable Table table;

  /** A table's columns: where they part, and what each is of. */
  private record Table(String delimiter, List<Column> columns) {}

  private record Column(String name, boolean when, boolean minutes, boolean fahrenheit) {}

  private record Found(int line, NoteTime when, String name, String typed, boolean fahrenheit) {}

  NoteReader(
      List<ProbeView> probes,
      boolean fahrenheit,
      double chargeTo,
      ZoneId zone,
      Instant now,
      @Nullable Instant began) {
    this.probes = probes;
    List<ProbeView> mass = probes.stream().filter(p -> p.kind() == ProbeView.Kind.STORE).toList();
    inside = mass.isEmpty() ? probes : mass;
    this.fahrenheit = fahrenheit;
    this.chargeTo = chargeTo;
    this.zone = zone;
    this.now = now;
    this.began = began;
  }

  List<Note> read(String text) {
    LocalDate today = LocalDate.ofInstant(now, zone);
    String[] lines = text.split("\\R");
    for (int i = 0; i < lines.length; i++) {
      String line =
          lines[i]
              .replaceAll("[\\p{Cf}\\p{Cc}&&[^\t]]", "")
              .replace('\u00a0', ' ')
              .replace('\u2212', '-');
      if (line.isBlank()) {
        continue;
      }
      if (line.length() > LONGEST_LINE) {
        NoteTime none = new NoteTime(null, null, null, "");
        found.add(new Found(i + 1, none, "", line.substring(0, SHOWN) + " …", false));
        continue;
      }
      if (header(line)) {
        continue;
      }
      if (table != null) {
        row(table, i + 1, line, today);
      } else {
        NoteTime when = NoteTime.of(line, today);
        pairs(i + 1, when);
      }
    }
    return notes(today);
  }

  private boolean header(String line) {
    if (table != null || line.matches(".*\\d[:.]\\d\\d.*")) {
      return false;
    }
    for (String delimiter : DELIMITERS) {
      List<Column> columns = new ArrayList<>();
      for (String cell : line.strip().split(delimiter, -1)) {
        String name = cell.strip();
        columns.add(
            new Column(
                name.replaceFirst("(?i)[\\s(\\[]*°?\\s*[cf][)\\]]?$", "").strip(),
                WHEN.matcher(name).matches(),
                name.toLowerCase(Locale.ROOT).startsWith("min"),
                FAHRENHEIT.matcher(name.toLowerCase(Locale.ROOT)).find()));
      }
      boolean known = columns.stream().anyMatch(c -> !c.when() && probe(c.name()).isPresent());
      boolean figures = columns.stream().anyMatch(c -> c.name().matches("[-+]?\\d+([.,]\\d+)?"));
      if (columns.size() > 1
          && known
          && !figures
          && (columns.get(0).when() || columns.get(0).name().isEmpty())) {
        table = new Table(delimiter, columns);
        return true;
      }
    }
    return false;
  }

  private void row(Table table, int line, String text, LocalDate today) {
    String[] cells = text.strip().split(table.delimiter(), -1);
    StringBuilder when = new StringBuilder();
    for (int k = 0; k < cells.length && k < table.columns().size(); k++) {
      Column c = table.columns().get(k);
      if (c.when() || k == 0) {
        when.append(cells[k].strip()).append(c.minutes() ? " min " : " ");
      }
    }
    NoteTime at = NoteTime.of(when + "|", today);
    boolean any = false;
    for (int k = 1; k < cells.length; k++) {
      Column c = k < table.columns().size() ? table.columns().get(k) : null;
      String cell = cells[k].strip();
      if (c != null && c.when() || BLANK.matcher(cell.toLowerCase(Locale.ROOT)).matches()) {
        continue;
      }
      found.add(new Found(line, at, c == null ? "" : c.name(), cell, c != null && c.fahrenheit()));
      any = true;
    }
    if (!any) {
      found.add(new Found(line, at, "", text.strip(), false));
    }
  }

  /** What follows the hour: names with figures, or figures alone in the order of the probes. */
  private void pairs(int line, NoteTime when) {
    String rest = when.rest();
    List<Found> own = new ArrayList<>();
    StringBuilder name = new StringBuilder();
    while (!rest.isEmpty()) {
      String named = named(rest);
      Matcher figure = FIGURE.matcher(rest);
      Matcher word = WORD.matcher(rest);
      int by = 1;
      if (named != null) {
        name.setLength(0);
        name.append(named);
        by = named.length();
      } else if (figure.find()) {
        own.add(new Found(line, when, name.toString().strip(), figure.group().strip(), false));
        name.setLength(0);
        by = figure.end();
      } else if (word.find()) {
        name.append(' ').append(word.group());
        by = word.end();
      }
      rest = rest.substring(by);
    }
    boolean bare = own.stream().allMatch(f -> f.name().isEmpty());
    for (int k = 0; k < own.size(); k++) {
      Found f = own.get(k);
      String of = bare && own.size() == inside.size() ? inside.get(k).name() : f.name();
      found.add(new Found(line, when, of, f.typed(), false));
    }
    if (own.isEmpty() && !when.rest().isBlank()) {
      found.add(new Found(line, when, "", when.rest(), false));
    } else if (own.isEmpty()) {
      found.add(new Found(line, when, "", "", false)); // a date of its own line
    }
  }

  /** The longest probe's name that a text begins with. */
  private @Nullable String named(String text) {
    String low = text.toLowerCase(Locale.ROOT);
    return probes.stream()
        .map(ProbeView::name)
        .filter(
            n ->
                low.startsWith(n.toLowerCase(Locale.ROOT))
                    && (n.length() == text.length()
                        || !Character.isLetterOrDigit(text.charAt(n.length()))))
        .max(Comparator.comparingInt(String::length))
        .map(n -> text.substring(0, n.length()))
        .orElse(null);
  }

  /** By its name, or the only one that a name begins or that begins with it. */
  private Optional<ProbeView> probe(String name) {
    String low = name.toLowerCase(Locale.ROOT).strip();
    if (low.isEmpty()) {
      return Optional.empty();
    }
    List<ProbeView> like = new ArrayList<>();
    for (ProbeView p : probes) {
      String of = p.name().toLowerCase(Locale.ROOT);
      if (of.equals(low)) {
        return Optional.of(p);
      }
      if (of.startsWith(low) || low.startsWith(of)) {
        like.add(p);
      }
    }
    return like.size() == 1 ? Optional.of(like.get(0)) : Optional.empty();
  }

  private List<Note> notes(LocalDate today) {
    List<LocalDateTime> when = moments(today);
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < found.size(); i++) {
      Found f = found.get(i);
      if (f.typed().isEmpty()) {
        continue;
      }
      Optional<ProbeView> probe =
          f.name().isEmpty() && inside.size() == 1 ? Optional.of(inside.get(0)) : probe(f.name());
      Instant at = when.get(i) == null ? null : when.get(i).atZone(zone).toInstant();
      Optional<Double> celsius = TypedTemperature.celsius(f.typed(), fahrenheit || f.fahrenheit());
      notes.add(
          new Note(
              f.line(),
              probe.map(ProbeView::id).orElse(null),
              f.name(),
              at,
              f.typed(),
              celsius.orElse(null),
              doubt(f, probe.isPresent(), at, celsius)));
    }
    return notes;
  }

  private @Nullable Doubt doubt(
      Found f, boolean probe, @Nullable Instant at, Optional<Double> celsius) {
    if (celsius.isEmpty()) {
      return Doubt.NO_FIGURE;
    }
    if (!probe) {
      return Doubt.NO_PROBE;
    }
    if (at == null) {
      return Doubt.NO_TIME;
    }
    if (HandReading.ahead(at, now)) {
      return Doubt.AHEAD;
    }
    boolean said = f.typed().matches(".*[cfkCFK]$") || fahrenheit || f.fahrenheit();
    double most = Math.max(WARM, MUCH * chargeTo);
    boolean tooHot = celsius.get() > most && TypedTemperature.fromFahrenheit(celsius.get()) <= most;
    return !said && tooHot ? Doubt.MAYBE_FAHRENHEIT : null;
  }

  /**
   * A clock without a date goes on from the line before, into the next day where it runs back;
   * where no line has a date, the last one is the latest that has been.
   */
  private List<LocalDateTime> moments(LocalDate today) {
    List<LocalDateTime> when = new ArrayList<>();
    LocalDate day = null;
    LocalTime before = null;
    boolean dated = false;
    LocalDateTime last = null;
    for (Found f : found) {
      NoteTime t = f.when();
      if (t.sinceStart() != null) {
        when.add(
            began == null
                ? null
                : LocalDateTime.ofInstant(began.plusSeconds(Math.round(t.sinceStart())), zone));
        continue;
      }
      if (t.date() != null) {
        dated = true;
        day = t.date();
        before = null;
      }
      if (t.time() == null) {
        when.add(null);
        continue;
      }
      day =
          day == null ? today : before != null && t.time().isBefore(before) ? day.plusDays(1) : day;
      before = t.time();
      last = day.atTime(t.time());
      when.add(last);
    }
    if (dated || last == null) {
      return when;
    }
    long back = 0;
    LocalDateTime end = LocalDateTime.ofInstant(now, zone).plusMinutes(10);
    while (last.minusDays(back).isAfter(end)) {
      back++;
    }
    long by = back;
    return when.stream().map(w -> w == null || began != null ? w : w.minusDays(by)).toList();
  }
}
