package nightbank.core.system;

import java.util.List;

/**
 * When a source, circuit or heat pump runs: at the times of its schedule or when somebody switches
 * it, and only while all of its guards say so.
 */
public record Control(Schedule schedule, List<Guard> guards) {

  /** Times at which it may run by itself. */
  public sealed interface Schedule {
    /** Always. */
    record Always() implements Schedule {}

    /** Only when somebody switches it. */
    record ByHand() implements Schedule {}

    /** In these stretches, seconds after the start. */
    record Between(List<Window> windows) implements Schedule {
      public Between {
        windows = List.copyOf(windows);
      }
    }
  }

  /** A stretch of time. */
  public record Window(double from, double to) {
    public Window {
      if (!(from <= to)) {
        throw new IllegalArgumentException("a stretch must end after it begins");
      }
    }

    boolean holds(double second) {
      return second >= from - 1e-6 && second < to - 1e-6;
    }
  }

  public Control {
    guards = List.copyOf(guards);
  }

  public static Control free(Guard... guards) {
    return new Control(new Schedule.Always(), List.of(guards));
  }

  public static Control byHand(Guard... guards) {
    return new Control(new Schedule.ByHand(), List.of(guards));
  }

  public static Control between(List<Window> windows, Guard... guards) {
    return new Control(new Schedule.Between(windows), List.of(guards));
  }

  /** Whether it may run by itself at all. */
  public boolean runsByItself() {
    return !(schedule instanceof Schedule.ByHand);
  }
}
