package nightbank.server.device;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.device.internal.DeviceRepository;
import nightbank.server.log.ReadingWriter;
import nightbank.server.log.Readings;
import nightbank.server.shared.Allowances;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Versions;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.resilience.annotation.Retryable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/**
 * Loggers that send by themselves: a token each, for their holding's probes only, or over the
 * holding's broker; a flood slows its own sender; a wrong clock is noticed.
 */
@Service
public class Devices implements Reversible {
  private static final int MOST = 200;
  private static final int MOST_CHANNELS = 200;
  private static final int PACKS_A_MINUTE = 60;
  private static final Allowances.Rate PACE =
      new Allowances.Rate(PACKS_A_MINUTE, Duration.ofMinutes(1));
  private static final Duration AHEAD = Duration.ofMinutes(10);
  private static final int TOLD = 20;
  private static final int LONGEST_NAME = 100;
  private static final int LONGEST_PROBLEM = 300;

  private final DeviceRepository repository;
  private final Readings readings;
  private final ReadingWriter writer;
  private final Allowances allowances;
  private final Changes changes;
  private final Json json;
  private final Clock clock;
  private final SecureRandom random = new SecureRandom();

  Devices(
      DeviceRepository repository,
      Readings readings,
      ReadingWriter writer,
      Allowances allowances,
      Changes changes,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.readings = readings;
    this.writer = writer;
    this.allowances = allowances;
    this.changes = changes;
    this.json = json;
    this.clock = clock;
  }

  /** What a keeper sends. */
  public record DeviceDraft(
      UUID id,
      String name,
      List<DeviceView.DeviceChannel> channels,
      @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable DeviceDraft was) {}

  public List<DeviceView> all(UUID holding) {
    return repository.all(holding);
  }

  private DeviceView get(UUID holding, UUID id) {
    return repository.all(holding).stream()
        .filter(d -> d.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("device"));
  }

  /** Makes one; its token is told this once. */
  @Transactional
  public DeviceView create(UUID holding, DeviceDraft draft) {
    check(holding, draft);
    roomForOne(holding);
    byte[] secret = new byte[24];
    random.nextBytes(secret);
    String token = "nb_" + Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    UUID id = draft.id() == null ? UUID.randomUUID() : draft.id();
    if (!repository.insert(holding, id, draft.name().strip(), hash(token), clock.instant())) {
      throw Problem.invalid("id", "There is a logger with this id.", "Begin it once more.");
    }
    repository.channels(holding, id, channels(draft));
    DeviceView d = get(holding, id);
    changes.made(holding, kind(), id.toString(), d.name(), null, said(d));
    return new DeviceView(
        d.id(),
        d.name(),
        d.createdAt(),
        d.revokedAt(),
        d.lastSeenAt(),
        d.lastProblem(),
        false,
        d.channels(),
        token);
  }

  private void roomForOne(UUID holding) {
    if (repository.all(holding).size() >= MOST) {
      throw Problem.invalid("name", "A holding has at most 200 loggers.", "Take old ones out.");
    }
  }

  @Transactional
  public DeviceView change(UUID holding, UUID id, DeviceDraft draft) {
    DeviceView before = get(holding, id);
    Versions.require("device", draft.was(), said(before));
    check(holding, draft);
    write(holding, id, draft);
    DeviceView d = get(holding, id);
    if (before.revokedAt() == null) {
      changes.made(holding, kind(), id.toString(), d.name(), said(before), said(d));
    }
    return d;
  }

  private void write(UUID holding, UUID id, DeviceDraft draft) {
    repository.rename(holding, id, draft.name().strip());
    repository.channels(holding, id, channels(draft));
  }

  @Transactional
  public DeviceView revoke(UUID holding, UUID id) {
    DeviceView before = get(holding, id);
    repository.revoke(holding, id, clock.instant());
    if (before.revokedAt() == null) {
      changes.made(holding, kind(), id.toString(), before.name(), said(before), null);
    }
    return get(holding, id);
  }

  private static DeviceDraft said(DeviceView d) {
    return new DeviceDraft(d.id(), d.name(), d.channels(), null);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.DEVICE;
  }

  @Override
  public @Nullable DeviceDraft now(UUID holding, String subject) {
    return repository.all(holding).stream()
        .filter(d -> d.id().toString().equals(subject) && d.revokedAt() == null)
        .findFirst()
        .map(Devices::said)
        .orElse(null);
  }

  /** A logger that is put back sends with the token that it had. */
  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    get(holding, id);
    if (state == null) {
      repository.revoke(holding, id, clock.instant());
      return;
    }
    DeviceDraft draft = json.read(state, DeviceDraft.class);
    check(holding, draft);
    write(holding, id, draft);
    repository.allow(holding, id);
  }

  private static List<DeviceView.DeviceChannel> channels(DeviceDraft draft) {
    return draft.channels() == null ? List.of() : draft.channels();
  }

  private void check(UUID holding, DeviceDraft d) {
    if (d.name() == null || d.name().isBlank() || d.name().length() > LONGEST_NAME) {
      throw Problem.invalid("name", "A logger needs a name of up to 100 letters.", "Name it.");
    }
    if (channels(d).size() > MOST_CHANNELS) {
      throw Problem.invalid("channels", "More than 200 channels.", "Leave some out.");
    }
    Set<UUID> probes = readings.probesOf(holding);
    Set<String> names = new HashSet<>();
    for (int i = 0; i < channels(d).size(); i++) {
      DeviceView.DeviceChannel c = channels(d).get(i);
      if (c == null
          || c.name() == null
          || c.name().isBlank()
          || c.name().length() > 200
          || !names.add(c.name())) {
        throw Problem.invalid(
            "channels." + i,
            "A channel has no name, or one twice.",
            "Name each once, as it sends.");
      }
      if (c.probeId() == null || !probes.contains(c.probeId())) {
        throw Problem.notFound("probe");
      }
    }
  }

  /** Takes a pack in. */
  @Retryable(includes = PessimisticLockingFailureException.class)
  @Transactional
  public DeviceReceipt receive(String authorization, byte[] body) {
    DeviceRepository.Known device =
        repository
            .byToken(hash(bearer(authorization)))
            .filter(d -> d.revokedAt() == null)
            .orElseThrow(
                () ->
                    new Problem(
                        HttpStatus.UNAUTHORIZED,
                        "unknown-token",
                        "",
                        "This token is not known, or has been revoked.",
                        "Make a new one in the holding."));
    if (!allowances.spend("device " + device.id(), PACE)) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "too-fast",
          "",
          "More than " + PACKS_A_MINUTE + " packs a minute.",
          "Send several readings in one pack, and wait before the next.");
    }
    Instant now = clock.instant();
    List<SenMl.Item> items;
    try {
      items = SenMl.read(new ByteArrayInputStream(body), now);
    } catch (SenMl.Unreadable e) {
      repository.seen(device.id(), now, e.getMessage());
      throw Problem.invalid("pack", e.getMessage(), "Send SenML in JSON, RFC 8428.");
    }
    Map<String, UUID> channels = repository.channelsOf(device.id());
    ReadingWriter.Taking taking = writer.begin(device.holdingId(), null);
    List<DeviceReceipt.LeftOutRecord> leftOut = new ArrayList<>();
    String problem = "";
    for (SenMl.Item i : items) {
      String wrong = i.leftOut() != null ? i.leftOut() : wrong(i, channels, now);
      if (wrong != null) {
        leftOut.add(new DeviceReceipt.LeftOutRecord(i.index(), wrong));
        problem = problem.isEmpty() ? i.name() + ": " + wrong : problem;
      } else {
        taking.add(
            Objects.requireNonNull(channels.get(i.name())),
            Objects.requireNonNull(i.at()),
            i.celsius());
      }
    }
    ReadingWriter.Taken taken = taking.end();
    repository.seen(device.id(), now, problem(problem));
    return new DeviceReceipt(
        (int) taken.added(),
        (int) (taken.readings() - taken.added()),
        leftOut.subList(0, Math.min(TOLD, leftOut.size())));
  }

  /**
   * Ties a channel of the broker to a probe; to none, where that is absent. What stands before a
   * message's own names, or a topic without its last part, names the logger.
   */
  @Transactional
  public void tie(UUID holding, String channel, @Nullable UUID probe) {
    String name = sender(channel);
    Optional<DeviceView> known =
        repository.all(holding).stream()
            .filter(d -> d.overBroker() && d.revokedAt() == null && d.name().equals(name))
            .findFirst();
    List<DeviceView.DeviceChannel> channels = new ArrayList<>();
    known.ifPresent(
        d -> d.channels().stream().filter(c -> !c.name().equals(channel)).forEach(channels::add));
    if (probe != null) {
      channels.add(new DeviceView.DeviceChannel(channel, probe));
    }
    if (channels.isEmpty()) {
      known.ifPresent(d -> revoke(holding, d.id())); // nobody waits for what says nothing any more
      return;
    }
    UUID id = known.map(DeviceView::id).orElseGet(UUID::randomUUID);
    DeviceDraft draft = new DeviceDraft(id, name, channels, null);
    check(holding, draft);
    if (known.isEmpty()) {
      roomForOne(holding);
      repository.insert(holding, id, name, null, clock.instant());
    }
    write(holding, id, draft);
    changes.made(
        holding, kind(), id.toString(), name, known.map(Devices::said).orElse(null), draft);
  }

  private static String sender(String channel) {
    int space = channel.indexOf(' ');
    int slash = channel.lastIndexOf('/');
    String name = space > 0 ? channel.substring(0, space) : channel;
    name = space < 0 && slash > 0 ? channel.substring(0, slash) : name;
    return name.substring(Math.max(0, name.length() - LONGEST_NAME));
  }

  /** Probes that channels of the broker are tied to. */
  public Map<String, UUID> tied(UUID holding) {
    Map<String, UUID> all = new HashMap<>();
    repository.overBroker(holding).forEach((channel, to) -> all.put(channel, to.probe()));
    return all;
  }

  /** Takes in what came over the broker; what is tied to nothing is left out. */
  @Retryable(includes = PessimisticLockingFailureException.class)
  @Transactional
  public void heard(UUID holding, List<SenMl.Item> items) {
    Instant now = clock.instant();
    Map<String, DeviceRepository.Tied> tied = repository.overBroker(holding);
    Map<UUID, String> problems = new TreeMap<>();
    ReadingWriter.Taking taking = writer.begin(holding, null);
    for (SenMl.Item i : items) {
      DeviceRepository.Tied to = tied.get(i.name());
      if (to == null) {
        continue;
      }
      String wrong = i.leftOut() != null ? i.leftOut() : clock(i, now);
      problems.merge(
          to.device(), wrong == null ? "" : i.name() + ": " + wrong, (a, b) -> a.isEmpty() ? b : a);
      if (wrong == null) {
        taking.add(to.probe(), Objects.requireNonNull(i.at()), i.celsius());
      }
    }
    taking.end();
    problems.forEach((device, p) -> repository.seen(device, now, problem(p)));
  }

  private static String problem(String said) {
    return said.substring(0, Math.min(LONGEST_PROBLEM, said.length()));
  }

  private static @Nullable String wrong(SenMl.Item i, Map<String, UUID> channels, Instant now) {
    if (!channels.containsKey(i.name())) {
      return "no probe is tied to this channel";
    }
    return clock(i, now);
  }

  private static @Nullable String clock(SenMl.Item i, Instant now) {
    Instant at = Objects.requireNonNull(i.at());
    if (at.isAfter(now.plus(AHEAD))) {
      return "its clock is " + Duration.between(now, at).toMinutes() + " minutes ahead";
    }
    return at.isBefore(Readings.EARLIEST) ? "its clock stands before 2000" : null;
  }

  private static String bearer(String authorization) {
    return authorization != null && authorization.startsWith("Bearer ")
        ? authorization.substring(7).strip()
        : "";
  }

  private static String hash(String token) {
    try {
      byte[] digest =
          MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
