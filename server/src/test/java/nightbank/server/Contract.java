package nightbank.server;

import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Whether answers are as server/openapi.json tells them: every field there and no other, of its
 * type, null only where that is told.
 */
final class Contract {
  private static final JsonNode API = read();

  private Contract() {}

  private static JsonNode read() {
    try {
      return JsonMapper.builder()
          .build()
          .readTree(Files.readString(Program.root().resolve("server/openapi.json")));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * Throws an {@link AssertionError} that names what is not as told; silent on what nobody tells.
   */
  static void holds(String method, String path, int status, JsonNode body) {
    if (Boolean.getBoolean("openapi.write")) {
      return; // it is about to be another
    }
    JsonNode told =
        operation(method.toLowerCase(java.util.Locale.ROOT), path.replaceFirst("\\?.*", ""))
            .path("responses")
            .path(String.valueOf(status))
            .path("content")
            .path("application/json")
            .path("schema");
    List<String> wrong = new ArrayList<>();
    if (!told.isMissingNode()) {
      compare(told, body, "", wrong);
    }
    if (!wrong.isEmpty()) {
      throw new AssertionError(method + " " + path + " is not as openapi.json has it: " + wrong);
    }
  }

  private static JsonNode operation(String method, String path) {
    String[] asked = path.split("/");
    JsonNode found = API.path("none");
    int exact = -1;
    for (var each : API.path("paths").properties()) {
      int alike = alike(each.getKey().split("/"), asked);
      if (alike > exact && each.getValue().has(method)) {
        exact = alike;
        found = each.getValue().path(method);
      }
    }
    return found;
  }

  /** How many parts are word for word the same; below zero where it is another path. */
  private static int alike(String[] told, String[] asked) {
    int same = told.length == asked.length ? 0 : -1;
    for (int i = 0; same >= 0 && i < told.length; i++) {
      if (told[i].equals(asked[i])) {
        same++;
      } else if (!told[i].startsWith("{")) {
        same = -1;
      }
    }
    return same;
  }

  private static void compare(JsonNode told, JsonNode is, String where, List<String> wrong) {
    if (told.has("$ref")) {
      String name = told.path("$ref").asString().replaceFirst(".*/", "");
      compare(API.path("components").path("schemas").path(name), is, where + name, wrong);
    } else if (told.has("oneOf")) {
      oneOf(told, is, where, wrong);
    } else if (!types(told).isEmpty() && !types(told).contains(type(is, types(told)))) {
      wrong.add(where + " is " + type(is, types(told)) + ", not " + types(told));
    } else if (told.has("enum")
        && !is.isNull()
        && !words(told.path("enum")).contains(is.asString())) {
      wrong.add(where + " is " + is + ", not of " + told.path("enum"));
    } else if (is.isArray()) {
      for (JsonNode item : is) {
        compare(told.path("items"), item, where + "[]", wrong);
      }
    } else if (is.isObject() && told.has("properties")) {
      fields(told.path("properties"), is, where, wrong);
    }
  }

  private static void fields(JsonNode told, JsonNode is, String where, List<String> wrong) {
    for (var field : told.properties()) {
      JsonNode value = is.path(field.getKey());
      if (value.isMissingNode()) {
        wrong.add(where + "." + field.getKey() + " is missing");
      } else {
        compare(field.getValue(), value, where + "." + field.getKey(), wrong);
      }
    }
    is.propertyNames().stream()
        .filter(name -> !told.has(name))
        .forEach(name -> wrong.add(where + "." + name + " is not told of"));
  }

  private static void oneOf(JsonNode told, JsonNode is, String where, List<String> wrong) {
    JsonNode variants = told.path("discriminator").path("mapping");
    if (!variants.isMissingNode()) {
      String name = variants.path(is.path("kind").asString()).asString().replaceFirst(".*/", "");
      compare(API.path("components").path("schemas").path(name), is, where + name, wrong);
      return;
    }
    List<String> least = null;
    for (JsonNode variant : told.path("oneOf")) {
      List<String> its = new ArrayList<>();
      compare(variant, is, where, its);
      least = least == null || its.size() < least.size() ? its : least;
    }
    wrong.addAll(least);
  }

  private static List<String> types(JsonNode told) {
    JsonNode type = told.path("type");
    return type.isArray()
        ? words(type)
        : type.isMissingNode() ? List.of() : List.of(type.asString());
  }

  private static List<String> words(JsonNode list) {
    List<String> all = new ArrayList<>();
    list.forEach(word -> all.add(word.asString()));
    return all;
  }

  private static String type(JsonNode is, List<String> wanted) {
    if (is.isNumber()) {
      return is.isIntegralNumber() && wanted.contains("integer") ? "integer" : "number";
    }
    return is.isString()
        ? "string"
        : is.isBoolean() ? "boolean" : is.isArray() ? "array" : is.isNull() ? "null" : "object";
  }
}
