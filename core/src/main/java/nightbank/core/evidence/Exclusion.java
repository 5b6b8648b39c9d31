package nightbank.core.evidence;

/** A reading left out of the judgement, and why. Nothing is deleted. */
public record Exclusion(String channel, long epochSecond, double celsius, Reason reason) {
  /** Why a reading cannot be what the mass did. */
  public enum Reason {
    NOT_A_NUMBER,
    OUT_OF_RANGE,
    FAULT_VALUE,
    DUPLICATE_TIME,
    STUCK,
    IMPOSSIBLE_STEP
  }
}
