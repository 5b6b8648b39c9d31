package nightbank.server.exchange;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import nightbank.db.tables.records.ImportFileRecord;
import nightbank.server.exchange.internal.ImportJob;
import nightbank.server.exchange.internal.ImportPreview;
import nightbank.server.exchange.internal.ImportRepository;
import nightbank.server.exchange.internal.ProbeTies;
import nightbank.server.holding.Holdings;
import nightbank.server.run.Runs;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import nightbank.server.store.Stores;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Logger files: taken in, understood, corrected, read. */
@Service
public class Imports {
  private static final Logger LOG = LoggerFactory.getLogger(Imports.class);

  private final ImportRepository repository;
  private final ImportPreview previews;
  private final ProbeTies ties;
  private final ImportJob.Factory jobs;
  private final Stores stores;
  private final Holdings holdings;
  private final Runs runs;
  private final Clock clock;
  private final Path folder;
  private final ExecutorService worker = Executors.newSingleThreadExecutor();
  private final Map<UUID, ImportJob> running = new ConcurrentHashMap<>();

  Imports(
      ImportRepository repository,
      ImportPreview previews,
      ProbeTies ties,
      ImportJob.Factory jobs,
      Stores stores,
      Holdings holdings,
      Runs runs,
      Clock clock,
      Settings settings) {
    this.repository = repository;
    this.previews = previews;
    this.ties = ties;
    this.jobs = jobs;
    this.stores = stores;
    this.holdings = holdings;
    this.runs = runs;
    this.clock = clock;
    this.folder = settings.data().resolve("uploads").toAbsolutePath();
  }

  @PostConstruct
  void begin() throws IOException {
    Files.createDirectories(folder);
    repository.failCutOff();
  }

  @PreDestroy
  void end() {
    running.values().forEach(ImportJob::stop);
    worker.shutdown();
  }

  /** Takes a file in and says how it was understood; nothing is read into the record yet. */
  public ImportView accept(UUID holding, UUID store, String fileName, InputStream content)
      throws IOException {
    var probes = stores.get(holding, store).probes();
    UUID id = UUID.randomUUID();
    Path file = file(id);
    try {
      long bytes = Files.copy(content, file);
      String zone = holdings.get(holding).zone();
      FileMapping guess = previews.guess(holding, store, file, probes, zone);
      repository.insert(holding, store, id, shown(fileName), bytes, guess, clock.instant());
    } catch (IOException | RuntimeException e) {
      Files.deleteIfExists(file);
      throw e;
    }
    return view(holding, id);
  }

  public ImportView view(UUID holding, UUID id) {
    ImportFileRecord r = found(holding, id);
    ImportJob job = running.get(id);
    FileMapping mapping = repository.mappingOf(r);
    var state = ImportView.State.valueOf(r.getState());
    var preview =
        state == ImportView.State.UPLOADED && Files.exists(file(id))
            ? previews.of(holding, r.getStoreId(), file(id), mapping)
            : ImportPreview.Shown.NOTHING;
    return new ImportView(
        id,
        r.getStoreId(),
        r.getFileName(),
        r.getBytes(),
        state,
        mapping,
        preview.ambiguousDates(),
        preview.remembered(),
        preview.rows(),
        job == null ? r.getRowsRead() : job.rows(),
        job == null ? (state == ImportView.State.DONE ? 1 : 0) : job.share(r.getBytes()),
        job == null ? r.getReadings() : job.readings(),
        r.getAdded(),
        r.getLeftOut(),
        r.getFromAt(),
        r.getToAt(),
        r.getProblem(),
        repository.runOf(holding, id).orElse(null));
  }

  public ImportView correct(UUID holding, UUID id, FileMapping mapping) {
    ImportFileRecord r = found(holding, id);
    if (!r.getState().equals(ImportView.State.UPLOADED.name())) {
      throw Problem.changedMeanwhile("import");
    }
    previews.check(mapping, stores.probes(holding, r.getStoreId()));
    repository.setMapping(holding, id, mapping);
    return view(holding, id);
  }

  /** Reads the file in the background; ask {@link #view} how far it is. */
  public ImportView start(UUID holding, UUID id) {
    begin(holding, id);
    return view(holding, id);
  }

  /** Reads the file and returns when that has ended, well or not. */
  public ImportView startAndWait(UUID holding, UUID id) {
    begin(holding, id).join();
    return view(holding, id);
  }

  private CompletableFuture<Void> begin(UUID holding, UUID id) {
    ImportFileRecord r = found(holding, id);
    if (!Files.exists(file(id))) {
      throw Problem.invalid("file", "The file is no longer here.", "Choose it again.");
    }
    if (!repository.claim(holding, id)) {
      throw new Problem(
          HttpStatus.CONFLICT, "running", "", "This file is being read or has been.", "Wait.");
    }
    ImportJob job = jobs.of(holding, id, file(id));
    running.put(id, job);
    return CompletableFuture.runAsync(() -> run(holding, r, job), worker);
  }

  private void run(UUID holding, ImportFileRecord r, ImportJob job) {
    UUID id = r.getId();
    try {
      FileMapping tied = ties.tie(holding, r.getStoreId(), repository.mappingOf(r));
      repository.setMapping(holding, id, tied);
      var outcome = job.run(tied);
      if (outcome.readings() == 0) {
        ended(holding, id, ImportView.State.FAILED, "No reading was found in the file.", outcome);
        return;
      }
      previews.remember(holding, r.getStoreId(), file(id), tied);
      if (outcome.added() > 0 && outcome.from().isBefore(outcome.to())) {
        runs.ofImport(holding, r.getStoreId(), id, r.getFileName(), outcome.from(), outcome.to());
      }
      ended(holding, id, ImportView.State.DONE, "", outcome);
      Files.deleteIfExists(file(id));
    } catch (ImportJob.Stopped e) {
      ended(holding, id, ImportView.State.STOPPED, "Stopped; nothing was saved.", job.soFar());
    } catch (Problem e) {
      ended(holding, id, ImportView.State.FAILED, e.getMessage(), job.soFar());
    } catch (Exception e) {
      LOG.error("import {}", id, e);
      ended(
          holding,
          id,
          ImportView.State.FAILED,
          "It could not be read to the end; nothing was saved.",
          job.soFar());
    } finally {
      running.remove(id);
    }
  }

  private void ended(
      UUID holding,
      UUID id,
      ImportView.State state,
      String problem,
      ImportRepository.Outcome outcome) {
    repository.ended(holding, id, state, problem, outcome);
  }

  public ImportView stop(UUID holding, UUID id) {
    found(holding, id);
    ImportJob job = running.get(id);
    if (job != null) {
      job.stop();
    }
    return view(holding, id);
  }

  public List<ImportView.LeftOut> leftOut(UUID holding, UUID id) {
    found(holding, id);
    return repository.leftOut(holding, id);
  }

  private ImportFileRecord found(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("import"));
  }

  private Path file(UUID id) {
    return folder.resolve(id.toString());
  }

  private static String shown(String fileName) {
    String name = fileName == null ? "" : fileName.replaceAll("[\\p{Cntrl}/\\\\]", "_").strip();
    return name.isEmpty() ? "file" : name.substring(0, Math.min(200, name.length()));
  }
}
