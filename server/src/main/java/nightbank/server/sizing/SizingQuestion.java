package nightbank.server.sizing;

import java.util.List;
import nightbank.core.caution.StoreFacts;
import org.jspecify.annotations.Nullable;

/**
 * For which night stores are sized, and from what.
 *
 * @param lowCelsius of the hard night
 * @param wind m/s, absent for a calm two
 * @param cloud share covered, absent for a fifth
 * @param media ids to choose from, absent or empty for all
 * @param wrapsMillimetres of wool to try, absent for bare and 100 mm
 * @param waterCelsius that water can be brought to here
 * @param solidCelsius that sand and stone can be brought to here
 * @param source what charges them
 * @param sourceWatts its power
 * @param keepStores with the house's stores as last read, else without them
 */
public record SizingQuestion(
    double lowCelsius,
    Double wind,
    Double cloud,
    @Nullable List<String> media,
    List<Double> wrapsMillimetres,
    double waterCelsius,
    double solidCelsius,
    StoreFacts.SourceKind source,
    double sourceWatts,
    boolean keepStores) {}
