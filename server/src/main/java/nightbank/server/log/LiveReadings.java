package nightbank.server.log;

import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import nightbank.server.account.Accounts;
import nightbank.server.account.OpenSessions;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Wire;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells pages that are open when readings have come in (server-sent events). A page that hears
 * nothing misses nothing: it asks again for what it shows.
 */
@Component
public class LiveReadings {
  private static final int MOST = 40; // pages of one holding
  private static final Duration OPEN = Duration.ofMinutes(10); // then the browser comes again

  private static final String CHANNEL = "readings";
  private static final int AT_ONCE = 200; // of a word's length

  private final Wire wire;
  private final OpenSessions sessions;
  private final Accounts accounts;
  private final Map<UUID, Set<Page>> pages = new ConcurrentHashMap<>();

  LiveReadings(Wire wire, OpenSessions sessions, Accounts accounts) {
    this.wire = wire;
    this.sessions = sessions;
    this.accounts = accounts;
  }

  /** A page that listens, and by whose leave. */
  private record Page(SseEmitter line, UUID person, String session) {}

  /** Readings of some probes are in. */
  public record Came(UUID holding, Set<UUID> probes) {}

  /** What a page hears. */
  public record Word(Set<UUID> probes) {}

  /** For as long as the session lasts and the person belongs to the holding. */
  public SseEmitter open(UUID holding, UUID person, String session) {
    Set<Page> open = pages.computeIfAbsent(holding, h -> ConcurrentHashMap.newKeySet());
    if (open.size() >= MOST) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "too-many-pages",
          "",
          "More than " + MOST + " pages of this holding listen.",
          "Close some; what is shown is still right when loaded anew.");
    }
    SseEmitter line = new SseEmitter(OPEN.toMillis());
    Page page = new Page(line, person, session);
    open.add(page);
    line.onCompletion(() -> open.remove(page));
    line.onTimeout(line::complete);
    line.onError(e -> open.remove(page));
    tell(line, SseEmitter.event().comment("listening"));
    return line;
  }

  /** To the pages that are open at any node, once the readings are kept. */
  @EventListener
  void came(Came c) {
    List<UUID> probes = List.copyOf(c.probes());
    for (int from = 0; from < probes.size(); from += AT_ONCE) {
      String some =
          probes.subList(from, Math.min(probes.size(), from + AT_ONCE)).stream()
              .map(UUID::toString)
              .collect(Collectors.joining(","));
      wire.tell(CHANNEL, c.holding() + " " + some);
    }
  }

  @EventListener
  void heard(Wire.Word word) {
    if (!word.channel().equals(CHANNEL)) {
      return;
    }
    String[] said = word.text().split(" ");
    Set<UUID> probes =
        Arrays.stream(said[1].split(",")).map(UUID::fromString).collect(Collectors.toSet());
    pages
        .getOrDefault(UUID.fromString(said[0]), Set.of())
        .forEach(p -> tell(p.line, SseEmitter.event().name("readings").data(new Word(probes))));
  }

  /** Without a word now and then, whatever lies between would close the line. */
  @Scheduled(fixedDelay = 20_000)
  void beat() {
    pages.forEach(
        (holding, open) ->
            open.forEach(
                p -> {
                  if (sessions.lasts(p.session) && accounts.role(p.person, holding).isPresent()) {
                    tell(p.line, SseEmitter.event().comment(""));
                  } else {
                    p.line.complete();
                  }
                }));
  }

  private static void tell(SseEmitter page, SseEmitter.SseEventBuilder word) {
    try {
      page.send(word);
    } catch (IOException | IllegalStateException gone) {
      // the container ends it and says so to those who wait for its end
    }
  }

  /** Before the server waits for requests that are under way: these would never end. */
  @EventListener(ContextClosedEvent.class)
  void close() {
    pages.values().forEach(s -> s.forEach(p -> p.line.complete()));
  }
}
