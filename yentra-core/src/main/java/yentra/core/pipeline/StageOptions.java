package yentra.core.pipeline;

import yentra.core.boundary.BoundaryOptions;
import yentra.core.finding.Limits;
import yentra.core.scope.ScopeState;

/**
 * What is decided of a delivery before its envelope is made.
 *
 * @param scope which elements are in, values set, boundaries of single spaces, spaces found
 * @param boundaries how the boundaries of an architectural model are made
 * @param groundLevel height of the ground in model coordinates, m; null when it is not known
 * @param limits of the checks
 */
public record StageOptions(
    ScopeState scope, BoundaryOptions boundaries, Double groundLevel, Limits limits) {
  /** As it was delivered. */
  public static final StageOptions STANDARD =
      new StageOptions(ScopeState.AS_DELIVERED, BoundaryOptions.STANDARD, null, Limits.STANDARD);

  public StageOptions with(ScopeState s) {
    return new StageOptions(s, boundaries, groundLevel, limits);
  }

  public StageOptions with(BoundaryOptions b) {
    return new StageOptions(scope, b, groundLevel, limits);
  }

  public StageOptions with(Limits l) {
    return new StageOptions(scope, boundaries, groundLevel, l);
  }

  /** The boundaries, with what was decided for single spaces. */
  BoundaryOptions allBoundaries() {
    return boundaries.with(SpaceBoundaryModes.of(scope.boundaries()), scope.seeds());
  }
}
