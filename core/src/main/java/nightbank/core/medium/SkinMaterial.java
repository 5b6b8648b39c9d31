package nightbank.core.medium;

/** A house skin by its nominal thermal transmittance in W/(m² K) at 4 m/s of wind. */
public record SkinMaterial(String id, String name, Range uValue, String source) {}
