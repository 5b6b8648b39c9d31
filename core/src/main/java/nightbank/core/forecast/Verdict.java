package nightbank.core.forecast;

/** The judgement of a night; certainty is told beside it. */
public enum Verdict {
  HELD,
  CLOSE,
  LOST
}
