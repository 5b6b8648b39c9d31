package nightbank.core.judgement;

import java.util.Arrays;
import java.util.OptionalLong;
import java.util.stream.IntStream;
import nightbank.core.evidence.LoopReadings;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.fit.HandFit;

/**
 * Whether what a loop brought by its two thermometers and what its store took up by its own
 * readings can both be right: they cannot where their 95 % intervals of a common sum lie apart (law
 * of propagation, JCGM 100:2008, 5.1.2). That a store took up more than the loop brought tells
 * nothing where the loop was not read all the while.
 *
 * @param loop as its thermometers have it
 * @param stored J that its source brought by the store's readings alone
 * @param agree whether both can be right
 * @param astray the one moment of the loop without which they could; empty for none or several
 * @param flowTimes by what the flow would have to be another for both to be right
 */
public record LoopCheck(
    JudgedLoop loop,
    HandFit.Estimate stored,
    boolean agree,
    OptionalLong astray,
    double flowTimes) {
  private static final int MOST = 24; // moments: of more no single one makes the sum
  private static final double WELL = 0.4; // half intervals apart, and between the best and the rest
  private static final long BESIDE = 1800; // s by which a loop is read after it began, or before

  /**
   * Sets both beside each other.
   *
   * @param from epoch second at which the store began to take up heat
   */
  static LoopCheck of(
      LoopReadings read, JudgedLoop loop, HandFit.Estimate stored, long from, long to) {
    boolean agree = agree(loop, stored, from, to);
    return new LoopCheck(
        loop,
        stored,
        agree,
        agree ? OptionalLong.empty() : astray(read, loop, stored),
        stored.value() / loop.charged());
  }

  /** By how many half intervals both lie apart; above nothing where the loop brought more. */
  private static double apart(JudgedLoop loop, HandFit.Estimate stored) {
    double more = loop.charged() - stored.value();
    double side = more > 0 ? stored.high() - stored.value() : stored.value() - stored.low();
    return more / Math.hypot(side, loop.chargedHalf());
  }

  private static boolean agree(JudgedLoop loop, HandFit.Estimate stored, long from, long to) {
    double apart = apart(loop, stored);
    if (Math.abs(apart) <= 1) {
      return true;
    }
    long[] at = loop.at();
    boolean followed = from >= at[0] - BESIDE && to <= at[at.length - 1] + BESIDE;
    return apart < 0 && !followed;
  }

  /** The moment without which both go together well, and none other half as well. */
  private static OptionalLong astray(LoopReadings read, JudgedLoop loop, HandFit.Estimate stored) {
    long[] at = loop.at();
    if (at.length < 3 || at.length > MOST) {
      return OptionalLong.empty();
    }
    double best = Double.POSITIVE_INFINITY;
    double second = best;
    long found = 0;
    for (long moment : at) {
      double left =
          JudgedLoop.judge(without(read, moment))
              .map(j -> Math.abs(apart(j, stored)))
              .orElse(Double.POSITIVE_INFINITY);
      if (left < best) {
        second = best;
        best = left;
        found = moment;
      } else {
        second = Math.min(second, left);
      }
    }
    return best <= WELL && second >= best + WELL ? OptionalLong.of(found) : OptionalLong.empty();
  }

  private static LoopReadings without(LoopReadings read, long moment) {
    ReadingSeries in = read.inlet();
    int[] left =
        IntStream.range(0, in.size()).filter(i -> in.epochSeconds()[i] != moment).toArray();
    return new LoopReadings(
        new ReadingSeries(
            in.channel(),
            Arrays.stream(left).mapToLong(i -> in.epochSeconds()[i]).toArray(),
            Arrays.stream(left).mapToDouble(i -> in.celsius()[i]).toArray()),
        read.outlet(),
        read.capacityRate(),
        read.stood());
  }
}
