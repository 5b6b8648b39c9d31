package nightbank.core.caution;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import nightbank.core.caution.Caution.Code;
import nightbank.core.caution.StoreFacts.SourceKind;
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
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class StoreCautionsTest {
  private static HeatStore of(String medium, double width, double height) {
    return HeatStore.of(
            new Geometry.Cylinder(width / 2, height),
            MediumCatalogue.medium(medium).orElseThrow(),
            Map.of())
        .withPlace(Place.onHouseFloor());
  }

  private static HeatStore coiled(String medium, double length) {
    return of(medium, 0.6, 0.8)
        .withCarrier(
            new StoreCircuit(
                new HeatExchanger.Coil(length, 0.02, 0.002, 0.4, 0.1), FluidStream.Fluid.WATER));
  }

  private static StoreFacts with(
      HeatStore store,
      SourceKind source,
      double full,
      boolean closedVessel,
      boolean closedCoil,
      boolean pumped,
      boolean bathed,
      String... parts) {
    return new StoreFacts(
        store,
        source,
        full,
        Double.NaN,
        Double.NaN,
        t -> 500,
        Double.NaN,
        closedVessel,
        closedCoil,
        pumped,
        bathed,
        java.util.Arrays.stream(parts).map(p -> PartLimit.of(p).orElseThrow()).toList(),
        java.util.Optional.empty());
  }

  private static StoreFacts plain(HeatStore store, SourceKind source, double full) {
    return StoreFacts.of(store, source, full, 500);
  }

  /** Every caution with a build that calls for it and one like it that does not. */
  @DataProvider
  Object[][] builds() {
    HeatStore sand = of("dry-sand", 0.6, 0.8);
    HeatStore damp = of("damp-sand", 0.6, 0.8);
    HeatStore water = of("water", 0.6, 0.8);
    HeatStore heap = of("compost", 2, 1.2);
    HeatStore wrapped =
        sand.withFaces(
            Map.of(FaceName.SIDE, wool(), FaceName.TOP, wool(), FaceName.FOOT, Face.bare()));
    return new Object[][] {
      {Code.CARBON_MONOXIDE, plain(sand, SourceKind.FLAMES, 60), plain(sand, SourceKind.SUN, 60)},
      {Code.FLUE_BY_CODE, plain(sand, SourceKind.FIRE, 60), plain(sand, SourceKind.FLAMES, 60)},
      {Code.BACK_DRAUGHT, plain(sand, SourceKind.FIRE, 60), plain(sand, SourceKind.SUN, 60)},
      {Code.CHIMNEY_FIRE, plain(sand, SourceKind.FIRE, 60), plain(sand, SourceKind.SUN, 60)},
      {
        Code.TIMBER_DISTANCE,
        plain(sand, SourceKind.ELEMENT, 120),
        plain(sand, SourceKind.ELEMENT, 60)
      },
      {Code.DRYING_ON_METAL, plain(sand, SourceKind.FIRE, 60), plain(sand, SourceKind.SUN, 40)},
      {Code.HOT_FACES, plain(sand, SourceKind.ELEMENT, 90), plain(wrapped, SourceKind.ELEMENT, 90)},
      {
        Code.DAMP_MUST_VENT,
        plain(damp, SourceKind.ELEMENT, 95),
        plain(sand, SourceKind.ELEMENT, 95)
      },
      {
        Code.DAMP_MUST_VENT,
        with(sand, SourceKind.ELEMENT, 200, true, false, true, false),
        with(sand, SourceKind.ELEMENT, 200, false, false, true, false)
      },
      {
        Code.CLOSED_COIL,
        with(coiled("dry-sand", 10), SourceKind.FIRE, 150, false, true, true, false),
        with(coiled("dry-sand", 10), SourceKind.FIRE, 150, false, false, true, false)
      },
      {
        Code.STEAM_SCALDS,
        plain(water, SourceKind.ELEMENT, 92),
        plain(water, SourceKind.ELEMENT, 60)
      },
      {
        Code.GLOWING_CORE,
        plain(sand, SourceKind.ELEMENT, 90).withPeak(420, 300),
        plain(sand, SourceKind.ELEMENT, 90).withPeak(120, 110)
      },
      {
        Code.FROST_BURSTS,
        plain(water.withPlace(Place.outdoors()), SourceKind.SUN, 30),
        plain(water, SourceKind.SUN, 30)
      },
      {
        Code.LEGIONELLA,
        with(water, SourceKind.SUN, 40, false, false, true, true),
        with(water, SourceKind.SUN, 40, false, false, true, false)
      },
      {
        Code.WATER_AND_MAINS, plain(water, SourceKind.ELEMENT, 50), plain(water, SourceKind.SUN, 30)
      },
      {
        Code.FLOOR_LOAD,
        plain(sand.withPlace(Place.inHouse()), SourceKind.SUN, 40),
        plain(sand, SourceKind.SUN, 40)
      },
      {
        Code.MAY_TIP,
        plain(of("water", 0.3, 1.5), SourceKind.SUN, 20),
        plain(water, SourceKind.SUN, 20)
      },
      {
        Code.LIME_BURNS,
        with(sand, SourceKind.SUN, 30, false, false, true, false, "lime-mortar"),
        with(sand, SourceKind.SUN, 30, false, false, true, false, "clay-mortar")
      },
      {
        Code.LIME_BURNS,
        plain(of("limestone", 0.6, 0.8), SourceKind.FIRE, 480),
        plain(of("limestone", 0.6, 0.8), SourceKind.FIRE, 90)
      },
      {
        Code.FINS_AND_REFRIGERANT,
        plain(water, SourceKind.HEAT_PUMP, 45),
        plain(water, SourceKind.ELEMENT, 45)
      },
      {
        Code.HEAP_GAS,
        plain(heap, SourceKind.HEAP, 60),
        plain(heap.withPlace(Place.outdoors()), SourceKind.HEAP, 60)
      },
      {Code.HEAP_SPORES, plain(heap, SourceKind.HEAP, 60), plain(sand, SourceKind.SUN, 60)},
      {Code.HEAP_SELF_HEATING, plain(heap, SourceKind.HEAP, 78), plain(heap, SourceKind.HEAP, 60)},
      {
        Code.GROUND_AIR,
        plain(
            sand.withPlace(Place.inGround())
                .withCarrier(new StoreCircuit(new HeatExchanger.Bore(0.1), FluidStream.Fluid.AIR)),
            SourceKind.WARM_AIR,
            25),
        plain(sand, SourceKind.WARM_AIR, 25)
      },
      {
        Code.LIFTING,
        plain(of("dry-sand", 0.9, 0.9), SourceKind.SUN, 30),
        plain(of("dry-sand", 0.4, 0.4), SourceKind.SUN, 30)
      },
      {
        Code.NO_THERMOSIPHON,
        with(coiled("water", 20), SourceKind.WATER_LOOP, 50, false, false, false, false),
        with(coiled("water", 20), SourceKind.WATER_LOOP, 50, false, false, true, false)
      },
      {
        Code.TOO_HOT_FOR_MEDIUM,
        plain(water, SourceKind.ELEMENT, 99),
        plain(water, SourceKind.ELEMENT, 90)
      },
      {
        Code.TOO_HOT_FOR_PART,
        with(
            coiled("dry-sand", 10),
            SourceKind.WATER_LOOP,
            70,
            false,
            false,
            true,
            false,
            "pe-pipe"),
        with(
            coiled("dry-sand", 10),
            SourceKind.WATER_LOOP,
            70,
            false,
            false,
            true,
            false,
            "pex-pipe")
      },
      {
        Code.TOO_HOT_FOR_LAYER,
        plain(sand.withFace(FaceName.SIDE, board("eps")), SourceKind.ELEMENT, 90),
        plain(sand.withFace(FaceName.SIDE, wool()), SourceKind.ELEMENT, 90)
      },
      {
        Code.NEVER_CHARGED,
        StoreFacts.of(sand, SourceKind.ELEMENT, 90, 60),
        plain(wrapped, SourceKind.ELEMENT, 90)
      },
      {
        Code.SLOW_INSIDE,
        plain(sand, SourceKind.ELEMENT, 60),
        plain(of("granite", 0.3, 0.5), SourceKind.SUN, 30)
      },
      {
        Code.NO_ROOM,
        plain(wrapped, SourceKind.ELEMENT, 60).in(new StoreFacts.Room(3, 0.8, 2)),
        plain(sand, SourceKind.ELEMENT, 60).in(new StoreFacts.Room(3, 0.8, 2))
      },
      {
        Code.COIL_DOES_NOT_FIT,
        plain(coiled("dry-sand", 90), SourceKind.WATER_LOOP, 40),
        plain(coiled("dry-sand", 0.2), SourceKind.WATER_LOOP, 40)
      },
    };
  }

  private static Face wool() {
    return Face.of(
        new Layer.Bulk(MediumCatalogue.insulation("stone-wool").orElseThrow(), 0.15, false));
  }

  private static Face board(String id) {
    return Face.of(new Layer.Bulk(MediumCatalogue.insulation(id).orElseThrow(), 0.1, false));
  }

  @Test(dataProvider = "builds")
  public void aBuildIsWarnedOfAndOneWithoutTheFaultIsNot(
      Code code, StoreFacts faulty, StoreFacts sound) {
    assertThat(StoreCautions.of(faulty)).extracting(Caution::code).contains(code);
    assertThat(StoreCautions.of(sound)).extracting(Caution::code).doesNotContain(code);
  }

  @Test(dataProvider = "builds")
  public void everyCautionHasReasonAndRemedyAndDangerComesFirst(
      Code code, StoreFacts faulty, StoreFacts sound) {
    List<Caution> all = StoreCautions.of(faulty);
    assertThat(all).allMatch(c -> c.reason().endsWith(".") && c.remedy().endsWith("."));
    assertThat(all).extracting(Caution::weight).isSorted();
  }

  @Test(dataProvider = "builds")
  public void everyNumberOfACautionHasItsPlaceAndNoneIsWrittenOut(
      Code code, StoreFacts faulty, StoreFacts sound) {
    for (Caution c : StoreCautions.of(faulty)) {
      String told = c.reason() + c.remedy();
      assertThat(told).doesNotContain("°C", " kg", " m ");
      for (int i = 0; i < 9; i++) {
        assertThat(told.contains("{" + i + "}")).isEqualTo(i < c.figures().size());
      }
    }
  }

  @Test
  public void everyPartNamesItsLimitAndSource() {
    assertThat(PartLimit.all())
        .hasSizeGreaterThan(20)
        .allMatch(p -> p.highestCelsius() >= 40 && !p.source().isBlank());
    assertThat(PartLimit.all()).extracting(PartLimit::kind).contains(PartLimit.Kind.values());
  }
}
