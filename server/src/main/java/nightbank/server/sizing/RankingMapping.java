package nightbank.server.sizing;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import nightbank.core.retrofit.Ranking;
import nightbank.core.retrofit.Retrofit;
import nightbank.core.source.FireLoad;
import nightbank.core.source.Fuel;
import nightbank.core.usual.Usual;
import nightbank.server.book.Materials;
import org.jspecify.annotations.Nullable;

/** A ranking as a view. */
record RankingMapping(
    UUID house,
    Map<String, String> names,
    Materials book,
    boolean fromFile,
    int nights,
    double hourWorth) {
  private static final List<String> BOUGHT = List.of("bottled-gas", "paraffin");

  RankingView begun(UUID id) {
    return going(id, 0, 1);
  }

  RankingView going(UUID id, int done, int of) {
    return RankingViewBuilder.builder()
        .id(id)
        .houseId(house)
        .state("RUNNING")
        .done(done)
        .of(of)
        .fromFile(fromFile)
        .nights(nights)
        .currency(book.currency())
        .hourWorth(hourWorth)
        .changes(List.of())
        .base(null)
        .singles(List.of())
        .pairs(List.of())
        .path(List.of())
        .untried(0)
        .build();
  }

  RankingView done(UUID id, Ranking r) {
    return RankingViewBuilder.builder(going(id, 1, 1))
        .state("DONE")
        .changes(r.retrofits().stream().map(this::change).toList())
        .base(base(r.base()))
        .singles(r.singles().stream().map(RankingMapping::tried).toList())
        .pairs(r.pairs().stream().map(RankingMapping::tried).toList())
        .path(r.path().stream().map(RankingMapping::step).toList())
        .untried(r.untried())
        .build();
  }

  private RankingView.RetrofitView change(Retrofit r) {
    return new RankingView.RetrofitView(
        r.id(),
        r.kind(),
        r.of().isEmpty() ? null : UUID.fromString(r.of()),
        names.getOrDefault(r.of(), ""),
        r.amount(),
        r.needs().stream()
            .map(n -> new RankingView.NeedView(n.price(), n.amount(), n.unit()))
            .toList(),
        r.hours(),
        known(r.money(book.prices())));
  }

  private RankingView.BaseView base(Ranking.Base b) {
    double wood = wood(b.fuelJoules().middle());
    double power = b.electricJoules().middle();
    return new RankingView.BaseView(
        told(b.lost()),
        told(b.hardest()),
        wood,
        power,
        known(book.prices().running("firewood", wood, power)),
        told(b.bare()),
        told(b.boughtJoules()),
        bought(b.boughtJoules().middle()));
  }

  private List<RankingView.BoughtView> bought(double joules) {
    List<RankingView.BoughtView> all =
        new java.util.ArrayList<>(
            BOUGHT.stream()
                .flatMap(id -> Fuel.of(id).stream().map(f -> bought(id, f, joules)))
                .toList());
    all.add(
        new RankingView.BoughtView(
            "electricity", 0, known(book.prices().running("electricity", 0, joules))));
    return all;
  }

  private RankingView.BoughtView bought(String id, Fuel fuel, double joules) {
    double kilograms = joules / fuel.heatingValue().value();
    return new RankingView.BoughtView(
        id, kilograms, known(book.prices().running(id, kilograms, 0)));
  }

  /** Kilograms of what fires burn; other fuels run by themselves and are few. */
  private static double wood(double joules) {
    return joules / FireLoad.heatingValue(Usual.WOOD_MOISTURE.value());
  }

  private static RankingView.TriedView tried(Ranking.Tried t) {
    return RankingViewTriedViewBuilder.builder()
        .ids(t.ids())
        .saved(told(t.saved()))
        .warmerKelvin(told(t.warmer()))
        .money(known(t.money()))
        .hours(t.hours())
        .woodKilograms(wood(t.fuelJoules()))
        .electricJoules(t.electricJoules())
        .clear(t.clear())
        .build();
  }

  private static RankingView.StepView step(Ranking.Step s) {
    return new RankingView.StepView(
        s.id(), told(s.lost()), told(s.saved()), told(s.warmer()), known(s.money()), s.hours());
  }

  private static RankingView.Told told(Ranking.Told t) {
    return new RankingView.Told(t.middle(), t.low(), t.high());
  }

  private static @Nullable Double known(OptionalDouble v) {
    return v.isPresent() ? v.getAsDouble() : null;
  }
}
