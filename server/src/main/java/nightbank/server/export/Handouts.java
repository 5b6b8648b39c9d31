package nightbank.server.export;

import static nightbank.server.job.JobKind.HANDOUT;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import nightbank.server.export.internal.HandoutRepository;
import nightbank.server.export.internal.Spool;
import nightbank.server.job.Job;
import nightbank.server.job.JobHandler;
import nightbank.server.job.JobKind;
import nightbank.server.job.JobView;
import nightbank.server.job.Jobs;
import nightbank.server.shared.Json;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Whole holdings written into files: asked for, looked at, stopped, fetched for half a day. */
@Service
public class Handouts implements JobHandler {
  private static final String SUBJECT = "holding";

  private final HoldingExport export;
  private final HandoutRepository repository;
  private final Spool spool;
  private final Jobs jobs;
  private final Json json;
  private final TransactionTemplate transaction;

  Handouts(
      HoldingExport export,
      HandoutRepository repository,
      Spool spool,
      Jobs jobs,
      Json json,
      TransactionTemplate transaction) {
    this.export = export;
    this.repository = repository;
    this.spool = spool;
    this.jobs = jobs;
    this.json = json;
    this.transaction = transaction;
  }

  /** How far it is. */
  record Far(long readings, long of) {}

  /** Begins; one that is being written is joined, of earlier ones the latest stays. */
  public HandoutView start(UUID holding) {
    repository.forget(holding);
    return view(holding, jobs.ask(holding, HANDOUT, SUBJECT, SUBJECT));
  }

  public HandoutView view(UUID holding, UUID id) {
    JobView job = job(holding, id);
    Far far = job.progress() == null ? new Far(0, 0) : json.read(job.progress(), Far.class);
    return new HandoutView(id, job.state(), far.readings(), far.of(), job.problem());
  }

  public HandoutView stop(UUID holding, UUID id) {
    jobs.stop(holding, id);
    return view(holding, id);
  }

  /**
   * The file.
   *
   * @throws Problem 409 where it is not written yet, or never will be
   */
  public InputStream open(UUID holding, UUID id) {
    if (job(holding, id).state() != JobView.State.DONE) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "not-ready",
          "",
          "There is no file yet.",
          "Ask how far it is; fetch it when that is done.");
    }
    return repository.open(id);
  }

  private JobView job(UUID holding, UUID id) {
    return jobs.find(holding, HANDOUT, id).orElseThrow(() -> Problem.notFound("file"));
  }

  @Override
  public JobKind kind() {
    return HANDOUT;
  }

  @Override
  public void run(Job job) throws IOException {
    Path file =
        spool.written(
            out ->
                export.write(
                    job.holding(),
                    out,
                    (readings, of) -> {
                      job.check();
                      job.progress(new Far(readings, of));
                    }));
    try {
      transaction.executeWithoutResult(
          t -> {
            try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
              repository.save(job.id(), in);
            } catch (IOException e) {
              throw new UncheckedIOException(e);
            }
            job.finish(null);
          });
    } finally {
      Files.deleteIfExists(file);
    }
  }
}
