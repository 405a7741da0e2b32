package yentra.server.plans;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
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
import org.springframework.web.bind.annotation.RestController;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.RequestGuard;

/** Drawn buildings. */
@RestController
@RequestMapping("/api")
public class PlanController {
  private final Plans plans;
  private final Underlays underlays;

  PlanController(Plans plans, Underlays underlays) {
    this.plans = plans;
    this.underlays = underlays;
  }

  @GetMapping("/deliveries/{id}/plan")
  PlanViews.PlanView plan(@PathVariable UUID id) {
    return plans.plan(id);
  }

  /** Draws the building anew. */
  @PutMapping("/deliveries/{id}/plan")
  EnvelopeViews.ModelView draw(
      @PathVariable UUID id,
      @RequestBody PlanViews.DrawRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return plans.draw(id, asked, person);
  }

  /** Floors that the bodies of a delivery without rooms would make; nothing is kept. */
  @GetMapping("/deliveries/{id}/mass")
  PlanViews.MassView mass(@PathVariable UUID id, @RequestParam(required = false) Double height) {
    return plans.mass(id, height);
  }

  /** What a plan document comes to; nothing is kept. */
  @PostMapping("/plans/try")
  PlanViews.TriedView attempt(@RequestBody PlanViews.TryPlanRequest asked) {
    return plans.attempt(asked.document());
  }

  /** Pictures that the project's drawings can be traced from. */
  @GetMapping("/projects/{id}/underlays")
  List<PlanViews.UnderlayView> underlays(@PathVariable UUID id) {
    return underlays.of(id);
  }

  /** The body is a picture's bytes, or a PDF's. */
  @PostMapping(path = "/projects/{id}/underlays", consumes = "application/octet-stream")
  PlanViews.UnderlayView underlay(
      @PathVariable UUID id,
      @RequestParam String name,
      @RequestParam(defaultValue = "1") int page,
      @RequestHeader(RequestGuard.PERSON) String person,
      HttpServletRequest request)
      throws IOException {
    byte[] bytes = request.getInputStream().readNBytes(PictureReader.MOST_BYTES + 1);
    return underlays.add(id, name, bytes, page, RequestGuard.person(person));
  }

  @GetMapping("/projects/{id}/underlays/{name}")
  ResponseEntity<byte[]> picture(@PathVariable UUID id, @PathVariable String name) {
    Picture p = underlays.picture(id, name);
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(p.mediaType()))
        .header("X-Content-Type-Options", "nosniff")
        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
        .body(p.bytes());
  }
}
