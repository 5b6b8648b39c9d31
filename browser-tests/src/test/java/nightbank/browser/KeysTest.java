package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every view by keys alone: all that can be acted on is reached and shows it. */
public class KeysTest {
  private static final int MOST = 400; // steps; the longest view has less than half of it

  /** Numbers what Tab must reach, with the look that each has while it is not there. */
  private static final String NUMBERED =
      """
      const some = (all) => [...all.slice(0, 12), ...all.slice(-12)];
      const parts = (e) => [e, ...some([...e.querySelectorAll('*')])];
      window.lookOf = (e) => parts(e).map((p) => { const s = getComputedStyle(p);
        return [s.outline, s.boxShadow, s.borderColor, s.backgroundColor, s.stroke, s.strokeWidth,
          s.fill, s.textDecorationLine, s.opacity].join() }).join('|');
      window.seen = (e) => e.isConnected && e.checkVisibility({ visibilityProperty: true })
        && !e.closest('[inert]');
      window.walk = [...document.querySelectorAll(
          'a[href], button, input, select, textarea, summary, [tabindex]')]
        .filter((e) => !e.disabled && e.tabIndex >= 0 && seen(e)
          && !(e.type === 'radio' && !e.checked))
        .map((e) => ({ e, look: lookOf(e), reached: false }));
      document.activeElement.blur();
      window.last = null;
      return walk.length
      """;

  /** What is focused now: blank, or how it fails to show it; null at the end. */
  private static final String STEP =
      """
      const at = document.activeElement;
      if (!at || at === document.body) return null;
      const known = walk.find((w) => w.e === at);
      if (!known) return '';
      if (known.reached && window.last !== known) return null;
      if (window.last === known) return ''; // the next part of a field of several
      window.last = known;
      known.reached = true;
      return lookOf(at) === known.look ? 'does not show its focus: ' + at.outerHTML.slice(0, 120) : ''
      """;

  private static final String MISSED =
      """
      return walk.filter((w) => !w.reached && seen(w.e) && w.e.tabIndex >= 0 && !w.e.disabled)
        .map((w) => 'is not reached: ' + w.e.outerHTML.slice(0, 120))
      """;

  private Demo demo;
  private Browser browser;

  @BeforeClass
  public void open() {
    demo = Demo.shared();
    browser = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    browser.close();
  }

  @DataProvider
  public Object[][] views() {
    List<Object[]> all = new ArrayList<>(Arrays.asList((Object[][]) Views.of(demo)));
    all.removeIf(v -> v[0].equals("round")); // its keys begin in its middle; RoundTest has them
    all.add(new Object[] {"hard night", demo.home + "/tonight?low=-9", "h1.headline"});
    return all.toArray(Object[][]::new);
  }

  @Test(dataProvider = "views")
  public void allOfItIsReachedByTabAndShowsIt(String name, String path, String css) {
    browser.go(path).see(css);
    still();
    Object many = browser.driver.executeScript(NUMBERED);
    assertThat((Long) many).isBetween(5L, (long) MOST);
    List<String> faults = new ArrayList<>();
    for (int i = 0; i < MOST; i++) {
      new Actions(browser.driver).sendKeys(Keys.TAB).perform();
      Object fault = browser.driver.executeScript(STEP);
      if (fault == null) {
        break;
      }
      if (!fault.equals("")) {
        faults.add((String) fault);
      }
    }
    @SuppressWarnings("unchecked")
    List<String> missed = (List<String>) browser.driver.executeScript(MISSED);
    faults.addAll(missed);
    assertThat(faults).isEmpty();
  }

  @DataProvider
  public Object[][] sliding() {
    String bin = demo.home + "/stores/" + demo.id("Sand bin");
    return new Object[][] {
      {"a planned night", demo.home + "/tonight?low=-9", "h1.headline", 2},
      {"a store", bin, ".cut-away .probe", 2},
      {"a charge", bin + "?charge=yes", ".curve .mean", 3},
      {"sizes", demo.home + "/sizing", ".curve .line", 1},
      {"two ways", demo.home + "/pairs", ".two .plants", 1},
      {
        "a trial",
        demo.home + "/record/trials/" + demo.id("A fortnight of drying"),
        ".overlay .curve",
        1
      },
    };
  }

  @Test(dataProvider = "sliding")
  public void allThatSlidesIsMovedByArrowsAndBack(
      String name, String path, String css, int atLeast) {
    browser.go(path).see(css);
    still();
    if (name.equals("a planned night")) {
      browser.click("Plan it so");
      browser.see("[role=slider][aria-label*=begins]");
      still();
    }
    int many = sliders().size();
    assertThat(many).isGreaterThanOrEqualTo(atLeast);
    for (int i = 0; i < many; i++) {
      still();
      String before = told(i);
      Keys back = pressed(i, Keys.ARROW_RIGHT) ? Keys.ARROW_LEFT : Keys.ARROW_RIGHT;
      if (told(i).equals(before)) { // it stood at its end
        assertThat(pressed(i, Keys.ARROW_LEFT)).as(before).isTrue();
      }
      assertThat(pressed(i, back)).as(before).isTrue();
      assertThat(told(i)).isEqualTo(before);
    }
  }

  private List<WebElement> sliders() {
    return browser.driver.findElements(By.cssSelector("main [role=slider]"));
  }

  private String told(int slider) {
    WebElement s = sliders().get(slider);
    return s.getAttribute("aria-label") + ": " + s.getAttribute("aria-valuetext");
  }

  /** Whether it tells something else then. */
  private boolean pressed(int slider, Keys key) {
    browser.driver.executeScript("arguments[0].focus()", sliders().get(slider));
    String before = told(slider);
    new Actions(browser.driver).sendKeys(key).perform();
    return !told(slider).equals(before);
  }

  /** Nothing more comes or goes. */
  private void still() {
    browser.until(
        "it has come to rest",
        () -> {
          String now = browser.pageText();
          return now.equals(last(now)) && !now.contains(" …");
        });
  }

  private String before = "";

  private String last(String now) {
    String was = before;
    before = now;
    return was;
  }
}
