package yentra.core.scope;

import java.util.List;
import java.util.Map;
import yentra.core.model.Element;
import yentra.core.scope.ScopeSheet.Gravity;

/**
 * What applying a sheet to a model gave.
 *
 * @param decisions one for each element, in the model's order
 * @param faults the requirements that are not met, in the order of elements, then of rows
 * @param tallies for each requirement row, how many elements it was asked of and how many met it
 */
public record ScopeResult(
    List<Decision> decisions, List<Fault> faults, Map<Integer, Tally> tallies) {
  /**
   * Why an element is in or out.
   *
   * @param row the row of the rule that decided, 0 when none did
   * @param byHand whether a person decided
   */
  public record Decision(Element element, boolean in, String reason, int row, boolean byHand) {}

  /**
   * A requirement that an element does not meet.
   *
   * @param element null when the requirement is about there being such an element
   * @param missing true when the value is not there, false when it is refused
   * @param value what was found, or empty
   */
  public record Fault(
      Element element, Requirement requirement, boolean missing, String value, String reason) {
    public Gravity gravity() {
      return requirement.gravity();
    }
  }

  /** How many elements a requirement was asked of, and how many met it. */
  public record Tally(int asked, int met) {}

  /** How many elements of a class there are, and how many are in. */
  public record ClassCount(String entity, int all, int in) {}

  /** Counts per class, the most frequent first. */
  public List<ClassCount> classes() {
    Map<String, int[]> counts = new java.util.TreeMap<>();
    for (Decision d : decisions) {
      int[] c = counts.computeIfAbsent(d.element.entity(), k -> new int[2]);
      c[0]++;
      c[1] += d.in ? 1 : 0;
    }
    return counts.entrySet().stream()
        .map(e -> new ClassCount(e.getKey(), e.getValue()[0], e.getValue()[1]))
        .sorted(java.util.Comparator.comparingInt((ClassCount c) -> -c.all()))
        .toList();
  }

  public long in() {
    return decisions.stream().filter(Decision::in).count();
  }
}
