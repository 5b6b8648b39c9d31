package nightbank.server.sizing;

import java.util.List;
import java.util.UUID;
import nightbank.core.sizing.Candidate;
import nightbank.core.sizing.Means;
import nightbank.core.sizing.Prices;
import nightbank.core.sizing.Sized;
import nightbank.core.sizing.SizingSearch;
import nightbank.core.system.SystemResult;

/** One search that runs, with how far it is; can be stopped. */
final class SizingJob implements Runnable {
  private final UUID id;
  private final SizingSearch search;
  private final List<Candidate> candidates;
  private final SystemResult without;
  private final double limit;
  private final String currency;
  private final Prices prices;
  private volatile int done;
  private volatile boolean stopped;
  private volatile boolean finished;
  private volatile List<Sized> found = List.of();
  private volatile List<Means> means = List.of();

  SizingJob(
      UUID id,
      SizingSearch search,
      List<Candidate> candidates,
      SystemResult without,
      double limit,
      String currency,
      Prices prices) {
    this.id = id;
    this.prices = prices;
    this.search = search;
    this.candidates = candidates;
    this.without = without;
    this.limit = limit;
    this.currency = currency;
  }

  @Override
  public void run() {
    means = search.means();
    found = search.run(candidates, n -> done = Math.max(done, n), () -> stopped);
    finished = true;
  }

  void stop() {
    stopped = true;
  }

  SizingView view() {
    String state = !finished ? "RUNNING" : stopped ? "STOPPED" : "DONE";
    return new SizingView(
        id,
        state,
        finished && !stopped ? candidates.size() : done,
        candidates.size(),
        limit,
        search.margin(),
        without.lowestCelsius(),
        without.billJoules(),
        without.peakDemandWatts(),
        currency,
        found.stream().map(SizedMapping::view).toList(),
        means.stream().map(m -> SizedMapping.view(m, prices)).toList());
  }
}
