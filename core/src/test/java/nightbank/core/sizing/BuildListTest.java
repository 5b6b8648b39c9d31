package nightbank.core.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import nightbank.core.caution.PartLimit;
import nightbank.core.medium.InsulationMaterial;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.FluidStream;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.StoreCircuit;
import org.testng.annotations.Test;

/** Bags, cuts, weight and cost by hand. */
public class BuildListTest {
  private static final InsulationMaterial WOOL =
      MediumCatalogue.insulation("stone-wool").orElseThrow();
  private static final InsulationMaterial BRICK =
      MediumCatalogue.insulation("clay-brick").orElseThrow();

  private static HeatStore bin() {
    return HeatStore.of(
            new Geometry.Box(1.2, 0.8, 0.6),
            MediumCatalogue.medium("dry-sand").orElseThrow(),
            Map.of(
                FaceName.SIDE,
                Face.of(new Layer.Bulk(BRICK, 0.1, false), new Layer.Bulk(WOOL, 0.05, false)),
                FaceName.TOP,
                Face.of(new Layer.Bulk(WOOL, 0.08, false))))
        .withPlace(Place.onHouseFloor());
  }

  private static final Prices PRICES =
      new Prices(
          Map.of(
              "dry-sand", new Pack("bag", 25, Pack.Unit.KILOGRAM, 3.5),
              "stone-wool", new Pack("roll", 4, Pack.Unit.SQUARE_METRE, 18)));

  @Test
  public void bagsAreRoundedUpAndPriced() {
    BuildList list = BuildList.of(bin(), List.of(), PRICES);
    var sand = list.items().get(0);
    assertThat(sand.amount()).isCloseTo(1.2 * 0.8 * 0.6 * 1550, within(1e-6));
    assertThat(sand.packs()).contains(36);
    assertThat(sand.cost().orElseThrow()).isCloseTo(126, within(1e-9));
    assertThat(list.pallets()).isEqualTo(1);
  }

  @Test
  public void piecesLieRoundEachOther() {
    List<BuildList.Cut> cuts = BuildList.of(bin(), List.of(), PRICES).cuts();
    assertThat(cuts)
        .anySatisfy(
            c -> {
              assertThat(c.what()).startsWith("Stone wool");
              assertThat(c.face()).isEqualTo(FaceName.SIDE);
              assertThat(c.pieces()).isEqualTo(2);
              assertThat(c.lengthMetres()).isCloseTo(1.2 + 0.2 + 0.1, within(1e-9));
              assertThat(c.widthMetres()).isCloseTo(0.68, within(1e-9));
            })
        .anySatisfy(
            c -> {
              assertThat(c.face()).isEqualTo(FaceName.TOP);
              assertThat(c.lengthMetres() * c.widthMetres()).isCloseTo(0.96, within(1e-9));
            });
  }

  @Test
  public void aRoundBodyIsWrappedOnceRoundAndHasDiscs() {
    HeatStore drum =
        bin()
            .withFaces(
                Map.of(
                    FaceName.SIDE, Face.of(new Layer.Bulk(WOOL, 0.1, false)),
                    FaceName.TOP, Face.of(new Layer.Bulk(WOOL, 0.1, false))));
    drum =
        new HeatStore(
            new Geometry.Cylinder(0.3, 0.9),
            3,
            drum.medium(),
            drum.faces(),
            drum.place(),
            5,
            drum.zone(),
            List.of());
    List<BuildList.Cut> cuts = BuildList.of(drum, List.of(), Prices.NONE).cuts();
    assertThat(cuts.get(0).lengthMetres()).isCloseTo(2 * Math.PI * 0.35, within(1e-9));
    assertThat(cuts.get(0).pieces()).isEqualTo(3);
    assertThat(cuts.get(1).round()).isTrue();
    assertThat(cuts.get(1).lengthMetres()).isCloseTo(0.6, within(1e-9));
  }

  @Test
  public void whatHasNoPriceIsCountedAsSuch() {
    BuildList list = BuildList.of(bin(), List.of(), PRICES);
    assertThat(list.unpriced()).isEqualTo(1);
    assertThat(BuildList.of(bin(), List.of(), Prices.NONE).unpriced()).isEqualTo(4);
    double wool = 2 * (1.5 + 1.0) * 0.68;
    assertThat(list.cost()).isCloseTo(126 + 18 * Math.ceil(wool / 4) + 18, within(1e-9));
  }

  @Test
  public void pipeIsCountedByTheMetreAndVesselsByThePiece() {
    HeatStore coiled =
        bin()
            .withCarrier(
                new StoreCircuit(
                    new HeatExchanger.Coil(14, 0.02, 0.002, 0.4, 0.12), FluidStream.Fluid.WATER));
    BuildList list =
        BuildList.of(
            coiled,
            List.of(
                PartLimit.of("pex-pipe").orElseThrow(), PartLimit.of("timber-box").orElseThrow()),
            Prices.NONE);
    assertThat(list.items())
        .anyMatch(i -> i.id().equals("pex-pipe") && i.amount() == 14 && i.unit() == Pack.Unit.METRE)
        .anyMatch(i -> i.id().equals("timber-box") && i.amount() == 1);
    assertThat(list.steps())
        .anyMatch(
            s ->
                s.text().contains("{0} each at {1}")
                    && s.figures().get(0).value() == 14
                    && Math.abs(s.figures().get(1).value() - 0.12) < 1e-9);
  }

  @Test
  public void tippingIsALeverAboutTheFoot() {
    HeatStore column =
        HeatStore.of(
                new Geometry.Cylinder(0.15, 1.5),
                MediumCatalogue.medium("water").orElseThrow(),
                Map.of())
            .withCount(10)
            .withPlace(Place.onHouseFloor());
    BuildList list = BuildList.of(column, List.of(), Prices.NONE);
    double mass = Math.PI * 0.15 * 0.15 * 1.5 * 998;
    assertThat(list.tippingNewtons()).isCloseTo(mass * 9.81 * 0.15 / 1.5, within(1e-6));
    assertThat(list.slenderness()).isCloseTo(5, within(1e-9));
    assertThat(list.loadPerSquareMetre()).isCloseTo(1497, within(0.1));
    assertThat(list.steps()).anyMatch(s -> s.text().contains("Fix a strap"));
    assertThat(list.pallets()).isZero();
  }

  @Test
  public void stepsAreInTheOrderOfWork() {
    List<BuildList.Step> all = BuildList.of(bin(), List.of(), Prices.NONE).steps();
    List<String> steps = all.stream().map(BuildList.Step::text).toList();
    assertThat(steps.get(0)).contains("Level and tamp").contains("{0}");
    assertThat(all.get(0).figures().get(0).value()).isCloseTo(930, within(0.5));
    assertThat(steps.get(steps.size() - 1)).contains("Warm it gently");
    assertThat(steps).noneMatch(s -> s.contains("%"));
  }

  @Test
  public void absurdPacksAndPricesAreRefused() {
    assertThatThrownBy(() -> new Pack("bag", 0, Pack.Unit.KILOGRAM, 3))
        .hasMessageContaining("pack");
    assertThatThrownBy(() -> new Pack("bag", 25, Pack.Unit.KILOGRAM, -3))
        .hasMessageContaining("price");
    assertThatThrownBy(() -> new Pack("bag", Double.NaN, Pack.Unit.KILOGRAM, 3))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
