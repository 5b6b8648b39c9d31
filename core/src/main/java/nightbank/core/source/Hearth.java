package nightbank.core.source;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.internal.Tables;
import nightbank.core.medium.Range;

/**
 * How a kind of hearth splits its fire's heat; the rest leaves by the flue.
 *
 * @param toStore share that the mass takes up
 * @param toRoom share given to the room at once
 * @param kilogramsPerHour of wood that burns at once with its door and flue
 * @param gasCelsius of what heats the mass
 */
public record Hearth(
    String id,
    String name,
    Range toStore,
    Range toRoom,
    Range kilogramsPerHour,
    double gasCelsius,
    String source) {
  private static final List<Hearth> ALL =
      List.copyOf(Tables.read(Hearth.class, "hearths.tsv", Hearth::row, Hearth::id).values());

  public static List<Hearth> all() {
    return ALL;
  }

  public static Optional<Hearth> of(String id) {
    return ALL.stream().filter(h -> h.id.equals(id)).findFirst();
  }

  /** A dry-wood fire in a bench or wall with a flue through it. */
  public static Hearth bench() {
    return of("flue-bench").orElseThrow();
  }

  /** The grower's own split. */
  public Hearth withSplit(double store, double room) {
    return new Hearth(
        id, name, Range.exactly(store), Range.exactly(room), kilogramsPerHour, gasCelsius, source);
  }

  /** A fire in it by its usual split, for so many stores as it heats alike. */
  public WoodFire fire(List<String> stores, boolean roomAir, List<FireLoad> loads) {
    List<Share> shares = new ArrayList<>();
    for (String store : stores) {
      shares.add(new Share(new Receiver.StoreZone(store), toStore.value() / stores.size()));
    }
    if (toRoom.value() > 0) {
      shares.add(new Share(new Receiver.House(), toRoom.value()));
    }
    return new WoodFire(shares, kilogramsPerHour.value(), gasCelsius, roomAir, loads);
  }

  private static Hearth row(String[] f) {
    return new Hearth(
        f[0],
        f[1],
        new Range(Tables.number(f[2]), Tables.number(f[3]), Tables.number(f[4])),
        new Range(Tables.number(f[5]), Tables.number(f[6]), Tables.number(f[7])),
        new Range(Tables.number(f[8]), Tables.number(f[9]), Tables.number(f[10])),
        Tables.number(f[11]),
        f[12]);
  }
}
