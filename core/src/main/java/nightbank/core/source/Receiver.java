package nightbank.core.source;

import java.util.Optional;
import nightbank.core.store.HeatedZone;
import org.jspecify.annotations.Nullable;

/** What takes heat up from a source. */
public sealed interface Receiver {
  /** The store that it is part of. */
  default Optional<String> storeId() {
    return Optional.empty();
  }

  /**
   * A part of a store.
   *
   * @param zone null for the store's own
   */
  record StoreZone(String store, @Nullable HeatedZone zone) implements Receiver {
    public StoreZone(String store) {
      this(store, null);
    }

    @Override
    public Optional<String> storeId() {
      return Optional.of(store);
    }
  }

  /** The house's air, and by long waves what stands in it. */
  record House() implements Receiver {}

  /** A boiler's water, on its way through a circuit. */
  record Circuit(String circuit) implements Receiver {}
}
