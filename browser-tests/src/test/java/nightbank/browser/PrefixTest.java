package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.openqa.selenium.By;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Below a path of its own, as something in front of it may want it. */
public class PrefixTest {
  private Demo demo;
  private Browser browser;

  @BeforeClass
  public void open() {
    demo = Demo.own("--server.servlet.context-path=/croft");
    browser = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    browser.close();
  }

  @Test
  public void allOfItLiesBelowThePrefix() {
    browser.go(demo.home + "/tonight").see("h1.headline");
    browser.go(demo.home + "/log").see("button[aria-label='Pump off']");
    browser.go(demo.home + "/record/nights").see(".wall .lost");
    Object strays =
        browser.driver.executeScript(
            "return performance.getEntriesByType('resource').map(e => new URL(e.name))"
                + ".filter(u => u.protocol.startsWith('http') && !u.pathname.startsWith('/croft/'))"
                + ".map(u => u.pathname).join(' ')");
    assertThat(strays).isEqualTo("");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test(dependsOnMethods = "allOfItLiesBelowThePrefix")
  public void itOpensWithoutSignalToo() {
    browser.go(demo.home + "/tonight").reads("opens without signal");
    browser.signal(false).go(demo.home + "/record/nights").see(".wall .lost");
    browser.reads("The program cannot be reached").signal(true);
    browser.until(
        "it is heard again",
        () -> browser.driver.findElements(By.cssSelector("aside.told")).isEmpty());
  }

  @Test(dependsOnMethods = "itOpensWithoutSignalToo")
  public void whatIsLoggedArrives() {
    browser.go(demo.home + "/log").see("button[aria-label='Pump off']").click();
    browser.reads("Pump off is logged");
  }
}
