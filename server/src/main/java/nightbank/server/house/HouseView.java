package nightbank.server.house;

import java.util.List;
import java.util.UUID;

/**
 * A house with what it loses on a plain cold night of ten kelvin, 2 m/s and half-clear sky.
 *
 * @param lossWattsPerKelvin skin and draught together
 */
public record HouseView(
    UUID id,
    String name,
    int version,
    HouseDesign design,
    double lossWattsPerKelvin,
    List<Loss> losses) {
  /** Part of the loss, W per kelvin between inside and outdoors. */
  public record Loss(String name, double wattsPerKelvin) {}
}
