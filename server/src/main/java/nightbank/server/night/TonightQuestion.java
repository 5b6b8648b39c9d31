package nightbank.server.night;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.core.system.Action;
import nightbank.server.house.HouseDesign;
import org.jspecify.annotations.Nullable;

/**
 * What the grower knows of the night and means to do in it.
 *
 * @param lowCelsius tonight's low, absent to take what a weather file or the forecast says
 * @param lowAt when the low comes, absent for an hour before sunrise
 * @param eveningCelsius absent to take the last outdoor reading, or six kelvin above the low
 * @param cloud 0 clear to 1 overcast, absent for half
 * @param wind m/s, absent for 2
 * @param airCelsius of the house now, absent to take the last reading
 * @param floorCelsius of floor or beds now, absent to take the air's mean of the last day
 * @param stores what they read now, absent for none but the logged readings
 * @param actions what will be done, absent for what stands in the stores' own schedules
 * @param quick only the middle night, for the time that something is being dragged
 * @param design a house to be tried in place of the one that is kept, absent as a rule
 */
@RecordBuilder
public record TonightQuestion(
    Double lowCelsius,
    @Nullable Instant lowAt,
    Double eveningCelsius,
    Double cloud,
    Double wind,
    Double airCelsius,
    Double floorCelsius,
    @Nullable List<StoreRead> stores,
    List<Doing> actions,
    Boolean quick,
    @Nullable HouseDesign design) {

  /** The same, asked for the middle night alone. */
  public TonightQuestion onlyTheMiddle() {
    return TonightQuestionBuilder.builder(this).quick(true).build();
  }

  /** A store read just now, on the whole. */
  public record StoreRead(UUID id, double celsius) {}

  /**
   * Something done, or advised to be done.
   *
   * @param of the store, source, circuit or heat pump that it is done to; absent for the house
   * @param to when it ends, absent for sunrise
   * @param amount kg of wood, W, flames; absent for the usual
   */
  public record Doing(
      Action.Kind kind, @Nullable UUID of, Instant from, Instant to, @Nullable Double amount) {}
}
