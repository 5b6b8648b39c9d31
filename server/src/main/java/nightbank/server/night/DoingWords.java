package nightbank.server.night;

import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import nightbank.core.system.Action;
import org.jspecify.annotations.Nullable;

/** What is to be done, for where no page says it: calendars, letters. */
public final class DoingWords {
  private DoingWords() {}

  /**
   * One thing to do.
   *
   * @param name of what it is done to, empty for the house
   */
  public static String of(Action.Kind kind, String name, @Nullable Double amount) {
    String of = name.toLowerCase(Locale.ENGLISH);
    return switch (kind) {
      case LOAD ->
          amount == null
              ? "Lay wood on the " + of
              : String.format(Locale.ROOT, "Lay %.0f kg on the %s", amount, of);
      case BYPASS -> "Bypass of the " + of + " open";
      case DAMPER_SHUT -> "Shut the damper of the " + of;
      case QUENCH -> "Smother the " + of;
      case RUN -> "Switch on: " + of;
      case STOP -> "Switch off: " + of;
      case LID_OFF -> "Lid off the " + of;
      case SCREEN -> "Draw the screen";
      case COVER -> "Fleece over the plants";
      case STUFF_GAPS -> "Stuff the gaps";
      case DOOR_OPEN -> "Open the door";
    };
  }

  /** The name of what something is done to; empty for the house. */
  public static String name(TonightView night, @Nullable UUID of) {
    return Stream.of(
            night.possible().stream()
                .filter(p -> of != null && Objects.equals(of, p.of()))
                .map(p -> p.name()),
            night.parts().stream().filter(p -> p.id().equals(of)).map(p -> p.name()),
            night.stores().stream().filter(s -> s.id().equals(of)).map(s -> s.name()))
        .flatMap(names -> names)
        .findFirst()
        .orElse("");
  }
}
