package nightbank.server.sizing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.core.sizing.DesignComparison;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreState;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemStore;
import nightbank.server.shared.Problem;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;

/** Both schools on the same night, for one store of a house. */
@Service
public class Pairs {
  private static final double CHARGE = 3.5 * 3600; // from noon
  private static final int POINTS = 160;

  private final SizingNights nights;
  private final Stores stores;

  Pairs(SizingNights nights, Stores stores) {
    this.nights = nights;
    this.stores = stores;
  }

  public PairView ask(UUID holding, UUID house, PairQuestion q) {
    if (q.school() == null) {
      throw Problem.invalid("school", "Which question is missing.", "Choose one.");
    }
    if (q.storeId() == null) {
      throw Problem.invalid("storeId", "Which store is missing.", "Choose one.");
    }
    SizingNights.range("joules", q.joules(), 3.6e4, 3.6e9, "J");
    Stores.CoreStore core = stores.core(holding, q.storeId());
    SystemPlan noon = nights.fromNoon(holding, house, q.lowCelsius(), q.wind(), q.cloud());
    double start = Math.max(core.store().floorCelsius(), noon.airCelsius());
    String id = q.storeId().toString();
    SystemStore store =
        new SystemStore(
            id, core.store(), StoreState.uniform(StoreGrid.coarse(core.store()), start));
    SystemPlan from = noon.withSystem(noon.system().withStores(List.of(store)));
    DesignComparison.Outcome out =
        DesignComparison.of(q.school(), from, id, q.joules(), CHARGE, SizingNights.duskOfPair())
            .run();
    SizingNights.Dark dark = nights.dark(holding);
    Instant begin = dark.sunset().minusSeconds((long) SizingNights.duskOfPair());
    List<Long> at = new ArrayList<>();
    double[] seconds = out.first().seconds();
    int every = Math.max(1, seconds.length / POINTS);
    for (int i = 0; i < seconds.length; i += every) {
      at.add(begin.getEpochSecond() + (long) seconds[i]);
    }
    return new PairView(
        q.school().name(),
        noon.house().plantLimitCelsius(),
        dark.sunset(),
        dark.sunrise(),
        at,
        thin(out.first().outdoor(), every),
        side(out.first(), every, begin),
        side(out.second(), every, begin),
        out.why().stream()
            .map(d -> new PairView.Why(d.reason().name(), d.first(), d.second()))
            .toList());
  }

  private static PairView.Side side(SystemResult r, int every, Instant begin) {
    SystemResult.StoreTrace s = r.stores().get(0);
    return PairViewSideBuilder.builder()
        .plants(thin(r.plants(), every))
        .usableJoules(thin(s.usableJoules(), every))
        .toHouseWatts(thin(s.toHouseWatts(), every))
        .lowestCelsius(r.lowestCelsius())
        .lowestAt(begin.plusSeconds((long) r.lowestAtSeconds()))
        .chargedJoules(s.chargedJoules())
        .deliveredJoules(s.deliveredJoules())
        .earlyJoules(s.earlyJoules())
        .lostJoules(s.lostJoules())
        .roomJoules(r.directJoules())
        .leftJoules(s.usableJoules()[s.usableJoules().length - 1])
        .hottestCelsius(s.hottestCelsius())
        .build();
  }

  private static List<Double> thin(double[] values, int every) {
    List<Double> kept = new ArrayList<>();
    for (int i = 0; i < values.length; i += every) {
      kept.add(Math.round(values[i] * 100) / 100.0);
    }
    return kept;
  }
}
