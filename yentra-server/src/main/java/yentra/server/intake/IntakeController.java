package yentra.server.intake;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.server.projects.ProjectStore;
import yentra.server.web.RequestGuard;

/** Files that come in, and the jobs that read them. */
@RestController
@RequestMapping("/api")
public class IntakeController {
  private final ProjectStore projects;
  private final Intake intake;
  private final JobEvents events;

  IntakeController(ProjectStore projects, Intake intake, JobEvents events) {
    this.projects = projects;
    this.intake = intake;
    this.events = events;
  }

  /** The body is the file's bytes; reading it goes on as a job. */
  @PostMapping(path = "/projects/{id}/deliveries", consumes = "application/octet-stream")
  @ResponseStatus(HttpStatus.ACCEPTED)
  IntakeViews.JobView deliver(
      @PathVariable UUID id,
      @RequestParam String name,
      @RequestHeader(RequestGuard.PERSON) String person,
      HttpServletRequest request)
      throws IOException {
    projects.get(id);
    String safe = name.replaceAll("[\\p{Cntrl}/\\\\]", "_").strip();
    String fileName =
        safe.isEmpty()
            ? "delivery"
            : safe.length() > 200 ? safe.substring(safe.length() - 200) : safe;
    return intake.job(
        intake.receive(id, fileName, request.getInputStream(), RequestGuard.person(person)));
  }

  @GetMapping("/jobs/{id}")
  IntakeViews.JobView job(@PathVariable UUID id) {
    return intake.job(id);
  }

  @GetMapping(path = "/jobs/{id}/events", produces = "text/event-stream")
  SseEmitter events(@PathVariable UUID id) {
    return events.listen(id);
  }

  @DeleteMapping("/jobs/{id}")
  IntakeViews.JobView cancel(@PathVariable UUID id) {
    intake.cancel(id);
    return intake.job(id);
  }
}
