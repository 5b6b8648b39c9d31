package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A night lived through before it is real, by keys alone. */
public class PracticeTest {
  private Demo demo;
  private Browser browser;

  @BeforeClass
  public void open() {
    demo = Demo.shared();
    browser = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    browser.close();
  }

  private String headline() {
    return browser.see("main h1").getText();
  }

  private void key(String words) {
    browser.until(
        words + " can be pressed",
        () -> browser.named(words).isEnabled() && browser.named(words).isDisplayed());
    browser.named(words).sendKeys(Keys.ENTER);
  }

  @Test
  public void aNightIsLivedToItsDawnAndToldWhatMattered() {
    browser.go(demo.home + "/tonight").see("h1.headline");
    browser.named("Practise a night").sendKeys(Keys.ENTER);
    key("7. Hard, clear and long");
    browser.reads("in the house,").reads("It is said to get");
    browser.isAccessible();
    String begun = headline();
    key("Draw the screen");
    browser.reads("Open the screen");
    key("Lay 5 kg on the hearth of the stone bench");
    browser.until(
        "what was laid on is marked",
        () -> browser.see(".so-far").getText().contains("Lay 5 kg on the hearth"));
    key("Half an hour on");
    browser.until("time has run on", () -> !headline().equals(begun));
    browser.type("Alarm below", "-30");
    key("Sleep");
    browser.until("it is dawn", () -> headline().matches("(You held it|It was lost).*"));
    browser.reads("what would have been advised").reads("would have").isAccessible();
    browser.until(
        "the advised night is drawn beside one's own",
        () -> browser.see(".so-far").getText().contains("advised: "));
    browser.see(".so-far .advised");
    assertThat(browser.driver.findElements(By.cssSelector(".ways tbody tr"))).hasSize(3);
    String dawn = headline();
    browser.driver.navigate().refresh();
    browser.firstReads("main h1", dawn);
    browser.phone().theme("night-eyes").isLegible().theme("day").laptop();
    key("Another night");
    browser.reads("1 practised");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test(dependsOnMethods = "aNightIsLivedToItsDawnAndToldWhatMattered")
  public void aNightOfOnesOwnThatWasLostIsLivedAgain() {
    browser.go(demo.home + "/practice").reads("Nights of your own");
    key(": lost");
    browser.reads("in the house,").reads("It is said to get");
  }

  @Test(dependsOnMethods = "aNightIsLivedToItsDawnAndToldWhatMattered")
  public void aLoopThatTookHeatOutOfTheHouseIsTold() {
    browser.go(demo.home + "/practice");
    key("5. The loop of a store gone cold");
    key("Switch the pump of the heap on");
    browser.reads("Switch the pump of the heap off").type("Alarm below", "-30");
    key("Sleep");
    browser.reads("out of the house: its store was the colder of the two").isAccessible();
  }

  @Test(dependsOnMethods = "aNightIsLivedToItsDawnAndToldWhatMattered")
  public void whoSleepsIsWokenByTheAlarm() {
    browser.go(demo.home + "/practice").see(".series button");
    browser.type("It gets", "-25").click("Such an evening").reads("in the house,");
    browser.type("Alarm below", "4");
    key("Sleep");
    browser.reads("The alarm has woken you.");
  }
}
