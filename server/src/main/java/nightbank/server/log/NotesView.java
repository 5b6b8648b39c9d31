package nightbank.server.log;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Notes as they were understood; nothing is kept of them yet. */
public record NotesView(List<Note> notes) {
  /** What keeps a note from being a reading, or makes it doubtful. */
  public enum Doubt {
    NO_PROBE,
    NO_TIME,
    NO_FIGURE,
    AHEAD,
    MAYBE_FAHRENHEIT
  }

  /**
   * One figure.
   *
   * @param line of the notes, from 1
   * @param name as written before it or above its column
   * @param typed as written
   */
  public record Note(
      int line,
      @Nullable UUID probeId,
      String name,
      @Nullable Instant at,
      String typed,
      @Nullable Double celsius,
      @Nullable Doubt doubt) {}
}
