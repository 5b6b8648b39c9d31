package nightbank.server.account;

import java.util.Objects;

/**
 * The units in which a person reads and types, mixed as people mix them; what is absent is SI.
 *
 * @param insulation transmittance (U) or resistance (R), by the unit of length
 */
public record UnitsView(
    boolean fahrenheit,
    Energy energy,
    Power power,
    Mass mass,
    Volume volume,
    Length length,
    Insulation insulation) {
  /** Of heat kept and moved. */
  public enum Energy {
    KWH,
    MJ,
    BTU
  }

  /** Of heat and work in a time. */
  public enum Power {
    W,
    BTU_H
  }

  /** Of fills, wood and feed. */
  public enum Mass {
    KG,
    LB
  }

  /** Of water and bags. */
  public enum Volume {
    L,
    US_GAL,
    IMP_GAL
  }

  /** Of stores and houses, their areas too. */
  public enum Length {
    M,
    FT
  }

  /** How a cover is told. */
  public enum Insulation {
    U,
    R
  }

  public UnitsView {
    energy = Objects.requireNonNullElse(energy, Energy.KWH);
    power = Objects.requireNonNullElse(power, Power.W);
    mass = Objects.requireNonNullElse(mass, Mass.KG);
    volume = Objects.requireNonNullElse(volume, Volume.L);
    length = Objects.requireNonNullElse(length, Length.M);
    insulation = Objects.requireNonNullElse(insulation, Insulation.U);
  }
}
