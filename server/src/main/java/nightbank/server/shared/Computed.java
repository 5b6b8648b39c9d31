package nightbank.server.shared;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Supplier;

/**
 * The latest answers by a fingerprint of all they rest on, as many as are asked for and as memory
 * has room for: they go before anything else does. Whoever asks for the same meanwhile waits for
 * the one who asked first; nobody else waits.
 */
public final class Computed<T> {
  private final Cache<String, CompletableFuture<T>> answers;

  public Computed(int most) {
    answers = Caffeine.newBuilder().maximumSize(most).softValues().build();
  }

  /** The answer; what the computing throws is thrown to all who wait, and kept for nobody. */
  public T of(String fingerprint, Supplier<T> computing) {
    CompletableFuture<T> own = new CompletableFuture<>();
    CompletableFuture<T> first = answers.asMap().putIfAbsent(fingerprint, own);
    if (first == null) {
      try {
        own.complete(computing.get());
      } catch (RuntimeException | Error e) {
        answers.asMap().remove(fingerprint, own);
        own.completeExceptionally(e);
        throw e;
      }
      return own.join();
    }
    try {
      return first.join();
    } catch (CompletionException e) {
      throw e.getCause() instanceof RuntimeException r ? r : e;
    }
  }
}
