package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Opening;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.opening.ShadeOpenings;
import yentra.core.units.Quantity;

/**
 * Overhangs and fins at the windows of used spaces; those that are there by an earlier such change
 * go.
 *
 * @param facing directions of walls; empty for all
 * @param overhang depth over the windows, m; 0 for none
 * @param fin depth at both sides, m; 0 for none
 */
public record WindowShades(Set<Facing> facing, double overhang, double fin) implements Change {
  private static final double DEEPEST = 20;

  public WindowShades {
    facing = facing == null || facing.isEmpty() ? Set.of() : EnumSet.copyOf(facing);
  }

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    List<String> windows = state.windowsFacing(facing).stream().map(Opening::key).toList();
    if (windows.isEmpty()) {
      throw new NotApplicableException(
          "No window of a heated or cooled space is there" + Words.facing(facing) + ".");
    }
    boolean none = overhang == 0 && fin == 0;
    try {
      return state.unlessSo(List.of(new ShadeOpenings(windows, overhang, fin)));
    } catch (NotApplicableException e) {
      if (none) {
        // they have none
        return Effect.NONE;
      }
      throw e;
    }
  }

  @Override
  public String label() {
    String what =
        fin == 0
            ? "overhangs of " + Words.number(overhang) + " m"
            : overhang == 0
                ? "fins of " + Words.number(fin) + " m"
                : "overhangs of "
                    + Words.number(overhang)
                    + " m and fins of "
                    + Words.number(fin)
                    + " m";
    return (overhang == 0 && fin == 0 ? "no shades at windows" : what) + Words.facing(facing);
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.SHADES);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.NORTH, Aspect.SHAPE, Aspect.WINDOWS);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of("overhang", "depth of overhangs", Quantity.LENGTH, overhang, 0, DEEPEST),
        ChangeQuantity.of("fin", "depth of fins", Quantity.LENGTH, fin, 0, DEEPEST));
  }

  @Override
  public Change with(String member, double value) {
    return switch (member) {
      case "overhang" -> new WindowShades(facing, value, fin);
      case "fin" -> new WindowShades(facing, overhang, value);
      default -> throw Change.unknown(this, member);
    };
  }
}
