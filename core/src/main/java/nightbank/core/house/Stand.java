package nightbank.core.house;

/** What the outermost leaves see below them. */
public enum Stand {
  /** Seed trays and young plants: the bench or the floor between them. */
  OPEN,
  /** A closed stand: other leaves, which are hardly warmer than themselves. */
  CLOSED
}
