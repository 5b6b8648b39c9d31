package nightbank.server.shared;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** Something a person can mend: which field, what is wrong, and how to put it right (RFC 9457). */
public final class Problem extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final HttpStatus status;
  private final String code;
  private final String field;
  private final String remedy;

  public Problem(
      HttpStatus status, String code, String field, @Nullable String reason, String remedy) {
    super(reason, null, false, false);
    this.status = status;
    this.code = code;
    this.field = field;
    this.remedy = remedy;
  }

  public static Problem invalid(String field, @Nullable String reason, String remedy) {
    return new Problem(HttpStatus.UNPROCESSABLE_ENTITY, "invalid", field, reason, remedy);
  }

  public static Problem notFound(String what) {
    return new Problem(
        HttpStatus.NOT_FOUND,
        "not-found",
        what,
        "There is no such " + what + " here.",
        "Go back to the list; it may have been removed, or it belongs to another holding.");
  }

  /** There is as much of it as there may be. */
  public static Problem full(String field, String reason, String remedy) {
    return new Problem(HttpStatus.CONFLICT, "full", field, reason, remedy);
  }

  /** Something else is kept under the id that was sent. */
  public static Problem knownId(String what) {
    return new Problem(
        HttpStatus.CONFLICT,
        "known-id",
        "id",
        "Another " + what + " is kept under this id already.",
        "Load the list; send what is new under an id of its own.");
  }

  public static Problem changedMeanwhile(String what) {
    return new Problem(
        HttpStatus.PRECONDITION_FAILED,
        "changed-meanwhile",
        what,
        "Somebody changed this " + what + " since you opened it.",
        "Load it again; what you typed is still on this page.");
  }

  /** Turns a core refusal into a problem of this field. */
  public static <T> T field(String field, Supplier<T> make) {
    try {
      return make.get();
    } catch (IllegalArgumentException e) {
      throw invalid(field, sentence(e.getMessage()), "Enter a value within those limits.");
    }
  }

  private static String sentence(@Nullable String text) {
    if (text == null || text.isEmpty()) {
      return "This value cannot be used.";
    }
    return Character.toUpperCase(text.charAt(0)) + text.substring(1) + ".";
  }

  public HttpStatus status() {
    return status;
  }

  public String code() {
    return code;
  }

  public String field() {
    return field;
  }

  public String remedy() {
    return remedy;
  }
}
