package nightbank.server.night;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.forecast.StartOfNight;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.SolarGain;
import nightbank.core.system.Action;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.usual.Usual;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.book.Books;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.part.PartView;
import nightbank.server.part.Span;
import nightbank.server.plant.Feedings;
import nightbank.server.plant.Plants;
import nightbank.server.store.LidHours;
import nightbank.server.weather.Weathers;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Gathers what is known of a house now: its start, its weather, what runs and what is planned. */
@Component
class Outlooks {
  private static final double STEP = 240;
  private static final double STEP_OF_DAYS = 600;
  private static final int MOST_NIGHTS = 7;

  private final Holdings holdings;
  private final Books books;
  private final Houses houses;
  private final InitialConditions starts;
  private final Feedings feedings;
  private final Weathers weathers;
  private final Clock clock;

  /** What the last whole answer began from, for the quick ones while a hand moves. */
  private final Cache<Asked, Start> started =
      Caffeine.newBuilder().maximumSize(200).expireAfterWrite(Duration.ofSeconds(60)).build();

  Outlooks(
      Holdings holdings,
      Houses houses,
      InitialConditions starts,
      Feedings feedings,
      Weathers weathers,
      Clock clock,
      Books books) {
    this.books = books;
    this.holdings = holdings;
    this.houses = houses;
    this.starts = starts;
    this.feedings = feedings;
    this.weathers = weathers;
    this.clock = clock;
  }

  private record Asked(
      UUID holding,
      UUID house,
      Double evening,
      Double low,
      Double air,
      Double floor,
      List<TonightQuestion.StoreRead> stores,
      Instant end) {}

  private record Start(
      double evening,
      double air,
      double mass,
      List<InitialConditions.StoreStart> stores,
      List<PartView> parts,
      List<TonightView.Assumption> assumed,
      Weathers.@Nullable Known known) {}

  private record TimeInterval(
      Instant now, List<SunTimes> nights, double length, double step, Weather weather) {}

  /** From now to sunrise. */
  Outlook tonight(UUID holding, UUID houseId, TonightQuestion q) {
    return from(clock.instant(), holding, houseId, q);
  }

  /** From a moment to the next sunrise. */
  Outlook from(Instant now, UUID holding, UUID houseId, TonightQuestion q) {
    TonightWeather.check(q);
    HoldingView place = holdings.get(holding);
    SunTimes sun = SunTimes.of(now, place.latitude(), place.longitude());
    boolean quick = Boolean.TRUE.equals(q.quick());
    Start start = start(holding, houseId, q, now, sun, quick);
    double length = lengthOfTonight(q, now, sun);
    TimeInterval stretch =
        new TimeInterval(
            now, List.of(sun), length, STEP, weatherOfTonight(start, q, now, sun, length));
    NightForecast.Doubt doubt =
        q.lowCelsius() != null
            ? NightForecast.Doubt.ofTypedNight()
            : NightForecast.Doubt.ofForecast(length / 3600 / 2);
    return look(place, houseId, q, start, stretch, doubt);
  }

  /** From now to the last sunrise that the weather is known to, a week at most. */
  Outlook days(UUID holding, UUID houseId, TonightQuestion q) {
    TonightWeather.check(q);
    Instant now = clock.instant();
    HoldingView place = holdings.get(holding);
    SunTimes sun = SunTimes.of(now, place.latitude(), place.longitude());
    Start start = start(holding, houseId, q, now, sun, true);
    Weathers.Known known = weathers.between(holding, now, now.plus(Duration.ofDays(MOST_NIGHTS)));
    List<SunTimes> nights =
        TonightWeather.nights(known, sun, now, place.latitude(), place.longitude(), MOST_NIGHTS);
    double tonight = lengthOfTonight(q, now, sun);
    Weather first = weatherOfTonight(start, q, now, sun, tonight);
    Instant end = TonightWeather.dawn(nights.get(nights.size() - 1), now);
    double length = Math.max(tonight, Duration.between(now, end).toSeconds());
    Weather weather = nights.size() < 2 ? first : TonightWeather.then(first, tonight, known, now);
    return look(
        place,
        houseId,
        q,
        start,
        new TimeInterval(now, nights, length, STEP_OF_DAYS, weather),
        NightForecast.Doubt.ofForecast(0).overDays());
  }

  private Outlook look(
      HoldingView place,
      UUID houseId,
      TonightQuestion q,
      Start start,
      TimeInterval over,
      NightForecast.Doubt doubt) {
    HouseDesign kept = houses.get(place.id(), houseId).design();
    HouseDesign design = q.design() == null ? kept : q.design();
    Greenhouse house = houses.tried(design);
    Instant now = over.now();
    Weather weather = over.weather();
    ZoneId zone = ZoneId.of(place.zone());
    List<InitialConditions.StoreStart> stores = start.stores();
    PlantSystem system =
        Plants.system(
            house,
            stores.stream().map(InitialConditions.StoreStart::standing).toList(),
            start.parts(),
            new Span(now, over.length(), zone),
            new Plants.Sunshine(
                weather.seconds(),
                SolarGain.onUpright(
                    front(design, place), weather, now, place.latitude(), place.longitude())),
            books.materials(place.id()));
    ActionMapping doings = new ActionMapping(system, start.parts(), stores, now, over.length());
    List<TonightView.Assumption> assumed = new ArrayList<>(start.assumed());
    List<Action> standing =
        LidHours.actions(
            stores.stream().map(InitialConditions.StoreStart::view).toList(),
            now,
            zone,
            over.length());
    List<Action> planned = q.actions() == null ? standing : doings.toCore(q.actions(), assumed);
    SystemPlan plan =
        SystemPlan.of(
                system,
                weather,
                start.air(),
                start.mass(),
                houses.ground(place.id(), design, now),
                over.length(),
                over.step())
            .withActions(planned)
            .withSun(
                SolarGain.along(house, weather, now, place.latitude(), place.longitude()),
                SolarGain.onLevel(weather, now, place.latitude(), place.longitude()))
            .small();
    if (design.learned() != null) {
      assumed.add(
          new TonightView.Assumption(
              "HOUSE_LEARNED", null, null, String.valueOf(design.learned().nights())));
    }
    return OutlookBuilder.builder()
        .houseId(houseId)
        .design(design)
        .now(now)
        .zone(zone)
        .nights(over.nights())
        .plan(plan)
        .standing(standing)
        .stores(stores)
        .parts(start.parts())
        .doings(doings)
        .possible(Possible.in(system, Boolean.TRUE.equals(design.fleece())))
        .assumed(assumed)
        .doubt(design.learnedInto(doubt).withStartAged(hoursSinceRead(stores, now)))
        .build();
  }

  private static double lengthOfTonight(TonightQuestion q, Instant now, SunTimes sun) {
    return Math.max(1800, Duration.between(now, endOfTonight(q, now, sun)).toSeconds());
  }

  private static Instant endOfTonight(TonightQuestion q, Instant now, SunTimes sun) {
    Instant sunrise = TonightWeather.dawn(sun, now);
    Instant lowAt = TonightWeather.lowAt(q, now, sunrise);
    return q.lowCelsius() != null && lowAt.isAfter(sunrise) ? lowAt : sunrise;
  }

  private static Weather weatherOfTonight(
      Start start, TonightQuestion q, Instant now, SunTimes sun, double length) {
    if (q.lowCelsius() == null) {
      return TonightWeather.of(Objects.requireNonNull(start.known()), q, now);
    }
    Instant lowAt = TonightWeather.lowAt(q, now, TonightWeather.dawn(sun, now));
    return Weather.typed(
        start.evening(),
        q.lowCelsius(),
        Math.max(600, Duration.between(now, lowAt).toSeconds()),
        q.wind() == null ? Weather.USUAL_WIND : q.wind(),
        q.cloud() == null ? Weather.USUAL_CLOUD : q.cloud(),
        length);
  }

  /** Where the house's front looks, or the sun's side. */
  private static double front(HouseDesign design, HoldingView place) {
    if (design.shape() != null) {
      return design.shape().frontDegrees();
    }
    return place.latitude() < 0 ? 0 : 180;
  }

  /** Age of the oldest reading that the stores' state rests on; none counts as days. */
  private static double hoursSinceRead(List<InitialConditions.StoreStart> stores, Instant now) {
    return stores.stream()
        .mapToDouble(
            s ->
                s.readAt() == null
                    ? Usual.UNREAD_AS_OLD_AS.value()
                    : Duration.between(s.readAt(), now).toMinutes() / 60.0)
        .max()
        .orElse(0);
  }

  private Start start(
      UUID holding, UUID house, TonightQuestion q, Instant now, SunTimes sun, boolean asBefore) {
    Asked key =
        new Asked(
            holding,
            house,
            q.eveningCelsius(),
            q.lowCelsius(),
            q.airCelsius(),
            q.floorCelsius(),
            q.stores() == null ? List.of() : List.copyOf(q.stores()),
            endOfTonight(q, now, sun));
    Start start = asBefore ? started.getIfPresent(key) : null;
    if (start == null) {
      start = start(key, now);
      started.put(key, start);
    }
    return start;
  }

  private Start start(Asked a, Instant now) {
    List<TonightView.Assumption> assumed = new ArrayList<>();
    Weathers.Known known =
        a.low() == null
            ? TonightWeather.told(weathers.between(a.holding(), now, a.end()), a.end(), assumed)
            : null;
    double evening =
        known != null
            ? known.hours().get(0).celsius()
            : starts.evening(a.holding(), a.evening(), a.low(), now, assumed);
    double ground = houses.ground(a.holding(), houses.get(a.holding(), a.house()).design(), now);
    InitialConditions.Around in =
        new InitialConditions.Around(houses.greenhouse(a.holding(), a.house()), ground);
    double air =
        a.air() != null ? a.air() : starts.air(a.holding(), a.house(), now, evening, in, assumed);
    Feedings.Place place = feedings.place(a.holding(), a.house());
    List<PartView> here = place.parts();
    place
        .logged()
        .forEach(
            l ->
                assumed.add(
                    new TonightView.Assumption(
                        "HEAP_FED",
                        l.kilograms(),
                        l.last(),
                        l.heap()
                            + " ("
                            + String.join(", ", l.of()).toLowerCase(Locale.ROOT)
                            + ")")));
    StartOfNight.Surrounding around =
        starts.around(a.holding(), a.house(), now, air, evening, ground);
    return new Start(
        evening,
        air,
        a.floor() != null ? a.floor() : starts.mass(a.holding(), a.house(), now, air, assumed),
        starts.stores(a.holding(), a.house(), now, around, here, a.stores(), assumed),
        here,
        assumed,
        known);
  }
}
