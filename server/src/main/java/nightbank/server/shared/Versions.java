package nightbank.server.shared;

import org.springframework.http.ResponseEntity;

/** ETag and If-Match of what people edit. */
public final class Versions {
  private Versions() {}

  public static <T> ResponseEntity<T> tagged(int version, T body) {
    return ResponseEntity.ok().eTag("\"" + version + "\"").body(body);
  }

  public static int of(String ifMatch) {
    try {
      return Integer.parseInt(ifMatch.replace("W/", "").replace("\"", "").strip());
    } catch (NumberFormatException e) {
      throw Problem.changedMeanwhile("entry");
    }
  }
}
