package nightbank.core.system;

/** What must be so for a machine to run; each remembers whether it is on, so that none chatters. */
public sealed interface Guard {
  /** Runs below one temperature until another is reached. */
  record Thermostat(Sensor sensor, double onBelow, double offAbove) implements Guard {
    public Thermostat {
      if (!(onBelow <= offAbove)) {
        throw new IllegalArgumentException(
            "a thermostat goes on below where it goes off: on below "
                + onBelow
                + " °C, off above "
                + offAbove
                + " °C");
      }
    }
  }

  /** Runs above one temperature until it has fallen to another: draws while there is something. */
  record Above(Sensor sensor, double onAbove, double offBelow) implements Guard {
    public Above {
      if (!(offBelow <= onAbove)) {
        throw new IllegalArgumentException("it must go off below where it goes on");
      }
    }
  }

  /** Runs when one place is so much warmer than another, until it is hardly so any more. */
  record Differential(Sensor warm, Sensor cold, double onAboveKelvin, double offBelowKelvin)
      implements Guard {
    public Differential {
      if (!(offBelowKelvin <= onAboveKelvin)) {
        throw new IllegalArgumentException(
            "a differential control goes off at a smaller difference than it goes on at");
      }
    }
  }
}
