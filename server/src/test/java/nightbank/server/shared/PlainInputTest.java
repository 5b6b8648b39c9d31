package nightbank.server.shared;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What no request may hold is refused; all else is read as it always was, and so is what is kept.
 */
public class PlainInputTest {
  private static final JsonMapper USUAL = JsonMapper.builder().build();
  private static final JsonMapper PLAIN = plain();

  private static JsonMapper plain() {
    JsonMapper.Builder builder = JsonMapper.builder();
    new PlainInput().plainBodies().customize(builder);
    return builder.build();
  }

  private record Body(
      @Nullable String text, double figure, @Nullable Double maybe, @Nullable Instant at) {}

  @DataProvider
  Object[][] sound() {
    return new Object[][] {
      {"{}"},
      {"{\"text\":\"a\",\"figure\":1.5,\"maybe\":2,\"at\":\"2026-01-31T18:00:00Z\"}"},
      {"{\"figure\":null}"},
      {"{\"figure\":1,\"text\":null,\"maybe\":null,\"at\":null}"},
      {"{\"text\":7,\"figure\":\"1.5\",\"maybe\":\"\"}"},
      {"{\"figure\":1,\"at\":\"2026-01-31T18:00:00+01:00\"}"},
      {"{\"figure\":1,\"at\":1769882400}"},
    };
  }

  @Test(dataProvider = "sound")
  public void whatIsSoundIsReadAsEver(String json) {
    assertThat(told(PLAIN, json)).isEqualTo(told(USUAL, json));
  }

  /** What comes of it, a refusal by its words. */
  private static Object told(JsonMapper mapper, String json) {
    try {
      return mapper.readValue(json, Body.class);
    } catch (DatabindException refused) {
      return refused.getOriginalMessage();
    }
  }

  @DataProvider
  Object[][] unsound() {
    return new Object[][] {
      {"{\"figure\":1,\"text\":\"a\\u0000b\"}"},
      {"{\"figure\":1,\"text\":\"%s\"}".formatted("x".repeat(20_001))},
      {"{\"figure\":1e999}"},
      {"{\"figure\":1,\"maybe\":-1e999}"},
      {"{\"figure\":\"NaN\"}"},
      {"{\"figure\":1,\"at\":\"+999999999-12-31T23:59:59Z\"}"},
      {"{\"figure\":1,\"at\":\"-000001-01-01T00:00:00Z\"}"},
    };
  }

  @Test(dataProvider = "unsound")
  public void whatNoRecordCanHoldIsRefused(String json) {
    assertThatThrownBy(() -> PLAIN.readValue(json, Body.class))
        .isInstanceOf(DatabindException.class);
  }
}
