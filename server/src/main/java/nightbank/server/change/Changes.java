package nightbank.server.change;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.account.SignedIn;
import nightbank.server.change.internal.ChangeRepository;
import nightbank.server.change.internal.ChangeRepository.Entry;
import nightbank.server.change.internal.ChangeRepository.Headline;
import nightbank.server.change.internal.ChangeRepository.Kept;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What people changed in a holding. What one transaction changes is one change; whoever notes last
 * gives it its name. What nobody asked for (a logger's readings) is not noted.
 */
@Service
public class Changes {
  /** For so long what was taken away can come back. */
  public static final Duration KEPT = Duration.ofDays(30);

  private static final int MOST = 200;

  private final ChangeRepository repository;
  private final Access access;
  private final ObjectProvider<Reversible> reversible;
  private final JsonMapper mapper;
  private final Clock clock;
  private final ThreadLocal<@Nullable UUID> askedBy = new ThreadLocal<>();

  Changes(
      ChangeRepository repository,
      Access access,
      ObjectProvider<Reversible> reversible,
      JsonMapper mapper,
      Clock clock) {
    this.repository = repository;
    this.access = access;
    this.reversible = reversible;
    this.mapper = mapper;
    this.clock = clock;
  }

  /** What is changed. */
  public enum Kind {
    READING(Role.HELPER),
    EVENT(Role.HELPER),
    ROUND(Role.HELPER),
    PHOTO(Role.HELPER),
    TASK_DONE(Role.HELPER),
    TASK(Role.KEEPER),
    WOOD(Role.KEEPER),
    RUN(Role.KEEPER),
    TRIAL(Role.KEEPER),
    PLAN(Role.KEEPER),
    PART(Role.KEEPER),
    STORE(Role.KEEPER),
    HOUSE(Role.KEEPER),
    THERMOMETER(Role.KEEPER),
    BOOK(Role.KEEPER),
    IMPORT(Role.KEEPER),
    DEVICE(Role.KEEPER),
    PERSON(Role.KEEPER),
    PLACE(Role.KEEPER);

    /** Who may change it, and so take a change of it back. */
    private final Role needed;

    Kind(Role needed) {
      this.needed = needed;
    }
  }

  /** What became of it. */
  public enum Verb {
    MADE,
    CHANGED,
    REMOVED
  }

  /**
   * Notes, in the transaction that makes it, that a thing is another now.
   *
   * @param name what it is called, or a code of it
   * @param before null where it was not there
   * @param after null where it is gone
   */
  public void made(
      UUID holding,
      Kind kind,
      String subject,
      String name,
      @Nullable Object before,
      @Nullable Object after) {
    UUID who = me();
    if (who != null) {
      note(holding, who, kind, subject, name, before, after);
    }
  }

  private void note(
      UUID holding,
      UUID who,
      Kind kind,
      String subject,
      String name,
      @Nullable Object before,
      @Nullable Object after) {
    Entry entry =
        new Entry(kind, subject, name, mapper.valueToTree(before), mapper.valueToTree(after));
    if (entry.before().equals(entry.after())) {
      return;
    }
    Noted noted = (Noted) TransactionSynchronizationManager.getResource(this);
    if (noted == null) {
      noted = new Noted(holding, who);
      TransactionSynchronizationManager.bindResource(this, noted);
      TransactionSynchronizationManager.registerSynchronization(noted);
    }
    noted.entries.add(entry);
  }

  /** What the transaction that is open has changed. */
  private final class Noted implements TransactionSynchronization {
    private final UUID holding;
    private final UUID person;
    private final List<Entry> entries = new ArrayList<>();

    Noted(UUID holding, UUID person) {
      this.holding = holding;
      this.person = person;
    }

    @Override
    public void beforeCommit(boolean readOnly) {
      repository.add(holding, person, clock.instant(), headline(entries), entries);
    }

    @Override
    public void beforeCompletion() {
      TransactionSynchronizationManager.unbindResource(Changes.this);
    }
  }

  /** The newest first. */
  public List<ChangeView> newest(UUID holding) {
    UUID me = me();
    return repository.newest(holding, MOST).stream().map(k -> view(k, me)).toList();
  }

  /** Takes a change back, or makes it again; refused where something has changed it since. */
  @Transactional
  public ChangeView turn(UUID holding, UUID id, boolean back) {
    Kept k = repository.find(holding, id).orElseThrow(() -> Problem.notFound("change"));
    boolean mine = k.person().equals(me());
    List<Entry> entries = new ArrayList<>(repository.entries(holding, id));
    boolean keepers = entries.stream().anyMatch(e -> e.kind().needed == Role.KEEPER);
    access.require(holding, mine && !keepers ? Role.HELPER : Role.KEEPER);
    if (back == (k.undoneAt() != null)) {
      return view(k, me());
    }
    Map<Kind, Reversible> by = new EnumMap<>(Kind.class);
    reversible.forEach(r -> by.put(r.kind(), r));
    if (back) {
      Collections.reverse(entries);
    }
    for (int i = 0; i < entries.size(); ) {
      Map<String, Entry> alike = alike(entries, i);
      turn(holding, alike, back, Objects.requireNonNull(by.get(entries.get(i).kind())));
      i += alike.size();
    }
    repository.turned(holding, id, back ? clock.instant() : null);
    return view(repository.find(holding, id).orElseThrow(), me());
  }

  /** Those from one on that are of its kind, none of them twice, by subject. */
  private static Map<String, Entry> alike(List<Entry> entries, int from) {
    Map<String, Entry> alike = new LinkedHashMap<>();
    for (Entry e : entries.subList(from, entries.size())) {
      if (e.kind() != entries.get(from).kind() || alike.containsKey(e.subject())) {
        break;
      }
      alike.put(e.subject(), e);
    }
    return alike;
  }

  private void turn(UUID holding, Map<String, Entry> alike, boolean back, Reversible of) {
    Map<String, Object> now = of.now(holding, alike.keySet());
    Map<String, Optional<JsonNode>> wanted = new LinkedHashMap<>();
    for (Entry e : alike.values()) {
      JsonNode is = mapper.readTree(mapper.writeValueAsString(now.get(e.subject())));
      if (!is.equals(back ? e.after() : e.before())) {
        throw new Problem(
            HttpStatus.CONFLICT,
            "changed-since",
            e.kind().name(),
            "“%s” has been changed again since.".formatted(e.name()),
            "Take back the later change first, or change it by hand.");
      }
      JsonNode to = back ? e.before() : e.after();
      wanted.put(e.subject(), to.isNull() ? Optional.empty() : Optional.of(to));
    }
    try {
      of.put(holding, wanted);
    } catch (Problem p) {
      Entry first = alike.values().iterator().next();
      throw p.status() != HttpStatus.NOT_FOUND
          ? p
          : new Problem(
              HttpStatus.CONFLICT,
              "rests-on-nothing",
              first.kind().name(),
              "What “%s” belongs to has been taken away since.".formatted(first.name()),
              "Bring that back first.");
    }
  }

  private @Nullable UUID me() {
    return access.signedIn().map(SignedIn::personId).orElseGet(askedBy::get);
  }

  /** Does what somebody asked for earlier; it is noted as theirs. */
  public void inTheNameOf(@Nullable UUID person, Runnable what) {
    askedBy.set(person);
    try {
      what.run();
    } finally {
      askedBy.remove();
    }
  }

  private static Headline headline(List<Entry> entries) {
    Entry last = entries.get(entries.size() - 1);
    int count = (int) entries.stream().filter(e -> e.kind() == last.kind()).count();
    boolean one = count == 1 && last.kind() == Kind.READING;
    return new Headline(
        last.kind(),
        last.before().isNull() ? Verb.MADE : last.after().isNull() ? Verb.REMOVED : Verb.CHANGED,
        last.name(),
        count,
        one && !last.before().isNull() ? last.before().asDouble() : null,
        one && !last.after().isNull() ? last.after().asDouble() : null);
  }

  private static ChangeView view(Kept k, @Nullable UUID me) {
    Headline h = k.headline();
    return new ChangeView(
        k.id(),
        k.at(),
        k.by(),
        k.person().equals(me),
        h.kind(),
        h.verb(),
        h.name(),
        h.count(),
        h.was(),
        h.became(),
        k.undoneAt());
  }

  /** What cannot come back any more goes for good. */
  @Scheduled(initialDelay = 60_000, fixedDelay = 3_600_000)
  @Transactional
  void tidy() {
    Instant before = clock.instant().minus(KEPT);
    repository.forget(before);
    reversible.forEach(r -> r.forget(before));
  }
}
