package nightbank.server.run;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import nightbank.core.fit.HandFit;
import nightbank.core.judgement.HandJudge;
import nightbank.core.judgement.LoopCheck;
import org.jspecify.annotations.Nullable;

/**
 * What a run of few readings comes to; whatever they do not tell is as the design says, with its
 * doubt. J, s, W/K; every figure with its 95 % interval.
 *
 * @param best above the store's floor at the end of its charge, or when it was first read
 * @param last at the last reading
 * @param halfLife from then until half of what it held above its surroundings has left, absent
 *     where it is hardly warmer than they are
 * @param loss absent likewise
 * @param brought by what charged it, absent where no charge was told or seen
 * @param chargedFrom absent where no charge was told or seen
 * @param chargedTo absent likewise
 * @param hoursGuessed whether its hours were read off the readings
 * @param strain what would have to be far from what is described, absent where nothing is
 * @param next what to read to tell most more, absent where nothing would
 * @param means of the whole store at its readings, °C
 * @param loop what its loop brought beside what it took up, absent where none was read
 * @param changed absent where the store stayed the same through the run
 */
@RecordBuilder
public record FewView(
    int readings,
    Estimate best,
    Estimate last,
    @Nullable Estimate halfLife,
    @Nullable Estimate loss,
    @Nullable Estimate brought,
    @Nullable Instant chargedFrom,
    @Nullable Instant chargedTo,
    boolean hoursGuessed,
    HandFit.@Nullable Strain strain,
    @Nullable NextView next,
    List<MeanView> means,
    @Nullable LoopCheckView loop,
    @Nullable ChangedView changed) {

  /** A figure with its 95 % interval. */
  public record Estimate(double value, double low, double high) {}

  /** Epoch second and °C. */
  public record MeanView(long at, Estimate celsius) {}

  /**
   * A reading that would tell more of the half-life.
   *
   * @param afterSeconds since the end of the charge
   * @param before half a 95 % interval of the half-life as it is told, as a share of it
   * @param after the same with that reading
   */
  public record NextView(String probe, double afterSeconds, double before, double after) {}

  /**
   * A loop and its store.
   *
   * @param readings moments at which both of its thermometers were read
   * @param brought J by them
   * @param stored J that the store's own readings say
   * @param agree whether both can be right
   * @param astray the one moment without which they could, absent for none or several
   * @param flowTimes by what its flow would have to be another for both to be right
   */
  public record LoopCheckView(
      int readings,
      Estimate brought,
      Estimate stored,
      boolean agree,
      @Nullable Instant astray,
      double flowTimes) {}

  private static LoopCheckView loop(LoopCheck c) {
    double joules = c.loop().charged();
    double half = c.loop().chargedHalf();
    return new LoopCheckView(
        c.loop().at().length,
        new Estimate(joules, Math.max(0, joules - half), joules + half),
        estimate(c.stored()),
        c.agree(),
        c.astray().isPresent() ? Instant.ofEpochSecond(c.astray().getAsLong()) : null,
        c.flowTimes());
  }

  static FewView of(
      HandJudge.Judged j,
      Optional<HandJudge.Next> next,
      Map<String, String> names,
      @Nullable ChangedView changed) {
    HandFit.Answer a = j.answer();
    return FewViewBuilder.builder()
        .readings(j.readings())
        .best(estimate(a.atEnd()))
        .last(estimate(a.atLast()))
        .halfLife(estimate(a.halfLife()))
        .loss(estimate(a.loss()))
        .brought(estimate(a.brought()))
        .chargedFrom(j.charged() ? Instant.ofEpochSecond(j.from()) : null)
        .chargedTo(j.charged() ? Instant.ofEpochSecond(j.to()) : null)
        .hoursGuessed(j.guessed())
        .strain(a.strain().orElse(null))
        .next(
            next.map(
                    n ->
                        new NextView(
                            Objects.requireNonNull(names.get(n.channel())),
                            n.afterSeconds(),
                            n.before(),
                            n.after()))
                .orElse(null))
        .means(j.means().stream().map(m -> new MeanView(m.at(), estimate(m.celsius()))).toList())
        .loop(j.loop().map(FewView::loop).orElse(null))
        .changed(changed)
        .build();
  }

  private static Estimate estimate(HandFit.Estimate e) {
    return new Estimate(e.value(), e.low(), e.high());
  }

  private static @Nullable Estimate estimate(Optional<HandFit.Estimate> e) {
    return e.map(FewView::estimate).orElse(null);
  }
}
