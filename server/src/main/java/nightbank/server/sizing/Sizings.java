package nightbank.server.sizing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.sizing.Candidate;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Sized;
import nightbank.core.sizing.SizingSearch;
import nightbank.core.sizing.Winter;
import nightbank.core.store.Place;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.server.book.Books;
import nightbank.server.book.MediaBook;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.shared.Problem;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Service;

/** Searches for the smallest store, one at a time for a holding, and curves over a winter. */
@Service
public class Sizings {
  private static final int MOST = 400;
  private static final int MOST_MEDIA = 40;
  private static final int NIGHTS = 120;
  private static final int FEWEST_NIGHTS = 20;
  private static final long SEED = 17;
  private static final double[] WRAPS = {0, 100};

  private final SizingNights nights;
  private final Books books;
  private final Holdings holdings;
  private final Weathers weathers;
  private final Clock clock;
  private final Cache<UUID, SizingJob> running =
      Caffeine.newBuilder().maximumSize(100).expireAfterAccess(Duration.ofMinutes(30)).build();
  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "sizing");
            t.setDaemon(true);
            return t;
          });

  Sizings(SizingNights nights, Books books, Holdings holdings, Weathers weathers, Clock clock) {
    this.nights = nights;
    this.books = books;
    this.holdings = holdings;
    this.weathers = weathers;
    this.clock = clock;
  }

  @PreDestroy
  void end() {
    running.asMap().values().forEach(SizingJob::stop);
    worker.shutdownNow();
  }

  /** Begins; a search that the holding has running is stopped. */
  public SizingView start(UUID holding, UUID house, SizingQuestion q) {
    MediaBook book = books.media(holding);
    SystemPlan night = night(holding, house, q);
    List<Candidate> candidates = candidates(q, book, night);
    SizingJob job =
        new SizingJob(
            UUID.randomUUID(),
            search(holding, house, night, q, book),
            candidates,
            SystemSimulation.run(night),
            night.house().plantLimitCelsius(),
            book.currency(),
            book.prices());
    SizingJob before = running.asMap().put(holding, job);
    if (before != null) {
      before.stop();
    }
    worker.execute(job);
    return job.view();
  }

  public SizingView view(UUID holding, UUID id) {
    return job(holding, id).view();
  }

  public SizingView stop(UUID holding, UUID id) {
    SizingJob job = job(holding, id);
    job.stop();
    return job.view();
  }

  private SizingJob job(UUID holding, UUID id) {
    SizingJob job = running.getIfPresent(holding);
    if (job == null || !job.view().id().equals(id)) {
      throw Problem.notFound("search");
    }
    return job;
  }

  public CurveView curve(UUID holding, UUID house, CurveQuestion q) {
    MediaBook book = books.media(holding);
    SystemPlan night = night(holding, house, q.sizing());
    Candidate candidate =
        candidates(q.sizing(), book, night).stream()
            .filter(c -> c.container().id().equals(q.container()))
            .filter(c -> c.medium().id().equals(q.medium()))
            .filter(c -> c.wrapMillimetres() == q.wrapMillimetres())
            .findFirst()
            .orElseThrow(() -> Problem.notFound("candidate"));
    if (!(q.dailyJoules() >= 0 && q.dailyJoules() <= 3.6e9)) {
      throw Problem.invalid(
          "dailyJoules", "A day's charge must not be negative.", "0 for as much as is taken.");
    }
    Optional<Winter> recorded = recorded(holding);
    Winter winter =
        recorded.orElseGet(
            () ->
                Problem.field(
                    "hardestLow",
                    () -> Winter.between(q.usualLow(), q.hardestLow(), NIGHTS, SEED)));
    Sized sized = search(holding, house, night, q.sizing(), book).size(candidate);
    List<CurveView.Point> points =
        Season.of(
                nights.winter(holding, house, winter, q.sizing().keepStores()),
                candidate,
                q.dailyJoules())
            .curve(counts(sized.count()))
            .stream()
            .map(
                p ->
                    new CurveView.Point(
                        p.count(),
                        p.massKg(),
                        p.nightsLost(),
                        p.coldDegreeHours(),
                        p.refillingLimits()))
            .toList();
    return new CurveView(winter.nights().size(), recorded.isPresent(), points);
  }

  private SizingSearch search(
      UUID holding, UUID house, SystemPlan night, SizingQuestion q, MediaBook book) {
    return new SizingSearch(
        night, nights.doubt(holding, house), MOST, q.sourceWatts(), book.prices());
  }

  private static List<Integer> counts(int needed) {
    List<Integer> counts = new ArrayList<>();
    for (double share : new double[] {0, 0.25, 0.5, 0.75, 1, 1.5, 2}) {
      int n = (int) Math.ceil(share * needed);
      if (!counts.contains(n)) {
        counts.add(n);
      }
    }
    return counts;
  }

  /** The last two winters' nights from a weather file, when there are enough. */
  private Optional<Winter> recorded(UUID holding) {
    Instant now = clock.instant();
    HoldingView place = holdings.get(holding);
    boolean north = place.latitude() >= 0;
    List<HourlyWeather> hours =
        weathers.recorded(holding, now.minus(Duration.ofDays(500)), now).stream()
            .filter(h -> winterly(h.at(), north))
            .toList();
    int n = hours.size();
    long[] at = new long[n];
    double[] celsius = new double[n];
    double[] wind = new double[n];
    double[] cloud = new double[n];
    for (int i = 0; i < n; i++) {
      HourlyWeather h = hours.get(i);
      at[i] = h.at().getEpochSecond();
      celsius[i] = h.celsius();
      wind[i] = h.wind() == null ? Double.NaN : h.wind();
      cloud[i] = h.cloud() == null ? Double.NaN : h.cloud();
    }
    int offset = ZoneId.of(place.zone()).getRules().getStandardOffset(now).getTotalSeconds();
    return n == 0
        ? Optional.empty()
        : Winter.ofHours(at, celsius, wind, cloud, offset, FEWEST_NIGHTS);
  }

  /** October to April in the north, April to October in the south. */
  private static boolean winterly(Instant at, boolean north) {
    int month = at.atZone(ZoneOffset.UTC).getMonthValue();
    return north ? month >= 10 || month <= 4 : month >= 4 && month <= 10;
  }

  private SystemPlan night(UUID holding, UUID house, SizingQuestion q) {
    SizingNights.range("waterCelsius", q.waterCelsius(), 5, 95, "°C");
    SizingNights.range("solidCelsius", q.solidCelsius(), 5, 600, "°C");
    SizingNights.range("sourceWatts", q.sourceWatts(), 0, 1e6, "W");
    return nights.night(holding, house, q.lowCelsius(), q.wind(), q.cloud(), q.keepStores());
  }

  private static List<Candidate> candidates(SizingQuestion q, MediaBook book, SystemPlan night) {
    List<Medium> media = new ArrayList<>();
    if (q.media() == null || q.media().isEmpty()) {
      MediumCatalogue.media().stream()
          .filter(m -> !m.id().equals("compost") && !m.id().equals("soaked-sand"))
          .forEach(media::add);
      media.addAll(book.own());
    } else {
      if (q.media().size() > MOST_MEDIA) {
        throw Problem.invalid("media", "More than 40 media.", "Choose fewer.");
      }
      for (String id : q.media()) {
        media.add(
            book.medium(id)
                .orElseThrow(
                    () ->
                        Problem.invalid(
                            "media",
                            "There is no medium called " + id + ".",
                            "Choose from the list.")));
      }
    }
    double floor = night.house().plantLimitCelsius() + 3;
    return Candidate.all(
        media,
        wraps(q),
        new Candidate.Reach(q.waterCelsius(), q.solidCelsius()),
        floor,
        Place.onHouseFloor());
  }

  private static double[] wraps(SizingQuestion q) {
    if (q.wrapsMillimetres() == null || q.wrapsMillimetres().isEmpty()) {
      return WRAPS;
    }
    if (q.wrapsMillimetres().size() > 4
        || q.wrapsMillimetres().stream().anyMatch(w -> !(w != null && w >= 0 && w <= 500))) {
      throw Problem.invalid(
          "wrapsMillimetres", "Up to four wraps of 0 to 500 mm.", "Bare and 100 mm will do.");
    }
    return q.wrapsMillimetres().stream().mapToDouble(Double::doubleValue).toArray();
  }
}
