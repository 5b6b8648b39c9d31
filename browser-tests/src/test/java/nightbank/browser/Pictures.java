package nightbank.browser;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.openqa.selenium.By;

/**
 * Takes the pictures of docs/screenshots from a running demo, or others asked for.
 *
 * <p>Arguments: address, folder, then any of {@code name=theme:laptop|phone|tall|tall-phone:path}.
 */
public final class Pictures {
  private static final Duration SEARCH = Duration.ofMinutes(3);

  private Pictures() {}

  public static void main(String[] args) throws Exception {
    Path folder = Path.of(args[1]);
    Files.createDirectories(folder);
    try (Browser browser = new Browser(args[0])) {
      browser.signIn("keeper", "quernstone croft");
      String home = browser.driver.getCurrentUrl().replaceAll(".*(/h/[^/]+)/.*", "$1");
      for (String wish : List.of(args).subList(2, args.length)) {
        String[] part = wish.split("[=:]", 4);
        browser.theme(part[1]);
        if (part[2].equals("phone")) {
          browser.phone();
        } else if (part[2].equals("tall-phone")) {
          browser.tallPhone();
        } else if (part[2].equals("tall")) {
          browser.tall();
        } else {
          browser.laptop();
        }
        String path = part[3].replace("@", home);
        boolean hand = path.startsWith("+"); // hands over the croft's sand bin's file there
        browser.go(hand ? path.substring(1) : path).see("main h1, main .head");
        if (hand) {
          Path file = Path.of(System.getProperty("croft", ".data/demo/croft"), "sand-bin.csv");
          browser
              .driver
              .findElement(By.cssSelector("input[type=file]"))
              .sendKeys(file.toAbsolutePath().toString());
          browser.reads("is this right?");
        }
        quiet(browser);
        browser.picture(folder.resolve(part[0] + ".png"));
      }
    }
  }

  /** Waits until nothing more is asked of the server and fonts are there. */
  private static void quiet(Browser browser) {
    browser.driver.manage().timeouts().scriptTimeout(SEARCH);
    browser.driver.executeAsyncScript(
        "const done = arguments[0]; let still = 0, before = -1;"
            + "const look = () => { const n = performance.getEntriesByType('resource').length;"
            + " still = n === before ? still + 1 : 0; before = n;"
            + " if (still > 8 && !document.body.innerText.includes(' …')) document.fonts.ready.then(() => done()); else setTimeout(look, 100) };"
            + " look()");
  }
}
