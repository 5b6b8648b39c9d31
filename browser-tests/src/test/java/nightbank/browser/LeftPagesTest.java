package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;

public class LeftPagesTest {
  private final Demo demo = Demo.shared();
  private final Browser browser = demo.browser("keeper");

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  @Test
  public void pagesThatWereLeftTakeNothingFromTheOneThatIsOpen() {
    for (int i = 0; i < 9; i++) {
      browser.go(demo.home + "/stores").reads("In the bank");
    }
    browser.driver.manage().timeouts().scriptTimeout(Duration.ofSeconds(30));
    Number took =
        (Number)
            browser.driver.executeAsyncScript(
                "const t = performance.now(); fetch('/api/me')"
                    + ".then(() => arguments[0](performance.now() - t))");
    assertThat(took.doubleValue()).as("ms").isLessThan(3000);
  }
}
