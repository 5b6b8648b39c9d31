package nightbank.server.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor.Answer;
import nightbank.standins.forecast.ForecastService;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The night by a forecast, by a file, and with neither. */
public class WeatherTest {
  private ForecastService service;
  private Program program;

  @BeforeClass
  void start() throws IOException {
    service = new ForecastService(0);
    program = Program.start("", "--nightbank.forecast=" + service.address());
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    service.close();
  }

  private static Answer ask(Grounds grounds, UUID house) {
    return grounds.keeper.post(grounds.path("/houses/" + house + "/tonight"), "{}");
  }

  @Test
  public void withoutATypedLowTheForecastIsTakenAndSaidSo() {
    Grounds grounds = Grounds.fresh(program);
    UUID house = grounds.newHouse();
    Answer night = ask(grounds, house);
    assertThat(night.status()).as(night.body().toString()).isEqualTo(200);
    assertThat(night.body().path("assumptions").toString()).contains("WEATHER_FORECAST");
  }

  @Test
  public void aServiceMayTellItsHoursInCsvToo() {
    Program other = Program.start("", "--nightbank.forecast=" + service.address() + "&format=csv");
    Grounds grounds = Grounds.fresh(other);
    Answer night = ask(grounds, grounds.newHouse());
    assertThat(night.status()).as(night.body().toString()).isEqualTo(200);
    assertThat(night.body().path("assumptions").toString()).contains("WEATHER_FORECAST");
    other.stopProgram();
  }

  @DataProvider
  Object[][] faults() {
    return new Object[][] {
      {ForecastService.Fault.DOWN},
      {ForecastService.Fault.SLOW},
      {ForecastService.Fault.WRONG},
      {ForecastService.Fault.HUGE},
    };
  }

  @Test(dataProvider = "faults")
  public void aServiceThatFailsCostsNoMoreThanItsPatience(ForecastService.Fault fault) {
    Grounds grounds = Grounds.fresh(program);
    UUID house = grounds.newHouse();
    service.fault(fault);
    try {
      int answered = service.answered();
      int asked = service.asked();
      Answer refused = ask(grounds, house);
      assertThat(service.asked()).isEqualTo(asked + 1);
      if (fault == ForecastService.Fault.SLOW || fault == ForecastService.Fault.HUGE) {
        assertThat(service.answered()).as("it is not waited for").isEqualTo(answered);
      }
      assertThat(refused.status()).as(refused.body().toString()).isEqualTo(422);
      assertThat(refused.code()).isEqualTo("no-weather");
      assertThat(refused.body().path("remedy").asString()).contains("Type tonight's low");
      ask(grounds, house);
      assertThat(service.asked()).as("it is left alone for a while").isEqualTo(asked + 1);
      Answer typed =
          grounds.keeper.post(grounds.path("/houses/" + house + "/tonight"), "{\"lowCelsius\":-4}");
      assertThat(service.asked()).isEqualTo(asked + 1);
      assertThat(typed.status()).as("typed facts need no service").isEqualTo(200);
    } finally {
      service.fault(ForecastService.Fault.NONE);
    }
  }

  @Test
  public void aForecastOnceToldServesWhenTheServiceIsDown() {
    Grounds grounds = Grounds.fresh(program);
    UUID house = grounds.newHouse();
    double first = ask(grounds, house).body().path("coldestCelsius").asDouble();
    service.fault(ForecastService.Fault.DOWN);
    try {
      Answer later = ask(grounds, house);
      assertThat(later.status()).isEqualTo(200);
      assertThat(later.body().path("coldestCelsius").asDouble()).isCloseTo(first, within(0.3));
    } finally {
      service.fault(ForecastService.Fault.NONE);
    }
  }

  @Test
  public void aForecastThatEndsInTheNightIsCarriedOnAndSaidSo() {
    Grounds grounds = Grounds.fresh(program);
    UUID house = grounds.newHouse();
    service.fault(ForecastService.Fault.TEN_HOURS);
    try {
      Answer night = ask(grounds, house);
      assertThat(night.status()).isEqualTo(200);
      String said = night.body().path("assumptions").toString();
      assertThat(said).contains("WEATHER_ENDS").contains("WEATHER_FORECAST");
    } finally {
      service.fault(ForecastService.Fault.NONE);
    }
  }

  private String file(String heading, String row) {
    StringBuilder text = new StringBuilder(heading + "\n");
    Instant from =
        program
            .bean(Clock.class)
            .instant()
            .truncatedTo(ChronoUnit.HOURS)
            .minus(1, ChronoUnit.HOURS);
    for (int h = 0; h < 40; h++) {
      String at = from.plus(h, ChronoUnit.HOURS).toString().replace("T", " ").substring(0, 16);
      text.append(at).append(row).append('\n');
    }
    return text.toString();
  }

  @Test
  public void aWeatherFileCountsBeforeTheForecast() {
    Grounds grounds = Grounds.fresh(program);
    UUID house = grounds.newHouse();
    Answer read =
        grounds.keeper.upload(
            grounds.path("/weather"),
            "hours.csv",
            file("time;outdoors °F;wind km/h;cloud %;dew point °F", ";14;18;25;10").getBytes());
    assertThat(read.status()).as(read.body().toString()).isEqualTo(200);
    var first = read.body().path("hours").path(0);
    assertThat(first.path("celsius").asDouble()).isCloseTo(-10, within(1e-9));
    assertThat(first.path("wind").asDouble()).isCloseTo(5, within(1e-9));
    assertThat(first.path("cloud").asDouble()).isCloseTo(0.25, within(1e-9));
    Answer night = ask(grounds, house);
    assertThat(night.body().path("assumptions").toString()).contains("WEATHER_FILE");
    assertThat(night.body().path("outdoor").path(5).asDouble()).isCloseTo(-10, within(0.01));
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {"no temperature", file("time;wind;cloud", ";4;50"), "temperature"},
      {"impossible", file("time;temperature", ";999"), "Fewer than two"},
      {"no time", "temperature;wind\n4;5\n5;6\n", "time"},
      {"poem", "Snow on the sill\n", "time"},
    };
  }

  @Test(dataProvider = "wrong")
  public void aFileThatIsNoWeatherIsRefused(String what, String text, String word) {
    Grounds grounds = Grounds.fresh(program);
    Answer read = grounds.keeper.upload(grounds.path("/weather"), "w.csv", text.getBytes());
    assertThat(read.status()).as(read.body().toString()).isEqualTo(422);
    assertThat(read.body().path("detail").asString()).contains(word);
  }

  @Test
  public void aGuestCannotHandOverWeather() {
    Grounds grounds = Grounds.fresh(program);
    Grounds stranger = Grounds.fresh(program);
    assertThat(stranger.keeper.upload(grounds.path("/weather"), "w.csv", "x".getBytes()).status())
        .isEqualTo(404);
  }
}
