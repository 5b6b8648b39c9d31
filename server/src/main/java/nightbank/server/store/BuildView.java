package nightbank.server.store;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import nightbank.core.sizing.BuildList;
import org.jspecify.annotations.Nullable;

/** A sheet to build a store by. */
@RecordBuilder
public record BuildView(
    String name,
    StoreDesign design,
    Appraisal appraisal,
    List<Item> items,
    List<Cut> cuts,
    List<BuildList.Step> steps,
    double slenderness,
    double tippingNewtons,
    int pallets,
    List<Limit> limits) {

  /**
   * Something to get.
   *
   * @param unit of the amount
   * @param packs absent when nobody says how it is sold
   * @param cost absent without a price
   */
  public record Item(
      String name,
      double amount,
      String unit,
      @Nullable String packName,
      @Nullable Integer packs,
      @Nullable Double cost) {}

  /** A piece to cut, for all bodies together. */
  public record Cut(
      String face,
      String what,
      int pieces,
      double lengthMetres,
      double widthMetres,
      double thicknessMetres,
      boolean round) {}

  /** What a part of it stands. */
  public record Limit(String what, double celsius) {}
}
