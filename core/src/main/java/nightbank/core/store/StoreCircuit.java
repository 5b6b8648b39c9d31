package nightbank.core.store;

/** What leads a stream through a store, and what is meant to flow there. */
public record StoreCircuit(HeatExchanger passage, FluidStream.Fluid fluid) {}
