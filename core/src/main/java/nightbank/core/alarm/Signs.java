package nightbank.core.alarm;

import nightbank.core.usual.Usual;

/** By what is read of a store, whether somebody is to be warned. */
public final class Signs {
  private Signs() {}

  /**
   * Whether a part is near the highest temperature that it bears, or over it.
   *
   * @param celsius hottest that was read, °C
   * @param highest that the part bears, °C
   */
  public static boolean nearsHighest(double celsius, double highest) {
    return celsius >= highest - Usual.WARNED_UNDER_HIGHEST.value();
  }

  /**
   * Whether a heap is going cold: under what it is to be kept over, and not since long.
   *
   * @param celsius its hottest now, °C
   * @param before its hottest within the last days, °C
   */
  public static boolean goesCold(double celsius, double before) {
    return celsius < Usual.HEAP_KEPT_OVER.value() && before - celsius >= Usual.HEAP_FALLEN.value();
  }

  /**
   * Whether a heap that worked no longer does, and still would if it had been left alone.
   *
   * @param began its hottest before, °C
   * @param ends its hottest after, °C
   * @param alone its hottest after if nothing had been drawn, °C
   */
  public static boolean overdrawn(double began, double ends, double alone) {
    return began >= Usual.HEAP_KEPT_OVER.range().low()
        && alone >= Usual.HEAP_KEPT_OVER.value()
        && goesCold(ends, alone);
  }
}
