package nightbank.server.sizing;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import nightbank.core.retrofit.Ranking;
import nightbank.core.retrofit.Retrofits;
import nightbank.core.sizing.Winter;
import nightbank.server.book.Books;
import nightbank.server.house.Houses;
import nightbank.server.job.Job;
import nightbank.server.job.JobHandler;
import nightbank.server.job.JobKind;
import nightbank.server.job.JobView;
import nightbank.server.job.Jobs;
import nightbank.server.part.Parts;
import nightbank.server.plant.Feedings;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What next: ranks what can be changed in a house, one search at a time for a holding. */
@Service
public class Rankings implements JobHandler {
  private static final int NIGHTS = 120;
  private static final long SEED = 18; // after that of the usual winter

  private final SizingNights nights;
  private final Winters winters;
  private final Books books;
  private final Houses houses;
  private final Stores stores;
  private final Parts parts;
  private final Feedings feedings;
  private final Jobs jobs;
  private final Json json;

  Rankings(
      SizingNights nights,
      Winters winters,
      Books books,
      Houses houses,
      Stores stores,
      Parts parts,
      Feedings feedings,
      Jobs jobs,
      Json json) {
    this.nights = nights;
    this.winters = winters;
    this.books = books;
    this.houses = houses;
    this.stores = stores;
    this.parts = parts;
    this.feedings = feedings;
    this.jobs = jobs;
    this.json = json;
  }

  record Asked(UUID house, RankingQuestion question, RankingView begun) {}

  /**
   * Begins, and stops another search of the holding that is under way; what was found of late of
   * the same place by the same question is told again.
   */
  @Transactional
  public RankingView start(UUID holding, UUID house, RankingQuestion q) {
    Lived lived = winters(holding, q);
    String subject = subject(holding, house, q, lived);
    Optional<JobView> known = jobs.latest(holding, JobKind.RANKING, subject);
    if (known.isPresent() && !known.get().stopAsked()) {
      return view(holding, known.get().id());
    }
    jobs.open(holding, JobKind.RANKING).forEach(j -> jobs.stop(holding, j.id()));
    RankingView begun = mapping(holding, house, q, lived).begun(house);
    UUID id = jobs.ask(holding, JobKind.RANKING, subject, new Asked(house, q, begun));
    return view(holding, id);
  }

  /** The question, and the versions of all that the place is described by. */
  private String subject(UUID holding, UUID house, RankingQuestion q, Lived lived) {
    StringBuilder all = new StringBuilder(json.write(q).data());
    all.append(house).append(houses.get(holding, house).version());
    stores.all(holding).forEach(s -> all.append(s.id()).append(s.version()));
    parts.all(holding).forEach(p -> all.append(p.id()).append(p.version()));
    Feedings.Place fed = feedings.place(holding, house);
    all.append(fed.logged()).append(fed.parts());
    all.append(books.get(holding).version());
    all.append(lived.winters());
    return UUID.nameUUIDFromBytes(all.toString().getBytes(StandardCharsets.UTF_8)).toString();
  }

  public RankingView view(UUID holding, UUID id) {
    JobView job =
        jobs.find(holding, JobKind.RANKING, id).orElseThrow(() -> Problem.notFound("search"));
    return job.told()
        .map(told -> json.read(told, RankingView.class))
        .orElseGet(() -> json.read(job.asked(), Asked.class).begun())
        .as(id, job.seen().name());
  }

  public RankingView stop(UUID holding, UUID id) {
    jobs.stop(holding, id);
    return view(holding, id);
  }

  @Override
  public JobKind kind() {
    return JobKind.RANKING;
  }

  @Override
  public void run(Job job) {
    Asked asked = job.asked(Asked.class);
    RankingQuestion q = asked.question();
    Lived lived = winters(job.holding(), q);
    RankingMapping to = mapping(job.holding(), asked.house(), q, lived);
    Ranking.Question question =
        new Ranking.Question(
            nights.winters(job.holding(), asked.house(), lived.winters(), true).stream()
                .map(Retrofits::asUsual)
                .toList(),
            nights.doubt(job.holding(), asked.house()),
            Retrofits::of,
            to.book().prices(),
            q.hourWorth());
    try {
      Ranking found =
          Ranking.of(question, (n, of) -> job.progress(to.going(job.id(), n, of)), job::stopped);
      job.finish(to.done(job.id(), found));
    } catch (CancellationException e) {
      job.leave(to.begun(job.id()));
    }
  }

  /** The winters that are asked about. */
  private record Lived(List<Winter> winters, boolean recorded) {}

  private Lived winters(UUID holding, RankingQuestion q) {
    if (!(q.hourWorth() >= 0 && q.hourWorth() <= 1e4)) {
      throw Problem.invalid(
          "hourWorth", "An hour must be worth 0 to 10000.", "0 where only money counts.");
    }
    Optional<Winter> recorded =
        Boolean.FALSE.equals(q.recorded()) ? Optional.empty() : winters.recorded(holding);
    if (recorded.isEmpty() && Boolean.TRUE.equals(q.recorded())) {
      throw Problem.invalid(
          "recorded",
          "There are not " + Winter.FEWEST + " nights of this place's own weather.",
          "Hand over a weather file under Place, or take a made-up winter.");
    }
    return new Lived(recorded.map(List::of).orElseGet(() -> madeUp(q)), recorded.isPresent());
  }

  private RankingMapping mapping(UUID holding, UUID house, RankingQuestion q, Lived lived) {
    return new RankingMapping(
        house,
        names(holding),
        books.materials(holding),
        lived.recorded(),
        lived.winters().get(0).nights().size(),
        q.hourWorth());
  }

  private static List<Winter> madeUp(RankingQuestion q) {
    return Problem.field(
        "hardestLow",
        () ->
            Stream.concat(
                    Stream.of(Winter.usual(q.usualLow(), q.hardestLow())),
                    LongStream.range(SEED, SEED + Ranking.MEMBERS - 1)
                        .mapToObj(
                            seed -> Winter.between(q.usualLow(), q.hardestLow(), NIGHTS, seed)))
                .toList());
  }

  private Map<String, String> names(UUID holding) {
    Map<String, String> names = new HashMap<>();
    stores.all(holding).forEach(s -> names.put(s.id().toString(), s.name()));
    parts.all(holding).forEach(p -> names.put(p.id().toString(), p.name()));
    return names;
  }
}
