package nightbank.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nightbank.core.forecast.StartOfNight.Basis;
import nightbank.core.forecast.StartOfNight.Surrounding;
import nightbank.core.forecast.StartOfNight.Taken;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.Keeps;
import nightbank.core.house.SkinPart;
import nightbank.core.source.CompostHeat;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Place;
import nightbank.core.system.Control;
import nightbank.core.system.Places;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemSource;
import nightbank.core.system.SystemStore;
import nightbank.core.usual.Usual;
import org.testng.annotations.Test;

public class StartOfNightTest {
  private static final double DAY = 86_400;
  private static final Surrounding AROUND = new Surrounding(9, 1, 7);

  @Test
  public void whatWasReadIsTakenAndWhatWasNotIsGuessedAndSaidSo() {
    assertThat(StartOfNight.evening(OptionalDouble.of(4), -6)).isEqualTo(new Taken(4, Basis.READ));
    Taken guessed = StartOfNight.evening(OptionalDouble.empty(), -6);
    assertThat(guessed).isEqualTo(new Taken(-6 + Usual.EVENING_OVER_LOW.value(), Basis.GUESSED));
    assertThat(
            StartOfNight.air(OptionalDouble.empty(), guessed.celsius(), Places.house(), 8)
                .celsius())
        .isCloseTo(guessed.celsius() + Usual.HOUSE_OVER_EVENING.value(), within(1e-12));
  }

  @Test
  public void aRoomThatNobodyReadIsAsWarmAsWhatLiesRoundItOrAsPeopleKeepIt() {
    SkinPart wall = SkinPart.of("walls", 40, 1.5);
    Greenhouse cellar = Greenhouse.of(List.of(wall.banked(1)), 25, 0.2, 3);
    double alone = StartOfNight.air(OptionalDouble.empty(), -8, cellar, 9).celsius();
    assertThat(alone).isBetween(3.0, 9.0);
    Greenhouse lived = cellar.keeping(Keeps.PEOPLE).withPlantLimit(18);
    assertThat(StartOfNight.air(OptionalDouble.empty(), -8, lived, 9).celsius())
        .isEqualTo(18 + Usual.HOUSE_OVER_LIMIT.value());
    assertThat(StartOfNight.air(OptionalDouble.of(7), -8, lived, 9).celsius()).isEqualTo(7);
  }

  @Test
  public void wallsAreTheDaysMeanOnlyWhereTheDayWasReadOften() {
    double[] often = new double[12];
    for (int i = 0; i < often.length; i++) {
      often[i] = i;
    }
    assertThat(StartOfNight.mass(often, 20)).isEqualTo(new Taken(5.5, Basis.FROM_DAY));
    assertThat(StartOfNight.mass(new double[] {3, 4}, 20)).isEqualTo(new Taken(20, Basis.GUESSED));
    assertThat(StartOfNight.overDays(new double[] {3, 4}, 8)).isEqualTo(8);
  }

  @Test
  public void aStoreThatNobodyReadIsAsWarmAsWhatItStandsIn() {
    HeatStore bench = Places.bench();
    assertThat(StartOfNight.unread(bench, AROUND).meanCelsius()).isCloseTo(9, within(1e-9));
    HeatStore outside =
        bench.withPlace(
            new Place(
                Place.Where.OUTDOORS,
                Place.Footing.RAISED,
                Set.of(),
                Place.SOIL,
                Place.USUAL_COVER,
                15));
    assertThat(StartOfNight.unread(outside, AROUND).meanCelsius()).isCloseTo(1, within(1e-9));
    HeatStore buried =
        bench.withPlace(
            new Place(
                Place.Where.HOUSE,
                Place.Footing.BURIED,
                Set.of(),
                Place.SOIL,
                Place.USUAL_COVER,
                15));
    assertThat(StartOfNight.unread(buried, AROUND).meanCelsius()).isCloseTo(7, within(1e-9));
  }

  @Test
  public void aFedHeapThatNobodyReadIsWarmerThanWhatItStandsInAndIsFollowedNoLongerThanAMonth() {
    HeatStore body = Places.bench();
    CompostHeat rot =
        new CompostHeat("heap", List.of(new CompostHeat.Batch(0, 400, 40, 0.55, 0.4)));
    PlantSystem alone =
        new PlantSystem(
            Optional.empty(),
            List.of(new SystemStore("heap", body, StartOfNight.unread(body, AROUND))),
            List.of(new SystemSource("rot", rot, Control.free(), false)),
            List.of(),
            List.of());
    double week = StartOfNight.fed(alone, AROUND, 7 * DAY).meanCelsius();
    assertThat(week).isGreaterThan(9.5);
    double long1 = StartOfNight.fed(alone, AROUND, 40 * DAY).meanCelsius();
    double long2 = StartOfNight.fed(alone, AROUND, 400 * DAY).meanCelsius();
    assertThat(long2).isEqualTo(long1);
  }
}
