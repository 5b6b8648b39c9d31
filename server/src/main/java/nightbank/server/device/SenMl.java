package nightbank.server.device;

import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import nightbank.server.shared.SmallJson;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/**
 * Sensor Measurement Lists (RFC 8428) in JSON: base name, time, unit and value; times relative to
 * now below 2^28; temperatures in Cel, K or degF. Reads as it comes, so that what is endless is cut
 * off.
 */
public final class SenMl {
  private static final int MOST_RECORDS = 5000;
  private static final int VERSION = 10;
  private static final double RELATIVE = 1 << 28;

  private SenMl() {}

  /**
   * One resolved reading, or why a record is none.
   *
   * @param at absent where its time could not be read
   */
  public record Item(
      int index, String name, @Nullable Instant at, double celsius, @Nullable String leftOut) {}

  /** What cannot be read at all. */
  public static final class Unreadable extends Exception {
    private static final long serialVersionUID = 1L;

    Unreadable(String reason) {
      super(reason);
    }
  }

  private static final class Base {
    private String name = "";
    private double time;
    private String unit = "";
    private double value;
    private boolean hasValue;
  }

  public static List<Item> read(InputStream in, Instant now) throws Unreadable {
    List<Item> items = new ArrayList<>();
    Base base = new Base();
    try (JsonParser p =
        SmallJson.FACTORY.createParser(tools.jackson.core.ObjectReadContext.empty(), in)) {
      if (p.nextToken() != JsonToken.START_ARRAY) {
        throw new Unreadable("A SenML pack is an array of records.");
      }
      while (p.nextToken() == JsonToken.START_OBJECT) {
        if (items.size() >= MOST_RECORDS) {
          throw new Unreadable(
              "More than " + MOST_RECORDS + " records at once; send them in parts.");
        }
        Item item = record(p, base, items.size(), now);
        items.add(item);
      }
      if (p.currentToken() != JsonToken.END_ARRAY) {
        throw new Unreadable("A SenML pack holds records only.");
      }
      return items;
    } catch (JacksonException e) {
      throw new Unreadable("This is no JSON, or it breaks off.");
    }
  }

  private static Item record(JsonParser p, Base base, int index, Instant now)
      throws Unreadable, JacksonException {
    String name = "";
    String unit = null;
    Double value = null;
    double time = 0;
    String wrong = null;
    while (p.nextToken() == JsonToken.PROPERTY_NAME) {
      String key = p.currentName();
      JsonToken t = p.nextToken();
      switch (key) {
        case "bn" -> base.name = text(p, t, key);
        case "bu" -> base.unit = text(p, t, key);
        case "bt" -> base.time = number(p, t, key);
        case "bv" -> {
          base.value = number(p, t, key);
          base.hasValue = true;
        }
        case "bver" -> {
          if (number(p, t, key) > VERSION) {
            throw new Unreadable("SenML of a later version than " + VERSION + ".");
          }
        }
        case "n" -> name = text(p, t, key);
        case "u" -> unit = text(p, t, key);
        case "t" -> time = number(p, t, key);
        case "v" -> value = number(p, t, key);
        case "vs", "vb", "vd" -> wrong = "it holds no number";
        default -> {
          if (key.endsWith("_")) {
            throw new Unreadable("The field " + key + " must be understood and is not.");
          }
          p.skipChildren();
        }
      }
    }
    String whole = base.name + name;
    double seconds = base.time + time;
    Instant at = null;
    try {
      double absolute = seconds < RELATIVE ? now.toEpochMilli() / 1000.0 + seconds : seconds;
      at = Instant.ofEpochMilli(Math.round(absolute * 1000));
    } catch (DateTimeException | ArithmeticException e) {
      wrong = "its time cannot be read";
    }
    String given = unit == null ? base.unit : unit;
    if (wrong == null && value == null && !base.hasValue) {
      wrong = "it holds no value";
    }
    double v = (value == null ? 0 : value) + base.value;
    double celsius = Double.NaN;
    switch (given) {
      case "Cel" -> celsius = v;
      case "K" -> celsius = v - 273.15;
      case "degF", "[degF]" -> celsius = (v - 32) / 1.8;
      default ->
          wrong =
              wrong != null
                  ? wrong
                  : given.isEmpty()
                      ? "it has no unit"
                      : "its unit is " + given + ", no temperature";
    }
    if (wrong == null && !(celsius > -273.15 && celsius < 2000)) {
      wrong = "no thermometer reads that";
    }
    if (wrong == null && whole.isEmpty()) {
      wrong = "it has no name";
    }
    return new Item(index, whole, at, celsius, wrong);
  }

  private static String text(JsonParser p, JsonToken t, String key)
      throws Unreadable, JacksonException {
    if (t != JsonToken.VALUE_STRING) {
      throw new Unreadable("The field " + key + " must be text.");
    }
    return p.getString();
  }

  private static double number(JsonParser p, JsonToken t, String key)
      throws Unreadable, JacksonException {
    if (t != JsonToken.VALUE_NUMBER_FLOAT && t != JsonToken.VALUE_NUMBER_INT) {
      throw new Unreadable("The field " + key + " must be a number.");
    }
    double v = p.getDoubleValue();
    if (!Double.isFinite(v)) {
      throw new Unreadable("The field " + key + " must be a finite number.");
    }
    return v;
  }
}
