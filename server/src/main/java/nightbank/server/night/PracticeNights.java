package nightbank.server.night;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.IntStream;
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.practice.Lesson;
import nightbank.core.practice.PracticeNight;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.Houses;
import nightbank.server.night.PracticeView.DawnView;
import nightbank.server.night.PracticeView.DecisionView;
import nightbank.server.night.PracticeView.PastView;
import nightbank.server.night.PracticeView.Said;
import nightbank.server.night.PracticeView.SeenView;
import nightbank.server.night.PracticeView.StoreSeen;
import nightbank.server.night.PracticeView.WayView;
import nightbank.server.night.TonightQuestion.Doing;
import nightbank.server.night.internal.PracticeRepository;
import nightbank.server.shared.Problem;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Nights that people live through before they are real: begun, gone on with, looked back at. */
@Service
public class PracticeNights {
  private static final Duration BEFORE_SUNSET = Duration.ofMinutes(30);
  private static final double SAME = 1e-6; // K
  private static final int MOST_DOINGS = 100;
  private static final double ANY = 10; // °C, where it does not matter

  private final Outlooks outlooks;
  private final Holdings holdings;
  private final Houses houses;
  private final Stores stores;
  private final PracticeRepository repository;
  private final Clock clock;

  PracticeNights(
      Outlooks outlooks,
      Holdings holdings,
      Houses houses,
      Stores stores,
      PracticeRepository repository,
      Clock clock) {
    this.outlooks = outlooks;
    this.holdings = holdings;
    this.houses = houses;
    this.stores = stores;
    this.repository = repository;
    this.clock = clock;
  }

  /**
   * The evening that is asked for.
   *
   * @param id made by whoever asks, so that twice is once
   * @param lesson in place of what follows it, absent for that
   */
  public record Evening(
      UUID id,
      @Nullable Lesson lesson,
      @Nullable Double lowCelsius,
      @Nullable Double cloud,
      @Nullable Double wind) {}

  /**
   * What a person does next.
   *
   * @param doing from now on; its own times are not regarded
   * @param ends what was going on and ends now
   * @param to time runs on until then, absent for no further
   * @param alarmCelsius below which air wakes who sleeps, absent for who stays awake
   */
  public record NightStep(
      @Nullable Doing doing,
      @Nullable Doing ends,
      @Nullable Instant to,
      @Nullable Double alarmCelsius) {}

  /**
   * As it is kept.
   *
   * @param stated the coldest of the middle night, nothing done: it tells whether the place is
   *     still the one that the night began in
   * @param lived s of it
   * @param ended as it was told at dawn, absent until then
   */
  public record Kept(
      UUID id,
      UUID houseId,
      Instant begins,
      long seed,
      TonightQuestion question,
      Said said,
      double stated,
      double lived,
      List<Doing> doings,
      @Nullable PracticeView ended) {
    Kept lived(double to, List<Doing> done) {
      return new Kept(id, houseId, begins, seed, question, said, stated, to, done, null);
    }
  }

  public PracticeView begin(UUID holding, UUID person, UUID house, Evening asked) {
    Evening e = evening(asked, houses.get(holding, house).design().plantLimitCelsius());
    HoldingView place = holdings.get(holding);
    SunTimes sun = SunTimes.of(clock.instant(), place.latitude(), place.longitude());
    Instant begins =
        sun.sunset()
            .map(s -> s.minus(BEFORE_SUNSET))
            .orElseGet(clock::instant)
            .truncatedTo(ChronoUnit.SECONDS);
    Outlook as = outlooks.from(begins, holding, house, question(e, null, null, null, null));
    SystemPlan plan = as.plan();
    Map<String, Double> set = starts(e.lesson(), plan);
    TonightQuestion fixed =
        question(
            e,
            plan.weather().outdoorCelsius()[0],
            plan.airCelsius(),
            plan.massCelsius(),
            as.stores().stream()
                .map(
                    s ->
                        new TonightQuestion.StoreRead(
                            s.view().id(),
                            set.getOrDefault(s.view().id().toString(), s.state().meanCelsius())))
                .toList());
    Outlook evening = outlooks.from(begins, holding, house, fixed);
    Kept kept =
        new Kept(
            e.id(),
            house,
            begins,
            ThreadLocalRandom.current().nextLong(),
            fixed,
            said(evening, e),
            stated(evening),
            0,
            List.of(),
            null);
    if (!repository.begin(holding, person, kept)) {
      throw Problem.knownId("practice night");
    }
    return look(evening, kept, false);
  }

  /** What a lesson sets of the place's stores. */
  private static Map<String, Double> starts(@Nullable Lesson lesson, SystemPlan plan) {
    if (lesson == null) {
      return Map.of();
    }
    if (!Lesson.of(plan.system()).contains(lesson)) {
      throw Problem.invalid(
          "lesson", "This place has no part that it is about.", "Choose another evening.");
    }
    return lesson.starts(plan.system(), plan.house().plantLimitCelsius());
  }

  /** Lessons that a house has the parts for, the easiest first. */
  public List<Lesson> lessons(UUID holding, UUID house) {
    Evening any = new Evening(house, null, ANY, null, null);
    List<TonightQuestion.StoreRead> anyhow =
        stores.all(holding).stream().map(s -> new TonightQuestion.StoreRead(s.id(), ANY)).toList();
    return Lesson.of(
        outlooks
            .from(clock.instant(), holding, house, question(any, ANY, ANY, ANY, anyhow))
            .plan()
            .system());
  }

  private static Evening evening(Evening e, double plantLimit) {
    if (e.id() == null || e.lowCelsius() == null && e.lesson() == null) {
      throw Problem.invalid("lowCelsius", "How cold it gets is missing.", "Give the night's low.");
    }
    Lesson l = e.lesson();
    return l == null
        ? e
        : new Evening(e.id(), l, l.lowCelsius(plantLimit), l.cloud(), l.windMetresPerSecond());
  }

  private static TonightQuestion question(
      Evening e,
      @Nullable Double evening,
      @Nullable Double air,
      @Nullable Double floor,
      @Nullable List<TonightQuestion.StoreRead> stores) {
    return TonightQuestionBuilder.builder()
        .lowCelsius(e.lowCelsius())
        .lowAt(null)
        .eveningCelsius(evening)
        .cloud(e.cloud())
        .wind(e.wind())
        .airCelsius(air)
        .floorCelsius(floor)
        .stores(stores)
        .actions(null)
        .quick(null)
        .design(null)
        .build();
  }

  public PracticeView get(UUID holding, UUID person, UUID id) {
    Kept k = find(holding, person, id);
    return k.ended() != null ? k.ended() : look(outlook(holding, k), k, false);
  }

  public List<PastView> past(UUID holding, UUID person) {
    return repository.past(holding, person);
  }

  public PracticeView step(UUID holding, UUID person, UUID id, NightStep step) {
    Kept k = find(holding, person, id);
    if (k.ended() != null) {
      throw Problem.invalid("to", "The night is over.", "Begin another.");
    }
    Outlook as = outlook(holding, k);
    double end = as.plan().lengthSeconds();
    List<Doing> doings = new ArrayList<>(k.doings());
    Instant now = at(k, k.lived());
    Instant dawn = at(k, end);
    if (step.ends() != null) {
      end(doings, step.ends(), now, dawn);
    }
    if (step.doing() != null) {
      if (doings.size() >= MOST_DOINGS) {
        throw Problem.invalid(
            "doing", "More than " + MOST_DOINGS + " things were done.", "Let the night run out.");
      }
      Doing d = step.doing();
      doings.add(new Doing(d.kind(), d.of(), now, dawn, d.amount()));
    }
    List<TonightView.Assumption> gone = new ArrayList<>();
    List<Action> actions = as.doings().toCore(doings, gone);
    if (!gone.isEmpty()) {
      throw Problem.invalid("doing", "There is no such thing in this place.", "Choose another.");
    }
    double to = k.lived();
    boolean rang = false;
    if (step.to() != null) {
      to = Math.max(to, Math.min(end, as.seconds(step.to())));
      OptionalDouble wakes =
          step.alarmCelsius() == null
              ? OptionalDouble.empty()
              : night(as, k).wakes(all(as, actions), k.lived(), step.alarmCelsius());
      rang = wakes.isPresent() && wakes.getAsDouble() < to;
      to = rang ? wakes.getAsDouble() : to;
    }
    Kept next = k.lived(to, doings);
    PracticeView view = look(as, next, rang);
    if (!repository.keep(holding, person, k, next, view)) {
      throw Problem.changedMeanwhile("practice night");
    }
    return view;
  }

  /** What lasts until dawn, ended now. */
  private static void end(List<Doing> doings, Doing one, Instant now, Instant dawn) {
    for (int i = doings.size() - 1; i >= 0; i--) {
      Doing d = doings.get(i);
      if (d.kind() == one.kind() && Objects.equals(d.of(), one.of()) && d.to().equals(dawn)) {
        doings.set(i, new Doing(d.kind(), d.of(), d.from(), now, d.amount()));
        return;
      }
    }
    throw Problem.invalid("ends", "That is not going on.", "Look at what was done so far.");
  }

  private Kept find(UUID holding, UUID person, UUID id) {
    return repository
        .find(holding, person, id)
        .orElseThrow(() -> Problem.notFound("practice night"));
  }

  private Outlook outlook(UUID holding, Kept k) {
    Outlook as = outlooks.from(k.begins(), holding, k.houseId(), k.question());
    if (Math.abs(stated(as) - k.stated()) > SAME) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "changed-since",
          "practice",
          "House, stores or parts were changed since this night began.",
          "Begin another night.");
    }
    return as;
  }

  private static Said said(Outlook as, Evening e) {
    NightForecast f =
        NightForecast.of(as.plan().withActions(as.standing()), as.doubt(), Advice.MEMBERS);
    return new Said(
        Objects.requireNonNull(e.lowCelsius()),
        e.cloud() == null ? Weather.USUAL_CLOUD : e.cloud(),
        e.wind() == null ? Weather.USUAL_WIND : e.wind(),
        f.chanceOfHolding(),
        f.lowestTenth(),
        f.lowestMedian(),
        f.verdict());
  }

  private static double stated(Outlook as) {
    return SystemSimulation.run(as.plan().withActions(as.standing())).lowestCelsius();
  }

  private static PracticeNight night(Outlook as, Kept k) {
    return PracticeNight.of(as.plan(), as.doubt(), k.seed());
  }

  private static List<Action> all(Outlook as, List<Action> done) {
    List<Action> all = new ArrayList<>(as.standing());
    all.addAll(done);
    return all;
  }

  private static PracticeView look(Outlook as, Kept k, boolean rang) {
    SystemPlan bare = as.plan().withActions(as.standing());
    List<Action> done = all(as, as.doings().toCore(k.doings(), new ArrayList<>()));
    PracticeNight night = night(as, k);
    PracticeNight.Seen seen = night.until(done, k.lived());
    boolean over = k.lived() >= as.plan().lengthSeconds() - 1;
    return new PracticeView(
        k.id(),
        k.houseId(),
        k.begins(),
        at(k, k.lived()),
        at(k, as.plan().lengthSeconds()),
        rang,
        k.said(),
        bare.house().plantLimitCelsius(),
        seen(as, k, seen),
        as.doings().views(as.possible()),
        k.doings(),
        over ? dawn(as, k, bare, done, night) : null);
  }

  private static Instant at(Kept k, double seconds) {
    return k.begins().plusSeconds((long) seconds);
  }

  private static SeenView seen(Outlook as, Kept k, PracticeNight.Seen seen) {
    return new SeenView(
        Arrays.stream(seen.seconds()).mapToObj(s -> at(k, s)).toList(),
        list(seen.air()),
        list(seen.outdoor()),
        IntStream.range(0, seen.stores().size())
            .mapToObj(
                i ->
                    new StoreSeen(
                        as.stores().get(i).view().id(),
                        as.stores().get(i).view().name(),
                        list(seen.stores().get(i))))
            .toList());
  }

  private static List<Double> list(double[] values) {
    return Arrays.stream(values).boxed().toList();
  }

  private static DawnView dawn(
      Outlook as, Kept k, SystemPlan bare, List<Action> done, PracticeNight night) {
    double dusk = as.nights().get(0).sunset().map(as::seconds).orElse(1800.0);
    Advice advice = Advice.find(bare, Possible.options(bare, as.possible(), dusk), as.doubt());
    PracticeNight.Dawn dawn = night.dawn(done, advice.actions(), as.standing());
    List<Action> advised = new ArrayList<>(advice.actions());
    advised.removeAll(as.standing());
    return new DawnView(
        way(k, dawn.own()),
        way(k, dawn.advised()),
        way(k, dawn.idle()),
        as.doings().views(advised),
        list(dawn.advisedAir()),
        dawn.left().stream().map(l -> left(as, l)).toList(),
        dawn.turned().stream()
            .map(t -> new PracticeView.TurnedView(as.doings().name(t.circuit()), t.joules()))
            .toList(),
        dawn.decisions().stream()
            .map(
                d ->
                    new DecisionView(
                        d.action().kind(),
                        d.action().of().isBlank() ? "" : as.doings().name(d.action().of()),
                        Double.isNaN(d.action().amount()) ? null : d.action().amount(),
                        at(k, d.action().fromSeconds()),
                        d.done(),
                        d.kelvin()))
            .toList());
  }

  private static PracticeView.LeftView left(Outlook as, PracticeNight.Left l) {
    return new PracticeView.LeftView(
        as.stores().stream()
            .map(s -> s.view())
            .filter(v -> v.id().toString().equals(l.store()))
            .map(v -> v.name())
            .findFirst()
            .orElse(""),
        l.beganCelsius(),
        l.dawnCelsius(),
        l.idleCelsius(),
        l.putJoules(),
        l.keptJoules(),
        l.cameLate(),
        l.overdrawn());
  }

  private static WayView way(Kept k, PracticeNight.Way w) {
    return new WayView(
        w.held(), w.lowestCelsius(), at(k, w.lowestAtSeconds()), w.minutes(), w.wood());
  }
}
