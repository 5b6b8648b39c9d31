package nightbank.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import nightbank.core.fit.HandFit.Answer;
import nightbank.core.fit.HandFit.Estimate;
import org.testng.annotations.Test;

/** Intervals from few readings over five hundred stores of our own making. */
public class MadeUpStoresTest {
  private static final int MANY = 500;
  private static final List<String> ASKED =
      List.of("at the end", "at last", "half-life", "time constant", "loss", "means");

  private record Score(String of, boolean inside) {}

  private static Score score(String of, Estimate e, double truth) {
    return new Score(of, truth >= e.low() && truth <= e.high());
  }

  private static Optional<Score> score(String of, Optional<Estimate> e, double truth) {
    return e.filter(x -> Double.isFinite(truth)).map(x -> score(of, x, truth));
  }

  private static List<Score> judged(long seed) {
    MadeUpStore made = new MadeUpStore(seed);
    Answer a = HandFit.of(made.told);
    List<Score> scores = new ArrayList<>();
    scores.add(score("at the end", a.atEnd(), made.atEnd));
    scores.add(score("at last", a.atLast(), made.atLast));
    score("half-life", a.halfLife(), made.cooling.halfLife()).ifPresent(scores::add);
    score("time constant", a.timeConstant(), made.cooling.timeConstant()).ifPresent(scores::add);
    score("loss", a.loss(), made.cooling.loss()).ifPresent(scores::add);
    for (int i = 0; i < made.means.size(); i++) {
      scores.add(score("means", a.means().get(i), made.means.get(i)));
    }
    return scores;
  }

  @Test
  public void nineteenOfTwentyIntervalsHoldTheTruth() {
    List<Score> all =
        LongStream.range(0, MANY).boxed().flatMap(seed -> judged(seed).stream()).toList();
    for (String of : ASKED) {
      List<Score> these = all.stream().filter(s -> s.of.equals(of)).toList();
      double inside = these.stream().filter(Score::inside).count() / (double) these.size();
      assertThat(these).as(of).hasSizeGreaterThanOrEqualTo(MANY - 5);
      assertThat(inside).as(of).isBetween(0.92, 0.985);
    }
  }
}
