package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import nightbank.core.evidence.ChargedStore;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.source.Hearth;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import nightbank.core.system.Places;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A bin charged by a loop for nine hours, both read by hand four times. */
public class LoopCheckTest {
  private static final long BEGIN = 1_767_000_000L;
  private static final double WATTS = 600;
  private static final int[] HOURS = {0, 3, 6, 9};
  private static final FluidStream WATER =
      new FluidStream(FluidStream.Fluid.WATER, 120 / 4180.0, 20); // 120 W/K: 5 K apart
  private static final HeatStore BIN =
      Places.lidded().withProbes(List.of(new Probe("half", 0.5, 0.5)));

  private final double[] read = new double[5];

  @BeforeClass
  void truth() {
    StoreModel bin = StoreModel.of(BIN, StoreState.uniform(StoreGrid.standard(BIN), 12));
    for (int minute = 0; minute <= 20 * 60; minute += 5) {
      for (int k = 0; k < HOURS.length; k++) {
        if (minute == HOURS[k] * 60) {
          read[k] = bin.at(0.5, 0.5);
        }
      }
      bin.step(300, Surroundings.of(9, 8), minute < 9 * 60 ? WATTS : 0);
    }
    read[4] = bin.at(0.5, 0.5);
  }

  private static ReadingSeries series(String name, double... celsius) {
    long[] at = new long[celsius.length];
    for (int i = 0; i < at.length; i++) {
      at[i] = BEGIN + (i < HOURS.length ? HOURS[i] : 20) * 3600L;
    }
    return new ReadingSeries(name, at, celsius);
  }

  private HandJudge.Judged judged(double... out) {
    return judged(new double[] {60, 60, 60, 60}, out);
  }

  private HandJudge.Judged judged(double[] into, double... out) {
    JudgementInputs in =
        new JudgementInputs(
            new ChargedStore(
                BIN, false, 0, true, Optional.of(WATER), Hearth.bench(), 0, 0, 180, false),
            List.of(series("half", read)),
            List.of(),
            List.of(),
            Optional.of(series("in", into)),
            Optional.of(series("out", out)),
            Map.of(),
            List.of(),
            List.of(),
            new TreeMap<>(),
            new JudgementInputs.Site(57, -3, 8, 7),
            JudgementInputs.Window.of(BEGIN, BEGIN + 2 * 86_400, false));
    return HandJudge.of(in).orElseThrow();
  }

  @Test
  public void aLoopThatGoesTogetherWithItsStoreNarrowsWhatWasBrought() {
    HandJudge.Judged j = judged(55, 55, 55, 55);
    LoopCheck check = j.loop().orElseThrow();
    assertThat(check.agree()).isTrue();
    assertThat(check.loop().charged()).isCloseTo(WATTS * 9 * 3600, within(1.0));
    var brought = j.answer().brought().orElseThrow();
    assertThat(WATTS * 9 * 3600).isBetween(brought.low(), brought.high());
    assertThat(brought.high() / brought.low())
        .isLessThan(check.stored().high() / check.stored().low());
    assertThat(j.guessed()).isFalse();
  }

  @Test
  public void aFlowFourTimesTooGreatIsToldAsThat() {
    LoopCheck check = judged(40, 40, 40, 40).loop().orElseThrow();
    assertThat(check.agree()).isFalse();
    assertThat(check.astray()).isEmpty();
    assertThat(check.flowTimes()).isCloseTo(0.25, within(0.08));
  }

  @Test
  public void oneFigureInFahrenheitThatMakesItSoIsNamed() {
    LoopCheck check = judged(new double[] {60, 60, 140, 60}, 55, 55, 55, 55).loop().orElseThrow();
    assertThat(check.agree()).isFalse();
    assertThat(check.astray()).hasValue(BEGIN + 6 * 3600);
  }

  @Test
  public void thatTheStoreTookUpMoreTellsNothingWhereTheLoopWasNotReadAllTheWhile() {
    LoopCheck whole = judged(59, 59, 59, 59).loop().orElseThrow();
    assertThat(whole.agree()).as("read all the while").isFalse();
    assertThat(whole.flowTimes()).isGreaterThan(3);
  }

  @Test
  public void whatContradictsTheStoreDoesNotSpoilItsAnswer() {
    HandJudge.Judged j = judged(40, 40, 40, 40);
    var brought = j.answer().brought().orElseThrow();
    assertThat(WATTS * 9 * 3600).isBetween(brought.low(), brought.high());
  }
}
