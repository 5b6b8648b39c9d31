package nightbank.server.shared;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.jdk.NumberDeserializers.DoubleDeserializer;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.ext.javatime.deser.InstantDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * What no request may hold, whatever it is about: figures without end, moments that no record
 * reaches, text with a NUL or longer than anybody writes.
 */
@Configuration
public class PlainInput implements WebMvcConfigurer {
  private static final int LONGEST = 20_000; // letters of one text
  private static final int LONGEST_PASTED = 8_000_000;
  private static final Instant FIRST = Instant.parse("0001-01-01T00:00:00Z");
  private static final Instant LAST = Instant.parse("9999-12-31T23:59:59Z");

  /** Text that a person pastes whole. */
  public static final class Pasted extends Text {
    Pasted() {
      super(LONGEST_PASTED);
    }
  }

  @Bean
  JsonMapperBuilderCustomizer plainBodies() {
    SimpleModule plain = new SimpleModule("plain");
    plain.addDeserializer(String.class, new Text(LONGEST));
    plain.addDeserializer(Double.class, new Figure(Double.class, null));
    plain.addDeserializer(double.class, new Figure(double.class, 0.0));
    plain.addDeserializer(Instant.class, new Moment());
    return mapper -> mapper.addModule(plain);
  }

  @Override
  public void addFormatters(FormatterRegistry registry) {
    registry.addConverter(
        new Converter<String, Instant>() {
          @Override
          public Instant convert(String text) {
            return within(Instant.parse(text.strip()));
          }
        });
  }

  /** To a microsecond, as the database keeps it: what is typed again is of the same moment. */
  private static Instant within(Instant at) {
    if (at.isBefore(FIRST) || at.isAfter(LAST)) {
      throw new DateTimeException("a moment lies between the years 1 and 9999");
    }
    return at.truncatedTo(ChronoUnit.MICROS);
  }

  private static class Text extends StringDeserializer {
    private final int longest;

    Text(int longest) {
      this.longest = longest;
    }

    @Override
    public String deserialize(JsonParser in, DeserializationContext context) {
      String text = super.deserialize(in, context);
      String wrong =
          text == null
              ? ""
              : text.length() > longest
                  ? "text has at most " + longest + " letters"
                  : text.indexOf('\0') >= 0 ? "text has no NUL" : "";
      return wrong.isEmpty()
          ? text
          : (String)
              context.handleWeirdStringValue(
                  String.class, text.substring(0, Math.min(40, text.length())), wrong);
    }
  }

  private static final class Figure extends DoubleDeserializer {
    /**
     * @param absent what a figure that is not told comes to
     */
    Figure(Class<Double> type, @Nullable Double absent) {
      super(type, absent);
    }

    @Override
    public Double deserialize(JsonParser in, DeserializationContext context) {
      Double value = super.deserialize(in, context);
      return value == null || Double.isFinite(value)
          ? value
          : (Double) context.handleWeirdNumberValue(Double.class, value, "a figure is finite");
    }
  }

  private static final class Moment extends StdScalarDeserializer<Instant> {
    Moment() {
      super(Instant.class);
    }

    @Override
    public Instant deserialize(JsonParser in, DeserializationContext context) {
      Instant at = InstantDeserializer.INSTANT.deserialize(in, context);
      try {
        return at == null ? at : within(at);
      } catch (DateTimeException e) {
        return (Instant)
            context.handleWeirdStringValue(Instant.class, at.toString(), e.getMessage());
      }
    }
  }
}
