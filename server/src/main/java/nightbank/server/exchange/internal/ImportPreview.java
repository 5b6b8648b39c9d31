package nightbank.server.exchange.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import nightbank.server.exchange.FileMapping;
import nightbank.server.exchange.ImportView.PreviewRow;
import nightbank.server.shared.Problem;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Component;

/** The first rows as understood, so that the person can correct the guess. */
@Component
public final class ImportPreview {
  private static final int ROWS = 20;

  private final ImportRepository repository;
  private final Stores stores;
  private final Clock clock;

  ImportPreview(ImportRepository repository, Stores stores, Clock clock) {
    this.repository = repository;
    this.stores = stores;
    this.clock = clock;
  }

  /** What is shown before anything is read in. */
  public record Shown(boolean ambiguousDates, boolean remembered, List<PreviewRow> rows) {
    public static final Shown NOTHING = new Shown(false, false, List.of());
  }

  public FileMapping guess(UUID holding, UUID store, Path file, List<ProbeView> probes, String zone)
      throws IOException {
    var guess = DialectGuess.of(file, probes, zone);
    return repository
        .remembered(holding, store, guess.fingerprint())
        .filter(m -> known(m, probes))
        .orElse(guess.mapping());
  }

  private static boolean known(FileMapping m, List<ProbeView> probes) {
    var ids = probes.stream().map(ProbeView::id).collect(Collectors.toSet());
    return m.columns().stream().allMatch(c -> c.probeId() == null || ids.contains(c.probeId()))
        && m.channels().values().stream()
            .allMatch(c -> c.probeId() == null || ids.contains(c.probeId()));
  }

  public void remember(UUID holding, UUID store, Path file, FileMapping mapping)
      throws IOException {
    var guess = DialectGuess.of(file, stores.probes(holding, store), mapping.zone());
    repository.remember(holding, store, guess.fingerprint(), mapping, clock.instant());
  }

  public Shown of(UUID holding, UUID store, Path file, FileMapping mapping) {
    List<PreviewRow> rows = new ArrayList<>();
    try (InputStream in = Files.newInputStream(file)) {
      var guess = DialectGuess.of(file, stores.probes(holding, store), mapping.zone());
      boolean remembered =
          repository
              .remembered(holding, store, guess.fingerprint())
              .filter(mapping::equals)
              .isPresent();
      new MappedRows(mapping, clock.instant(), new Collector(mapping, rows)).read(in);
      return new Shown(guess.ambiguousDates() && !remembered, remembered, rows);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
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
    public void row(long line, List<String> cells, Instant at, String reason) {
      celsius = new Double[mapping.columns().size()];
      why = reason;
      List<String> shown = cells.size() > 40 ? cells.subList(0, 40) : cells;
      rows.add(new PreviewRow(line, List.copyOf(shown), at, Arrays.asList(celsius), reason));
    }

    @Override
    public void reading(long line, int column, String channel, Instant at, double value) {
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
