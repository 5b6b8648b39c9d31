package nightbank.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TypedTemperatureTest {
  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      {"58F", false, 14.444},
      {"14,5", false, 14.5},
      {"61 f", false, 16.111},
      {"-3", false, -3.0},
      {"\u22123.5 °C", false, -3.5},
      {" +7. ", false, 7.0},
      {"32", true, 0.0},
      {"20c", true, 20.0},
      {"300 K", false, 26.85},
    };
  }

  @Test(dataProvider = "typed")
  public void isReadAsPeopleTypeIt(String text, boolean fahrenheit, double celsius) {
    assertThat(TypedTemperature.celsius(text, fahrenheit).orElseThrow())
        .isCloseTo(celsius, within(0.001));
  }

  @DataProvider
  Object[][] nonsense() {
    return new Object[][] {{""}, {"--"}, {"warm"}, {"1.2.3"}, {"-300"}, {"NaN"}, {"1e9"}};
  }

  @Test(dataProvider = "nonsense")
  public void whatIsNoTemperatureIsNotGuessed(String text) {
    assertThat(TypedTemperature.celsius(text, false)).isEmpty();
  }
}
