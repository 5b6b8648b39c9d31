package nightbank.core.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Areas and volumes against closed forms. */
public class HouseShapeTest {
  private static double area(HouseShape shape) {
    return shape.sides(180).stream().mapToDouble(HouseShape.Side::areaSquareMetres).sum();
  }

  @Test
  public void aGableOfThreeFourFive() {
    HouseShape house = new HouseShape.Gable(10, 6, 2, 6);
    assertThat(house.volume()).isCloseTo(240, within(1e-9));
    assertThat(area(house)).isCloseTo(2 * 5 * 10 + 2 * 20 + 2 * 24, within(1e-9));
  }

  @Test
  public void aHalfRoundTunnelIsHalfACylinder() {
    HouseShape tunnel = new HouseShape.Tunnel(12, 6, 3);
    assertThat(tunnel.volume()).isCloseTo(Math.PI * 9 / 2 * 12, within(1e-9));
    assertThat(area(tunnel)).isCloseTo(Math.PI * 3 * 12 + Math.PI * 9, within(1e-6));
  }

  @Test
  public void aHalfBallIsHalfABall() {
    HouseShape dome = new HouseShape.Dome(8, 4);
    assertThat(dome.volume()).isCloseTo(2.0 / 3 * Math.PI * 64, within(1e-9));
    assertThat(area(dome)).isCloseTo(2 * Math.PI * 16, within(1e-9));
    assertThat(dome.perimeter()).isCloseTo(8 * Math.PI, within(1e-9));
  }

  @Test
  public void aLeanToLeansWithItsBackOnly() {
    HouseShape house = new HouseShape.LeanTo(9, 3, 1.8, 5.8);
    assertThat(house.sides(180).stream().filter(HouseShape.Side::atBack).count()).isEqualTo(1);
    assertThat(house.sides(180).get(0).areaSquareMetres()).isCloseTo(45, within(1e-9));
    assertThat(house.perimeter()).isCloseTo(15, within(1e-9));
  }

  @Test
  public void turningTheFrontTurnsEverySide() {
    var south = new HouseShape.Frame(2, 1, 0.3, 0.5).sides(180);
    var west = new HouseShape.Frame(2, 1, 0.3, 0.5).sides(270);
    for (int i = 0; i < south.size(); i++) {
      assertThat((west.get(i).azimuthDegrees() - south.get(i).azimuthDegrees() + 360) % 360)
          .isCloseTo(90, within(1e-9));
    }
  }

  @DataProvider
  Object[][] impossible() {
    return new Object[][] {
      {(Runnable) () -> new HouseShape.Gable(10, 6, 3, 2)},
      {(Runnable) () -> new HouseShape.Gable(0, 6, 2, 3)},
      {(Runnable) () -> new HouseShape.LeanTo(9, 3, 3, 2)},
      {(Runnable) () -> new HouseShape.Tunnel(10, Double.NaN, 3)},
      {(Runnable) () -> new HouseShape.Dome(4, 6)},
      {(Runnable) () -> new HouseShape.Frame(2, 1, 0.5, 0.3)},
    };
  }

  @Test(dataProvider = "impossible", expectedExceptions = IllegalArgumentException.class)
  public void impossibleShapesAreRefused(Runnable make) {
    make.run();
  }
}
