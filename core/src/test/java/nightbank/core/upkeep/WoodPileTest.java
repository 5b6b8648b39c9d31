package nightbank.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nightbank.core.upkeep.WoodPile.Fire;
import nightbank.core.upkeep.WoodStack.Cover;
import org.testng.annotations.Test;

/** What fires leave of a pile, and what the rest of a winter asks of it. */
public class WoodPileTest {
  private static final double UPLAND_LATITUDE = 57;
  private static final OpenAir UPLAND = OpenAir.of(UPLAND_LATITUDE, 280);
  private static final Instant AUTUMN = Instant.parse("2025-10-01T00:00:00Z");
  private static final WoodStack DRY = new WoodStack(100, 0.1, Cover.ROOM, 0.14, AUTUMN);
  private static final WoodStack DAMP = new WoodStack(300, 0.1, Cover.ROOFED, 0.35, AUTUMN);

  private static List<Fire> fires(Instant from, int count, int daysApart, double kilograms) {
    List<Fire> all = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      all.add(new Fire(from.plus(Duration.ofDays((long) i * daysApart)), kilograms));
    }
    return all;
  }

  private static double dry(WoodStack s) {
    return s.kilograms() * (1 - s.moisture());
  }

  @Test
  public void theDriestIsBurntFirst() {
    WoodPile left =
        WoodPile.after(List.of(DAMP, DRY), fires(AUTUMN.plusSeconds(3600), 1, 1, 40), UPLAND);
    assertThat(left.stacks().get(0)).isEqualTo(DAMP);
    assertThat(left.stacks().get(1).kilograms()).isCloseTo(60, within(1e-9));
    assertThat(left.missing()).isZero();
  }

  @Test
  public void whatIsBurntAndWhatIsLeftAreWhatWasStacked() {
    WoodStack steady = new WoodStack(200, 0.1, Cover.ROOFED, 0.20, AUTUMN);
    OpenAir still = OpenAir.steady(10, 0.85);
    List<Fire> fires = fires(AUTUMN.plus(Duration.ofDays(40)), 6, 3, 15);
    double burntDry =
        fires.stream()
            .mapToDouble(
                f -> {
                  long days = Duration.between(AUTUMN, f.at()).toDays();
                  Instant then = AUTUMN.plus(Duration.ofDays(days));
                  return f.kilograms() * (1 - steady.at(then, still).moisture());
                })
            .sum();
    WoodPile left = WoodPile.after(List.of(steady), fires, still);
    assertThat(dry(left.stacks().get(0)) + burntDry).isCloseTo(dry(steady), within(1e-9));
  }

  @Test
  public void moreBurntThanStackedIsTold() {
    WoodPile left = WoodPile.after(List.of(DRY), fires(AUTUMN.plusSeconds(60), 1, 1, 130), UPLAND);
    assertThat(left.stacks().get(0).kilograms()).isCloseTo(0, within(1e-9));
    assertThat(left.missing()).isCloseTo(30, within(1e-6));
  }

  @Test
  public void whatWasBurntBeforeAStackWasMadeIsNotOfIt() {
    WoodPile left =
        WoodPile.after(List.of(DRY), fires(AUTUMN.minusSeconds(86_400), 1, 1, 20), UPLAND);
    assertThat(left.stacks().get(0)).isEqualTo(DRY);
    assertThat(left.missing()).isEqualTo(20);
  }

  @Test
  public void noFireBurnsLessThanNothing() {
    assertThatThrownBy(() -> new Fire(AUTUMN, -1)).hasMessageContaining("was -1");
  }

  @Test
  public void aSeasonAsksOnAsItHasAskedSoFar() {
    OpenAir cold = OpenAir.steady(2, 0.8); // 6 K·d a day, all year
    Instant now = AUTUMN.plus(Duration.ofDays(29));
    WoodAsked asked =
        WoodAsked.of(fires(AUTUMN, 10, 3, 12), now, UPLAND_LATITUDE, cold).orElseThrow();
    double perDay = 120 / 30.0; // from the day before the first
    double days = Duration.between(now, Instant.parse("2026-08-01T00:00:00Z")).toDays();
    assertThat(asked.until()).isEqualTo(Instant.parse("2026-08-01T00:00:00Z"));
    assertThat(asked.kilograms()).isCloseTo(perDay * days, within(1e-6));
    assertThat(asked.threeDays()).isCloseTo(3 * perDay, within(1e-9));
    double unsure = Math.hypot(0.5 / Math.sqrt(10), 0.2);
    assertThat(asked.high()).isCloseTo(perDay * days * (1 + unsure), within(1e-6));
  }

  @Test
  public void kindlingIsAskedForEachLightingAndIsNeverMoreThanTheWood() {
    WoodAsked asked = new WoodAsked(200, 150, 250, AUTUMN, 24);
    assertThat(asked.kindling(10, 120)).as("two lightings").isCloseTo(2 * 0.7, within(1e-9));
    assertThat(asked.kindling(5, 120)).as("laid on again later").isCloseTo(0.7, within(1e-9));
    assertThat(asked.kindling(0, 0)).isZero();
    assertThat(asked.kindling(500, 50)).isEqualTo(24);
  }

  @Test
  public void theLaterInWinterTheLessItAsksStill() {
    double before = Double.POSITIVE_INFINITY;
    for (int month = 1; month <= 4; month++) {
      Instant now = Instant.parse("2026-0" + month + "-10T00:00:00Z");
      List<Fire> all = fires(AUTUMN, (int) Duration.between(AUTUMN, now).toDays() / 5, 5, 12);
      double asks = WoodAsked.of(all, now, UPLAND_LATITUDE, UPLAND).orElseThrow().kilograms();
      assertThat(asks).isLessThan(before);
      before = asks;
    }
  }

  @Test
  public void whereTheSeasonIsOverTheNextIsMeant() {
    Instant july = Instant.parse("2026-07-10T00:00:00Z");
    WoodAsked asked =
        WoodAsked.of(fires(AUTUMN, 40, 5, 12), july, UPLAND_LATITUDE, UPLAND).orElseThrow();
    assertThat(asked.until()).isEqualTo(Instant.parse("2027-08-01T00:00:00Z"));
    assertThat(asked.kilograms()).isGreaterThan(400);
  }

  @Test
  public void twoFiresTellNothing() {
    Instant now = AUTUMN.plus(Duration.ofDays(60));
    assertThat(WoodAsked.of(fires(AUTUMN, 2, 3, 12), now, UPLAND_LATITUDE, UPLAND))
        .isEqualTo(Optional.empty());
  }

  @Test
  public void southOfTheEquatorWinterIsInJuly() {
    Instant now = Instant.parse("2026-07-10T00:00:00Z");
    OpenAir cold = OpenAir.steady(2, 0.8);
    WoodAsked asked =
        WoodAsked.of(fires(now.minus(Duration.ofDays(30)), 10, 3, 12), now, -44, cold)
            .orElseThrow();
    assertThat(asked.until()).isEqualTo(Instant.parse("2027-02-01T00:00:00Z"));
  }

  @Test
  public void aYearWithoutFrostAsksNothing() {
    Instant now = AUTUMN.plus(Duration.ofDays(60));
    assertThat(WoodAsked.of(fires(AUTUMN, 9, 3, 12), now, 10, OpenAir.steady(26, 0.7))).isEmpty();
  }
}
