package nightbank.server.run;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.UUID;
import nightbank.core.judgement.JudgedLoop;

/**
 * What a stream did to a store. Moments are epoch seconds, heat J, power W into the store.
 *
 * @param wattsNow over the last quarter of an hour that was read; below zero it empties the store
 * @param turnedAt since when it goes the other way, absent when it never turned
 * @param stoodSince since when its pump stands, as it was logged; absent while it runs
 * @param emptying it is meant to charge and carries heat off
 */
@RecordBuilder
public record LoopView(
    UUID storeId,
    String storeName,
    long readAt,
    double wattsNow,
    JudgedLoop.Direction direction,
    Long turnedAt,
    Long turnedHalf,
    double charged,
    double chargedHalf,
    double drawn,
    double drawnHalf,
    Long stoodSince,
    boolean emptying,
    List<LoopSpell> spells) {

  /** A stretch of one direction. */
  public record LoopSpell(JudgedLoop.Direction direction, long from, long to, double joules) {}

  static LoopView of(UUID store, String name, boolean charges, JudgedLoop j) {
    var last = j.spells().get(j.spells().size() - 1);
    var turn = j.lastTurn();
    return LoopViewBuilder.builder()
        .storeId(store)
        .storeName(name)
        .readAt(j.at()[j.at().length - 1])
        .wattsNow(j.wattsNow())
        .direction(last.direction())
        .turnedAt(turn.map(JudgedLoop.Turn::at).orElse(null))
        .turnedHalf(turn.map(JudgedLoop.Turn::halfWidth).orElse(null))
        .charged(j.charged())
        .chargedHalf(j.chargedHalf())
        .drawn(j.drawn())
        .drawnHalf(j.drawnHalf())
        .stoodSince(j.stoodSince().isPresent() ? j.stoodSince().getAsLong() : null)
        .emptying(charges && last.direction() == JudgedLoop.Direction.DRAWING)
        .spells(
            j.spells().stream()
                .map(s -> new LoopSpell(s.direction(), s.from(), s.to(), s.joules()))
                .toList())
        .build();
  }
}
