package nightbank.server.night;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.core.house.HouseLosses;
import nightbank.core.night.Action;
import nightbank.core.night.Advice;
import nightbank.core.night.Counterfactual;
import nightbank.core.night.NightCaution;
import nightbank.core.night.NightForecast;
import nightbank.core.night.NightPlan;
import nightbank.core.night.NightResult;
import nightbank.core.night.Shortfall;
import nightbank.core.weather.SunTimes;
import nightbank.server.house.LossView;

/** The core's night as a view. */
final class TonightMapping {
  private static final int POINTS = 240;

  private final UUID houseId;
  private final NightPlan plan;
  private final List<Starts.StoreStart> stores;
  private final Instant now;
  private final SunTimes sun;
  private final List<TonightView.Possible> possible;
  private final List<TonightView.Assumption> assumed;

  TonightMapping(
      UUID houseId,
      NightPlan plan,
      List<Starts.StoreStart> stores,
      Instant now,
      SunTimes sun,
      List<TonightView.Possible> possible,
      List<TonightView.Assumption> assumed) {
    this.houseId = houseId;
    this.plan = plan;
    this.stores = stores;
    this.now = now;
    this.sun = sun;
    this.possible = possible;
    this.assumed = assumed;
  }

  TonightView quick(NightResult night, double withoutCelsius) {
    double limit = plan.house().plantLimitCelsius();
    String verdict = night.lowestCelsius() >= limit ? "HELD" : "LOST";
    return view(night, withoutCelsius, List.of(), verdict, null, null, List.of());
  }

  TonightView whole(NightForecast f, Advice advice, List<Counterfactual> otherwise) {
    int every = every(f.middle());
    return view(
        f.middle(),
        f.without().lowestCelsius(),
        thin(f.without().plants(), every),
        f.verdict().name(),
        f,
        advice,
        otherwise.stream()
            .map(c -> new TonightView.What(c.kind().name(), named(c.of()), c.gainKelvin()))
            .toList());
  }

  private String named(String of) {
    return stores.stream()
        .filter(s -> s.view().id().toString().equals(of))
        .map(s -> s.view().name())
        .findFirst()
        .orElse(of);
  }

  private static int every(NightResult m) {
    return Math.max(1, m.seconds().length / POINTS);
  }

  private TonightView view(
      NightResult m,
      double withoutCelsius,
      List<Double> without,
      String verdict,
      NightForecast f,
      Advice advice,
      List<TonightView.What> otherwise) {
    int every = every(m);
    double limit = plan.house().plantLimitCelsius();
    List<Long> at = new ArrayList<>();
    int coldest = 0;
    for (int i = 0; i < m.seconds().length; i++) {
      if (shown(i, every, m.seconds().length)) {
        at.add(now.getEpochSecond() + (long) m.seconds()[i]);
      }
      coldest = m.plants()[i] < m.plants()[coldest] ? i : coldest;
    }
    Shortfall shortfall = Shortfall.of(plan, m);
    double balance = 0;
    List<TonightView.StoreTonight> through = new ArrayList<>();
    for (int i = 0; i < stores.size(); i++) {
      TonightView.StoreTonight s = store(stores.get(i), m.stores().get(i), every);
      balance += s.reaches() ? s.startJoules() : 0;
      through.add(s);
    }
    return new TonightView(
        houseId,
        verdict,
        limit,
        m.lowestCelsius(),
        m.leaf()[coldest] < m.air()[coldest] ? "LEAF" : "AIR",
        now.plusSeconds((long) m.lowestAtSeconds()),
        m.lowestCelsius() - limit,
        f == null ? null : f.lowestTenth(),
        f == null ? null : f.lowestNinetieth(),
        f == null ? null : f.chanceOfHolding(),
        withoutCelsius,
        m.lowestCelsius() - withoutCelsius,
        m.billJoules(),
        balance,
        shortfall.joules(),
        switch (shortfall.kind()) {
          case NONE -> "NONE";
          case HEAT -> "ENERGY";
          case SPEED -> "POWER";
        },
        m.coldDegreeHours(),
        sun.sunset().orElse(null),
        sun.sunrise().orElse(null),
        at,
        thin(m.outdoor(), every),
        thin(m.air(), every),
        thin(m.leaf(), every),
        thin(m.plants(), every),
        f == null ? List.of() : thin(f.bandLow(), every),
        f == null ? List.of() : thin(f.bandHigh(), every),
        without,
        through,
        doings(plan.actions()),
        possible,
        advice == null
            ? null
            : new TonightView.AdviceView(
                doings(advice.actions()),
                advice.lowestCelsius(),
                advice.holds(),
                advice.minutes(),
                advice.shortage().name()),
        otherwise,
        losses(m, coldest),
        NightCaution.of(plan, m).stream()
            .map(
                c ->
                    new TonightView.CautionView(
                        c.code().name(),
                        named(c.of()),
                        now.plusSeconds((long) c.atSeconds()),
                        c.reason(),
                        c.remedy()))
            .toList(),
        assumed);
  }

  private List<TonightQuestion.Doing> doings(List<Action> actions) {
    return actions.stream().map(a -> Doings.view(a, now)).toList();
  }

  private static TonightView.StoreTonight store(
      Starts.StoreStart s, NightResult.StoreNight n, int every) {
    return new TonightView.StoreTonight(
        s.view().id(),
        s.view().name(),
        s.readAt(),
        s.store().place().reachesHouse() || s.store().carrier().isPresent(),
        n.meanCelsius()[0],
        n.usableJoules()[0],
        n.chargedJoules(),
        n.deliveredJoules(),
        n.earlyJoules(),
        n.lostJoules(),
        n.hottestCelsius(),
        thin(n.usableJoules(), every),
        thin(n.toHouseWatts(), every));
  }

  private List<LossView> losses(NightResult m, int coldest) {
    double at = m.seconds()[coldest];
    boolean screen =
        plan.actions().stream()
            .anyMatch(
                a ->
                    a.kind() == Action.Kind.SCREEN && a.fromSeconds() <= at && at <= a.toSeconds());
    return LossView.of(
        HouseLosses.at(
            plan.house(),
            new HouseLosses.Conditions(
                m.air()[coldest],
                m.mass()[coldest],
                m.outdoor()[coldest],
                plan.weather().skyAt(at),
                plan.weather().windAt(at),
                plan.weather().dewPointAt(at),
                screen)));
  }

  /** One in so many, and the last. */
  private static boolean shown(int i, int every, int length) {
    return i % every == 0 || i == length - 1;
  }

  private static List<Double> thin(double[] values, int every) {
    List<Double> kept = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      if (shown(i, every, values.length)) {
        kept.add(Math.round(values[i] * 1000) / 1000.0);
      }
    }
    return kept;
  }
}
