package nightbank.core.system;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** What is on now, what comes, and how long that holds. */
public class DueTest {
  private static final Action ELEMENT = Action.run("element", 100, 200);
  private static final Action WOOD = Action.load("hearth", 150, 4);
  private static final Action SCREEN = Action.house(Action.Kind.SCREEN, 50, 400);
  private static final List<Action> PLAN = List.of(WOOD, ELEMENT, SCREEN);

  @Test
  public void whatLastsIsOnFromItsBeginningToItsEnd() {
    assertThat(Due.of(PLAN, 100, 1000).on()).containsExactly(SCREEN, ELEMENT);
    assertThat(Due.of(PLAN, 99, 1000).on()).containsExactly(SCREEN);
    assertThat(Due.of(PLAN, 200, 1000).on()).as("it has just ended").containsExactly(SCREEN);
  }

  @Test
  public void whatIsDoneAtAMomentIsNeverOn() {
    assertThat(Due.of(PLAN, 150, 1000).on()).doesNotContain(WOOD);
    assertThat(Due.of(PLAN, 149, 1000).next()).containsExactly(WOOD);
  }

  @Test
  public void itHoldsUntilTheNextBeginningOrEndAndNoLongerThanIsTold() {
    assertThat(Due.of(PLAN, 0, 1000).untilSeconds()).isEqualTo(50);
    assertThat(Due.of(PLAN, 160, 1000).untilSeconds()).isEqualTo(200);
    assertThat(Due.of(PLAN, 210, 300).untilSeconds()).isEqualTo(300);
    assertThat(Due.of(List.of(), 0, 7).untilSeconds()).isEqualTo(7);
  }

  @Test
  public void untilThenNothingChanges() {
    Random dice = new Random(4);
    for (int i = 0; i < 300; i++) {
      List<Action> plan = new ArrayList<>();
      for (int n = 0; n < 6; n++) {
        double from = dice.nextInt(500);
        plan.add(Action.run("machine " + n, from, from + 1 + dice.nextInt(200)));
      }
      double now = dice.nextInt(600);
      Due due = Due.of(plan, now, now + 120);
      double then = now + 0.999 * (due.untilSeconds() - now);
      assertThat(Due.of(plan, then, then + 120).on()).isEqualTo(due.on());
      assertThat(Due.of(plan, then, then + 120).next()).isEqualTo(due.next());
    }
  }
}
