package yentra.core.finding;

/** How bad a finding is, worst first. */
public enum Severity {
  /** A simulation will fail, or be wrong by construction. */
  BLOCKER,
  /** The result will be wrong. */
  ERROR,
  /** Probably wrong; a person decides. */
  WARNING,
  NOTE;

  public String label() {
    return name().toLowerCase(java.util.Locale.ROOT);
  }
}
