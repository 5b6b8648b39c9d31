package nightbank.server.book;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.sizing.Prices;
import nightbank.core.source.Feedstock;
import org.jspecify.annotations.Nullable;

/** What can be built with and fed in one holding, its own before the tables', and the prices. */
public record Materials(
    List<Medium> media,
    List<InsulationMaterial> insulation,
    List<Feedstock> feedstocks,
    Prices prices,
    String currency) {

  public Optional<Medium> medium(@Nullable String id) {
    return own(media, Medium::id, id).or(() -> MediumCatalogue.medium(id == null ? "" : id));
  }

  public Optional<InsulationMaterial> insulation(@Nullable String id) {
    return own(insulation, InsulationMaterial::id, id)
        .or(() -> MediumCatalogue.insulation(id == null ? "" : id));
  }

  public Optional<Feedstock> feedstock(@Nullable String id) {
    return own(feedstocks, Feedstock::id, id).or(() -> Feedstock.of(id == null ? "" : id));
  }

  private static <T> Optional<T> own(List<T> all, Function<T, String> idOf, @Nullable String id) {
    return all.stream().filter(t -> idOf.apply(t).equals(id)).findFirst();
  }
}
