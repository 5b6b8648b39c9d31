package nightbank.server.house;

import java.util.List;
import java.util.UUID;

/**
 * A house with what it loses at ten kelvin over an outdoors of -5 °C, 2 m/s and a half-clear sky.
 *
 * @param lossWattsPerKelvin skin and draught together
 */
public record HouseView(
    UUID id,
    String name,
    int version,
    HouseDesign design,
    double lossWattsPerKelvin,
    List<LossView> losses) {}
