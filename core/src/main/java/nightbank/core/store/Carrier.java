package nightbank.core.store;

/** What leads a stream through a store, and what is meant to flow there. */
public record Carrier(Passage passage, Stream.Fluid fluid) {}
