package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;
import java.util.stream.Stream;
import nightbank.server.Visitor;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** After one visit, without signal; and a sign-in that runs out while somebody types. */
public class SignalTest {
  /** All that the pages show is fetched one after the other. */
  private static final Duration AHEAD = Duration.ofMinutes(3);

  private Demo demo;
  private Browser browser;

  @BeforeClass
  public void visitOnce() {
    demo = Demo.shared();
    browser = new Browser(demo.address);
    browser.go("/sign-in").type("Name", "keeper").type("Password", "quernstone croft");
    browser.see("button[type=submit]").click();
    browser.see(".headline");
    new WebDriverWait(browser.driver, AHEAD)
        .until(d -> d.findElement(By.tagName("main")).getText().contains("opens without signal"));
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    browser.close();
  }

  /** None of them has been looked at yet. */
  @DataProvider
  public Object[][] pages() {
    String bin = "/stores/" + demo.id("Sand bin");
    return Stream.of(
            new String[] {"/tonight", "to spare"},
            new String[] {"/stores", "In the bank"},
            new String[] {bin, "Kept"},
            new String[] {bin + "/build", "To build"},
            new String[] {bin + "/notebook", "Notebook of Sand bin"},
            new String[] {bin + "/file", "Hand over"},
            new String[] {"/log", "Done or seen just now"},
            new String[] {"/round", "1 of"},
            new String[] {"/upkeep", "What comes round"},
            new String[] {"/record/nights", "nights"},
            new String[] {"/record/statement", "It took 14 fires"},
            new String[] {"/record/trials", "A fortnight of drying"},
            new String[] {"/record/trials/" + demo.id("A fortnight of drying"), "drying"},
            new String[] {
              "/runs/" + demo.id("Charged on the 23rd, then two dull days"), "Loses half"
            },
            new String[] {"/houses/" + demo.id("Lean-to"), "Lean-to"},
            new String[] {"/houses/new", "Five questions"},
            new String[] {"/people", "Ishbel Orr"},
            new String[] {"/loggers", "Loop logger"},
            new String[] {"/book", "What things cost here"},
            new String[] {"/sizing", "Sizing for lean-to"},
            new String[] {"/pairs", "Leave it bare"},
            new String[] {"/health", "The record"},
            new String[] {"/alarms", "When nobody is woken"},
            new String[] {"/changes", "What was changed"},
            new String[] {"/words", "What the words mean"})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "pages")
  public void opensWithoutSignalAndSaysHowOldItIs(String path, String words) {
    browser.signal(false);
    browser.go(demo.home + path).reads(words).reads("The program cannot be reached");
    assertThat(browser.driver.getTitle()).endsWith("Quernstone Croft · Night Bank");
  }

  @Test(dependsOnMethods = "opensWithoutSignalAndSaysHowOldItIs")
  public void isRenewedWhenTheSignalIsBack() {
    browser.signal(false);
    browser.go(demo.home + "/stores").reads("The program cannot be reached");
    browser.isAccessible();
    browser.signal(true);
    browser.click("Try now").isGone("The program cannot be reached");
  }

  private String titled() {
    return browser.see("input.title").getDomProperty("value");
  }

  private Visitor keeper() {
    Visitor v = new Visitor(demo.program);
    v.post("/api/session", "{\"login\":\"keeper\",\"password\":\"quernstone croft\"}");
    return v;
  }

  private void call(String name) {
    browser.see("input.title").sendKeys(Keys.chord(Keys.CONTROL, "a"), name);
  }

  private void changeWithoutSignal(String store, String name) {
    browser.go(store).see("input.title");
    browser.signal(false);
    call(name);
    browser.reads("1 entry waits");
  }

  @Test(dependsOnMethods = "isRenewedWhenTheSignalIsBack")
  public void aStoreChangedWithoutSignalStaysChangedAndGoesOutOnce() {
    String bench = demo.home + "/stores/" + demo.id("Stone bench");
    changeWithoutSignal(bench, "Bench of stones");
    browser.go(demo.home + "/log").see(".touches");
    browser.go(bench);
    browser.until("it stays as it was typed", () -> titled().equals("Bench of stones"));
    call("Bench of slate");
    browser.reads("1 entry waits");
    Visitor v = keeper();
    String api = "/api/holdings/" + demo.home.substring(3) + "/stores/" + demo.id("Stone bench");
    browser.signal(true);
    browser.until(
        "it goes out by itself, or by a touch",
        () -> {
          browser.driver.executeScript(
              "[...document.querySelectorAll('button')].find((b) => b.innerText === 'Try now')?.click()");
          return v.get(api).body().path("name").asString().equals("Bench of slate");
        });
    browser.go(bench);
    browser.until("the server's name is shown", () -> titled().equals("Bench of slate"));
    call("Stone bench");
    browser.until(
        "it is kept, over the version that the server has now",
        () -> v.get(api).body().path("name").asString().equals("Stone bench"));
  }

  @Test(dependsOnMethods = "aStoreChangedWithoutSignalStaysChangedAndGoesOutOnce")
  public void whatIsTypedAsTheSignalComesBackGoesOverWhatWentOut() {
    String bench = demo.home + "/stores/" + demo.id("Stone bench");
    changeWithoutSignal(bench, "Bench of turf");
    browser.go(bench);
    browser.until("it stays as it was typed", () -> titled().equals("Bench of turf"));
    browser.signal(true);
    browser.isGone("1 entry waits");
    call("Stone bench");
    Visitor v = keeper();
    String api = "/api/holdings/" + demo.home.substring(3) + "/stores/" + demo.id("Stone bench");
    browser.until(
        "it goes over one's own change",
        () -> v.get(api).body().path("name").asString().equals("Stone bench"));
    browser.isGone("was not taken");
  }

  @Test(dependsOnMethods = "whatIsTypedAsTheSignalComesBackGoesOverWhatWentOut")
  public void aStoreBegunWithoutSignalIsBegunWhenThereIsSome() {
    browser.go(demo.home + "/stores").see(".picture");
    browser.signal(false);
    String before = browser.driver.getCurrentUrl();
    browser.click("A row of upright water columns").reads("on this device").isAccessible();
    assertThat(browser.driver.getCurrentUrl()).isEqualTo(before);
    browser.signal(true);
    browser.isGone("on this device").reads("Row of upright water columns");
    Visitor v = keeper();
    String stores = "/api/holdings/" + demo.home.substring(3) + "/stores";
    for (JsonNode s : v.get(stores).body()) {
      if (s.path("name").asString().startsWith("Row of upright")) {
        v.delete(stores + "/" + s.path("id").asString());
      }
    }
  }

  @Test(dependsOnMethods = "aStoreBegunWithoutSignalIsBegunWhenThereIsSome")
  public void aSignInThatRanOutIsGivenAgainWhereOneIs() {
    browser.go(demo.home + "/log").see(".touches");
    browser.driver.executeCdpCommand("Network.clearBrowserCookies", Map.of());
    browser.click("Stores").reads("Your sign-in has ended");
    browser.isAccessible();
    browser.see("#password").sendKeys("quernstone croft");
    browser.click("Sign in again").isGone("Your sign-in has ended");
    browser.reads("In the bank");
    assertThat(browser.driver.getCurrentUrl()).endsWith("/stores");
  }
}
