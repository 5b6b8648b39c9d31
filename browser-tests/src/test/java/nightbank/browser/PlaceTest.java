package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The place as one picture, and its nights ahead. */
public class PlaceTest {
  private Demo demo;
  private Browser browser;

  @BeforeClass
  void open() {
    demo = Demo.shared();
    browser = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  private void picture() {
    browser.laptop().go(demo.home + "/stores").see(".picture [aria-label='Sand bin']");
    browser.see(".picture [aria-label^='Hearth of the stone bench']");
  }

  @Test
  public void theNightThatBreaksIsNamedAndItsPlanReadAndTaken() {
    browser.laptop().go(demo.home + "/tonight").see(".ahead .one");
    browser.reads("is the night that breaks first");
    browser.click("The plan").reads("then all of them hold");
    browser.click("Plan these days so").reads("that the forecast reaches all hold");
    assertThat(browser.driver.findElements(By.cssSelector(".ahead .planned"))).isNotEmpty();
    browser.driver.navigate().refresh();
    browser.reads("that the forecast reaches all hold");
    browser.see(".ahead .one:nth-of-type(4)").sendKeys(Keys.ENTER);
    browser.reads("Planned:");
    browser.named("To a calendar");
  }

  @Test
  public void everythingOfThePlaceIsEnteredByItsPicture() {
    picture();
    browser.see(".picture [aria-label='Sand bin']").sendKeys(Keys.ENTER);
    browser.reads("Open it: mass, faces").reads("Element of the sand bin");
    browser.click("Element of the sand bin");
    assertThat(browser.typedIn("Its power")).isEqualTo("900");
    browser.see(".picture [aria-label='Lean-to']").sendKeys(Keys.ENTER);
    browser.click("Open it: skin, gaps").see(".house");
  }

  @Test
  public void aHearthIsDraggedOntoASecondStoreAndLetGoAgain() {
    picture();
    var hearth = browser.see(".picture [aria-label^='Hearth of the stone bench'] circle");
    new Actions(browser.driver)
        .dragAndDrop(hearth, browser.see(".picture [aria-label='Sand bin'] .edge"))
        .perform();
    browser.click("Not into Sand bin").reads("Kept");
    browser.readsNoMore("Not into Sand bin");
    picture();
    browser.see(".picture [aria-label^='Hearth of the stone bench']").sendKeys(Keys.ENTER);
    browser.reads("Wood in one load");
    assertThat(browser.driver.findElements(By.cssSelector("[aria-label='Not into Sand bin']")))
        .isEmpty();
  }

  @Test
  public void aHeaterIsAddedToTheHouseRunsByItselfAndIsTakenAway() {
    picture();
    browser.click("Tunnel").see(".picture [aria-label='Tunnel']").sendKeys(Keys.ENTER);
    new Select(browser.see("#add-here")).selectByVisibleText("a heater or boiler that burns fuel");
    browser.see(".picture [aria-label^='Heater of the tunnel']");
    browser.reads("on below").reads("Take it away");
    browser.go(demo.home + "/tonight?low=-7&house=" + demo.id("Tunnel")).see("h1.headline");
    browser.reads("Heater of the tunnel").reads("by itself");
    picture();
    browser.click("Tunnel").see(".picture [aria-label^='Heater of the tunnel']");
    browser.see(".picture [aria-label^='Heater of the tunnel']").sendKeys(Keys.ENTER);
    browser.click("Take it away").reads("Heater of the tunnel is gone").click("Put it back");
    browser.see(".picture [aria-label^='Heater of the tunnel']").sendKeys(Keys.ENTER);
    browser.click("Take it away").reads("Heater of the tunnel is gone");
  }

  @Test
  public void aGuestLooksAndChangesNothing() {
    try (Browser guest = demo.browser("guest")) {
      guest.go(demo.home + "/stores").see(".picture [aria-label^='Hearth']").sendKeys(Keys.ENTER);
      guest.reads("Wood in one load");
      assertThat(guest.pageText()).doesNotContain("Take it away").doesNotContain("drag a source");
    }
  }
}
