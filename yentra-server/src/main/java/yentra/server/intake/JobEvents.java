package yentra.server.intake;

import java.io.IOException;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Sends the progress of jobs to whoever listens (server-sent events). Progress is read from the
 * database, so any node can run the job.
 */
@Component
public class JobEvents {
  private final Intake intake;
  private final Map<SseEmitter, Listener> listeners = new ConcurrentHashMap<>();

  private record Listener(UUID job, IntakeViews.JobView last) {}

  JobEvents(Intake intake) {
    this.intake = intake;
  }

  SseEmitter listen(UUID job) {
    SseEmitter emitter = new SseEmitter(0L);
    emitter.onCompletion(() -> listeners.remove(emitter));
    emitter.onError(e -> listeners.remove(emitter));
    IntakeViews.JobView now = intake.job(job);
    if (send(emitter, now) && !ended(now)) {
      listeners.put(emitter, new Listener(job, now));
    }
    return emitter;
  }

  @Scheduled(fixedDelay = 250)
  void tell() {
    if (listeners.isEmpty()) {
      return;
    }
    Map<UUID, IntakeViews.JobView> jobs =
        intake.jobs(listeners.values().stream().map(Listener::job).distinct().toList());
    listeners.forEach(
        (emitter, listener) -> {
          IntakeViews.JobView now = jobs.get(listener.job);
          if (now != null && !now.equals(listener.last)) {
            if (send(emitter, now) && !ended(now)) {
              listeners.put(emitter, new Listener(listener.job, now));
            } else {
              listeners.remove(emitter);
            }
          }
        });
  }

  private static boolean ended(IntakeViews.JobView job) {
    return !job.state().equals("waiting") && !job.state().equals("reading");
  }

  private static boolean send(SseEmitter emitter, IntakeViews.JobView job) {
    try {
      emitter.send(SseEmitter.event().name("job").data(job, MediaType.APPLICATION_JSON));
      if (ended(job)) {
        emitter.complete();
      }
      return true;
    } catch (IOException | IllegalStateException e) {
      // the listener has gone; the job does not depend on it
      emitter.complete();
      return false;
    }
  }
}
