package nightbank.core.judgement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.fit.StoreCalibration;
import nightbank.core.fit.StoreFactor;
import nightbank.core.judgement.JudgedRun.CoolDown;
import nightbank.core.judgement.JudgedRun.Finding;
import nightbank.core.judgement.JudgedRun.Ledger;
import nightbank.core.judgement.JudgedRun.Peak;
import nightbank.core.medium.Medium;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.model.StoreState;

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

  void coolDown(CoolDown c, Map<FaceName, Double> shares, boolean lidOff) {
    double half = c.fit().halfLifeSeconds();
    double wide = half * (c.fit().high() / c.fit().low() - 1) / 2;
    say(Finding.Code.HALF_LIFE, half, wide, "");
    FaceName main = FaceName.SIDE;
    FaceName worst = FaceName.SIDE;
    for (FaceName name : FaceName.values()) {
      main =
          Objects.requireNonNull(shares.get(name)) > Objects.requireNonNull(shares.get(main))
              ? name
              : main;
      worst = perArea(shares, name) > perArea(shares, worst) ? name : worst;
    }
    say(
        Finding.Code.MAIN_FACE,
        Objects.requireNonNull(shares.get(main)),
        0,
        main + cover(main, lidOff));
    if (worst != main && perArea(shares, worst) > 1.5 * perArea(shares, main)) {
      double times = perArea(shares, worst) / perArea(shares, main);
      say(Finding.Code.WORST_FACE, times, 0, worst + cover(worst, lidOff));
    }
  }

  /**
   * For how long the lid was off.
   *
   * @param cooledWithout whether the cool-down was one without it; absent without a cool-down
   */
  void lid(RunTimeline line, Optional<Boolean> cooledWithout) {
    double seconds = 0;
    for (int i = 1; i < line.at().length; i++) {
      seconds += line.bare()[i] * (line.at()[i] - line.at()[i - 1]);
    }
    if (seconds > 0) {
      say(Finding.Code.LID_OFF, seconds, 0, cooledWithout.map(w -> w ? "OFF" : "ON").orElse(""));
    }
  }

  void peak(Peak peak) {
    say(Finding.Code.PEAK, peak.meanCelsius(), peak.halfWidth(), peak.fromFit() ? "FIT" : "SEEN");
  }

  /**
   * What went in, and where the readings differ from the design.
   *
   * @param cools whether its faces can be told at all: not without its air, nor of a heap
   */
  void charge(boolean labelled, StoreCalibration.Calibrated fit, Ledger ledger, boolean cools) {
    if (ledger.charged() <= 0 && !run.makesHeat()) {
      say(Finding.Code.NO_CHARGE_SEEN, 0, 0, "");
    } else if (labelled && !run.makesHeat()) {
      say(Finding.Code.EFFICIENCY, ledger.efficiency(), 0.05, "");
    }
    for (StoreFactor f : StoreFactor.values()) {
      if (fit.atBound(f)) {
        say(Finding.Code.CONTRADICTED, Double.NaN, 0, f.name());
      }
    }
    double powerLog = fit.log(StoreFactor.POWER);
    if (labelled && !fit.atBound(StoreFactor.POWER) && Math.abs(powerLog) > 0.08) {
      say(Finding.Code.POWER_DIFFERS, Math.exp(powerLog), 0, "");
    }
    if (cools) {
      faces(fit, StoreFactor.SIDE);
      faces(fit, StoreFactor.ENDS);
    }
  }

  /** Which share of a logged fire the mass took up; as sure as the fit and as the fill is known. */
  void fire(double fuelJoules, StoreCalibration.Calibrated fit, Ledger ledger) {
    if (fuelJoules > 0) {
      double share = ledger.charged() / fuelJoules;
      double doubt = Math.hypot(fit.half(StoreFactor.POWER), 2 * capacitySpread());
      say(Finding.Code.FIRE_TO_STORE, share, share * doubt, "");
    }
  }

  private double capacitySpread() {
    Medium fill = run.store().medium();
    return Math.hypot(fill.density().relativeSpread(), fill.specificHeat().relativeSpread());
  }

  private void faces(StoreCalibration.Calibrated fit, StoreFactor which) {
    double log = fit.log(which);
    double half = fit.half(which);
    if (fit.atBound(which)) {
      return;
    }
    if (Math.abs(log) > Math.max(0.2, half)) {
      say(Finding.Code.FACES_DIFFER, Math.exp(log), half, which.name());
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
    return Objects.requireNonNull(shares.get(name)) / run.store().faceArea(name);
  }

  private String cover(FaceName name, boolean lidOff) {
    Face face = lidOff && name == FaceName.TOP ? Face.bare() : run.store().face(name);
    boolean bare = face.layers().isEmpty() && !(face.fixedTransmittance() < BARE);
    boolean unknown = face.layers().isEmpty() && face.fixedTransmittance() == 0;
    return bare || unknown ? " BARE" : " COVERED";
  }
}
