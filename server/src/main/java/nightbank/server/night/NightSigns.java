package nightbank.server.night;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import nightbank.core.friend.Friend;
import nightbank.core.friend.Noticed;
import nightbank.core.judgement.JudgedLoop;
import nightbank.core.system.FluidCircuit;
import nightbank.core.system.SystemPlan;
import nightbank.core.system.SystemResult;
import nightbank.core.system.SystemSimulation;
import nightbank.core.weather.SunTimes;
import nightbank.core.weather.Weather;
import nightbank.server.holding.HoldingView;
import nightbank.server.holding.Holdings;
import nightbank.server.log.Readings;
import nightbank.server.part.PartDesign;
import nightbank.server.part.PartDesign.Fed;
import nightbank.server.part.PartView;
import nightbank.server.part.Parts;
import nightbank.server.plant.Feedings;
import nightbank.server.run.LoopView;
import nightbank.server.run.Loops;
import nightbank.server.shared.Problem;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Component;

/** Signs of a house's place, held against the rules of an experienced friend. */
@Component
class NightSigns {
  private static final Duration BEFORE_DAWN = Duration.ofHours(3);
  private static final long LONG_ENOUGH = 1800; // s of charging that a mean is taken of
  private static final int MOST_READINGS = 2000;

  private final Tonight tonight;
  private final Feedings feedings;
  private final Parts parts;
  private final Stores stores;
  private final Loops loops;
  private final Readings readings;
  private final Holdings holdings;
  private final Clock clock;

  NightSigns(
      Tonight tonight,
      Feedings feedings,
      Parts parts,
      Stores stores,
      Loops loops,
      Readings readings,
      Holdings holdings,
      Clock clock) {
    this.tonight = tonight;
    this.feedings = feedings;
    this.parts = parts;
    this.stores = stores;
    this.loops = loops;
    this.readings = readings;
    this.holdings = holdings;
    this.clock = clock;
  }

  /** What was noticed, its moments counted from one. */
  record Seen(List<Noticed> all, Instant from) {}

  Seen of(UUID holding, UUID house) {
    List<Noticed> all = new ArrayList<>(heaps(holding, house));
    try {
      Outlook night = tonight.outlook(holding, house);
      all.addAll(night(holding, night));
      return new Seen(all, night.now());
    } catch (Problem lowUnknown) {
      return new Seen(all, clock.instant());
    }
  }

  private List<Noticed> heaps(UUID holding, UUID house) {
    List<Noticed> all = new ArrayList<>();
    for (PartView p : parts.of(holding, house)) {
      if (p.design() instanceof PartDesign.Heap h && h.storeId() != null) {
        List<Fed> fed =
            Objects.requireNonNullElse(feedings.whole(holding, h).heap().fed(), List.of());
        double kilograms = fed.stream().mapToDouble(Fed::kilograms).sum();
        double weighs = stores.core(holding, h.storeId()).store().mass();
        Friend.heap(h.storeId().toString(), kilograms, weighs).ifPresent(all::add);
      }
    }
    return all;
  }

  private List<Noticed> night(UUID holding, Outlook night) {
    String house = night.houseId().toString();
    SystemPlan plan = night.plan().small();
    SystemResult middle = SystemSimulation.run(plan);
    double dusk = night.nights().get(0).sunset().map(night::seconds).orElse(0.0);
    List<Noticed> all = new ArrayList<>(Friend.flows(plan, middle));
    Friend.evening(house, middle, plan.house(), dusk).ifPresent(all::add);
    all.addAll(loops(holding, plan));
    if (plan.system().stores().isEmpty()) { // else these may have been warmer last night
      lastNight(holding, night, middle).ifPresent(all::add);
    }
    return all;
  }

  private List<Noticed> loops(UUID holding, SystemPlan plan) {
    List<Noticed> all = new ArrayList<>();
    for (LoopView l : loops.lately(holding)) {
      Optional<LoopView.LoopSpell> charging = charging(l);
      for (FluidCircuit c : plan.system().circuits()) {
        boolean through =
            c.ends().stream()
                .anyMatch(e -> e.storeId().filter(l.storeId().toString()::equals).isPresent());
        if (through && charging.isPresent()) {
          LoopView.LoopSpell s = charging.get();
          double watts = s.joules() / (s.to() - s.from());
          double half = watts * l.chargedHalf() / Math.max(1, l.charged());
          Friend.loop(plan.system(), c.id(), watts, half).ifPresent(all::add);
        }
      }
    }
    return all;
  }

  private static Optional<LoopView.LoopSpell> charging(LoopView loop) {
    return loop.spells().stream()
        .filter(s -> s.direction() == JudgedLoop.Direction.CHARGING)
        .filter(s -> s.to() - s.from() >= LONG_ENOUGH)
        .reduce((a, b) -> b);
  }

  /** The last hours before the last sunrise, as they were read in and out of the house. */
  private Optional<Noticed> lastNight(UUID holding, Outlook night, SystemResult tonightsMiddle) {
    HoldingView place = holdings.get(holding);
    Instant yesterday = night.now().minus(Duration.ofDays(1));
    Optional<Instant> dawn =
        SunTimes.of(yesterday, place.latitude(), place.longitude())
            .sunrise()
            .filter(d -> d.isBefore(night.now()));
    if (dawn.isEmpty()) {
      return Optional.empty();
    }
    Instant from = dawn.get().minus(BEFORE_DAWN);
    OptionalDouble in =
        mean(holding, readings.airProbes(holding, night.houseId()).keySet(), from, dawn.get());
    OptionalDouble out = mean(holding, readings.outdoorProbes(holding), from, dawn.get());
    SystemPlan plan = night.plan();
    double masses = Math.max(0, tonightsMiddle.massJoules()) / plan.lengthSeconds();
    return in.isEmpty() || out.isEmpty()
        ? Optional.empty()
        : Friend.heater(
            night.houseId().toString(),
            plan.system(),
            in.getAsDouble(),
            out.getAsDouble(),
            plan.house().lossCoefficient(Weather.USUAL_WIND),
            masses);
  }

  private OptionalDouble mean(UUID holding, Collection<UUID> probes, Instant from, Instant to) {
    return readings.series(holding, probes, from, to, MOST_READINGS).values().stream()
        .flatMapToDouble(s -> Arrays.stream(s.celsius()))
        .average();
  }
}
