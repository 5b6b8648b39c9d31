package nightbank.server.shared;

import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
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

  /**
   * A sealed kind is told as one of its variants, each with its own word in {@code kind}; the words
   * are the variants' names in capitals, as in the designs themselves.
   */
  @Bean
  OpenApiCustomizer kindsTellThemApart() {
    return api -> {
      Map<String, Schema> all = api.getComponents().getSchemas();
      Map<String, List<String>> variants = new TreeMap<>();
      for (var each : List.copyOf(all.entrySet())) {
        List<Schema> parts = each.getValue().getAllOf();
        if (parts == null || parts.size() > 2 || parts.get(0).get$ref() == null) {
          continue;
        }
        String base = parts.get(0).get$ref().replaceFirst(".*/", "");
        variants.computeIfAbsent(base, b -> new ArrayList<>()).add(each.getKey());
        Schema<?> own = parts.size() > 1 ? parts.get(1) : new ObjectSchema();
        own.addProperty("kind", new StringSchema()._enum(List.of(word(each.getKey()))));
        own.setRequired(new ArrayList<>(own.getProperties().keySet()));
        all.put(each.getKey(), own);
      }
      variants.forEach(
          (base, names) -> {
            Schema<Object> one = new Schema<>();
            Discriminator by = new Discriminator().propertyName("kind");
            for (String name : names) {
              one.addOneOfItem(new Schema<>().$ref(name));
              by.mapping(word(name), "#/components/schemas/" + name);
            }
            all.put(base, one.discriminator(by));
          });
    };
  }

  private static String word(String name) {
    return name.replaceAll("(?<=[a-z])(?=[A-Z])", "_").toUpperCase(Locale.ROOT);
  }
}
