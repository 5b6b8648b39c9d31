package nightbank.core.alarm;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

public class SignsTest {
  @Test
  public void aPartIsNearItsHighestBeforeItIsThere() {
    assertThat(Signs.nearsHighest(84, 90)).isFalse();
    assertThat(Signs.nearsHighest(85, 90)).isTrue();
    assertThat(Signs.nearsHighest(120, 90)).isTrue();
  }

  @Test
  public void aHeapGoesColdWhereItIsUnderItsMarkAndHasFallenThere() {
    assertThat(Signs.goesCold(44, 60)).isTrue();
    assertThat(Signs.goesCold(46, 60)).as("warm still").isFalse();
    assertThat(Signs.goesCold(20, 22)).as("was cold before").isFalse();
  }
}
