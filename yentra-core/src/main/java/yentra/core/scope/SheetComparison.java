package yentra.core.scope;

import java.util.ArrayList;
import java.util.List;

/**
 * What two scope sheets have in common and what only one of them has. Row numbers and order of what
 * is alike do not count.
 */
public record SheetComparison(List<Line> lines) {
  public SheetComparison {
    lines = List.copyOf(lines);
  }

  /** Where a line stands. */
  public enum Place {
    BOTH,
    FIRST,
    SECOND
  }

  /**
   * A rule, a requirement or a setting.
   *
   * @param part {@code setting}, {@code rule} or {@code requirement}
   */
  public record Line(String part, Place place, String text) {}

  public static SheetComparison of(ScopeSheet first, ScopeSheet second) {
    List<Line> out = new ArrayList<>();
    compare("setting", settings(first), settings(second), out);
    compare("rule", rules(first), rules(second), out);
    compare("requirement", requirements(first), requirements(second), out);
    return new SheetComparison(out);
  }

  private static List<String> settings(ScopeSheet s) {
    return List.of(
        "all other elements " + (s.othersIn() ? "in" : "out"),
        "all other properties " + (s.othersKept() ? "kept" : "dropped"));
  }

  private static List<String> rules(ScopeSheet s) {
    return s.rules().stream()
        .map(r -> (r.in() ? "in: " : "out: ") + r.selection().words())
        .toList();
  }

  private static List<String> requirements(ScopeSheet s) {
    return s.requirements().stream().map(SheetComparison::words).toList();
  }

  private static String words(Requirement r) {
    return r.need().name().toLowerCase(java.util.Locale.ROOT)
        + (r.what() == null ? "" : ": " + r.what().words())
        + " of "
        + r.selection().words()
        + ", "
        + r.gravity().name().toLowerCase(java.util.Locale.ROOT);
  }

  private static void compare(String part, List<String> a, List<String> b, List<Line> out) {
    List<String> left = new ArrayList<>(b);
    for (String s : a) {
      out.add(new Line(part, left.remove(s) ? Place.BOTH : Place.FIRST, s));
    }
    left.forEach(s -> out.add(new Line(part, Place.SECOND, s)));
  }
}
