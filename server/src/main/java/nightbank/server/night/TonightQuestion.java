package nightbank.server.night;

import java.time.Instant;

/**
 * What the grower knows of the night.
 *
 * @param lowAt when the low comes, absent for an hour before sunrise
 * @param eveningCelsius absent to take the last outdoor reading, or six kelvin above the low
 * @param cloud 0 clear to 1 overcast, absent for half
 * @param wind m/s, absent for 2
 */
public record TonightQuestion(
    double lowCelsius, Instant lowAt, Double eveningCelsius, Double cloud, Double wind) {}
