package nightbank.server.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Wood that lies and is burnt, tasks that come round. */
public class UpkeepTest {
  private final Instant now = Program.shared().bean(java.time.Clock.class).instant();
  private Grounds grounds;

  @BeforeMethod
  void aHolding() {
    grounds = Grounds.fresh();
  }

  private Instant daysAgo(int days) {
    return now.minus(Duration.ofDays(days)).truncatedTo(ChronoUnit.SECONDS);
  }

  private Answer put(String path, String body) {
    return grounds.keeper.put(grounds.path(path), null, body);
  }

  private UUID kept(String under, String body) {
    UUID id = UUID.randomUUID();
    Answer a = put(under + "/" + id, body);
    assertThat(a.status()).as(a.body().toString()).isEqualTo(204);
    return id;
  }

  private static String stack(String name, double kilograms, Double moisture, Instant since) {
    return """
        {"name":"%s","kilograms":%s,"thicknessMetres":0.1,"cover":"ROOFED","moisture":%s,"since":"%s"}
        """
        .formatted(name, kilograms, moisture, since);
  }

  private void fire(Instant at, String amount) {
    Answer a =
        grounds.keeper.post(
            grounds.path("/events"),
            "{\"id\":\"%s\",\"kind\":\"FIRE_LIT\",\"at\":\"%s\",\"note\":\"\",\"amount\":%s}"
                .formatted(UUID.randomUUID(), at, amount));
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  private JsonNode wood() {
    return grounds.keeper.get(grounds.path("/wood")).body();
  }

  private JsonNode upkeep() {
    return grounds.keeper.get(grounds.path("/upkeep")).body();
  }

  private void takeBack(String kind) {
    JsonNode newest = null;
    for (JsonNode c : grounds.keeper.get(grounds.path("/changes")).body()) {
      newest = newest == null && c.path("undoneAt").isNull() ? c : newest;
    }
    assertThat(newest.path("kind").asString()).isEqualTo(kind);
    Answer undone =
        grounds.keeper.post(grounds.path("/changes/" + newest.path("id").asString() + "/undo"), "");
    assertThat(undone.status()).as(undone.body().toString()).isEqualTo(200);
  }

  @Test
  public void aLoggedFireComesOffTheDriestStackAndBackOnWithIt() {
    kept("/wood", stack("Birch", 400, 0.4, daysAgo(20)));
    kept("/wood", stack("Ash", 300, 0.15, daysAgo(20)));
    fire(daysAgo(3), "12.5");
    fire(daysAgo(2), "null");
    JsonNode wood = wood();
    assertThat(wood.path("stacks").path(0).path("name").asString()).isEqualTo("Ash");
    double left = wood.path("stacks").path(0).path("kilograms").asDouble();
    assertThat(left).isCloseTo(287.5, within(12.0)); // it takes up water meanwhile
    assertThat(wood.path("burntKilograms").asDouble()).isEqualTo(12.5);
    assertThat(wood.path("fires").asInt()).isEqualTo(2);
    assertThat(wood.path("unweighed").asInt()).isEqualTo(1);
    assertThat(wood.path("readyKilograms").asDouble()).isEqualTo(left);
    assertThat(wood.path("asked").isNull()).as("two fires tell nothing").isTrue();
    takeBack("EVENT");
    takeBack("EVENT");
    assertThat(wood().path("stacks").path(0).path("kilograms").asDouble())
        .isCloseTo(left + 12.5, within(0.5));
  }

  @Test
  public void whatIsBurntBeyondTheStacksIsTold() {
    kept("/wood", stack("Ash", 20, 0.15, daysAgo(9)));
    fire(daysAgo(3), "50");
    assertThat(wood().path("missingKilograms").asDouble()).isBetween(28.0, 31.0);
  }

  @Test
  public void fromThreeFiresOnTheSeasonsNeedIsTold() {
    grounds = Grounds.inWinter(Program.shared());
    for (int d = 1; d <= 8; d++) {
      fire(daysAgo(3 * d), "10");
    }
    JsonNode asked = wood().path("asked");
    assertThat(asked.path("kilograms").asDouble()).isPositive();
    assertThat(asked.path("low").asDouble()).isLessThan(asked.path("high").asDouble());
  }

  @Test
  public void aStackThatIsTakenAwayComesBack() {
    UUID id = kept("/wood", stack(" Ash ", 300, null, daysAgo(9)));
    assertThat(grounds.keeper.delete(grounds.path("/wood/" + id)).status()).isEqualTo(204);
    assertThat(wood().path("stacks")).isEmpty();
    takeBack("WOOD");
    JsonNode back = wood().path("stacks").path(0);
    assertThat(back.path("name").asString()).isEqualTo("Ash");
    assertThat(back.path("measured").isNull()).isTrue();
    assertThat(back.path("moisture").asDouble()).as("green").isBetween(0.4, 0.5);
  }

  @DataProvider
  Object[][] noStack() {
    return new Object[][] {
      {stack("", 300, 0.2, daysAgo(9)), "name"},
      {stack("Ash", -1, 0.2, daysAgo(9)), "kilograms"},
      {stack("Ash", 300, 0.9, daysAgo(9)), "kilograms"},
      {stack("Ash", 300, 0.2, daysAgo(-9)), "since"},
    };
  }

  @Test(dataProvider = "noStack")
  public void aStackThatCannotBeIsRefused(String body, String field) {
    Answer refused = put("/wood/" + UUID.randomUUID(), body);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("field").asString()).isEqualTo(field);
    assertThat(wood().path("stacks")).isEmpty();
  }

  @Test
  public void whatAPlaceHasTellsWhatItUsuallyNeeds() {
    assertThat(upkeep().path("usual")).isEmpty();
    grounds.newHouse();
    assertThat(upkeep().path("usual").findValuesAsString("usual")).contains("SEALS", "GUARDS");
    assertThat(upkeep().path("usual").findValuesAsString("usual")).doesNotContain("ASH");
    UUID store = grounds.newDrum();
    grounds.newPart(
        """
        {"kind":"FLAMES","heats":[{"to":"STORE","id":"%s"}],"count":12,"gramsPerHour":20,"fuel":"paraffin","indoors":true,"control":{"runs":"BY_HAND"}}
        """
            .formatted(store));
    assertThat(upkeep().path("usual").findValuesAsString("usual"))
        .contains("SENSORS", "CARBON_MONOXIDE_ALARM");
  }

  @Test
  public void whoeverBurnsBoughtFuelIsOfferedTheCarbonMonoxideAlarm() {
    grounds.newPart(
        """
        {"kind":"HEATER","heats":[{"to":"HOUSE"}],"fuel":"paraffin","watts":2000,"flue":false,"indoors":true,
         "control":{"runs":"BY_HAND"}}
        """,
        grounds.newHouse());
    assertThat(upkeep().path("usual").findValuesAsString("usual"))
        .contains("CARBON_MONOXIDE_ALARM", "SMOKE_ALARM")
        .doesNotContain("FLUE");
  }

  @Test
  public void aTaskIsDueByDaysOrByFiresWhicheverIsFirst() {
    UUID task =
        kept("/upkeep", "{\"what\":\"Take out the ash\",\"why\":\"\",\"days\":100,\"fires\":2}");
    assertThat(upkeep().at("/tasks/0/state").asString()).as("never done").isEqualTo("DUE");
    kept("/upkeep/" + task + "/done", "{\"at\":\"%s\"}".formatted(daysAgo(10)));
    assertThat(upkeep().at("/tasks/0/state").asString()).isEqualTo("NOT_YET");
    fire(daysAgo(2), "8");
    fire(daysAgo(1), "8");
    JsonNode due = upkeep().at("/tasks/0");
    assertThat(due.path("state").asString()).isEqualTo("DUE");
    assertThat(due.path("kilograms").asDouble()).isEqualTo(16);
    kept("/upkeep/" + task + "/done", "{\"note\":\"two buckets\"}");
    assertThat(upkeep().at("/tasks/0/fires").asInt()).isZero();
    assertThat(upkeep().at("/tasks/0/done/0/note").asString()).isEqualTo("two buckets");
    takeBack("TASK_DONE");
    assertThat(upkeep().at("/tasks/0/state").asString()).isEqualTo("DUE");
  }

  @Test
  public void aStatementTellsHowOftenATaskWasDoneInItsTime() {
    UUID ash = kept("/upkeep", "{\"what\":\"Take out the ash\",\"days\":3}");
    UUID flue = kept("/upkeep", "{\"what\":\"Sweep the flue\",\"days\":365}");
    for (int days : new int[] {2, 5, 40}) {
      kept("/upkeep/" + ash + "/done", "{\"at\":\"%s\"}".formatted(daysAgo(days)));
    }
    kept("/upkeep/" + flue + "/done", "{\"at\":\"%s\"}".formatted(daysAgo(6)));
    LocalDate today = now.atZone(ZoneOffset.UTC).toLocalDate();
    String span = "/statement?from=%s&to=%s".formatted(today.minusDays(10), today);
    JsonNode tasks = grounds.keeper.get(grounds.path(span)).body().path("tasks");
    assertThat(tasks).hasSize(2);
    assertThat(tasks.at("/0/what").asString()).isEqualTo("Take out the ash");
    assertThat(tasks.at("/0/times").asInt()).isEqualTo(2);
    assertThat(tasks.at("/1/times").asInt()).isEqualTo(1);
    Grounds other = Grounds.fresh();
    assertThat(other.keeper.get(other.path(span)).body().path("tasks")).isEmpty();
  }

  @Test
  public void aTaskLetGoComesBackWithWhatWasDoneOfIt() {
    UUID task = kept("/upkeep", "{\"what\":\"Look\",\"why\":\"rust\",\"days\":30}");
    kept("/upkeep/" + task + "/done", "{}");
    kept("/upkeep/" + task + "/done", "{\"at\":\"%s\"}".formatted(daysAgo(40)));
    assertThat(grounds.keeper.delete(grounds.path("/upkeep/" + task)).status()).isEqualTo(204);
    assertThat(upkeep().path("tasks")).isEmpty();
    takeBack("TASK");
    assertThat(upkeep().at("/tasks/0/done")).hasSize(2);
    assertThat(upkeep().at("/tasks/0/task/why").asString()).isEqualTo("rust");
  }

  @Test
  public void aUsualTaskIsTakenOnOnce() {
    grounds.newHouse();
    String seals = "{\"usual\":\"SEALS\",\"what\":\"Seals\",\"why\":\"\",\"days\":365}";
    kept("/upkeep", seals);
    assertThat(upkeep().path("usual").findValuesAsString("usual")).doesNotContain("SEALS");
    assertThat(put("/upkeep/" + UUID.randomUUID(), seals).status()).isEqualTo(409);
  }

  @Test
  public void severalTakenOnAtOnceAreOneChangeAndOneThatIsWrongLeavesNone() {
    String two = "{\"%s\":{\"what\":\"Look\",\"days\":30},\"%s\":{\"what\":\"Sweep\",\"days\":%d}}";
    UUID one = UUID.randomUUID();
    UUID other = UUID.randomUUID();
    assertThat(put("/upkeep", two.formatted(one, other, 0)).status()).isEqualTo(422);
    assertThat(upkeep().path("tasks")).isEmpty();
    assertThat(put("/upkeep", two.formatted(one, other, 7)).status()).isEqualTo(204);
    assertThat(upkeep().path("tasks")).hasSize(2);
    takeBack("TASK");
    assertThat(upkeep().path("tasks")).isEmpty();
  }

  @DataProvider
  Object[][] noTask() {
    return new Object[][] {
      {"{\"what\":\" \",\"days\":3}", "what"},
      {"{\"what\":\"Look\"}", "days"},
      {"{\"what\":\"Look\",\"days\":0}", "days"},
      {"{\"what\":\"Look\",\"month\":2,\"dayOfMonth\":31}", "month"},
      {"{\"what\":\"Look\",\"month\":2}", "month"},
    };
  }

  @Test(dataProvider = "noTask")
  public void aTaskThatNeverComesRoundIsRefused(String body, String field) {
    Answer refused = put("/upkeep/" + UUID.randomUUID(), body);
    assertThat(refused.status()).as(refused.body().toString()).isEqualTo(422);
    assertThat(refused.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void theCalendarRepeatsWhatComesByDays() {
    kept("/upkeep", "{\"what\":\"Test the alarm\",\"why\":\"Batteries\",\"days\":30}");
    kept("/upkeep", "{\"what\":\"Sweep\",\"why\":\"\",\"kilograms\":500}");
    String calendar =
        new String(grounds.keeper.bytes(grounds.path("/upkeep/calendar")), StandardCharsets.UTF_8);
    assertThat(calendar)
        .contains("SUMMARY:Test the alarm")
        .contains("FREQ=DAILY")
        .contains("INTERVAL=30")
        .contains("DTSTART;VALUE=DATE:")
        .contains("SUMMARY:Sweep"); // never done: due today
  }
}
