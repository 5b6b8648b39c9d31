package nightbank.server.broker;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import nightbank.core.system.Action;
import nightbank.core.system.Due;
import nightbank.server.night.DoingWords;
import nightbank.server.night.TonightQuestion;
import nightbank.server.night.TonightView;
import org.jspecify.annotations.Nullable;

/**
 * The advice of the hour for machines that switch: what should be on and until when. It switches
 * nothing itself.
 *
 * @param until it counts no longer than that
 * @param on what should be on now
 * @param next what comes then, in order
 */
record Advice(
    String house,
    Instant at,
    Instant until,
    String verdict,
    double coldestCelsius,
    double limitCelsius,
    Instant coldestAt,
    List<Deed> on,
    List<Deed> next,
    String note) {

  /**
   * One thing.
   *
   * @param of what it is done to, empty for the house
   * @param amount kg of wood, W, flames; absent for the usual
   */
  record Deed(
      Action.Kind kind,
      String of,
      Instant from,
      @Nullable Instant to,
      @Nullable Double amount,
      String words) {}

  private static final String NOTE = "Advice only: whoever switches answers for it.";

  static Advice of(String house, TonightView night, Instant now, Duration counts) {
    TonightView.AdviceView better = night.advice();
    List<TonightQuestion.Doing> plan =
        night.verdict().equals("HELD") || better == null ? night.actions() : better.actions();
    Due due =
        Due.of(plan.stream().map(d -> action(d, now)).toList(), 0, counts.toMillis() / 1000.0);
    return new Advice(
        house,
        now,
        at(now, due.untilSeconds()),
        night.verdict(),
        Math.round(night.coldestCelsius() * 10) / 10.0,
        night.plantLimitCelsius(),
        night.coldestAt(),
        due.on().stream().map(a -> deed(night, a, now)).toList(),
        due.next().stream().map(a -> deed(night, a, now)).toList(),
        NOTE);
  }

  private static Instant at(Instant now, double seconds) {
    return now.plusMillis(Math.round(seconds * 1000));
  }

  /** On a clock that begins now. */
  private static Action action(TonightQuestion.Doing d, Instant now) {
    double from = Duration.between(now, d.from()).toMillis() / 1000.0;
    double to = Duration.between(now, d.to()).toMillis() / 1000.0;
    return new Action(
        d.kind(),
        d.of() == null ? "" : d.of().toString(),
        from,
        Math.max(from, to),
        d.amount() == null ? Double.NaN : d.amount());
  }

  private static Deed deed(TonightView night, Action a, Instant now) {
    String of = DoingWords.name(night, a.of().isEmpty() ? null : UUID.fromString(a.of()));
    Double amount = Double.isNaN(a.amount()) ? null : a.amount();
    return new Deed(
        a.kind(),
        of,
        at(now, a.fromSeconds()),
        a.kind().lasts() ? at(now, a.toSeconds()) : null,
        amount,
        DoingWords.of(a.kind(), of, amount));
  }

  /** A name as a part of a topic. */
  static String topicPart(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s+#/]+", "-");
    return plain.isEmpty() ? "-" : plain;
  }
}
