package nightbank.core.store;

import java.util.Locale;
import nightbank.core.medium.Medium;

/** Where a stream goes through a store. */
public sealed interface HeatExchanger
    permits HeatExchanger.Coil, HeatExchanger.Bed, HeatExchanger.Bore {
  /**
   * UA between the stream and the mass beside it, all bodies of the row together, W/K.
   *
   * @param celsius of the mass, for films
   */
  double conductance(HeatStore store, FluidStream stream, double celsius);

  /**
   * A pipe wound through the heated zone. In a solid each pipe warms the cell of half the spacing
   * round it: wall to the cell's mean (ln(r_c/r_o) - ¾)/(2 π k L), r_c = s/√π (steady flux in a
   * closed ring, Carslaw and Jaeger, 7.8), with the pipe's wall and inner film in series; in water
   * free convection outside. Neglects bends and contact gaps: sand that does not touch halves it.
   *
   * @param lengthMetres of pipe in one body
   * @param wallConductivity W/(m K): plastic 0.4, steel 50, copper 380
   * @param spacingMetres from pipe to pipe
   */
  record Coil(
      double lengthMetres,
      double outerDiameterMetres,
      double wallMetres,
      double wallConductivity,
      double spacingMetres)
      implements HeatExchanger {
    public Coil {
      within("pipe length", lengthMetres, 0.2, 5000, "m");
      within("pipe diameter", outerDiameterMetres, 0.004, 0.5, "m");
      within("pipe wall", wallMetres, 0.0002, 0.49 * outerDiameterMetres, "m");
      within("pipe's conductivity", wallConductivity, 0.1, 400, "W/(m K)");
      within("pipe spacing", spacingMetres, 1.5 * outerDiameterMetres, 3, "m");
    }

    @Override
    public double conductance(HeatStore store, FluidStream stream, double celsius) {
      double inner = outerDiameterMetres - 2 * wallMetres;
      double film = 1 / (PipeFilms.inside(stream, inner) * Math.PI * inner);
      double wall = Math.log(outerDiameterMetres / inner) / (2 * Math.PI * wallConductivity);
      double beyond;
      if (store.medium().kind() == Medium.Kind.WATER) {
        beyond =
            1
                / (PipeFilms.outsideInWater(outerDiameterMetres, celsius)
                    * Math.PI
                    * outerDiameterMetres);
      } else {
        double cell = spacingMetres / Math.sqrt(Math.PI);
        double ring = Math.max(0.1, Math.log(2 * cell / outerDiameterMetres) - 0.75);
        beyond = ring / (2 * Math.PI * store.medium().conductivity().value());
      }
      return store.count() * lengthMetres / (film + wall + beyond);
    }

    /** Pipe that finds room in the heated zone of one body at this spacing, m. */
    public double roomFor(HeatStore store) {
      HeatedZone z = store.zone();
      double area = store.geometry().endArea() * z.radiusFraction() * z.radiusFraction();
      double tall = store.geometry().heightMetres() * (z.highFraction() - z.lowFraction());
      return area * tall / (spacingMetres * spacingMetres);
    }
  }

  /**
   * Air through loose stones, up or down: h_v = 650 (G/d)^0.7 W/(m³ K), G in kg/(s m²) of the whole
   * cross-section, d in m (Löf and Hawley, 1948). Good to 30 %; flow taken as even.
   */
  record Bed(double grainMetres) implements HeatExchanger {
    public Bed {
      within("grain", grainMetres, 0.005, 0.3, "m");
    }

    @Override
    public double conductance(HeatStore store, FluidStream stream, double celsius) {
      double flux = stream.kilogramsPerSecond() / (store.count() * store.geometry().endArea());
      return 650 * Math.pow(flux / grainMetres, 0.7) * store.geometry().volume() * store.count();
    }
  }

  /**
   * A pipe along the middle of each body, as of a row of pipes in the ground: the body is the
   * cylinder of earth that belongs to one pipe, its height the pipe's length. Film inside the pipe
   * and its wall only; the grid conducts from there.
   */
  record Bore(double diameterMetres) implements HeatExchanger {
    public Bore {
      within("pipe diameter", diameterMetres, 0.01, 1, "m");
    }

    @Override
    public double conductance(HeatStore store, FluidStream stream, double celsius) {
      FluidStream one =
          new FluidStream(stream.fluid(), stream.kilogramsPerSecond() / store.count(), 0);
      return PipeFilms.inside(one, diameterMetres)
          * Math.PI
          * diameterMetres
          * store.geometry().heightMetres()
          * store.count();
    }
  }

  private static void within(String what, double v, double low, double high, String unit) {
    if (!(v >= low && v <= high)) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT,
              "%s must lie between %.4g and %.4g %s, was %.4g",
              what,
              low,
              high,
              unit,
              v));
    }
  }
}
