package nightbank.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Who may do what, and what a stranger sees of it: nothing. */
public class AccessTest {
  private Grounds own;
  private Grounds strangers;
  private UUID store;
  private UUID house;
  private Visitor helper;
  private Visitor guest;

  @BeforeClass
  void people() {
    own = Grounds.fresh();
    strangers = Grounds.fresh();
    store = own.newDrum();
    house = own.newHouse();
    helper = letIn("HELPER");
    guest = letIn("GUEST");
  }

  private Visitor letIn(String role) {
    return own.letIn(role.toLowerCase() + own.holding.toString().substring(0, 6), role);
  }

  @DataProvider
  Object[][] reads() {
    return new Object[][] {
      {""},
      {"/people"},
      {"/houses"},
      {"/houses/" + house},
      {"/stores"},
      {"/stores/" + store},
      {"/stores/" + store + "/runs"},
      {"/imports/" + UUID.randomUUID()},
      {"/runs/" + UUID.randomUUID() + "/judgement"},
      {"/runs/" + UUID.randomUUID() + "/readings"},
    };
  }

  @Test(dataProvider = "reads")
  public void aStrangerSeesNothingOfAHolding(String path) {
    var answer = strangers.keeper.get(own.path(path));
    assertThat(answer.status()).isEqualTo(404);
    assertThat(answer.body().path("field").asString()).isEqualTo("holding");
  }

  @Test(dataProvider = "reads")
  public void nobodySignedOutSeesAnything(String path) {
    assertThat(new Visitor(Program.shared()).get(own.path(path)).status()).isEqualTo(401);
  }

  @Test
  public void aStoreOfAnotherHoldingIsNotFoundUnderOnesOwn() {
    assertThat(strangers.keeper.get(strangers.path("/stores/" + store)).status()).isEqualTo(404);
    assertThat(strangers.keeper.get(strangers.path("/houses/" + house)).status()).isEqualTo(404);
    assertThat(strangers.upload(store, "a.csv", "x".getBytes()).status()).isEqualTo(404);
    var stolen =
        strangers.keeper.put(
            strangers.path("/stores/" + store), "\"1\"", Grounds.drum(store, "Mine now"));
    assertThat(stolen.status()).isEqualTo(404);
    assertThat(own.keeper.get(own.path("/stores/" + store)).body().path("name").asString())
        .isEqualTo("Drum");
  }

  @Test
  public void aStoreCannotTakeAnotherHoldingsIdNorItsProbes() {
    var answer = strangers.keeper.post(strangers.path("/stores"), Grounds.drum(store, "Copy"));
    assertThat(answer.status()).isBetween(400, 499);
    assertThat(strangers.keeper.get(strangers.path("/stores")).body().size()).isZero();
    var reading =
        strangers.keeper.post(
            strangers.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-10T08:00:00Z\",\"typed\":\"14\"}]}"
                .formatted(Grounds.probeId(store, "core")));
    assertThat(reading.status()).isEqualTo(404);
  }

  @Test
  public void aHelperLogsButDoesNotChange() {
    var logged =
        helper.post(
            own.path("/readings"),
            "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-10T08:00:00Z\",\"typed\":\"14\"}]}"
                .formatted(Grounds.probeId(store, "core")));
    assertThat(logged.status()).isEqualTo(200);
    var change = helper.put(own.path("/stores/" + store), "\"1\"", Grounds.drum(store, "Helper's"));
    assertThat(change.status()).isEqualTo(403);
    assertThat(change.body().path("remedy").asString()).contains("keeper");
  }

  @Test
  public void aGuestReadsOnly() {
    assertThat(guest.get(own.path("/stores")).status()).isEqualTo(200);
    assertThat(guest.post(own.path("/readings"), "{\"fahrenheit\":false,\"readings\":[]}").status())
        .isEqualTo(403);
    assertThat(guest.post(own.path("/houses"), "{}").status()).isEqualTo(403);
  }

  @Test
  public void withoutTheTokenOfThePageNothingIsTaken() {
    assertThat(own.keeper.postWithoutToken(own.path("/readings"), "{}")).isEqualTo(403);
  }

  @Test
  public void strangersWhoTryANameDoNotLockOutTheBrowserItIsUsedIn() {
    Visitor own = Visitor.keeper(Program.shared(), "besieged");
    Visitor stranger = new Visitor(Program.shared());
    for (int i = 0; i < 12; i++) {
      stranger.post("/api/session", "{\"login\":\"besieged\",\"password\":\"x\"}");
    }
    assertThat(stranger.signIn("besieged").status()).isEqualTo(429);
    assertThat(own.delete("/api/session").status()).isEqualTo(204);
    assertThat(own.signIn("besieged").status()).isEqualTo(200);
  }

  @Test
  public void wrongPasswordsRunOut() {
    Visitor v = new Visitor(Program.shared());
    int last = 0;
    for (int i = 0; i < 11; i++) {
      last = v.post("/api/session", "{\"login\":\"nobody-here\",\"password\":\"x\"}").status();
      assertThat(last).isEqualTo(i < 10 ? 401 : 429);
    }
    assertThat(last).isEqualTo(429);
  }

  @Test
  public void theFirstKeeperIsMadeOnce() {
    var again =
        new Visitor(Program.shared())
            .post(
                "/api/setup",
                """
                {"login":"second","name":"S","password":"three plain words",
                 "holding":{"name":"S","latitude":57,"longitude":-3,"zone":"Europe/London"}}
                """);
    assertThat(again.status()).isBetween(400, 499);
    assertThat(again.code()).isNotEqualTo("unforeseen");
  }
}
