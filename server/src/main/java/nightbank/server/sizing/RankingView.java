package nightbank.server.sizing;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.UUID;
import nightbank.core.retrofit.Retrofit;
import nightbank.core.sizing.Pack;
import org.jspecify.annotations.Nullable;

/**
 * Changes to a place, ranked over a winter; a job and what it has found.
 *
 * @param state RUNNING, DONE, STOPPED or FAILED
 * @param fromFile whether the winter is the holding's own weather file's
 * @param changes all that were tried, by id
 * @param base the place as it is, absent while it runs
 * @param singles best first
 * @param pairs that help each other, best first
 * @param path in sensible order
 * @param untried pairs that were not looked at
 */
@RecordBuilder
public record RankingView(
    UUID id,
    UUID houseId,
    String state,
    int done,
    int of,
    boolean fromFile,
    int nights,
    String currency,
    double hourWorth,
    List<RetrofitView> changes,
    @Nullable BaseView base,
    List<TriedView> singles,
    List<TriedView> pairs,
    List<StepView> path,
    int untried) {

  RankingView as(UUID job, String now) {
    return RankingViewBuilder.builder(this).id(job).state(now).build();
  }

  /** A mean over several winters and draws, and the range of them. */
  public record Told(double middle, double low, double high) {}

  /**
   * Something that can be changed.
   *
   * @param of the store or part that it is made to, absent for the house
   * @param amount metres, m², bodies, litres, W, kg or K, by its kind
   * @param money absent where a price is missing
   */
  public record RetrofitView(
      String id,
      Retrofit.Kind kind,
      @Nullable UUID of,
      String name,
      double amount,
      List<NeedView> needs,
      double hours,
      @Nullable Double money) {}

  /** Something to buy, by its id among the prices. */
  public record NeedView(String price, double amount, Pack.Unit unit) {}

  /**
   * The place as it is.
   *
   * @param hardestKelvin of the coldest tenth of nights, over what must not get colder
   * @param cost of fuel and power, absent where a price is missing
   * @param bare nights that the house alone would lose
   * @param bought what would hold them all in the house alone
   */
  public record BaseView(
      Told lost,
      Told hardestKelvin,
      double woodKilograms,
      double electricJoules,
      @Nullable Double cost,
      Told bare,
      Told boughtJoules,
      List<BoughtView> bought) {}

  /**
   * Heat bought in for a whole winter.
   *
   * @param kilograms of fuel, 0 for mains
   * @param cost absent where its price is missing
   */
  public record BoughtView(String fuel, double kilograms, @Nullable Double cost) {}

  /**
   * One change or two.
   *
   * @param warmerKelvin in the coldest tenth of nights
   * @param clear whether all winters agree that it does something
   */
  @RecordBuilder
  public record TriedView(
      List<String> ids,
      Told saved,
      Told warmerKelvin,
      @Nullable Double money,
      double hours,
      double woodKilograms,
      double electricJoules,
      boolean clear) {}

  /**
   * One step of the path, with all before it.
   *
   * @param lost nights that are lost still
   */
  public record StepView(
      String id, Told lost, Told saved, Told warmerKelvin, @Nullable Double money, double hours) {}
}
