package yentra.server.envelope;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.boundary.Watch;
import yentra.core.check.mend.Planner;
import yentra.core.check.mend.RepairPlan;
import yentra.core.envelope.Envelope;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.server.deliveries.DeliveryStates;

/** Repair plans of states, worked out once for each. */
@Service
public class RepairPlans {
  /** States whose plans are kept: those that people look at. */
  private static final int KEPT = 8;

  private final Deliveries deliveries;
  private final Cache<DeliveryStates.State, RepairPlanView> made =
      Caffeine.newBuilder().weakKeys().maximumSize(KEPT).build();

  RepairPlans(Deliveries deliveries) {
    this.deliveries = deliveries;
  }

  /**
   * A plan of what the delivery itself determines.
   *
   * @param steps in the order in which they work
   * @param refused what was tried and is not taken
   */
  public record RepairPlanView(List<MendStepView> steps, List<MendRefusedView> refused) {}

  /**
   * One step.
   *
   * @param finding id of the finding that it is for
   * @param code of its check
   * @param message what is wrong
   * @param says what is done about it
   * @param resolves how many findings are gone after it
   * @param area of the surfaces that its finding is about, else of those that it changes, m²
   * @param objects keys of what it is about and what it changes
   * @param repairs the repairs that it is made of
   */
  public record MendStepView(
      String finding,
      String code,
      String message,
      String says,
      int resolves,
      double area,
      List<String> objects,
      List<Repair> repairs) {}

  /** What is not taken, and why. */
  public record MendRefusedView(String finding, String code, String label, String reason) {}

  /** The plan of the state that the delivery is in. */
  RepairPlanView of(UUID id) {
    DeliveryStates.State s = deliveries.state(id);
    return made.get(s, x -> view(Planner.safe(x.run(), Watch.NONE)));
  }

  /** Rooms, surfaces and openings: steps that share them build on each other. */
  private static boolean isPart(Envelope e, String key) {
    return e.space(key).isPresent() || e.surface(key).isPresent() || e.opening(key).isPresent();
  }

  private static double area(Envelope before, Envelope after, RepairPlan.Step s) {
    double about = area(before, after, s.finding().objects());
    return about > 0 ? about : area(before, after, s.remedy().repair().objects());
  }

  private static double area(Envelope before, Envelope after, List<String> keys) {
    double sum = 0;
    for (String k : keys) {
      sum += after.surface(k).or(() -> before.surface(k)).map(x -> x.polygon().area()).orElse(0.0);
    }
    return sum;
  }

  private static RepairPlanView view(RepairPlan plan) {
    Envelope before = plan.before().context().envelope();
    Envelope after = plan.after().context().envelope();
    List<MendStepView> steps = new ArrayList<>();
    for (RepairPlan.Step s : plan.steps()) {
      Repair r = s.remedy().repair();
      Set<String> objects = new LinkedHashSet<>(s.finding().objects());
      objects.addAll(r.objects());
      steps.add(
          new MendStepView(
              s.finding().id().toString(),
              s.finding().code(),
              s.finding().message(),
              s.says(),
              s.resolves().size(),
              area(before, after, s),
              objects.stream().filter(k -> isPart(before, k) || isPart(after, k)).toList(),
              r instanceof Several x ? x.repairs() : List.of(r)));
    }
    return new RepairPlanView(
        steps,
        plan.refused().stream()
            .map(
                x ->
                    new MendRefusedView(
                        x.finding().id().toString(),
                        x.finding().code(),
                        x.remedy().label(),
                        x.reason()))
            .toList());
  }
}
