package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The night strip and the house drawing, by mouse and by keyboard. */
public class NightTest {
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

  @BeforeMethod
  void tonight() {
    browser.laptop().go(demo.home + "/tonight?low=-7").see("h1.headline");
    browser.reads("Stone bench").reads("likely to hold");
  }

  private double coldest() {
    var m =
        java.util.regex.Pattern.compile("coldest (.?[0-9.]+) °C")
            .matcher(browser.see("h1.headline").getText());
    assertThat(m.find()).isTrue();
    return Double.parseDouble(m.group(1).replace('\u2212', '-'));
  }

  @Test
  public void adviceIsTakenWithOneTouchAndTheNightHolds() {
    browser.click("Plan it so").reads("Tonight holds").reads("Leave it");
    assertThat(browser.driver.getCurrentUrl()).contains("do=");
    browser.driver.navigate().refresh();
    browser.reads("Tonight holds");
    browser.click("Leave it").reads("Plan it so");
  }

  @Test
  public void aFireIsPlannedMovedAndFedByKeyboard() {
    double before = coldest();
    add("Hearth of the stone bench");
    browser.reads("16:37 5 kg");
    WebElement handle = browser.see(LOAD);
    handle.sendKeys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
    browser.reads("16:57 5 kg");
    browser.see(LOAD).sendKeys(Keys.ARROW_UP);
    browser.reads("16:57 6 kg");
    browser.reads("likely to hold");
    assertThat(coldest()).isGreaterThan(before);
    browser.see("[aria-label='Hearth of the stone bench: bypass open at first']").click();
    browser.reads("bypass open to 17:12");
    browser.see("[aria-label='Hearth of the stone bench: damper shut afterwards']").click();
    browser.reads("damper shut 22:57");
    browser.see(LOAD).sendKeys(Keys.DELETE);
    browser.click("Hearth of the stone bench: not tonight").readsNoMore("16:57 6 kg");
  }

  private static final String LOAD = "[aria-label='Hearth of the stone bench, load: begins']";

  private void add(String what) {
    browser.click("+ Add to the night").click(what);
  }

  @Test
  public void aHandleIsDraggedAndTheWordsFollow() {
    add("Screen");
    browser.reads("Screen from 16:37");
    new Actions(browser.driver)
        .dragAndDropBy(browser.see("[aria-label='Screen: begins'] path"), 240, 0)
        .perform();
    browser.reads("Screen from 20:");
    browser.click("Screen: not tonight").readsNoMore("Screen from 20:");
  }

  @Test
  public void onThePhoneAFireIsPlannedByTouchToo() {
    browser.phone().go(demo.home + "/tonight?low=-7").see("h1.headline");
    browser.click("+ Add to the night");
    WebElement fire = browser.named("Hearth of the stone bench");
    assertThat(fire.getRect().getHeight()).as("a finger's width").isGreaterThanOrEqualTo(48);
    browser.click("Hearth of the stone bench");
    browser.reads("5 kg");
    browser.isAccessible();
  }

  @Test
  public void aGuestSeesThePlanAndCannotMoveIt() {
    try (Browser guest = demo.browser("guest")) {
      guest.go(demo.home + "/tonight").see("h1.headline");
      assertThat(guest.driver.findElements(By.cssSelector(".rail [role=button]"))).isEmpty();
    }
  }

  @Test
  public void theCardForTheDoorIsOnPaperOnly() {
    browser.click("Plan it so").reads("Tonight holds");
    assertThat(browser.driver.findElement(By.cssSelector(".card-for-the-door")).isDisplayed())
        .isFalse();
    browser.driver.executeCdpCommand(
        "Emulation.setEmulatedMedia", java.util.Map.of("media", "print"));
    WebElement card = browser.see(".card-for-the-door");
    assertThat(card.getText()).contains("Lean-to, the night of").contains("Seen in the morning");
    assertThat(browser.driver.findElement(By.cssSelector("header.top")).isDisplayed()).isFalse();
    browser.driver.executeCdpCommand("Emulation.setEmulatedMedia", java.util.Map.of("media", ""));
  }

  @Test
  public void aSecondSkinIsTriedByAClickItsWorthSaidAndDropped() {
    browser.go(demo.home + "/houses/" + demo.id("Lean-to")).see(".house");
    browser.reads("at its coldest tonight");
    browser.see(".house [aria-label^=Roof]").sendKeys(Keys.ENTER);
    browser.reads("a second skin or bubble film inside");
    browser.click("a second skin or bubble film inside").reads("Warmer by");
    browser.click("Drop it");
    browser.reads("Touch a part");
    assertThat(browser.pageText()).doesNotContain("Warmer by");
  }

  @Test
  public void aClosedGapIsKeptAndAnImpossibleHouseRefused() {
    browser.go(demo.home + "/houses/" + demo.id("Tunnel")).see(".house");
    browser.click("Add a gap").reads("Colder by").click("Keep it");
    browser.reads("5.60 m × 4 mm");
    browser.driver.navigate().refresh();
    browser.reads("5.60 m × 4 mm");
    browser.click("Close it").reads("Warmer by").click("Keep it");
    browser.reads("Add a gap");
    browser.type("It weighs", "-5").see("[role=alert]");
    assertThat(browser.typedIn("It weighs")).isEqualTo("-5");
    browser.click("Drop it");
  }
}
