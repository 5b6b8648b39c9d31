package nightbank.server.sizing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import nightbank.server.Grounds;
import org.awaitility.Awaitility;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What next, asked over HTTP. */
public class RankingsTest {
  private static final String WINTER = "{\"usualLow\":0,\"hardestLow\":-9,\"hourWorth\":10}";

  private Grounds grounds;
  private UUID house;

  @BeforeClass
  void aHouseWithNothingInIt() {
    grounds = Grounds.fresh();
    house = grounds.newHouse();
  }

  private JsonNode begun(String question) {
    var answer = grounds.keeper.post(grounds.path("/houses/" + house + "/ranking"), question);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(202);
    return answer.body();
  }

  private JsonNode view(String id) {
    return grounds.keeper.get(grounds.path("/ranking/" + id)).body();
  }

  private JsonNode done(String question) {
    String id = begun(question).path("id").asString();
    return Awaitility.await()
        .atMost(Duration.ofMinutes(3))
        .pollInterval(Duration.ofMillis(100))
        .until(() -> view(id), b -> !b.path("state").asString().equals("RUNNING"));
  }

  @Test
  public void aHouseWithoutAStoreIsToldWhatToDoFirst() {
    JsonNode view = done(WINTER);
    assertThat(view.path("state").asString()).isEqualTo("DONE");
    assertThat(view.path("nights").asInt()).isEqualTo(120);
    assertThat(view.path("fromFile").asBoolean()).isFalse();
    JsonNode base = view.path("base");
    double lost = base.path("lost").path("middle").asDouble();
    assertThat(lost).isGreaterThan(5);
    assertThat(base.path("bare").path("middle").asDouble()).isEqualTo(lost);
    assertThat(base.path("boughtJoules").path("middle").asDouble()).isGreaterThan(3.6e7);
    List<String> ids = new ArrayList<>();
    view.path("changes").forEach(c -> ids.add(c.path("id").asString()));
    assertThat(ids).contains("SECOND_SKIN", "FLEECE");
    JsonNode first = view.path("path").path(0);
    assertThat(ids).contains(first.path("id").asString());
    assertThat(first.path("saved").path("middle").asDouble()).isPositive();
    for (JsonNode s : view.path("path")) {
      assertThat(s.path("lost").path("middle").asDouble()).isLessThanOrEqualTo(lost);
      lost = s.path("lost").path("middle").asDouble();
    }
  }

  @Test
  public void aSecondQuestionStopsTheFirst() {
    String first = begun(WINTER.replace("10}", "12}")).path("id").asString();
    JsonNode second = begun(WINTER.replace("10}", "11}"));
    stopped(first);
    grounds.keeper.delete(grounds.path("/ranking/" + second.path("id").asString()));
    stopped(second.path("id").asString());
  }

  private void stopped(String id) {
    Awaitility.await()
        .atMost(Duration.ofSeconds(30))
        .until(() -> view(id).path("state").asString().equals("STOPPED"));
  }

  @Test(dependsOnMethods = "aHouseWithoutAStoreIsToldWhatToDoFirst")
  public void theSameQuestionOfTheSamePlaceIsAnsweredAtOnceAndOfAnotherAnew() {
    assertThat(begun(WINTER).path("state").asString()).isEqualTo("DONE");
    String drum =
        Grounds.drum(UUID.randomUUID(), "Drum")
            .replace("\"houseId\":null", "\"houseId\":\"" + house + "\"");
    assertThat(grounds.keeper.post(grounds.path("/stores"), drum).status()).isEqualTo(200);
    assertThat(done(WINTER).path("changes").toString()).contains("MORE_MASS");
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {"{\"usualLow\":0,\"hardestLow\":4,\"hourWorth\":10}", "hardestLow"},
      {"{\"usualLow\":0,\"hardestLow\":-9,\"hourWorth\":-1}", "hourWorth"},
      {"{\"recorded\":true,\"usualLow\":0,\"hardestLow\":-9,\"hourWorth\":1}", "recorded"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCannotBeAWinterIsRefusedByItsField(String question, String field) {
    var answer = grounds.keeper.post(grounds.path("/houses/" + house + "/ranking"), question);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.body().path("field").asString()).isEqualTo(field);
  }
}
