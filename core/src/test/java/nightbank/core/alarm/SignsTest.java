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
    assertThat(Signs.overdrawn(60, 40, 52)).isTrue();
    assertThat(Signs.overdrawn(60, 20, 30)).as("it goes cold by itself").isFalse();
    assertThat(Signs.overdrawn(30, 20, 52)).as("it did not work before").isFalse();
    assertThat(Signs.overdrawn(60, 43, 46)).as("little else").isFalse();
  }
}
