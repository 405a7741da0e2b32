package yentra.core.variant.change;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanDocument.StoreyPlan;
import yentra.core.repair.NotApplicableException;
import yentra.core.units.Quantity;

/**
 * Another height of a storey of a drawn building; what lies above moves with it.
 *
 * @param storey its name; empty for all
 * @param height from floor to floor, m
 */
public record StoreyHeight(String storey, double height) implements Change {
  public StoreyHeight {
    storey = storey == null ? "" : storey;
  }

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    PlanDocument plan = state.plan();
    if (plan == null) {
      throw new NotApplicableException(
          "Storeys can be made higher of a building that was drawn; this one was delivered as a model.");
    }
    List<StoreyPlan> storeys = new ArrayList<>();
    double lift = 0;
    boolean found = false;
    List<StoreyPlan> upwards =
        plan.storeys().stream()
            .sorted(java.util.Comparator.comparingDouble(StoreyPlan::level))
            .toList();
    for (StoreyPlan s : upwards) {
      boolean here = storey.isEmpty() || s.name().equals(storey);
      found |= here;
      double now = here ? height : s.height();
      storeys.add(new StoreyPlan(s.origin(), s.name(), s.level() + lift, now));
      lift += now - s.height();
    }
    if (!found) {
      throw new NotApplicableException("No storey is called " + storey + ".");
    }
    if (storeys.equals(upwards)) {
      return Effect.NONE;
    }
    List<StoreyPlan> inOrder =
        plan.storeys().stream().map(s -> storeys.get(upwards.indexOf(s))).toList();
    return Effect.of(plan.withStoreys(inOrder));
  }

  @Override
  public String label() {
    return (storey.isEmpty() ? "storeys" : storey) + " " + Words.number(height) + " m high";
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.SHAPE);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.noneOf(Aspect.class);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of("height", "height of storeys", Quantity.LENGTH, height, 1, 50));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("height")) {
      throw Change.unknown(this, member);
    }
    return new StoreyHeight(storey, value);
  }
}
