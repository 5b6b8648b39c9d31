package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Tasks that come round, and the wood against what the season asks. */
public class UpkeepPageTest {
  private static final String ALARM = "carbon monoxide alarm and read its date";

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

  @Test
  public void whatIsDueIsDoneByOneTouchOnAPhoneInTonight() {
    browser.phone().go(demo.home + "/tonight").see("h1.headline");
    browser.see(".due-note.due");
    browser.reads("Due: test the " + ALARM);
    browser.see(".due-note.due button").click();
    browser.until(
        "it is not due any more",
        () -> browser.driver.findElements(By.cssSelector(".due-note.due")).isEmpty());
    browser.laptop().go(demo.home + "/upkeep").firstReads("main h1", "Nothing is due.");
    browser.isAccessible();
    browser.click("Undo").firstReads("main h1", "Due: test the " + ALARM);
  }

  @Test(dependsOnMethods = "whatIsDueIsDoneByOneTouchOnAPhoneInTonight")
  public void withoutSignalItWaitsAndGoesOutOnce() {
    browser.go(demo.home + "/upkeep").see(".did");
    browser.signal(false);
    browser.see("[aria-label$='read its date: done']").click();
    browser.reads("1 entry waits").reads("done just now");
    browser.signal(true);
    browser.firstReads("main h1", "Nothing is due.").isGone("entry waits");
  }

  @Test(dependsOnMethods = "withoutSignalItWaitsAndGoesOutOnce")
  public void anIntervalIsChangedAndATaskOfOnesOwnIsTakenOn() {
    browser.go(demo.home + "/upkeep").click("Test the smoke alarm");
    browser.type("Every so many days", "5").click("Keep");
    browser.firstReads("main h1", "Due: test the smoke alarm");
    browser.click("One of my own").type("What", "Turn the fleece").type("Every so many days", "");
    browser.click("Take it on").reads("must come round by something");
    browser
        .type("or fires", "12")
        .click("Take it on")
        .reads("Turn the fleece")
        .reads("never noted");
  }

  @Test(dependsOnMethods = "withoutSignalItWaitsAndGoesOutOnce")
  public void aStackIsAddedAndChosenByKeys() {
    browser.go(demo.home + "/upkeep").see(".pile .stack");
    browser.click("A new stack").type("Stack", "Alder").type("It weighed then", "800 lb");
    browser.type("Water in it then, % of all", "15").click("Stack it");
    browser.reads("Alder").reads("363 kg");
    browser.firstReads("main .lead-line", "dry wood is");
    browser.see(".pile .stack[aria-label^='Windfall']").sendKeys(Keys.ENTER);
    browser.holds("#stack-name", "Windfall spruce");
    browser.isAccessible();
    browser.theme("night-eyes").isLegible().theme("day");
    assertThat(browser.complaints()).allMatch(c -> c.contains("INTERNET_DISCONNECTED"));
  }

  @Test(dependsOnMethods = "withoutSignalItWaitsAndGoesOutOnce")
  public void aHeapIsFedByOneTouchAndLiesInItsBookByKeys() {
    browser.phone().go(demo.home + "/upkeep").see(".mound .layer");
    int before = browser.driver.findElements(By.cssSelector(".mound .layer")).size();
    browser.type("One load", "-5").reads("must lie between");
    browser.type("One load", "80 kg");
    browser.click("80 kg of hen manure is on");
    browser.until(
        "it lies on the heap",
        () -> browser.driver.findElements(By.cssSelector(".mound .layer")).size() == before + 1);
    browser.isAccessible();
    browser.isTouchable();
    browser.laptop().see("[aria-label='Read off the heap']").sendKeys(Keys.ARROW_RIGHT);
    browser.reads("nothing put on");
    browser.click("Undo");
    browser.until(
        "it is off again",
        () -> browser.driver.findElements(By.cssSelector(".mound .layer")).size() == before);
  }
}
