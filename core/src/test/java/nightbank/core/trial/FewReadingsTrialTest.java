package nightbank.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import nightbank.core.evidence.ChargedStore;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.judgement.HandJudge;
import nightbank.core.judgement.JudgementInputs;
import nightbank.core.source.Hearth;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import nightbank.core.system.Places;
import org.testng.annotations.Test;

/** Trials of runs with a pencil's readings: before, at the hottest, next morning, next evening. */
public class FewReadingsTrialTest {
  private static final long BEGIN = 1_767_000_000L;
  private static final double WATTS = 600;
  private static final int[] READ = {0, 6, 20, 30}; // h
  private static final HeatStore WRAPPED =
      Places.lidded().withProbes(List.of(new Probe("half", 0.5, 0.5)));
  private static final HeatStore BARE = WRAPPED.withFacesTimes(f -> 4);

  private static Trial.Entry entry(String side, HeatStore described, HeatStore is) {
    StoreModel truth = StoreModel.of(is, StoreState.uniform(StoreGrid.standard(is), 9));
    long[] at = new long[READ.length];
    double[] celsius = new double[READ.length];
    int next = 0;
    for (int minute = 0; minute <= READ[READ.length - 1] * 60; minute += 5) {
      if (minute == READ[next] * 60) {
        at[next] = BEGIN + minute * 60L;
        celsius[next] = Math.round(truth.at(0.5, 0.5));
        next = Math.min(next + 1, READ.length - 1);
      }
      truth.step(300, Surroundings.of(9, 8), minute < READ[1] * 60 ? WATTS : 0);
    }
    JudgementInputs inputs =
        new JudgementInputs(
            new ChargedStore(
                described, false, WATTS, false, Optional.empty(), Hearth.bench(), 0, 0, 180, true),
            List.of(new ReadingSeries("half", at, celsius)),
            List.of(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Map.of(),
            List.of(),
            List.of(),
            new TreeMap<>(),
            new JudgementInputs.Site(57, -3, 8, 7),
            JudgementInputs.Window.of(BEGIN, BEGIN + 2 * 86_400, false));
    Optional<Cooling> cooling = HandJudge.of(inputs).flatMap(Cooling::of);
    return new Trial.Entry(side, "bin", cooling, Double.NaN, 0, 0, 0);
  }

  @Test
  public void aWrapIsSeenInFourReadingsOfEachSide() {
    Trial t =
        Trial.compare(
            List.of(entry("bare", BARE, BARE), entry("wrapped", WRAPPED, WRAPPED)), Double.NaN);
    Trial.Difference d = t.differences().get(0);
    assertThat(d.word()).isEqualTo(Trial.Word.LOSES_LESS);
    assertThat(0.25).isBetween(0.7 * d.ratioLow(), 1.4 * d.ratioHigh());
    Trial.Fair bare = t.sides().get(0).fair().orElseThrow();
    assertThat(bare.lossHigh() / bare.lossLow()).as("a doubt that says something").isLessThan(3);
    assertThat(t.dots(entry("bare", BARE, BARE))).as("what was read after the charge").hasSize(2);
  }

  @Test
  public void alikeIsNotCalledDifferent() {
    Trial.Difference d =
        Trial.compare(List.of(entry("one", BARE, BARE), entry("other", BARE, BARE)), Double.NaN)
            .differences()
            .get(0);
    assertThat(d.word()).isIn(Trial.Word.ALIKE, Trial.Word.CANNOT_TELL);
  }
}
