package nightbank.core.evidence;

/** A stretch of a run during which the store gained, kept, or gave heat. */
public record Phase(Kind kind, long fromEpochSecond, long toEpochSecond) {
  /** What the store did. */
  public enum Kind {
    CHARGING,
    HOLDING,
    RELEASING
  }

  public double hours() {
    return (toEpochSecond - fromEpochSecond) / 3600.0;
  }
}
