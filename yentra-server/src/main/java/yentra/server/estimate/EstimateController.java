package yentra.server.estimate;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
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
import yentra.core.climate.EpwReader;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** Weather, runs of estimates, thermal bridges, sun. */
@RestController
@RequestMapping("/api")
class EstimateController {
  private final WeatherFiles weather;
  private final EstimateRuns runs;
  private final SiteAnswers site;
  private final RunEvents events;

  EstimateController(WeatherFiles weather, EstimateRuns runs, SiteAnswers site, RunEvents events) {
    this.weather = weather;
    this.runs = runs;
    this.site = site;
    this.events = events;
  }

  /** Weather files to choose from. */
  @GetMapping("/weather")
  List<ClimateViews.WeatherFileView> weather() {
    return weather.all();
  }

  /** The body is an EPW file's bytes; the project is estimated with it from now on. */
  @PostMapping(path = "/projects/{id}/weather", consumes = "application/octet-stream")
  @ResponseStatus(HttpStatus.CREATED)
  ClimateViews.WeatherChoice add(
      @PathVariable UUID id,
      @RequestParam String name,
      @RequestHeader(RequestGuard.PERSON) String person,
      HttpServletRequest request)
      throws IOException {
    byte[] bytes = request.getInputStream().readNBytes((int) EpwReader.MOST_BYTES + 1);
    String safe = name.replaceAll("[\\p{Cntrl}/\\\\]", "_").strip();
    return new ClimateViews.WeatherChoice(
        weather.add(id, safe.isEmpty() ? "weather.epw" : safe, bytes, RequestGuard.person(person)));
  }

  /** Estimates the project with a weather file that is there. */
  @PutMapping("/projects/{id}/weather")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void choose(
      @PathVariable UUID id,
      @RequestBody ClimateViews.WeatherChoice asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    if (asked.weather() == null) {
      throw Problem.bad("Say which weather file.");
    }
    weather.choose(id, asked.weather(), RequestGuard.person(person));
  }

  /** The climate that a delivery's project is estimated with; nothing where none is chosen. */
  @GetMapping("/deliveries/{id}/climate")
  ResponseEntity<ClimateViews.ClimateView> climate(@PathVariable UUID id) {
    return site.climate(id)
        .map(ResponseEntity::ok)
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  @GetMapping("/projects/{id}/estimate-settings")
  RunSettings settings(@PathVariable UUID id) {
    return weather.settings(id);
  }

  @PutMapping("/projects/{id}/estimate-settings")
  RunSettings settings(
      @PathVariable UUID id,
      @RequestBody RunSettings asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    weather.settings(id, asked, RequestGuard.person(person));
    return weather.settings(id);
  }

  @GetMapping("/deliveries/{id}/estimates")
  List<EstimateViews.EstimateRunView> runs(@PathVariable UUID id) {
    return runs.of(id);
  }

  /** Runs loads and the hourly year of the newest state, as a job. */
  @PostMapping("/deliveries/{id}/estimates")
  @ResponseStatus(HttpStatus.ACCEPTED)
  EstimateViews.EstimateRunView ask(
      @PathVariable UUID id,
      @RequestBody EstimateViews.RunRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return runs.run(runs.ask(id, asked, RequestGuard.person(person)));
  }

  @GetMapping("/estimates/{run}")
  EstimateViews.EstimateRunView run(@PathVariable UUID run) {
    return runs.run(run);
  }

  @GetMapping(path = "/estimates/{run}/events", produces = "text/event-stream")
  SseEmitter events(@PathVariable UUID run) {
    return events.listen(run);
  }

  @GetMapping("/estimates/{run}/result")
  EstimateViews.EstimateView result(@PathVariable UUID run) {
    return runs.result(run);
  }

  /** Hours of a space, a week from an hour on where nothing else is said. */
  @GetMapping("/estimates/{run}/hours")
  EstimateViews.HoursView hours(
      @PathVariable UUID run,
      @RequestParam String space,
      @RequestParam(defaultValue = "0") int from,
      @RequestParam(defaultValue = "168") int hours) {
    return runs.hours(run, space, from, hours);
  }

  /** Stops a run that goes on; takes away one that has ended. */
  @DeleteMapping("/estimates/{run}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void cancel(@PathVariable UUID run) {
    runs.cancel(run);
  }

  /** Linear thermal bridges of the newest state. */
  @GetMapping("/deliveries/{id}/junctions")
  EstimateViews.JunctionsView junctions(@PathVariable UUID id) {
    return site.junctions(id);
  }

  /**
   * Sun on the openings on a month's 21st.
   *
   * @param hour of the day that begins then, 0 to 23
   */
  @GetMapping("/deliveries/{id}/sunlight")
  EstimateViews.SunlightView sunlight(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "6") int month,
      @RequestParam(defaultValue = "12") int hour) {
    if (month < 1 || month > 12 || hour < 0 || hour > 23) {
      throw Problem.bad("Months go from 1 to 12, hours from 0 to 23.");
    }
    return site.sunlight(id, LocalDate.of(2025, month, 21), hour);
  }
}
