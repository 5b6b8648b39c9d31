package nightbank.core.fit;

/** By what a store may differ from its design; each is told by the logarithm of a factor. */
public enum StoreFactor {
  /** Power of its source. */
  POWER,
  CONDUCTIVITY,
  /** Transmittance of the side. */
  SIDE,
  /** Transmittance of top and foot. */
  ENDS,
  /** Of the top by as much more as of the foot less. */
  TOP_AGAINST_FOOT,
  /** How far out the heated zone reaches. */
  ZONE_REACH,
  ZONE_HEIGHT;

  static final int COUNT = values().length;
}
