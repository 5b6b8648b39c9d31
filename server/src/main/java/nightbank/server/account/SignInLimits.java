package nightbank.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Ten tries a quarter of an hour for each name and for each address. */
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

  void forget(String login) {
    buckets.invalidate("name " + login);
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
