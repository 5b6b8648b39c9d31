package nightbank.server.plant;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.core.evidence.ReadingCleaner;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.source.Feedstock;
import nightbank.core.usual.Usual;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.holding.Holdings;
import nightbank.server.house.Houses;
import nightbank.server.log.Readings;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartView;
import nightbank.server.part.Parts;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;

/** A winter of the heaps beside a house. */
@Service
public class HeapWinters {
  private static final Duration LONGEST = Duration.ofDays(400);
  private static final int A_DAY = 8; // readings looked at

  private final Houses houses;
  private final Parts parts;
  private final Stores stores;
  private final Readings readings;
  private final Feedings feedings;
  private final Books books;
  private final Holdings holdings;

  HeapWinters(
      Houses houses,
      Parts parts,
      Stores stores,
      Readings readings,
      Feedings feedings,
      Books books,
      Holdings holdings) {
    this.houses = houses;
    this.parts = parts;
    this.stores = stores;
    this.readings = readings;
    this.feedings = feedings;
    this.books = books;
    this.holdings = holdings;
  }

  public List<HeapWinterView> of(UUID holding, UUID house, LocalDate from, LocalDate to) {
    houses.get(holding, house); // of this holding, or there is none
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    if (to.isBefore(from)) {
      throw Problem.invalid("from", "The first day must come before the last.", "Check both.");
    }
    Instant first = from.atStartOfDay(zone).toInstant();
    Instant last = to.plusDays(1).atStartOfDay(zone).toInstant();
    if (Duration.between(first, last).compareTo(LONGEST) > 0) {
      throw Problem.invalid("to", "400 days at most.", "Take one winter.");
    }
    Materials materials = books.materials(holding);
    List<StoreView> own = stores.all(holding);
    return parts.of(holding, house).stream()
        .map(PartView::design)
        .filter(PartDesign.Heap.class::isInstance)
        .map(PartDesign.Heap.class::cast)
        .flatMap(
            h ->
                own.stream()
                    .filter(s -> s.id().equals(h.storeId()))
                    .map(s -> view(holding, h, s, materials, first, last, zone)))
        .toList();
  }

  private HeapWinterView view(
      UUID holding,
      PartDesign.Heap heap,
      StoreView store,
      Materials materials,
      Instant first,
      Instant last,
      ZoneId zone) {
    double keep = Usual.HEAP_KEPT_OVER.value();
    List<HeapWinterView.Day> days =
        days(holding, store, first, last, zone).entrySet().stream()
            .map(e -> new HeapWinterView.Day(e.getKey(), e.getValue()))
            .toList();
    return new HeapWinterView(
        store.id(),
        store.name(),
        keep,
        days,
        (int) days.stream().filter(d -> d.celsius() > keep).count(),
        feedings.whole(holding, heap).fed().stream()
            .filter(f -> f.at() != null && !f.at().isBefore(first) && f.at().isBefore(last))
            .map(
                f ->
                    new HeapWinterView.Load(
                        f.at(),
                        materials
                            .feedstock(f.feedstock())
                            .map(Feedstock::name)
                            .orElse(f.feedstock()),
                        f.kilograms()))
            .toList());
  }

  private SortedMap<LocalDate, Double> days(
      UUID holding, StoreView store, Instant first, Instant last, ZoneId zone) {
    List<UUID> inside =
        store.probes().stream()
            .filter(p -> p.kind() == ProbeView.Kind.STORE)
            .map(ProbeView::id)
            .toList();
    int most = A_DAY * (int) ChronoUnit.DAYS.between(first, last);
    SortedMap<LocalDate, Double> days = new TreeMap<>();
    for (ReadingSeries s : readings.series(holding, inside, first, last, most).values()) {
      ReadingSeries kept =
          ReadingCleaner.clean(s, ReadingCleaner.SENSOR_LOW, ReadingCleaner.SENSOR_HIGH).kept();
      for (int i = 0; i < kept.size(); i++) {
        LocalDate day = Instant.ofEpochSecond(kept.epochSeconds()[i]).atZone(zone).toLocalDate();
        days.merge(day, kept.celsius()[i], Math::max);
      }
    }
    return days;
  }
}
