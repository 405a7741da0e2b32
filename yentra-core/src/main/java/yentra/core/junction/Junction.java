package yentra.core.junction;

import java.util.List;
import yentra.core.geometry.Vec3;

/**
 * A linear thermal bridge.
 *
 * @param type where components meet
 * @param length m, by the surfaces as they are drawn
 * @param psi W/(mK)
 * @param stated whether ψ was given rather than the standard's default
 * @param elements keys of the surfaces and openings that meet
 * @param spaces keys of the spaces that lose heat by it: one, or two with half of it each
 * @param lines where it runs, in model coordinates: start and end in turn
 */
public record Junction(
    JunctionType type,
    double length,
    double psi,
    boolean stated,
    List<String> elements,
    List<String> spaces,
    List<Vec3> lines) {
  public Junction {
    elements = List.copyOf(elements);
    spaces = List.copyOf(spaces);
    lines = List.copyOf(lines);
  }

  /** W/K. */
  public double heatLoss() {
    return psi * length;
  }

  /** W/K of one of its spaces; 0 for another. */
  public double heatLoss(String space) {
    return spaces.contains(space) ? heatLoss() / spaces.size() : 0;
  }
}
