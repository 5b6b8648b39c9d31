package nightbank.browser;

/** A program that nobody keeps yet, begun through its first page. */
final class NewHolding {
  private NewHolding() {}

  /** The path of a holding of one's own in a time zone. */
  static String begun(Browser browser, String setupCode, String zone) {
    browser
        .go("/")
        .reads("Nobody keeps this Night Bank yet")
        .type("Setup code", setupCode)
        .type("Name to sign in with", "brid")
        .type("Password", "three plain words")
        .type("What it is called", "Thornhow")
        .type("Latitude", "54.5")
        .type("Longitude", "-2")
        .type("Time zone", zone);
    browser.see("button[type=submit]").click();
    browser.reads("Night Bank must know the house first");
    return browser
        .driver
        .getCurrentUrl()
        .replaceFirst("/tonight.*", "")
        .replaceFirst("^.*?/h/", "/h/");
  }
}
