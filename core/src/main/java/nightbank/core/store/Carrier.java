package nightbank.core.store;

/** What carries heat through a store: a stream and where it goes. */
public record Carrier(Passage passage, Stream stream) {}
