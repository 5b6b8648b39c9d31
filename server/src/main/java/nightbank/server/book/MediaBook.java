package nightbank.server.book;

import java.util.List;
import java.util.Optional;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.sizing.Prices;

/** The media and prices that count in one holding. */
public record MediaBook(List<Medium> own, Prices prices, String currency) {
  public Optional<Medium> medium(String id) {
    return own.stream()
        .filter(m -> m.id().equals(id))
        .findFirst()
        .or(() -> MediumCatalogue.medium(id == null ? "" : id));
  }
}
