package nightbank.server.night;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.Counterfactual;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.server.house.Houses;
import nightbank.server.shared.Json;
import org.springframework.stereotype.Service;

/** Whether the coming night will hold, and what to do about it. */
@Service
public class Tonight {
  private static final Duration SAME_NIGHT = Duration.ofHours(8);
  private static final int MOST = 300;

  private final Outlooks outlooks;
  private final Houses houses;
  private final Clock clock;
  private final TonightQuestion nothingTyped;

  /** By house what was last said with nothing typed: it is shown while it is worked out anew. */
  private final Cache<UUID, Known> last =
      Caffeine.newBuilder().maximumSize(MOST).softValues().expireAfterWrite(SAME_NIGHT).build();

  Tonight(Outlooks outlooks, Houses houses, Json json, Clock clock) {
    this.outlooks = outlooks;
    this.houses = houses;
    this.clock = clock;
    nothingTyped = json.read(json.tree(Map.of()), TonightQuestion.class);
  }

  /**
   * An answer as it was given.
   *
   * @param at when
   */
  public record Known(TonightView night, Instant at) {}

  /** What was last said of a house's coming night with nothing typed, while the same is meant. */
  Optional<Known> known(UUID holding, UUID houseId) {
    houses.get(holding, houseId);
    return Optional.ofNullable(last.getIfPresent(houseId));
  }

  /** What a page on which nothing is typed looks at. */
  Outlook outlook(UUID holding, UUID houseId) {
    return outlooks.tonight(holding, houseId, nothingTyped);
  }

  /** What a page is told on which nothing is typed. */
  public TonightView ask(UUID holding, UUID houseId) {
    return ask(holding, houseId, nothingTyped);
  }

  public TonightView ask(UUID holding, UUID houseId, TonightQuestion q) {
    Outlook now = outlooks.tonight(holding, houseId, q);
    SystemPlan plan = now.plan();
    TonightMapping view = new TonightMapping(now);
    if (Boolean.TRUE.equals(q.quick())) {
      return view.quick(
          SystemSimulation.run(plan), SystemSimulation.run(plan.withoutStores()).lowestCelsius());
    }
    now.assumed().addAll(Givens.of(plan, now.doubt(), now.design(), q));
    NightForecast forecast = NightForecast.of(plan, now.doubt(), Advice.MEMBERS);
    double dusk = now.nights().get(0).sunset().map(now::seconds).orElse(1800.0);
    SystemPlan bare = plan.withActions(now.standing());
    Advice advice =
        Advice.find(
            bare,
            Possible.options(bare, now.possible(), dusk),
            now.doubt(),
            Map.of(plan.actions(), forecast));
    TonightView night = view.whole(forecast, advice, Counterfactual.of(plan));
    if (nothingTyped(q)) {
      last.put(houseId, new Known(night, clock.instant()));
    }
    return night;
  }

  private boolean nothingTyped(TonightQuestion q) {
    boolean noneRead = q.stores() == null || q.stores().isEmpty();
    return noneRead
        && TonightQuestionBuilder.builder(q).stores(null).quick(null).build().equals(nothingTyped);
  }
}
