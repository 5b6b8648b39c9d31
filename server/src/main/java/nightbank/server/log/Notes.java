package nightbank.server.log;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import nightbank.server.holding.Holdings;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Notes written down elsewhere, understood before they are kept. */
@Service
public class Notes {
  private static final int MOST_LETTERS = 200_000;

  private final Stores stores;
  private final Holdings holdings;
  private final Clock clock;

  Notes(Stores stores, Holdings holdings, Clock clock) {
    this.stores = stores;
    this.holdings = holdings;
    this.clock = clock;
  }

  /**
   * What somebody wrote.
   *
   * @param began when minutes since the start were counted from, absent where nobody counted
   */
  public record Written(String text, boolean fahrenheit, @Nullable Instant began) {}

  public NotesView understood(UUID holding, UUID store, Written w) {
    if (w.text() == null
        || w.text().length() > MOST_LETTERS
        || w.text().lines().limit(Readings.MOST_AT_ONCE + 1).count() > Readings.MOST_AT_ONCE) {
      throw tooMany("lines");
    }
    StoreView s = stores.get(holding, store);
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    List<NotesView.Note> read =
        new NoteReader(
                s.probes(),
                w.fahrenheit(),
                s.design().chargeToCelsius(),
                zone,
                clock.instant(),
                w.began())
            .read(w.text());
    if (read.size() > Readings.MOST_AT_ONCE) {
      throw tooMany("figures");
    }
    return new NotesView(read);
  }

  private static Problem tooMany(String what) {
    return Problem.invalid(
        "text",
        "Notes have at most %d %s.".formatted(Readings.MOST_AT_ONCE, what),
        "Hand more than that over as a logger's file.");
  }
}
