package nightbank.server.store;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * How a store was, when: one arrangement after another, the last of them as it is now.
 *
 * @param all in the order of time; each but the last ends
 */
public record Arrangements(List<Arrangement> all) {
  static final int MOST = 60;

  /**
   * One of them with its time.
   *
   * @param from when it began, absent for always before
   * @param to when it ended, absent for how it is now
   */
  public record Lasting(Arrangement arrangement, @Nullable Instant from, @Nullable Instant to) {
    /** How long it lasted within a stretch. */
    Duration within(Instant begin, Instant end) {
      Duration d = Duration.between(later(begin), earlier(end));
      return d.isNegative() ? Duration.ZERO : d;
    }

    /** A moment, or its own begin where that is later. */
    public Instant later(Instant begin) {
      return from == null || from.isBefore(begin) ? begin : from;
    }

    /** A moment, or its own end where that is earlier. */
    public Instant earlier(Instant end) {
      return to == null || to.isAfter(end) ? end : to;
    }
  }

  public Arrangements {
    all = List.copyOf(all);
  }

  static Arrangements of(List<Arrangement> earlier, Arrangement now) {
    List<Arrangement> all = new ArrayList<>(earlier);
    all.sort(Comparator.comparing(a -> Objects.requireNonNull(a.until())));
    all.add(now.until(null));
    return new Arrangements(all);
  }

  public Arrangement now() {
    return all.get(all.size() - 1);
  }

  List<Arrangement> earlier() {
    return all.subList(0, all.size() - 1);
  }

  List<Lasting> lasting() {
    List<Lasting> list = new ArrayList<>();
    Instant from = null;
    for (Arrangement a : all) {
      list.add(new Lasting(a, from, a.until()));
      from = a.until();
    }
    return list;
  }

  /** What was in force for the greater part of a stretch; of equal parts the later. */
  public Lasting mostOf(Instant from, Instant to) {
    return lasting().stream()
        .filter(l -> !l.within(from, to).isZero())
        .reduce((a, b) -> b.within(from, to).compareTo(a.within(from, to)) >= 0 ? b : a)
        .orElseGet(() -> at(from));
  }

  public Lasting at(Instant moment) {
    return lasting().stream()
        .filter(l -> l.to() == null || l.to().isAfter(moment))
        .findFirst()
        .orElseThrow();
  }

  /** Moments within a stretch, its ends left out, at which it was changed. */
  public List<Instant> changesWithin(Instant from, Instant to) {
    return earlier().stream()
        .map(Arrangement::until)
        .filter(at -> at != null && at.isAfter(from) && at.isBefore(to))
        .toList();
  }

  /**
   * What they are once the store is described otherwise. What one of them had otherwise than the
   * present one had, it keeps.
   *
   * @param since from when on it is so; absent where it was always so and was described wrongly
   */
  Arrangements changed(Arrangement to, @Nullable Instant since, Json json) {
    Arrangement was = now();
    if (was.like(to)) {
      return this;
    }
    List<Arrangement> made = new ArrayList<>();
    for (Lasting l : lasting()) {
      Arrangement a = l.arrangement();
      Arrangement after = l.to() == null ? to : merged(a, was, to, json);
      boolean before = since != null && l.to() != null && !l.to().isAfter(since);
      boolean within = since != null && !before && (l.from() == null || l.from().isBefore(since));
      if (before) {
        made.add(a);
      } else {
        if (within) {
          made.add(a.until(since));
        }
        made.add(after.until(l.to()));
      }
    }
    return new Arrangements(made).joined();
  }

  /** Neighbours that are alike are one. */
  Arrangements joined() {
    List<Arrangement> joined = new ArrayList<>();
    for (Arrangement a : all) {
      if (!joined.isEmpty() && joined.get(joined.size() - 1).like(a)) {
        joined.remove(joined.size() - 1);
      }
      joined.add(a);
    }
    return new Arrangements(joined);
  }

  /** Where these begin to differ from others, to where they are alike again; empty where never. */
  Optional<Lasting> differ(Arrangements other) {
    Set<Instant> moments = new LinkedHashSet<>();
    moments.add(Instant.MIN);
    List<Arrangement> both = new ArrayList<>(earlier());
    both.addAll(other.earlier());
    both.stream().map(Arrangement::until).filter(Objects::nonNull).sorted().forEach(moments::add);
    List<Instant> at = List.copyOf(moments);
    Instant from = null;
    Instant to = null;
    for (int i = 0; i < at.size(); i++) {
      if (!at(at.get(i)).arrangement().like(other.at(at.get(i)).arrangement())) {
        from = from == null ? at.get(i) : from;
        to = i + 1 < at.size() ? at.get(i + 1) : Instant.MAX;
      }
    }
    return from == null
        ? Optional.empty()
        : Optional.of(
            new Lasting(
                now(),
                from.equals(Instant.MIN) ? null : from,
                Objects.requireNonNull(to).equals(Instant.MAX) ? null : to));
  }

  static Problem tooMany() {
    return Problem.invalid(
        "since",
        "A store keeps at most " + MOST + " ways that it was.",
        "Take one of them away, or say that it was always so.");
  }

  private static Arrangement merged(Arrangement own, Arrangement was, Arrangement to, Json json) {
    StoreDesign design =
        json.read(
            merged(json.tree(own.design()), json.tree(was.design()), json.tree(to.design())),
            StoreDesign.class);
    UUID house = Objects.equals(own.houseId(), was.houseId()) ? to.houseId() : own.houseId();
    return new Arrangement(own.until(), house, design, probes(own, was, to, json));
  }

  private static JsonNode merged(JsonNode own, JsonNode was, JsonNode to) {
    if (was.equals(to) || own.equals(was)) {
      return own.equals(was) ? to : own;
    }
    if (!own.isObject() || !was.isObject() || !to.isObject()) {
      return own;
    }
    ObjectNode all = ((ObjectNode) own).deepCopy();
    Set<String> keys = new LinkedHashSet<>(was.propertyNames());
    keys.addAll(to.propertyNames());
    for (String k : keys) {
      JsonNode made = merged(own.path(k), was.path(k), to.path(k));
      if (made.isMissingNode()) {
        all.remove(k);
      } else {
        all.set(k, made);
      }
    }
    return all;
  }

  /** Those that are new are there too, those that are gone are gone. */
  private static List<ProbeView> probes(
      Arrangement own, Arrangement was, Arrangement to, Json json) {
    Map<UUID, ProbeView> before = byId(was);
    Map<UUID, ProbeView> after = byId(to);
    Map<UUID, ProbeView> mine = byId(own);
    List<ProbeView> made = new ArrayList<>();
    for (ProbeView p : own.probes()) {
      ProbeView old = before.get(p.id());
      ProbeView now = after.get(p.id());
      if (old == null) {
        made.add(p);
      } else if (now != null) {
        made.add(json.read(merged(json.tree(p), json.tree(old), json.tree(now)), ProbeView.class));
      }
    }
    to.probes().stream()
        .filter(p -> !before.containsKey(p.id()) && !mine.containsKey(p.id()))
        .forEach(made::add);
    return made;
  }

  private static Map<UUID, ProbeView> byId(Arrangement a) {
    return a.probes().stream().collect(Collectors.toMap(ProbeView::id, Function.identity()));
  }
}
