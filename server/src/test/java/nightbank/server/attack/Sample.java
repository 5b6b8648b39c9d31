package nightbank.server.attack;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Bodies by the interface's own description: whole ones, and ones with something wrong in them. */
final class Sample {
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private static final int DEEPEST = 9;
  private static final List<String> ODD =
      List.of(
          "null",
          "[]",
          "{}",
          "[null]",
          "\"\"",
          "\" \"",
          "\"\\u0000\"",
          "\"a\\u0000b\"",
          "1e308",
          "-1e308",
          "1e-320",
          "1e999",
          "99999999999999999999",
          "-1",
          "0",
          "true",
          "\"NaN\"",
          "\"Infinity\"",
          "\"9999-12-31T23:59:59Z\"",
          "\"+999999999-12-31T23:59:59Z\"",
          "\"-999999999-01-01T00:00:00Z\"",
          "\"0000-00-00\"",
          "\"ZZZ\"",
          "\"\\ud800\"",
          "\"\\u202e\\u200f\"",
          "\"=1+1\"",
          "\"<script>1</script>\"",
          "[[[[[[]]]]]]",
          "\"00000000-0000-0000-0000-000000000000\"");

  private final JsonNode described;
  private final Random dice;
  private final Map<String, UUID> ids;

  Sample(JsonNode described, Random dice, Map<String, UUID> ids) {
    this.described = described;
    this.dice = dice;
    this.ids = ids;
  }

  JsonNode of(JsonNode schema) {
    return of(schema, 0);
  }

  private JsonNode of(JsonNode schema, int depth) {
    String ref = schema.path("$ref").asString("");
    if (!ref.isEmpty()) {
      return of(described.at(ref.substring(1)), depth);
    }
    if (depth > DEEPEST) {
      return NODES.nullNode();
    }
    if (schema.has("enum")) {
      return schema.path("enum").get(dice.nextInt(schema.path("enum").size()));
    }
    if (schema.has("oneOf")) {
      return oneOf(schema, depth);
    }
    return switch (type(schema)) {
      case "object" -> object(schema, depth);
      case "array" -> array(schema, depth);
      case "integer" -> NODES.numberNode(dice.nextInt(5));
      case "number" -> NODES.numberNode(Math.round(200 * dice.nextDouble()) / 10.0);
      case "null" -> NODES.nullNode();
      case "boolean" -> NODES.booleanNode(dice.nextBoolean());
      default -> NODES.stringNode(text(schema.path("format").asString("")));
    };
  }

  private String type(JsonNode schema) {
    JsonNode type = schema.path("type");
    return type.isArray()
        ? type.get(dice.nextInt(type.size())).asString()
        : type.asString("object");
  }

  private JsonNode oneOf(JsonNode schema, int depth) {
    JsonNode one = schema.path("oneOf").get(dice.nextInt(schema.path("oneOf").size()));
    JsonNode made = of(one, depth);
    String by = schema.at("/discriminator/propertyName").asString("");
    if (made instanceof ObjectNode o && !by.isEmpty()) {
      for (var e : schema.at("/discriminator/mapping").properties()) {
        if (e.getValue().asString().equals(one.path("$ref").asString())) {
          o.put(by, e.getKey());
        }
      }
    }
    return made;
  }

  private ObjectNode object(JsonNode schema, int depth) {
    ObjectNode o = NODES.objectNode();
    for (JsonNode part : schema.path("allOf")) {
      if (of(part, depth + 1) instanceof ObjectNode more) {
        o.setAll(more);
      }
    }
    for (var e : schema.path("properties").properties()) {
      UUID known = ids.get(e.getKey());
      o.set(
          e.getKey(),
          known != null && dice.nextInt(4) > 0
              ? NODES.stringNode(known.toString())
              : of(e.getValue(), depth + 1));
    }
    return o;
  }

  private ArrayNode array(JsonNode schema, int depth) {
    ArrayNode a = NODES.arrayNode();
    for (int i = dice.nextInt(3); i > 0; i--) {
      a.add(of(schema.path("items"), depth + 1));
    }
    return a;
  }

  private String text(String format) {
    return switch (format) {
      case "uuid" -> id();
      case "date-time" ->
          "2026-0%d-1%dT1%d:00:00Z"
              .formatted(1 + dice.nextInt(9), dice.nextInt(9), dice.nextInt(9));
      case "date" -> "2026-01-1" + dice.nextInt(9);
      default ->
          List.of("Sand bin", "dry-sand", "12", "Europe/London", "18:30").get(dice.nextInt(5));
    };
  }

  private String id() {
    List<UUID> all = List.copyOf(ids.values());
    return (dice.nextInt(3) == 0
            ? new UUID(dice.nextLong(), dice.nextLong())
            : all.get(dice.nextInt(all.size())))
        .toString();
  }

  /** The same text with something wrong in it. */
  String spoilt(JsonNode whole) {
    String text = JsonMapper.shared().writeValueAsString(whole);
    switch (dice.nextInt(12)) {
      case 0:
        return text.substring(0, text.length() / 2);
      case 1:
        return ODD.get(dice.nextInt(ODD.size()));
      case 2:
        return "[".repeat(3000);
      default:
        JsonNode copy = JsonMapper.shared().readTree(text);
        return spoil(copy, 1 + dice.nextInt(3)).replace("\"@odd", "").replace("odd@\"", "");
    }
  }

  private String spoil(JsonNode node, int places) {
    for (int i = 0; i < places; i++) {
      List<Runnable> all = new ArrayList<>();
      collect(node, all);
      if (!all.isEmpty()) {
        all.get(dice.nextInt(all.size())).run();
      }
    }
    return unquoted(JsonMapper.shared().writeValueAsString(node));
  }

  private void collect(JsonNode node, List<Runnable> into) {
    if (node instanceof ObjectNode o) {
      for (String name : List.copyOf(o.propertyNames())) {
        into.add(() -> o.put(name, odd()));
        into.add(() -> o.remove(name));
        collect(o.path(name), into);
      }
    } else if (node instanceof ArrayNode a) {
      for (int i = 0; i < a.size(); i++) {
        int at = i;
        into.add(() -> a.set(at, NODES.stringNode(odd())));
        collect(a.get(i), into);
      }
      into.add(() -> a.add(NODES.stringNode(odd())));
    }
  }

  private String odd() {
    return dice.nextInt(20) == 0 ? "x".repeat(30_000) : "@" + dice.nextInt(ODD.size()) + "@";
  }

  private static String unquoted(String text) {
    String out = text;
    for (int i = 0; i < ODD.size(); i++) {
      out = out.replace("\"@" + i + "@\"", ODD.get(i));
    }
    return out;
  }
}
