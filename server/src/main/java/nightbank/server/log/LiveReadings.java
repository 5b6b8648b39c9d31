package nightbank.server.log;

import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import nightbank.server.shared.Problem;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells pages that are open when readings have come in (server-sent events). A page that hears
 * nothing misses nothing: it asks again for what it shows.
 */
@Component
public class LiveReadings {
  private static final int MOST = 40; // pages of one holding
  private static final Duration OPEN = Duration.ofMinutes(10); // then the browser comes again

  private final Map<UUID, Set<SseEmitter>> pages = new ConcurrentHashMap<>();

  /** Readings of some probes are in. */
  public record Came(UUID holding, Set<UUID> probes) {}

  /** What a page hears. */
  public record Word(Set<UUID> probes) {}

  public SseEmitter open(UUID holding) {
    Set<SseEmitter> open = pages.computeIfAbsent(holding, h -> ConcurrentHashMap.newKeySet());
    if (open.size() >= MOST) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "too-many-pages",
          "",
          "More than " + MOST + " pages of this holding listen.",
          "Close some; what is shown is still right when loaded anew.");
    }
    SseEmitter page = new SseEmitter(OPEN.toMillis());
    open.add(page);
    page.onCompletion(() -> open.remove(page));
    page.onTimeout(page::complete);
    page.onError(e -> open.remove(page));
    tell(page, SseEmitter.event().comment("listening"));
    return page;
  }

  @TransactionalEventListener(fallbackExecution = true)
  void came(Came c) {
    pages
        .getOrDefault(c.holding(), Set.of())
        .forEach(p -> tell(p, SseEmitter.event().name("readings").data(new Word(c.probes()))));
  }

  /** Without a word now and then, whatever lies between would close the line. */
  @Scheduled(fixedDelay = 20_000)
  void beat() {
    pages.values().forEach(s -> s.forEach(p -> tell(p, SseEmitter.event().comment(""))));
  }

  private static void tell(SseEmitter page, SseEmitter.SseEventBuilder word) {
    try {
      page.send(word);
    } catch (IOException | IllegalStateException e) {
      page.completeWithError(e);
    }
  }

  /** Before the server waits for requests that are under way: these would never end. */
  @EventListener(ContextClosedEvent.class)
  void close() {
    pages.values().forEach(s -> s.forEach(SseEmitter::complete));
  }
}
