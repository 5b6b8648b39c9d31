package nightbank.server.alarm;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;
import nightbank.server.night.DoingWords;
import org.jspecify.annotations.Nullable;

/** Alarms in words: one line that says it, and what to do. */
final class AlarmWords {
  private static final DateTimeFormatter CLOCK =
      DateTimeFormatter.ofPattern("EEE HH:mm", Locale.UK);

  private final ZoneId zone;
  private final boolean fahrenheit;

  AlarmWords(ZoneId zone, boolean fahrenheit) {
    this.zone = zone;
    this.fahrenheit = fahrenheit;
  }

  String headline(AlarmView a) {
    AlarmFacts f = a.facts();
    return switch (a.kind()) {
      case NIGHT ->
          "%s: the coming night is %s, coldest %s at %s."
              .formatted(
                  f.of(),
                  f.verdict().equals("LOST") ? "lost" : "close",
                  degrees(f.celsius()),
                  clock(f.at()));
      case AIR ->
          f.celsius() != null && f.limit() != null && f.celsius() <= f.limit()
              ? "%s: the air is at %s, the plants stand %s."
                  .formatted(f.of(), degrees(f.celsius()), degrees(f.limit()))
              : "%s: the air is at %s and falls to %s by %s."
                  .formatted(f.of(), degrees(f.celsius()), degrees(f.limit()), clock(f.at()));
      case SILENT -> "The logger %s has said nothing since %s.".formatted(f.of(), clock(f.at()));
      case LOOP -> "The loop of %s carries heat out of it%s.".formatted(f.of(), since(f.at()));
      case HOT ->
          "%s is at %s; a part of it bears %s."
              .formatted(f.of(), degrees(f.celsius()), degrees(f.limit()));
      case HEAP -> "%s is going cold: %s at its hottest.".formatted(f.of(), degrees(f.celsius()));
      case WOOD ->
          "Dry wood is short: %s lie ready, the next three days ask about %s."
              .formatted(
                  kilograms(Objects.requireNonNull(f.wood()).readyKilograms()),
                  kilograms(f.wood().askedKilograms()));
    };
  }

  String remedy(AlarmView a) {
    AlarmFacts f = a.facts();
    return switch (a.kind()) {
      case NIGHT ->
          f.doings().isEmpty()
              ? "Nothing was found that would hold it; what would come nearest is on the page."
              : "To do: "
                  + f.doings().stream().map(this::doing).collect(Collectors.joining("; "))
                  + (f.latest() == null ? "." : ". It can wait until " + clock(f.latest()) + ".");
      case AIR -> "Look at doors and vents first, then light or switch on what there is.";
      case SILENT ->
          "Look at its battery and its signal. What it would have warned of is not seen.";
      case LOOP ->
          "Stop its pump, or shut its valve, until what feeds it is warmer than the store.";
      case HOT -> "Stop what charges it. Do not open a vessel that may be under pressure.";
      case HEAP -> "Draw less from it; feed and water it, and turn it where it is matted.";
      case WOOD ->
          "Split and bring in under a roof what dries soonest, or get dry wood before the nights "
              + "that need it.";
    };
  }

  private String doing(AlarmFacts.AlarmDoing d) {
    return DoingWords.of(d.kind(), d.of(), d.amount()) + " at " + clock(d.from());
  }

  private String since(@Nullable Instant at) {
    return at == null ? "" : " since " + clock(at);
  }

  private String degrees(@Nullable Double celsius) {
    if (celsius == null) {
      return "?";
    }
    double shown = fahrenheit ? celsius * 1.8 + 32 : celsius;
    return String.format(Locale.UK, "%.1f %s", shown, fahrenheit ? "°F" : "°C").replace('-', '−');
  }

  private String kilograms(double kilograms) {
    return fahrenheit
        ? "%.0f lb".formatted(kilograms / 0.45359237)
        : "%.0f kg".formatted(kilograms);
  }

  private String clock(@Nullable Instant at) {
    return at == null ? "?" : CLOCK.format(at.atZone(zone));
  }
}
