package nightbank.server.history;

import java.time.Instant;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.server.history.internal.NightAirRepository;
import nightbank.server.log.Readings;
import nightbank.server.weather.HourlyWeather;
import nightbank.server.weather.Weathers;
import org.springframework.stereotype.Component;

/** Gathers the air of a house and outdoors. */
@Component
class AirLogs {
  private final NightAirRepository air;
  private final Readings readings;
  private final Weathers weathers;

  AirLogs(NightAirRepository air, Readings readings, Weathers weathers) {
    this.air = air;
    this.readings = readings;
    this.weathers = weathers;
  }

  AirLog of(UUID holding, UUID house, Instant first, Instant last) {
    var told = new TreeMap<Long, HourlyWeather>();
    weathers.recorded(holding, first, last).forEach(h -> told.put(h.at().getEpochSecond(), h));
    return new AirLog(
        air.tenMinutes(holding, readings.airProbes(holding, house).keySet(), first, last),
        air.tenMinutes(holding, readings.outdoorProbes(holding), first, last),
        told);
  }
}
