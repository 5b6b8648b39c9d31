package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every view in every light, by day at both widths: axe finds nothing, nothing sticks out. */
public class ScreensTest {
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

  @DataProvider
  Object[][] views() {
    String[][] views = {
      {"tonight", demo.home + "/tonight", "h1.headline"},
      {"stores", demo.home + "/stores", ".picture svg"},
      {"store", demo.home + "/stores/" + demo.id("Sand bin"), ".cut-away .probe"},
      {"water", demo.home + "/stores/" + demo.id("Water columns"), ".cut-away .probe"},
      {"file", demo.home + "/stores/" + demo.id("Sand bin") + "/file", ".drop"},
      {"run", demo.home + "/runs/" + demo.id("The first warm-up"), ".run-chart .phase"},
      {"house", demo.home + "/houses/" + demo.id("Lean-to"), ".heat-arrow"},
      {"new house", demo.home + "/houses/new", "form"},
      {"words", demo.home + "/words", "dl dd"},
      {"place", demo.home + "/people", "table.ledger td"},
      {"charge", demo.home + "/stores/" + demo.id("Sand bin") + "?charge=yes", ".curve .mean"},
      {"heap", demo.home + "/stores/" + demo.id("Heap, north wall"), ".cut-away .pipe"},
      {"sizing", demo.home + "/sizing", ".curve .line"},
      {"pairs", demo.home + "/pairs", ".two .plants"},
      {"build", demo.home + "/stores/" + demo.id("Sand bin") + "/build", ".sheet ol li"},
      {"book", demo.home + "/book", ".prices td"},
      {"log", demo.home + "/log", ".touches"},
      {"round", demo.home + "/round", ".pad"},
      {"alarms", demo.home + "/alarms", ".band"},
      {"health", demo.home + "/health", "table.ledger td"},
      {"loggers", demo.home + "/loggers", "form"},
      {"nights", demo.home + "/record/nights", ".wall .lost"},
      {"trials", demo.home + "/record/trials", "form .run"},
      {
        "trial", demo.home + "/record/trials/" + demo.id("A fortnight of drying"), ".overlay .curve"
      },
    };
    List<Object[]> all = new ArrayList<>();
    for (boolean phone : new boolean[] {false, true}) {
      for (String[] v : views) {
        all.add(new Object[] {v[0], phone, v[1], v[2]});
      }
    }
    return all.toArray(Object[][]::new);
  }

  /** By night it is the phone that is looked at; the wide page differs from it in no colour. */
  @Test(dataProvider = "views")
  public void isReadableByAll(String name, boolean phone, String path, String css) {
    browser.theme("day");
    if (phone) {
      browser.phone();
    } else {
      browser.laptop();
    }
    browser.go(path).see(css);
    browser.isAccessible();
    if (phone) {
      for (String theme : new String[] {"night", "night-eyes"}) {
        browser.theme(theme).see(css);
        browser.isLegible();
      }
    }
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  public void aWordOfOursSaysWhatItMeansByKeysToo() {
    browser.laptop().go(demo.home + "/tonight").see(".ledger .word").sendKeys(Keys.ENTER);
    browser.reads("would keep the house at what its plants stand");
    browser.isAccessible();
    browser.see("body").sendKeys(Keys.ESCAPE);
    browser.click("What the words mean").see("dl dd");
    browser.reads("Heat that came into the house while it was warm enough");
  }

  @Test
  public void theDoorIsReadableByAllToo() {
    try (Browser outside = new Browser(demo.address)) {
      for (String door : new String[] {"/sign-in", "/come-in"}) {
        for (String theme : new String[] {"day", "night", "night-eyes"}) {
          outside.go(door).theme(theme).see("form");
          outside.isLegible().phone().isLegible().laptop();
        }
        outside.isAccessible().phone().isAccessible().laptop();
      }
    }
  }
}
