package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.selenium.AxeBuilder;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.support.ui.WebDriverWait;

/** Headless Chromium with a profile of its own, looking at one running program. */
final class Browser implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(45);

  private final String address;
  private final Path profile;
  final ChromeDriver driver;

  Browser(String address) {
    this.address = address;
    try {
      profile = Files.createTempDirectory("nightbank-browser");
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    ChromeOptions options = options(profile);
    options.addArguments("--window-size=1280,800");
    ChromeDriverService service =
        new ChromeDriverService.Builder()
            .usingDriverExecutable(new File("/usr/bin/chromedriver"))
            .usingAnyFreePort()
            .build();
    driver = new ChromeDriver(service, options);
    laptop();
  }

  /** Chromium without a head, alone with its profile. */
  static ChromeOptions options(Path profile) {
    ChromeOptions options = new ChromeOptions();
    options.setBinary("/usr/bin/chromium");
    options.addArguments(
        "--headless",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--disable-dev-shm-usage",
        // a window that waits for its turn between tests goes on as if somebody looked at it
        "--disable-background-timer-throttling",
        "--disable-backgrounding-occluded-windows",
        "--disable-renderer-backgrounding",
        "--user-data-dir=" + profile);
    return options;
  }

  Browser laptop() {
    return size(1280, 800, false);
  }

  Browser phone() {
    return size(390, 844, true);
  }

  /** For what lies below the first look. */
  Browser tall() {
    return size(1280, 1700, false);
  }

  Browser tallPhone() {
    return size(390, 2000, true);
  }

  private Browser size(int width, int height, boolean phone) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", phone));
    return this;
  }

  /** The network as the page has it. */
  Browser signal(boolean there) {
    driver.executeCdpCommand("Network.enable", Map.of());
    driver.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of("offline", !there, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
    return this;
  }

  /** Colours that somebody has chosen for all programs. */
  Browser forcedColours(boolean on) {
    driver.executeCdpCommand(
        "Emulation.setEmulatedMedia",
        Map.of(
            "features", List.of(Map.of("name", "forced-colors", "value", on ? "active" : "none"))));
    return this;
  }

  Browser go(String path) {
    driver.get(address + path);
    return this;
  }

  /** What is drawn anew while it is looked at is looked at again. */
  private org.openqa.selenium.support.ui.FluentWait<org.openqa.selenium.WebDriver> patient() {
    return new WebDriverWait(driver, PATIENCE)
        .ignoring(org.openqa.selenium.StaleElementReferenceException.class);
  }

  /** The first element that matches, waited for. */
  WebElement see(String css) {
    return patient()
        .withMessage(() -> css + " on " + driver.getCurrentUrl() + ":\n" + pageText())
        .until(
            d ->
                d.findElements(By.cssSelector(css)).stream()
                    .filter(WebElement::isDisplayed)
                    .findFirst()
                    .orElse(null));
  }

  /** Waits until the first element that matches holds these words. */
  Browser firstReads(String css, String words) {
    patient()
        .withMessage(() -> "“" + words + "” first of " + css + " in:\n" + pageText())
        .until(d -> d.findElement(By.cssSelector(css)).getText().contains(words));
    return this;
  }

  /** Waits until something is so. */
  Browser until(String what, java.util.function.BooleanSupplier so) {
    patient().withMessage(() -> what + " in:\n" + pageText()).until(d -> so.getAsBoolean());
    return this;
  }

  /**
   * The smallest button, link or label with these words, waited for. The buttons that take changes
   * back tell what anything on the page is called: they are meant only by their own words.
   */
  WebElement named(String words) {
    String quoted = "\"" + words + "\"";
    boolean turns = words.contains("Undo") || words.contains("Redo");
    String path =
        "//*[self::button or self::a or self::label or self::summary or @role='button']"
            + "[contains(normalize-space(.), "
            + quoted
            + ") or contains(@aria-label, "
            + quoted
            + ")]"
            + (turns ? "" : "[not(ancestor::div[contains(@class, 'turns')])]");
    return patient()
        .withMessage(() -> words + " on " + driver.getCurrentUrl() + ":\n" + pageText())
        .until(
            d ->
                d.findElements(By.xpath(path)).stream()
                    .filter(WebElement::isDisplayed)
                    .findFirst()
                    .orElse(null));
  }

  /** Waits until the page's text holds these words. */
  Browser reads(String words) {
    new WebDriverWait(driver, PATIENCE)
        .withMessage(() -> "“" + words + "” in:\n" + pageText() + "\n" + traffic())
        .until(d -> pageText().contains(words));
    return this;
  }

  /** What the page has asked for of late, for whoever wonders why it stands still. */
  private Object traffic() {
    return driver.executeScript(
        "return document.visibilityState + ' at ' + Math.round(performance.now()) + ' ms: '"
            + " + performance.getEntriesByType('resource').slice(-15)"
            + ".map(e => e.name.slice(-50) + ' ' + Math.round(e.startTime) + '+' + Math.round(e.duration)"
            + " + ' ' + e.responseStatus).join('; ')");
  }

  /** Waits until the page itself, whatever could be taken back, holds these words no more. */
  Browser isGone(String words) {
    new WebDriverWait(driver, PATIENCE)
        .withMessage(() -> "still “" + words + "” in:\n" + pageText())
        .until(d -> !pageText().contains(words));
    return this;
  }

  Browser readsNoMore(String words) {
    new WebDriverWait(driver, PATIENCE)
        .withMessage(() -> "still “" + words + "” in:\n" + pageText())
        .until(d -> !pageText().contains(words));
    return this;
  }

  String pageText() {
    return driver.findElement(By.tagName("body")).getText();
  }

  /** What is typed into the field with this label. */
  String typedIn(String label) {
    return field(label).getDomProperty("value");
  }

  WebElement field(String label) {
    By labels = By.xpath("//label[starts-with(normalize-space(.), \"" + label + "\")]");
    WebElement l =
        new WebDriverWait(driver, PATIENCE)
            .withMessage(() -> "a field called " + label + " in:\n" + pageText())
            .until(
                d ->
                    d.findElements(labels).stream()
                        .filter(WebElement::isDisplayed)
                        .findFirst()
                        .orElse(null));
    return see("[id=\"" + l.getDomAttribute("for") + "\"]");
  }

  /** Waits until a field holds this. */
  Browser holds(String css, String text) {
    patient()
        .withMessage(() -> css + " holds " + see(css).getDomProperty("value") + ", not " + text)
        .until(d -> text.equals(d.findElement(By.cssSelector(css)).getDomProperty("value")));
    return this;
  }

  Browser type(String label, String text) {
    WebElement f = field(label);
    f.sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE);
    f.sendKeys(text, Keys.TAB);
    return this;
  }

  Browser click(String words) {
    patient()
        .until(
            d -> {
              WebElement it = named(words);
              driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", it);
              it.click();
              return true;
            });
    return this;
  }

  Browser press(CharSequence... keys) {
    driver.switchTo().activeElement().sendKeys(keys);
    return this;
  }

  Browser signIn(String login, String password) {
    go("/sign-in").type("Name", login).type("Password", password);
    see("button[type=submit]").click();
    see("header.top");
    return this;
  }

  Browser theme(String theme) {
    driver.executeScript(
        "localStorage.setItem('theme', arguments[0]);"
            + " document.documentElement.dataset.theme = arguments[0]",
        theme);
    return this;
  }

  /** Axe finds nothing, and nothing is wider than the window. */
  Browser isAccessible() {
    finds(
        new AxeBuilder().withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa")));
    Object wider =
        driver.executeScript(
            "return document.documentElement.scrollWidth - document.documentElement.clientWidth");
    assertThat((Long) wider).as("pixels wider than the window").isLessThanOrEqualTo(0);
    return this;
  }

  /** Axe finds no fault in the colours: all that another light can change on a page. */
  Browser isLegible() {
    finds(new AxeBuilder().withOnlyRules(List.of("color-contrast")));
    return this;
  }

  /** A finger meets whatever is touched, but for words within a sentence and what a drawing has. */
  Browser isTouchable() {
    Object small =
        driver.executeScript(
            """
            const all = 'button, summary, select, textarea, input, .btn, nav a, [role=tab]'
            return [...document.querySelectorAll(all)]
              .filter((e) => !e.closest('svg, dialog:not([open])') && !e.matches('.word, [type=file]'))
              .map((e) => ({
                e,
                r: (e.matches('[type=checkbox], [type=radio]') && e.labels?.[0]
                  ? e.labels[0] : e).getBoundingClientRect(),
              }))
              .filter(({ r }) => r.width > 1 && r.height > 1 && Math.min(r.width, r.height) < 47.5)
              .map(({ e, r }) => e.outerHTML.slice(0, 120) + ' ' + r.width + ' x ' + r.height)
            """);
    assertThat((List<?>) small).as(driver.getCurrentUrl()).isEmpty();
    return this;
  }

  /** What is written in drawings can be read: no letters under 9.5 px. */
  Browser isReadable() {
    Object small =
        driver.executeScript(
            """
            return [...document.querySelectorAll('main svg text')]
              .filter((t) => t.textContent.trim() && t.getBoundingClientRect().width)
              .map((t) => [t, t.getScreenCTM()])
              .map(([t, m]) => [t, parseFloat(getComputedStyle(t).fontSize) * Math.hypot(m.a, m.b)])
              .filter(([, px]) => px < 9.5)
              .map(([t, px]) => t.textContent.trim() + ' ' + px)
            """);
    assertThat((List<?>) small).as(driver.getCurrentUrl()).isEmpty();
    return this;
  }

  private void finds(AxeBuilder axe) {
    assertThat(
            axe.setLegacyMode().analyze(driver).getViolations().stream()
                .map(
                    r ->
                        r.getId()
                            + ": "
                            + r.getHelp()
                            + " "
                            + r.getNodes().stream().map(n -> n.getHtml()).limit(3).toList())
                .toList())
        .as(driver.getCurrentUrl())
        .isEmpty();
  }

  /** What the page complained of: nothing, refusals asked for aside. */
  List<String> complaints() {
    return driver.manage().logs().get("browser").getAll().stream()
        .map(e -> e.getMessage())
        .filter(m -> !m.contains("the server responded with a status of"))
        .toList();
  }

  /** Pages that the page prints on, A4. */
  int printedPages() {
    Object data =
        driver
            .executeCdpCommand("Page.printToPDF", Map.of("paperWidth", 8.27, "paperHeight", 11.69))
            .get("data");
    String pdf =
        new String(
            java.util.Base64.getDecoder().decode(String.valueOf(data)),
            java.nio.charset.StandardCharsets.ISO_8859_1);
    return (int)
        java.util.regex.Pattern.compile("/Type\\s*/Page[^s]").matcher(pdf).results().count();
  }

  Browser picture(Path file) {
    try {
      Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    return this;
  }

  @Override
  public void close() {
    driver.quit();
    try (var files = Files.walk(profile)) {
      files.sorted(java.util.Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
    } catch (IOException e) {
      System.err.println("the browser's folder stays: " + e.getMessage());
    }
  }
}
