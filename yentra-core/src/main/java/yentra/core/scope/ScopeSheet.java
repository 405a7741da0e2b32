package yentra.core.scope;

import java.util.List;

/**
 * What one purpose needs of an architectural model.
 *
 * @param othersIn whether elements that no rule fits are in
 * @param othersKept whether properties that no row names are kept on export
 */
public record ScopeSheet(
    String name,
    String purpose,
    boolean othersIn,
    boolean othersKept,
    List<ScopeRule> rules,
    List<Requirement> requirements) {
  public ScopeSheet {
    rules = List.copyOf(rules);
    requirements = List.copyOf(requirements);
  }

  /** How grave it is when a requirement is not met. */
  public enum Gravity {
    BLOCKER,
    ERROR,
    WARNING,
    NOTE
  }
}
