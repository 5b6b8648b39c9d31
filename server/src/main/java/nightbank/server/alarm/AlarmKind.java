package nightbank.server.alarm;

/** What somebody may be warned of. */
public enum AlarmKind {
  /** The coming night has turned close, or lost. */
  NIGHT,
  /** A house's air is under what its plants stand, or will be within the hour. */
  AIR,
  /** A logger says nothing. */
  SILENT,
  /** A loop carries heat out of what it should charge. */
  LOOP,
  /** A part of a store is near the highest temperature that it bears. */
  HOT,
  /** A heap is going cold. */
  HEAP,
  /** Less dry wood lies there than the coming days ask. */
  WOOD
}
