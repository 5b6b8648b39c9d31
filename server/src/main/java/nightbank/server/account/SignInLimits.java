package nightbank.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Ten failed tries a quarter of an hour for each name, forty for each address; whoever gets in
 * gives back the try.
 */
@Component
class SignInLimits {
  private static final int TRIES = 10;
  private static final Duration WINDOW = Duration.ofMinutes(15);

  private final Cache<String, Bucket> buckets =
      Caffeine.newBuilder().maximumSize(20_000).expireAfterAccess(WINDOW).build();

  void spend(String login, String address) {
    boolean name = bucket("name " + login, TRIES).tryConsume(1);
    boolean from = bucket("from " + address, TRIES * 4).tryConsume(1);
    if (!name || !from) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "too-many-tries",
          "password",
          "Too many tries to sign in.",
          "Wait a quarter of an hour, then try again.");
    }
  }

  void forget(String login, String address) {
    buckets.invalidate("name " + login);
    bucket("from " + address, TRIES * 4).addTokens(1);
  }

  private Bucket bucket(String key, int tries) {
    return buckets.get(
        key,
        k ->
            Bucket.builder()
                .addLimit(l -> l.capacity(tries).refillIntervally(tries, WINDOW))
                .build());
  }
}
