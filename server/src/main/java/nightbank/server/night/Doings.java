package nightbank.server.night;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.night.Action;
import nightbank.core.night.Advice;
import nightbank.server.house.HouseDesign;
import nightbank.server.night.TonightQuestion.Doing;
import nightbank.server.shared.Problem;
import nightbank.server.store.LidHours;
import nightbank.server.store.SourceDesign;
import nightbank.server.store.StoreDesign;

/** What can be done in a night, to and from the core's actions. */
final class Doings {
  private static final int MOST = 40;
  private static final double MOST_WOOD = 60; // kg in one fire
  private static final double[] FIRES = {2, 3, 4, 5, 6, 8, 10, 12}; // kg to try
  private static final double FIRE_USUAL = 6;
  private static final int[] ELEMENT_HOURS = {1, 2, 4};
  private static final Set<Action.Kind> OF_THE_HOUSE =
      Set.of(Action.Kind.SCREEN, Action.Kind.COVER, Action.Kind.STUFF_GAPS);

  private Doings() {}

  static List<TonightView.Possible> possible(HouseDesign house, List<Starts.StoreStart> stores) {
    List<TonightView.Possible> all = new ArrayList<>();
    if (house.screenResistance() != null) {
      all.add(new TonightView.Possible(Action.Kind.SCREEN, null, "", 0));
    }
    if (Boolean.TRUE.equals(house.fleece())) {
      all.add(new TonightView.Possible(Action.Kind.COVER, null, "", 0));
    }
    if (house.gaps() != null && !house.gaps().isEmpty()) {
      all.add(new TonightView.Possible(Action.Kind.STUFF_GAPS, null, "", 0));
    }
    for (Starts.StoreStart s : stores) {
      StoreDesign d = s.view().design();
      SourceDesign source = d.source();
      if (source != null && source.kind() == SourceDesign.Kind.FIRE) {
        all.add(possible(Action.Kind.FIRE, s, FIRE_USUAL));
      }
      if (source != null && source.kind() == SourceDesign.Kind.ELEMENT && source.powerWatts() > 0) {
        all.add(possible(Action.Kind.ELEMENT, s, source.powerWatts()));
      }
      if (s.store().carrier().isPresent()) {
        all.add(possible(Action.Kind.PUMP, s, 0));
      }
      if (LidHours.liftable(d) && d.indoors()) {
        all.add(possible(Action.Kind.LID_OFF, s, 0));
      }
    }
    return all;
  }

  private static TonightView.Possible possible(
      Action.Kind kind, Starts.StoreStart s, double usual) {
    return new TonightView.Possible(kind, s.view().id(), s.view().name(), usual);
  }

  static List<Action> toCore(
      List<Doing> doings, List<Starts.StoreStart> stores, Instant now, double length) {
    if (doings.size() > MOST) {
      throw Problem.invalid("actions", "More than " + MOST + " things to do.", "Leave some out.");
    }
    Set<UUID> known = stores.stream().map(s -> s.view().id()).collect(Collectors.toSet());
    List<Action> actions = new ArrayList<>();
    for (int i = 0; i < doings.size(); i++) {
      actions.add(toCore("actions." + i, doings.get(i), known, now, length));
    }
    return actions;
  }

  private static Action toCore(
      String field, Doing d, Set<UUID> stores, Instant now, double length) {
    if (d == null || d.kind() == null || d.from() == null) {
      throw Problem.invalid(field, "What is done, or when, is missing.", "Choose both.");
    }
    boolean ofStore = !OF_THE_HOUSE.contains(d.kind());
    if (ofStore && (d.storeId() == null || !stores.contains(d.storeId()))) {
      throw Problem.notFound("store");
    }
    if (d.kind() == Action.Kind.FIRE && !(d.amount() > 0 && d.amount() <= MOST_WOOD)) {
      throw Problem.invalid(
          field + ".amount",
          "A fire takes up to " + MOST_WOOD + " kg of wood, was " + d.amount() + " kg.",
          "Give the wood of one fire; add another fire for more.");
    }
    double from = clamp(d.from(), now, length);
    double to = d.to() == null ? length : Math.max(from, clamp(d.to(), now, length));
    return Problem.field(
        field,
        () -> new Action(d.kind(), ofStore ? d.storeId().toString() : "", from, to, d.amount()));
  }

  private static double clamp(Instant at, Instant now, double length) {
    return Math.max(0, Math.min(length, at.getEpochSecond() - now.getEpochSecond()));
  }

  static Doing view(Action a, Instant now) {
    return new Doing(
        a.kind(),
        a.storeId().isBlank() ? null : UUID.fromString(a.storeId()),
        now.plusSeconds((long) a.fromSeconds()),
        now.plusSeconds((long) a.toSeconds()),
        a.amount());
  }

  /** What the advice may choose from beside what stands, at times that a grower would keep. */
  static List<Advice.Option> options(
      List<TonightView.Possible> possible,
      List<Action> standing,
      double duskSeconds,
      double length) {
    List<Advice.Option> options = new ArrayList<>();
    double dusk = Math.max(0, Math.min(duskSeconds, length - 3600));
    for (TonightView.Possible p : possible) {
      String store = p.storeId() == null ? "" : p.storeId().toString();
      if (standing.stream().anyMatch(a -> a.kind() == p.kind() && a.storeId().equals(store))) {
        continue;
      }
      options.add(
          new Advice.Option(
              switch (p.kind()) {
                case SCREEN, COVER, STUFF_GAPS ->
                    List.of(new Action(p.kind(), store, dusk, length, 0));
                case PUMP -> pumps(store, dusk, length);
                case LID_OFF -> List.of(new Action(p.kind(), store, length * 0.55, length, 0));
                case ELEMENT -> elements(store, dusk, length, p.usual());
                case FIRE -> fires(store, dusk, length);
              }));
    }
    return options;
  }

  /** For the morning, for the second half of the night, or all night. */
  private static List<Action> pumps(String store, double dusk, double length) {
    return List.of(
        new Action(Action.Kind.PUMP, store, dusk + (length - dusk) * 0.7, length, 0),
        new Action(Action.Kind.PUMP, store, dusk + (length - dusk) * 0.45, length, 0),
        new Action(Action.Kind.PUMP, store, dusk, length, 0));
  }

  private static List<Action> elements(String store, double dusk, double length, double watts) {
    List<Action> hours = new ArrayList<>();
    for (int h : ELEMENT_HOURS) {
      double to = Math.min(length, dusk + h * 3600);
      hours.add(new Action(Action.Kind.ELEMENT, store, dusk, to, watts));
    }
    return hours;
  }

  private static List<Action> fires(String store, double dusk, double length) {
    List<Action> fires = new ArrayList<>();
    for (double kilograms : FIRES) {
      fires.add(new Action(Action.Kind.FIRE, store, dusk, length, kilograms));
    }
    return fires;
  }
}
