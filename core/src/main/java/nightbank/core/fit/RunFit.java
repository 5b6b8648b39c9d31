package nightbank.core.fit;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.RunTimeline;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.store.HeatStore;

/**
 * A run's readings beside some air, the store's model fitted to them, and what came of it.
 *
 * @param line as fine as the readings
 * @param steps as fine as the fit
 * @param bent from the start bent the way in which its probes leave it open, in the fit's steps
 * @param places the fit at its probes {@link FitUncertainty#displaced displaced}
 * @param startDoubt standard deviation of the mean at the start, K
 * @param course of its source, as far as it goes with the readings
 * @param labelled whether the source's power is taken from its label
 */
@RecordBuilder
public record RunFit(
    RunTimeline line,
    RunTimeline steps,
    StoreCalibration.Calibrated fit,
    ForwardRun.SimulatedSeries track,
    CorrectedField field,
    ForwardRun.SimulatedSeries bent,
    ForwardRun.SimulatedSeries places,
    double startDoubt,
    Optional<SourceProfile> course,
    boolean labelled) {
  public static RunFit of(
      RunRecord run, HeatStore store, List<ReadingSeries> cleaned, ReadingSeries air) {
    RunTimeline read = RunTimeline.of(cleaned, air).withLidOff(run.lidOff());
    Optional<SourceProfile> course =
        run.course().filter(c -> c.greatest() > 0 && (!c.writtenDown() || read.isExplainedBy(c)));
    RunTimeline line = run.makesHeat() ? read.alwaysOn() : course.map(read::driven).orElse(read);
    boolean labelled = run.sourceWatts() > 0 && course.map(SourceProfile::rated).orElse(true);
    double ground = run.groundCelsius();
    double step = StoreCalibration.stepOf(line);
    RunTimeline steps = line.inStepsOf(step);
    ForwardRun replay = new ForwardRun(steps, store, ground, run.makesHeat(), step);
    ForwardRun sketch = ForwardRun.sketch(steps, store, ground, run.makesHeat());
    double watts =
        labelled
            ? run.sourceWatts()
            : run.makesHeat()
                ? SourceGuess.ofSteadyMass(replay, store)
                : course
                    .map(SourceProfile::greatest)
                    .orElseGet(() -> SourceGuess.ofCharges(line, store, ground));
    var fit = new StoreCalibration(steps, replay, sketch, store, watts, labelled).fit();
    var bent = CompletableFuture.supplyAsync(() -> replay.bentTrack(fit.store(), fit.watts()));
    HeatStore displaced = fit.store().withProbes(FitUncertainty.displaced(store.probes()));
    var places = CompletableFuture.supplyAsync(() -> replay.track(displaced, fit.watts()));
    var track =
        new ForwardRun(line, store, ground, run.makesHeat(), step)
            .track(fit.store(), fit.watts(), true);
    CorrectedField field = CorrectedField.of(line, track, fit.store());
    return RunFitBuilder.builder()
        .line(line)
        .steps(steps)
        .fit(fit)
        .track(track)
        .field(field)
        .bent(bent.join())
        .places(places.join())
        .startDoubt(replay.startDoubt())
        .course(course)
        .labelled(labelled)
        .build();
  }

  public FitUncertainty doubt(Optional<QuasiSteadyWindow> settled) {
    return FitUncertainty.of(steps, fit, bent, startDoubt, places, settled);
  }
}
