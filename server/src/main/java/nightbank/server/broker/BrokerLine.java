package nightbank.server.broker;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import nightbank.server.broker.internal.BrokerRepository;
import nightbank.server.house.HouseView;
import nightbank.server.house.Houses;
import nightbank.server.night.Tonight;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.weather.Weathers;
import org.eclipse.paho.mqttv5.client.IMqttToken;
import org.eclipse.paho.mqttv5.client.MqttCallback;
import org.eclipse.paho.mqttv5.client.MqttClient;
import org.eclipse.paho.mqttv5.client.MqttConnectionOptions;
import org.eclipse.paho.mqttv5.client.MqttDisconnectResponse;
import org.eclipse.paho.mqttv5.client.persist.MemoryPersistence;
import org.eclipse.paho.mqttv5.common.MqttException;
import org.eclipse.paho.mqttv5.common.MqttMessage;
import org.eclipse.paho.mqttv5.common.MqttSubscription;
import org.eclipse.paho.mqttv5.common.packet.MqttProperties;
import org.eclipse.paho.mqttv5.common.packet.MqttReturnCode;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ssl.SslBundles;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * The line to the broker (MQTT 5): one node holds it. A message is acknowledged once its readings
 * are kept; what came while nobody listened waits at the broker.
 */
@Component
class BrokerLine implements SmartLifecycle {
  /** Begins the topics that are the program's own. */
  static final String OURS = "nightbank/";

  private static final Logger LOG = LoggerFactory.getLogger(BrokerLine.class);
  private static final Duration TURN = Duration.ofSeconds(3);
  private static final Duration TRY_AGAIN = Duration.ofSeconds(2);
  private static final Duration LEASE = Duration.ofSeconds(45);
  private static final Duration ADVISED = Duration.ofMinutes(5);
  private static final Duration ADVICE_COUNTS = Duration.ofMinutes(20);
  private static final Duration NO_ECHO = Duration.ofSeconds(30);
  private static final long PATIENCE = 10_000; // ms, for an answer of the broker
  private static final int AT_ONCE = 50; // messages that are not acknowledged yet
  private static final long WAITS = 86_400; // s that the broker keeps what was not heard

  private final BrokerSettings settings;
  private final BrokerRepository repository;
  private final Broker broker;
  private final Houses houses;
  private final Tonight tonight;
  private final ForegroundPriority priority;
  private final SslBundles bundles;
  private final Json json;
  private final Clock clock;
  private final UUID node = UUID.randomUUID();
  private final String echo = OURS + "listening/" + node;
  private final Map<UUID, Instant> advise = new ConcurrentHashMap<>();
  private final CountDownLatch ended = new CountDownLatch(1);
  private @Nullable Thread thread;
  private @Nullable MqttClient line;
  private volatile boolean running;
  private volatile boolean caughtUp;
  private Instant connected = Instant.EPOCH;

  BrokerLine(
      BrokerSettings settings,
      BrokerRepository repository,
      Broker broker,
      Houses houses,
      Tonight tonight,
      ForegroundPriority priority,
      SslBundles bundles,
      Json json,
      Clock clock) {
    this.settings = settings;
    this.repository = repository;
    this.broker = broker;
    this.houses = houses;
    this.tonight = tonight;
    this.priority = priority;
    this.bundles = bundles;
    this.json = json;
    this.clock = clock;
  }

  @Override
  public void start() {
    if (settings.isOn()) {
      running = true;
      Thread t = new Thread(this::run, "broker");
      t.setDaemon(true);
      thread = t;
      t.start();
    }
  }

  /** Other weather: other advice. */
  @EventListener
  void weather(Weathers.Came came) {
    advise.clear();
  }

  private void run() {
    try {
      do {
        try {
          turn();
        } catch (RuntimeException e) {
          if (running) {
            LOG.warn("the broker was not looked after: {}", e.toString());
          }
        }
      } while (!ended.await(TURN.toMillis(), TimeUnit.MILLISECONDS));
    } catch (InterruptedException stopping) {
      Thread.currentThread().interrupt();
    }
  }

  private void turn() {
    if (!repository.mayListen(node, LEASE)) {
      hangUp();
      return;
    }
    String problem = "";
    try {
      UUID holding = broker.holding();
      MqttClient open = connected(holding);
      caughtUp = caughtUp || clock.instant().isAfter(connected.plus(NO_ECHO));
      broker.keep(holding);
      advise(holding, open);
    } catch (Broker.Unheard e) {
      problem = String.valueOf(e.getMessage());
      hangUp();
    } catch (MqttException e) {
      problem = said(e);
      hangUp();
    }
    repository.problem(node, problem);
  }

  private MqttClient connected(UUID holding) throws MqttException {
    MqttClient open = line;
    if (open != null && open.isConnected()) {
      return open;
    }
    hangUp();
    String address =
        settings.address().replaceFirst("^mqtts://", "ssl://").replaceFirst("^mqtt://", "tcp://");
    String name = "nightbank-" + holding.toString().substring(0, 8);
    MqttClient client;
    try {
      client = new MqttClient(address, name, new MemoryPersistence());
    } catch (IllegalArgumentException e) {
      throw new MqttException(e);
    }
    client.setTimeToWait(PATIENCE);
    client.setManualAcks(true);
    client.setCallback(new Ears(client, holding));
    line = client;
    IMqttToken in = client.connectWithResult(options());
    caughtUp = !in.getSessionPresent();
    connected = clock.instant();
    MqttSubscription all = new MqttSubscription(settings.topics(), 1);
    all.setRetainHandling(1);
    client.subscribe(new MqttSubscription[] {all, new MqttSubscription(echo, 1)});
    client.publish(echo, new byte[] {'.'}, 1, false);
    advise.clear();
    LOG.info("listening to the broker at {}", shown());
    return client;
  }

  private MqttConnectionOptions options() {
    MqttConnectionOptions o = new MqttConnectionOptions();
    o.setCleanStart(false);
    o.setSessionExpiryInterval(WAITS);
    o.setReceiveMaximum(AT_ONCE);
    o.setMaximumPacketSize((long) BrokerMessage.LARGEST);
    o.setConnectionTimeout((int) (PATIENCE / 1000));
    o.setKeepAliveInterval(20);
    if (!settings.login().isBlank()) {
      o.setUserName(settings.login());
      o.setPassword(settings.password().getBytes(StandardCharsets.UTF_8));
    }
    if (settings.address().startsWith("mqtts:") && bundles.getBundleNames().contains("broker")) {
      o.setSocketFactory(bundles.getBundle("broker").createSslContext().getSocketFactory());
    }
    return o;
  }

  private String said(MqttException e) {
    return switch (e.getReasonCode()) {
      case MqttReturnCode.RETURN_CODE_BAD_USERNAME_OR_PASSWORD,
          MqttReturnCode.RETURN_CODE_NOT_AUTHORIZED ->
          "The broker does not let the program in: look at NIGHTBANK_BROKER_LOGIN and"
              + " NIGHTBANK_BROKER_PASSWORD.";
      default -> "The broker at " + shown() + " does not answer.";
    };
  }

  private String shown() {
    try {
      URI at = URI.create(settings.address());
      return at.getHost() == null ? settings.address() : at.getHost() + ":" + at.getPort();
    } catch (IllegalArgumentException e) {
      return settings.address();
    }
  }

  /** Tells the advice of the hour, where it is due or what it said is over. */
  private void advise(UUID holding, MqttClient open) throws MqttException {
    for (HouseView h : houses.all(holding)) {
      Instant now = clock.instant();
      if (advise.getOrDefault(h.id(), Instant.MIN).isAfter(now)) {
        continue;
      }
      advise.put(h.id(), now.plus(ADVISED));
      priority.giveWay();
      try {
        Advice advice = Advice.of(h.name(), tonight.ask(holding, h.id()), now, ADVICE_COUNTS);
        if (advice.until().isBefore(now.plus(ADVISED))) {
          advise.put(h.id(), advice.until());
        }
        MqttMessage message =
            new MqttMessage(json.write(advice).data().getBytes(StandardCharsets.UTF_8));
        message.setQos(1);
        message.setRetained(true);
        MqttProperties properties = new MqttProperties();
        properties.setMessageExpiryInterval(ADVICE_COUNTS.toSeconds());
        properties.setContentType("application/json");
        message.setProperties(properties);
        open.publish(broker.topic(holding, h), message);
      } catch (Problem nothingKnown) {
        LOG.debug("no advice for {}: {}", h.name(), nothingKnown.toString());
      }
    }
  }

  private void hangUp() {
    MqttClient open = line;
    line = null;
    if (open == null) {
      return;
    }
    try {
      open.disconnectForcibly(0, 500, true);
    } catch (MqttException e) {
      LOG.debug("the broker had gone: {}", e.toString());
    }
    try {
      open.close(true);
    } catch (MqttException e) {
      LOG.debug("the line was not closed: {}", e.toString());
    }
  }

  @Override
  public void stop() {
    running = false;
    ended.countDown();
    Thread t = thread;
    if (t != null) {
      t.interrupt();
      try {
        t.join(PATIENCE);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
      hangUp();
      repository.leave(node);
    }
  }

  @Override
  public boolean isRunning() {
    return running;
  }

  /** Hears one line. */
  private final class Ears implements MqttCallback {
    private final MqttClient client;
    private final UUID holding;

    Ears(MqttClient client, UUID holding) {
      this.client = client;
      this.holding = holding;
    }

    @Override
    public void messageArrived(String topic, MqttMessage message) throws Exception {
      if (topic.equals(echo)) {
        caughtUp = true;
      } else if (!topic.startsWith(OURS)) {
        boolean kept = message.isRetained() || !caughtUp;
        Instant came = clock.instant();
        while (!taken(topic, message.getPayload(), kept, came)) {
          if (ended.await(TRY_AGAIN.toMillis(), TimeUnit.MILLISECONDS)) {
            return; // it is not acknowledged, and comes again
          }
        }
      }
      if (message.getQos() > 0) {
        client.messageArrivedComplete(message.getId(), message.getQos());
      }
    }

    /** False while the database is away. */
    private boolean taken(String topic, byte[] said, boolean kept, Instant came) {
      try {
        broker.heard(holding, topic, said, kept, came);
        return true;
      } catch (TransientDataAccessException
          | DataAccessResourceFailureException
          | TransactionException e) {
        LOG.warn("what the broker said waits: {}", e.toString());
        return false;
      }
    }

    @Override
    public void disconnected(MqttDisconnectResponse response) {
      LOG.info("the line to the broker has ended");
    }

    @Override
    public void mqttErrorOccurred(MqttException e) {
      LOG.warn("broker: {}", e.toString());
    }

    @Override
    public void deliveryComplete(IMqttToken token) {
      // publish has waited for it
    }

    @Override
    public void connectComplete(boolean again, String address) {
      // connectWithResult has returned
    }

    @Override
    public void authPacketArrived(int reason, MqttProperties properties) {
      // no such way in is asked for
    }
  }
}
