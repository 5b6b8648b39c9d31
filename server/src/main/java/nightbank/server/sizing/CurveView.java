package nightbank.server.sizing;

import java.util.List;

/**
 * Size against nights lost.
 *
 * @param nights in the winter
 * @param fromFile whether the holding's own hourly record was used
 */
public record CurveView(int nights, boolean fromFile, List<Point> points) {
  /**
   * So many bodies.
   *
   * @param refillingLimits whether a source that always fills them would save clearly more nights
   */
  public record Point(
      int count, double massKg, int nightsLost, double coldDegreeHours, boolean refillingLimits) {}
}
