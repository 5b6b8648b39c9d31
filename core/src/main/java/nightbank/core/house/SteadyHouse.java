package nightbank.core.house;

import org.jspecify.annotations.Nullable;

/** A house whose air and floor are held: what leaves it then, by part. */
final class SteadyHouse {
  private final Greenhouse house;
  private final Enclosure skin;
  private final double edge;
  private double damp;
  private double draughtWatts;
  private boolean begun;

  SteadyHouse(Greenhouse house) {
    this.house = house;
    skin = new Enclosure(house, true);
    edge = house.floor().map(Floor::edgeWattsPerKelvin).orElse(0.0);
  }

  /**
   * One pass from what was found last; a few find the balance, one a step follows the weather.
   *
   * @param outside vapour outdoors, kg/m³
   * @param as wets its skin as this one has, itself where null
   * @return W that leave
   */
  double watts(
      double air,
      double floor,
      HouseModel.Step s,
      double wind,
      double outside,
      @Nullable Enclosure as) {
    double out = s.outdoorCelsius;
    if (!begun) {
      skin.start(air, out, s.groundCelsius);
      damp = outside;
      begun = true;
    }
    if (as != null) {
      System.arraycopy(as.water, 0, skin.water, 0, skin.n);
    }
    double fresh = house.draught(wind, air - out, s.gapsStuffed);
    skin.behind(out, wind, s.skyCelsius, s.groundCelsius, s.screenDrawn);
    skin.films(air, floor);
    skin.vapour(damp, floor, house.wetShare(), Double.POSITIVE_INFINITY);
    double gone = fresh + skin.vapourTie();
    damp = gone > 0 ? (fresh * outside + skin.vapourPull()) / gone : outside;
    skin.linear(floor, 0, damp);
    skin.settle(air, floor, floor, damp);
    draughtWatts =
        fresh
            * (Greenhouse.AIR_HEAT * (air - out)
                + nightbank.core.weather.MoistAir.LATENT * (damp - outside));
    double watts = draughtWatts + edge * (air - out);
    for (int i = 0; i < skin.n; i++) {
      watts += partWatts(i);
    }
    return Math.max(0, watts);
  }

  double partWatts(int i) {
    return skin.area[i] * (skin.k[i] * skin.inner[i] - skin.s[i] + skin.straight(i));
  }

  double damp() {
    return damp;
  }

  double edgeWatts(double excess) {
    return edge * excess;
  }

  Enclosure skin() {
    return skin;
  }
}
