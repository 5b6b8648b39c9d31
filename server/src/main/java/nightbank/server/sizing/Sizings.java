package nightbank.server.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.sizing.Candidate;
import nightbank.core.sizing.Means;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Sized;
import nightbank.core.sizing.SizingSearch;
import nightbank.core.sizing.Winter;
import nightbank.core.store.Place;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.server.book.Books;
import nightbank.server.book.Materials;
import nightbank.server.job.Job;
import nightbank.server.job.JobHandler;
import nightbank.server.job.JobKind;
import nightbank.server.job.JobView;
import nightbank.server.job.Jobs;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Searches for the smallest store, one at a time for a holding, and curves over a winter. */
@Service
public class Sizings implements JobHandler {
  private static final int MOST = 400;
  private static final int MOST_MEDIA = 40;
  private static final double[] WRAPS = {0, 100};

  private final SizingNights nights;
  private final Books books;
  private final Winters winters;
  private final Jobs jobs;
  private final Json json;

  Sizings(SizingNights nights, Books books, Winters winters, Jobs jobs, Json json) {
    this.nights = nights;
    this.books = books;
    this.winters = winters;
    this.jobs = jobs;
    this.json = json;
  }

  /**
   * What is searched.
   *
   * @param begun what is known before anything is tried
   */
  record Asked(UUID house, SizingQuestion question, SizingView begun) {}

  /** Begins; a search that the holding has running is stopped. */
  @Transactional
  public SizingView start(UUID holding, UUID house, SizingQuestion q) {
    Search search = searched(holding, house, q);
    jobs.open(holding, JobKind.SIZING).forEach(j -> jobs.stop(holding, j.id()));
    UUID subject = UUID.randomUUID();
    SizingView begun = search.view(subject, JobView.State.RUNNING, 0, List.of(), List.of());
    UUID id = jobs.ask(holding, JobKind.SIZING, subject.toString(), new Asked(house, q, begun));
    return view(holding, id);
  }

  public SizingView view(UUID holding, UUID id) {
    JobView job =
        jobs.find(holding, JobKind.SIZING, id).orElseThrow(() -> Problem.notFound("search"));
    return job.told()
        .map(told -> json.read(told, SizingView.class))
        .orElseGet(() -> json.read(job.asked(), Asked.class).begun())
        .as(id, job.seen().name());
  }

  public SizingView stop(UUID holding, UUID id) {
    jobs.stop(holding, id);
    return view(holding, id);
  }

  @Override
  public JobKind kind() {
    return JobKind.SIZING;
  }

  @Override
  public void run(Job job) {
    Asked asked = job.asked(Asked.class);
    Search s = searched(job.holding(), asked.house(), asked.question());
    List<Means> means = s.search().means();
    AtomicInteger most = new AtomicInteger();
    List<Sized> found =
        s.search()
            .run(
                s.candidates(),
                n ->
                    job.progress(
                        s.view(
                            job.id(),
                            JobView.State.RUNNING,
                            most.accumulateAndGet(n, Math::max),
                            List.of(),
                            means)),
                job::stopped);
    if (job.stopped()) {
      job.leave(s.view(job.id(), JobView.State.STOPPED, most.get(), found, means));
    } else {
      job.finish(s.view(job.id(), JobView.State.DONE, s.candidates().size(), found, means));
    }
  }

  /** All that a search needs. */
  private record Search(
      SizingSearch search,
      List<Candidate> candidates,
      SystemResult without,
      double limit,
      Materials book) {
    SizingView view(UUID id, JobView.State state, int done, List<Sized> found, List<Means> means) {
      return SizingViewBuilder.builder()
          .id(id)
          .state(state.name())
          .done(done)
          .of(candidates.size())
          .limitCelsius(limit)
          .marginKelvin(search.margin())
          .withoutCelsius(without.lowestCelsius())
          .billJoules(without.billJoules())
          .peakWatts(without.peakDemandWatts())
          .currency(book.currency())
          .found(found.stream().map(SizedMapping::view).toList())
          .means(means.stream().map(m -> SizedMapping.view(m, book.prices())).toList())
          .build();
    }
  }

  private Search searched(UUID holding, UUID house, SizingQuestion q) {
    Materials book = books.materials(holding);
    SystemPlan night = night(holding, house, q);
    return new Search(
        search(holding, house, night, q, book),
        candidates(q, book, night),
        SystemSimulation.run(night),
        night.house().plantLimitCelsius(),
        book);
  }

  public CurveView curve(UUID holding, UUID house, CurveQuestion q) {
    Materials book = books.materials(holding);
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
    Optional<Winter> recorded = winters.recorded(holding);
    Winter winter =
        recorded.orElseGet(
            () -> Problem.field("hardestLow", () -> Winter.usual(q.usualLow(), q.hardestLow())));
    Sized sized = search(holding, house, night, q.sizing(), book).size(candidate);
    List<CurveView.Point> points =
        Season.of(
                nights.winters(holding, house, List.of(winter), q.sizing().keepStores()).get(0),
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
      UUID holding, UUID house, SystemPlan night, SizingQuestion q, Materials book) {
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

  private SystemPlan night(UUID holding, UUID house, @Nullable SizingQuestion q) {
    if (q == null) {
      throw Problem.invalid(
          "sizing", "It is not said for which night.", "Go back to sizing and open it from there.");
    }
    SizingNights.range("waterCelsius", q.waterCelsius(), 5, 95, "°C");
    SizingNights.range("solidCelsius", q.solidCelsius(), 5, 600, "°C");
    SizingNights.range("sourceWatts", q.sourceWatts(), 0, 1e6, "W");
    return nights.night(holding, house, q.lowCelsius(), q.wind(), q.cloud(), q.keepStores());
  }

  private static List<Candidate> candidates(SizingQuestion q, Materials book, SystemPlan night) {
    List<Medium> media = new ArrayList<>();
    if (q.media() == null || q.media().isEmpty()) {
      MediumCatalogue.media().stream()
          .filter(m -> !m.id().equals("compost") && !m.id().equals("soaked-sand"))
          .forEach(media::add);
      media.addAll(book.media());
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
