package nightbank.server.store;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** What a store that somebody sends must come up to. */
final class StoreChecks {
  private static final int MOST_PROBES = 100;

  private StoreChecks() {}

  /** What was changed was changed by now. */
  static void inTime(@Nullable Instant since, Arrangements when, Instant now) {
    when.check();
    boolean ahead = since != null && since.isAfter(now);
    if (ahead || when.changesWithin(now, Instant.MAX).size() > 0) {
      throw Problem.invalid(
          "since",
          "That moment has not come.",
          "Say it once it is so; what is only meant is tried on the bench, or is a planned store.");
    }
  }

  static void probes(@Nullable List<ProbeView> probes) {
    if (probes == null || probes.size() > MOST_PROBES) {
      throw Problem.invalid(
          "probes", "A store has at most " + MOST_PROBES + " probes.", "Leave some out.");
    }
    Set<String> names = new HashSet<>();
    for (ProbeView p : probes) {
      if (p.id() == null || p.kind() == null || p.name() == null || p.name().isBlank()) {
        throw Problem.invalid("probes", "A probe lacks its name.", "Give every probe a name.");
      }
      if (p.name().length() > 100 || !names.add(p.name().strip().toLowerCase(Locale.ROOT))) {
        throw Problem.invalid(
            "probes",
            "Two probes are called " + p.name() + ".",
            "Give every probe a name of its own, up to 100 letters.");
      }
    }
  }

  static void temperatures(StoreDesign design) {
    if (!(design.chargeToCelsius() > design.floorCelsius() && design.chargeToCelsius() <= 1200)) {
      throw Problem.invalid(
          "design.chargeToCelsius",
          "It must be charged to more than its floor temperature, and to at most 1200 °C.",
          "The floor temperature is where it stops helping; charge above that.");
    }
  }
}
