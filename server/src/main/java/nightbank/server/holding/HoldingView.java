package nightbank.server.holding;

import java.util.UUID;

/** One grower's place. */
public record HoldingView(UUID id, String name, double latitude, double longitude, String zone) {}
