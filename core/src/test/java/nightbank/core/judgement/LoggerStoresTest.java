package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.evidence.SourceProfile;
import nightbank.core.evidence.TimeInterval;
import nightbank.core.fit.HandRecord;
import nightbank.core.fit.SparseCase;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Twenty-four wrongly described stores that a logger followed, against what they truly did. */
public class LoggerStoresTest {
  private final Map<String, List<double[]>> told = new TreeMap<>(); // low, value, high over truth
  private int cooled;
  private double meansInside;

  @BeforeClass
  void judge() {
    for (int i = 1; i <= 24; i++) {
      look(SparseCase.of("logger/g%02d".formatted(i)));
    }
    meansInside /= 24;
  }

  private void look(SparseCase c) {
    JudgedRun run = RunJudge.judge(record(c)).orElseThrow();
    JsonNode truth = c.truth();
    long ended = (long) SparseCase.seconds(truth.path("end_of_charge"));
    int end = nearest(run.at(), ended);
    int last = run.at().length - 1;
    energy("energy at the end", run, end, truth.path("energy_end_J").asDouble());
    energy("energy at the last", run, last, truth.path("energy_last_J").asDouble());
    run.coolDown()
        .ifPresent(
            d -> {
              cooled++;
              tell(
                  "time constant",
                  d.fit().low(),
                  d.fit().timeConstantSeconds(),
                  d.fit().high(),
                  truth.path("time_constant_s").asDouble());
              tell(
                  "loss",
                  d.lossLow(),
                  d.lossCoefficient(),
                  d.lossHigh(),
                  truth.path("ua_W_K").asDouble());
            });
    int inside = 0;
    int all = 0;
    for (JsonNode m : truth.path("mean_at_readings")) {
      int k = Arrays.binarySearch(run.at(), (long) SparseCase.seconds(m.path("at")));
      if (k >= 0) {
        all++;
        double off = Math.abs(run.mean()[k] - m.path("mean_C").asDouble());
        inside += off <= run.meanHalfWidth()[k] ? 1 : 0;
      }
    }
    meansInside += inside / (double) all;
  }

  private void energy(String what, JudgedRun run, int i, double truth) {
    double half = run.usableHalfWidth()[i];
    tell(what, run.usable()[i] - half, run.usable()[i], run.usable()[i] + half, truth);
  }

  private void tell(String what, double low, double value, double high, double truth) {
    told.computeIfAbsent(what, w -> new ArrayList<>())
        .add(new double[] {low / truth, value / truth, high / truth});
  }

  private static int nearest(long[] at, long moment) {
    int best = 0;
    for (int i = 0; i < at.length; i++) {
      best = Math.abs(at[i] - moment) < Math.abs(at[best] - moment) ? i : best;
    }
    return best;
  }

  /** Its hours as they were noted, its power by its label where it has one. */
  private static RunRecord record(SparseCase c) {
    HandRecord t = c.told();
    Map<Integer, List<HandRecord.Reading>> by = new TreeMap<>();
    for (HandRecord.Reading r : t.readings()) {
      int of = r.at() == HandRecord.At.AIR ? -1 : r.probe();
      by.computeIfAbsent(of, k -> new ArrayList<>()).add(r);
    }
    List<ReadingSeries> probes = new ArrayList<>();
    by.forEach(
        (probe, own) -> {
          if (probe >= 0) {
            probes.add(series(t.store().probes().get(probe).id(), own, c));
          }
        });
    boolean rated = t.charge().watts() > 0 && t.charge().spread() < 0.1;
    RunRecord run =
        new RunRecord(
            t.store(),
            probes,
            series("air", by.get(-1), c),
            t.around().ground(),
            rated ? t.charge().watts() / 0.97 : 0,
            10,
            false);
    if (t.charge().watts() == 0) {
      return run;
    }
    long zero = (long) c.zero();
    long[] at = probes.get(0).epochSeconds();
    SourceProfile hours =
        SourceProfile.ofHours(
            List.of(
                new TimeInterval(zero + (long) t.charge().from(), zero + (long) t.charge().to())),
            t.charge().watts(),
            at[0] - 3600,
            at[at.length - 1] + 3600);
    return run.withCourse(rated ? hours : new SourceProfile(hours.watts(), false, true, 0));
  }

  private static ReadingSeries series(String name, List<HandRecord.Reading> own, SparseCase c) {
    return new ReadingSeries(
        name,
        own.stream().mapToLong(r -> Math.round(r.seconds() + c.zero())).toArray(),
        own.stream().mapToDouble(HandRecord.Reading::celsius).toArray());
  }

  private long inside(String what) {
    return told.get(what).stream().filter(t -> t[0] <= 1 && t[2] >= 1).count();
  }

  private double median(String what, java.util.function.ToDoubleFunction<double[]> of) {
    double[] all = told.get(what).stream().mapToDouble(of).sorted().toArray();
    return all[all.length / 2];
  }

  @Test
  public void allAreGivenAnAnswer() {
    assertThat(told.get("energy at the end")).hasSize(24);
    assertThat(cooled).isGreaterThanOrEqualTo(23);
  }

  @Test
  public void intervalsHoldWhatTheStoresDid() {
    assertThat(inside("energy at the end")).isGreaterThanOrEqualTo(22);
    assertThat(inside("energy at the last")).isGreaterThanOrEqualTo(22);
    assertThat(inside("time constant")).isGreaterThanOrEqualTo(22);
    assertThat(inside("loss")).isGreaterThanOrEqualTo(21);
    assertThat(meansInside).isGreaterThan(0.87);
  }

  @Test
  public void theySaySomethingAndComeClose() {
    assertThat(median("energy at the end", t -> t[2] - t[0])).isLessThan(0.28);
    assertThat(median("loss", t -> t[2] - t[0])).isLessThan(0.28);
    assertThat(median("time constant", t -> Math.abs(t[1] - 1))).isLessThan(0.03);
    assertThat(median("energy at the end", t -> Math.abs(t[1] - 1))).isLessThan(0.05);
    assertThat(median("loss", t -> Math.abs(t[1] - 1))).isLessThan(0.05);
  }
}
