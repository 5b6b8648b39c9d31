package nightbank.core.caution;

import static nightbank.core.caution.Caution.Code;
import static nightbank.core.caution.Caution.Weight.DAMAGE;
import static nightbank.core.caution.Caution.Weight.DANGER;
import static nightbank.core.caution.Caution.Weight.NOTE;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Stream;
import nightbank.core.medium.Medium;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatExchanger;
import nightbank.core.store.HeatStore;
import nightbank.core.store.Layer;
import nightbank.core.store.model.StoreAppraisal;
import nightbank.core.unit.Figure;

/** All cautions of a build: its limits, whether it can work, and the {@link UsualCautions}. */
public final class StoreCautions {
  private static final double OPEN_WATER = 95; // °C, below boiling in an open vessel

  private StoreCautions() {}

  /** All that a build calls for, the gravest first. */
  public static List<Caution> of(StoreFacts f) {
    List<Caution> all = new ArrayList<>();
    limits(f, all::add);
    UsualCautions.of(f, all::add);
    works(f, all::add);
    all.sort(Comparator.comparing(Caution::weight));
    return List.copyOf(all);
  }

  private static void medium(StoreFacts f, Medium m, Consumer<Caution> say) {
    if (f.peak() > m.highestCelsius().value()) {
      boolean water = m.kind() == Medium.Kind.WATER;
      Figure stands = Figure.celsius(m.highestCelsius().value());
      Figure reached = Figure.celsius(f.peak());
      say.accept(
          new Caution(
              Code.TOO_HOT_FOR_MEDIUM,
              water ? DANGER : DAMAGE,
              m.name(),
              m.name() + " stands {0}; some of it reaches {1}.",
              water
                  ? "Keep an open vessel below {2}: steam scalds and a closed one bursts."
                  : "Charge it less or more slowly, or choose a medium that stands more.",
              water
                  ? List.of(stands, reached, Figure.celsius(OPEN_WATER))
                  : List.of(stands, reached)));
    }
  }

  private static void limits(StoreFacts f, Consumer<Caution> say) {
    for (Medium m : f.store().heatedMedia()) {
      medium(f, m, say);
    }
    for (FaceName name : FaceName.values()) {
      List<Layer> layers = f.store().face(name).layers();
      double beyond = f.store().floorCelsius();
      double[] felt =
          f.store()
              .face(name)
              .innerTemperatures(
                  f.fullCelsius(), beyond, name, Math.sqrt(f.store().geometry().endArea()));
      for (int i = 0; i < layers.size(); i++) {
        if (felt[i] > layers.get(i).highestCelsius()) {
          say.accept(
              new Caution(
                  Code.TOO_HOT_FOR_LAYER,
                  DAMAGE,
                  name.name(),
                  layers.get(i).name()
                      + " on the "
                      + name.name().toLowerCase(Locale.ROOT)
                      + " stands {0} and gets {1}.",
                  "Put a layer that stands more between it and the mass, or charge less.",
                  List.of(
                      Figure.celsius(layers.get(i).highestCelsius()), Figure.celsius(felt[i]))));
        }
      }
    }
    for (PartLimit p : f.parts()) {
      if (f.contact() > p.highestCelsius()) {
        say.accept(
            new Caution(
                Code.TOO_HOT_FOR_PART,
                DAMAGE,
                p.name(),
                p.name() + " stands {0}; where it sits it gets {1}.",
                "Choose one that stands more, move it away from the heat, or charge less.",
                List.of(Figure.celsius(p.highestCelsius()), Figure.celsius(f.contact()))));
      }
    }
  }

  private static void works(StoreFacts f, Consumer<Caution> say) {
    f.room().ifPresent(r -> room(f, r, say));
    StoreAppraisal a = StoreAppraisal.of(f.store(), f.fullCelsius(), f.power());
    if (Double.isInfinite(a.chargeSeconds())) {
      say.accept(
          new Caution(
              Code.NEVER_CHARGED,
              NOTE,
              "",
              "The faces lose more than the source gives before the store is full.",
              "More power, more insulation, or a lower aim.",
              List.of()));
    }
    if (f.store().medium().kind() == Medium.Kind.SOLID && !f.store().isBed() && a.biot() > 0.5) {
      say.accept(
          new Caution(
              Code.SLOW_INSIDE,
              NOTE,
              "",
              "The inside follows slowly: heat in the middle comes out hours later.",
              "Make it flatter or thinner if you need the heat quickly.",
              List.of()));
    }
    f.store()
        .carrier()
        .map(c -> c.passage() instanceof HeatExchanger.Coil coil ? coil : null)
        .filter(coil -> coil.lengthMetres() > 1.05 * coil.roomFor(f.store()))
        .ifPresent(
            coil ->
                say.accept(
                    new Caution(
                        Code.COIL_DOES_NOT_FIT,
                        NOTE,
                        "",
                        "{0} of pipe do not fit at this spacing: there is room for {1}.",
                        "Shorten it, wind it closer, or let it reach farther out.",
                        List.of(
                            Figure.metres(coil.lengthMetres()),
                            Figure.metres(coil.roomFor(f.store()))))));
  }

  /** With its layers on, one body must fit under the roof, and all of them on the floor. */
  private static void room(StoreFacts f, StoreFacts.Room room, Consumer<Caution> say) {
    HeatStore s = f.store();
    double wrap = 2 * s.face(FaceName.SIDE).thicknessMetres();
    double high =
        s.geometry().heightMetres()
            + s.face(FaceName.TOP).thicknessMetres()
            + s.face(FaceName.FOOT).thicknessMetres();
    double across = 2 * s.geometry().halfWidth();
    double along =
        s.geometry() instanceof Geometry.Box b
            ? Math.max(b.lengthMetres(), b.widthMetres())
            : across;
    double longer = Math.max(room.lengthMetres(), room.widthMetres());
    double shorter = Math.min(room.lengthMetres(), room.widthMetres());
    double floor = s.count() * (across + wrap) * (along + wrap);
    boolean fits =
        high <= room.heightMetres() && across + wrap <= shorter && along + wrap <= longer;
    if (s.place().indoors() && !(fits && floor <= longer * shorter)) {
      say.accept(
          new Caution(
              Code.NO_ROOM,
              NOTE,
              "",
              "With its layers it is {0} by {1} and {2} high"
                  + (s.count() > 1 ? ", " + s.count() + " times" : "")
                  + "; the house is {3} by {4} and {5} high inside.",
              "Thinner layers, a smaller body, or fewer of them.",
              Stream.of(along + wrap, across + wrap, high, longer, shorter, room.heightMetres())
                  .map(Figure::metres)
                  .toList()));
    }
  }
}
