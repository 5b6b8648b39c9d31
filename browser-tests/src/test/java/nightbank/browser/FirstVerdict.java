package nightbank.browser;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.openqa.selenium.remote.RemoteWebDriver;

/**
 * How long from the address to the verdict of tonight, and how far the page shifts meanwhile, on a
 * running demo: on the laptop, and at 390 px behind a slow mobile network with a processor of a
 * quarter of the speed; with nothing kept in the browser, and after a visit. Five times each.
 *
 * <p>Arguments: address, path of the view.
 */
public final class FirstVerdict {
  private static final int TIMES = 5;
  private static final String WATCH =
      """
      window.shift = 0;
      performance.setResourceTimingBufferSize(5000);
      new PerformanceObserver((l) => {
        for (const e of l.getEntries()) if (!e.hadRecentInput) window.shift += e.value;
      }).observe({ type: 'layout-shift', buffered: true });
      new MutationObserver((_, o) => {
        if (!document.querySelector('h1.headline')) return;
        o.disconnect();
        requestAnimationFrame(() => (window.verdict = performance.now()));
      }).observe(document, { childList: true, subtree: true });
      """;

  private FirstVerdict() {}

  public static void main(String[] args) {
    try (Browser browser = new Browser(args[0])) {
      browser.signIn("keeper", "quernstone croft");
      browser.go(args[1]).see("h1.headline");
      browser.driver.executeCdpCommand(
          "Page.addScriptToEvaluateOnNewDocument", Map.of("source", WATCH));
      measure("laptop, nothing kept", browser, args, b -> forget(b, args[0]));
      measure("laptop, after a visit", browser, args, b -> {});
      browser.phone();
      slow(browser.driver);
      measure("phone on a slow network, nothing kept", browser, args, b -> forget(b, args[0]));
      measure("phone on a slow network, after a visit", browser, args, b -> {});
    }
  }

  /** 150 ms there and back, 1.6 Mbit/s down, 0.75 up, a quarter of the processor. */
  private static void slow(RemoteWebDriver driver) {
    var cdp = (org.openqa.selenium.chromium.HasCdp) driver;
    cdp.executeCdpCommand("Network.enable", Map.of());
    cdp.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of(
            "offline",
            false,
            "latency",
            150,
            "downloadThroughput",
            1.6e6 / 8,
            "uploadThroughput",
            0.75e6 / 8));
    cdp.executeCdpCommand("Emulation.setCPUThrottlingRate", Map.of("rate", 4));
  }

  /** All but who is signed in. */
  private static void forget(Browser browser, String address) {
    browser.go("/mark.svg");
    browser.driver.executeCdpCommand("Network.clearBrowserCache", Map.of());
    browser.driver.executeCdpCommand(
        "Storage.clearDataForOrigin",
        Map.of(
            "origin",
            address,
            "storageTypes",
            "cache_storage,service_workers,indexeddb,local_storage"));
  }

  private static void measure(
      String what, Browser browser, String[] args, Consumer<Browser> before) {
    List<Double> times = new ArrayList<>();
    List<Double> shifts = new ArrayList<>();
    for (int i = 0; i < TIMES; i++) {
      before.accept(browser);
      browser.go(args[1]);
      browser.until("a verdict", () -> number(browser, "verdict") > 0);
      browser.reads("likely to hold");
      times.add(number(browser, "verdict"));
      browser.until("the days' advice too", () -> askedAhead(browser) >= 2);
      shifts.add(number(browser, "shift"));
    }
    double[] t = times.stream().mapToDouble(x -> x).sorted().toArray();
    double[] s = shifts.stream().mapToDouble(x -> x).sorted().toArray();
    System.out.printf(
        "%s: verdict after %.0f ms (median; %.0f to %.0f), shift %.3f (most %.3f)%n",
        what, t[TIMES / 2], t[0], t[TIMES - 1], s[TIMES / 2], Arrays.stream(s).max().orElseThrow());
  }

  /** So that nothing else is worked on beside the next. */
  private static long askedAhead(Browser browser) {
    return (Long)
        browser.driver.executeScript(
            "return performance.getEntriesByType('resource')"
                + ".filter(r => r.name.endsWith('/nights-ahead')).length");
  }

  private static double number(Browser browser, String name) {
    Object n = browser.driver.executeScript("return window." + name + " ?? 0");
    return ((Number) n).doubleValue();
  }
}
