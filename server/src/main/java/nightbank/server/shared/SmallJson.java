package nightbank.server.shared;

import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;

/** JSON of devices: shallow, with short names and numbers, or refused. */
public final class SmallJson {
  public static final JsonFactory FACTORY =
      JsonFactory.builder()
          .streamReadConstraints(
              StreamReadConstraints.builder()
                  .maxNestingDepth(4)
                  .maxStringLength(400)
                  .maxNumberLength(40)
                  .maxNameLength(60)
                  .build())
          .build();

  private SmallJson() {}
}
