package nightbank.core.judgement;

import static nightbank.core.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.LongToDoubleFunction;
import java.util.stream.LongStream;
import nightbank.core.Reference;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.judgement.JudgedLoop.Direction;
import nightbank.core.judgement.JudgedLoop.Spell;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A stream's two thermometers against closed forms and known turns. */
public class JudgedLoopTest {
  private static final long START = 1_768_900_000L;

  private static ReadingSeries read(String name, long seconds, LongToDoubleFunction celsius) {
    long[] at = LongStream.iterate(0, s -> s <= seconds, s -> s + 60).toArray();
    double[] value = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      value[i] = celsius.applyAsDouble(at[i]);
      at[i] += START;
    }
    return new ReadingSeries(name, at, value);
  }

  private static JudgedLoop judged(
      long seconds, double rate, LongToDoubleFunction in, LongToDoubleFunction out) {
    return JudgedLoop.judge(
            new LoopReadings(read("in", seconds, in), read("out", seconds, out), rate))
        .orElseThrow();
  }

  @Test
  public void whileItsPumpStandsWarmPipesCarryNothing() {
    ReadingSeries in = read("in", 8 * 3600, s -> 45);
    ReadingSeries out = read("out", 8 * 3600, s -> 35);
    long off = START + 2 * 3600;
    long on = START + 5 * 3600;
    JudgedLoop j =
        JudgedLoop.judge(new LoopReadings(in, out, 100, List.of(new TimeInterval(off, on))))
            .orElseThrow();
    assertThat(j.charged()).isCloseTo(100 * 10 * 5 * 3600, within(100 * 10 * 61.0));
    assertThat(j.spells())
        .extracting(Spell::direction)
        .containsExactly(Direction.CHARGING, Direction.STILL, Direction.CHARGING);
    assertThat(j.stoodSince()).isEmpty();
  }

  private static ReadingSeries byHand(String name, int minute, double... hoursAndCelsius) {
    long[] at = new long[hoursAndCelsius.length / 2];
    double[] celsius = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      at[i] = START + (long) (hoursAndCelsius[2 * i] * 3600) + 60L * minute;
      celsius[i] = hoursAndCelsius[2 * i + 1];
    }
    return new ReadingSeries(name, at, celsius);
  }

  @Test
  public void readFourTimesADayTheMeanOfBothEndsIsCarriedAndItsDoubtGrowsWithTheGap() {
    ReadingSeries in = byHand("in", 0, 0, 50, 3, 50, 6, 50, 9, 50);
    ReadingSeries out = byHand("out", 2, 0, 45, 3, 45, 6, 45, 9, 45); // a walk later
    JudgedLoop j = JudgedLoop.judge(new LoopReadings(in, out, 200)).orElseThrow();
    double joules = 200 * 5 * 9 * 3600.0;
    assertThat(j.charged()).isCloseTo(joules, within(1.0));
    double flow = 0.1 * joules;
    double apart = JudgedLoop.DEAD_BAND * 200 * 9 * 3600;
    double unseen = 0.25 * joules / Math.sqrt(3);
    assertThat(j.chargedHalf())
        .isCloseTo(Math.sqrt(flow * flow + apart * apart + unseen * unseen), within(joules * 1e-9));
  }

  @Test
  public void endsThatDifferAreDoubtedByHalfTheirDifference() {
    ReadingSeries in = byHand("in", 0, 0, 60, 6, 50);
    ReadingSeries out = byHand("out", 0, 0, 40, 6, 50);
    JudgedLoop j = JudgedLoop.judge(new LoopReadings(in, out, 100)).orElseThrow();
    assertThat(j.charged()).isCloseTo(100 * 10 * 6 * 3600.0, within(1.0));
    assertThat(j.chargedHalf() / j.charged()).isGreaterThan(1);
  }

  @Test
  public void overANightThatNobodyReadNothingIsCounted() {
    ReadingSeries in = byHand("in", 0, 0, 50, 2, 50, 14, 50, 16, 50);
    ReadingSeries out = byHand("out", 0, 0, 45, 2, 45, 14, 45, 16, 45);
    JudgedLoop j = JudgedLoop.judge(new LoopReadings(in, out, 200)).orElseThrow();
    assertThat(j.charged()).isCloseTo(200 * 5 * 4 * 3600.0, within(1.0));
    assertThat(j.spells()).hasSize(2);
  }

  @Test
  public void aPumpThatStandsStillIsToldSinceItWasSwitchedOff() {
    long off = START + 3600;
    JudgedLoop j =
        JudgedLoop.judge(
                new LoopReadings(
                    read("in", 7200, s -> 30),
                    read("out", 7200, s -> 34),
                    100,
                    List.of(new TimeInterval(off, Long.MAX_VALUE))))
            .orElseThrow();
    assertThat(j.stoodSince()).hasValue(off);
    assertThat(j.wattsNow()).isZero();
    assertThat(j.drawn()).isCloseTo(100 * 4 * 3600, within(100 * 4 * 61.0));
  }

  @DataProvider
  Object[][] cases() {
    return Reference.rows("loop-charge.csv");
  }

  /** C dT/dt = ε ṁc (T_in - T) - UA (T - T_a): what went in is the integral of its solution. */
  @Test(dataProvider = "cases")
  public void aChargeFromTwoThermometersIsTheClosedForms(Map<String, String> row) {
    double rate = number(row, "flow_kg_s") * number(row, "c_fluid_J_kgK");
    double effectiveness = -Math.expm1(-number(row, "coil_UA_W_K") / rate);
    double taken = effectiveness * rate;
    double loss = number(row, "store_loss_W_K");
    double inlet = number(row, "inlet_C");
    double end = (taken * inlet + loss * number(row, "ambient_C")) / (taken + loss);
    double tau = number(row, "store_J_K") / (taken + loss);
    double begin = number(row, "start_C");
    long seconds = Math.round(number(row, "hours") * 3600);
    JudgedLoop j =
        judged(
            seconds,
            rate,
            s -> inlet,
            s -> inlet - effectiveness * (inlet - end - (begin - end) * Math.exp(-s / tau)));
    double known =
        taken * ((inlet - end) * seconds - (begin - end) * tau * -Math.expm1(-seconds / tau));
    assertThat(j.charged()).isCloseTo(known, within(2e-4 * known));
    assertThat(j.drawn()).isZero();
    assertThat(j.watts()[j.watts().length - 1])
        .isCloseTo(number(row, "power_W"), within(0.01 * number(row, "power_W")));
    assertThat(j.lastTurn()).isEmpty();
  }

  @Test
  public void aLoopThatTurnsRoundIsSaidSinceWhen() {
    Random dice = new Random(4);
    JudgedLoop j =
        judged(
            8 * 3600,
            84,
            s -> 30 - 6.0 * s / 14_400 + 0.1 * dice.nextGaussian(), // as warm as the other at 4 h
            s -> 24 + 0.1 * dice.nextGaussian());
    JudgedLoop.Turn turn = j.lastTurn().orElseThrow();
    assertThat(turn.to()).isEqualTo(Direction.DRAWING);
    assertThat(turn.at() - START).isBetween(14_400L - 900, 14_400L + 900);
    assertThat(turn.halfWidth()).isBetween(600L, 3600L);
    assertThat(j.charged()).isCloseTo(84 * 3.0 * 14_400, within(0.02 * 84 * 3 * 14_400));
    assertThat(j.drawn()).isCloseTo(j.charged(), within(0.03 * j.charged()));
    assertThat(j.wattsNow()).isCloseTo(-84 * 6, within(20.0));
  }

  @Test
  public void twoLikeThermometersThatDifferALittleTellNoDirection() {
    JudgedLoop j = judged(6 * 3600, 84, s -> 20.3, s -> 20);
    assertThat(j.spells()).extracting(Spell::direction).containsExactly(Direction.STILL);
    assertThat(j.lastTurn()).isEmpty();
    assertThat(j.charged()).as("within its doubt").isBetween(1.0, j.chargedHalf());
  }

  @Test
  public void noiseRoundTheEdgeOfTellingDoesNotMakeItTurnAndTurn() {
    Random dice = new Random(9);
    JudgedLoop j = judged(12 * 3600, 84, s -> 21 + 0.2 * dice.nextGaussian(), s -> 20);
    assertThat(j.lastTurn()).isEmpty();
    assertThat(j.spells().size()).isLessThan(5);
  }

  @Test
  public void hoursWithoutReadingsCountForNothing() {
    long[] at = {START, START + 600, START + 36_000, START + 36_600};
    ReadingSeries in = new ReadingSeries("in", at, new double[] {40, 40, 40, 40});
    ReadingSeries out = new ReadingSeries("out", at, new double[] {30, 30, 30, 30});
    JudgedLoop j = JudgedLoop.judge(new LoopReadings(in, out, 50)).orElseThrow();
    assertThat(j.charged()).isCloseTo(50 * 10 * 1200, within(1e-6));
    assertThat(j.spells()).hasSize(2);
  }

  @Test
  public void theSpellsAddUpToTheWhole() {
    JudgedLoop j = judged(8 * 3600, 60, s -> 25 + 5 * Math.cos(s / 4000.0), s -> 25);
    double sum = j.spells().stream().mapToDouble(Spell::joules).sum();
    assertThat(sum).isCloseTo(j.charged() - j.drawn(), within(0.02 * (j.charged() + j.drawn())));
  }
}
