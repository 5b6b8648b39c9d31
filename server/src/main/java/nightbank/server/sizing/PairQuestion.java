package nightbank.server.sizing;

import java.util.UUID;
import nightbank.core.sizing.DesignQuestion;

/**
 * Two schools on the same night.
 *
 * @param storeId that is tried both ways
 * @param lowCelsius of the night
 * @param joules put into the store on either side
 */
public record PairQuestion(
    DesignQuestion school,
    UUID storeId,
    double lowCelsius,
    Double wind,
    Double cloud,
    double joules) {}
