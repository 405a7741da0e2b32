package yentra.core.ifc;

import java.util.HashSet;
import java.util.Set;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** How parts of bodies are drawn: IfcStyledItem and what it refers to. */
final class IfcStyles {
  /** From this share of transparency on a part is seen through: common practice, no source. */
  private static final double CLEAR = 0.5;

  private static final int DEEPEST = 4;

  private IfcStyles() {}

  /** Representation items that are drawn as see-through. */
  static Set<Integer> seeThrough(StepFile file) {
    Set<Integer> out = new HashSet<>();
    file.each(
        "IFCSTYLEDITEM",
        s -> {
          for (int style : s.refs(1)) {
            if (isClear(file, style, 0)) {
              out.add(s.ref(0));
            }
          }
        });
    return out;
  }

  /** IfcPresentationStyleAssignment (IFC2x3) and IfcSurfaceStyle lead to IfcSurfaceStyleShading. */
  private static boolean isClear(StepFile file, int style, int depth) {
    StepInstance s = file.get(style);
    if (s == null || depth > DEEPEST) {
      return false;
    }
    return switch (s.type()) {
      case "IFCPRESENTATIONSTYLEASSIGNMENT" ->
          s.refs(0).stream().anyMatch(x -> isClear(file, x, depth + 1));
      case "IFCSURFACESTYLE" -> s.refs(2).stream().anyMatch(x -> isClear(file, x, depth + 1));
      case "IFCSURFACESTYLERENDERING", "IFCSURFACESTYLESHADING" -> s.number(1).orElse(0.0) >= CLEAR;
      default -> false;
    };
  }
}
