package nightbank.server.plant;

import java.util.List;
import nightbank.server.part.PartDesign;
import nightbank.server.store.StoreDesign;

/** A heap's body and what it was fed. */
public record HeapQuestion(StoreDesign design, List<PartDesign.Fed> fed) {}
