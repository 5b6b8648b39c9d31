package nightbank.server.sizing;

import org.jspecify.annotations.Nullable;

/**
 * By which winter changes are ranked, and what work is worth.
 *
 * @param recorded by the nights of the holding's own weather file; absent for those where there are
 *     enough
 * @param usualLow of a usual winter's night, for a winter made of two numbers
 * @param hardestLow of its hardest
 * @param hourWorth of work, in the holding's money
 */
public record RankingQuestion(
    @Nullable Boolean recorded, double usualLow, double hardestLow, double hourWorth) {}
