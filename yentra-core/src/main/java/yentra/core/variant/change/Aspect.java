package yentra.core.variant.change;

/** What of a building and its estimate a change can concern. */
public enum Aspect {
  /** Where the building's walls look. */
  NORTH,
  /** The volumes of what was drawn. */
  SHAPE,
  /** Which windows there are, and how large. */
  WINDOWS,
  /** What windows are made of. */
  GLAZING,
  /** Overhangs and fins. */
  SHADES,
  /** What opaque components are made of. */
  CONSTRUCTIONS,
  LEAKAGE,
  SET_POINTS,
  GAINS,
  RECOVERY,
  SYSTEMS,
  CLIMATE
}
