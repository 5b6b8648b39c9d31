package nightbank.core.source;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nightbank.core.medium.Range;

/**
 * A mixture for a heap: carbon to nitrogen, moisture and density by parts (On-Farm Composting
 * Handbook, NRAES-54, ch. 3; target 25 to 35 to 1 and 50 to 60 % water). Volumes add, which loose
 * stuff does not quite do: density reads up to 20 % low.
 */
public record FeedMix(List<Part> parts) {
  /** So much of one thing, wet. */
  public record Part(Feedstock feed, double kilograms) {
    public Part {
      if (!(kilograms >= 0 && kilograms <= 1e6)) {
        throw new IllegalArgumentException(
            "feed must lie between 0 and 1e6 kg, was " + kilograms + " kg");
      }
    }
  }

  /** What is wrong with a mixture and how to mend it. */
  public record Hint(String reason, String remedy) {}

  public FeedMix {
    parts = List.copyOf(parts);
    if (parts.stream().mapToDouble(Part::kilograms).sum() <= 0) {
      throw new IllegalArgumentException("a mixture needs something in it");
    }
  }

  public double kilograms() {
    return parts.stream().mapToDouble(Part::kilograms).sum();
  }

  public double carbonToNitrogen() {
    double carbon = 0;
    double nitrogen = 0;
    for (Part p : parts) {
      double n = p.kilograms * (1 - p.feed.moisture()) * p.feed.nitrogen();
      nitrogen += n;
      carbon += n * p.feed.carbonToNitrogen();
    }
    return carbon / nitrogen;
  }

  public double moisture() {
    return parts.stream().mapToDouble(p -> p.kilograms * p.feed.moisture()).sum() / kilograms();
  }

  /** As thrown on, kg/m³. */
  public double density() {
    return kilograms() / parts.stream().mapToDouble(p -> p.kilograms / p.feed.density()).sum();
  }

  /** Volatile solids that can be destroyed, kg; all feeds off the same way at worst. */
  public Range degradableSolids() {
    double low = 0;
    double value = 0;
    double high = 0;
    for (Part p : parts) {
      double rots = p.feed.rotting(p.kilograms);
      low += rots * p.feed.degradable().low();
      value += rots * p.feed.degradable().value();
      high += rots * p.feed.degradable().high();
    }
    return new Range(low, value, high);
  }

  /** Share of the volume filled with air: solids of 1600 kg/m³ and water taken off (Haug). */
  public double freeAir() {
    double rho = density();
    return Math.max(0, 1 - rho * (1 - moisture()) / 1600 - rho * moisture() / 1000);
  }

  public List<Hint> hints() {
    List<Hint> hints = new ArrayList<>();
    double cn = carbonToNitrogen();
    if (cn > 35) {
      hints.add(
          new Hint(
              String.format(
                  Locale.ROOT, "%.0f parts of carbon to one of nitrogen: it will not get hot.", cn),
              "Add manure, grass or kitchen scraps until it is 25 to 35."));
    } else if (cn < 25) {
      hints.add(
          new Hint(
              String.format(
                  Locale.ROOT,
                  "%.0f parts of carbon to one of nitrogen: it will smell of ammonia.",
                  cn),
              "Add straw, leaves or sawdust until it is 25 to 35."));
    }
    double water = 100 * moisture();
    if (water < 50) {
      hints.add(
          new Hint(
              String.format(Locale.ROOT, "%.0f %% of water: too dry to work.", water),
              "Wet it as you stack it until a squeezed handful just drips, 50 to 60 %."));
    } else if (water > 60) {
      hints.add(
          new Hint(
              String.format(Locale.ROOT, "%.0f %% of water: it shuts the air out.", water),
              "Mix in something dry and stiff until it is 50 to 60 %."));
    }
    return hints;
  }
}
