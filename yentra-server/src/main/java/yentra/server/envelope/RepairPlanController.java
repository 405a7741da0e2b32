package yentra.server.envelope;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What of a delivery can be put right without a judgement; nothing is changed. */
@RestController
class RepairPlanController {
  private final RepairPlans plans;

  RepairPlanController(RepairPlans plans) {
    this.plans = plans;
  }

  @GetMapping("/api/deliveries/{id}/repair-plan")
  RepairPlans.RepairPlanView plan(@PathVariable UUID id) {
    return plans.of(id);
  }
}
