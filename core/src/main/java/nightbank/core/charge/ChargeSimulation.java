package nightbank.core.charge;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.StoreModel;
import nightbank.core.store.StoreState;
import nightbank.core.store.Surroundings;

/**
 * A store charged by a source on the same grid as its nights, then left alone: so that a red-hot
 * core in a lukewarm drum is seen as such.
 */
public final class ChargeSimulation {
  private static final int FRAMES = 24;

  private final HeatStore store;
  private final StoreState start;
  private final Source source;
  private double air;
  private double ground;
  private double aim = Double.POSITIVE_INFINITY;
  private double hold;
  private double step = 120;
  private List<Part> parts = List.of();

  /** Something in the heated zone that stands only so much: a pipe, a vessel's wall, a glue. */
  public record Part(String name, double highestCelsius) {}

  private ChargeSimulation(HeatStore store, StoreState start, Source source) {
    this.store = store;
    this.start = start;
    this.source = source;
    this.air = store.floorCelsius();
    this.ground = store.floorCelsius();
  }

  public static ChargeSimulation of(HeatStore store, StoreState start, Source source) {
    return new ChargeSimulation(store, start, source);
  }

  /** Air round it and ground below it, °C. */
  public ChargeSimulation in(double airCelsius, double groundCelsius) {
    air = airCelsius;
    ground = groundCelsius;
    return this;
  }

  /** Mean temperature that is wanted, °C. */
  public ChargeSimulation aimingAt(double celsius) {
    aim = celsius;
    return this;
  }

  /** Goes on for so long after the source has ended, s. */
  public ChargeSimulation thenLeft(double seconds) {
    hold = seconds;
    return this;
  }

  public ChargeSimulation stepping(double seconds) {
    step = seconds;
    return this;
  }

  public ChargeSimulation with(List<Part> within) {
    parts = List.copyOf(within);
    return this;
  }

  public Charge run() {
    StoreModel model = StoreModel.of(store, start);
    double length = source.endsAt() + hold;
    int steps = Math.max(1, (int) Math.ceil(length / step));
    double dt = length / steps;
    Rows rows = new Rows(steps);
    rows.note(0, 0, model, 0);
    Surroundings around = Surroundings.of(air, ground);
    double before = model.heatContent();
    double input = 0;
    double gain = 0;
    double out = 0;
    double room = 0;
    double faces = 0;
    double reached = Double.NaN;
    Heat heat = new Heat();
    List<Charge.Frame> frames = new ArrayList<>();
    frames.add(new Charge.Frame(0, start));
    for (int k = 1; k <= steps; k++) {
      double at = (k - 1) * dt;
      Source.Given given = source.give(at, dt, model);
      model.step(dt, around, given.sourceWatts());
      double into = given.sourceWatts() + given.streamWatts();
      input += given.inputWatts() * dt;
      gain += Math.max(0, into) * dt;
      out += Math.max(0, -into) * dt;
      room += given.roomWatts() * dt;
      for (FaceName face : FaceName.values()) {
        faces += model.faceWatts(face) * dt;
      }
      rows.note(k, k * dt, model, into);
      heat.feel(model, k * dt, around);
      if (Double.isNaN(reached) && model.meanCelsius() >= aim) {
        reached = k * dt;
      }
      if (k == steps || k * FRAMES / steps != (k - 1) * FRAMES / steps) {
        frames.add(new Charge.Frame(k * dt, model.state()));
      }
    }
    double change = model.heatContent() - before;
    return new Charge(
        rows.seconds,
        rows.mean,
        rows.contact,
        rows.hottest,
        rows.usable,
        rows.watts,
        List.copyOf(frames),
        input,
        gain,
        out,
        room,
        change,
        faces,
        model.steamJoules(),
        gain - out - faces - model.steamJoules() - change,
        heat.spot,
        Double.isNaN(reached) ? OptionalDouble.empty() : OptionalDouble.of(reached),
        heat.over());
  }

  private static final class Rows {
    private final double[] seconds;
    private final double[] mean;
    private final double[] contact;
    private final double[] hottest;
    private final double[] usable;
    private final double[] watts;

    Rows(int steps) {
      seconds = new double[steps + 1];
      mean = new double[steps + 1];
      contact = new double[steps + 1];
      hottest = new double[steps + 1];
      usable = new double[steps + 1];
      watts = new double[steps + 1];
    }

    void note(int k, double second, StoreModel model, double into) {
      seconds[k] = second;
      mean[k] = model.meanCelsius();
      contact[k] = model.zoneCelsius();
      hottest[k] = model.highestCelsius();
      usable[k] = model.usableEnergy();
      watts[k] = into;
    }
  }

  /** The hottest that every part feels. */
  private final class Heat {
    private static final int PLACES = 8;
    private Charge.Spot spot = new Charge.Spot(-300, 0, 0, 0);
    private double zone = -300;
    private final double[][] layers = new double[FaceName.values().length][];

    void feel(StoreModel model, double second, Surroundings around) {
      zone = Math.max(zone, model.zoneCelsius());
      if (model.highestCelsius() > spot.celsius()) {
        spot = hottest(model, second);
      }
      for (FaceName name : FaceName.values()) {
        Face face = store.face(name);
        if (!face.layers().isEmpty()) {
          double beyond = around.at(store.place().beyond(name));
          double[] now =
              face.innerTemperatures(
                  surface(model, name), beyond, name, Math.sqrt(store.geometry().endArea()));
          int f = name.ordinal();
          if (layers[f] == null) {
            layers[f] = now;
          }
          for (int i = 0; i < now.length; i++) {
            layers[f][i] = Math.max(layers[f][i], now[i]);
          }
        }
      }
    }

    private Charge.Spot hottest(StoreModel model, double second) {
      Charge.Spot best = new Charge.Spot(model.highestCelsius(), second, 0, 0);
      double felt = -300;
      for (int i = 0; i <= 2 * PLACES; i++) {
        for (int j = 0; j <= 2 * PLACES; j++) {
          double r = i / (2.0 * PLACES);
          double h = j / (2.0 * PLACES);
          if (model.at(r, h) > felt) {
            felt = model.at(r, h);
            best = new Charge.Spot(model.highestCelsius(), second, r, h);
          }
        }
      }
      return best;
    }

    /** Hottest place just behind a face. */
    private double surface(StoreModel model, FaceName name) {
      double most = -300;
      for (int i = 0; i <= PLACES; i++) {
        double x = (double) i / PLACES;
        most =
            Math.max(
                most,
                switch (name) {
                  case SIDE -> model.at(1, x);
                  case TOP -> model.at(x, 1);
                  case FOOT -> model.at(x, 0);
                });
      }
      return most;
    }

    List<Charge.Overheated> over() {
      List<Charge.Overheated> all = new ArrayList<>();
      double stands = store.medium().highestCelsius().value();
      if (spot.celsius() > stands) {
        all.add(new Charge.Overheated(null, store.medium().name(), stands, spot.celsius()));
      }
      for (Part p : parts) {
        if (zone > p.highestCelsius()) {
          all.add(new Charge.Overheated(null, p.name(), p.highestCelsius(), zone));
        }
      }
      for (FaceName name : FaceName.values()) {
        double[] felt = layers[name.ordinal()];
        for (int i = 0; felt != null && i < felt.length; i++) {
          var layer = store.face(name).layers().get(i);
          if (felt[i] > layer.highestCelsius()) {
            all.add(new Charge.Overheated(name, layer.name(), layer.highestCelsius(), felt[i]));
          }
        }
      }
      return all;
    }
  }
}
