package nightbank.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import nightbank.server.Program;
import nightbank.server.Visitor;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Units belong to a person and to nobody else. */
public class UnitsTest {
  private static final String MIXED =
      """
      {"fahrenheit":false,"energy":"MJ","power":"BTU_H","mass":"LB","volume":"IMP_GAL",
       "length":"FT","insulation":"R"}""";

  private static String units(Visitor v) {
    return v.get("/api/me").body().path("person").path("units").toString();
  }

  @Test
  public void areKeptAsMixedForTheirPersonAlone() {
    Visitor mixes = Visitor.keeper(Program.shared(), "mixes");
    Visitor other = Visitor.keeper(Program.shared(), "other");
    String before = units(other);
    assertThat(mixes.put("/api/me/units", null, MIXED).status()).isEqualTo(200);
    assertThat(units(mixes)).contains("MJ", "BTU_H", "LB", "IMP_GAL", "FT", "\"R\"", "false");
    assertThat(units(other)).isEqualTo(before).contains("KWH").contains("\"M\"");
    mixes.put("/api/me/units", null, "{\"fahrenheit\":true}");
    assertThat(units(mixes)).contains("true").contains("KWH").contains("KG").doesNotContain("LB");
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {
      {"{\"fahrenheit\":false,\"mass\":\"STONE\"}"}, {"{\"fahrenheit\":\"warm\"}"}, {"[]"}, {"{"},
    };
  }

  @Test(dataProvider = "nonsense")
  public void whatIsNoUnitIsRefusedAndChangesNothing(String body) {
    Visitor v = Visitor.keeper(Program.shared(), "nonsense" + Math.abs(body.hashCode()));
    String before = units(v);
    var answer = v.put("/api/me/units", null, body);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.body().path("remedy").asString()).isNotBlank();
    assertThat(units(v)).isEqualTo(before);
  }

  @Test
  public void nobodySignedOutHasAny() {
    assertThat(new Visitor(Program.shared()).put("/api/me/units", null, MIXED).status())
        .isEqualTo(401);
  }
}
