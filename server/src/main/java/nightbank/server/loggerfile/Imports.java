package nightbank.server.loggerfile;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import nightbank.db.tables.records.ImportFileRecord;
import nightbank.server.account.Access;
import nightbank.server.account.SignedIn;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.holding.Holdings;
import nightbank.server.job.JobKind;
import nightbank.server.job.JobView;
import nightbank.server.job.Jobs;
import nightbank.server.log.ReadingWriter;
import nightbank.server.loggerfile.internal.ImportPreview;
import nightbank.server.loggerfile.internal.ImportPreview.Understood;
import nightbank.server.loggerfile.internal.ImportRepository;
import nightbank.server.loggerfile.internal.ImportRepository.Outcome;
import nightbank.server.loggerfile.internal.UploadRepository;
import nightbank.server.run.Runs;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.StoreView;
import nightbank.server.store.Stores;
import nightbank.server.thermometer.Thermometers;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Logger files: taken in, understood, corrected, read. */
@Service
public class Imports implements Reversible {
  /** Noted while a file's readings are in. */
  public static final String IN = "IN";

  private static final long MOST_WAITING = 1L << 30; // bytes of one holding
  static final Duration WAITS = Duration.ofDays(7);
  private static final int HEAD = 256 * 1024; // bytes, enough to understand a file by

  private final ImportRepository repository;
  private final UploadRepository uploads;
  private final ImportPreview previews;
  private final Jobs jobs;
  private final Stores stores;
  private final Thermometers thermometers;
  private final Holdings holdings;
  private final ReadingWriter writer;
  private final Runs runs;
  private final Changes changes;
  private final Access access;
  private final Json json;
  private final Clock clock;

  Imports(
      ImportRepository repository,
      UploadRepository uploads,
      ImportPreview previews,
      Jobs jobs,
      Stores stores,
      Thermometers thermometers,
      Holdings holdings,
      ReadingWriter writer,
      Runs runs,
      Changes changes,
      Access access,
      Json json,
      Clock clock) {
    this.repository = repository;
    this.uploads = uploads;
    this.previews = previews;
    this.jobs = jobs;
    this.stores = stores;
    this.thermometers = thermometers;
    this.holdings = holdings;
    this.writer = writer;
    this.runs = runs;
    this.changes = changes;
    this.access = access;
    this.json = json;
    this.clock = clock;
  }

  /** Takes a file in and says how it was understood; nothing is read into the record yet. */
  @Transactional(rollbackFor = IOException.class)
  public ImportView accept(UUID holding, UUID store, @Nullable String fileName, InputStream content)
      throws IOException {
    var probes = probes(holding, store);
    if (uploads.bytes(holding) > MOST_WAITING) {
      throw Problem.full(
          "file",
          "1 GB of files wait to be read in here.",
          "Read in those that were handed over; what waits for a week is thrown away.");
    }
    byte[] head = content.readNBytes(HEAD);
    String zone = holdings.get(holding).zone();
    Understood u = previews.understand(holding, store, head, probes, zone);
    UUID id = UUID.randomUUID();
    repository.insert(
        holding,
        store,
        id,
        shown(fileName),
        u.mapping(),
        u.dialect(),
        u.ambiguousDates(),
        clock.instant());
    InputStream all = new SequenceInputStream(new ByteArrayInputStream(head), content);
    repository.setBytes(holding, id, uploads.save(id, all));
    return view(holding, id);
  }

  /** Those of a store, and what hangs round it. */
  private List<ProbeView> probes(UUID holding, UUID store) {
    StoreView s = stores.get(holding, store);
    List<ProbeView> all = new ArrayList<>(s.probes());
    all.addAll(thermometers.around(holding, s.houseId()));
    return all;
  }

  public ImportView view(UUID holding, UUID id) {
    ImportFileRecord r = found(holding, id);
    FileMapping mapping = repository.mappingOf(r);
    ImportView.State state = ImportView.State.valueOf(r.getState());
    List<ImportView.PreviewRow> rows = List.of();
    boolean remembered = false;
    if (state == ImportView.State.UPLOADED) {
      rows = preview(id, mapping);
      remembered = previews.remembered(holding, r.getStoreId(), r.getDialect(), mapping);
    }
    ImportView.Far far = far(holding, id, r, state);
    return ImportViewBuilder.builder()
        .id(id)
        .storeId(r.getStoreId())
        .fileName(r.getFileName())
        .bytes(r.getBytes())
        .state(state)
        .mapping(mapping)
        .ambiguousDates(r.getAmbiguous() && !remembered)
        .remembered(remembered)
        .preview(rows)
        .rowsRead(far.rows())
        .share(r.getBytes() <= 0 ? 0 : Math.min(1, (double) far.bytes() / r.getBytes()))
        .readings(far.readings())
        .added(r.getAdded())
        .leftOut(r.getLeftOut())
        .from(r.getFromAt())
        .to(r.getToAt())
        .problem(r.getProblem())
        .runId(repository.runOf(holding, id).orElse(null))
        .build();
  }

  private List<ImportView.PreviewRow> preview(UUID id, FileMapping mapping) {
    try (InputStream in = uploads.open(id)) {
      return previews.rows(in, mapping);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private ImportView.Far far(UUID holding, UUID id, ImportFileRecord r, ImportView.State state) {
    if (state == ImportView.State.RUNNING) {
      return jobs.open(holding, JobKind.IMPORT, id.toString())
          .map(JobView::progress)
          .map(p -> json.read(p, ImportView.Far.class))
          .orElse(new ImportView.Far(0, 0, 0));
    }
    long bytes = state == ImportView.State.DONE ? r.getBytes() : 0;
    return new ImportView.Far(r.getRowsRead(), r.getReadings(), bytes);
  }

  public ImportView correct(UUID holding, UUID id, FileMapping mapping) {
    ImportFileRecord r = found(holding, id);
    if (!r.getState().equals(ImportView.State.UPLOADED.name())) {
      throw Problem.changedMeanwhile("import");
    }
    previews.check(mapping, probes(holding, r.getStoreId()));
    repository.setMapping(holding, id, mapping);
    return view(holding, id);
  }

  /** Has the file read behind the scenes; ask {@link #view} how far it is. */
  @Transactional
  public ImportView start(UUID holding, UUID id) {
    found(holding, id);
    if (!uploads.exists(id)) {
      throw Problem.invalid("file", "The file is no longer here.", "Choose it again.");
    }
    UUID person = access.signedIn().map(SignedIn::personId).orElse(null);
    if (!repository.claim(holding, id, person)) {
      throw new Problem(
          HttpStatus.CONFLICT, "running", "", "This file is being read or has been.", "Wait.");
    }
    jobs.ask(holding, JobKind.IMPORT, id.toString(), "");
    return view(holding, id);
  }

  /** Returns when a file that was started has been read, well or not. */
  public ImportView await(UUID holding, UUID id) {
    jobs.await(holding, JobKind.IMPORT, id.toString());
    return view(holding, id);
  }

  @Transactional
  public ImportView stop(UUID holding, UUID id) {
    found(holding, id);
    String subject = id.toString();
    Optional<JobView> job = jobs.open(holding, JobKind.IMPORT, subject);
    job.ifPresent(j -> jobs.stop(holding, j.id()));
    if (job.isPresent() && jobs.open(holding, JobKind.IMPORT, subject).isEmpty()) {
      repository.ended(
          holding,
          id,
          ImportView.State.STOPPED,
          "Stopped; nothing was saved.",
          new Outcome(0, 0, 0, 0, null, null));
    }
    return view(holding, id);
  }

  /** A store's files that were read in. */
  public List<ReadIn> readIn(UUID holding, UUID store) {
    stores.get(holding, store);
    return repository.readIn(holding, store).stream()
        .map(
            r ->
                new ReadIn(
                    r.getId(),
                    r.getFileName(),
                    r.getCreatedAt(),
                    r.getAdded(),
                    r.getFromAt(),
                    r.getToAt(),
                    r.getState().equals(ImportView.State.TAKEN_OUT.name())))
        .toList();
  }

  /** A file that was read in, and whether its readings have been taken out again. */
  public record ReadIn(
      UUID id,
      String fileName,
      Instant at,
      long added,
      @Nullable Instant from,
      @Nullable Instant to,
      boolean takenOut) {}

  /** Takes out what a file brought, and the run that it made. */
  @Transactional
  public ImportView takeOut(UUID holding, UUID id) {
    String name = found(holding, id).getFileName();
    if (now(holding, id.toString()) == null) {
      throw Problem.changedMeanwhile("import");
    }
    repository.runOf(holding, id).ifPresent(run -> runs.remove(holding, run));
    put(holding, id.toString(), null);
    changes.made(holding, kind(), id.toString(), name, IN, null);
    return view(holding, id);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.IMPORT;
  }

  @Override
  public @Nullable String now(UUID holding, String subject) {
    return repository
        .find(holding, UUID.fromString(subject))
        .filter(r -> r.getState().equals(ImportView.State.DONE.name()))
        .map(r -> IN)
        .orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    ImportFileRecord r = found(holding, id);
    Instant from = r.getFromAt();
    Instant to = r.getToAt();
    if (from != null && to != null) {
      Set<UUID> probes = repository.mappingOf(r).probes();
      if (state == null) {
        writer.layAside(holding, id, probes, from, to);
      } else {
        writer.bringBack(holding, id, probes, from, to);
      }
    }
    repository.takenOut(holding, id, state == null ? clock.instant() : null);
  }

  @Override
  public void forget(Instant before) {
    repository.forget(before);
  }

  /** What nobody reads in is thrown away, and what nobody is at any more is told to have failed. */
  @Scheduled(fixedDelay = 60_000)
  void tidy() {
    uploads.forget(clock.instant().minus(WAITS));
    repository.failLeft("It was begun and never ended; nothing was saved. Read it in once more.");
  }

  public List<ImportView.LeftOut> leftOut(UUID holding, UUID id) {
    found(holding, id);
    return repository.leftOut(holding, id);
  }

  private ImportFileRecord found(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("import"));
  }

  private static String shown(@Nullable String fileName) {
    String name = fileName == null ? "" : fileName.replaceAll("[\\p{Cntrl}/\\\\]", "_").strip();
    return name.isEmpty() ? "file" : name.substring(0, Math.min(200, name.length()));
  }
}
