package yentra.core.boundary;

import java.util.List;
import java.util.Map;
import yentra.core.envelope.SpaceSeed;

/**
 * Where a delivery's second-level boundaries come from.
 *
 * @param mode whether to take those it brings
 * @param derivation how others are made
 * @param convention where surfaces are drawn
 * @param findSpaces whether all volumes that construction encloses and no space covers become
 *     spaces
 * @param spaces the mode of spaces, by key, for which another one was chosen
 * @param seeds enclosed volumes that become spaces, where not all do
 */
public record BoundaryOptions(
    Mode mode,
    DerivationOptions derivation,
    Convention convention,
    boolean findSpaces,
    Map<String, Mode> spaces,
    List<SpaceSeed> seeds) {
  public BoundaryOptions {
    spaces = Map.copyOf(spaces);
    seeds = List.copyOf(seeds);
  }

  public BoundaryOptions(Mode mode, DerivationOptions derivation) {
    this(mode, derivation, Convention.INNER);
  }

  public BoundaryOptions(Mode mode, DerivationOptions derivation, Convention convention) {
    this(mode, derivation, convention, false, Map.of(), List.of());
  }

  public static final BoundaryOptions STANDARD =
      new BoundaryOptions(Mode.AUTO, DerivationOptions.STANDARD);

  /** What the delivery brings, as it is. */
  public static final BoundaryOptions KEEP =
      new BoundaryOptions(Mode.KEEP, DerivationOptions.STANDARD);

  /** The same, with all enclosed volumes as spaces. */
  public BoundaryOptions findingSpaces(boolean all) {
    return new BoundaryOptions(mode, derivation, convention, all, spaces, seeds);
  }

  /** The same, with what was decided for single spaces. */
  public BoundaryOptions with(Map<String, Mode> ofSpaces, List<SpaceSeed> volumes) {
    return new BoundaryOptions(mode, derivation, convention, findSpaces, ofSpaces, volumes);
  }

  /** The mode of a space. */
  public Mode mode(String space) {
    return spaces.getOrDefault(space, mode);
  }

  /** Whether delivered boundaries are taken. */
  public enum Mode {
    /** Those of each space are kept where they are sound, else derived. */
    AUTO,
    /** They are kept as they are; spaces without any have unresolved faces. */
    KEEP,
    /** They are all derived. */
    DERIVE
  }
}
