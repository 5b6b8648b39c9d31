package nightbank.server.broker;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nightbank.server.device.SenMl;
import nightbank.server.shared.SmallJson;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads what sensors send: a number, with its unit or in °C; an object of numbers; a pack of SenML.
 */
final class BrokerMessage {
  static final int LARGEST = 64 * 1024; // bytes
  private static final int MOST_NAMES = 40;
  static final int LONGEST = 200; // of a channel
  private static final int SHOWN = 60;
  private static final Pattern NUMBER =
      Pattern.compile("([-+]?\\d{1,6}(?:[.,]\\d{1,9})?)\\s*(?:°?\\s?([CFK])|(Cel)|(degF))?");
  private static final JsonMapper JSON = JsonMapper.builder(SmallJson.FACTORY).build();

  private BrokerMessage() {}

  /**
   * One thing that was said.
   *
   * @param celsius absent where it is no temperature
   * @param at when by the sender's own word; absent where it did not say
   */
  record Said(String channel, String text, @Nullable Double celsius, @Nullable Instant at) {}

  /** Nothing for what cannot be read. */
  static List<Said> read(String topic, byte[] body, Instant now) {
    if (body.length > LARGEST || body.length == 0) {
      return List.of();
    }
    List<Said> all = new ArrayList<>();
    int first = firstLetter(body);
    if (first == '[') {
      pack(topic, body, now, all);
    } else if (first == '{') {
      object(topic, body, all);
    } else {
      String text = new String(body, StandardCharsets.UTF_8).strip();
      all.add(new Said(topic, shown(text), celsius(text), null));
    }
    all.removeIf(s -> s.channel().isBlank() || s.channel().length() > LONGEST);
    return all;
  }

  private static int firstLetter(byte[] body) {
    for (byte b : body) {
      if (b > ' ') {
        return b;
      }
    }
    return ' ';
  }

  private static void pack(String topic, byte[] body, Instant now, List<Said> all) {
    try {
      for (SenMl.Item i : SenMl.read(new ByteArrayInputStream(body), now)) {
        boolean well = i.leftOut() == null;
        String channel = i.name().isEmpty() ? topic : topic + " " + i.name();
        String text = well ? number(i.celsius()) + " °C" : String.valueOf(i.leftOut());
        all.add(new Said(channel, shown(text), well ? i.celsius() : null, i.at()));
      }
    } catch (SenMl.Unreadable e) {
      all.add(new Said(topic, shown(String.valueOf(e.getMessage())), null, null));
    }
  }

  private static void object(String topic, byte[] body, List<Said> all) {
    try {
      names(topic + " ", JSON.readTree(body), all);
    } catch (JacksonException e) {
      all.add(new Said(topic, "This is no JSON, or it breaks off.", null, null));
    }
  }

  private static void names(String before, JsonNode object, List<Said> all) {
    for (Map.Entry<String, JsonNode> e : object.properties()) {
      if (all.size() >= MOST_NAMES) {
        return;
      }
      JsonNode v = e.getValue();
      if (v.isObject()) {
        names(before + e.getKey() + ".", v, all);
      } else if (v.isNumber()) {
        all.add(new Said(before + e.getKey(), shown(v.asString()), possible(v.asDouble()), null));
      }
    }
  }

  /** Plain numbers are °C unless they say otherwise. */
  private static @Nullable Double celsius(String text) {
    Matcher m = NUMBER.matcher(text);
    if (!m.matches()) {
      return null;
    }
    double v = Double.parseDouble(m.group(1).replace(',', '.'));
    if ("F".equals(m.group(2)) || m.group(4) != null) {
      return possible((v - 32) / 1.8);
    }
    return possible("K".equals(m.group(2)) ? v - 273.15 : v);
  }

  private static @Nullable Double possible(double celsius) {
    return celsius > -273.15 && celsius < 2000 ? celsius : null;
  }

  private static String number(double celsius) {
    return String.valueOf(Math.round(celsius * 100) / 100.0);
  }

  private static String shown(String text) {
    String clean = text.replaceAll("[\\p{Cntrl}\\uFFFD]", " ").strip();
    return clean.substring(0, Math.min(SHOWN, clean.length()));
  }
}
