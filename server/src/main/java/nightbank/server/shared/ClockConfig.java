package nightbank.server.shared;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The one clock. */
@Configuration
class ClockConfig {
  @Bean
  Clock clock(Settings settings) {
    return settings.isDemo()
        ? new DemoClock(Clock.systemUTC(), settings.demoStands())
        : Clock.systemUTC();
  }
}
