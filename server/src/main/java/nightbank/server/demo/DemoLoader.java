package nightbank.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import nightbank.core.evidence.EventKind;
import nightbank.core.upkeep.UsualTask;
import nightbank.server.account.Accounts;
import nightbank.server.account.Role;
import nightbank.server.book.Book;
import nightbank.server.book.Books;
import nightbank.server.device.DeviceView;
import nightbank.server.device.Devices;
import nightbank.server.history.Statements;
import nightbank.server.holding.Holdings;
import nightbank.server.house.HouseDesign;
import nightbank.server.house.Houses;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.log.Readings;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.FileMappingBuilder;
import nightbank.server.loggerfile.ImportView;
import nightbank.server.loggerfile.Imports;
import nightbank.server.part.PartDesign;
import nightbank.server.part.Parts;
import nightbank.server.run.Runs;
import nightbank.server.shared.DemoClock;
import nightbank.server.shared.Settings;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreDesign;
import nightbank.server.store.StoreDraft;
import nightbank.server.store.Stores;
import nightbank.server.trial.Trials;
import nightbank.server.upkeep.Tasks;
import nightbank.server.upkeep.TasksDone;
import nightbank.server.upkeep.Woodpiles;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Fills an empty database with a holding told in a folder: its description, its events, and its
 * loggers' files, which go the way of any logger's file.
 */
@Component
class DemoLoader implements ApplicationRunner {
  static final String TOKEN = "logger.token";

  private static final org.slf4j.Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

  private final Settings settings;
  private final JsonMapper mapper;
  private final Accounts accounts;
  private final Holdings holdings;
  private final Houses houses;
  private final Books books;
  private final Stores stores;
  private final Parts parts;
  private final Imports imports;
  private final Runs runs;
  private final Trials trials;
  private final EventLog events;
  private final Devices devices;
  private final Readings readings;
  private final Statements statements;
  private final Woodpiles woodpiles;
  private final Tasks tasks;
  private final TasksDone done;
  private final Clock clock;

  DemoLoader(
      Settings settings,
      JsonMapper mapper,
      Accounts accounts,
      Holdings holdings,
      Houses houses,
      Books books,
      Stores stores,
      Parts parts,
      Imports imports,
      Runs runs,
      Trials trials,
      EventLog events,
      Devices devices,
      Readings readings,
      Statements statements,
      Woodpiles woodpiles,
      Tasks tasks,
      TasksDone done,
      Clock clock) {
    this.settings = settings;
    this.mapper = mapper;
    this.accounts = accounts;
    this.holdings = holdings;
    this.houses = houses;
    this.books = books;
    this.stores = stores;
    this.parts = parts;
    this.imports = imports;
    this.runs = runs;
    this.trials = trials;
    this.events = events;
    this.devices = devices;
    this.readings = readings;
    this.statements = statements;
    this.woodpiles = woodpiles;
    this.tasks = tasks;
    this.done = done;
    this.clock = clock;
  }

  record Told(
      Holdings.HoldingDraft holding,
      List<Person> people,
      List<House> houses,
      List<Store> stores,
      List<Part> parts,
      List<Run> runs,
      List<TriedOut> trials,
      List<Logger> loggers,
      Book book,
      List<Woodpiles.StackDraft> wood,
      List<Round> tasks,
      LocalDate recordFrom) {}

  /** A usual task with the moments at which it was done. */
  record Round(UsualTask usual, List<Instant> done) {}

  /** A trial with its runs by name and side. */
  record TriedOut(String name, List<List<String>> runs) {}

  /** A logger that sends by itself, with its channels and the store they are at. */
  record Logger(String name, String store, List<Channel> channels) {}

  record Channel(String name, String probe) {}

  record Person(String login, String name, String password, Role role) {}

  record House(String key, String name, HouseDesign design) {}

  record Store(
      String key,
      String name,
      String house,
      StoreDesign design,
      List<Probe> probes,
      String file,
      String fileZone) {}

  /** A part, whose design names stores by their keys' ids. */
  record Part(String key, String name, String house, tools.jackson.databind.JsonNode design) {}

  record Probe(String name, ProbeView.Kind kind, double radiusFraction, double heightFraction) {}

  record Run(String store, String name, Instant from, Instant to) {}

  record Event(
      UUID id,
      Instant at,
      String store,
      EventKind kind,
      EventKind.Way way,
      String note,
      Double amount,
      Double moisture) {}

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (!settings.isDemo()) {
      return;
    }
    if (accounts.anybody()) {
      if (clock instanceof DemoClock demo) {
        readings.newest().ifPresent(demo::resume);
      }
      return;
    }
    Path folder = Path.of(settings.demo());
    Told told = mapper.readValue(Files.readString(folder.resolve("croft.json")), Told.class);
    Person first = told.people().get(0);
    UUID keeper = accounts.create(first.login(), first.name(), first.password());
    UUID holding = holdings.create(keeper, told.holding()).id();
    for (Person p : told.people().subList(1, told.people().size())) {
      accounts.join(accounts.create(p.login(), p.name(), p.password()), holding, p.role());
    }
    for (House h : told.houses()) {
      houses.create(holding, new Houses.HouseDraft(id(h.key()), h.name(), h.design()));
    }
    books.change(holding, told.book(), 0);
    Map<String, UUID> ids = new HashMap<>();
    for (Store s : told.stores()) {
      ids.put(s.key(), id(s.key()));
      make(holding, s);
      read(holding, id(s.key()), folder.resolve(s.file()), s.fileZone());
    }
    for (Part p : told.parts()) {
      String design = named(p.design().toString(), ids);
      parts.create(
          holding,
          new Parts.PartDraft(
              id(p.key()),
              p.name(),
              p.house() == null ? null : id(p.house()),
              mapper.readValue(design, PartDesign.class)));
    }
    for (Run r : told.runs()) {
      runs.create(
          holding,
          Objects.requireNonNull(ids.get(r.store())),
          new Runs.RunDraft(id(r.name()), r.name(), r.from(), r.to()));
    }
    for (TriedOut t : told.trials()) {
      trials.save(
          holding,
          id(t.name()),
          new Trials.TrialDraft(
              t.name(),
              t.runs().stream().map(r -> new Trials.Sided(id(r.get(0)), r.get(1))).toList()));
    }
    Event[] happened =
        mapper.readValue(Files.readString(folder.resolve("events.json")), Event[].class);
    for (Event e : happened) {
      events.add(
          holding,
          new EventView(
              e.id(),
              ids.get(e.store()),
              e.kind(),
              e.way(),
              e.at(),
              e.note(),
              e.amount(),
              e.moisture()));
    }
    told.wood().forEach(w -> woodpiles.save(holding, id(w.name()), w));
    told.tasks().forEach(t -> take(holding, t));
    for (Logger l : told.loggers()) {
      connect(holding, l);
    }
    if (settings.judgeAhead()) {
      statements.of(
          holding, null, told.recordFrom(), LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC));
    }
    LOG.info("{} is set up", told.holding().name());
  }

  private void take(UUID holding, Round t) {
    UUID task = id(t.usual().name());
    tasks.save(holding, task, Tasks.TaskDraft.of(t.usual()));
    t.done().forEach(at -> done.save(holding, task, id(t.usual() + " " + at), at, ""));
  }

  /** A store's key in brackets is its id. */
  private static String named(String design, Map<String, UUID> ids) {
    String with = design;
    for (Map.Entry<String, UUID> e : ids.entrySet()) {
      with = with.replace("<" + e.getKey() + ">", e.getValue().toString());
    }
    return with;
  }

  /** Its token is left where the stand-in looks for it. */
  private void connect(UUID holding, Logger l) throws IOException {
    String token =
        devices
            .create(
                holding,
                new Devices.DeviceDraft(
                    id(l.name()),
                    l.name(),
                    l.channels().stream()
                        .map(c -> new DeviceView.DeviceChannel(c.name(), id(l.store() + c.probe())))
                        .toList(),
                    null))
            .token();
    Files.createDirectories(settings.data());
    Path file = settings.data().resolve(TOKEN);
    Files.deleteIfExists(file);
    Files.createFile(
        file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
    Files.writeString(file, token);
  }

  private void make(UUID holding, Store s) {
    stores.create(
        holding,
        new StoreDraft(
            id(s.key()),
            s.name(),
            s.house() == null ? null : id(s.house()),
            false,
            s.design(),
            s.probes().stream()
                .map(
                    p ->
                        new ProbeView(
                            id(s.key() + p.name()),
                            p.kind(),
                            p.name(),
                            p.radiusFraction(),
                            p.heightFraction()))
                .toList(),
            null,
            null,
            null));
  }

  /** As a keeper would: hand it over, set the zone right, read it in. */
  private void read(UUID holding, UUID store, Path file, String zone) throws IOException {
    ImportView view;
    try (InputStream in = Files.newInputStream(file)) {
      view = imports.accept(holding, store, file.getFileName().toString(), in);
    }
    imports.correct(holding, view.id(), inZone(view.mapping(), zone));
    imports.start(holding, view.id());
    view = imports.await(holding, view.id());
    if (view.state() != ImportView.State.DONE) {
      throw new IOException(file.getFileName() + ": " + view.problem());
    }
    runs.remove(holding, Objects.requireNonNull(view.runId())); // three weeks in one are no run
  }

  private static FileMapping inZone(FileMapping m, String zone) {
    return FileMappingBuilder.builder()
        .charset(m.charset())
        .delimiter(m.delimiter())
        .headingLine(m.headingLine())
        .decimalComma(m.decimalComma())
        .timeForm(m.timeForm())
        .zone(zone)
        .timeColumns(m.timeColumns())
        .columns(m.columns())
        .channelColumn(m.channelColumn())
        .channels(m.channels())
        .build();
  }

  private static UUID id(String key) {
    return UUID.nameUUIDFromBytes(("croft " + key).getBytes(StandardCharsets.UTF_8));
  }
}
