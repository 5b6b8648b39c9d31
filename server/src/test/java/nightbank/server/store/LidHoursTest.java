package nightbank.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import nightbank.core.store.Place;
import nightbank.core.system.Action;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lids that open and shut by the clock. */
public class LidHoursTest {
  private static final ZoneId ZONE = ZoneId.of("Europe/London");

  private Grounds grounds;

  @BeforeClass
  void grounds() {
    grounds = Grounds.fresh();
  }

  private static List<Action> open(String from, String to, String start, double hours) {
    StoreDesign d =
        new StoreDesign(
            null,
            null,
            null,
            null,
            1,
            1,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            new StoreDesign.PlaceDesign(
                Place.Where.HOUSE, Place.Footing.ON_GROUND, null, null, null, null),
            5,
            60,
            null,
            null,
            null,
            new LidHours(LocalTime.parse(from), LocalTime.parse(to)),
            null);
    StoreView s =
        new StoreView(
            UUID.randomUUID(), "Bin", 1, null, false, true, d, List.of(), List.of(), null, null);
    return LidHours.actions(List.of(s), Instant.parse(start), ZONE, hours * 3600);
  }

  @Test
  public void hoursPastMidnightBelongToOneNight() {
    assertThat(open("22:00", "06:30", "2026-01-10T16:00:00Z", 16))
        .singleElement()
        .satisfies(a -> assertThat(a.fromSeconds()).isEqualTo(6 * 3600))
        .satisfies(a -> assertThat(a.toSeconds()).isEqualTo(14.5 * 3600));
  }

  @Test
  public void aLidAlreadyOpenAtTheStartIsOpenFromThereAndEndsWithTheNight() {
    assertThat(open("14:00", "09:00", "2026-01-10T16:00:00Z", 12))
        .singleElement()
        .satisfies(a -> assertThat(a.fromSeconds()).isZero())
        .satisfies(a -> assertThat(a.toSeconds()).isEqualTo(12 * 3600));
  }

  @Test
  public void hoursOutsideTheNightDoNothing() {
    assertThat(open("10:00", "13:00", "2026-01-10T16:00:00Z", 15)).isEmpty();
  }

  @Test
  public void theHourThatTheClockSkipsIsNotStoodOpen() {
    assertThat(open("00:30", "06:00", "2026-03-28T18:00:00Z", 14))
        .singleElement()
        .satisfies(a -> assertThat(a.toSeconds() - a.fromSeconds()).isEqualTo(4.5 * 3600));
  }

  @DataProvider
  Object[][] impossible() {
    String hours = "\"lidOff\":{\"from\":\"05:00\",\"to\":\"08:00\"},";
    return new Object[][] {
      {hours.replace("08:00", "05:00"), "\"where\":\"HOUSE\"", "differ"},
      {hours, "\"where\":\"OUTDOORS\"", "outdoors"},
    };
  }

  @Test(dataProvider = "impossible")
  public void hoursThatMakeNoSenseAreRefusedWithTheReason(
      String hours, String place, String reason) {
    String drum =
        Grounds.drum(UUID.randomUUID(), "Odd")
            .replace("\"design\":{", "\"design\":{" + hours)
            .replace("\"where\":\"HOUSE\"", place)
            .replace(
                "\"top\":{\"layers\":[]",
                "\"top\":{\"layers\":[{\"kind\":\"BULK\",\"material\":\"stone-wool\",\"thicknessMetres\":0.1,\"wet\":false}]");
    Answer answer = grounds.keeper.post(grounds.path("/stores"), drum);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo("design.lidOff");
    assertThat(answer.body().path("detail").asString()).contains(reason);
  }
}
