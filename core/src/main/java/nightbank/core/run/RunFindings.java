package nightbank.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nightbank.core.run.JudgedRun.CoolDown;
import nightbank.core.run.JudgedRun.Finding;
import nightbank.core.run.JudgedRun.Ledger;
import nightbank.core.run.JudgedRun.Peak;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.StoreState;

/** What there is to say of a run, collected before it is told. */
final class RunFindings {
  private static final double BARE = 5; // W/(m² K), about a film of air alone
  private static final double MENTIONED = 1e5; // J, a loop's smallest heat worth a sentence

  private final RunRecord run;
  private final List<Finding> all = new ArrayList<>();

  RunFindings(RunRecord run) {
    this.run = run;
  }

  List<Finding> all() {
    return List.copyOf(all);
  }

  void say(Finding.Code code, double value, double halfWidth, String detail) {
    all.add(new Finding(code, value, halfWidth, detail));
  }

  void loop(JudgedLoop loop) {
    if (loop.charged() > Math.max(MENTIONED, loop.chargedHalf())) {
      say(Finding.Code.LOOP_CHARGED, loop.charged(), loop.chargedHalf(), "");
    }
    if (loop.drawn() > Math.max(MENTIONED, loop.drawnHalf())) {
      say(Finding.Code.LOOP_DREW, loop.drawn(), loop.drawnHalf(), "");
    }
    loop.lastTurn()
        .ifPresent(t -> say(Finding.Code.LOOP_TURNED, t.at(), t.halfWidth(), t.to().name()));
  }

  void coolDown(CoolDown c, Map<FaceName, Double> shares) {
    double half = c.fit().halfLifeSeconds();
    double wide = half * (c.fit().high() / c.fit().low() - 1) / 2;
    say(Finding.Code.HALF_LIFE, half, wide, "");
    FaceName main = FaceName.SIDE;
    FaceName worst = FaceName.SIDE;
    for (FaceName name : FaceName.values()) {
      main = shares.get(name) > shares.get(main) ? name : main;
      worst = perArea(shares, name) > perArea(shares, worst) ? name : worst;
    }
    say(Finding.Code.MAIN_FACE, shares.get(main), 0, main + cover(main));
    if (worst != main && perArea(shares, worst) > 1.5 * perArea(shares, main)) {
      double times = perArea(shares, worst) / perArea(shares, main);
      say(Finding.Code.WORST_FACE, times, 0, worst + cover(worst));
    }
  }

  void peak(Peak peak) {
    say(Finding.Code.PEAK, peak.meanCelsius(), peak.halfWidth(), peak.fromFit() ? "FIT" : "SEEN");
  }

  void charge(boolean labelled, StoreCalibration.Calibrated fit, Ledger ledger) {
    if (ledger.charged() <= 0 && !run.makesHeat()) {
      say(Finding.Code.NO_CHARGE_SEEN, 0, 0, "");
    } else if (labelled && !run.makesHeat()) {
      say(Finding.Code.EFFICIENCY, ledger.efficiency(), 0.05, "");
    }
    double powerLog = fit.logFactors()[0];
    if (labelled && Math.abs(powerLog) > 0.08) {
      say(Finding.Code.POWER_DIFFERS, Math.exp(powerLog), 0, "");
    }
    if (!run.makesHeat()) {
      faces(fit, 2, "SIDE");
      faces(fit, 3, "ENDS");
    }
  }

  private void faces(StoreCalibration.Calibrated fit, int factor, String which) {
    double log = fit.logFactors()[factor];
    double half = 2 * Math.sqrt(fit.covariance().getEntry(factor, factor));
    if (Math.abs(log) > Math.max(0.2, half)) {
      say(Finding.Code.FACES_DIFFER, Math.exp(log), half, which);
    }
  }

  void hottest(StoreState[] states) {
    double hottest = 0;
    for (StoreState state : states) {
      hottest = Math.max(hottest, state.highestCelsius());
    }
    double stands = run.store().medium().highestCelsius().value();
    if (hottest > stands) {
      say(Finding.Code.TOO_HOT, hottest, stands, "");
    }
  }

  private double perArea(Map<FaceName, Double> shares, FaceName name) {
    return shares.get(name) / run.store().faceArea(name);
  }

  private String cover(FaceName name) {
    Face face = run.store().face(name);
    boolean bare = face.layers().isEmpty() && !(face.fixedTransmittance() < BARE);
    boolean unknown = face.layers().isEmpty() && face.fixedTransmittance() == 0;
    return bare || unknown ? " BARE" : " COVERED";
  }
}
