package yentra.server;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import org.springframework.stereotype.Component;
import yentra.core.boundary.Watch;

/**
 * Derivations that somebody is waiting for: how far they have come, and whether they are still
 * wanted. Known to this process only, as is the request that they answer.
 */
@Component
class Attempts {
  private final Cache<UUID, Attempt> attempts =
      Caffeine.newBuilder().expireAfterAccess(Duration.ofHours(1)).maximumSize(1000).build();

  /** A derivation under a name that the page chose. */
  static final class Attempt implements Watch {
    private volatile double share;
    private volatile boolean cancelled;

    @Override
    public void at(double done) {
      if (cancelled) {
        throw new CancellationException("Cancelled");
      }
      share = Math.max(share, done);
    }
  }

  Attempt get(UUID run) {
    return attempts.get(run, k -> new Attempt());
  }

  double share(UUID run) {
    return get(run).share;
  }

  void cancel(UUID run) {
    get(run).cancelled = true;
  }
}
