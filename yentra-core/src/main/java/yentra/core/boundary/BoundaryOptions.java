package yentra.core.boundary;

/**
 * Where a delivery's second-level boundaries come from.
 *
 * @param mode whether to take those it brings
 * @param derivation how others are made
 * @param convention where surfaces are drawn
 * @param findSpaces whether volumes that construction encloses and no space covers become spaces
 */
public record BoundaryOptions(
    Mode mode, DerivationOptions derivation, boolean findSpaces, Convention convention) {
  public BoundaryOptions(Mode mode, DerivationOptions derivation) {
    this(mode, derivation, false, Convention.INNER);
  }

  public static final BoundaryOptions STANDARD =
      new BoundaryOptions(Mode.AUTO, DerivationOptions.STANDARD);

  /** What the delivery brings, as it is. */
  public static final BoundaryOptions KEEP =
      new BoundaryOptions(Mode.KEEP, DerivationOptions.STANDARD);

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
