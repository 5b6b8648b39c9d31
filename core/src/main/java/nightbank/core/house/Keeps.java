package nightbank.core.house;

/** What the house is kept for, and so by what it feels the cold. */
public enum Keeps {
  /** Plants: air or the outermost leaf, whichever is colder. */
  PLANTS,
  /** People: half the air, half what shines on them (operative temperature, ISO 7726). */
  PEOPLE,
  /** Roots, water pipes, tools: the air. */
  THINGS
}
