package yentra.core.boundary;

import java.util.concurrent.atomic.AtomicInteger;

/**
 * Told how far a derivation has come; throws {@link java.util.concurrent.CancellationException} to
 * give it up. Called from several threads.
 */
public interface Watch {
  Watch NONE = share -> {};

  /**
   * @param share of the whole that is done, 0 to 1
   */
  void at(double share);

  /** The watch of a part of the work, which lies between two shares of the whole. */
  default Watch part(double from, double to) {
    return share -> at(from + (to - from) * share);
  }

  /** To be run after each of so many equal steps. */
  default Runnable steps(int all) {
    AtomicInteger done = new AtomicInteger();
    return () -> at((double) done.incrementAndGet() / all);
  }
}
