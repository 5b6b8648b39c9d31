package nightbank.browser;

import java.util.List;

/**
 * How long from a hand's move on the night strip until the picture shows it, on a running demo.
 * Prints the median and the 95th percentile of fifty moves, as the browser sees them.
 *
 * <p>Argument: address.
 */
public final class HandToPicture {
  private static final String MOVE =
      """
      const done = arguments[0];
      const air = () => document.querySelector('path.air').getAttribute('d');
      const times = [];
      let n = 0;
      const move = () => {
        const handle = document.querySelector("[aria-label='Fire, stone bench: begins']");
        const before = air();
        const at = performance.now();
        handle.dispatchEvent(new KeyboardEvent('keydown',
            {key: n % 2 ? 'ArrowLeft' : 'ArrowRight', bubbles: true}));
        const look = () => {
          if (air() !== before) {
            times.push(performance.now() - at);
            if (++n === 50) done(times); else setTimeout(move, 900);
          } else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
      };
      move();
      """;

  private HandToPicture() {}

  public static void main(String[] args) {
    try (Browser browser = new Browser(args[0])) {
      browser.signIn("keeper", "quernstone croft");
      browser.reads("Fire, stone bench");
      browser.click("Fire, stone bench: plan");
      browser.reads("6 kg").reads("likely to hold");
      browser.driver.manage().timeouts().scriptTimeout(java.time.Duration.ofMinutes(2));
      @SuppressWarnings("unchecked")
      List<Number> times = (List<Number>) browser.driver.executeAsyncScript(MOVE);
      double[] sorted = times.stream().mapToDouble(Number::doubleValue).sorted().toArray();
      System.out.printf(
          "hand to picture: median %.0f ms, p95 %.0f ms, longest %.0f ms of %d moves%n",
          sorted[sorted.length / 2],
          sorted[(int) (sorted.length * 0.95)],
          sorted[sorted.length - 1],
          sorted.length);
    }
  }
}
