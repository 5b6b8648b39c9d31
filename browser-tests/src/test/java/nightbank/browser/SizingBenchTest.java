package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.Select;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Charging, sizing, arguing and building at the kitchen table. */
public class SizingBenchTest {
  private Demo demo;
  private Browser browser;

  @BeforeClass
  void open() {
    demo = Demo.own();
    browser = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  @Test
  public void aChargeIsTriedAndItsClockMovedByKeys() {
    browser.go(demo.home + "/stores/" + demo.id("Sand bin")).see(".cut-away");
    browser.click("Try a charge").reads("After 5 h it holds").see(".hot");
    browser.reads("very part stands it");
    var clock = browser.see("#moment");
    String late = clock.getDomAttribute("aria-valuetext");
    clock.sendKeys(Keys.HOME);
    assertThat(clock.getDomAttribute("aria-valuetext")).isNotEqualTo(late).contains("0.0 h");
    browser.click("Back to how it is now").reads("586 kg of dry sand");
  }

  @Test
  public void aStrongerSourceIsTriedAndTheHotCoreShows() {
    browser.go(demo.home + "/stores/" + demo.id("Sand bin") + "?charge=yes").see(".hot");
    browser.click("Charge").type("Its power, W", "3000");
    browser.reads("Kept").reads("a hot core behind a cool wall");
    browser.type("Its power, W", "0").reads("Its power is not known");
    browser.type("Its power, W", "900").reads("After 5 h it holds");
  }

  @Test
  public void aLidWithHoursStandsInTheNightUntilItIsTakenAway() {
    String bin = demo.home + "/stores/" + demo.id("Sand bin");
    browser.go(bin).see("g.face[aria-label^=top]").sendKeys(Keys.ENTER);
    browser.click("stands open at fixed hours").reads("Kept");
    browser.go(demo.home + "/tonight?low=-7").reads("Lid of the sand bin from 05:00");
    browser.click("Lid of the sand bin: not tonight").readsNoMore("Lid of the sand bin from 05:00");
    browser.reads("likely to hold");
    browser.driver.navigate().refresh();
    browser.readsNoMore("Lid of the sand bin from 05:00");
    browser.reads("likely to hold");
    browser.go(bin).see("g.face[aria-label^=top]").sendKeys(Keys.ENTER);
    browser.click("stands open at fixed hours").reads("Kept");
    browser.go(demo.home + "/tonight?low=-7").readsNoMore("Lid of the sand bin from 05:00");
    browser.reads("likely to hold");
  }

  @Test
  public void anImpossibleCoilIsRefusedInWordsAndStaysTyped() {
    browser.go(demo.home + "/stores/" + demo.id("Heap, north wall")).see(".cut-away .pipe");
    browser.click("Pipe").type("Turn to turn, m", "0.001");
    browser.reads("Pipe spacing must lie between").reads("Not kept");
    assertThat(browser.typedIn("Turn to turn")).isEqualTo("0.001");
    browser.type("Turn to turn, m", "0.25").reads("Kept");
    browser.type("Length of one coil, m", "400").reads("do not fit at this spacing");
    browser.type("Length of one coil, m", "14").reads("Kept");
  }

  @Test
  public void aBucketAndAWatchTellTheFlow() {
    browser.go(demo.home + "/stores/" + demo.id("Heap, north wall")).see(".cut-away .pipe");
    browser.click("Pipe").see("[id$=-litres]").sendKeys("6");
    browser.see("[id$=-secs]").sendKeys("120");
    browser.click("Use 0.050 kg/s");
    assertThat(browser.typedIn("Real flow")).isEqualTo("0.05");
  }

  @Test
  public void aHeapSaysWhatItCanGiveAndShowsWhatLiesOnIt() {
    browser.go(demo.home + "/stores/" + demo.id("Heap, north wall")).see(".cut-away .pipe");
    browser.click("Charge").reads("It has nothing to spare");
    browser.see(".mound .layer");
    browser.reads("parts of carbon to one of nitrogen");
  }

  @Test
  public void theSizingBenchFindsWhatHoldsAndOneBecomesAPlannedStore() {
    browser.go(demo.home + "/sizing?low=-6").see(".plans .plan");
    browser.reads("a night of −6 °C").reads("nights are lost");
    int easy = browser.driver.findElements(By.cssSelector(".plans li")).size();
    assertThat(easy).isPositive();
    browser.type("A hard night’s low", "-20").reads("−20 °C");
    browser.type("A hard night’s low", "-6").reads("a night of −6 °C");
    assertThat(browser.driver.getCurrentUrl()).contains("low=-6");
    browser.click("Plan this store").see(".cut-away");
    browser.reads("Planned:");
    browser.click("Stores").reads("Not built yet.");
    browser.go(demo.home + "/tonight?low=-4").see("h1.headline");
    assertThat(browser.pageText()).doesNotContain("Upright column");
  }

  @DataProvider
  Object[][] schools() {
    return new Object[][] {
      {"Leave it bare, or wrap it?", "wrapped in wool"},
      {"Sand, or water?", "dry sand"},
      {"Wool, or foil and air?", "two foils with gaps, 50 mm"},
      {"One hot fire, or small heat all night?", "one hot fire"},
      {"Heat for the room, or for the mass?", "most to the mass"},
      {"The heap outside, or in the house?", "outside with a loop"},
      {"Use the ground as mass, or keep it out?", "on the bare ground"},
      {"A water loop, or air through pipes?", "air pipe and fan"},
      {"The fire’s air from outside, or the room’s?", "air from the room"},
    };
  }

  @Test(dataProvider = "schools")
  public void bothSchoolsAreSeenOnOneNight(String question, String side) {
    browser.go(demo.home + "/pairs").see(".two .plants");
    browser.click(question).reads(side + ":");
    browser.reads("Where the heat went");
    String address = browser.driver.getCurrentUrl();
    browser.go(address.substring(demo.address.length())).see(".two .plants");
    browser.reads(side + ":");
  }

  @Test
  public void theBuildSheetPrintsOnTwoPages() {
    for (String store : new String[] {"Sand bin", "Water columns", "Stone bench"}) {
      browser.go(demo.home + "/stores/" + demo.id(store) + "/build").see(".sheet ol li");
      browser.reads("In this order").reads("Your local codes come first");
      assertThat(browser.printedPages()).as(store).isEqualTo(2);
    }
  }

  @Test
  public void pricesAreWrittenAndAbsurdOnesRefused() {
    browser.go(demo.home + "/book").see(".prices td");
    new Select(browser.field("Price something more")).selectByVisibleText("Cork board");
    browser.reads("Cork board").reads("Kept");
    var price = browser.see("tr:last-of-type input[id]");
    assertThat(price.isDisplayed()).isTrue();
    browser.click("Add a medium").type("Density", "1e9").reads("Not kept");
    browser.reads("Density must lie between");
    browser.type("Density", "1100").reads("Kept");
    browser.go(demo.home + "/stores/" + demo.id("Sand bin")).see("#medium");
    assertThat(browser.see("#medium").getText()).contains("Medium 1");
  }

  @Test
  public void aGuestTriesEverythingAndChangesNothing() {
    try (Browser guest = demo.browser("guest")) {
      guest.go(demo.home + "/sizing").see(".curve .line");
      assertThat(guest.pageText()).doesNotContain("Plan this store");
      guest.go(demo.home + "/stores/" + demo.id("Sand bin") + "?charge=yes").see(".hot");
      guest.go(demo.home + "/book").see(".prices td");
      assertThat(guest.pageText()).doesNotContain("Add a medium");
    }
  }
}
