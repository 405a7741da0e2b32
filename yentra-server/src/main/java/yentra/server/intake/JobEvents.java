package yentra.server.intake;

import java.util.UUID;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.server.web.Listeners;

/** Sends the progress of jobs to whoever listens, until they end. */
@Component
public class JobEvents {
  private final Listeners<IntakeViews.JobView> listeners;

  JobEvents(Intake intake) {
    listeners = new Listeners<>("job", intake::job, intake::jobs, JobEvents::ended);
  }

  SseEmitter listen(UUID job) {
    return listeners.listen(job);
  }

  @Scheduled(fixedDelay = 250)
  void tell() {
    listeners.tell();
  }

  private static boolean ended(IntakeViews.JobView job) {
    return !job.state().equals("waiting") && !job.state().equals("reading");
  }
}
