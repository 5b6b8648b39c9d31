package nightbank.core.source;

import java.util.List;

/** Part of a source's heat that goes to one receiver. */
public record Share(Receiver to, double of) {
  public Share {
    if (!(of >= 0 && of <= 1)) {
      throw new IllegalArgumentException("a share must lie in 0 to 1, was " + of);
    }
  }

  /** All of it into a store. */
  public static List<Share> allTo(String store) {
    return List.of(new Share(new Receiver.StoreZone(store), 1));
  }

  /** All of it into the house. */
  public static List<Share> allToHouse() {
    return List.of(new Share(new Receiver.House(), 1));
  }

  static List<Share> checked(List<Share> shares) {
    double sum = shares.stream().mapToDouble(Share::of).sum();
    if (shares.isEmpty()) {
      throw new IllegalArgumentException("a source must heat something");
    }
    if (sum > 1 + 1e-9) {
      throw new IllegalArgumentException("shares cannot be more than the whole heat, were " + sum);
    }
    return List.copyOf(shares);
  }
}
