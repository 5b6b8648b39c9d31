package nightbank.server.night;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import nightbank.core.forecast.Possible;
import nightbank.core.system.Action;
import nightbank.core.system.PlantSystem;
import nightbank.server.night.TonightQuestion.Doing;
import nightbank.server.part.PartView;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;

/** What can be done in a night, to and from the core's actions. */
final class ActionMapping {
  private static final int MOST = 200;
  private static final long JUST_NOW = 900; // s
  private static final double MOST_WOOD = 60; // kg in one load

  private final PlantSystem system;
  private final Map<String, String> names = new HashMap<>();
  private final Map<String, String> kinds = new HashMap<>();
  private final Instant now;
  private final double length;

  ActionMapping(
      PlantSystem system,
      List<PartView> parts,
      List<InitialConditions.StoreStart> stores,
      Instant now,
      double length) {
    this.system = system;
    this.now = now;
    this.length = length;
    for (InitialConditions.StoreStart s : stores) {
      names.put(s.view().id().toString(), s.view().name());
      kinds.put(s.view().id().toString(), "STORE");
    }
    for (PartView p : parts) {
      names.put(p.id().toString(), p.name());
      kinds.put(p.id().toString(), p.kind());
    }
  }

  /** A part's or store's name by its id; the id itself of what has none. */
  String name(String of) {
    return names.getOrDefault(of, of);
  }

  List<TonightView.Possible> views(List<Possible> possible) {
    return possible.stream()
        .map(
            p ->
                new TonightView.Possible(
                    p.kind(),
                    id(p.of()),
                    p.of().isBlank() ? "" : name(p.of()),
                    kinds.getOrDefault(p.of(), "HOUSE"),
                    Double.isNaN(p.usual()) ? null : p.usual()))
        .toList();
  }

  /**
   * What lies in this stretch; what was planned with something that is gone is left out and told.
   */
  List<Action> toCore(List<Doing> doings, List<TonightView.Assumption> assumed) {
    if (doings.size() > MOST) {
      throw Problem.invalid("actions", "More than " + MOST + " things to do.", "Leave some out.");
    }
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < doings.size(); i++) {
      Doing d = doings.get(i);
      String field = "actions." + i;
      if (d == null || d.kind() == null || d.from() == null) {
        throw Problem.invalid(field, "What is done, or when, is missing.", "Choose both.");
      }
      if (d.kind().at() != Action.At.HOUSE && !system.has(String.valueOf(d.of()))) {
        assumed.add(new TonightView.Assumption("PLANNED_GONE", null, d.from(), d.kind().name()));
      } else if (lies(d)) {
        actions.add(toCore(field, d));
      }
    }
    return actions;
  }

  private Action toCore(String field, Doing d) {
    String of = d.kind().at() == Action.At.HOUSE ? "" : String.valueOf(d.of());
    double amount = d.amount() == null ? Double.NaN : d.amount();
    if (d.kind() == Action.Kind.LOAD && !(amount > 0 && amount <= MOST_WOOD)) {
      throw Problem.invalid(
          field + ".amount",
          "A load is up to " + MOST_WOOD + " kg of wood, was " + d.amount() + " kg.",
          "Give the wood of one load; add another load for more.");
    }
    double from = clamp(d.from());
    double until = d.to() == null ? length : Math.max(from, clamp(d.to()));
    double to = d.kind().lasts() ? until : from;
    return Problem.field(field, () -> new Action(d.kind(), of, from, to, amount));
  }

  /** Whether any of it lies in this stretch; a load laid on longer ago has burnt. */
  private boolean lies(Doing d) {
    long from = d.from().getEpochSecond() - now.getEpochSecond();
    if (from >= length) {
      return false;
    }
    return d.kind().lasts() ? d.to() == null || d.to().isAfter(now) : from > -JUST_NOW;
  }

  private double clamp(Instant at) {
    return Math.max(0, Math.min(length, at.getEpochSecond() - now.getEpochSecond()));
  }

  List<Doing> views(Iterable<Action> actions) {
    List<Doing> all = new ArrayList<>();
    for (Action a : actions) {
      all.add(
          new Doing(
              a.kind(),
              id(a.of()),
              now.plusSeconds((long) a.fromSeconds()),
              now.plusSeconds((long) a.toSeconds()),
              Double.isNaN(a.amount()) ? null : a.amount()));
    }
    return all;
  }

  private static @Nullable UUID id(String of) {
    return of.isBlank() ? null : UUID.fromString(of);
  }
}
