package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Space;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.space.StateLeakage;

/**
 * How tight used spaces are.
 *
 * @param airChanges air that comes in through leaks, 1/h
 */
public record Leakage(double airChanges) implements Change {
  private static final double MOST = 20;

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    List<Space> used = state.used();
    if (used.isEmpty()) {
      throw new NotApplicableException("No space is heated or cooled.");
    }
    Space.AirExchange air = new Space.AirExchange(null, airChanges);
    return used.stream().allMatch(s -> s.air().equals(air))
        ? Effect.NONE
        : Effect.of(List.of(new StateLeakage(used.stream().map(Space::key).toList(), airChanges)));
  }

  @Override
  public String label() {
    return "air through leaks " + Words.number(airChanges) + " times an hour";
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.LEAKAGE);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.SHAPE);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.counted("airChanges", "air through leaks", "1/h", airChanges, 0, MOST));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("airChanges")) {
      throw Change.unknown(this, member);
    }
    return new Leakage(value);
  }
}
