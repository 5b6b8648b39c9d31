package nightbank.server.night;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import nightbank.core.forecast.NightForecast;
import nightbank.core.forecast.Possible;
import nightbank.core.system.Action;
import nightbank.core.system.SystemPlan;
import nightbank.core.weather.SunTimes;
import nightbank.server.house.HouseDesign;
import nightbank.server.part.PartView;

/**
 * A house's place from now on, as far as it is known: what tonight and the nights ahead start from.
 *
 * @param nights that lie in it, tonight first
 * @param plan with what is planned in it
 * @param standing what the stores' own hours have done, whatever is planned
 * @param assumed what had to be taken as given, growing while it is looked at
 * @param doubt of its start, house and weather
 */
@RecordBuilder
record Outlook(
    UUID houseId,
    HouseDesign design,
    Instant now,
    ZoneId zone,
    List<SunTimes> nights,
    SystemPlan plan,
    List<Action> standing,
    List<InitialConditions.StoreStart> stores,
    List<PartView> parts,
    ActionMapping doings,
    List<Possible> possible,
    List<TonightView.Assumption> assumed,
    NightForecast.Doubt doubt) {

  /** Seconds from now. */
  double seconds(Instant at) {
    return at.getEpochSecond() - now.getEpochSecond();
  }
}
