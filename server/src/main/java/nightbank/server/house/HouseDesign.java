package nightbank.server.house;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.List;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.Keeps;
import nightbank.core.house.Shelter;
import nightbank.core.house.Stand;
import org.jspecify.annotations.Nullable;

/**
 * A house as its keeper describes it; SI. What is absent (null) is not there or not known.
 *
 * @param shape its dimensions, absent when parts were typed freely
 * @param innerMassKg of walls, staging, paving inside
 * @param innerMassMedium what it is made of, from the catalogue
 * @param innerMassAreaSquareMetres that faces the air
 * @param floorAreaSquareMetres of beds and soil, absent to leave the soil out
 * @param perimeterMetres of foundation towards the open
 * @param ventAboveCelsius when vents open, absent without any
 * @param screenResistance m² K/W of the night screen, absent without one
 * @param fleece whether there is fleece to lay over the plants
 * @param groundCelsius two metres below the floor, absent to follow latitude and season
 * @param shelter how much wind reaches it, absent for a garden's
 * @param stand what the outermost leaves see below them, absent for trays and young plants
 * @param wetness of floor and beds, absent for beds between paths
 * @param keeps what it is kept for, absent for plants
 * @param learned absent to reckon with the house as described
 */
@RecordBuilder
public record HouseDesign(
    @Nullable Shape shape,
    List<Part> skin,
    double volumeCubicMetres,
    double airChangesPerHour,
    List<GapDesign> gaps,
    double innerMassKg,
    String innerMassMedium,
    double innerMassAreaSquareMetres,
    Double floorAreaSquareMetres,
    Double perimeterMetres,
    Boolean edgeInsulated,
    Double ventAboveCelsius,
    Double screenResistance,
    Boolean fleece,
    double plantLimitCelsius,
    Double groundCelsius,
    @Nullable Shelter shelter,
    @Nullable Stand stand,
    @Nullable Wetness wetness,
    @Nullable Keeps keeps,
    @Nullable LearnedFactors learned) {
  public HouseDesign {
    gaps = gaps == null ? List.of() : gaps;
  }

  /** How much of the floor gives off water. */
  public enum Wetness {
    /** Gravel, paving, pots. */
    DRY(0.05),
    /** Beds between paths. */
    BEDS(Greenhouse.USUAL_WET_SHARE),
    /** Everything watered, or open water. */
    WET(0.8);

    final double share;

    Wetness(double share) {
      this.share = share;
    }
  }

  /** The same without what was learned of it. */
  public HouseDesign described() {
    return HouseDesignBuilder.builder(this).learned(null).build();
  }

  /** As sure of the house as its nights have made it. */
  public NightForecast.Doubt learnedInto(NightForecast.Doubt doubt) {
    return learned == null
            || learned.skinSigma() == null
            || learned.leakSigma() == null
            || learned.massSigma() == null
        ? doubt
        : doubt.withLearned(learned.skinSigma(), learned.leakSigma(), learned.massSigma());
  }

  /**
   * Factors over the description that logged nights have taught and the keeper reckons with.
   *
   * @param nights that it was learned from
   * @param skinSigma one standard deviation of the factor's ln, absent where nobody kept it
   */
  public record LearnedFactors(
      double skinFactor,
      double leakFactor,
      double massFactor,
      int nights,
      LocalDate until,
      Double skinSigma,
      Double leakSigma,
      Double massSigma) {}

  /**
   * A shape by its dimensions.
   *
   * @param widthMetres width, depth or diameter
   * @param lowMetres eaves or front; of no use for tunnels and domes
   * @param highMetres ridge, back or height
   * @param frontDegrees way the front looks, clockwise from north
   */
  public record Shape(
      Kind kind,
      double lengthMetres,
      double widthMetres,
      double lowMetres,
      double highMetres,
      double frontDegrees) {
    /** What people have. */
    public enum Kind {
      GABLE,
      LEAN_TO,
      TUNNEL,
      DOME,
      FRAME,
      ROOM
    }
  }

  /**
   * One part of the skin.
   *
   * @param tiltDegrees 0 flat, 90 upright; absent to follow from how it looks
   * @param azimuthDegrees way it looks, clockwise from north; absent for south
   * @param beyondCelsius temperature of the room behind a shared wall, absent for the open
   * @param earthMetres depth of the part's middle below the surface, for a wall with earth behind
   *     it
   * @param secondSkin whether film or bubble sheet hangs inside it
   * @param wallMedium what a heavy wall is made of, from the catalogue of media; absent for sheets
   * @param wallMetres how thick such a wall is
   */
  @RecordBuilder
  public record Part(
      String name,
      Looks looks,
      double areaSquareMetres,
      double transmittance,
      @Nullable String material,
      Double tiltDegrees,
      Double azimuthDegrees,
      Double beyondCelsius,
      @Nullable Double earthMetres,
      Boolean secondSkin,
      @Nullable String wallMedium,
      Double wallMetres) {}

  /** Which way a part looks: roofs see the sky, walls half of it, shared walls none. */
  public enum Looks {
    UP,
    OUT,
    SHELTERED
  }

  /** An opening that nobody meant. */
  public record GapDesign(String name, double lengthMetres, double widthMetres) {}
}
