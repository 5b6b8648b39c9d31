package nightbank.browser;

/** Every view: its name, its address and what is there once it is. */
final class Views {
  private Views() {}

  static String[][] of(Demo demo) {
    return new String[][] {
      {"tonight", demo.home + "/tonight", "h1.headline"},
      {"stores", demo.home + "/stores", ".picture svg"},
      {"store", demo.home + "/stores/" + demo.id("Sand bin"), ".cut-away .probe"},
      {"water", demo.home + "/stores/" + demo.id("Water columns"), ".cut-away .probe"},
      {"file", demo.home + "/stores/" + demo.id("Sand bin") + "/file", ".drop"},
      {"run", demo.home + "/runs/" + demo.id("The first warm-up"), ".run-chart .phase"},
      {"house", demo.home + "/houses/" + demo.id("Lean-to"), ".heat-arrow"},
      {"new house", demo.home + "/houses/new", "form"},
      {"words", demo.home + "/words", "dl dd"},
      {"place", demo.home + "/people", "table.ledger td"},
      {"charge", demo.home + "/stores/" + demo.id("Sand bin") + "?charge=yes", ".curve .mean"},
      {"heap", demo.home + "/stores/" + demo.id("Heap, north wall"), ".cut-away .pipe"},
      {"sizing", demo.home + "/sizing", ".curve .line"},
      {"pairs", demo.home + "/pairs", ".two .plants"},
      {"build", demo.home + "/stores/" + demo.id("Sand bin") + "/build", ".sheet ol li"},
      {"book", demo.home + "/book", ".prices td"},
      {"upkeep", demo.home + "/upkeep", ".pile .stack"},
      {"log", demo.home + "/log", ".touches"},
      {"round", demo.home + "/round", ".pad"},
      {"alarms", demo.home + "/alarms", ".band"},
      {"health", demo.home + "/health", "table.ledger td"},
      {"loggers", demo.home + "/loggers", "form"},
      {"nights", demo.home + "/record/nights", ".wall .lost"},
      {"winter", demo.home + "/record/winter", ".wall .lost"},
      {"trials", demo.home + "/record/trials", "form .run"},
      {
        "trial", demo.home + "/record/trials/" + demo.id("A fortnight of drying"), ".overlay .curve"
      },
    };
  }
}
