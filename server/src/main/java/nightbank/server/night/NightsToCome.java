package nightbank.server.night;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import nightbank.core.forecast.DaysAdvice;
import nightbank.core.forecast.NightsAhead;
import nightbank.core.friend.Friend;
import nightbank.core.friend.Noticed;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.SunTimes;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** How the nights ahead will go, as far as the weather is known, and what holds them all. */
@Service
class NightsToCome {
  private final Outlooks outlooks;
  private final Noticing noticing;

  /** Each person's newest question; a search for an older one stops. */
  private final Cache<UUID, Object> newest =
      Caffeine.newBuilder().maximumSize(1000).expireAfterWrite(Duration.ofMinutes(5)).build();

  NightsToCome(Outlooks outlooks, Noticing noticing) {
    this.outlooks = outlooks;
    this.noticing = noticing;
  }

  /** Ends what a person's last question still looks for. */
  void stop(UUID person) {
    newest.invalidate(person);
  }

  /**
   * Asks.
   *
   * @param person who asks; a new question ends what the same person's last one still looks for
   */
  NightsView ask(UUID person, UUID holding, UUID houseId, TonightQuestion q) {
    Object mine = new Object();
    newest.put(person, mine);
    Outlook from = outlooks.days(holding, houseId, q);
    List<NightsAhead.Span> spans = new ArrayList<>();
    double before = 0;
    for (SunTimes sun : from.nights()) {
      double dawn = sun.sunrise().map(from::seconds).orElse(from.plan().lengthSeconds());
      double dusk = sun.sunset().map(from::seconds).orElse(before);
      spans.add(new NightsAhead.Span(Math.max(before, dusk), dawn));
      before = dawn;
    }
    SystemPlan plan = from.plan();
    boolean quick = Boolean.TRUE.equals(q.quick());
    BooleanSupplier stop = () -> !quick && newest.getIfPresent(person) != mine;
    NightsAhead ahead;
    try {
      ahead = NightsAhead.of(plan, spans, from.doubt(), stop);
    } catch (CancellationException nobodyWaits) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "asked-anew",
          "",
          "A newer question has come meanwhile.",
          "Ask again if this one still matters.");
    }
    Optional<DaysAdvice> advice = quick ? Optional.empty() : advice(from, ahead, stop);
    List<Noticed> noticed = noticed(houseId, plan, ahead, advice);
    return new NightsView(
        nights(from, ahead),
        from.now().plusSeconds((long) plan.lengthSeconds()),
        ahead.breaksFirst().isPresent() ? ahead.breaksFirst().getAsInt() : null,
        advice.map(a -> view(from, a)).orElse(null),
        noticed.isEmpty() ? List.of() : noticing.views(holding, person, noticed, from.now()),
        plan.stepSeconds());
  }

  private static List<Noticed> noticed(
      UUID house, SystemPlan plan, NightsAhead ahead, Optional<DaysAdvice> advice) {
    if (advice.isEmpty()) {
      return Friend.overdrawn(plan.small(), ahead.middle());
    }
    List<Action> all = advice.get().actions();
    SystemPlan advised = plan.small().withActions(all);
    List<Noticed> noticed =
        new ArrayList<>(Friend.overdrawn(advised, SystemSimulation.run(advised)));
    Friend.today(
            house.toString(), ahead, advice.get(), plan.actions(), plan.house().plantLimitCelsius())
        .ifPresent(noticed::add);
    return noticed;
  }

  private static List<NightsView.NightView> nights(Outlook from, NightsAhead ahead) {
    List<NightsView.NightView> all = new ArrayList<>();
    double before = 0;
    for (NightsAhead.Night n : ahead.nights()) {
      double since = before;
      List<Action> planned =
          from.plan().actions().stream()
              .filter(a -> a.fromSeconds() >= since && a.fromSeconds() < n.span().dawn())
              .toList();
      all.add(
          new NightsView.NightView(
              at(from, n.span().dusk()),
              at(from, n.span().dawn()),
              n.outdoorLowest(),
              n.lowest(),
              at(from, n.lowestAtSeconds()),
              n.lowestTenth(),
              n.chanceOfHolding(),
              n.verdict().name(),
              from.doings().views(planned)));
      before = n.span().dawn();
    }
    return all;
  }

  private static Optional<DaysAdvice> advice(
      Outlook from, NightsAhead ahead, BooleanSupplier stop) {
    try {
      return Optional.of(DaysAdvice.find(from.plan(), ahead, from.possible(), from.doubt(), stop));
    } catch (CancellationException nobodyWaits) {
      return Optional.empty();
    }
  }

  private static NightsView.DaysAdviceView view(Outlook from, DaysAdvice a) {
    Instant latest =
        a.latestSeconds().isPresent() ? at(from, a.latestSeconds().getAsDouble()) : null;
    return new NightsView.DaysAdviceView(
        from.doings().views(a.actions()), a.holds(), a.minutes(), latest);
  }

  private static Instant at(Outlook from, double seconds) {
    return from.now().plusSeconds((long) seconds);
  }
}
