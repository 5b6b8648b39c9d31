package nightbank.core.system;

import nightbank.core.source.HeatSource;

/**
 * A source with what switches it.
 *
 * @param indoors whether it stands in the house: what a flueless one does not give its receivers
 *     stays there
 */
public record SystemSource(String id, HeatSource source, Control control, boolean indoors) {
  public SystemSource with(Control other) {
    return new SystemSource(id, source, other, indoors);
  }

  public SystemSource with(HeatSource other) {
    return new SystemSource(id, other, control, indoors);
  }
}
