package nightbank.server.broker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import nightbank.server.broker.BrokerMessage.Said;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What sensors say on a topic. */
public class BrokerMessageTest {
  private static final Instant NOW = Instant.parse("2026-01-20T18:00:00Z");

  private static List<Said> read(String said) {
    return BrokerMessage.read("bed/3", said.getBytes(StandardCharsets.UTF_8), NOW);
  }

  @DataProvider
  Object[][] numbers() {
    return new Object[][] {
      {"21.5", 21.5},
      {" 21,5\n", 21.5},
      {"-3", -3},
      {"21.5 °C", 21.5},
      {"21.5C", 21.5},
      {"70.7 F", 21.5},
      {"70.7°F", 21.5},
      {"294.65 K", 21.5},
    };
  }

  @Test(dataProvider = "numbers")
  public void aPlainNumberIsCelsiusUnlessItSaysOtherwise(String said, double celsius) {
    assertThat(read(said)).hasSize(1);
    assertThat(read(said).get(0).celsius()).isCloseTo(celsius, within(1e-9));
    assertThat(read(said).get(0).at()).as("it does not say when").isNull();
    assertThat(read(said).get(0).channel()).isEqualTo("bed/3");
  }

  @DataProvider
  Object[][] noTemperatures() {
    return new Object[][] {
      {"ON"}, {"21.5.3"}, {"1e400"}, {"NaN"}, {"-300"}, {"{"}, {"["}, {"[{\"n\":\"a\"}]"}, {"21 lx"}
    };
  }

  @Test(dataProvider = "noTemperatures")
  public void whatIsNoTemperatureIsShownAndNotRead(String said) {
    assertThat(read(said)).hasSize(1).allMatch(s -> s.celsius() == null && !s.text().isBlank());
  }

  @Test
  public void anObjectsNumbersHaveItsNames() {
    List<Said> all = read("{\"air\":3.5,\"soil\":{\"t\":6},\"state\":\"ok\",\"on\":true}");
    assertThat(all).extracting(Said::channel).containsExactly("bed/3 air", "bed/3 soil.t");
    assertThat(all).extracting(Said::celsius).containsExactly(3.5, 6.0);
  }

  @Test
  public void aPackOfSenMlSaysWhenAndInWhatUnit() {
    List<Said> all = read("[{\"bn\":\"x:\",\"n\":\"a\",\"u\":\"degF\",\"v\":50,\"t\":-60}]");
    assertThat(all).extracting(Said::channel).containsExactly("bed/3 x:a");
    assertThat(all.get(0).celsius()).isCloseTo(10, within(1e-9));
    assertThat(all.get(0).at()).isEqualTo(NOW.minusSeconds(60));
  }

  @Test
  public void whatIsHugeOrHostileIsBounded() {
    assertThat(read("1".repeat(BrokerMessage.LARGEST + 1))).isEmpty();
    assertThat(read("[".repeat(5000))).hasSize(1);
    StringBuilder many = new StringBuilder("{");
    for (int i = 0; i < 1000; i++) {
      many.append(i == 0 ? "" : ",").append("\"n").append(i).append("\":1");
    }
    assertThat(read(many.append('}').toString())).hasSizeLessThanOrEqualTo(40);
    assertThat(read("\u0000\u001b[31mred")).allMatch(s -> s.text().chars().noneMatch(c -> c < 32));
  }
}
