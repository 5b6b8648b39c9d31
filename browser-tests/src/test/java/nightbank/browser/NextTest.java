package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From a night that is lost to what should be changed. */
public class NextTest {
  private static final Duration WINTERS = Duration.ofMinutes(4);

  private Demo demo;
  private Browser browser;

  @BeforeClass
  public void open() {
    demo = Demo.own();
    browser = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    browser.close();
  }

  private void found() {
    new WebDriverWait(browser.driver, WINTERS)
        .withMessage(browser::pageText)
        .until(d -> !d.findElements(By.cssSelector(".down .step")).isEmpty());
  }

  @Test
  public void aLostNightLeadsToWhatToChangeFirst() {
    browser
        .go(demo.home + "/tonight?house=" + demo.id("Tunnel") + "&low=-14")
        .see("h1.headline:not(.held)");
    browser.named("What would hold such nights?").sendKeys(Keys.ENTER);
    browser.reads("Going through winters");
    found();
    browser.firstReads("main h1", "First ");
    browser.reads("In this order").reads("All that was tried");
    browser.isAccessible();
  }

  @Test(dependsOnMethods = "aLostNightLeadsToWhatToChangeFirst")
  public void aChangeIsKeptAsAPlanMadeAndSetAgainstTheNights() {
    String tunnel = browser.driver.getCurrentUrl();
    browser.click("Lean-to").reads("Going through winters");
    found();
    browser.click("Keep as a plan").reads("Kept as plans").reads("Told: ");
    browser.click("Made").see("input[type='date']");
    browser.click("It is made").reads("Too few nights were read");
    browser.isAccessible();
    browser.click("Not made after all").reads("Kept as a plan.");
    browser.click("Made");
    browser.driver.executeScript(
        "const f = arguments[0]; f.value = '2026-01-22'; f.dispatchEvent(new Event('input'))",
        browser.see("input[type='date']"));
    browser.click("It is made").reads("The 8 nights since were, against 12 before");
    browser.reads("Made since Thu 22 January").see("svg[aria-label*='as the nights show']");
    String deed = browser.see(".plans b").getText();
    browser.go(demo.home + "/record/nights?house=" + demo.id("Lean-to")).see(".wall .change");
    browser.click(deed).reads("That day: ");
    browser.go(demo.home + "/changes").reads(": made, or not");
    browser.driver.get(tunnel);
    browser.see(".down .step");
    browser.isGone("Kept as plans").click("Lean-to").reads("Kept as plans");
    browser.click("Let it go").isGone("Kept as plans").driver.get(tunnel);
  }

  @Test(dependsOnMethods = "aChangeIsKeptAsAPlanMadeAndSetAgainstTheNights")
  public void whatWasFoundIsThereAtOnceOnAPhone() {
    browser.phone().driver.navigate().refresh();
    browser.firstReads("main h1", "First ").isAccessible();
    browser.theme("night-eyes").see(".down .step");
    browser.isLegible().theme("day").laptop();
    assertThat(browser.complaints()).isEmpty();
  }

  @Test(dependsOnMethods = "whatWasFoundIsThereAtOnceOnAPhone")
  public void anotherQuestionIsStoppedByHand() {
    browser.type("An hour is worth", "40").reads("Going through winters");
    browser.click("Stop").reads("Stopped.");
  }
}
