package nightbank.core.evidence;

import java.util.List;

/** What is kept of a series, and what was left out with its reason. */
public record CleanedSeries(ReadingSeries kept, List<Exclusion> excluded) {
  public CleanedSeries {
    excluded = List.copyOf(excluded);
  }
}
