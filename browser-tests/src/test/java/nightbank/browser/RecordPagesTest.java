package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import javax.imageio.ImageIO;
import nightbank.server.Visitor;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Nights, statement, trials and runs as a grower goes through them. */
public class RecordPagesTest {
  private Demo demo;
  private Browser browser;
  private Visitor keeper;

  @BeforeClass
  void open() {
    demo = Demo.own();
    browser = demo.browser("keeper");
    keeper = new Visitor(demo.program);
    keeper.post("/api/session", "{\"login\":\"keeper\",\"password\":\"quernstone croft\"}");
    keeper.get( // begins to judge every store's days, which takes a while
        "/api/holdings/%s/houses/%s/nights/learned?from=2026-01-01&to=2026-02-28"
            .formatted(demo.home.substring(3), demo.id("Lean-to")));
  }

  @AfterClass(alwaysRun = true)
  void close() {
    browser.close();
  }

  /** What a file says that a click hands to the person. */
  private String handedOut(String click, String name) throws IOException {
    return Files.readString(handed(click, name));
  }

  private Path handed(String click, String name) throws IOException {
    Path downloads = Files.createTempDirectory("nightbank-test");
    browser.driver.executeCdpCommand(
        "Browser.setDownloadBehavior",
        java.util.Map.of("behavior", "allow", "downloadPath", downloads.toString()));
    browser.click(click);
    Path file = downloads.resolve(name);
    new org.openqa.selenium.support.ui.WebDriverWait(
            browser.driver, java.time.Duration.ofSeconds(20))
        .until(d -> Files.exists(file));
    return file;
  }

  @Test
  public void aPageIsHandedOutAsThePictureThatItIs() throws IOException {
    browser.laptop().go(demo.home + "/record/nights").see(".wall .lost");
    BufferedImage picture = ImageIO.read(handed("as a picture", "nights.png").toFile());
    assertThat(picture.getWidth()).isGreaterThan(2000);
    assertThat(picture.getHeight()).isGreaterThan(1000);
    Set<Integer> colours = new HashSet<>();
    for (int x = 0; x < picture.getWidth(); x += 5) {
      for (int y = 0; y < picture.getHeight(); y += 5) {
        colours.add(picture.getRGB(x, y));
      }
    }
    assertThat(colours).as("paper, ink, marks held and lost").hasSizeGreaterThan(20);
    assertThat(colours).as("no corner left clear").allMatch(c -> (c >>> 24) == 255);
  }

  @Test
  public void theWallTellsTheLostNightAndIsWalkedByKeys() {
    browser.laptop().go(demo.home + "/record/nights").see(".wall .lost");
    browser.reads("1 was lost").reads("The night of Tue 20 January was lost");
    browser.reads("Ice on the water dish");
    browser.see(".wall .night.chosen").sendKeys(Keys.ARROW_RIGHT);
    browser.reads("The night of Wed 21 January held");
    browser.reads("The 9 nights from then on were, against 11 before,");
    assertThat(browser.driver.getCurrentUrl()).contains("night=2026-01-21");
    browser.driver.navigate().refresh();
    browser.reads("The night of Wed 21 January held");
    browser.click("Winter before").reads("No night of this time was read");
  }

  @Test
  public void theWinterTellsItsHardestWeekAndTheNightsAhead() {
    browser.laptop().go(demo.home + "/record/winter").see(".wall .lost");
    browser.firstReads("main h1", "1 was lost");
    browser.reads("From Sat 17 January on the house came down to 4.2 °C on the mean of 7 nights");
    browser.reads("It was the cold: −5.9 °C outdoors against −1.2 °C");
    browser.reads("of wood").reads("that is asked until");
    browser.reads("is the night that breaks first").isAccessible();
    assertThat(browser.printedPages()).isEqualTo(2);
    browser.see(".wall .lost").click();
    browser.reads("The night of Tue 20 January was lost");
  }

  @Test
  public void whatIsNoticedIsPutAwayByATouchAndSaidAgain() {
    String api = "/api/holdings/" + demo.home.substring(3);
    String heap = UUID.randomUUID().toString();
    String design =
        keeper.get(api + "/stores/" + demo.id("Heap, north wall")).body().path("design").toString();
    String house = demo.id("Tunnel");
    keeper.post(
        api + "/stores",
        "{\"id\":\"%s\",\"name\":\"Old heap\",\"houseId\":\"%s\",\"design\":%s,\"probes\":[]}"
            .formatted(heap, house, design));
    keeper.post(
        api + "/parts",
        """
        {"id":"%s","name":"Its heat","houseId":"%s","design":{"kind":"HEAP","storeId":"%s",
         "fed":[{"feedstock":"horse-manure","kilograms":200,"at":"2026-01-20T10:00:00Z"}]}}
        """
            .formatted(UUID.randomUUID(), house, heap));
    browser.laptop().go(demo.home + "/tonight?house=" + house).see(".noticed li");
    browser.reads("Old heap weighs 2.3 t by its size, and 200 kg were put on it").isAccessible();
    browser.click("Put away").isGone("Old heap weighs");
    browser.go(demo.home + "/tonight?house=" + house).click("Say again what was put away");
    browser.reads("Old heap weighs").isGone("Say again");
  }

  @Test
  public void onThePhoneTheLostNightIsInSight() {
    browser.phone().go(demo.home + "/record/nights").see(".wall .lost");
    browser.reads("The night of Tue 20 January was lost");
    var at = browser.see(".wall .night.chosen .roof").getRect();
    assertThat(at.getX()).isBetween(0, 390);
    browser.laptop();
  }

  @Test
  public void aStatementOfAWeekIsJudgedWhileOneLooksAndGoesOutAsATable() throws IOException {
    browser.laptop();
    browser
        .go(
            demo.home
                + "/record/statement?from=2026-01-20&to=2026-01-22&store="
                + demo.id("Stone bench"))
        .see("h1");
    browser.reads("reached the house in the cold").reads("of wood").reads("Stone bench");
    assertThat(handedOut("As CSV", "statement.csv"))
        .contains("Put in, kWh")
        .contains("Stone bench,");
  }

  @Test
  public void aTrialIsMadeOfTwoRunsReadAndTakenAway() {
    browser.laptop().go(demo.home + "/record/trials").see("form .run");
    browser.type("What was changed", "Dull days");
    browser.click("The first warm-up").click("Charged on the 23rd, then two dull days");
    browser.click("Set them side by side").see(".overlay .curve");
    browser.reads("What else was not alike").reads("Start over the air");
    browser.click("24 h").reads("24 h");
    assertThat(browser.driver.getCurrentUrl()).contains("hours=24");
    browser.click("Take the trial away").reads("What did a change do?");
    browser.isGone("Dull days");
  }

  @Test
  public void aTrialOfOneRunIsRefusedAndWhatWasTypedStays() {
    browser.laptop().go(demo.home + "/record/trials").see("form .run");
    browser.type("What was changed", "Nothing yet");
    browser.click("The first warm-up").click("Set them side by side");
    browser.reads("A trial takes 2 to 12 runs");
    assertThat(browser.typedIn("What was changed")).isEqualTo("Nothing yet");
  }

  @Test
  public void aRunThatWasFoundIsKeptNamedAndTakenAway() {
    browser.laptop().go(demo.home + "/stores/" + demo.id("Sand bin")).see(".found li");
    browser.click("Make Charge of 28 January a run");
    browser.see("table.ledger a[href*='/runs/']");
    new org.openqa.selenium.support.ui.WebDriverWait(
            browser.driver, java.time.Duration.ofSeconds(20))
        .until(
            d ->
                d.findElements(org.openqa.selenium.By.linkText("Charge of 28 January")).stream()
                    .findFirst()
                    .orElse(null))
        .click();
    browser.see(".run-chart .phase");
    browser.click("Name it, part it").type("Name", "A bright Wednesday").click("Keep the name");
    browser.reads("A bright Wednesday");
    browser.click("Take the run away").see(".found li");
    browser.reads("Charge of 28 January");
  }

  @Test
  public void aReadingThatComesInArrivesOnTheOpenRunSheet() {
    String api = "/api/holdings/" + demo.home.substring(3);
    String bin = api + "/stores/" + demo.id("Sand bin");
    String run =
        keeper
            .post(
                bin + "/runs",
                "{\"name\":\"Going on\",\"from\":\"2026-01-29T12:00:00Z\",\"to\":\"2026-02-10T00:00:00Z\"}")
            .body()
            .path("id")
            .asString();
    browser.laptop().go(demo.home + "/runs/" + run).see(".run-chart .phase");
    var said = java.util.regex.Pattern.compile("(\\d+) readings").matcher(browser.pageText());
    assertThat(said.find()).isTrue();
    int before = Integer.parseInt(said.group(1));
    String probe = keeper.get(bin).body().path("probes").path(0).path("id").asString();
    keeper.post(
        api + "/readings",
        "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"2026-01-30T15:39:30Z\",\"typed\":\"370\"}]}"
            .formatted(probe));
    browser.reads((before + 1) + " readings");
    keeper.delete(api + "/runs/" + run);
  }

  @Test
  public void whatWasReadIsDrawnWhileTheRunIsJudged() {
    String run = demo.id("Charged on the 23rd, then two dull days");
    demo.program
        .bean(org.jooq.DSLContext.class)
        .transaction(
            held -> {
              held.dsl().execute("LOCK TABLE judgement");
              browser.laptop().go(demo.home + "/runs/" + run).reads("Judging the run");
              browser.see(".run-chart .measured");
              assertThat(browser.pageText()).contains("middle").doesNotContain("whole store");
              browser.isAccessible();
            });
    browser.reads("Loses half its heat").reads("whole store");
  }

  @Test
  public void aRunOfFewReadingsIsJudgedWithItsDoubtDrawnAndTakenAway() {
    String bin = "/api/holdings/" + demo.home.substring(3) + "/stores/" + demo.id("Sand bin");
    String run =
        keeper
            .post(
                bin + "/runs",
                "{\"name\":\"Too short\",\"from\":\"2026-01-20T12:00:00Z\",\"to\":\"2026-01-20T13:00:00Z\"}")
            .body()
            .path("id")
            .asString();
    browser
        .laptop()
        .go(demo.home + "/runs/" + run)
        .reads("readings tell this")
        .reads("half of it gone in");
    browser.see(".run-chart .measured");
    browser.isAccessible();
    browser.click("Name it, part it").click("Take the run away").reads("Sand bin");
    assertThat(keeper.get(bin + "/runs").body().toString()).doesNotContain("Too short");
  }

  @Test
  public void theHoldingGoesOutAndIsNotTakenInTwice() throws IOException {
    browser.laptop().go(demo.home + "/people").see("table.ledger td");
    Path file = Files.createTempFile("nightbank-test", ".json");
    Files.writeString(file, "{\"format\":\"nightbank-holding\",\"version\":7}");
    browser.see("#file-h");
    browser
        .driver
        .findElement(org.openqa.selenium.By.cssSelector("#bring"))
        .sendKeys(file.toString());
    browser.reads("another version");
    Files.delete(file);
  }

  @Test // its name puts it last: every store's days are judged first
  public void whatTheNightsSayOfTheHouseIsReckonedWith() {
    browser.laptop().go(demo.home + "/record/nights").see(".wall");
    new org.openqa.selenium.support.ui.WebDriverWait(
            browser.driver,
            java.time.Duration.ofSeconds(120)) // every store's days are judged first
        .until(d -> !d.findElements(org.openqa.selenium.By.cssSelector(".scale")).isEmpty());
    browser.reads("times as fast as on its other nights").reads("Without the stores");
    browser.see(".wall .lift");
    browser.click("Reckon coming nights with this").reads("what 20 nights taught");
    browser.go(demo.home + "/tonight").reads("as 20 of its nights taught");
    browser.phone().go(demo.home + "/record/nights").see(".scale");
    browser.isAccessible();
    browser.click("Reckon with the description again").reads("Reckon coming nights with this");
    browser.laptop();
  }

  @Test
  public void aLoopsTwoThermometersSayWhatItCarriesOff() {
    String api = "/api/holdings/" + demo.home.substring(3);
    String heap = demo.id("Heap, north wall");
    String rows = "";
    for (var p : keeper.get(api + "/stores/" + heap).body().path("probes")) {
      double celsius = p.path("kind").asString().equals("INLET") ? 25 : 28;
      for (int m = 10; m < 40 && p.path("name").asString().startsWith("loop"); m++) {
        rows +=
            (rows.isEmpty() ? "" : ",")
                + "{\"probeId\":\"%s\",\"at\":\"2026-01-30T15:%d:00Z\",\"typed\":\"%.1f\"}"
                    .formatted(p.path("id").asString(), m, celsius + m % 3 * 0.1);
      }
    }
    keeper.post(api + "/readings", "{\"fahrenheit\":false,\"readings\":[" + rows + "]}");
    browser.laptop().go(demo.home + "/stores/" + heap).reads("Its loop carries off 627 W");
    browser.click("After the feeding of the 22nd").see(".lane .drawing");
    browser.reads("What its loop did").reads("made by itself");
    browser.isAccessible();
    browser.phone().see(".lane .drawing");
    browser.laptop();
  }

  @Test
  public void allTablesOfAPageGoOutAtOnce() throws IOException {
    browser.laptop().go(demo.home + "/stores/" + demo.id("Sand bin") + "/build").see("table");
    assertThat(handedOut("as CSV", "build.csv")).contains("To get").contains("What it stands");
  }
}
