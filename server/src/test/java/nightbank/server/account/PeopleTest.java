package nightbank.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import nightbank.server.Grounds;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** People come in by a code, choose their own passwords, forget them, and leave. */
public class PeopleTest {
  private static final String OTHER = "another few words";

  private Grounds own;
  private String tag;

  @BeforeMethod
  void ground() {
    own = Grounds.fresh();
    tag = own.holding.toString().substring(0, 8);
  }

  private String invitation(String role) {
    return own.keeper
        .post(own.path("/invitations"), "{\"role\":\"%s\"}".formatted(role))
        .body()
        .path("code")
        .asString();
  }

  private static Answer signIn(Visitor who, String login, String password) {
    return who.post(
        "/api/session", "{\"login\":\"%s\",\"password\":\"%s\"}".formatted(login, password));
  }

  private Answer begin(String code, String login, String password) {
    return own.keeper
        .stranger()
        .post(
            "/api/people",
            "{\"code\":\"%s\",\"login\":\"%s\",\"name\":\"\",\"password\":\"%s\"}"
                .formatted(code, login, password));
  }

  @Test
  public void anInvitationLetsOneInOfManyWhoShowIt() {
    String code = invitation("HELPER");
    List<CompletableFuture<Integer>> all =
        IntStream.range(0, 5)
            .mapToObj(
                i ->
                    CompletableFuture.supplyAsync(
                        () -> begin(code, "many" + i + tag, OTHER).status()))
            .toList();
    assertThat(all.stream().map(CompletableFuture::join)).filteredOn(s -> s == 200).hasSize(1);
  }

  @Test
  public void anInvitationWithAPasswordThatIsRefusedCanBeUsedStill() {
    String code = invitation("GUEST").toLowerCase(java.util.Locale.ROOT).replace("-", "  ");
    assertThat(begin(code, "pia" + tag, "1234567890").status()).isEqualTo(422);
    assertThat(begin(code, "pia" + tag, OTHER).status()).isEqualTo(200);
    assertThat(begin(code, "pim" + tag, OTHER).code()).isEqualTo("wrong-code");
  }

  @Test
  public void onePersonBelongsToTwoHoldingsAndIsNeverLessThanBefore() {
    Grounds other = Grounds.fresh();
    String join = "{\"code\":\"%s\"}".formatted(invitation("HELPER"));
    Answer in = other.keeper.post("/api/me/holdings", join);
    assertThat(in.body().path("holdingId").asString()).isEqualTo(own.holding.toString());
    assertThat(other.keeper.get(own.path("/stores")).status()).isEqualTo(200);
    assertThat(other.keeper.get("/api/me").body().path("holdings")).hasSize(2);
    own.keeper.post("/api/me/holdings", "{\"code\":\"%s\"}".formatted(invitation("GUEST")));
    assertThat(own.keeper.get("/api/me").body().path("holdings").path(0).path("role").asString())
        .isEqualTo("KEEPER");
  }

  @Test
  public void onlyAKeeperInvites() {
    Visitor helper = own.letIn("hal" + tag, "HELPER");
    assertThat(helper.post(own.path("/invitations"), "{\"role\":\"KEEPER\"}").status())
        .isEqualTo(403);
    String me = own.idOf("hal" + tag);
    assertThat(helper.post(own.path("/people/" + me + "/code"), "").status()).isEqualTo(403);
  }

  @Test
  public void aNewPasswordSignsOutEverywhereElse() {
    Visitor here = own.letIn("ida" + tag, "HELPER");
    Visitor there = here.stranger();
    there.signIn("ida" + tag);
    String wrong = "{\"before\":\"not it at all\",\"password\":\"%s\"}".formatted(OTHER);
    assertThat(here.put("/api/me/password", null, wrong).body().path("field").asString())
        .isEqualTo("before");
    String right = "{\"before\":\"three plain words\",\"password\":\"%s\"}".formatted(OTHER);
    assertThat(here.put("/api/me/password", null, right).status()).isEqualTo(204);
    assertThat(here.get(own.path("/stores")).status()).isEqualTo(200);
    assertThat(there.get(own.path("/stores")).status()).isEqualTo(401);
    assertThat(there.signIn("ida" + tag).status()).isEqualTo(401);
    assertThat(signIn(there, "ida" + tag, OTHER).status()).isEqualTo(200);
  }

  @Test
  public void signingOutEverywhereEndsAllSessions() {
    Visitor here = own.letIn("jon" + tag, "HELPER");
    Visitor there = here.stranger();
    there.signIn("jon" + tag);
    assertThat(here.delete("/api/me/sessions").status()).isEqualTo(204);
    assertThat(here.get(own.path("/stores")).status()).isEqualTo(401);
    assertThat(there.get(own.path("/stores")).status()).isEqualTo(401);
  }

  @Test
  public void whoForgotAPasswordComesInByACodeOfTheKeepersOnce() {
    Visitor kai = own.letIn("kai" + tag, "HELPER");
    String id = own.idOf("kai" + tag);
    String code =
        own.keeper.post(own.path("/people/" + id + "/code"), "").body().path("code").asString();
    String body = "{\"login\":\"%s\",\"code\":\"%s\",\"password\":\"%s\"}";
    Visitor away = kai.stranger();
    assertThat(away.post("/api/passwords", body.formatted("ida", code, OTHER)).code())
        .isEqualTo("wrong-code");
    assertThat(away.post("/api/passwords", body.formatted("kai" + tag, code, OTHER)).status())
        .isEqualTo(204);
    assertThat(kai.get(own.path("/stores")).status()).isEqualTo(401);
    assertThat(signIn(away, "kai" + tag, OTHER).status()).isEqualTo(200);
    assertThat(away.post("/api/passwords", body.formatted("kai" + tag, code, OTHER)).code())
        .isEqualTo("wrong-code");
  }

  @Test
  public void aKeeperMakesNoCodeForWhoBelongsToAnothersHolding() {
    Grounds other = Grounds.fresh();
    other.keeper.post("/api/me/holdings", "{\"code\":\"%s\"}".formatted(invitation("GUEST")));
    String login = other.keeper.get("/api/me").body().path("person").path("login").asString();
    Answer no = own.keeper.post(own.path("/people/" + own.idOf(login) + "/code"), "");
    assertThat(no.code()).isEqualTo("belongs-elsewhere");
    assertThat(no.status()).isEqualTo(409);
  }

  @Test
  public void whatSomebodyTriedInVainIsToldUntilItIsPutAway() {
    Visitor lea = own.letIn("lea" + tag, "GUEST");
    for (int i = 0; i < 3; i++) {
      signIn(lea.stranger(), "lea" + tag, "a guess");
    }
    assertThat(lea.get("/api/me").body().path("person").path("tries").path("number").asInt())
        .isEqualTo(3);
    assertThat(lea.delete("/api/me/tries").body().path("person").path("tries").isNull()).isTrue();
  }

  @Test
  public void theTokenOfThePageIsAnotherAfterSigningIn() {
    Visitor mo = own.letIn("mo" + tag, "GUEST");
    String before = mo.token().orElseThrow();
    mo.signIn("mo" + tag);
    assertThat(mo.token().orElseThrow()).isNotEqualTo(before);
    assertThat(mo.delete("/api/me/tries").status()).isEqualTo(200);
  }

  @DataProvider
  Object[][] weak() {
    return new Object[][] {
      {"short"},
      {""},
      {"x".repeat(80)},
      {"aaaaaaaaaaaa"},
      {"ababababab"},
      {"1234567890"},
      {"qwertyuiop"},
      {"password1234"},
      {"Password2026!"},
      {"winter-2026-winter"},
      {"nora-keeps-1"},
    };
  }

  @Test(dataProvider = "weak")
  public void whatIsTriedFirstIsNoPassword(String password) {
    Answer refused = begin(invitation("GUEST"), "nora-keeps", password);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("field").asString()).isEqualTo("password");
  }

  @DataProvider
  Object[][] good() {
    return new Object[][] {
      {"8402 9917 3325"},
      {"summer rain on glass"},
      {"three plain words"},
      {"Wx7#kq2!mZ"},
      {"ζεστή άμμος τη νύχτα"}
    };
  }

  @Test(dataProvider = "good")
  public void whatNobodyWouldTryFirstIsAPassword(String password) {
    String login = "good" + Math.abs(password.hashCode()) + tag;
    assertThat(begin(invitation("GUEST"), login, password).status()).isEqualTo(200);
    assertThat(signIn(own.keeper.stranger(), login, password).status()).isEqualTo(200);
  }

  @Test
  public void aCodeForAPasswordIsVoidOnceItsPersonBelongsElsewhereOrChoseAnother() {
    Grounds other = Grounds.fresh();
    Visitor nan = own.letIn("nan" + tag, "HELPER");
    String path = own.path("/people/" + own.idOf("nan" + tag) + "/code");
    String reset = "{\"login\":\"nan" + tag + "\",\"code\":\"%s\",\"password\":\"" + OTHER + "\"}";
    String first = own.keeper.post(path, "").body().path("code").asString();
    String own2 =
        "{\"before\":\"three plain words\",\"password\":\"%s\"}"
            .formatted("yet another four words");
    assertThat(nan.put("/api/me/password", null, own2).status()).isEqualTo(204);
    assertThat(nan.stranger().post("/api/passwords", reset.formatted(first)).status())
        .isEqualTo(403);
    String second = own.keeper.post(path, "").body().path("code").asString();
    String join =
        other
            .keeper
            .post(other.path("/invitations"), "{\"role\":\"GUEST\"}")
            .body()
            .path("code")
            .asString();
    nan.post("/api/me/holdings", "{\"code\":\"%s\"}".formatted(join));
    assertThat(nan.stranger().post("/api/passwords", reset.formatted(second)).status())
        .isEqualTo(403);
  }

  @Test
  public void whoCameInStandsAmongWhatWasChanged() {
    own.letIn("oda" + tag, "HELPER");
    assertThat(own.keeper.get(own.path("/changes")).body().toString()).contains("oda" + tag);
  }

  @DataProvider
  Object[][] alike() {
    return new Object[][] {{"b0livar"}, {"boIivar"}, {"Bo.livar"}, {"bolívar"}, {"BOLIVAR"}};
  }

  @Test(dataProvider = "alike")
  public void namesThatLookAlikeAreRefused(String login) {
    begin(invitation("GUEST"), "bolivar", OTHER);
    assertThat(begin(invitation("GUEST"), login, OTHER).code()).isEqualTo("taken");
  }

  @DataProvider
  Object[][] odd() {
    return new Object[][] {{"x"}, {"p\u0430ul-of-two"}, {"a\u200bb"}, {"l\u202eong"}};
  }

  @Test(dataProvider = "odd")
  public void namesThatCannotBeReadOutAreRefused(String login) {
    Answer refused = begin(invitation("GUEST"), login, OTHER);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("field").asString()).isEqualTo("login");
  }
}
