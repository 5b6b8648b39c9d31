package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.LongStream;
import nightbank.core.house.SolarGain;
import nightbank.core.run.ReadingSeries;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.store.Stores.CoreStore;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Service;

/**
 * When the sun shines on stores that it charges, and how strongly as far as sky and design tell.
 * What the panes keep out is left to the readings.
 */
@Service
class SunOnStores {
  private static final long STEP = 600; // s
  private static final long HEARD = 2 * 3600; // s: a sky so old still counts

  private final Weathers weathers;
  private final Holdings holdings;
  private final Houses houses;

  SunOnStores(Weathers weathers, Holdings holdings, Houses houses) {
    this.weathers = weathers;
    this.holdings = holdings;
    this.houses = houses;
  }

  /** W on its sunlit face, taken up; empty for a store that something else charges. */
  Optional<ReadingSeries> on(UUID holding, CoreStore store, Instant from, Instant to) {
    if (store.sunlit() == 0) {
      return Optional.empty();
    }
    HoldingView place = holdings.get(holding);
    TreeMap<Long, Double> cloud = new TreeMap<>();
    for (HourlyWeather h :
        weathers.recorded(holding, from.minusSeconds(HEARD), to.plus(Duration.ofSeconds(HEARD)))) {
      if (h.cloud() != null) {
        cloud.put(h.at().getEpochSecond(), h.cloud());
      }
    }
    long[] at =
        LongStream.iterate(from.getEpochSecond(), t -> t <= to.getEpochSecond(), t -> t + STEP)
            .toArray();
    double[] watts =
        SolarGain.onUpright(
            store.sunlit(),
            facing(holding, store, place.latitude()),
            at,
            t -> cloudAt(cloud, t),
            place.latitude(),
            place.longitude());
    return Optional.of(new ReadingSeries("sun", at, watts));
  }

  private static double cloudAt(TreeMap<Long, Double> cloud, long at) {
    Map.Entry<Long, Double> before = cloud.floorEntry(at);
    Map.Entry<Long, Double> after = cloud.ceilingEntry(at);
    boolean early =
        before != null && (after == null || at - before.getKey() <= after.getKey() - at);
    Map.Entry<Long, Double> nearest = early ? before : after;
    return nearest == null || Math.abs(at - nearest.getKey()) > HEARD
        ? Weather.USUAL_CLOUD
        : nearest.getValue();
  }

  /** Where its house's front looks, or the sun's side. */
  private double facing(UUID holding, CoreStore store, double latitude) {
    HouseDesign.Shape shape =
        store.houseId() == null ? null : houses.get(holding, store.houseId()).design().shape();
    return shape != null ? shape.frontDegrees() : latitude < 0 ? 0 : 180;
  }
}
