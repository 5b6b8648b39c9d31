package nightbank.server.loggerfile.internal;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.ImportView.PreviewRow;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The first rows as understood, so that the person can correct the guess. */
@Component
public final class ImportPreview {
  private static final int ROWS = 20;

  private final ImportRepository repository;
  private final Clock clock;

  ImportPreview(ImportRepository repository, Clock clock) {
    this.repository = repository;
    this.clock = clock;
  }

  /** How a file was understood: as its logger's last one was, or by what it looks like. */
  public record Understood(FileMapping mapping, String dialect, boolean ambiguousDates) {}

  /**
   * @param head what a file begins with
   */
  public Understood understand(
      UUID holding, UUID store, byte[] head, List<ProbeView> probes, String zone)
      throws IOException {
    var guess = DialectGuess.of(head, probes, zone);
    FileMapping mapping =
        repository
            .remembered(holding, store, guess.fingerprint())
            .filter(m -> known(m, probes))
            .orElse(guess.mapping());
    return new Understood(mapping, guess.fingerprint(), guess.ambiguousDates());
  }

  private static boolean known(FileMapping m, List<ProbeView> probes) {
    var ids = probes.stream().map(ProbeView::id).collect(Collectors.toSet());
    return m.columns().stream().allMatch(c -> c.probeId() == null || ids.contains(c.probeId()))
        && m.channels().values().stream()
            .allMatch(c -> c.probeId() == null || ids.contains(c.probeId()));
  }

  /** Whether this is how the logger's last file was read in. */
  public boolean remembered(UUID holding, UUID store, String dialect, FileMapping mapping) {
    return repository.remembered(holding, store, dialect).filter(mapping::equals).isPresent();
  }

  public List<PreviewRow> rows(InputStream file, FileMapping mapping) throws IOException {
    List<PreviewRow> rows = new ArrayList<>();
    new MappedRows(mapping, clock.instant(), new Collector(mapping, rows)).read(file);
    return rows;
  }

  /** Refuses a correction that cannot be followed. */
  public void check(FileMapping m, List<ProbeView> probes) {
    try {
      Charset.forName(m.charset());
      ZoneId.of(m.zone());
    } catch (DateTimeException | IllegalArgumentException e) {
      throw Problem.invalid(
          "zone", "There is no such time zone or alphabet.", "For instance Europe/London.");
    }
    boolean delimiterFine = m.delimiter() != null && m.delimiter().length() == 1;
    if (!delimiterFine || "\r\n\"".contains(m.delimiter())) {
      throw Problem.invalid("delimiter", "The separator is one character.", "Choose one.");
    }
    if (m.timeForm() == null || m.timeColumns() == null || m.timeColumns().isEmpty()) {
      throw Problem.invalid("timeColumns", "No column of times is chosen.", "Choose one or two.");
    }
    boolean inside =
        m.columns() != null
            && m.channels() != null
            && m.columns().size() <= RowReader.MOST_COLUMNS
            && m.columns().stream()
                .allMatch(
                    c -> c.use() != null && c.index() >= 0 && c.index() < RowReader.MOST_COLUMNS)
            && m.timeColumns().stream().allMatch(i -> i != null && i >= 0);
    if (!inside) {
      throw Problem.invalid("columns", "A column lies outside the file.", "Choose the file again.");
    }
    if (!known(m, probes)) {
      throw Problem.notFound("probe");
    }
  }

  private static final class Collector implements MappedRows.Sink {
    private final FileMapping mapping;
    private final List<PreviewRow> rows;
    private Double[] celsius = new Double[0];
    private String why = "";

    Collector(FileMapping mapping, List<PreviewRow> rows) {
      this.mapping = mapping;
      this.rows = rows;
    }

    @Override
    public void row(long line, List<String> cells, @Nullable Instant at, String reason) {
      celsius = new Double[mapping.columns().size()];
      why = reason;
      List<String> shown = cells.size() > 40 ? cells.subList(0, 40) : cells;
      rows.add(new PreviewRow(line, List.copyOf(shown), at, Arrays.asList(celsius), reason));
    }

    @Override
    public void reading(long line, int column, @Nullable String channel, Instant at, double value) {
      for (int i = 0; i < celsius.length; i++) {
        if (mapping.columns().get(i).index() == column) {
          celsius[i] = value;
        }
      }
    }

    @Override
    public void leftOut(long line, int column, String reason, String cell) {
      if (why.isEmpty() && !rows.isEmpty()) {
        PreviewRow last = rows.get(rows.size() - 1);
        rows.set(
            rows.size() - 1,
            new PreviewRow(last.line(), last.cells(), last.at(), last.celsius(), reason));
      }
    }

    @Override
    public boolean goOn() {
      return rows.size() < ROWS;
    }
  }
}
