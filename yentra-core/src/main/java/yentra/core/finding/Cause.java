package yentra.core.finding;

/**
 * A fault that makes others: what follows from it is told with it. In the order in which they are
 * asked: the first that applies is the cause.
 */
public enum Cause {
  /** A wrong unit makes sizes implausible and distances long. */
  WRONG_UNIT(Reach.BUILDING),
  /** A shell that is inside out turns the surfaces of its space. */
  INSIDE_OUT(Reach.SPACES),
  /** A hole in a space. */
  HOLE(Reach.SPACES),
  /** A neighbour that the file does not define. */
  MISSING_SPACE(Reach.SURFACE),
  /** An enclosed volume that no space covers. */
  VOID(Reach.SPACES),
  /** A space without surfaces. */
  NO_SURFACES(Reach.SPACES);

  /** How far its effects reach: which findings can follow from it. */
  public enum Reach {
    BUILDING,
    /** Findings about the same spaces, or about their surfaces and openings. */
    SPACES,
    /** Findings about the same surface. */
    SURFACE
  }

  private final Reach reach;

  Cause(Reach reach) {
    this.reach = reach;
  }

  public Reach reach() {
    return reach;
  }
}
