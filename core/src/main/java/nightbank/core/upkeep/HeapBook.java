package nightbank.core.upkeep;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import nightbank.core.usual.Usual;

/**
 * What lies on a heap still: finished compost is taken from what was put on first. It weighs {@link
 * Usual#COMPOST_YIELD} of what it was made of. Neglects that a heap that is turned mixes old with
 * new, and that its water dries out.
 */
public final class HeapBook {
  private HeapBook() {}

  /**
   * What was put on, or taken out.
   *
   * @param seconds when; negative infinity where nobody knows, which is before all else
   */
  public record Load(double seconds, double kilograms) {
    public Load {
      if (!(kilograms >= 0 && kilograms <= 1e6)) {
        throw new IllegalArgumentException("a load must weigh 0 to 1000000 kg, was " + kilograms);
      }
    }
  }

  /**
   * Of each load that was put on, as it was then, kg; what was taken beyond all that lay there is
   * let be.
   *
   * @param taken finished compost, in any order
   */
  public static double[] left(List<Load> fed, List<Load> taken) {
    double[] left = fed.stream().mapToDouble(Load::kilograms).toArray();
    int[] oldest =
        IntStream.range(0, left.length)
            .boxed()
            .sorted(Comparator.comparingDouble(i -> fed.get(i).seconds()))
            .mapToInt(i -> i)
            .toArray();
    for (Load t : taken.stream().sorted(Comparator.comparingDouble(Load::seconds)).toList()) {
      double wanted = t.kilograms() / Usual.COMPOST_YIELD.value();
      for (int i : oldest) {
        if (fed.get(i).seconds() <= t.seconds()) {
          double from = Math.min(wanted, left[i]);
          left[i] -= from;
          wanted -= from;
        }
      }
    }
    return left;
  }
}
