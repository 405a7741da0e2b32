package yentra.core.envelope;

/**
 * How a surface came to be: read from the delivery, made from a space's faces, or a boundary
 * without an element.
 */
public enum BoundaryKind {
  READ("read"),
  FACE("face"),
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
