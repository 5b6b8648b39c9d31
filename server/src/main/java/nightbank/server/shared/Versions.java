package nightbank.server.shared;

import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;

/** ETag and If-Match of what people edit. */
public final class Versions {
  private Versions() {}

  public static <T> ResponseEntity<T> tagged(int version, T body) {
    return ResponseEntity.ok().eTag("\"" + version + "\"").body(body);
  }

  /** Refuses to change what is no longer as the page had it; a page that does not say is taken. */
  public static <T> void require(String what, @Nullable T was, @Nullable T now) {
    if (was != null && !was.equals(now)) {
      throw Problem.changedMeanwhile(what);
    }
  }

  public static int of(String ifMatch) {
    try {
      return Integer.parseInt(ifMatch.replace("W/", "").replace("\"", "").strip());
    } catch (NumberFormatException e) {
      throw Problem.changedMeanwhile("entry");
    }
  }
}
