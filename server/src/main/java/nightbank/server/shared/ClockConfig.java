package nightbank.server.shared;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Demo time stands still, so that the demo looks the same on any day. */
@Configuration
class ClockConfig {
  static final Instant DEMO_NOW = Instant.parse("2026-01-30T15:40:00Z");

  @Bean
  Clock clock(Settings settings) {
    return settings.isDemo() ? Clock.fixed(DEMO_NOW, ZoneOffset.UTC) : Clock.systemUTC();
  }
}
