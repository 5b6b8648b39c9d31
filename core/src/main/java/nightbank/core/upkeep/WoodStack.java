package nightbank.core.upkeep;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import nightbank.core.source.FireLoad;

/**
 * Split wood that dries where it lies. Each day it goes towards what the air would bring it to, by
 * a share of the way that is larger in dry air and smaller for thick pieces: dM/dt = (E - M)/τ, τ =
 * τ₀ (thickness / 0.1 m)^1.5 (600 Pa / vapour deficit). The power 1.5 lies between a resistance at
 * the surface (1) and diffusion inside (2): own choice. τ₀ is an estimate from splits of a hand's
 * breadth that come from green to a fifth of water in one good summer under a roof; good to a
 * factor of 1.5. Neglects bark, species and that the middle of a stack dries last.
 *
 * @param kilograms at {@code since}, water in it
 * @param thickness of a split, m
 * @param moisture of the whole mass at {@code since}
 * @param since when it was weighed, split or measured
 */
public record WoodStack(
    double kilograms, double thickness, Cover cover, double moisture, Instant since) {
  /** Of the whole mass: above it fire smokes and flues tar. */
  public static final double READY = 0.20;

  /** How far the pace of drying is known, as a factor both ways. */
  public static final double PACE_UNSURE = 1.5;

  /** Of the whole mass where it was split green and not measured: 0.40 to 0.60 by species. */
  public static final double GREEN = 0.50;

  private static final double DAYS = 55; // τ₀
  private static final double DRY_AIR = 600; // Pa
  private static final double USUAL = 0.1; // m
  private static final double LEAST_DEFICIT = 20; // Pa, of fog
  private static final double WETTED =
      0.08; // dry basis that rain and snow keep in a bare stack; estimate
  private static final OpenAir INDOORS = OpenAir.steady(15, 0.55); // a dry shed or hall; estimate
  private static final int DAY = 86_400; // s
  private static final Duration LONGEST = Duration.ofDays(5 * 366);

  /** What keeps the rain off. */
  public enum Cover {
    /** Nothing. */
    BARE,
    /** A roof over it, its sides open. */
    ROOFED,
    /** In a dry room. */
    ROOM
  }

  public WoodStack {
    if (!(kilograms >= 0 && kilograms <= 200_000)) {
      throw new IllegalArgumentException(
          "a stack must weigh between 0 and 200000 kg, was " + kilograms);
    }
    if (!(thickness >= 0.005 && thickness <= 0.6)) {
      throw new IllegalArgumentException(
          "pieces must be between 0.005 and 0.6 m thick, were " + thickness);
    }
    if (!(moisture >= 0 && moisture <= 0.65)) {
      throw new IllegalArgumentException(
          "moisture must lie between 0 and 0.65 of the whole mass, was " + moisture);
    }
  }

  /**
   * How it is at a moment.
   *
   * @param moisture of the whole mass
   * @param low were it to dry faster by {@link #PACE_UNSURE}, or wet slower
   * @param high slower
   * @param joules lower heating value of all of it
   */
  public record State(double kilograms, double moisture, double low, double high, double joules) {}

  /** At a moment; before {@code since} it is taken as it was then. */
  public State at(Instant moment, OpenAir air) {
    double dry = kilograms * (1 - moisture);
    double m = WoodMoisture.wet(dried(moment, air, 1));
    double fast = WoodMoisture.wet(dried(moment, air, PACE_UNSURE));
    double slow = WoodMoisture.wet(dried(moment, air, 1 / PACE_UNSURE));
    double now = dry / (1 - m);
    return new State(
        now,
        m,
        Math.min(m, Math.min(fast, slow)),
        Math.max(m, Math.max(fast, slow)),
        now * FireLoad.heatingValue(m));
  }

  /**
   * The first day from a moment on, in steps of a day from {@code since}, on which it is ready: a
   * bare stack that was may have taken up water again. Empty where it will not be within five years
   * of {@code since}.
   */
  public Optional<Instant> ready(Instant from, OpenAir air) {
    double[] course = daily(since.plus(LONGEST), air);
    long day = Math.max(0, Duration.between(since, from).toDays());
    for (int d = (int) Math.min(course.length, day); d < course.length; d++) {
      if (course[d] <= READY) {
        return Optional.of(since.plus(Duration.ofDays(d)));
      }
    }
    return Optional.empty();
  }

  /** Moisture of the whole mass, day by day from {@code since} until a moment or for five years. */
  public double[] daily(Instant until, OpenAir air) {
    long days = Math.min(LONGEST.toDays(), Math.max(0, Duration.between(since, until).toDays()));
    double[] course = new double[(int) days + 1];
    double m = WoodMoisture.dry(moisture);
    for (int d = 0; d <= days; d++) {
      course[d] = WoodMoisture.wet(m);
      m = after(m, since.plusSeconds((long) d * DAY), DAY, air, 1);
    }
    return course;
  }

  /** The same stack with less on it. */
  WoodStack left(double kilogramsLeft) {
    return new WoodStack(kilogramsLeft, thickness, cover, moisture, since);
  }

  /** Dry basis. */
  private double dried(Instant moment, OpenAir air, double pace) {
    double m = WoodMoisture.dry(moisture);
    double left = Math.min(LONGEST.toSeconds(), Duration.between(since, moment).toSeconds());
    for (Instant t = since; left > 0; t = t.plusSeconds(DAY), left -= DAY) {
      m = after(m, t, Math.min(DAY, left), air, pace);
    }
    return m;
  }

  private double after(double m, Instant t, double seconds, OpenAir air, double pace) {
    boolean room = cover == Cover.ROOM;
    OpenAir around = room ? INDOORS : air;
    double rain = cover == Cover.BARE ? WETTED : 0;
    double to = WoodMoisture.equilibrium(around.celsius(t), around.humidity(t)) + rain;
    double tau =
        DAYS
            * DAY
            * Math.pow(thickness / USUAL, 1.5)
            * DRY_AIR
            / Math.max(LEAST_DEFICIT, around.deficit(t));
    return to + (m - to) * Math.exp(-pace * seconds / tau);
  }
}
