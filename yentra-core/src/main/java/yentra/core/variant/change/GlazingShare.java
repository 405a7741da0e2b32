package yentra.core.variant.change;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.opening.DeleteOpening;
import yentra.core.repair.opening.GlazeWalls;
import yentra.core.units.Quantity;

/**
 * Windows for a share of the outdoor walls of used spaces. Walls that have room for less get what
 * they have room for.
 *
 * @param facing directions; empty for all
 * @param share of gross wall area, 0 to 0.95
 * @param sill height of the windows' lower edge above the wall's, m
 */
public record GlazingShare(Set<Facing> facing, double share, double sill) implements Change {
  private static final double MOST = 0.95;

  /** Walls with room for less than this share stay without windows. */
  private static final double LITTLE = 0.01;

  /** Kept clear of a wall's room, so that rounding does not ask for more than there is. */
  private static final double CLEAR = 1e-6;

  public GlazingShare {
    facing = facing == null || facing.isEmpty() ? Set.of() : EnumSet.copyOf(facing);
  }

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    List<Surface> walls = state.wallsFacing(facing);
    if (walls.isEmpty()) {
      throw new NotApplicableException(
          "No outdoor wall of a heated or cooled space is there" + Words.facing(facing) + ".");
    }
    List<Repair> repairs = new ArrayList<>();
    List<String> full = new ArrayList<>();
    double gross = 0;
    double glazed = 0;
    int small = 0;
    for (Surface s : walls) {
      double area = s.polygon().area();
      gross += area;
      double ratio = Math.min(share, GlazeWalls.room(s, sill) - CLEAR);
      if (ratio < LITTLE) {
        small += share > 0 ? 1 : 0;
        for (Opening o : s.openings()) {
          if (o.type().isGlazed()) {
            repairs.add(new DeleteOpening(o.key()));
          }
        }
        continue;
      }
      glazed += ratio * area;
      if (ratio < share - CLEAR) {
        small++;
        repairs.add(new GlazeWalls(List.of(s.key()), ratio, sill));
      } else {
        full.add(s.key());
      }
    }
    if (!full.isEmpty()) {
      repairs.add(new GlazeWalls(full, share, sill));
    }
    return small == 0
        ? state.unlessSo(repairs)
        : state.unlessSo(
            repairs,
            String.format(
                Locale.ROOT,
                "%d of %d walls have room for less: glazing comes to %.1f %%.",
                small,
                walls.size(),
                100 * glazed / gross));
  }

  @Override
  public String label() {
    return "glazing" + Words.facing(facing) + " " + Words.percent(share);
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.WINDOWS, Aspect.GLAZING);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.NORTH, Aspect.SHAPE, Aspect.GLAZING);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(
        ChangeQuantity.of("share", "glazing share", Quantity.SHARE, share, 0, MOST),
        ChangeQuantity.of("sill", "sill height", Quantity.LENGTH, sill, 0, 20));
  }

  @Override
  public Change with(String member, double value) {
    return switch (member) {
      case "share" -> new GlazingShare(facing, value, sill);
      case "sill" -> new GlazingShare(facing, share, value);
      default -> throw Change.unknown(this, member);
    };
  }
}
