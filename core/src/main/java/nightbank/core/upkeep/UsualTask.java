package nightbank.core.upkeep;

/**
 * What has to be done again and again where heat is made and kept, with why and how often: usual
 * intervals, to be changed. Local codes, the makers of stoves and alarms, and licensed trades come
 * first.
 */
public enum UsualTask {
  ASH(
      For.FIRE,
      new Every(null, 5, null, null),
      "Take out the ash, leave a finger's depth",
      "Ash up to the grate lets it burn through; embers live in it for three days: metal bin, lid, outdoors."),
  FLUE(
      For.FIRE,
      new Every(365, null, 1500.0, null),
      "Look into the flue and sweep it",
      "Soot and tar catch fire, and a blocked flue fills the house with carbon monoxide."),
  CLEAN_OUTS(
      For.FIRE,
      new Every(null, null, 400.0, null),
      "Open the clean-outs of bench or wall",
      "Fly ash settles in the bends, draws worse and heats less."),
  GASKETS(
      For.FIRE,
      Every.year(9, 15),
      "Try the door gaskets: a strip of paper must be held all round",
      "A door that leaks cannot be damped, and smokes when the wind turns."),
  BRICKS(
      For.FIRE,
      Every.year(9, 15),
      "Look at the bricks and joints of the fire room",
      "A crack leads gas and heat to where timber is."),
  WOOD_NEAR_HEAT(
      For.FIRE,
      Every.days(180),
      "Look at the wood near hot parts and feel it",
      "Timber that is dried by heat for years lights at lower temperatures; brown is too late."),
  SMOKE_ALARM(
      For.ANYTHING_BURNT,
      Every.days(30),
      "Test the smoke alarm",
      "Most alarms that failed had a dead battery."),
  CARBON_MONOXIDE_ALARM(
      For.ANYTHING_BURNT,
      Every.days(30),
      "Test the carbon monoxide alarm and read its date",
      "It cannot be smelt; the cell in an alarm is worn out after five to ten years."),
  EXTINGUISHER(
      For.ANYTHING_BURNT,
      Every.days(365),
      "See that extinguisher and blanket are at hand",
      "By the way out, not by the fire, its gauge in the green."),
  COIL(
      For.WATER_LOOP,
      Every.year(10, 1),
      "Bleed coil and pump, wash the filter, look for leaks",
      "Air and silt stop a loop on the night on which it is needed."),
  FROST(
      For.WATER_LOOP,
      Every.year(10, 15),
      "Drain, or measure the antifreeze, before the first frost",
      "Water that freezes in a pipe bursts it; weak antifreeze is worse than none, for it is trusted."),
  WATER_LEVEL(
      For.WATER,
      Every.days(30),
      "Look at water level, lime and algae",
      "What has dried up keeps no heat; lime and algae sit on what gives it."),
  FAN(
      For.AIR_LOOP,
      Every.year(9, 15),
      "Clear fan, pipes and drain of dust",
      "Damp that stands in a pipe breeds mould that the fan then blows about."),
  HEAP_CORE(
      For.HEAP,
      Every.days(7),
      "Feel the heap’s core for warmth and damp, loosen the top",
      "A heap that is matted or wet stops breathing days before it goes cold."),
  SEALS(
      For.HOUSE,
      Every.year(10, 1),
      "See that seals, vents and door close tight",
      "Draughts take more than any glass on a windy night."),
  SENSORS(
      For.PROBES,
      Every.days(365),
      "Put the sensors into ice water: 0 °C",
      "A probe that is a kelvin off loses a night or wakes you for nothing."),
  BATTERIES(
      For.PROBES,
      Every.year(10, 15),
      "Change or measure the batteries of loggers and alarms",
      "They fail in the cold, which is when they matter."),
  GUARDS(
      For.HOUSE,
      Every.year(10, 1),
      "Look at mouse and squirrel guards, and for nests in pipes",
      "They move into warm stores in autumn and eat insulation and cables.");

  /** What there must be for it to matter. */
  public enum For {
    HOUSE,
    FIRE,
    /** A fire, flames or a heater. */
    ANYTHING_BURNT,
    WATER_LOOP,
    AIR_LOOP,
    WATER,
    HEAP,
    PROBES
  }

  private final For of;
  private final Every every;
  private final String what;
  private final String why;

  UsualTask(For of, Every every, String what, String why) {
    this.of = of;
    this.every = every;
    this.what = what;
    this.why = why;
  }

  public For of() {
    return of;
  }

  /** A proposal. */
  public Every every() {
    return every;
  }

  public String what() {
    return what;
  }

  public String why() {
    return why;
  }
}
