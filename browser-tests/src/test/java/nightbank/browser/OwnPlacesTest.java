package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nightbank.server.Program;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Places as people have them, made from nothing through the pages. */
public class OwnPlacesTest {
  private Browser browser;
  private String home;

  @BeforeClass
  void begin() {
    Program program = Program.start("");
    browser = new Browser(program.address());
    home = NewHolding.begun(browser, program.setupCode(), "Europe/London");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  private void house(String shape, String name, String limit, String low) {
    browser.go(home + "/houses/new").click(shape).type("What it is called", name);
    browser.type("They stand", limit).type("Tonight’s low", low).click("Will tonight hold?");
    browser.see("h1.headline");
  }

  private double coldest() {
    Matcher m =
        Pattern.compile("coldest (.?[0-9.]+) °C").matcher(browser.see("h1.headline").getText());
    assertThat(m.find()).isTrue();
    return Double.parseDouble(m.group(1).replace('\u2212', '-'));
  }

  private void touch(String thing) {
    browser.see(".picture [aria-label^='" + thing + "']").sendKeys(Keys.ENTER);
  }

  private void add(String what) {
    new Select(browser.see("#add-here")).selectByVisibleText(what);
  }

  @Test
  public void aColdFrameWithTwoOilLampsHoldsTheNightWithoutAnyStore() {
    house("a cold frame", "Cold frame", "1", "-4");
    String night = browser.driver.getCurrentUrl();
    browser.reads("No store reaches the house");
    double dark = coldest();
    browser.go(home + "/stores");
    touch("Cold frame");
    add("candles or lamps");
    browser.see(".picture [aria-label^='Lamps of the cold frame']");
    assertThat(browser.typedIn("How many")).isEqualTo("2");
    browser.driver.get(night);
    browser.reads("Plan it so").click("Plan it so").reads("Tonight holds");
    browser.reads("flame").reads("open flame in a closed house");
    assertThat(coldest()).isGreaterThan(dark + 4);
  }

  @Test(dependsOnMethods = "aColdFrameWithTwoOilLampsHoldsTheNightWithoutAnyStore")
  public void aCrockOfWaterIsKeptWarmByItsThermostat() {
    house("stands alone, two slopes", "Glasshouse", "2", "-3");
    browser.go(home + "/stores").click("Glasshouse").click("A round drum of dry sand");
    new Select(browser.see("#medium")).selectByVisibleText("Water");
    browser.type("Across, m", "0.42").type("Height, m", "0.43").reads("59 kg of water");
    browser.click("Charge");
    new Select(browser.field("Switched by")).selectByVisibleText("itself, day and night");
    new Select(browser.field("Only while")).selectByVisibleText("a thermostat asks for it");
    assertThat(browser.typedIn("off above")).isEqualTo("35");
    browser.reads("Kept");
    browser.go(home + "/tonight?low=-3").see("h1.headline");
    browser.click("Glasshouse").reads("Element of the round drum").reads("by itself: on");
    browser.reads("Water beside mains electricity can kill");
  }

  @Test(dependsOnMethods = "aCrockOfWaterIsKeptWarmByItsThermostat")
  public void oneHearthBetweenTwoBenchesIsFedThroughTheEvening() {
    house("leans on a wall", "Lean-to", "2", "-3");
    String bench = "A stone bench with a flue through it";
    String first = "Stone bench with a flue through it";
    browser.go(home + "/stores").click("Lean-to");
    String stores = browser.driver.getCurrentUrl();
    browser.click(bench).see(".cut-away");
    browser.driver.get(stores);
    browser.click(bench).see(".cut-away");
    browser.driver.get(stores);
    touch("Hearth of the stone bench with a flue through it 2");
    browser.click("Take it away").reads("is gone");
    var hearth = browser.see(".picture [aria-label^='Hearth of the stone bench'] circle");
    new Actions(browser.driver)
        .dragAndDrop(hearth, browser.see(".picture [aria-label='" + first + " 2'] .edge"))
        .perform();
    browser.named("Not into " + first + " 2");
    browser.go(home + "/tonight?low=-3").click("Lean-to");
    browser.reads(first + " 2").click("Plan it so").reads("Leave it");
    WebElement lane = browser.see(".rail .touch");
    for (double share : new double[] {0.1, 0.45, 0.6}) {
      int before = marks();
      int x = (int) (lane.getRect().getWidth() * (share - 0.5));
      new Actions(browser.driver).moveToElement(lane, x, 0).click().perform();
      new WebDriverWait(browser.driver, Duration.ofSeconds(20)).until(d -> marks() > before);
    }
    double four = coldest();
    browser.see("[aria-label$=': bypass open at first']").click();
    browser.reads("bypass open to");
    browser.see("[aria-label$=': damper shut afterwards']").click();
    browser.reads("damper shut");
    browser.reads("likely to hold");
    assertThat(coldest()).isCloseTo(four, within(1.0));
  }

  private void begin(String house, String start) {
    browser.go(home + "/stores").click(house);
    String stores = browser.driver.getCurrentUrl();
    browser.click(start).see(".cut-away");
    browser.driver.get(stores);
  }

  private void choose(String field, String what) {
    new Select(browser.field(field)).selectByVisibleText(what);
  }

  @Test(dependsOnMethods = "aCrockOfWaterIsKeptWarmByItsThermostat")
  public void aHeapsLoopWarmsTheBedsByItself() {
    house("a tunnel", "Tunnel", "1", "-3");
    begin("Tunnel", "A boxed compost heap with a pipe loop");
    touch("Pump of the boxed compost heap");
    choose("to", "pipes in floor or beds");
    choose("Switched by", "itself, day and night");
    browser.reads("Kept");
    browser.go(home + "/tonight?low=-3").click("Tunnel").reads("Pump of the boxed compost heap");
    browser.reads("by itself:").reads("moves");
  }

  @Test(dependsOnMethods = "aHeapsLoopWarmsTheBedsByItself")
  public void earthPipesTakeByDayAndGiveByNightByADifference() {
    house("a dome", "Dome", "1", "-3");
    begin("Dome", "Pipes in the ground with warm air through them");
    touch("Stream into the pipes in the ground");
    choose("From", "the house’s air");
    choose("Switched by", "itself, day and night");
    choose("Only while", "one place is warmer than another");
    browser.reads("Kept").reads("is warmer than");
    browser.go(home + "/stores").click("Dome");
    touch("Fan of the pipes in the ground");
    choose("Switched by", "itself, day and night");
    choose("Only while", "a thermostat asks for it");
    browser.reads("Kept").reads("on below");
    browser.go(home + "/tonight?low=-3").click("Dome").reads("Fan of the pipes in the ground");
    browser.reads("by itself");
  }

  @Test(dependsOnMethods = "earthPipesTakeByDayAndGiveByNightByADifference")
  public void aHeatPumpLiftsFromWaterIntoATank() {
    house("stands alone, two slopes", "Pump house", "2", "-3");
    begin("Pump house", "A row of upright water columns in the sun");
    begin("Pump house", "A layered tank warmed by a loop");
    touch("Layered tank");
    add("a heat pump");
    browser.reads("Takes heat from");
    choose("Takes heat from", "Row of upright water columns in the sun");
    choose("Switched by", "itself, day and night");
    browser.type("Draws", "600").reads("Kept");
    browser.go(home + "/stores").click("Pump house");
    browser.see(".picture [aria-label^='Heat pump of the layered tank']");
    browser.go(home + "/tonight?low=-3").click("Pump house").reads("Heat pump of the layered tank");
    browser.reads("by itself");
  }

  private static final String COILED = "rum of gravel with a water coil from a sun collector";

  private double wall(String name, String behind) {
    browser.go(home + "/houses/new").click("leans on a wall").type("What it is called", name);
    choose("Is the building behind it heated?", behind);
    browser.type("They stand", "2").type("Tonight’s low", "-6").click("Will tonight hold?");
    browser.see("h1.headline");
    return coldest();
  }

  @Test(dependsOnMethods = "aHeatPumpLiftsFromWaterIntoATank")
  public void aDwellingBehindTheWallWarmsALeanTo() {
    double cold = wall("Cold wall", "no: a barn, a garden wall");
    assertThat(wall("Warm wall", "yes: a dwelling")).isGreaterThan(cold + 0.5);
  }

  @Test(dependsOnMethods = "aDwellingBehindTheWallWarmsALeanTo")
  public void aCellarIsKeptByTheEarthRoundItUntilAWallIsDugFree() {
    browser.go(home + "/houses/new").click("a room, no glasshouse");
    choose("What is round it?", "a cellar: earth behind all walls, a room above");
    choose("Is the rest of the building heated?", "no, or it stands alone");
    browser.type("What it is called", "Root cellar").type("Tonight’s low", "-9");
    browser.click("Will tonight hold?").reads("Tonight holds").reads("must stay above 3.0 °C");
    browser.see("a[href*='/houses/']").click();
    browser.reads("earth behind it");
    browser.see(".house [aria-label^='Front']").sendKeys(Keys.ENTER);
    choose("Behind it is", "the open air");
    browser.reads("Colder by");
    assertThat(browser.driver.findElements(By.cssSelector(".house .face")).size()).isEqualTo(3);
  }

  @Test(dependsOnMethods = "aDwellingBehindTheWallWarmsALeanTo")
  public void oneFireWarmsTwoStoresAndTheRoom() {
    begin("Cold wall", "A brick wall behind a stove");
    begin("Cold wall", "A round drum of dry sand with an element in the middle");
    touch("Hearth of the brick wall behind a stove");
    browser.reads("Wood in one load");
    choose("And into", "Round drum of dry sand with an element in the middle 2");
    browser.named("Not into Round drum of dry sand with an element in the middle 2");
    browser.reads("Kept");
    browser.go(home + "/tonight?low=-6").click("Cold wall").reads("Brick wall behind a stove");
    browser.click("Plan it so").reads("more put in");
  }

  @Test(dependsOnMethods = "oneFireWarmsTwoStoresAndTheRoom")
  public void aCoilLeadsOneMassIntoAnotherWhileItIsWarmer() {
    house("a tunnel", "Oven house", "1", "-3");
    begin("Oven house", "A d" + COILED);
    begin("Oven house", "A d" + COILED);
    touch("Pump of the d" + COILED + ", by hand");
    choose("to", "through D" + COILED + " 2");
    choose("Switched by", "itself, day and night");
    choose("Only while", "one place is warmer than another");
    browser.reads("Kept");
    browser.see(".picture [aria-label^='Pump of the d" + COILED + ", by difference']");
  }

  @Test(dependsOnMethods = "aCoilLeadsOneMassIntoAnotherWhileItIsWarmer")
  public void aPitsCoilWarmsATankByPumpAndTheTankABed() {
    house("a tunnel", "Pit house", "1", "-3");
    begin("Pit house", "A d" + COILED);
    begin("Pit house", "A layered tank warmed by a loop");
    touch("Pump of the d" + COILED);
    choose("to", "water of Layered tank warmed by a loop 2");
    choose("Switched by", "itself, day and night");
    browser.reads("Kept");
    browser.go(home + "/stores").click("Pit house");
    touch("Pump of the layered tank");
    choose("to", "pipes in floor or beds");
    choose("Switched by", "itself, day and night");
    browser.reads("Kept");
    browser.go(home + "/tonight?low=-3").click("Pit house");
    browser.reads("Pump of the layered tank").reads("Layered tank warmed by a loop 2");
  }

  private int marks() {
    return browser
        .driver
        .findElements(By.cssSelector(".rail [aria-label$=', load: begins']"))
        .size();
  }
}
