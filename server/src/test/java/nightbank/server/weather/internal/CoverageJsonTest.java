package nightbank.server.weather.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import nightbank.server.weather.HourlyWeather;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

public class CoverageJsonTest {
  private static List<HourlyWeather> read(String json) throws IOException {
    return CoverageJson.read(JsonMapper.builder().build().readTree(json));
  }

  private static String series(String name, String label, String unit, String values) {
    return """
        {"type":"Coverage","domain":{"axes":{"t":{"values":["2026-01-30T16:00Z","2026-01-30T18:00:00+01:00"]}}},
         "parameters":{"%s":{"observedProperty":{"label":{"en":"%s"}},"unit":{"symbol":%s}}},
         "ranges":{"%s":{"values":[%s]}}}
        """
        .formatted(name, label, unit, name, values);
  }

  @DataProvider
  Object[][] temperatures() {
    return new Object[][] {
      {"air_temperature", "", "\"Cel\"", "-3.5,-4", -3.5},
      {"p1", "Temperature at 2 m", "{\"value\":\"K\",\"type\":\"UCUM\"}", "269.65,270", -3.5},
      {"t2m", "", "\"[degF]\"", "25.7,26", -3.5},
    };
  }

  @Test(dataProvider = "temperatures")
  public void aTemperatureIsUnderstoodInWhateverUnit(
      String name, String label, String unit, String values, double celsius) throws IOException {
    List<HourlyWeather> hours = read(series(name, label, unit, values));
    assertThat(hours).hasSize(2);
    assertThat(hours.get(0).celsius()).isCloseTo(celsius, within(1e-9));
    assertThat(hours.get(1).at()).isEqualTo(Instant.parse("2026-01-30T17:00:00Z"));
  }

  @Test
  public void windCloudAndDewPointComeAlongAndGapsAreLeftOut() throws IOException {
    List<HourlyWeather> hours =
        read(
            """
            {"type":"CoverageCollection",
             "parameters":{"T":{"observedProperty":{"id":"http://x/air_temperature"},"unit":{"symbol":"Cel"}},
               "W":{"observedProperty":{"label":{"en":"Wind speed"}},"unit":{"symbol":"km/h"}},
               "G":{"observedProperty":{"label":{"en":"Wind direction"}},"unit":{"symbol":"deg"}},
               "C":{"observedProperty":{"label":{"en":"Cloud cover"}},"unit":{"symbol":"%"}},
               "D":{"observedProperty":{"label":{"en":"Dew point temperature"}},"unit":{"symbol":"K"}}},
             "coverages":[{"domain":{"axes":{"t":{"values":["2026-01-30T16:00:00Z","2026-01-30T17:00:00Z"]}}},
               "ranges":{"D":{"values":[270.15,null]},"T":{"values":[-2,null]},"W":{"values":[18,20]},
                 "G":{"values":[270,270]},"C":{"values":[25,30]}}}]}
            """);
    assertThat(hours)
        .containsExactly(
            new HourlyWeather(Instant.parse("2026-01-30T16:00:00Z"), -2, 5.0, 0.25, -3.0));
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {"{}", "no hours"},
      {"[]", "no hours"},
      {series("humidity", "Humidity", "\"%\"", "80,80"), "no temperature"},
      {series("air_temperature", "", "\"furlong\"", "1,2"), "furlong"},
      {series("air_temperature", "", "\"Cel\"", "1"), "1 values for 2 hours"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatIsNoWeatherSaysWhatItLacks(String json, String word) {
    assertThatThrownBy(() -> read(json)).isInstanceOf(IOException.class).hasMessageContaining(word);
  }
}
