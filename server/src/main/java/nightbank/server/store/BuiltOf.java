package nightbank.server.store;

import java.util.stream.Stream;
import nightbank.server.book.Books;
import nightbank.server.shared.Problem;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Keeps in the book what a store is built of, or was. */
@Component
class BuiltOf {
  private final Stores stores;

  BuiltOf(Stores stores) {
    this.stores = stores;
  }

  @EventListener
  void keep(Books.TakenOut out) {
    for (StoreView s : stores.all(out.holding())) {
      if (Stream.concat(Stream.of(s.design()), s.earlier().stream().map(Arrangement::design))
          .anyMatch(d -> d.isOf(out.ids()))) {
        throw Problem.invalid(
            "media",
            "“%s” is built of it, or was.".formatted(s.name()),
            "Fill or wrap that store otherwise first, also as it was earlier.");
      }
    }
  }
}
