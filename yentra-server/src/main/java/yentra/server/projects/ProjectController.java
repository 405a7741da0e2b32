package yentra.server.projects;

import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
  private final ProjectList list;
  private final ProjectCopy copy;
  private final ProjectEvents events;

  ProjectController(
      ProjectStore projects, ProjectList list, ProjectCopy copy, ProjectEvents events) {
    this.projects = projects;
    this.list = list;
    this.copy = copy;
    this.events = events;
  }

  /**
   * A page of the list, what was touched last first.
   *
   * @param words of which each must stand in the project's name or in that of a file of it
   */
  @GetMapping("/projects")
  ProjectViews.ProjectPage projects(
      @RequestParam(defaultValue = "0") int from,
      @RequestParam(defaultValue = "50") int most,
      @RequestParam(defaultValue = "") String words,
      @RequestParam(defaultValue = "OPEN") ProjectViews.Shelf shelf) {
    if (from < 0 || most < 1 || most > MOST_PROJECTS) {
      throw Problem.bad(
          "A page of projects starts at 0 or later and has 1 to " + MOST_PROJECTS + " of them.");
    }
    return list.page(from, most, words, shelf);
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
    return projects.get(projects.create(name(asked.name()), RequestGuard.person(person)));
  }

  private static String name(String asked) {
    String name = asked == null ? "" : asked.strip();
    if (name.isEmpty() || name.length() > 120 || name.matches("(?s).*\\p{Cntrl}.*")) {
      throw Problem.bad("A project needs a name of one line and at most 120 characters.");
    }
    return name;
  }

  @PutMapping("/projects/{id}/name")
  ProjectViews.ProjectView rename(
      @PathVariable UUID id, @RequestBody ProjectViews.NameRequest asked) {
    projects.rename(id, name(asked.name()));
    return projects.get(id);
  }

  /** Puts a project away, throws it away, or takes it back. */
  @PutMapping("/projects/{id}/shelf")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void put(@PathVariable UUID id, @RequestBody ProjectViews.ShelfRequest asked) {
    if (asked.shelf() == null) {
      throw Problem.bad("Say where the project goes: OPEN, ARCHIVED or DELETED.");
    }
    list.put(id, asked.shelf());
  }

  /** The same project once more, with all that was made of its deliveries. */
  @PostMapping("/projects/{id}/copy")
  @ResponseStatus(HttpStatus.CREATED)
  ProjectViews.ProjectView copy(
      @PathVariable UUID id,
      @RequestBody ProjectViews.NameRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return projects.get(copy.of(id, name(asked.name()), RequestGuard.person(person)));
  }

  /** A small picture of the project's newest delivery. */
  @GetMapping(path = "/projects/{id}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(@PathVariable UUID id) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noCache())
        .body(list.picture(id).orElseThrow(() -> Problem.notFound("The picture")));
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
