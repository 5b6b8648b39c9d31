package nightbank.server.loggerfile;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An import as its person sees it.
 *
 * @param ambiguousDates whether the file's dates read either way round
 * @param remembered whether the mapping is that of an earlier file of this logger
 * @param preview the first rows as understood
 * @param runId the run made of it, once done
 */
@RecordBuilder
public record ImportView(
    UUID id,
    UUID storeId,
    String fileName,
    long bytes,
    State state,
    FileMapping mapping,
    boolean ambiguousDates,
    boolean remembered,
    List<PreviewRow> preview,
    long rowsRead,
    double share,
    long readings,
    long added,
    long leftOut,
    @Nullable Instant from,
    @Nullable Instant to,
    String problem,
    @Nullable UUID runId) {

  /** How far it is read. */
  public record Far(long rows, long readings, long bytes) {}

  /** Where it stands. */
  public enum State {
    UPLOADED,
    RUNNING,
    DONE,
    FAILED,
    STOPPED,
    TAKEN_OUT
  }

  /**
   * One row of the preview.
   *
   * @param at the moment as understood, absent when it could not be
   * @param celsius by column of the mapping, null where left out
   * @param why the row or cell was left out, blank when all is well
   */
  public record PreviewRow(
      long line,
      List<String> cells,
      @Nullable Instant at,
      List<@Nullable Double> celsius,
      String why) {}

  /** A row or cell left out, with its reason. */
  public record LeftOut(long line, String reason, String cell) {}
}
