package yentra.core.ifc;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * The units that the project assigns, as factors to SI. Where one is missing, SI is taken and
 * {@link #assumed} says so.
 *
 * @param length metres per unit
 * @param area square metres per unit
 * @param volume cubic metres per unit
 * @param angle radians per unit
 * @param assumed what was not declared
 */
record IfcUnits(
    double length, double area, double volume, double angle, java.util.List<String> assumed) {
  private static final Map<String, Double> PREFIX = new HashMap<>();

  static {
    String[] names = {
      "EXA", "PETA", "TERA", "GIGA", "MEGA", "KILO", "HECTO", "DECA", "DECI", "CENTI", "MILLI",
      "MICRO", "NANO"
    };
    int[] powers = {18, 15, 12, 9, 6, 3, 2, 1, -1, -2, -3, -6, -9};
    for (int i = 0; i < names.length; i++) {
      PREFIX.put(names[i], Math.pow(10, powers[i]));
    }
  }

  static IfcUnits of(StepFile file) {
    Map<String, Double> factors = new HashMap<>();
    int[] projects = file.ofType("IFCPROJECT");
    StepInstance project = projects.length == 0 ? null : file.get(projects[0]);
    StepInstance assignment = project == null ? null : file.get(project.ref(8));
    if (assignment != null && assignment.is("IFCUNITASSIGNMENT")) {
      for (int u : assignment.refs(0)) {
        StepInstance unit = file.get(u);
        if (unit != null && unit.is("IFCSIUNIT", "IFCCONVERSIONBASEDUNIT")) {
          factor(file, unit, 0).ifPresent(f -> factors.putIfAbsent(unit.enumeration(1), f));
        }
      }
    }
    java.util.List<String> assumed = new java.util.ArrayList<>();
    double length = take(factors, "LENGTHUNIT", "metres", assumed);
    double area = factors.getOrDefault("AREAUNIT", length * length);
    double volume = factors.getOrDefault("VOLUMEUNIT", length * length * length);
    double angle = take(factors, "PLANEANGLEUNIT", "radians", assumed);
    return new IfcUnits(length, area, volume, angle, java.util.List.copyOf(assumed));
  }

  private static double take(
      Map<String, Double> factors, String kind, String si, java.util.List<String> assumed) {
    if (!factors.containsKey(kind)) {
      assumed.add(
          (kind.equals("LENGTHUNIT") ? "length" : "plane angle")
              + " unit not declared: "
              + si
              + " assumed");
    }
    return factors.getOrDefault(kind, 1.0);
  }

  /** The factor to SI of an SI or conversion-based unit; empty when it makes no sense. */
  private static Optional<Double> factor(StepFile file, StepInstance unit, int depth) {
    if (unit.is("IFCSIUNIT")) {
      double prefix = PREFIX.getOrDefault(unit.enumeration(2), 1.0);
      String name = unit.enumeration(3);
      return Optional.of(
          name.startsWith("SQUARE_")
              ? prefix * prefix
              : name.startsWith("CUBIC_") ? prefix * prefix * prefix : prefix);
    }
    StepInstance measure = file.get(unit.ref(3));
    StepInstance base = measure == null ? null : file.get(measure.ref(1));
    if (base == null || depth > 8) {
      return Optional.empty();
    }
    return measure
        .number(0)
        .filter(v -> v > 0)
        .flatMap(v -> factor(file, base, depth + 1).map(f -> f * v));
  }
}
