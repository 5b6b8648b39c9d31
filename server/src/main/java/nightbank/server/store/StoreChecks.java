package nightbank.server.store;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** What a store that somebody sends must come up to. */
final class StoreChecks {
  private static final int MOST_PROBES = 100;
  private static final Instant EARLIEST = Instant.parse("1900-01-01T00:00:00Z");

  private StoreChecks() {}

  /** What it says of other times can be put in their order. */
  static void told(StoreDraft draft) {
    moment("since", draft.since());
    if (draft.was() != null) {
      described("was", draft.was().design(), draft.was().probes());
      ended("was.earlier", draft.was().earlier());
    }
    described("design", draft.design(), draft.probes());
    ended("earlier", draft.earlier());
  }

  private static void ended(String field, @Nullable List<Arrangement> earlier) {
    if (earlier == null) {
      return;
    }
    if (earlier.size() > Arrangements.MOST) {
      throw Arrangements.tooMany();
    }
    Set<Instant> ends = new HashSet<>();
    for (Arrangement a : earlier) {
      if (a == null || a.until() == null || !ends.add(a.until())) {
        throw Problem.invalid(
            field,
            "A way that a store was has no end, or two end at once.",
            "Give each its own moment.");
      }
      moment(field, a.until());
      described(field, a.design(), a.probes());
    }
  }

  private static void described(
      String field, @Nullable StoreDesign design, @Nullable List<ProbeView> probes) {
    if (design == null) {
      throw Problem.invalid(field, "What the store is like is missing.", "Describe it.");
    }
    probes(probes);
  }

  private static void moment(String field, @Nullable Instant at) {
    if (at != null && at.isBefore(EARLIEST)) {
      throw Problem.invalid(field, "That lies before 1900.", "Check the year.");
    }
  }

  /** What was changed was changed by now. */
  static void inTime(@Nullable Instant since, Arrangements when, Instant now) {
    if (when.all().size() > Arrangements.MOST) {
      throw Arrangements.tooMany();
    }
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
    Set<UUID> ids = new HashSet<>();
    for (ProbeView p : probes) {
      if (p == null
          || p.id() == null
          || p.kind() == null
          || p.name() == null
          || p.name().isBlank()) {
        throw Problem.invalid("probes", "A probe lacks its name.", "Give every probe a name.");
      }
      if (!ids.add(p.id())) {
        throw Problem.invalid(
            "probes", p.name() + " is there twice.", "Give every probe an id of its own.");
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
