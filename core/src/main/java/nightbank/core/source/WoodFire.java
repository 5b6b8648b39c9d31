package nightbank.core.source;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A fire fed by loads. A load warms through, burns and dies away with the profile t/τ² e^(-t/τ), τ
 * three quarters of an hour, as logged hearths do (estimate, half to double); no more burns at once
 * than the hearth's door and draught let in, so a big load burns longer and not hotter. The smoke
 * goes past the mass while the bypass is open. Neglects unburnt gas, and that damp wood burns
 * slower.
 *
 * @param kilogramsPerHour that can burn at once
 * @param gasCelsius of what heats the mass, which the mass cannot exceed
 * @param roomAir whether its air comes from the room it stands in
 */
public record WoodFire(
    List<Share> shares,
    double kilogramsPerHour,
    double gasCelsius,
    boolean roomAir,
    List<FireLoad> loads)
    implements HeatSource {
  /** After so long nothing of a small load is left, s. */
  public static final double LONGEST = 12 * 2700;

  private static final double PEAK = 2700; // s
  private static final double DRY = 0.15; // moisture of the best wood
  private static final double BYPASSED = 0.9; // of the mass's share goes up the flue then
  private static final double AIR = 10.0; // m³/kg of wood at twice the air it needs
  private static final double IDLE_FLUE = 15.0 / 3600; // m³/s, warm and open (10 to 40 m³/h)
  private static final double CHARRED = 1e3; // J: less is ash

  public WoodFire {
    shares = Share.checked(shares);
    loads = loads.stream().sorted(Comparator.comparingDouble(FireLoad::atSeconds)).toList();
    if (!(kilogramsPerHour >= 0.05 && kilogramsPerHour <= 100)) {
      throw new IllegalArgumentException(
          "a hearth burns between 0.05 and 100 kg an hour, was " + kilogramsPerHour);
    }
    if (!(gasCelsius >= 100 && gasCelsius <= 1300)) {
      throw new IllegalArgumentException(
          "a fire's gas must have between 100 and 1300 °C, was " + gasCelsius);
    }
  }

  public WoodFire with(List<FireLoad> others) {
    return new WoodFire(shares, kilogramsPerHour, gasCelsius, roomAir, others);
  }

  @Override
  public Optional<HeatSource> heating(List<Share> others) {
    return Optional.of(new WoodFire(others, kilogramsPerHour, gasCelsius, roomAir, loads));
  }

  @Override
  public OptionalDouble mostAtNight() {
    return OptionalDouble.of(kilogramsPerHour * FireLoad.heatingValue(DRY) / 3600);
  }

  @Override
  public double highestCelsius() {
    return gasCelsius;
  }

  @Override
  public double radiant() {
    return 0.5; // iron and masonry near a fire, 0.4 to 0.7
  }

  /** Share of the mass's heat that still reaches it past an open bypass. */
  public static double pastBypass() {
    return 1 - BYPASSED;
  }

  /** J of all loads. */
  public double joules() {
    return loads.stream().mapToDouble(FireLoad::joules).sum();
  }

  @Override
  public Burning begin() {
    return new Burning(this);
  }

  /** The fire as it burns. */
  public static final class Burning implements Running {
    private final WoodFire fire;
    private int next;
    private double laid; // J not alight yet
    private double alight; // J
    private double kilograms; // of what was laid and is not burnt, for the mean heating value
    private double charcoal; // J
    private double added; // J in the step
    private double watts;
    private double air;
    private double coldSince = Double.POSITIVE_INFINITY;

    private Burning(WoodFire fire) {
      this.fire = fire;
      while (next < fire.loads.size() && fire.loads.get(next).atSeconds() < 0) {
        burnFrom(fire.loads.get(next));
        next++;
      }
    }

    /** What burns already at the start, as if it had burnt alone. */
    private void burnFrom(FireLoad load) {
      double x = -load.atSeconds() / PEAK;
      laid += load.joules() * Math.exp(-x);
      alight += load.joules() * x * Math.exp(-x);
      kilograms += load.kilograms() * (1 + x) * Math.exp(-x);
    }

    @Override
    public void step(double from, double seconds, Circumstances now) {
      added = 0;
      while (next < fire.loads.size() && fire.loads.get(next).atSeconds() <= from + 1e-6) {
        FireLoad load = fire.loads.get(next++);
        laid += load.joules();
        added += load.joules();
        kilograms += load.kilograms();
      }
      if (now.quenched) {
        charcoal += laid + alight;
        laid = 0;
        alight = 0;
        kilograms = 0;
      }
      double has = laid + alight;
      double perKilogram = kilograms > 0 ? has / kilograms : 15e6;
      double most = fire.kilogramsPerHour / 3600 * perKilogram * seconds;
      double caught = -laid * Math.expm1(-seconds / PEAK);
      laid -= caught;
      double half = alight + caught / 2; // what catches burns half of the step on average
      double burnt = Math.min(Math.min(most, alight + caught), -half * Math.expm1(-seconds / PEAK));
      alight += caught - burnt;
      if (laid + alight < CHARRED) {
        burnt += laid + alight;
        laid = 0;
        alight = 0;
      }
      kilograms *= has > 0 ? (laid + alight) / has : 0;
      watts = burnt / seconds;
      double rate = watts / perKilogram; // kg/s
      coldSince = has > 0 ? 0 : coldSince + seconds;
      boolean warm = coldSince < LONGEST && !now.damperShut;
      air = fire.roomAir ? Math.max(rate * AIR, warm ? IDLE_FLUE : 0) : 0;
    }

    @Override
    public double watts() {
      return watts;
    }

    @Override
    public double fuelWatts() {
      return watts;
    }

    @Override
    public double drawnAir() {
      return air;
    }

    @Override
    public double leftJoules() {
      return laid + alight + charcoal;
    }

    /** J that lie as charcoal to be burnt another time. */
    public double charcoalJoules() {
      return charcoal;
    }

    /** Whether anything burns or glows. */
    public boolean burns() {
      return laid + alight > 0;
    }
  }
}
