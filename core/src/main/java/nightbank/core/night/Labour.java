package nightbank.core.night;

/** Minutes that common handlings take with everything at hand; estimates, half to twice as long. */
public final class Labour {
  public static final double LIGHT_FIRE = 15;
  public static final double A_KILOGRAM_OF_WOOD = 4; // carried and fed, splitting not counted
  public static final double SCREEN = 3;
  public static final double LID = 2;
  public static final double PUMP = 2;
  public static final double SWITCH = 2;
  public static final double DOOR = 1;
  public static final double COVER = 12;
  public static final double GAPS = 6;
  public static final double FEED_HEAP = 20;
  public static final double WATER = 5;

  private Labour() {}
}
