package nightbank.server.loggerfile.internal;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import nightbank.db.tables.records.ImportFileRecord;
import nightbank.server.change.Changes;
import nightbank.server.job.Job;
import nightbank.server.job.JobHandler;
import nightbank.server.job.JobKind;
import nightbank.server.job.JobStopped;
import nightbank.server.log.ReadingWriter;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.ImportView;
import nightbank.server.loggerfile.Imports;
import nightbank.server.loggerfile.internal.ImportRepository.Outcome;
import nightbank.server.run.Runs;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/** Reads a file in, all of it in one transaction: stopped, failed or killed, nothing is kept. */
@Component
class ImportWork implements JobHandler {
  private static final Logger LOG = LoggerFactory.getLogger(ImportWork.class);
  private static final int MOST_LEFT_OUT = 1000; // kept one by one; beyond that only counted
  private static final int TOLD_EVERY = 1000; // rows

  private final ImportRepository repository;
  private final UploadRepository uploads;
  private final ProbeTies ties;
  private final ReadingWriter writer;
  private final Runs runs;
  private final Changes changes;
  private final Clock clock;
  private final TransactionTemplate transaction;

  ImportWork(
      ImportRepository repository,
      UploadRepository uploads,
      ProbeTies ties,
      ReadingWriter writer,
      Runs runs,
      Changes changes,
      Clock clock,
      PlatformTransactionManager transactions) {
    this.repository = repository;
    this.uploads = uploads;
    this.ties = ties;
    this.writer = writer;
    this.runs = runs;
    this.changes = changes;
    this.clock = clock;
    transaction = new TransactionTemplate(transactions);
  }

  @Override
  public JobKind kind() {
    return JobKind.IMPORT;
  }

  @Override
  public void run(Job job) {
    UUID id = UUID.fromString(job.subject());
    Reading reading = new Reading(job);
    try {
      transaction.executeWithoutResult(t -> readIn(job, id, reading));
    } catch (JobStopped e) {
      if (job.askedToStop()) {
        ended(job, id, ImportView.State.STOPPED, "Stopped; nothing was saved.", reading);
      }
      throw e;
    } catch (Problem e) {
      ended(job, id, ImportView.State.FAILED, e.getMessage(), reading);
      job.finish(null);
    } catch (DataAccessResourceFailureException | TransactionException away) {
      throw away; // it is read once more when the database is back
    } catch (RuntimeException e) {
      if (job.stopped()) {
        throw new JobStopped();
      }
      LOG.error("import {}", id, e);
      ended(
          job,
          id,
          ImportView.State.FAILED,
          "It could not be read to the end; nothing was saved.",
          reading);
      job.finish(null);
    }
  }

  private void ended(
      Job job, UUID id, ImportView.State state, @Nullable String problem, Reading reading) {
    repository.ended(job.holding(), id, state, problem, reading.soFar());
  }

  private void readIn(Job job, UUID id, Reading reading) {
    UUID holding = job.holding();
    ImportFileRecord r = repository.find(holding, id).orElseThrow(() -> Problem.notFound("import"));
    FileMapping tied = ties.tie(holding, r.getStoreId(), repository.mappingOf(r));
    repository.setMapping(holding, id, tied);
    Outcome o = reading.read(holding, id, tied);
    if (o.readings() == 0) {
      throw Problem.invalid("file", "No reading was found in the file.", "Check the columns.");
    }
    repository.remember(holding, r.getStoreId(), r.getDialect(), tied, clock.instant());
    if (o.added() > 0 && o.from() != null && o.to() != null && o.from().isBefore(o.to())) {
      Instant from = o.from();
      Instant to = o.to();
      changes.inTheNameOf(
          r.getAskedBy(),
          () -> runs.ofImport(holding, r.getStoreId(), id, r.getFileName(), from, to));
    }
    repository.ended(holding, id, ImportView.State.DONE, "", o);
    if (o.added() > 0) {
      changes.inTheNameOf(
          r.getAskedBy(),
          () ->
              changes.made(
                  holding, Changes.Kind.IMPORT, id.toString(), r.getFileName(), null, Imports.IN));
    }
    uploads.delete(id);
    job.finish(null);
  }

  /** A file on its way in, with how far it is. */
  private final class Reading implements MappedRows.Sink {
    private final Job job;
    private final List<LeftOutRow> leftOut = new ArrayList<>();
    private final @Nullable UUID[] byColumn = new UUID[RowReader.MOST_COLUMNS + 1];
    private ReadingWriter.@Nullable Taking taking;
    private Map<String, FileMapping.Channel> channels = Map.of();
    private long rows;
    private long readings;
    private long bytes;
    private long left;

    Reading(Job job) {
      this.job = job;
    }

    Outcome read(UUID holding, UUID id, FileMapping m) {
      channels = m.channels();
      taking = writer.begin(holding, id);
      for (FileMapping.Column c : m.columns()) {
        byColumn[c.index()] = c.probeId();
      }
      try (InputStream in = new Counting(uploads.open(id))) {
        new MappedRows(m, clock.instant(), this).read(in);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      job.check();
      repository.leaveOut(holding, id, leftOut);
      ReadingWriter.Taken t = taking.end();
      return new Outcome(rows, t.readings(), t.added(), left, t.first(), t.last());
    }

    @Override
    public void row(long line, List<String> cells, @Nullable Instant at, String why) {
      if (++rows % TOLD_EVERY == 0) {
        job.progress(new ImportView.Far(rows, readings, bytes));
      }
    }

    @Override
    public void reading(
        long line, int column, @Nullable String channel, Instant at, double celsius) {
      UUID probe =
          channel == null
              ? byColumn[column]
              : Objects.requireNonNull(channels.get(channel)).probeId();
      Objects.requireNonNull(taking).add(Objects.requireNonNull(probe), at, celsius);
      readings++;
    }

    @Override
    public void leftOut(long line, int column, String reason, String cell) {
      left++;
      if (leftOut.size() < MOST_LEFT_OUT) {
        String shown = cell.length() > 100 ? cell.substring(0, 100) + "…" : cell;
        leftOut.add(new LeftOutRow(line, column, reason, shown.replace("\u0000", "")));
      }
    }

    @Override
    public boolean goOn() {
      return !job.stopped();
    }

    Outcome soFar() {
      return new Outcome(rows, readings, 0, 0, null, null);
    }

    private final class Counting extends FilterInputStream {
      Counting(InputStream in) {
        super(in);
      }

      @Override
      public int read(byte[] target, int from, int length) throws IOException {
        int n = super.read(target, from, length);
        bytes += Math.max(0, n);
        return n;
      }
    }
  }
}
