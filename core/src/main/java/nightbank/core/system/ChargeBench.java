package nightbank.core.system;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nightbank.core.medium.Medium;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.HeatStore;
import nightbank.core.store.model.StoreModel;
import nightbank.core.store.model.Surroundings;

/**
 * One store of a place followed through a charge and the hours after it, on the same simulation as
 * its nights, so that a red-hot core in a lukewarm drum is seen as such.
 */
public final class ChargeBench {
  private static final int FRAMES = 24;

  private final SystemPlan plan;
  private final String storeId;
  private final HeatStore store;
  private double aim = Double.POSITIVE_INFINITY;
  private List<Part> parts = List.of();

  /** Something in the heated zone that stands only so much: a pipe, a vessel's wall, a glue. */
  public record Part(String name, double highestCelsius) {}

  private ChargeBench(SystemPlan plan, String storeId) {
    this.plan = plan;
    this.storeId = storeId;
    store = plan.system().store(storeId).orElseThrow().store();
  }

  public static ChargeBench of(SystemPlan plan, String storeId) {
    return new ChargeBench(plan, storeId);
  }

  /** Mean temperature that is wanted, °C. */
  public ChargeBench aimingAt(double celsius) {
    aim = celsius;
    return this;
  }

  public ChargeBench with(List<Part> within) {
    parts = List.copyOf(within);
    return this;
  }

  public Charge run() {
    int own = 0;
    while (!plan.system().stores().get(own).id().equals(storeId)) {
      own++;
    }
    int index = own;
    int moments = (int) Math.ceil(plan.lengthSeconds() / plan.recordSeconds() - 1e-9) + 1;
    double[] contact = new double[moments];
    double[] hot = new double[moments];
    List<Charge.Frame> frames = new ArrayList<>();
    Heat heat = new Heat();
    double[] reached = {Double.NaN};
    double[] steam = {0};
    int[] k = {0};
    SystemResult r =
        SystemSimulation.run(
            plan,
            (second, models) -> {
              StoreModel model = models.get(index);
              contact[k[0]] = model.zoneCelsius();
              hot[k[0]] = model.highestCelsius();
              if (k[0] > 0) {
                heat.feel(model, second);
              }
              if (Double.isNaN(reached[0]) && model.meanCelsius() >= aim) {
                reached[0] = second;
              }
              int n = moments - 1;
              if (k[0] == 0 || k[0] == n || k[0] * FRAMES / n != (k[0] - 1) * FRAMES / n) {
                frames.add(new Charge.Frame(second, model.state()));
              }
              steam[0] = model.steamJoules();
              k[0]++;
            });
    SystemResult.StoreTrace s = r.stores().get(index);
    double into = s.chargedJoules() + s.fedJoules() + s.receivedJoules();
    double out = s.receivedJoules() + s.movedJoules();
    double toHouse = s.deliveredJoules() + s.earlyJoules();
    double faces = toHouse + s.lostJoules() - steam[0];
    double room = 0;
    double flue = 0;
    double brought = 0;
    for (SystemResult.SourceTrace t : r.sources()) {
      room += t.toHouseJoules() + t.ventedJoules();
      flue += t.lostJoules();
      brought += t.releasedJoules();
    }
    for (SystemResult.CircuitTrace c : r.circuits()) {
      brought += c.movedJoules();
      room += c.toHouseJoules();
    }
    for (SystemResult.PumpTrace p : r.pumps()) {
      brought += p.hotJoules();
    }
    return ChargeBuilder.builder()
        .seconds(r.seconds())
        .mean(s.meanCelsius())
        .contact(contact)
        .hottestCelsius(hot)
        .usableJoules(s.usableJoules())
        .storeWatts(s.intoWatts())
        .frames(List.copyOf(frames))
        .fuelJoules(r.fuelJoules())
        .electricJoules(r.electricJoules())
        .broughtJoules(Math.max(brought, into))
        .gainJoules(into)
        .outJoules(out)
        .roomJoules(room)
        .flueJoules(flue)
        .storedJoules(s.changeJoules())
        .facesJoules(faces)
        .steamJoules(steam[0])
        .residualJoules(into - out - faces - steam[0] - s.changeJoules())
        .hottest(heat.spot)
        .reachedSeconds(
            Double.isNaN(reached[0]) ? OptionalDouble.empty() : OptionalDouble.of(reached[0]))
        .overheated(heat.over())
        .build();
  }

  /** The hottest that every part feels. */
  private final class Heat {
    private static final int PLACES = 8;
    private Charge.Spot spot = new Charge.Spot(-300, 0, 0, 0);
    private double zone = -300;
    private final double[][] layers = new double[FaceName.values().length][];

    private final Surroundings around = Surroundings.of(plan.airCelsius(), plan.groundCelsius());

    void feel(StoreModel model, double second) {
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
      for (Medium m : store.heatedMedia()) {
        double stands = m.highestCelsius().value();
        if (spot.celsius() > stands) {
          all.add(new Charge.Overheated(null, m.name(), stands, spot.celsius()));
        }
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
