package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.openqa.selenium.WebElement;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A finger moves what it is laid on, and the page stays where it is. */
public class TouchTest {
  private Demo demo;
  private Browser browser;

  @BeforeClass
  public void open() {
    demo = Demo.own();
    browser = new Browser(demo.address);
    browser.phone();
    browser.driver.executeCdpCommand(
        "Emulation.setTouchEmulationEnabled", Map.of("enabled", true, "maxTouchPoints", 1));
    browser.signIn("keeper", "quernstone croft");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    browser.close();
  }

  private void finger(String kind, double x, double y) {
    List<Map<String, Object>> points =
        kind.equals("touchEnd") ? List.of() : List.of(Map.of("x", x, "y", y));
    browser.driver.executeCdpCommand(
        "Input.dispatchTouchEvent", Map.of("type", kind, "touchPoints", points));
  }

  /** From the middle of something, in steps of eight pixels as a finger goes. */
  private void dragged(WebElement what, int dx, int dy) {
    @SuppressWarnings("unchecked")
    List<Number> at =
        (List<Number>)
            browser.driver.executeScript(
                "arguments[0].scrollIntoView({block: 'center'});"
                    + "const b = arguments[0].getBoundingClientRect();"
                    + "return [b.x + b.width / 2, b.y + b.height / 2]",
                what);
    double x = at.get(0).doubleValue();
    double y = at.get(1).doubleValue();
    int steps = Math.max(Math.abs(dx), Math.abs(dy)) / 8;
    finger("touchStart", x, y);
    for (int i = 1; i <= steps; i++) {
      finger("touchMove", x + dx * i / (double) steps, y + dy * i / (double) steps);
    }
    finger("touchEnd", 0, 0);
  }

  private double scrolled() {
    return ((Number) browser.driver.executeScript("return window.scrollY")).doubleValue();
  }

  /** Where a drawing lies under the finger; what is written above it may grow or go meanwhile. */
  private double lies(String css) {
    return ((Number)
            browser.driver.executeScript(
                "return document.querySelector(arguments[0]).closest('svg').getBoundingClientRect().top",
                css))
        .doubleValue();
  }

  private double valueOf(String css) {
    return Double.parseDouble(browser.see(css).getDomAttribute("aria-valuenow"));
  }

  @Test
  public void theHeightOfAStoreIsDraggedByItsRing() {
    String ring = "[role=slider][aria-label=Height]";
    browser.go(demo.home + "/stores/" + demo.id("Sand bin")).see(ring);
    browser.driver.executeScript(
        "document.querySelector(arguments[0]).scrollIntoView({block: 'center'})", ring);
    double before = valueOf(ring);
    double there = scrolled();
    dragged(browser.see(ring), 0, -64);
    browser.until("its height has grown", () -> valueOf(ring) > before + 4);
    assertThat(scrolled()).isEqualTo(there);
  }

  @Test
  public void aFireOnTheNightsStripIsDragged() {
    String handle = ".handle[role=slider]";
    browser.go(demo.home + "/tonight?low=-9").see("h1.headline");
    browser.click("Plan it so").see(handle);
    browser.driver.executeScript(
        "document.querySelector(arguments[0]).scrollIntoView({block: 'center'})", handle);
    double before = valueOf(handle);
    double there = lies(handle);
    dragged(browser.see(handle), 40, 0);
    browser.until("it begins later", () -> valueOf(handle) > before + 60);
    assertThat(lies(handle)).isCloseTo(there, within(1.0));
  }
}
