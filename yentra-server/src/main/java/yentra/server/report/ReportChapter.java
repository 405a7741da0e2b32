package yentra.server.report;

/** Chapters of the project report, in their usual order. */
public enum ReportChapter {
  PLACE("Place and climate"),
  DELIVERIES("Deliveries and what was read"),
  SCOPE("Scope"),
  BALANCE("Balance sheet"),
  FINDINGS("Findings that are left, and why"),
  REPAIRS("Repairs"),
  CONSTRUCTIONS("Constructions and U-values"),
  USES("Uses and zones"),
  AREAS("Areas by direction"),
  JUNCTIONS("Linear thermal bridges"),
  LOADS("Design loads"),
  YEAR("The year"),
  ASSUMPTIONS("Assumptions");

  private final String label;

  ReportChapter(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
