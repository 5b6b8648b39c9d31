package nightbank.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import nightbank.core.Reference;
import nightbank.core.evidence.ReadingSeries;
import nightbank.core.evidence.RunRecord;
import nightbank.core.fit.CoolDownFit;
import nightbank.core.medium.Medium;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.medium.Range;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import nightbank.core.store.model.StoreGrid;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.StoreState;
import nightbank.core.store.model.Surroundings;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The three logger files, judged by what a grower knows of the drum, against their truth. */
public class LoggerFilesTest {
  private static final double CAPACITY = 236.7 * 825;

  /** What the files' truth is made of: nothing in it goes with temperature. */
  private static final Medium FILL =
      new Medium(
          "fill",
          "Fill",
          Medium.Kind.SOLID,
          0,
          new Range(1500, 1550, 1600),
          new Range(800, 825, 850),
          Medium.HeatLaw.LINEAR,
          MediumCatalogue.medium("dry-sand").orElseThrow().conductivity(),
          800,
          "made up");

  public record Truth(
      String file,
      double side,
      double top,
      double foot,
      double joulesAtOff,
      int offMinutes,
      double lateDecayHours) {}

  static final Truth LIDDED =
      new Truth("wrapped-and-lidded.txt", 0.9, 0.9, 0.8, 8.918e6, 240, 48.0);
  public static final Truth BARE = new Truth("bare.csv", 9.5, 9.5, 3, 10.891e6, 300, 15.55);
  public static final Truth WRAPPED = new Truth("wrapped.csv", 0.9, 9.5, 0.8, 10.978e6, 300, 39.5);

  @DataProvider
  Object[][] files() {
    return new Object[][] {
      {BARE}, {WRAPPED}, {LIDDED},
    };
  }

  @DataProvider
  Iterator<Object[]> wrongDescriptions() {
    double[][] described = {
      {9.5, 9.5, 9.5}, {0.7, 9.5, 9.5}, {0.7, 9.5, 0.7}, {0.7, 0.7, 0.7}, {9.5, 0.7, 9.5}
    };
    return Stream.of(BARE, WRAPPED, LIDDED)
        .flatMap(truth -> Arrays.stream(described).map(faces -> new Object[] {truth, faces}))
        .iterator();
  }

  @Test(dataProvider = "wrongDescriptions")
  public void howeverADrumIsDescribedItsReadingsTellItsSideAndItsDecay(Truth is, double[] thought) {
    Truth told =
        new Truth(is.file, thought[0], thought[1], thought[2], 0, is.offMinutes, is.lateDecayHours);
    JudgedRun run = RunJudge.judge(record(told)).orElseThrow();
    assertThat(run.calibration().side().factor() * told.side)
        .isCloseTo(is.side, withinPercentage(12));
    CoolDownFit fit = run.coolDown().orElseThrow().fit();
    assertThat(fit.timeConstantSeconds() / 3600).isCloseTo(is.lateDecayHours, withinPercentage(7));
    assertThat(is.lateDecayHours).isBetween(fit.low() / 3600, fit.high() / 3600);
    assertThat(run.peak().halfWidth()).isLessThan(5);
  }

  @Test(dataProvider = "files")
  public void energyAndLossComeOutAsTheyWere(Truth truth) {
    RunRecord record = record(truth);
    JudgedRun run = RunJudge.judge(record).orElseThrow();
    double atOff = grossAt(run, truth.offMinutes + 120);
    assertThat(atOff)
        .as("energy two hours after heater-off")
        .isCloseTo(truth.joulesAtOff * keptOverTwoHours(record, truth), withinPercentage(6));
    if (!Double.isNaN(truth.lateDecayHours)) {
      assertThat(run.coolDown().orElseThrow().lossCoefficient())
          .isCloseTo(CAPACITY / (truth.lateDecayHours * 3600), withinPercentage(7));
    }
  }

  @Test
  public void trueMeansLieInTheirIntervals() {
    JudgedRun run = RunJudge.judge(record(WRAPPED)).orElseThrow();
    Map.of(300, 65.22, 1350, 48.74, 2400, 33.09)
        .forEach(
            (minutes, mean) -> {
              int i = moment(run, minutes);
              assertThat(run.mean()[i]).isCloseTo(mean, within(run.meanHalfWidth()[i]));
              assertThat(run.meanHalfWidth()[i]).isLessThan(4);
            });
  }

  @Test
  public void theUncoveredTopIsSeenInTheLedger() {
    JudgedRun run = RunJudge.judge(record(WRAPPED)).orElseThrow();
    var l = run.ledger();
    assertThat(l.delivered() + l.early() + l.lost() + l.change() + l.residual())
        .isCloseTo(l.charged(), within(1.0));
    assertThat(Math.abs(l.residual())).isLessThan(0.08 * l.charged());
    assertThat(l.efficiency()).isBetween(0.9, 1.1);
  }

  @Test
  public void withoutAirNoCoolDownIsJudged() {
    RunRecord r = record(BARE);
    RunRecord blind =
        new RunRecord(
            r.store(),
            r.probes(),
            new ReadingSeries("air", new long[0], new double[0]),
            5,
            620,
            10,
            false);
    JudgedRun run = RunJudge.judge(blind).orElseThrow();
    assertThat(run.coolDown()).isEmpty();
    assertThat(run.findings())
        .extracting(JudgedRun.Finding::code)
        .contains(JudgedRun.Finding.Code.AIR_UNKNOWN);
  }

  @Test
  public void aHandfulOfReadingsIsNoRun() {
    RunRecord r = record(BARE);
    List<ReadingSeries> few =
        r.probes().stream()
            .map(
                s ->
                    new ReadingSeries(
                        s.channel(),
                        Arrays.copyOf(s.epochSeconds(), 4),
                        Arrays.copyOf(s.celsius(), 4)))
            .toList();
    assertThat(RunJudge.judge(new RunRecord(r.store(), few, r.air(), 5, 620, 10, false))).isEmpty();
  }

  private static int moment(JudgedRun run, int minutes) {
    return Arrays.binarySearch(run.at(), run.at()[0] + minutes * 60L);
  }

  private static double grossAt(JudgedRun run, int minutes) {
    return run.gross()[moment(run, minutes)];
  }

  /** What a drum with the true faces keeps of its heat from heater-off to two hours later. */
  private static double keptOverTwoHours(RunRecord record, Truth truth) {
    StoreGrid grid = StoreGrid.standard(record.store());
    StoreModel model =
        StoreModel.of(record.store(), StoreState.uniform(grid, record.store().floorCelsius()));
    double atOff = 0;
    for (int minute = 1; minute <= truth.offMinutes + 120; minute++) {
      model.step(60, Surroundings.of(5, 5), minute <= truth.offMinutes ? 620 : 0);
      atOff = minute == truth.offMinutes ? model.usableEnergy() : atOff;
    }
    return model.usableEnergy() / atOff;
  }

  public static RunRecord record(Truth truth) {
    List<ReadingSeries> series = read(truth.file);
    HeatStore store =
        new HeatStore(
            new Geometry.Cylinder(0.28, 0.62),
            1,
            FILL,
            Map.of(
                FaceName.SIDE, Face.measured(truth.side),
                FaceName.TOP, Face.measured(truth.top),
                FaceName.FOOT, Face.measured(truth.foot)),
            Place.inHouse(),
            series.get(0).celsius()[0],
            HeatedZone.rod(),
            List.of(
                new Probe("core", 0.05, 0.5),
                new Probe("half", 0.55, 0.5),
                new Probe("edge", 0.92, 0.5)));
    return new RunRecord(store, series.subList(0, 3), series.get(3), 5, 620, 10, false);
  }

  static List<ReadingSeries> read(String file) {
    boolean fahrenheit = file.endsWith(".txt");
    String separator = fahrenheit ? "\t" : file.startsWith("bare") ? "," : ";";
    List<String> rows =
        Reference.text("logs/" + file)
            .lines()
            .filter(line -> line.matches("^\\d.*") && !line.startsWith("#"))
            .toList();
    String[] names = {"core", "half", "edge", "air"};
    long[] at = new long[rows.size()];
    double[][] celsius = new double[4][rows.size()];
    for (int i = 0; i < rows.size(); i++) {
      String[] cells = rows.get(i).split(separator);
      int first = cells.length - 4;
      at[i] = time(cells, file);
      for (int k = 0; k < 4; k++) {
        double v = Double.parseDouble(cells[first + k].replace(',', '.'));
        celsius[k][i] = fahrenheit ? (v - 32) / 1.8 : v;
      }
    }
    List<ReadingSeries> series = new ArrayList<>();
    for (int k = 0; k < 4; k++) {
      series.add(new ReadingSeries(names[k], at, celsius[k]));
    }
    return series;
  }

  private static long time(String[] cells, String file) {
    if (file.startsWith("bare")) {
      return Instant.parse(cells[0]).getEpochSecond();
    }
    LocalDateTime local =
        file.endsWith(".txt")
            ? LocalDateTime.parse(
                cells[1], DateTimeFormatter.ofPattern("MM/dd/yyyy hh:mm:ss a", Locale.US))
            : LocalDateTime.parse(
                cells[0] + " " + cells[1], DateTimeFormatter.ofPattern("dd.MM.yyyy HH:mm"));
    return local.toEpochSecond(ZoneOffset.UTC);
  }
}
