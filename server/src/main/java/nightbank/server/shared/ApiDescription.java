package nightbank.server.shared;

import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The interface as the page's types are made from it: every field is always there. */
@Configuration
class ApiDescription {
  private static final Set<Class<?>> BOXED =
      Set.of(Double.class, Integer.class, Long.class, Boolean.class);

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

  /** What may be null is told so: boxed numbers and booleans, and what is marked Nullable. */
  @Bean
  ModelConverter whatMayBeNull() {
    return (type, context, chain) -> {
      Schema<?> told = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
      Class<?> of = Json.mapper().constructType(type.getType()).getRawClass();
      if (told != null && of.isRecord()) {
        Schema<?> model =
            told.get$ref() == null
                ? told
                : context.getDefinedModels().get(told.get$ref().replaceFirst(".*/", ""));
        Stream.concat(
                Stream.ofNullable(model),
                Stream.ofNullable(model == null ? null : model.getAllOf()).flatMap(List::stream))
            .map(Schema::getProperties)
            .filter(Objects::nonNull)
            .forEach(properties -> markNull(of, properties));
      }
      return told;
    };
  }

  private static void markNull(Class<?> of, Map<String, Schema> properties) {
    for (RecordComponent c : of.getRecordComponents()) {
      if (mayBeNull(c.getAnnotatedType())) {
        properties.computeIfPresent(c.getName(), (name, p) -> orNull(p));
      } else if (c.getAnnotatedType() instanceof AnnotatedParameterizedType list
          && List.class == c.getType()
          && list.getAnnotatedActualTypeArguments()[0].isAnnotationPresent(Nullable.class)) {
        properties.computeIfPresent(
            c.getName(), (name, p) -> p.items(orNull((Schema<?>) p.getItems())));
      }
    }
  }

  private static boolean mayBeNull(java.lang.reflect.AnnotatedType type) {
    return type.isAnnotationPresent(Nullable.class) || BOXED.contains(type.getType());
  }

  private static Schema<?> orNull(Schema<?> p) {
    boolean already =
        p.getOneOf() != null && p.get$ref() == null
            || p.getTypes() != null && p.getTypes().contains("null");
    if (already) {
      return p;
    }
    if (p.get$ref() != null || p.getEnum() != null) {
      return new Schema<>().oneOf(List.of(p, new Schema<>().types(Set.of("null"))));
    }
    Set<String> types = new LinkedHashSet<>();
    types.add(p.getTypes() == null ? p.getType() : p.getTypes().iterator().next());
    types.add("null");
    p.setType(null);
    p.setTypes(types);
    return p;
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
