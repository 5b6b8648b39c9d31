package nightbank.server.broker;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import nightbank.server.broker.BrokerMessage.Said;
import nightbank.server.broker.internal.BrokerRepository;
import nightbank.server.broker.internal.BrokerRepository.Arrival;
import nightbank.server.device.Devices;
import nightbank.server.device.SenMl;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseView;
import nightbank.server.house.Houses;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What comes over the broker of a holding, and what is told there. */
@Service
public class Broker {

  private final BrokerSettings settings;
  private final BrokerRepository repository;
  private final Devices devices;
  private final Holdings holdings;
  private final Houses houses;

  /** What came since it was last kept, of so many channels. */
  private final Map<String, Arrival> fresh = new HashMap<>();

  Broker(
      BrokerSettings settings,
      BrokerRepository repository,
      Devices devices,
      Holdings holdings,
      Houses houses) {
    this.settings = settings;
    this.repository = repository;
    this.devices = devices;
    this.holdings = holdings;
    this.houses = houses;
  }

  /** The holding that the broker belongs to, or why there is none. */
  UUID holding() throws Unheard {
    List<UUID> found = repository.holdings(settings.holding());
    if (found.size() == 1) {
      return found.get(0);
    }
    throw new Unheard(
        settings.holding().isBlank()
            ? found.isEmpty()
                ? "There is no holding yet."
                : "There are several holdings; say whose it is in NIGHTBANK_BROKER_HOLDING."
            : "There is not one holding called " + settings.holding() + ".");
  }

  /** Why nothing is heard. */
  static final class Unheard extends Exception {
    private static final long serialVersionUID = 1L;

    Unheard(String why) {
      super(why);
    }
  }

  public BrokerView view(UUID holding) {
    if (!settings.isOn() || !isOf(holding)) {
      return new BrokerView(BrokerView.State.NONE, "", List.of(), List.of());
    }
    String problem = repository.problem().orElse("Nobody listens to it just now.");
    Map<String, UUID> tied = devices.tied(holding);
    List<BrokerView.ArrivalView> arrivals =
        repository.arrivals(holding).stream()
            .map(
                a ->
                    new BrokerView.ArrivalView(
                        a.channel(), a.said(), a.celsius(), a.at(), tied.get(a.channel())))
            .toList();
    return new BrokerView(
        problem.isEmpty() ? BrokerView.State.HEARD : BrokerView.State.NOT_HEARD,
        problem,
        houses.all(holding).stream().map(h -> topic(holding, h)).toList(),
        arrivals);
  }

  private boolean isOf(UUID holding) {
    try {
      return holding().equals(holding);
    } catch (Unheard e) {
      return false;
    }
  }

  String topic(UUID holding, HouseView house) {
    return BrokerLine.OURS
        + Advice.topicPart(holdings.get(holding).name())
        + "/"
        + Advice.topicPart(house.name())
        + "/advice";
  }

  /** Ties a channel that has come to a probe, or to none. */
  public BrokerView tie(UUID holding, @Nullable String channel, @Nullable UUID probe) {
    if (!settings.isOn() || !isOf(holding)) {
      throw Problem.notFound("broker");
    }
    if (channel == null || channel.isBlank() || channel.length() > BrokerMessage.LONGEST) {
      throw Problem.invalid("channel", "This is no channel.", "Choose one that has come.");
    }
    devices.tie(holding, channel, probe);
    return view(holding);
  }

  /**
   * Takes in what a topic said; it is kept when this returns.
   *
   * @param kept whether the broker had kept it: then nobody knows when a plain number was measured
   * @param came when it came, for what does not say its own time
   */
  void heard(UUID holding, String topic, byte[] body, boolean kept, Instant came) {
    List<SenMl.Item> items = new ArrayList<>();
    for (Said s : BrokerMessage.read(topic, body, came)) {
      Double celsius = s.celsius();
      boolean timeless = s.at() == null && kept;
      if (celsius != null && !timeless) {
        Instant at = s.at() == null ? came : s.at();
        items.add(new SenMl.Item(items.size(), s.channel(), at, celsius, null));
      }
      synchronized (fresh) {
        String text = timeless ? s.text() + " (kept, hour unknown)" : s.text();
        if (fresh.size() < BrokerRepository.MOST || fresh.containsKey(s.channel())) {
          fresh.put(s.channel(), new Arrival(s.channel(), text, celsius, came));
        }
      }
    }
    if (!items.isEmpty()) {
      devices.heard(holding, items);
    }
  }

  /** Keeps what came lately, so that every node's pages show it. */
  void keep(UUID holding) {
    List<Arrival> all;
    synchronized (fresh) {
      all = List.copyOf(fresh.values());
      fresh.clear();
    }
    if (!all.isEmpty()) {
      repository.came(holding, all);
    }
  }
}
