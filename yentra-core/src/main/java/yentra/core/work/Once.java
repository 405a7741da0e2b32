package yentra.core.work;

import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;

/**
 * A value that is worked out when it is first asked for, once, by whoever asks first; the others
 * wait for it.
 *
 * <p>No lock is held meanwhile. That matters where the work itself is spread over the common pool:
 * a worker of that pool which blocks on a monitor cannot take the very part of the work that the
 * monitor's owner waits for, and with two processors there is no second worker. A worker that waits
 * here is replaced by another one ({@link java.util.concurrent.ForkJoinPool.ManagedBlocker}).
 *
 * <p>Work that failed is tried again by the next who asks.
 */
public final class Once<T> {
  private final AtomicReference<CompletableFuture<T>> answer = new AtomicReference<>();
  private Supplier<T> work;

  public Once(Supplier<T> work) {
    this.work = Objects.requireNonNull(work);
  }

  /** A value that is known already. */
  public static <T> Once<T> of(T known) {
    Once<T> once = new Once<>(() -> known);
    once.get();
    return once;
  }

  /** The value; what the work throws is thrown here, to those who wait as well. */
  public T get() {
    CompletableFuture<T> there = answer.get();
    if (there == null) {
      CompletableFuture<T> mine = new CompletableFuture<>();
      there = answer.compareAndExchange(null, mine);
      if (there == null) {
        return workOut(mine);
      }
    }
    try {
      return there.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof RuntimeException known) {
        throw known;
      }
      if (e.getCause() instanceof Error known) {
        throw known;
      }
      throw e;
    }
  }

  private T workOut(CompletableFuture<T> mine) {
    try {
      T value = work.get();
      // what the work was made from need not be kept alive
      work = null;
      mine.complete(value);
      return value;
    } catch (RuntimeException | Error e) {
      answer.set(null);
      mine.completeExceptionally(e);
      throw e;
    }
  }
}
