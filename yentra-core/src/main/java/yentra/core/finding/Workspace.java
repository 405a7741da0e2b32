package yentra.core.finding;

/** The step of the job that a finding belongs to: where a person sees and answers it. */
public enum Workspace {
  INTAKE,
  SCOPE,
  ENVELOPE,
  THERMAL;

  /**
   * By the family of the code.
   *
   * @throws IllegalArgumentException when it is of no family of the catalogue
   */
  public static Workspace of(String code) {
    return switch (code.substring(0, Math.min(3, code.length()))) {
      case "FMT", "UNI", "LOC" -> INTAKE;
      case "SRC" -> SCOPE;
      case "GEO", "SPC", "ADJ", "OPN" -> ENVELOPE;
      case "THM", "USE" -> THERMAL;
      default -> throw new IllegalArgumentException("no check has the code " + code);
    };
  }
}
