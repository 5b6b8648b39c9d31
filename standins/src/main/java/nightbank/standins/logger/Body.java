package nightbank.standins.logger;

/** What a logger hangs in: something that simulates itself. */
public interface Body {
  /** Goes on by so many seconds, at a time of day in hours. */
  void step(double seconds, double hour);

  /** Temperature at a channel, °C. */
  double at(int channel);
}
