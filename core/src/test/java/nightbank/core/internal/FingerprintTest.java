package nightbank.core.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class FingerprintTest {
  record Point(double x, double[] more, Optional<String> name) {}

  record Place(double x, double[] more, Optional<String> name) {}

  private static Point point() {
    return new Point(1.5, new double[] {1, 2}, Optional.of("a"));
  }

  @DataProvider
  Object[][] different() {
    return new Object[][] {
      {point(), new Point(1.5000000000000002, new double[] {1, 2}, Optional.of("a"))},
      {point(), new Point(1.5, new double[] {1, 2.1}, Optional.of("a"))},
      {point(), new Point(1.5, new double[] {1, 2}, Optional.empty())},
      {point(), new Place(1.5, new double[] {1, 2}, Optional.of("a"))},
      {List.of("ab", "c"), List.of("a", "bc")},
      {List.of(1, 2), List.of(2, 1)},
      {List.of(List.of(1), 2), List.of(List.of(1, 2))},
      {Map.of("a", 1), Map.of("a", 2)},
      {"1", 1},
    };
  }

  @Test(dataProvider = "different")
  public void whatDiffersHasAnotherPrint(Object a, Object b) {
    assertThat(Fingerprint.of(a)).isNotEqualTo(Fingerprint.of(b));
  }

  @Test
  public void whatIsEqualHasTheSameWhereverItWasMade() {
    assertThat(Fingerprint.of(point())).isEqualTo(Fingerprint.of(point())).hasSize(64);
    Map<String, Object> one = new LinkedHashMap<>();
    Map<String, Object> other = new HashMap<>();
    for (String k : List.of("z", "a", "m")) {
      one.put(k, k + k);
    }
    for (String k : List.of("a", "m", "z")) {
      other.put(k, k + k);
    }
    assertThat(Fingerprint.of(one)).isEqualTo(Fingerprint.of(other));
    Set<Long> up = new LinkedHashSet<>(List.of(1L, 2L, 3L));
    Set<Long> down = new LinkedHashSet<>(List.of(3L, 2L, 1L));
    assertThat(Fingerprint.of(up)).isEqualTo(Fingerprint.of(down));
    assertThat(Fingerprint.of(-0.0)).isEqualTo(Fingerprint.of(0.0));
    assertThat(Fingerprint.of(Double.NaN)).isEqualTo(Fingerprint.of(0.0 / 0.0));
  }

  @Test
  public void theFormIsKeptForGood() {
    assertThat(Fingerprint.of("night", 1, 2.5, List.of(true)))
        .as("prints that are kept in databases are compared with it")
        .isEqualTo("80051659fb4a3343dfc2bfc2c2a085c5db287ea05fc09aec3254494edee12f41");
  }

  @Test
  public void whatHasNoCanonicalFormIsRefused() {
    assertThatThrownBy(() -> Fingerprint.of(new Object()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Fingerprint.of(new Thread()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Fingerprint.of(Map.of(List.of(1), 2)))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
