package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Every view in every light, by day at both widths: axe finds nothing, nothing sticks out or slips.
 */
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
    List<Object[]> all = new ArrayList<>();
    for (boolean phone : new boolean[] {false, true}) {
      for (String[] v : Views.of(demo)) {
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
      browser.isTouchable().isReadable();
      for (String theme : new String[] {"night", "night-eyes"}) {
        browser.theme(theme).see(css);
        browser.isLegible();
      }
      browser.forcedColours(true).theme("day").see(css);
      browser.isLegible().forcedColours(false);
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
