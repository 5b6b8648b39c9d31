package nightbank.server.store;

import java.util.Optional;
import nightbank.core.caution.PartLimit;
import nightbank.core.store.FluidStream;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.StoreCircuit;
import nightbank.core.usual.Usual;
import nightbank.server.shared.Problem;
import nightbank.server.store.StoreDesign.Carrying;
import nightbank.server.store.StoreDesign.FluidCircuitDesign;
import nightbank.server.store.StoreDesign.Way;
import org.jspecify.annotations.Nullable;

/** What is led through a store, to the core. */
final class StoreCircuitMapping {

  private StoreCircuitMapping() {}

  static Optional<StoreCircuit> toCore(@Nullable FluidCircuitDesign led) {
    if (led == null || led.way() == null) {
      return Optional.empty();
    }
    if (led.way() == Way.STONES && led.carrying() == Carrying.WATER) {
      throw Problem.invalid(
          "design.led",
          "Only air is led through loose stones here.",
          "Choose air, or a coil for water.");
    }
    HeatExchanger passage =
        Problem.field(
            "design.led",
            () ->
                switch (led.way()) {
                  case COIL ->
                      new HeatExchanger.Coil(
                          number(led.lengthMetres()),
                          number(led.diameterMetres()),
                          Usual.PIPE_WALL.or(led.wallMetres()),
                          conductivity(led.pipe()),
                          number(led.spacingMetres()));
                  case STONES -> new HeatExchanger.Bed(Usual.STONES.or(led.grainMetres()));
                  case BORE -> new HeatExchanger.Bore(number(led.diameterMetres()));
                });
    FluidStream.Fluid fluid =
        led.carrying() == Carrying.AIR ? FluidStream.Fluid.AIR : FluidStream.Fluid.WATER;
    return Optional.of(new StoreCircuit(passage, fluid));
  }

  private static double conductivity(@Nullable String pipe) {
    return PartLimit.of(pipe == null ? "" : pipe)
        .map(PartLimit::conductivity)
        .orElse(Usual.PIPE_CONDUCTIVITY.value());
  }

  private static double number(Double value) {
    return value == null ? Double.NaN : value;
  }
}
