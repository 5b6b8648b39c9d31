package nightbank.server.night;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.forecast.Advice;
import nightbank.core.forecast.Counterfactual;
import nightbank.core.forecast.NightCaution;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Shortfall;
import nightbank.core.forecast.WarmerSet;
import nightbank.core.house.HouseLosses;
import nightbank.core.system.Action;
import nightbank.core.system.Control;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemStore;
import nightbank.core.weather.SunTimes;
import nightbank.server.house.LossView;
import nightbank.server.part.PartView;
import org.jspecify.annotations.Nullable;

/** The core's night as a view. */
final class TonightMapping {
  private static final int POINTS = 240;

  private final Outlook outlook;
  private final SystemPlan plan;
  private final List<InitialConditions.StoreStart> stores;
  private final ActionMapping doings;
  private final Instant now;

  TonightMapping(Outlook outlook) {
    this.outlook = outlook;
    plan = outlook.plan();
    stores = outlook.stores();
    doings = outlook.doings();
    now = outlook.now();
  }

  TonightView quick(SystemResult night, double withoutCelsius) {
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
            .map(
                c ->
                    new TonightView.What(
                        c.kind().name(), doings.name(c.of()), c.gainKelvin(), c.peakKelvin()))
            .toList());
  }

  private String coldestIs(SystemResult m, int coldest) {
    return switch (plan.house().keeps()) {
      case PLANTS -> m.leaf()[coldest] < m.air()[coldest] ? "LEAF" : "AIR";
      case PEOPLE -> "FELT";
      case THINGS -> "AIR";
    };
  }

  private static int every(SystemResult m) {
    return Math.max(1, m.seconds().length / POINTS);
  }

  private TonightView view(
      SystemResult m,
      double withoutCelsius,
      List<Double> without,
      String verdict,
      @Nullable NightForecast f,
      @Nullable Advice advice,
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
    SunTimes sun = outlook.nights().get(0);
    double balance = 0;
    List<TonightView.StoreTonight> through = new ArrayList<>();
    for (int i = 0; i < stores.size(); i++) {
      TonightView.StoreTonight s =
          store(stores.get(i), plan.system().stores().get(i), m.stores().get(i), every);
      balance += s.reaches() ? s.startJoules() : 0;
      through.add(s);
    }
    return TonightViewBuilder.builder()
        .houseId(outlook.houseId())
        .verdict(verdict)
        .plantLimitCelsius(limit)
        .coldestCelsius(m.lowestCelsius())
        .coldestIs(coldestIs(m, coldest))
        .keeps(plan.house().keeps())
        .coldestAt(now.plusSeconds((long) m.lowestAtSeconds()))
        .marginKelvin(m.lowestCelsius() - limit)
        .coldestTenth(f == null ? null : f.lowestTenth())
        .coldestNinetieth(f == null ? null : f.lowestNinetieth())
        .chanceOfHolding(f == null ? null : f.chanceOfHolding())
        .withoutCelsius(withoutCelsius)
        .liftKelvin(m.lowestCelsius() - withoutCelsius)
        .billJoules(m.billJoules())
        .balanceJoules(balance)
        .shortJoules(shortfall.joules())
        .shortWatts(shortfall.watts())
        .shortFrom(now.plusSeconds((long) shortfall.fromSeconds()))
        .shortCandles(shortfall.candles())
        .shortWoodKilograms(shortfall.woodKilograms())
        .shortKind(shortfall.kind().name())
        .setWarmerKelvin(f == null || shortfall.kind() == Shortfall.Kind.NONE ? null : warmer())
        .coldDegreeHours(m.coldDegreeHours())
        .sunset(sun.sunset().orElse(null))
        .sunrise(sun.sunrise().orElse(null))
        .at(at)
        .outdoor(thin(m.outdoor(), every))
        .air(thin(m.air(), every))
        .leaf(thin(m.leaf(), every))
        .plants(thin(m.plants(), every))
        .low(f == null ? List.of() : thin(f.bandLow(), every))
        .high(f == null ? List.of() : thin(f.bandHigh(), every))
        .without(without)
        .stores(through)
        .parts(parts(m, every))
        .actions(doings.views(plan.actions()))
        .possible(doings.views(outlook.possible()))
        .advice(
            advice == null
                ? null
                : new TonightView.AdviceView(
                    doings.views(advice.actions()),
                    advice.lowestCelsius(),
                    advice.holds(),
                    advice.minutes(),
                    advice.shortage().name(),
                    advice.untried(),
                    advice.latestSeconds().isPresent()
                        ? now.plusSeconds((long) advice.latestSeconds().getAsDouble())
                        : null))
        .counterfactuals(otherwise)
        .losses(losses(m, coldest))
        .cautions(
            NightCaution.of(plan, m).stream()
                .map(
                    c ->
                        new TonightView.NightCautionView(
                            c.code().name(),
                            doings.name(c.of()),
                            now.plusSeconds((long) c.atSeconds()),
                            c.reason(),
                            c.remedy(),
                            c.figures()))
                .toList())
        .assumptions(outlook.assumed())
        .build();
  }

  private @Nullable Double warmer() {
    OptionalDouble kelvin = WarmerSet.of(plan);
    return kelvin.isPresent() ? kelvin.getAsDouble() : null;
  }

  private List<TonightView.PartTonight> parts(SystemResult m, int every) {
    PlantSystem system = plan.system();
    List<TonightView.PartTonight> all = new ArrayList<>();
    for (PartView p : outlook.parts()) {
      String id = p.id().toString();
      for (int i = 0; i < system.sources().size(); i++) {
        SystemResult.SourceTrace t = m.sources().get(i);
        if (t.id().equals(id)) {
          all.add(
              part(
                  p,
                  system.sources().get(i).control(),
                  t.fuelJoules(),
                  t.electricJoules(),
                  t.releasedJoules(),
                  t.runSeconds(),
                  t.starts(),
                  thin(t.watts(), every),
                  List.of()));
        }
      }
      for (int i = 0; i < system.circuits().size(); i++) {
        SystemResult.CircuitTrace t = m.circuits().get(i);
        if (t.id().equals(id)) {
          all.add(
              part(
                  p,
                  system.circuits().get(i).control(),
                  0,
                  t.electricJoules(),
                  t.movedJoules(),
                  t.runSeconds(),
                  t.starts(),
                  thin(t.watts(), every),
                  Arrays.stream(t.netJoulesByEnd()).boxed().toList()));
        }
      }
      for (int i = 0; i < system.pumps().size(); i++) {
        SystemResult.PumpTrace t = m.pumps().get(i);
        if (t.id().equals(id)) {
          all.add(
              part(
                  p,
                  system.pumps().get(i).control(),
                  0,
                  t.electricJoules(),
                  t.hotJoules(),
                  t.runSeconds(),
                  t.stops(),
                  thin(t.watts(), every),
                  List.of(t.coldJoules(), -t.hotJoules())));
        }
      }
    }
    return all;
  }

  private static TonightView.PartTonight part(
      PartView p,
      Control control,
      double fuel,
      double electric,
      double heat,
      double run,
      int starts,
      List<Double> watts,
      List<Double> ends) {
    boolean fire = p.kind().equals("FIRE");
    return TonightViewPartTonightBuilder.builder()
        .id(p.id())
        .name(p.name())
        .kind(p.kind())
        .byItself(!fire && control.runsByItself())
        .fuelJoules(fuel)
        .electricJoules(electric)
        .heatJoules(heat)
        .runSeconds(run)
        .starts(starts)
        .watts(watts)
        .endsJoules(ends)
        .build();
  }

  private TonightView.StoreTonight store(
      InitialConditions.StoreStart s, SystemStore body, SystemResult.StoreTrace n, int every) {
    return TonightViewStoreTonightBuilder.builder()
        .id(s.view().id())
        .name(s.view().name())
        .readAt(s.readAt())
        .reaches(plan.system().reachesHouse(body))
        .startCelsius(n.meanCelsius()[0])
        .startJoules(n.usableJoules()[0])
        .chargedJoules(n.chargedJoules())
        .deliveredJoules(n.deliveredJoules())
        .earlyJoules(n.earlyJoules())
        .lostJoules(n.lostJoules())
        .hottestCelsius(n.hottestCelsius())
        .usable(thin(n.usableJoules(), every))
        .toHouseWatts(thin(n.toHouseWatts(), every))
        .build();
  }

  private List<LossView> losses(SystemResult m, int coldest) {
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
                m.floor()[coldest],
                m.outdoor()[coldest],
                plan.weather().skyAt(at),
                plan.weather().windAt(at),
                plan.weather().dewPointAt(at),
                plan.groundCelsius(),
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
