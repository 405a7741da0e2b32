package yentra.server.web;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells whoever listens to something of each change of it (server-sent events). What it is now is
 * asked of the database, so any node can have changed it; many listeners of one thing are one
 * question.
 *
 * @param <T> what is told; equal when nothing has changed
 */
public final class Listeners<T> {
  private final String event;
  private final Function<UUID, T> one;
  private final Function<List<UUID>, Map<UUID, T>> many;
  private final Predicate<T> ended;
  private final Map<SseEmitter, Listener<T>> all = new ConcurrentHashMap<>();

  private record Listener<T>(UUID of, T last) {}

  /**
   * @param event name of the event
   * @param one what a thing is now; throws what the listener is to be answered when it is unknown
   * @param many the same of several things
   * @param ended whether nothing more will come
   */
  public Listeners(
      String event,
      Function<UUID, T> one,
      Function<List<UUID>, Map<UUID, T>> many,
      Predicate<T> ended) {
    this.event = event;
    this.one = one;
    this.many = many;
    this.ended = ended;
  }

  /** Says what a thing is now, and from then on each change. */
  public SseEmitter listen(UUID of) {
    SseEmitter emitter = new SseEmitter(0L);
    emitter.onCompletion(() -> all.remove(emitter));
    emitter.onError(e -> all.remove(emitter));
    T now = one.apply(of);
    if (send(emitter, now) && !ended.test(now)) {
      all.put(emitter, new Listener<>(of, now));
    }
    return emitter;
  }

  /** Looks for changes, and tells them. */
  public void tell() {
    if (all.isEmpty()) {
      return;
    }
    Map<UUID, T> things = many.apply(all.values().stream().map(Listener::of).distinct().toList());
    all.forEach(
        (emitter, listener) -> {
          T now = things.get(listener.of);
          if (now != null && !now.equals(listener.last)) {
            if (send(emitter, now) && !ended.test(now)) {
              all.put(emitter, new Listener<>(listener.of, now));
            } else {
              all.remove(emitter);
            }
          }
        });
  }

  private boolean send(SseEmitter emitter, T now) {
    try {
      emitter.send(SseEmitter.event().name(event).data(now, MediaType.APPLICATION_JSON));
      if (ended.test(now)) {
        emitter.complete();
      }
      return true;
    } catch (IOException | IllegalStateException e) {
      // the listener has gone; nothing depends on it
      emitter.complete();
      return false;
    }
  }
}
