package nightbank.server.job;

/** What is done behind the scenes, in the order in which it goes first. */
public enum JobKind {
  IMPORT(Lane.WAITED_FOR),
  SIZING(Lane.WAITED_FOR),
  RANKING(Lane.WAITED_FOR),
  HANDOUT(Lane.WAITED_FOR),
  SHEET(Lane.AHEAD),
  /**
   * Pieces of half a second each: they may have every processor, since whoever comes waits little.
   */
  DAY(Lane.AHEAD);

  /** Whether somebody looks on while it is done. */
  enum Lane {
    WAITED_FOR,
    AHEAD
  }

  private final Lane lane;

  JobKind(Lane lane) {
    this.lane = lane;
  }

  Lane lane() {
    return lane;
  }
}
