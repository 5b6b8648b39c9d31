package nightbank.server.shared;

import com.fasterxml.jackson.annotation.Nulls;
import org.jooq.JSONB;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Records to and from jsonb columns. */
@Component
public class Json {
  private final JsonMapper mapper;

  Json(JsonMapper mapper) {
    this.mapper =
        mapper
            .rebuild()
            .changeDefaultNullHandling(n -> n.withContentNulls(Nulls.DEFAULT))
            .build(); // what was kept may have gaps
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
