package yentra.server.plans;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.RequestGuard;

/** Drawn buildings. */
@RestController
@RequestMapping("/api")
public class PlanController {
  private final Plans plans;

  PlanController(Plans plans) {
    this.plans = plans;
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

  /** What a plan document comes to; nothing is kept. */
  @PostMapping("/plans/try")
  PlanViews.TriedView attempt(@RequestBody PlanViews.TryPlanRequest asked) {
    return plans.attempt(asked.document());
  }
}
