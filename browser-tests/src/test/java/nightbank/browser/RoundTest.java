package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import nightbank.server.Visitor;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.Select;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * The round in the house at night: by thumb, without signal, with the program and its database
 * gone.
 */
public class RoundTest {
  private Demo demo;
  private Browser browser;

  @BeforeClass
  void open() {
    demo = Demo.own();
    browser = demo.browser("helper");
    browser.phone();
    // once more, so that the service worker has seen everything
    browser.go(demo.home + "/log").see(".touches");
    browser.go(demo.home + "/round").see(".pad");
    browser.driver.executeAsyncScript("navigator.serviceWorker.ready.then(arguments[0])");
    browser.go(demo.home + "/tonight").see("h1.headline");
    browser.go(demo.home + "/round").see(".pad");
  }

  @AfterMethod(alwaysRun = true)
  void endTheRound() {
    browser.go(demo.home + "/round").see(".pad");
    browser.click("End here").reads("Thank you");
    nothingWaits();
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  private void key(String key) {
    browser.see(".pad button[aria-label='" + key + "']").click();
  }

  private void read(String number) {
    for (String k : number.split("")) {
      key(k.equals("-") ? "minus" : k);
    }
    browser.click("Next");
    kept();
  }

  /** Waits until the browser's own database stands where the page does. */
  private void kept() {
    browser.driver.executeAsyncScript(
        """
        const done = arguments[0];
        const look = () => {
          const shown = (document.body.innerText.match(/^(\\d+) of \\d+,/m) || [])[1];
          const ask = indexedDB.open('night-bank');
          ask.onsuccess = () => {
            const get = ask.result.transaction('kept').objectStore('kept').getAll();
            get.onsuccess = () => {
              ask.result.close();
              const there = get.result.some((v) => v && v.done && String(v.at + 1) === shown);
              if (there || !shown) done(); else setTimeout(look, 50);
            };
          };
        };
        look();
        """);
  }

  private JsonNode rounds() {
    Visitor v = new Visitor(demo.program);
    v.post("/api/session", "{\"login\":\"helper\",\"password\":\"quernstone croft\"}");
    return v.get("/api/holdings/" + demo.home.substring(3) + "/rounds?most=50").body();
  }

  /** Entries of the newest round, as the server has them. */
  private List<JsonNode> entries() {
    List<JsonNode> all = new ArrayList<>();
    rounds().path(0).path("entries").forEach(all::add);
    return all;
  }

  /** What a question to a store of the browser's own database comes to. */
  private Object stored(String store, String question) {
    return browser.driver.executeAsyncScript(
        """
        const [store, question, done] = arguments;
        const ask = indexedDB.open('night-bank');
        ask.onsuccess = () => {
          const answer = ask.result.transaction(store).objectStore(store)[question]();
          answer.onsuccess = () => { ask.result.close(); done(answer.result); };
        };
        """,
        store,
        question);
  }

  /** What was heard and is kept by itself. */
  private List<String> heard() {
    return ((List<?>) stored("kept", "getAllKeys"))
        .stream().map(String::valueOf).filter(k -> k.startsWith("heard:")).toList();
  }

  private void seeTonight() {
    browser.go(demo.home + "/tonight").see("h1.headline");
    browser.until(
        "tonight is kept", () -> heard().stream().anyMatch(k -> k.startsWith("heard:tonight")));
  }

  /** Entries in the browser's own database, whatever the page says. */
  private long unsent() {
    return (Long) stored("outbox", "count");
  }

  private void nothingWaits() {
    new org.openqa.selenium.support.ui.WebDriverWait(
            browser.driver, java.time.Duration.ofSeconds(30))
        .withMessage(browser::pageText)
        .until(d -> unsent() == 0 && d.findElements(By.cssSelector(".waiting")).isEmpty());
  }

  @Test
  public void aRoundIsWalkedByThumbAndSaysWhatItMeansForTonight() {
    browser.go(demo.home + "/round").see(".pad");
    browser.isAccessible();
    read("48.5");
    browser.reads("2 of");
    key("minus");
    browser.click("Next").reads("is no temperature");
    browser.press(Keys.BACK_SPACE);
    read("31");
    browser.click("Off the scale").reads("4 of");
    browser.click("Ice on the dish").click("Note");
    browser.type("Note to", "steam at the lid").click("Skip");
    browser.click("End here").reads("Thank you").reads("Tonight");
    nothingWaits();
    List<JsonNode> entries = entries();
    assertThat(entries).hasSize(5);
    assertThat(entries.get(0).path("celsius").asDouble()).isEqualTo(48.5);
    assertThat(entries.get(4).path("note").asString()).isEqualTo("steam at the lid");
    browser.go(demo.home + "/log").reads("48.5").reads("Ice on the dish");
  }

  @Test
  public void aPhotoOfTheRoundIsSeenInTheLog() throws java.io.IOException {
    var picture =
        new java.awt.image.BufferedImage(40, 30, java.awt.image.BufferedImage.TYPE_INT_RGB);
    var file = java.nio.file.Files.createTempFile("shot", ".png");
    javax.imageio.ImageIO.write(picture, "png", file.toFile());
    browser.go(demo.home + "/round").see(".pad");
    read("42");
    browser.driver.findElement(By.id("photo")).sendKeys(file.toString());
    browser.reads("Photo (1)");
    browser.click("End here").reads("Thank you");
    nothingWaits();
    browser.go(demo.home + "/log").see(".photos img");
    browser.until(
        "the photo is drawn",
        () ->
            (Boolean)
                browser.driver.executeScript(
                    "const i = document.querySelector('.photos img');"
                        + " i.scrollIntoView(); return i.naturalWidth === 40"));
    browser.isAccessible();
    java.nio.file.Files.delete(file);
  }

  @Test
  public void whatWasReadEarlierIsKeptAtItsHour() {
    browser.go(demo.home + "/round").see(".pad");
    browser.click("Read earlier");
    org.openqa.selenium.WebElement hour = browser.see("#earlier");
    String moment = hour.getDomProperty("value").substring(0, 11) + "00:05";
    browser.driver.executeScript(
        "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('change'))",
        hour,
        moment);
    browser.isAccessible();
    read("44.5");
    browser.click("Read earlier"); // and from here on as it is read
    read("33");
    nothingWaits();
    browser.click("End here").reads("Thank you");
    nothingWaits();
    List<JsonNode> ofThatHour = new ArrayList<>();
    for (JsonNode round : rounds()) {
      if (round.path("startedAt").asString().startsWith(moment)) {
        round.path("entries").forEach(ofThatHour::add);
      }
    }
    assertThat(ofThatHour)
        .extracting(e -> e.path("celsius").asDouble())
        .containsExactly(44.5, 33.0);
    assertThat(ofThatHour.get(0).path("at").asString()).startsWith(moment);
    assertThat(ofThatHour.get(1).path("at").asString()).doesNotStartWith(moment);
  }

  @Test
  public void withTheProgramGoneAndTheTabKilledNothingIsLostAndNothingDoubled() {
    seeTonight();
    browser.go(demo.home + "/round").see(".pad");
    read("40");
    nothingWaits();
    int port = demo.program.stopProgram();
    read("41");
    read("42");
    browser.reads("2 entries wait").reads("no signal");
    // the tab is killed; what opens again comes from the service worker
    var tab = browser.driver.getWindowHandle();
    browser.driver.switchTo().newWindow(org.openqa.selenium.WindowType.TAB);
    var other = browser.driver.getWindowHandle();
    browser.driver.switchTo().window(tab).close();
    browser.driver.switchTo().window(other);
    browser.phone().go(demo.home + "/round").see(".pad");
    browser.reads("4 of").reads("2 entries wait");
    read("43");
    browser.reads("3 entries wait");
    browser.go(demo.home + "/tonight").see("h1.headline");
    browser.reads("as was known").reads("The program cannot be reached");
    demo.program.startAgain(port);
    browser.signIn("helper", "quernstone croft");
    nothingWaits();
    List<JsonNode> entries = entries();
    assertThat(entries).hasSize(4);
    assertThat(entries.stream().map(e -> e.path("celsius").asDouble()))
        .containsExactly(40.0, 41.0, 42.0, 43.0);
    assertThat(new HashSet<>(entries.stream().map(e -> e.path("id").asString()).toList()))
        .hasSize(4);
  }

  @Test
  public void whatOneTypedGoesOutUnderNoOtherName() {
    seeTonight();
    browser.go(demo.home + "/round").see(".pad");
    read("50");
    nothingWaits();
    demo.program.bean(org.jooq.DSLContext.class).execute("DELETE FROM spring_session");
    int port = demo.program.stopProgram();
    read("51");
    browser.reads("1 entry waits");
    demo.program.startAgain(port);
    browser.signIn("keeper", "quernstone croft");
    browser.reads("One entry was typed here by").reads("goes out when");
    assertThat(unsent()).isOne();
    browser.click("Sign out").see("#password");
    assertThat(heard()).as("what another was told").isEmpty();
    browser.signIn("helper", "quernstone croft");
    nothingWaits();
    assertThat(entries().stream().map(e -> e.path("celsius").asDouble()))
        .containsExactly(50.0, 51.0);
  }

  @Test
  public void withTheDatabaseGoneEntriesWaitAndArriveInOrder() {
    browser.go(demo.home + "/round").see(".pad");
    read("20");
    nothingWaits();
    demo.program.stopDatabase();
    read("21");
    read("22");
    browser.reads("entries wait");
    demo.program.startDatabase();
    nothingWaits();
    assertThat(entries().stream().map(e -> e.path("celsius").asDouble()))
        .containsExactly(20.0, 21.0, 22.0);
  }

  @Test
  public void aFlappingSignalSendsEverythingOnce() {
    browser.go(demo.home + "/round").see(".pad");
    for (int i = 0; i < 6; i++) {
      browser.signal(i % 2 == 1);
      read("3" + i);
    }
    browser.signal(true);
    nothingWaits();
    assertThat(entries().stream().map(e -> e.path("celsius").asDouble()))
        .containsExactly(30.0, 31.0, 32.0, 33.0, 34.0, 35.0);
  }

  @Test
  public void anEventIsLoggedByOneTouchAndItsHourSetRight() {
    browser.go(demo.home + "/log").see(".touches");
    browser.isAccessible();
    browser.click("Fire lit").reads("is logged. Was it earlier");
    browser.type("It was at", "half two").type("Wood, kg", "4,5").click("Set it right");
    browser.reads("is no hour");
    assertThat(browser.typedIn("It was at")).isEqualTo("half two");
    browser.type("It was at", "1420").click("Set it right");
    nothingWaits();
    browser.reads("14:20").reads("4.5 kg");
    assertThat(browser.driver.findElement(By.xpath("//tr[contains(., '14:20')]")).getText())
        .as("the only store with a hearth")
        .contains("Stone bench");
  }

  @Test
  public void hotterThanTheThermometerShowsIsLoggedAtItsStoreWithWhereItsScaleEnds() {
    browser.go(demo.home + "/log").click("Off the thermometer’s scale");
    browser.reads("is logged. Was it earlier").reads("Say at which store");
    browser.isAccessible();
    new Select(browser.see("#where")).selectByVisibleText("Sand bin");
    browser.readsNoMore("Say at which store");
    browser.type("Its scale ends at", "boiling").click("Set it right").reads("is no temperature");
    browser.type("Its scale ends at", "230 F").see("#ends").sendKeys(Keys.ENTER);
    nothingWaits();
    browser.reads("Off the thermometer’s scale").reads("110");
  }

  @Test
  public void whichWayAPumpWentIsLoggedByOneKey() {
    browser.go(demo.home + "/log").see("button[aria-label='Pump off']").sendKeys(Keys.ENTER);
    nothingWaits();
    browser.reads("Pump off is logged");
    browser.firstReads("table.ledger tbody tr", "Pump off");
  }

  @Test
  public void theWalkIsPutInAnotherOrderByKeys() {
    browser.go(demo.home + "/log").click("The order of the walk");
    String first = browser.see("details ol li").getText();
    browser.see("details ol li button[aria-label$='later']").sendKeys(Keys.ENTER);
    nothingWaits();
    browser.go(demo.home + "/log").click("The order of the walk");
    assertThat(browser.see("details ol li").getText()).isNotEqualTo(first);
  }

  @Test
  public void whatWasLoggedIsPutRightLaterTakenAwayAndBroughtBack() {
    browser.laptop().go(demo.home + "/log").click("Rime").reads("is logged");
    browser.click("Set it right").readsNoMore("is logged");
    browser.click("Put right: Seen").reads("what was otherwise?");
    browser.isAccessible();
    browser.type("Note", "Rime on the glass").click("Set it right").reads("Rime on the glass");
    browser.click("Take away: Seen").readsNoMore("Rime on the glass");
    browser.click("Undo").reads("Rime on the glass");
  }
}
