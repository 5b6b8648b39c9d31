package nightbank.server.plant;

import java.util.List;
import java.util.UUID;
import nightbank.server.part.PartDesign;
import nightbank.server.store.StoreDesign;
import org.jspecify.annotations.Nullable;

/**
 * A heap's body and what it was fed.
 *
 * @param storeId whose feedings in the log count too, absent for none
 * @param watts to be drawn day and night, absent for a quarter more than it can give
 * @param loadKilograms of one feeding of the last feedstock, absent for a barrow's
 */
public record HeapQuestion(
    StoreDesign design,
    List<PartDesign.Fed> fed,
    @Nullable UUID storeId,
    @Nullable Double watts,
    @Nullable Double loadKilograms) {}
