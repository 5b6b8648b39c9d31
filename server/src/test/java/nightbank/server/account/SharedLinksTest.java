package nightbank.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import org.jooq.DSLContext;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Links by which somebody without an account reads for some days. */
public class SharedLinksTest {
  private Grounds grounds;
  private Answer link;

  @BeforeMethod
  void made() {
    grounds = Grounds.fresh();
    link = make("record/nights?winter=2025", 7);
    assertThat(link.status()).as(link.body().toString()).isEqualTo(200);
  }

  private Answer make(String view, int days) {
    return grounds.keeper.post(
        grounds.path("/links"), "{\"view\":\"%s\",\"days\":%d}".formatted(view, days));
  }

  private Answer come(Visitor who, String code) {
    return who.post("/api/session/link", "{\"code\":\"%s\"}".formatted(code));
  }

  private Visitor reader() {
    Visitor who = grounds.keeper.stranger();
    Answer in = come(who, link.body().path("code").asString());
    assertThat(in.status()).as(in.body().toString()).isEqualTo(200);
    return who;
  }

  @Test
  public void whoeverHasItReadsAsAGuestAndIsLedToTheView() {
    Visitor who = grounds.keeper.stranger();
    Answer in = come(who, link.body().path("code").asString().toLowerCase());
    assertThat(in.body().path("view").asString()).isEqualTo("record/nights?winter=2025");
    assertThat(in.body().path("holdingId").asString()).isEqualTo(grounds.holding.toString());
    assertThat(in.body().path("me").path("holdings")).hasSize(1);
    assertThat(who.get(grounds.path("/stores")).status()).isEqualTo(200);
    assertThat(who.post(grounds.path("/events"), "{}").status()).isIn(400, 403, 422);
    assertThat(who.get(grounds.path("/links")).status()).isEqualTo(403);
  }

  @Test
  public void theyAreNoMemberAndMakeNothingOfTheirOwn() {
    Visitor who = reader();
    assertThat(grounds.keeper.get(grounds.path("/people")).body()).hasSize(1);
    String holding =
        "{\"name\":\"Mine\",\"latitude\":50,\"longitude\":0,\"zone\":\"Europe/London\"}";
    assertThat(who.post("/api/holdings", holding).status()).isEqualTo(403);
    String invitation =
        grounds
            .keeper
            .post(grounds.path("/invitations"), "{\"role\":\"KEEPER\"}")
            .body()
            .path("code")
            .asString();
    assertThat(who.post("/api/me/holdings", "{\"code\":\"%s\"}".formatted(invitation)).status())
        .isEqualTo(403);
    assertThat(who.get("/api/holdings/" + Grounds.fresh().holding + "/stores").status())
        .isEqualTo(404);
  }

  @Test
  public void takenBackItIsOverAtOnce() {
    Visitor who = reader();
    String path = grounds.path("/links/" + link.body().path("id").asString());
    assertThat(grounds.keeper.delete(path).body()).isEmpty();
    assertThat(who.get(grounds.path("/stores")).status()).isIn(401, 404);
    assertThat(come(who, link.body().path("code").asString()).status()).isEqualTo(403);
    assertThat(grounds.keeper.delete(path).status()).isEqualTo(404);
  }

  @Test
  public void whenItsDaysAreOverWhoeverIsInIsOut() {
    Visitor who = reader();
    DSLContext db = Program.shared().bean(DSLContext.class);
    String id = link.body().path("id").asString();
    db.execute(
        "UPDATE membership SET ends_at = '2020-01-01' WHERE person_id ="
            + " (SELECT person_id FROM shown_link WHERE id = ?::uuid)",
        id);
    assertThat(who.get(grounds.path("/stores")).status()).isEqualTo(404);
    db.execute("UPDATE shown_link SET ends_at = '2020-01-01' WHERE id = ?::uuid", id);
    assertThat(come(who, link.body().path("code").asString()).status()).isEqualTo(403);
    assertThat(grounds.keeper.get(grounds.path("/links")).body()).isEmpty();
    Program.shared().bean(SharedLinks.class).tidy();
    assertThat(db.fetch("SELECT 1 FROM shown_link WHERE id = ?::uuid", id)).isEmpty();
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {"tonight", 0}, {"tonight", 91}, {"javascript:alert(1)", 7}, {"", 7}, {"a b", 7}
    };
  }

  @Test(dataProvider = "wrong")
  public void aLinkToNowhereOrForEverIsNotMade(String view, int days) {
    assertThat(make(view, days).status()).isIn(400, 422);
  }

  @Test
  public void itsNameOpensNothing() {
    Visitor who = grounds.keeper.stranger();
    assertThat(come(who, "AAAAA-BBBBB").status()).isEqualTo(403);
    assertThat(grounds.keeper.get(grounds.path("/links")).body().path(0).path("code").isNull())
        .as("told once")
        .isTrue();
  }
}
