package nightbank.server.shared;

import java.util.HashSet;
import java.util.Set;
import org.jooq.JSONB;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Records to and from jsonb columns. */
@Component
public class Json {
  private final JsonMapper mapper;

  Json(JsonMapper mapper) {
    this.mapper = mapper;
  }

  public JSONB write(Object value) {
    return JSONB.valueOf(mapper.writeValueAsString(value));
  }

  /**
   * Refuses what is sent under an id where something else is kept under it already; what is
   * missing, null, blank or empty is all nothing.
   */
  public void requireSame(String what, Object kept, Object sent) {
    if (!same(kept, sent)) {
      throw Problem.knownId(what);
    }
  }

  /** Whether what is sent is what is kept already: its answer may have been lost on the way. */
  public boolean same(Object kept, Object sent) {
    return same(tree(kept), tree(sent));
  }

  private static boolean same(JsonNode one, JsonNode other) {
    if (nothing(one) || nothing(other)) {
      return nothing(one) && nothing(other);
    }
    if (one.isNumber() && other.isNumber()) {
      return one.doubleValue() == other.doubleValue();
    }
    if (one.isArray() && other.isArray()) {
      boolean alike = one.size() == other.size();
      for (int i = 0; alike && i < one.size(); i++) {
        alike = same(one.get(i), other.get(i));
      }
      return alike;
    }
    if (one.isObject() && other.isObject()) {
      Set<String> names = new HashSet<>(one.propertyNames());
      names.addAll(other.propertyNames());
      return names.stream().allMatch(n -> same(one.path(n), other.path(n)));
    }
    return one.equals(other);
  }

  private static boolean nothing(JsonNode n) {
    return n.isNull()
        || n.isMissingNode()
        || n.isString() && n.stringValue().isBlank()
        || n.isContainer() && n.isEmpty();
  }

  public JsonNode tree(Object value) {
    return mapper.valueToTree(value);
  }

  public <T> T read(JsonNode json, Class<T> type) {
    return mapper.treeToValue(json, type);
  }

  public <T> T read(JSONB json, Class<T> type) {
    return mapper.readValue(json.data(), type);
  }
}
