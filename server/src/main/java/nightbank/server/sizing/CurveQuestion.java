package nightbank.server.sizing;

/**
 * For which candidate and winter the curve of size against nights lost is asked.
 *
 * @param usualLow of a usual winter's night, for a winter made of two numbers
 * @param hardestLow of its hardest
 * @param dailyJoules that the source gives in a winter's day, 0 for as much as is taken
 */
public record CurveQuestion(
    SizingQuestion sizing,
    String container,
    String medium,
    double wrapMillimetres,
    double usualLow,
    double hardestLow,
    double dailyJoules) {}
