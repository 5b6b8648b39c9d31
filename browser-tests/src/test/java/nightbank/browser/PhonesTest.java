package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nightbank.server.Program;
import nightbank.server.Visitor;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.remote.RemoteWebDriver;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * Two phones in the greenhouse: in a network of their own, by https with the root certificate
 * installed; they walk a round, lose the signal in the middle, go on and come back. Only where it
 * is asked for.
 */
public class PhonesTest {
  private static final Duration PATIENCE = Duration.ofMinutes(3);

  private HomeNetwork network;
  private Demo demo;
  private String address;
  private final List<Process> drivers = new ArrayList<>();
  private final List<Phone> phones = new ArrayList<>();

  /** One with its person. */
  private record Phone(RemoteWebDriver driver, String login) {
    void go(String address) {
      driver.get(address);
    }

    void reads(String words) {
      new WebDriverWait(driver, PATIENCE)
          .withMessage(() -> login + ": “" + words + "” in " + text())
          .until(d -> text().contains(words));
    }

    String text() {
      return (String) driver.executeScript("return document.body.innerText");
    }

    void type(String id, String text) {
      new WebDriverWait(driver, PATIENCE).until(d -> d.findElement(By.id(id)).isDisplayed());
      driver.findElement(By.id(id)).sendKeys(text);
    }

    /** Reads the next probe of the round by its keys. */
    void read(String number, String next) {
      for (String k : number.split("")) {
        touch(By.cssSelector(".pad button[aria-label='" + k + "']"));
      }
      touch(By.xpath("//button[normalize-space()='Next']"));
      reads(next);
    }

    private void touch(By what) {
      new WebDriverWait(driver, PATIENCE).until(d -> d.findElement(what).isDisplayed());
      driver.findElement(what).click();
    }
  }

  @BeforeClass
  public void join() throws Exception {
    if (System.getProperty("phones") == null) {
      throw new SkipException(
          "asked for by -DargLine=-Dphones=yes: it takes minutes and a network");
    }
    network = new HomeNetwork();
    Path tls = Files.createTempDirectory("nightbank-tls");
    HomeNetwork.must("bash", Program.root() + "/tools/home.sh", tls.toString());
    int port = freePort();
    demo =
        Demo.own(
            "--nightbank.home.port=" + port,
            "--nightbank.home.certificate=" + tls.resolve("home.crt"),
            "--nightbank.home.key=" + tls.resolve("home.key"),
            "--nightbank.home.root=" + tls.resolve("root.crt"));
    address = "https://" + network.address() + ":" + port;
    for (String login : List.of("keeper", "helper")) {
      phones.add(phone(login, tls.resolve("root.crt")));
    }
  }

  private Phone phone(String login, Path root) throws Exception {
    int port = freePort();
    Path home = HomeNetwork.trusting(root);
    ProcessBuilder command =
        network.command(
            "/usr/bin/chromedriver",
            "--port=" + port,
            "--allowed-ips=" + network.holder(),
            "--allowed-origins=*");
    command.environment().put("HOME", home.toString());
    command.redirectErrorStream(true).redirectOutput(home.resolve("driver.log").toFile());
    drivers.add(command.start());
    ChromeOptions options = Browser.options(home.resolve("profile"));
    Map<String, Object> look = new HashMap<>();
    look.put("deviceMetrics", Map.of("width", 390, "height", 844, "pixelRatio", 1.0));
    options.setExperimentalOption("mobileEmulation", look);
    URI there = URI.create("http://" + network.phones() + ":" + port);
    return new Phone(opened(there, options), login);
  }

  /** Once it answers. */
  private static RemoteWebDriver opened(URI there, ChromeOptions options) throws Exception {
    for (int i = 0; ; i++) {
      try (var line = new java.net.Socket()) {
        line.connect(new java.net.InetSocketAddress(there.getHost(), there.getPort()), 1000);
        return new RemoteWebDriver(there.toURL(), options);
      } catch (IOException e) {
        if (i == 100) {
          throw e;
        }
        java.util.concurrent.locks.LockSupport.parkNanos(100_000_000);
      }
    }
  }

  private static int freePort() throws IOException {
    try (ServerSocket s = new ServerSocket(0)) {
      return s.getLocalPort();
    }
  }

  @AfterClass(alwaysRun = true)
  public void leave() {
    phones.forEach(p -> p.driver().quit());
    drivers.forEach(Process::destroy);
    if (network != null) {
      network.close();
    }
  }

  @Test
  public void comeInByTrustedTlsAndKeepTheProgram() {
    for (Phone p : phones) {
      p.go(address + "/sign-in");
      p.type("login", p.login());
      p.type("password", "quernstone croft" + Keys.ENTER);
      p.reads("opens without signal");
      assertThat(
              p.driver()
                  .executeAsyncScript(
                      "navigator.serviceWorker.ready.then(r => arguments[0](r.active.state))"))
          .isIn("activated", "activating");
      assertThat(p.driver().executeScript("return isSecureContext")).isEqualTo(true);
    }
  }

  @Test(dependsOnMethods = "comeInByTrustedTlsAndKeepTheProgram")
  public void loseTheSignalInTheMiddleOfTheirRoundsAndNothingIsLostOrDoubled() {
    phones.forEach(p -> p.go(address + demo.home + "/round"));
    phones.forEach(p -> p.reads("1 of"));
    for (Phone p : phones) {
      p.read(p.login().equals("keeper") ? "31" : "41", "2 of");
      p.read(p.login().equals("keeper") ? "32" : "42", "3 of");
    }
    network.signal(false);
    for (Phone p : phones) {
      p.read(p.login().equals("keeper") ? "33" : "43", "4 of");
      p.go(address + demo.home + "/tonight");
      p.reads("The program cannot be reached");
      p.go(address + demo.home + "/round");
      p.reads("4 of");
      p.read(p.login().equals("keeper") ? "34" : "44", "5 of");
      p.reads("wait");
    }
    network.signal(true);
    for (Phone p : phones) {
      new WebDriverWait(p.driver(), PATIENCE)
          .withMessage(p::text)
          .until(d -> d.findElements(By.cssSelector("aside.waiting")).isEmpty());
    }
    assertThat(readBy("keeper")).containsExactly(31.0, 32.0, 33.0, 34.0);
    assertThat(readBy("helper")).containsExactly(41.0, 42.0, 43.0, 44.0);
  }

  /** What a person's newest round read, as the server has it. */
  private List<Double> readBy(String login) {
    Visitor v = new Visitor(demo.program);
    JsonNode me =
        v.post(
                "/api/session",
                "{\"login\":\"%s\",\"password\":\"quernstone croft\"}".formatted(login))
            .body();
    String name = me.path("person").path("name").asString();
    for (JsonNode r : v.get("/api/holdings/" + demo.home.substring(3) + "/rounds?most=50").body()) {
      if (r.path("by").asString().equals(name)) {
        List<Double> read = new ArrayList<>();
        r.path("entries").forEach(e -> read.add(e.path("celsius").asDouble()));
        return read;
      }
    }
    return List.of();
  }
}
