package nightbank.bench;

import java.util.ArrayList;
import java.util.List;
import nightbank.core.judgement.JudgedRun;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.judgement.RunJudge;
import nightbank.core.evidence.RunRecord;

/**
 * How long a day, two, a month and a winter of a sand bin take to be judged, beside one pass of the
 * solver along the same time in steps of a minute: the readings are made by that pass.
 */
public final class JudgeBench {
  private static final int MOST = 4000; // readings a probe, as the program hands them over

  private JudgeBench() {}

  public static void main(String[] args) {
    for (int days : new int[] {1, 2, 31, 116}) {
      long began = System.nanoTime();
      RunRecord run = made(days);
      double pass = (System.nanoTime() - began) / 1e9;
      for (int k = 0; k < 3; k++) {
        long now = System.nanoTime();
        JudgedRun judged = RunJudge.judge(run).orElseThrow();
        double took = (System.nanoTime() - now) / 1e9;
        System.out.printf(
            "%3d days: %.2f s, one pass in minutes %.2f s; side %.2f ± %.2f, ends %.2f ± %.2f times the true%n",
            days,
            took,
            pass,
            judged.calibration().side().factor(),
            judged.calibration().side().half(),
            judged.calibration().ends().factor(),
            judged.calibration().ends().half());
      }
    }
  }

  private static RunRecord made(int days) {
    int every = Math.max(1, (days * 1440 + MOST - 1) / MOST);
    long[] at = new long[days * 1440 / every];
    double[][] read = new double[4][at.length];
    BinWinter.live(
        days,
        (minute, celsius) -> {
          int i = minute / every;
          if (minute % every == 0 && i < at.length) {
            at[i] = 60L * minute;
            for (int p = 0; p < 4; p++) {
              read[p][i] = celsius[p];
            }
          }
        });
    List<ReadingSeries> series = new ArrayList<>();
    for (int p = 0; p < 3; p++) {
      series.add(new ReadingSeries(BinWinter.BIN.probes().get(p).id(), at, read[p]));
    }
    return new RunRecord(
        BinWinter.BIN,
        series,
        new ReadingSeries("air", at, read[3]),
        BinWinter.GROUND,
        BinWinter.WATTS,
        7,
        false);
  }
}
