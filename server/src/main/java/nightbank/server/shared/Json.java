package nightbank.server.shared;

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
