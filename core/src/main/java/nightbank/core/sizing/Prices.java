package nightbank.core.sizing;

import java.util.Map;
import java.util.Optional;

/** The grower's own prices by the id of medium, insulation, part or fuel; most may be missing. */
public record Prices(Map<String, Pack> packs) {
  public static final Prices NONE = new Prices(Map.of());

  public Prices {
    packs = Map.copyOf(packs);
  }

  public Optional<Pack> of(String id) {
    return Optional.ofNullable(packs.get(id));
  }
}
