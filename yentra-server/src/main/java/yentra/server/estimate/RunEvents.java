package yentra.server.estimate;

import java.util.List;
import java.util.UUID;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.server.web.Listeners;

/** Sends the progress of runs to whoever listens, until they end. */
@Component
public class RunEvents {
  private final Listeners<EstimateViews.EstimateRunView> listeners;

  RunEvents(EstimateRuns runs) {
    listeners = new Listeners<>("run", runs::run, runs::runs, RunEvents::ended);
  }

  SseEmitter listen(UUID run) {
    return listeners.listen(run);
  }

  @Scheduled(fixedDelay = 250)
  void tell() {
    listeners.tell();
  }

  private static boolean ended(EstimateViews.EstimateRunView run) {
    return !List.of("waiting", "running").contains(run.state());
  }
}
