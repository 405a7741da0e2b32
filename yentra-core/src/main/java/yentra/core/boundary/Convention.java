package yentra.core.boundary;

/** Where the surfaces of a space are drawn. */
public enum Convention {
  /** On the inner faces of construction: what the air touches. */
  INNER("inner faces"),
  /** Outer walls, roofs and floors on their inner face, what lies between spaces in its middle. */
  INNER_AND_CENTRE("inner faces, the middle between spaces"),
  /** In the middle of construction. */
  CENTRE("the middle of construction"),
  /** On the outer face of outer construction, in the middle between spaces. */
  OUTER("outer faces, the middle between spaces");

  private final String label;

  Convention(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  /** The share of its thickness by which a surface with one space moves outwards. */
  double exterior() {
    return switch (this) {
      case INNER, INNER_AND_CENTRE -> 0;
      case CENTRE -> 0.5;
      case OUTER -> 1;
    };
  }

  /** The share of its thickness by which each side of a surface between spaces moves. */
  double interior() {
    return this == INNER ? 0 : 0.5;
  }
}
