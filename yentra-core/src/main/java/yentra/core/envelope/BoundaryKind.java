package yentra.core.envelope;

/**
 * How a surface came to be: read from the delivery, derived from bodies, made from a space's faces,
 * or a boundary without an element.
 */
public enum BoundaryKind {
  READ("read"),
  /** Read, and only construction lies behind it. */
  READ_2B("read"),
  FACE("face"),
  DERIVED_2A("derived-2a"),
  /** Only construction lies behind it: the end of a partition, the edge of a slab. */
  DERIVED_2B("derived-2b"),
  VIRTUAL("virtual"),
  REPAIRED("repaired");

  private final String label;

  BoundaryKind(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
