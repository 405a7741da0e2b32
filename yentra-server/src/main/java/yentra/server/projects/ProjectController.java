package yentra.server.projects;

import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.core.envelope.StandardUses;
import yentra.core.intake.ProjectSettings;
import yentra.core.intake.WeatherStation;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** Projects, and bringing files in. */
@RestController
@RequestMapping("/api")
public class ProjectController {
  private static final int MOST_PROJECTS = 200;
  private final ProjectStore projects;
  private final ProjectEvents events;

  ProjectController(ProjectStore projects, ProjectEvents events) {
    this.projects = projects;
    this.events = events;
  }

  /** A page of the list. */
  @GetMapping("/projects")
  ProjectViews.ProjectPage projects(
      @RequestParam(defaultValue = "0") int from, @RequestParam(defaultValue = "50") int most) {
    if (from < 0 || most < 1 || most > MOST_PROJECTS) {
      throw Problem.bad(
          "A page of projects starts at 0 or later and has 1 to " + MOST_PROJECTS + " of them.");
    }
    return projects.page(from, most);
  }

  @GetMapping("/projects/{id}")
  ProjectViews.ProjectView project(@PathVariable UUID id) {
    return projects.get(id);
  }

  /** Each change that anybody makes to the project or a delivery of it. */
  @GetMapping(path = "/projects/{id}/events", produces = "text/event-stream")
  SseEmitter events(@PathVariable UUID id) {
    return events.listen(id);
  }

  @PostMapping("/projects")
  @ResponseStatus(HttpStatus.CREATED)
  ProjectViews.ProjectView create(
      @RequestBody ProjectViews.NewProject asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    String name = asked.name() == null ? "" : asked.name().strip();
    if (name.isEmpty() || name.length() > 120 || name.matches("(?s).*\\p{Cntrl}.*")) {
      throw Problem.bad("A project needs a name of one line and at most 120 characters.");
    }
    return projects.get(projects.create(name, RequestGuard.person(person)));
  }

  @PutMapping("/projects/{id}/settings")
  ProjectViews.ProjectView settings(
      @PathVariable UUID id,
      @RequestBody ProjectViews.SettingsRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    if (asked.settings() == null) {
      throw Problem.bad("The settings are missing.");
    }
    try {
      ProjectSettings now = asked.settings().settings().checked();
      projects.settings(id, asked.basedOn(), before -> now, RequestGuard.person(person));
    } catch (IllegalArgumentException e) {
      throw Problem.notApplicable(e.getMessage());
    }
    return projects.get(id);
  }

  /** Uses of buildings that gbXML has words for. */
  @GetMapping("/building-uses")
  List<String> buildingUses() {
    return StandardUses.buildings().stream().sorted().toList();
  }

  /** All weather stations, the nearest to a place first. */
  @GetMapping("/stations")
  List<ProjectViews.StationView> stations(
      @RequestParam(required = false) Double latitude,
      @RequestParam(required = false) Double longitude) {
    boolean placed = latitude != null && longitude != null;
    return WeatherStation.all().stream()
        .map(
            s ->
                new ProjectViews.StationView(
                    s.name(),
                    s.latitude(),
                    s.longitude(),
                    s.elevation(),
                    s.climate(),
                    placed ? s.distance(latitude, longitude) / 1000 : null))
        .sorted(Comparator.comparing(s -> s.distance() == null ? 0 : s.distance()))
        .toList();
  }
}
