package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What is done on the croft day by day, by mouse and by keyboard. */
public class WorkTest {
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

  private void store(String name) {
    browser.go(demo.home + "/stores/" + demo.id(name)).see(".cut-away");
  }

  @Test
  public void aMilderLowChangesTheVerdictAndTheAddressKeepsIt() {
    browser.go(demo.home + "/tonight?low=-6").see("h1.headline");
    browser.reads("Tonight is");
    browser.type("Tonight’s low", "5").reads("Tonight holds");
    assertThat(browser.driver.getCurrentUrl()).contains("low=5");
    browser.driver.navigate().refresh();
    browser.reads("Tonight holds");
    browser.type("Tonight’s low", "14F").reads("Tonight is lost");
    assertThat(browser.driver.getCurrentUrl()).contains("low=-10");
  }

  @Test
  public void withoutATypedLowTheForecastSpeaks() {
    browser.go(demo.home + "/tonight").see("h1.headline");
    browser.reads("The weather is the forecast").click("change");
    assertThat(browser.typedIn("Tonight’s low")).isEmpty();
    browser.type("Tonight’s low", "5").reads("Tonight holds");
    browser.type("Tonight’s low", "").reads("The weather is the forecast");
  }

  @Test
  public void aWeatherFileIsHandedOverAndAWrongOneRefused() {
    browser.go(demo.home + "/people").see("#w-file");
    var wrong = nightbank.server.Program.root().resolve("web/public/mark.svg");
    browser.driver.findElement(By.id("w-file")).sendKeys(wrong.toString());
    browser.reads("No rows with a time and a number were found");
  }

  @Test
  public void whatIsNoNumberStaysTypedAndIsSaid() {
    browser.go(demo.home + "/tonight?low=-6").see("h1.headline");
    browser.type("Tonight’s low", "brass").reads("This is no number");
    assertThat(browser.typedIn("Tonight’s low")).isEqualTo("brass");
    browser.see("h1.headline");
  }

  @Test
  public void theTunnelIsAskedAboutToo() {
    browser.go(demo.home + "/tonight?low=-6").see("h1.headline");
    browser.click("Tunnel");
    browser.reads("plants stand −4.0 °C");
    assertThat(browser.driver.getCurrentUrl()).contains(demo.id("Tunnel"));
  }

  @Test
  public void unitsChangeTheWordsAndNotTheData() {
    browser.go(demo.home + "/tonight?low=-6").see("h1.headline");
    browser.click("Units").reads("A drum 88 cm high with 237 kg of sand");
    browser.isAccessible();
    browser.click("°F").click("BTU").click("lb").click("feet, inches");
    browser.reads("A drum 2 ft 11 in high with 523 lb of sand that keeps 13 300 BTU");
    browser.press(Keys.ESCAPE);
    assertThat(browser.see("h1.headline").getText()).contains("°F").doesNotContain("°C");
    assertThat(browser.typedIn("Tonight’s low")).isEqualTo("21.2");
    store("Sand bin");
    browser.reads(" lb of ");
    assertThat(browser.typedIn("Height, ft")).isEqualTo("1.9685");
    browser.press("u");
    browser.click("°C").click("kWh").click("kg").click("metres").press(Keys.ESCAPE);
    assertThat(browser.typedIn("Height, m")).isEqualTo("0.6");
    browser.go(demo.home + "/tonight?low=-6").see("h1.headline");
    assertThat(browser.typedIn("Tonight’s low")).isEqualTo("-6");
  }

  @Test
  public void aStoreIsSizedByArrowKeysKeptAndUndone() {
    store("Stone bench");
    WebElement height = browser.see("[aria-label=Height][role=slider]");
    height.sendKeys(Keys.ARROW_UP, Keys.ARROW_UP);
    browser.reads("52 cm high").reads("Kept");
    browser.driver.navigate().refresh();
    browser.reads("52 cm high");
    browser.see("[aria-label=Height][role=slider]").sendKeys(Keys.ARROW_DOWN, Keys.ARROW_DOWN);
    browser.reads("50 cm high").reads("Kept");
    browser.click("Undo").reads("52 cm high").reads("Kept");
    browser.see("[aria-label=Height][role=slider]").sendKeys(Keys.ARROW_DOWN, Keys.ARROW_DOWN);
    browser.reads("50 cm high").reads("Kept");
  }

  @Test
  public void aStoreIsSizedByDragging() {
    store("Stone bench");
    browser.reads("60 cm wide");
    new Actions(browser.driver)
        .dragAndDropBy(browser.see("[aria-label=Width][role=slider]"), 40, 0)
        .perform();
    browser.reads("Kept");
    assertThat(browser.pageText()).doesNotContain("60 cm wide");
    browser.click("Undo").reads("60 cm wide").reads("Kept");
  }

  @Test
  public void aFaceIsChosenByKeyboardAndItsLayersShown() {
    store("Sand bin");
    browser.see("g.face[aria-label^=top]").sendKeys(Keys.ENTER);
    browser.reads("Stone wool");
  }

  @Test
  public void impossibleSizesAreRefusedByNameAndStayOnThePage() {
    store("Stone bench");
    browser.type("How many alike", "0").reads("Not kept");
    assertThat(browser.see("[role=alert]").getText()).containsIgnoringCase("count");
    assertThat(browser.typedIn("How many alike")).isEqualTo("0");
    browser.type("How many alike", "1").reads("Kept");
  }

  @Test
  public void ofTwoPeopleAtOneStoreTheSecondIsTold() {
    try (Browser other = demo.browser("keeper")) {
      other.go(demo.home + "/stores/" + demo.id("Stone bench")).see(".cut-away");
      store("Stone bench");
      browser.type("Stops helping at", "7").reads("Kept");
      other.type("Stops helping at", "9").reads("Somebody changed this store");
      other.reads("7.0 °C").reads("9.0 °C").isAccessible();
      other.click("Leave it as it is kept").reads("between 7 °C");
      browser.type("Stops helping at", "6").reads("Kept");
      other.type("Stops helping at", "8").reads("6.0 °C").click("Keep mine").reads("Kept");
      browser.driver.navigate().refresh();
      browser.reads("between 8 °C").type("Stops helping at", "6").reads("Kept");
    }
  }

  @Test
  public void readingsByHandAreTakenAsTyped() {
    try (Browser helper = demo.browser("helper")) {
      helper.go(demo.home + "/stores/" + demo.id("Water columns")).see(".cut-away");
      helper.type("column low", "cold as charity");
      helper.click("Log them").reads("is not a temperature");
      assertThat(helper.typedIn("column low")).isEqualTo("cold as charity");
      helper.type("column low", "53,2f").click("Log them");
      helper.reads("logged");
    }
  }

  @Test
  public void aRunIsZoomedAndReadByKeyboard() {
    browser.go(demo.home + "/runs/" + demo.id("The first warm-up"));
    WebElement chart = browser.see(".run-chart svg");
    chart.sendKeys("+", "+");
    browser.see(".run-chart");
    assertThat(browser.driver.getCurrentUrl()).contains("span=");
    chart.sendKeys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
    browser.reads("whole store ");
    assertThat(browser.see(".run-chart [aria-live]").getText()).contains("middle").contains("°C");
    browser.driver.navigate().refresh();
    browser.see(".run-chart svg");
    assertThat(browser.driver.getCurrentUrl()).contains("span=");
    browser.see(".run-chart svg").sendKeys(Keys.ESCAPE);
    browser.reads("Whole run");
  }

  @Test
  public void aGuestReadsAndFindsNothingToChange() {
    try (Browser guest = demo.browser("guest")) {
      guest.go(demo.home + "/stores/" + demo.id("Sand bin")).see(".cut-away");
      assertThat(guest.pageText())
          .doesNotContain("Hand over a logger")
          .doesNotContain("Read just now");
      assertThat(guest.driver.findElements(By.cssSelector(".ring[role=slider]"))).isEmpty();
      guest.go(demo.home + "/stores").see(".row-of-stores");
      assertThat(guest.pageText()).doesNotContain("Begin another");
    }
  }

  @Test
  public void keysLeadAboutAndTheirListOpens() {
    browser.go(demo.home + "/tonight?low=-6").see("h1.headline");
    browser.see("body").sendKeys("s");
    browser.see(".row-of-stores");
    browser.see("body").sendKeys("t");
    browser.see("h1.headline");
    browser.see("body").sendKeys("?");
    browser.reads("Undo the last change");
  }

  @Test
  public void anAddressOfNothingSaysSo() {
    browser.go(demo.home + "/stores/00000000-0000-0000-0000-000000000000");
    browser.reads("There is no such store here");
    browser.go("/h/00000000-0000-0000-0000-000000000000/tonight");
    browser.reads("There is no such holding here");
  }
}
