package nightbank.core.medium;

/**
 * A house skin.
 *
 * @param uValue nominal thermal transmittance at 4 m/s, W/(m² K)
 * @param solarShare share of the sun on it that gets in when clean, at 30 to 60° of incidence
 * @param longWaveShare share of long-wave radiation that it lets straight through while dry
 * @param emissivity of either side while dry
 */
public record SkinMaterial(
    String id,
    String name,
    Range uValue,
    Range solarShare,
    Range longWaveShare,
    Range emissivity,
    String source) {}
