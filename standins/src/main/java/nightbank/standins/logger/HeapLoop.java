package nightbank.standins.logger;

/**
 * Water that a pump drives through the warm layer of a heap and a radiator in the house: the layer
 * round the coil cools and is fed by the core; the pump rests for a quarter of every hour.
 */
public final class HeapLoop implements Body {
  private static final double LAYER = 6.0e5; // J/K
  private static final double FROM_CORE = 14; // W/K
  private static final double FLOW = 0.05 * 4186; // W/K
  private static final double COIL = 0.16; // share of what could be handed over
  private static final double RADIATOR = 0.1;
  private static final double PIPE = 1800; // J/K, of pipe and water in it
  private static final double CORE = 52;
  private static final double HOUSE = 7;

  private double layer = 41;
  private double in = 27;
  private double out = 27;
  private double since;

  @Override
  public void step(double seconds, double hour) {
    for (double done = 0; done < seconds; done += 5) {
      double dt = Math.min(5, seconds - done);
      since += dt;
      boolean runs = since % 3600 < 2700;
      double taken = runs ? COIL * FLOW * (layer - in) : 0;
      double given = runs ? RADIATOR * FLOW * (out - HOUSE) : 0;
      layer += dt * (FROM_CORE * (CORE - layer) - taken) / LAYER;
      double pipe = runs ? FLOW : 0.6; // W/K: still water takes the warmth of where it lies
      out += dt * (pipe * (in - out) + taken + (runs ? 0 : 1.5 * (layer - out))) / PIPE;
      in += dt * (pipe * (out - in) - given - (runs ? 0 : 1.5 * (in - HOUSE))) / PIPE;
    }
  }

  @Override
  public double at(int channel) {
    return channel == 0 ? in : out;
  }
}
