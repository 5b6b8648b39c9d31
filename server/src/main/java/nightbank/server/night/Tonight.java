package nightbank.server.night;

import java.util.Map;
import java.util.UUID;
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.Counterfactual;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemSimulation;
import nightbank.server.shared.Json;
import org.springframework.stereotype.Service;

/** Whether the coming night will hold, and what to do about it. */
@Service
public class Tonight {
  private final Outlooks outlooks;
  private final TonightQuestion untold;

  Tonight(Outlooks outlooks, Json json) {
    this.outlooks = outlooks;
    untold = json.read(json.tree(Map.of()), TonightQuestion.class);
  }

  /** What a page is told on which nothing is typed. */
  public TonightView ask(UUID holding, UUID houseId) {
    return ask(holding, houseId, untold);
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
    return view.whole(forecast, advice, Counterfactual.of(plan));
  }
}
