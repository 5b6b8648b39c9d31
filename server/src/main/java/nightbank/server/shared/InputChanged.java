package nightbank.server.shared;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.core.evidence.EventKind;
import nightbank.core.judgement.JudgementInputs;
import org.jspecify.annotations.Nullable;

/**
 * Something that judgements may rest on has changed over a span. Published in the transaction that
 * changes it.
 *
 * @param keys of what has changed, as {@link Keys} writes them
 * @param readings whether it is readings and nothing else: those after the last that was judged
 *     leave a day right as far as it goes
 */
public record InputChanged(
    UUID holding, Set<String> keys, Instant from, Instant to, boolean readings) {
  private static final Instant EVER = Instant.parse("1900-01-01T00:00:00Z");
  private static final Instant ALWAYS = Instant.parse("2200-01-01T00:00:00Z");

  /** What judgements rest on, by name. */
  public static final class Keys {
    public static final String SKY = "sky";
    public static final String PLACE = "place";

    /** Which thermometers of air there are. */
    public static final String AIR = "air";

    private Keys() {}

    public static String probe(UUID id) {
      return "probe:" + id;
    }

    public static String run(UUID id) {
      return "run:" + id;
    }

    public static String store(UUID id) {
      return "store:" + id;
    }

    public static String house(UUID id) {
      return "house:" + id;
    }

    public static String material(String id) {
      return "medium:" + id;
    }

    /** Events that concern a store: its own, and those of none in particular. */
    public static Set<String> eventsAt(EventKind kind, UUID store) {
      return Set.of(event(kind, store), event(kind, null));
    }

    /** Of one store, or of none in particular. */
    public static String event(EventKind kind, @Nullable UUID store) {
      return "event:" + kind + (store == null ? "" : ":" + store);
    }
  }

  public static InputChanged readings(
      UUID holding, Collection<UUID> probes, Instant from, Instant to) {
    return new InputChanged(
        holding, probes.stream().map(Keys::probe).collect(Collectors.toSet()), from, to, true);
  }

  /** Readings that were put right, or are believed now or no longer. */
  public static InputChanged corrected(
      UUID holding, Collection<UUID> probes, Instant from, Instant to) {
    return new InputChanged(
        holding, probes.stream().map(Keys::probe).collect(Collectors.toSet()), from, to, false);
  }

  public static InputChanged event(UUID holding, EventKind kind, @Nullable UUID store, Instant at) {
    double acts = kind.actsForSeconds();
    Instant to = Double.isInfinite(acts) ? ALWAYS : at.plusSeconds((long) acts);
    return new InputChanged(holding, Set.of(Keys.event(kind, store)), at, to, false);
  }

  public static InputChanged sky(UUID holding, Instant from, Instant to) {
    Duration heard = Duration.ofSeconds(JudgementInputs.SKY_HEARD);
    return new InputChanged(holding, Set.of(Keys.SKY), from.minus(heard), to.plus(heard), false);
  }

  /** What is not of any time. */
  public static InputChanged design(UUID holding, Set<String> keys) {
    return new InputChanged(holding, keys, EVER, ALWAYS, false);
  }

  /** What holds for a while: always before, or from then on, where one end is absent. */
  public static InputChanged design(
      UUID holding, Set<String> keys, @Nullable Instant from, @Nullable Instant to) {
    return new InputChanged(
        holding, keys, from == null ? EVER : from, to == null ? ALWAYS : to, false);
  }
}
