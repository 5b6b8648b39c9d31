package nightbank.server.shared;

import java.time.DateTimeException;
import java.time.Instant;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * What no request may hold, whatever it is about: figures without end, moments that no record
 * reaches, text with a NUL.
 */
@Configuration
class PlainInput implements WebMvcConfigurer {
  private static final Instant FIRST = Instant.parse("0001-01-01T00:00:00Z");
  private static final Instant LAST = Instant.parse("9999-12-31T23:59:59Z");

  @Bean
  JsonMapperBuilderCustomizer plainBodies() {
    SimpleModule plain = new SimpleModule("plain");
    plain.addDeserializer(String.class, new Text());
    plain.addDeserializer(Double.class, new Figure());
    plain.addDeserializer(double.class, new Figure());
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

  private static Instant within(Instant at) {
    if (at.isBefore(FIRST) || at.isAfter(LAST)) {
      throw new DateTimeException("a moment lies between the years 1 and 9999");
    }
    return at;
  }

  private static final class Text extends StdScalarDeserializer<String> {
    Text() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser in, DeserializationContext context) {
      String text = in.getValueAsString();
      if (text == null) {
        return (String) context.handleUnexpectedToken(String.class, in);
      }
      return text.indexOf('\0') < 0
          ? text
          : (String) context.handleWeirdStringValue(String.class, text, "text has no NUL");
    }
  }

  private static final class Figure extends StdScalarDeserializer<Double> {
    Figure() {
      super(Double.class);
    }

    @Override
    public Double deserialize(JsonParser in, DeserializationContext context) {
      if (!in.currentToken().isNumeric()) {
        return (Double) context.handleUnexpectedToken(Double.class, in);
      }
      double value = in.getDoubleValue();
      return Double.isFinite(value)
          ? (Double) value
          : (Double) context.handleWeirdNumberValue(Double.class, value, "a figure is finite");
    }
  }

  private static final class Moment extends StdScalarDeserializer<Instant> {
    Moment() {
      super(Instant.class);
    }

    @Override
    public Instant deserialize(JsonParser in, DeserializationContext context) {
      String text = in.getValueAsString();
      try {
        return within(Instant.parse(text == null ? "" : text));
      } catch (DateTimeException e) {
        return (Instant)
            context.handleWeirdStringValue(
                Instant.class, text, "a moment is told as 2026-01-31T18:00:00Z");
      }
    }
  }
}
