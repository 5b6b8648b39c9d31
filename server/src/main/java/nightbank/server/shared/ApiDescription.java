package nightbank.server.shared;

import io.swagger.v3.oas.models.info.Info;
import java.util.ArrayList;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The interface as the page's types are made from it: every field is always there. */
@Configuration
class ApiDescription {
  @Bean
  OpenApiCustomizer everyFieldIsThere() {
    return api -> {
      api.setInfo(new Info().title("Night Bank").version("1"));
      api.getComponents()
          .getSchemas()
          .values()
          .forEach(
              schema -> {
                if (schema.getProperties() != null) {
                  schema.setRequired(new ArrayList<>(schema.getProperties().keySet()));
                }
              });
    };
  }
}
