package nightbank.server.log;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import nightbank.server.holding.Holdings;
import nightbank.server.shared.PlainInput;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.thermometer.ThermometerView;
import nightbank.server.thermometer.Thermometers;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.annotation.JsonDeserialize;

/** Notes written down elsewhere, understood before they are kept. */
@Service
public class Notes {
  private static final int MOST_LETTERS = 200_000;
  private static final double HOTTEST_HOUSE = 50; // °C; estimate

  private final Stores stores;
  private final Holdings holdings;
  private final Thermometers thermometers;
  private final Clock clock;

  Notes(Stores stores, Holdings holdings, Thermometers thermometers, Clock clock) {
    this.stores = stores;
    this.thermometers = thermometers;
    this.holdings = holdings;
    this.clock = clock;
  }

  /**
   * What somebody wrote.
   *
   * @param began when minutes since the start were counted from, absent where nobody counted
   */
  public record Written(
      @JsonDeserialize(using = PlainInput.Pasted.class) String text,
      boolean fahrenheit,
      @Nullable Instant began) {}

  public NotesView understood(UUID holding, UUID store, Written w) {
    check(w);
    StoreView s = stores.get(holding, store);
    List<ProbeView> probes = new ArrayList<>(s.probes());
    Set<String> own = new HashSet<>();
    probes.forEach(p -> own.add(p.name().toLowerCase(Locale.ROOT)));
    thermometers.around(holding, s.houseId()).stream()
        .filter(p -> own.add(p.name().toLowerCase(Locale.ROOT)))
        .forEach(probes::add);
    return understood(holding, probes, s.design().chargeToCelsius(), w);
  }

  /** Of thermometers in houses and outdoors. */
  public NotesView understood(UUID holding, Written w) {
    check(w);
    List<ProbeView> probes =
        thermometers.all(holding).stream().map(ThermometerView::probe).toList();
    return understood(holding, probes, HOTTEST_HOUSE, w);
  }

  private NotesView understood(UUID holding, List<ProbeView> probes, double chargeTo, Written w) {
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    List<NotesView.Note> read =
        new NoteReader(probes, w.fahrenheit(), chargeTo, zone, clock.instant(), w.began())
            .read(w.text());
    if (read.size() > Readings.MOST_AT_ONCE) {
      throw tooMany("figures");
    }
    return new NotesView(read);
  }

  private static void check(Written w) {
    if (w.text() == null
        || w.text().length() > MOST_LETTERS
        || w.text().lines().limit(Readings.MOST_AT_ONCE + 1).count() > Readings.MOST_AT_ONCE) {
      throw tooMany("lines");
    }
  }

  private static Problem tooMany(String what) {
    return Problem.invalid(
        "text",
        "Notes have at most %d %s.".formatted(Readings.MOST_AT_ONCE, what),
        "Hand more than that over as a logger's file.");
  }
}
