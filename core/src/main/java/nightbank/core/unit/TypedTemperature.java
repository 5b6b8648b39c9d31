package nightbank.core.unit;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Temperatures as people type them: {@code 58F}, {@code 14,5}, {@code 61 f}, {@code −3 °C}. */
public final class TypedTemperature {
  private static final double ABSOLUTE_ZERO = -273.15;
  private static final double HOTTEST = 3000; // °C: no store and no fire is hotter

  private static final Pattern FORM =
      Pattern.compile("([-+]?)\\s*(\\d{1,4}(?:[.,]\\d{0,6})?|[.,]\\d{1,6})\\s*°?\\s*([cfk]?)");

  private TypedTemperature() {}

  /**
   * Reads a temperature.
   *
   * @param typed what was typed
   * @param fahrenheitUnlessSaid what a bare number means
   * @return °C, empty when it is no temperature or one that nothing has
   */
  public static Optional<Double> celsius(String typed, boolean fahrenheitUnlessSaid) {
    String text =
        typed.strip().toLowerCase(Locale.ROOT).replace('\u2212', '-').replace('\u2013', '-');
    Matcher m = FORM.matcher(text);
    if (!m.matches()) {
      return Optional.empty();
    }
    double value = Double.parseDouble((m.group(1) + m.group(2)).replace(',', '.'));
    String unit = m.group(3).isEmpty() ? (fahrenheitUnlessSaid ? "f" : "c") : m.group(3);
    double celsius =
        switch (unit) {
          case "f" -> fromFahrenheit(value);
          case "k" -> value - 273.15;
          default -> value;
        };
    return isPossible(celsius) ? Optional.of(celsius) : Optional.empty();
  }

  /** Whether anything has that temperature, °C. */
  public static boolean isPossible(double celsius) {
    return celsius >= ABSOLUTE_ZERO && celsius <= HOTTEST;
  }

  public static double fromFahrenheit(double fahrenheit) {
    return (fahrenheit - 32) / 1.8;
  }
}
