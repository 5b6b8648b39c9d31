package nightbank.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import nightbank.core.upkeep.HeapBook.Load;
import nightbank.core.usual.Usual;
import org.testng.annotations.Test;

/** What lies on a heap once compost was taken out. */
public class HeapBookTest {
  private static final double YIELD = Usual.COMPOST_YIELD.value();
  private static final List<Load> FED =
      List.of(new Load(50, 300), new Load(Double.NEGATIVE_INFINITY, 100), new Load(10, 200));

  @Test
  public void theOldestGoesFirstWhateverTheOrderOfTheList() {
    assertThat(HeapBook.left(FED, List.of(new Load(60, 150 * YIELD)))).containsExactly(300, 0, 150);
  }

  @Test
  public void whatCameLaterIsNotTakenFrom() {
    assertThat(HeapBook.left(FED, List.of(new Load(20, 999)))).containsExactly(300, 0, 0);
  }

  @Test
  public void nothingTakenLeavesAllAndMassIsAccountedFor() {
    assertThat(HeapBook.left(FED, List.of())).containsExactly(300, 100, 200);
    List<Load> taken = List.of(new Load(70, 40), new Load(15, 30), new Load(55, 20));
    assertThat(Arrays.stream(HeapBook.left(FED, taken)).sum())
        .isCloseTo(600 - 90 / YIELD, within(1e-9));
  }

  @Test
  public void nobodyTakesLessThanNothing() {
    assertThatThrownBy(() -> new Load(0, -1)).hasMessageContaining("was -1");
  }
}
