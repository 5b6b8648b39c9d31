package nightbank.server.exchange.internal;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import javax.sql.DataSource;
import nightbank.server.exchange.FileMapping;
import org.springframework.stereotype.Component;

/** One file being read, with how far it is; can be stopped. */
public final class ImportJob {
  private final DataSource source;
  private final Clock clock;
  private final UUID holding;
  private final UUID id;
  private final Path file;
  private final AtomicLong rows = new AtomicLong();
  private final AtomicLong readings = new AtomicLong();
  private final AtomicLong bytes = new AtomicLong();
  private volatile boolean stopped;

  /** Thrown when somebody stopped it. */
  public static final class Stopped extends IOException {
    private static final long serialVersionUID = 1L;
  }

  /** Makes jobs. */
  @Component
  public static final class Factory {
    private final DataSource source;
    private final Clock clock;

    Factory(DataSource source, Clock clock) {
      this.source = source;
      this.clock = clock;
    }

    public ImportJob of(UUID holding, UUID id, Path file) {
      return new ImportJob(source, clock, holding, id, file);
    }
  }

  private ImportJob(DataSource source, Clock clock, UUID holding, UUID id, Path file) {
    this.source = source;
    this.clock = clock;
    this.holding = holding;
    this.id = id;
    this.file = file;
  }

  public ImportRepository.Outcome run(FileMapping mapping) throws IOException, SQLException {
    try (Connection connection = source.getConnection();
        ReadingCopy copy = new ReadingCopy(connection, holding, id);
        InputStream in = new Counting(Files.newInputStream(file), bytes)) {
      UUID[] byColumn = probesByColumn(mapping);
      new MappedRows(
              mapping,
              clock.instant(),
              new MappedRows.Sink() {
                @Override
                public void row(long line, java.util.List<String> cells, Instant at, String why) {
                  rows.incrementAndGet();
                }

                @Override
                public void reading(
                    long line, int column, String channel, Instant at, double celsius)
                    throws IOException {
                  UUID probe =
                      channel == null
                          ? byColumn[column]
                          : mapping.channels().get(channel).probeId();
                  copy.add(probe, at, celsius);
                  readings.incrementAndGet();
                }

                @Override
                public void leftOut(long line, int column, String reason, String cell) {
                  copy.leaveOut(line, column, reason, cell);
                }

                @Override
                public boolean goOn() {
                  return !stopped;
                }
              })
          .read(in);
      if (stopped) {
        throw new Stopped();
      }
      return copy.finish(rows.get());
    }
  }

  private static UUID[] probesByColumn(FileMapping mapping) {
    UUID[] probes = new UUID[RowReader.MOST_COLUMNS + 1];
    for (FileMapping.Column c : mapping.columns()) {
      probes[c.index()] = c.probeId();
    }
    return probes;
  }

  public void stop() {
    stopped = true;
  }

  public long rows() {
    return rows.get();
  }

  public long readings() {
    return readings.get();
  }

  /** How much of the file has been read, 0 to 1. */
  public double share(long size) {
    return size <= 0 ? 0 : Math.min(1, (double) bytes.get() / size);
  }

  public ImportRepository.Outcome soFar() {
    return new ImportRepository.Outcome(rows.get(), readings.get(), 0, 0, null, null);
  }

  private static final class Counting extends FilterInputStream {
    private final AtomicLong bytes;

    Counting(InputStream in, AtomicLong bytes) {
      super(in);
      this.bytes = bytes;
    }

    @Override
    public int read(byte[] target, int from, int length) throws IOException {
      int n = super.read(target, from, length);
      bytes.addAndGet(Math.max(0, n));
      return n;
    }
  }
}
