package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nightbank.server.Program;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** From an empty database to a judged run and a first verdict, as one who knows only the README. */
public class FirstPathTest {
  private static final Path LOGS = Program.root().resolve("core/src/test/resources/reference/logs");

  private Program program;
  private Browser browser;

  @BeforeClass
  void begin() {
    program = Program.start("");
    browser = new Browser(program.address());
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  @Test
  public void theFirstKeeperIsAskedFor() {
    browser.go("/").reads("Nobody keeps this Night Bank yet");
    browser.isAccessible();
    browser
        .type("Setup code", program.setupCode().toLowerCase(java.util.Locale.ROOT))
        .type("Name to sign in with", "ailsa")
        .type("Password", "short")
        .type("What it is called", "Mirk Brae")
        .type("Latitude", "57,3")
        .type("Longitude", "-3.4")
        .type("Time zone", "Europe/London");
    browser.see("button[type=submit]").click();
    browser.reads("The password must have 10 to 72 letters");
    assertThat(browser.typedIn("What it is called"))
        .as("what was typed stays")
        .isEqualTo("Mirk Brae");
    browser.type("Password", "three plain words");
    browser.see("button[type=submit]").click();
    browser.reads("Night Bank must know the house first");
  }

  @Test(dependsOnMethods = "theFirstKeeperIsAskedFor")
  public void aHouseIsDescribedAndTonightAnswered() {
    browser.click("Describe the house").reads("Five questions, then tonight");
    browser.isAccessible();
    browser.type("Height at the wall", "1").click("Will tonight hold?");
    browser.reads("The back must be higher than the front");
    assertThat(browser.typedIn("Height at the wall")).isEqualTo("1");
    browser.type("Height at the wall", "2,6").type("Tonight’s low", "-4");
    browser.click("Will tonight hold?");
    browser.see("h1.headline");
    assertThat(browser.see("h1.headline").getText()).contains("coldest");
  }

  @Test(dependsOnMethods = "aHouseIsDescribedAndTonightAnswered")
  public void aHouseWithoutAStoreIsToldByATouchWhatToDoFirst() {
    browser.click("What next").reads("Going through winters");
    new org.openqa.selenium.support.ui.WebDriverWait(
            browser.driver, java.time.Duration.ofMinutes(3))
        .until(d -> d.findElement(By.tagName("h1")).getText().startsWith("First "));
    browser.isAccessible();
  }

  @Test(dependsOnMethods = "aHouseWithoutAStoreIsToldByATouchWhatToDoFirst")
  public void aStoreIsBegunAndSized() {
    browser.press(Keys.ESCAPE).click("Stores").reads("No store yet");
    browser.click("A round drum of dry sand").see(".cut-away");
    browser.reads("237 kg").reads("Kept");
  }

  private void cover(String... faces) {
    for (String face : faces) {
      browser.see("g.face[aria-label^=" + face + "]").sendKeys(Keys.ENTER);
      browser.reads("The " + face).click("Add a layer").reads("Take layer 1 off").reads("Kept");
    }
  }

  @Test(dependsOnMethods = "aStoreIsBegunAndSized")
  public void aWrongFileIsRefusedInWordsAndTheNextOneTaken() {
    browser.click("Hand over a logger").see(".drop");
    Path picture = Program.root().resolve("web/public/mark.svg");
    browser.driver.findElement(By.cssSelector("input[type=file]")).sendKeys(picture.toString());
    browser.reads("No rows with a time and a number were found");
    browser.isAccessible();
    browser
        .driver
        .findElement(By.cssSelector("input[type=file]"))
        .sendKeys(LOGS.resolve("wrapped.csv").toString());
    browser.reads("is this right?").reads("core");
    browser.isAccessible();
  }

  @Test(dependsOnMethods = "aWrongFileIsRefusedInWordsAndTheNextOneTaken")
  public void itsReadingsAreTakenAndTheRunJudged() {
    browser.click("Read it in").reads("readings added").click("See what the run says");
    browser.reads("Loses half its heat in");
    browser.reads("Ledger").reads("conduction model");
    tellsTheTruth(39.5, 65.2);
    browser.isAccessible();
  }

  @Test(dependsOnMethods = "itsReadingsAreTakenAndTheRunJudged")
  public void theSameFileAgainIsKnown() {
    browser.driver.navigate().back();
    browser.reads("readings added");
    browser.click("Stores");
    browser.see(".row-of-stores a").click();
    browser.click("Hand over a logger").see(".drop");
    browser
        .driver
        .findElement(By.cssSelector("input[type=file]"))
        .sendKeys(LOGS.resolve("wrapped.csv").toString());
    browser.reads("is this right?").click("Read it in").reads("were known already");
    assertThat(browser.pageText()).contains("0 readings added");
  }

  @DataProvider
  Object[][] otherLoggers() {
    return new Object[][] {
      {"bare.csv", new String[0], 15.55, 63.8},
      // decay by the eigenvalues of its slowest mode
      {"wrapped-and-lidded.txt", new String[] {"side", "top", "foot"}, 48.0, 52.7},
    };
  }

  @Test(dependsOnMethods = "theSameFileAgainIsKnown", dataProvider = "otherLoggers")
  public void anotherDrumsLoggerTellsItsTruthOnTheScreen(
      String file, String[] covered, double decayHours, double meanAtOff) {
    browser.click("Stores").click("A round drum of dry sand").reads("Kept");
    cover(covered);
    browser.click("Hand over a logger").see(".drop");
    browser
        .driver
        .findElement(By.cssSelector("input[type=file]"))
        .sendKeys(LOGS.resolve(file).toString());
    browser.reads("is this right?").click("Read it in").reads("readings added");
    browser.click("See what the run says").reads("Loses half its heat in");
    tellsTheTruth(decayHours, meanAtOff);
  }

  /** Half-life and warmest mean as the sheet words them, each with its doubt. */
  private void tellsTheTruth(double decayHours, double meanAtOff) {
    double[] half = told("in ([0-9.]+) ± ([0-9.]+) h", browser.see("h1").getText());
    assertThat(half[0]).isCloseTo(decayHours * Math.log(2), withinPercentage(7));
    double[] mean =
        told("(?s)Warmest on the whole.*?: ([0-9.]+) °C ± ([0-9]+[.][0-9])", browser.pageText());
    assertThat(mean[1]).as("a doubt that says something").isLessThan(8);
    // the files are of a fill that conducts alike hot and cold, which real sand does not
    assertThat(mean[0]).isCloseTo(meanAtOff, within(mean[1] + 3));
  }

  private static double[] told(String words, String text) {
    Matcher m = Pattern.compile(words).matcher(text);
    assertThat(m.find()).as(text).isTrue();
    return new double[] {Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2))};
  }

  @Test(dependsOnMethods = "anotherDrumsLoggerTellsItsTruthOnTheScreen")
  public void aScrapOfPaperIsTypedTheNextDayAndPutRight() {
    browser.click("Stores").see(".row-of-stores a").click();
    browser.reads("Kept").click("Notebook");
    browser
        .see("textarea.paper")
        .sendKeys(
            "yesterday 18:00 core 20, edge 19\nyesterday 22:10 core 161, edge 38\nyesterday 23:30 cellar 12");
    browser
        .reads("Hotter than this store gets")
        .reads("Of which probe?")
        .reads("1 will be left out");
    browser.isAccessible();
    browser.phone().isAccessible();
    browser.laptop().click("It was °F").click("Keep 4 readings").reads("4 kept");
    String cell = "input.cell[aria-label^=core][aria-label$='22:10']";
    browser.holds(cell, "71.7");
    browser.see(cell).sendKeys(Keys.chord(Keys.CONTROL, "a"), "70", Keys.TAB);
    browser.see(".turns button[aria-label*='71.7 °C → 70.0 °C, put right']");
    browser.click("Undo").holds(cell, "71.7").click("Redo").holds(cell, "70.0");
    browser.see(cell).sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE, Keys.TAB);
    browser.see(".turns button[aria-label*='70.0 °C, taken away']");
    browser.driver.navigate().refresh();
    browser.click("Undo").named("Redo: core");
    browser.isAccessible();
    browser.click("Log").click("What was changed").reads("4 readings, typed");
    browser.isAccessible();
  }

  @Test(dependsOnMethods = "aScrapOfPaperIsTypedTheNextDayAndPutRight")
  public void aStoreTakenAwayComesBackWithItsRun() {
    browser.click("Stores").see(".row-of-stores a").click();
    browser.reads("Kept");
    browser.see("input.title").sendKeys(Keys.chord(Keys.CONTROL, "a"), "Byre drum");
    browser.named("Undo: Store “Byre drum”");
    browser.click("Take this store away").reads("thirty days");
    browser.isAccessible();
    browser.click("Take this store away").see(".row-of-stores");
    browser.isGone("Byre drum");
    browser.press(Keys.chord(Keys.CONTROL, "z"));
    browser.reads("Byre drum").click("Byre drum").click("Open it").reads("Hand over a logger");
    browser.see("table.ledger a[href*='/runs/']");
  }

  @Test(dependsOnMethods = "aStoreTakenAwayComesBackWithItsRun")
  public void signingOutShutsTheDoorAndTheAddressIsKept() {
    browser.click("Stores").see(".row-of-stores");
    String address = browser.driver.getCurrentUrl();
    browser.click("Sign out").see("#password");
    browser.driver.get(address);
    browser.see("#password");
    browser.type("Name", "ailsa").type("Password", "wrong words here");
    browser.see("button[type=submit]").click();
    browser.reads("do not belong together");
    browser.type("Password", "three plain words");
    browser.see("button[type=submit]").click();
    browser.see(".row-of-stores");
    assertThat(browser.driver.getCurrentUrl()).isEqualTo(address);
  }

  @Test(dependsOnMethods = "signingOutShutsTheDoorAndTheAddressIsKept")
  public void aHelperComesInByACodeOnAPhoneAndIsToldOfTriesInVain() {
    browser.click("Place").click("Make a code");
    String code = browser.see(".code .signs").getText();
    browser.isAccessible();
    browser.phone().isAccessible();
    browser.laptop();
    try (Browser phone = new Browser(program.address())) {
      phone.phone().go("/sign-in").click("I have a code from a keeper").see("#c-code");
      phone.isAccessible();
      phone.type("Code", code.toLowerCase(java.util.Locale.ROOT).replace("-", " "));
      phone.type("Name to sign in with", "callum").type("New password", "three plain words");
      phone.see("button[type=submit]").click();
      phone.see("main h1");
      phone.click("Sign out").see("#password");
      phone.type("Name", "callum").type("Password", "not what it is");
      phone.see("button[type=submit]").click();
      phone.reads("do not belong together").type("Password", "three plain words");
      phone.see("button[type=submit]").click();
      phone.reads("One try to sign in as you failed").click("It was me");
      phone.isGone("One try to sign in");
      phone.click("Place").click("Sign out on every phone and computer").see("#password");
    }
  }
}
