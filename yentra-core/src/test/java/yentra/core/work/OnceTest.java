package yentra.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class OnceTest {
  @Test
  void worksOutOnceAndForAll() throws Exception {
    AtomicInteger times = new AtomicInteger();
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch go = new CountDownLatch(1);
    Once<String> once =
        new Once<>(
            () -> {
              times.incrementAndGet();
              begun.countDown();
              await(go);
              return "worked out";
            });
    ExecutorService threads = Executors.newFixedThreadPool(8);
    try {
      List<Future<String>> answers = new ArrayList<>();
      for (int i = 0; i < 8; i++) {
        answers.add(threads.submit(once::get));
      }
      await(begun);
      go.countDown();
      for (Future<String> a : answers) {
        assertThat(a.get(10, TimeUnit.SECONDS)).isEqualTo("worked out");
      }
    } finally {
      threads.shutdownNow();
    }
    assertThat(times).hasValue(1);
  }

  @Test
  void failureIsToldAndTriedAgain() {
    AtomicInteger times = new AtomicInteger();
    Once<Integer> once =
        new Once<>(
            () -> {
              if (times.incrementAndGet() == 1) {
                throw new IllegalStateException("the first time");
              }
              return times.get();
            });
    assertThatThrownBy(once::get).isInstanceOf(IllegalStateException.class);
    assertThat(once.get()).isEqualTo(2);
    assertThat(once.get()).isEqualTo(2);
  }

  @Test
  void knowsWhatItIsGiven() {
    assertThat(Once.of(7).get()).isEqualTo(7);
  }

  /** The only worker of a pool waits for work whose parts lie in its own pool. */
  @Test
  void aWaitingWorkerIsReplaced() throws Exception {
    ForkJoinPool pool = new ForkJoinPool(1);
    try {
      CountDownLatch begun = new CountDownLatch(1);
      CountDownLatch waits = new CountDownLatch(1);
      Once<Integer> once =
          new Once<>(
              () -> {
                begun.countDown();
                await(waits);
                return pool.submit(() -> IntStream.range(0, 100).sum()).join();
              });
      Thread owner = new Thread(once::get);
      owner.start();
      await(begun);
      Future<Integer> worker =
          pool.submit(
              () -> {
                waits.countDown();
                return once.get();
              });
      assertThat(worker.get(10, TimeUnit.SECONDS)).isEqualTo(4950);
      owner.join();
    } finally {
      pool.shutdownNow();
    }
  }

  private static void await(CountDownLatch latch) {
    try {
      assertThat(latch.await(10, TimeUnit.SECONDS)).isTrue();
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    }
  }
}
