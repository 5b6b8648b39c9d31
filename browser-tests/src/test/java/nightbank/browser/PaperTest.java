package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import nightbank.server.Program;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * One drum tried bare, wrapped and lidded, written on a sheet of paper: before, at its hottest, the
 * next morning; typed in a day later.
 */
public class PaperTest {
  private static final LocalDate FIRST = LocalDate.now(ZoneOffset.UTC).minusDays(9);

  private Browser browser;
  private String home;

  @BeforeClass
  void begin() {
    Program program = Program.start("");
    browser = new Browser(program.address());
    home = NewHolding.begun(browser, program.setupCode(), "UTC");
    browser.go(home + "/houses/new").click("a cold frame").type("What it is called", "Frame");
    browser.type("They stand", "-3").type("Tonight’s low", "-4").click("Will tonight hold?");
    browser.see("h1.headline");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  @DataProvider
  Object[][] windows() {
    return new Object[][] {{false}, {true}};
  }

  private static String day(int n) {
    return DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH).format(FIRST.plusDays(n));
  }

  /** A charge from noon, at its hottest at six, and the next morning at seven. */
  private static String sheet(int from, String hottest, String morning) {
    return "%s 12:00 core 12, half 12, edge 12\n%s 18:00 %s\n%s 7:00 %s\n"
        .formatted(day(from), day(from), hottest, day(from + 1), morning);
  }

  private void since(int day, String hour) {
    WebElement at = browser.see("[aria-label='When it was changed']");
    browser.driver.executeScript(
        "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('change'))",
        at,
        FIRST.plusDays(day) + "T" + hour);
    browser.reads("judged by how it was");
    browser.reads("Kept").click("Settled");
    browser.readsNoMore("Since when is it so?");
  }

  private void layerOn(String face) {
    browser.see(".cut-away [aria-label^='" + face + "']").sendKeys(Keys.ENTER);
    browser.click("Add a layer");
    browser.reads("Since when is it so?");
  }

  private void shot(String name) {
    String folder = System.getProperty("pictures");
    if (folder != null) {
      browser.picture(Path.of(folder, name + ".png"));
    }
  }

  @Test(dataProvider = "windows")
  public void threeTrialsOfOneStoreAreToldApartFromASheetOfPaper(boolean phone) {
    if (phone) {
      browser.phone();
    } else {
      browser.laptop();
    }
    String on = phone ? "phone-" : "";
    browser.go(home + "/stores").click("Frame").click("A round drum of dry sand");
    browser.see(".cut-away");
    String store = browser.driver.getCurrentUrl().replaceFirst("^.*?/h/", "/h/");
    browser.go(store + "/notebook").see("textarea").click();
    browser
        .see("textarea")
        .sendKeys(
            sheet(0, "core 92, half 55, edge 36", "core 31, half 28, edge 22")
                + sheet(3, "core 94, half 57, edge 41", "core 41, half 39, edge 34")
                + sheet(6, "core 95, half 59, edge 43", "core 47, half 45, edge 41"));
    browser.click("Keep 27 readings").reads("27 kept");
    shot(on + "notes");

    browser.go(store).see(".cut-away");
    layerOn("side");
    shot(on + "asks");
    since(2, "10:00");
    layerOn("top");
    since(5, "10:00");
    browser.reads("first described");
    for (int i = 0; i < 3; i++) {
      int left = 3 - i;
      browser.see(".found li:nth-child(" + left + ") button").click();
      browser.see("#runs-h ~ table tr:nth-child(" + (i + 1) + ")");
    }
    browser.isAccessible();
    browser.driver.executeScript("scrollTo(0, 0)");
    shot(on + "band");
    browser.click("What did the changes do?");
    browser.reads("A new trial").see("#t-name");
    shot(on + "trial-new");
    browser.click("Set them side by side").reads("loses less");
    shot(on + "trial");
    browser.isAccessible();
    secondThoughts(store);
  }

  /** A figure, a moment and a way that it never was are put right, taken back and made again. */
  private void secondThoughts(String store) {
    browser.go(store + "/notebook").see("input.cell");
    WebElement cell = browser.see("input.cell[aria-label*='07:00'][aria-label^='core']");
    cell.sendKeys(Keys.chord(Keys.CONTROL, "a"), "48", Keys.TAB);
    browser.see(".turns [aria-label*='48.0 °C']");
    browser.go(store).click("first described").reads("It was so until");
    WebElement until = browser.see("#past-until");
    browser.driver.executeScript(
        "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('change'))",
        until,
        FIRST.plusDays(1) + "T21:00");
    browser.reads(", 21:00").reads("Kept");
    browser.click("side: 50 mm stone wool batt").reads("It was so until");
    browser.click("It never was so").isGone("It was so until");
    assertThat(browser.driver.findElements(By.cssSelector(".band li"))).hasSize(2);
    browser.see(".turns [aria-label^='Undo: Store']");
    turn("z", 3);
    browser.go(store).reads(", 10:00");
    assertThat(browser.driver.findElements(By.cssSelector(".band li"))).hasSize(3);
    browser
        .go(store + "/notebook")
        .holds("input.cell[aria-label*='07:00'][aria-label^='core']", "47.0");
    turn("Z", 3);
    browser.go(store).reads(", 21:00");
    assertThat(browser.driver.findElements(By.cssSelector(".band li"))).hasSize(2);
  }

  private String turns() {
    return String.valueOf(
        browser.driver.executeScript(
            "return [...document.querySelectorAll('.turns button')].map(b => b.title).join(' | ')"));
  }

  /** By keys, one after another, each once the one before is done. */
  private void turn(String key, int times) {
    for (int i = 0; i < times; i++) {
      String before = turns();
      browser.see("body").sendKeys(Keys.chord(Keys.CONTROL, key));
      browser.until("what can be taken back", () -> !turns().equals(before));
    }
  }

  /** A house without any store: one thermometer that keeps its lowest, one dish of water. */
  @Test(dataProvider = "windows", priority = -1)
  public void nightsAreToldByAThermometerThatKeepsItsLowestAndByADish(boolean phone) {
    if (phone) {
      browser.phone();
    } else {
      browser.laptop();
    }
    String on = phone ? "phone-" : "";
    browser.go(home + "/stores").see("main");
    String house =
        String.valueOf(
            browser.driver.executeAsyncScript(
                "fetch('/api/holdings/' + arguments[0] + '/houses').then(r => r.json())"
                    + ".then(h => arguments[1]('/h/' + arguments[0] + '/houses/' + h[0].id))",
                home.substring(3)));
    browser.go(house).reads("Thermometers").click("Hang one up");
    browser.see("[aria-label^='Take lowest" + (phone ? " 2" : "") + " down']");
    browser.isAccessible();
    shot(on + "house-thermometers");
    browser.click("What they showed").see("textarea").click();
    String name = phone ? "lowest 2" : "lowest";
    int day = phone ? 5 : 3;
    browser
        .see("textarea")
        .sendKeys("%s 8:00, %s 4\n%s 7:30, %s -5\n".formatted(day(day), name, day(day + 1), name));
    browser.click("Keep 2 readings").reads("2 kept");
    shot(on + "thermometer-notes");
    browser.isAccessible();
    night(FIRST.plusDays(day), "lost");

    browser.go(home + "/log").click("No ice on the dish").reads("is logged");
    LocalDate morning = FIRST.plusDays(day + 2);
    browser.driver.executeScript(
        "const d = document.querySelector('#day'); d.value = arguments[0];"
            + " d.dispatchEvent(new Event('input')); d.dispatchEvent(new Event('change'))",
        morning.toString());
    browser.type("It was at", "7:40").click("Set it right");
    browser.reads("07:40");
    night(morning.minusDays(1), "held");
  }

  private void night(LocalDate evening, String told) {
    browser.go(home + "/record/nights?from=" + FIRST + "&to=" + FIRST.plusDays(9));
    browser.see("[aria-label^='" + evening + ": " + told + "']");
  }
}
