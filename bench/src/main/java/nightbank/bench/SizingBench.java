package nightbank.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import nightbank.core.forecast.NightForecast;
import nightbank.core.house.Floor;
import nightbank.core.house.Greenhouse;
import nightbank.core.house.InnerMass;
import nightbank.core.house.SkinPart;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.sizing.Candidate;
import nightbank.core.sizing.Prices;
import nightbank.core.sizing.Season;
import nightbank.core.sizing.Sized;
import nightbank.core.sizing.SizingSearch;
import nightbank.core.sizing.Winter;
import nightbank.core.store.Place;
import nightbank.core.system.PlantSystem;
import nightbank.core.system.SystemPlan;
import nightbank.core.weather.Weather;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Every candidate for one hard night, and one candidate's winter at seven sizes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
public class SizingBench {
  private final SystemPlan night = night();
  private final List<Candidate> candidates =
      Candidate.all(
          MediumCatalogue.media(),
          new double[] {0, 50, 100},
          new Candidate.Reach(55, 90),
          5,
          Place.onHouseFloor());

  private static SystemPlan night() {
    double length = 15 * 3600.0;
    Greenhouse house =
        Greenhouse.of(
                List.of(
                    SkinPart.of("roof", 31, 3.3).seeing(0.9),
                    SkinPart.of("front", 16, 3.3).seeing(0.45),
                    SkinPart.of("ends", 15, 3.3).seeing(0.45),
                    SkinPart.of("back", 27, 1.6).seeing(0)),
                69,
                1, 2).withMasses(List.of(new InnerMass(1.2e7, 400)))
            .withFloor(new Floor(28, 15, 0.8));
    return SystemPlan.of(
        PlantSystem.of(house, List.of()),
        Weather.typed(1, -9, 13 * 3600, 2, 0.3, length),
        7,
        7,
        7,
        length,
        600);
  }

  @Benchmark
  public List<Sized> everyCandidate() {
    return new SizingSearch(night, NightForecast.Doubt.ofTypedNight(), 60, 900, Prices.NONE)
        .run(candidates);
  }

  @Benchmark
  public List<Season.Point> winterOfACandidate() {
    Winter winter = Winter.between(-2, -11, 120, 1);
    return Season.of(
            Season.plan(night.system(), winter, 7, new double[0], new double[0], List.of()),
            candidates.get(0),
            0)
        .curve(List.of(0, 1, 2, 4, 8, 16, 32));
  }

  public static void main(String[] args) {
    System.out.println(new SizingBench().candidates.size() + " candidates");
  }
}
