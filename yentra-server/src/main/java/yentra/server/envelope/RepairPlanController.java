package yentra.server.envelope;

import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yentra.core.boundary.Watch;
import yentra.server.web.Problem;

/**
 * What of a delivery can be put right without a judgement; nothing is changed. The work is done
 * under a name, under which it can be followed and given up: {@link AttemptController}.
 */
@RestController
@RequestMapping("/api/deliveries/{id}/repair-plan")
class RepairPlanController {
  private final RepairPlans plans;
  private final Attempts attempts;

  RepairPlanController(RepairPlans plans, Attempts attempts) {
    this.plans = plans;
    this.attempts = attempts;
  }

  @PostMapping("/{run}")
  RepairPlanViews.RepairPlanView plan(@PathVariable UUID id, @PathVariable UUID run) {
    return attempt(run, watch -> plans.of(id, watch));
  }

  /** What becomes of the plan when some of it is not taken, and some of what is open answered. */
  @PostMapping("/outcome/{run}")
  RepairPlanViews.OutcomeView outcome(
      @PathVariable UUID id,
      @PathVariable UUID run,
      @RequestBody RepairPlanViews.OutcomeRequest asked) {
    return attempt(run, watch -> plans.outcome(id, asked, watch));
  }

  private <T> T attempt(UUID run, Function<Watch, T> work) {
    try {
      return attempts.run(run, work);
    } catch (CancellationException e) {
      throw Problem.notApplicable("The plan was cancelled.");
    }
  }
}
