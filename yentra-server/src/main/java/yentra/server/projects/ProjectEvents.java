package yentra.server.projects;

import java.util.UUID;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.server.web.Listeners;

/** Tells the pages of a project that somebody else, or another page, has changed something. */
@Component
public class ProjectEvents {
  private final Listeners<ProjectViews.Pulse> listeners;

  ProjectEvents(ProjectStore projects) {
    listeners = new Listeners<>("project", projects::pulse, projects::pulses, p -> false);
  }

  SseEmitter listen(UUID project) {
    return listeners.listen(project);
  }

  @Scheduled(fixedDelay = 400)
  void tell() {
    listeners.tell();
  }
}
