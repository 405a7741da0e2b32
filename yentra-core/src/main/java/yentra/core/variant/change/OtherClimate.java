package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.repair.NotApplicableException;

/**
 * The weather of another place or time.
 *
 * @param climate names the weather; what it is called is the caller's
 * @param name of it, for people
 */
public record OtherClimate(String climate, String name) implements Change {
  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    if (climate == null || climate.isBlank()) {
      throw new NotApplicableException("Choose a weather file.");
    }
    return climate.equals(state.climate()) ? Effect.NONE : Effect.in(climate);
  }

  @Override
  public String label() {
    return "climate of " + (name == null || name.isBlank() ? climate : name);
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.CLIMATE);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.noneOf(Aspect.class);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of();
  }

  @Override
  public Change with(String member, double value) {
    throw Change.unknown(this, member);
  }
}
