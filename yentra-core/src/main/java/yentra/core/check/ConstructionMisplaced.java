package yentra.core.check;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;

/**
 * THM-710: an exterior construction on an interior surface, or the reverse. A construction belongs
 * where most of its area is; elsewhere it is out of place where most surfaces of the kind have
 * another one.
 */
final class ConstructionMisplaced implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "THM-710",
          Severity.WARNING,
          "an exterior construction on an interior surface, or the reverse",
          "Area by construction of interior and of outer surfaces, walls apart from floors and roofs. A construction is out of place where it has at most so much of its area, and at most so much of the area of all such surfaces.",
          "A partition is insulated like a façade, or a façade like a partition.",
          List.of(new Limit("share", "%", 30, 1, 50)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  /** Surfaces that share constructions in good order. */
  private enum Family {
    OUTER_WALL,
    INNER_WALL,
    OUTER_FLAT,
    INNER_FLAT;

    static Family of(Surface s) {
      boolean wall =
          s.type() == SurfaceType.EXTERIOR_WALL
              || s.type() == SurfaceType.UNDERGROUND_WALL
              || s.type() == SurfaceType.INTERIOR_WALL;
      return s.type().isInterior()
          ? wall ? INNER_WALL : INNER_FLAT
          : wall ? OUTER_WALL : OUTER_FLAT;
    }

    Family other() {
      return switch (this) {
        case OUTER_WALL -> INNER_WALL;
        case INNER_WALL -> OUTER_WALL;
        case OUTER_FLAT -> INNER_FLAT;
        case INNER_FLAT -> OUTER_FLAT;
      };
    }
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double share = context.limit(DESCRIPTOR, "share") / 100;
    ThermalSurvey thermal = context.thermal();
    Map<Family, Double> all = new HashMap<>();
    for (Construction c : thermal.used()) {
      thermal.users(c).forEach(s -> all.merge(Family.of(s), s.netArea(), Double::sum));
    }
    for (Construction c : thermal.used()) {
      for (Family f : Family.values()) {
        List<Surface> here = in(thermal, c, f);
        double there = area(in(thermal, c, f.other()));
        double area = area(here);
        if (!here.isEmpty()
            && area <= share * (area + there)
            && area <= share * all.getOrDefault(f, 0.0)) {
          report.accept(finding(context, c, here));
        }
      }
    }
  }

  /** Surfaces of a family; those whose type their neighbours contradict are ADJ-501's and 502's. */
  private static List<Surface> in(ThermalSurvey thermal, Construction c, Family f) {
    return thermal.users(c).stream()
        .filter(s -> s.type().isInterior() == (s.sides().size() == 2))
        .filter(s -> Family.of(s) == f)
        .toList();
  }

  private static double area(List<Surface> list) {
    return list.stream().mapToDouble(Surface::netArea).sum();
  }

  private static Finding finding(CheckContext context, Construction c, List<Surface> here) {
    boolean interior = here.get(0).type().isInterior();
    return context
        .finding(DESCRIPTOR, ThermalSurvey.keys(c.key(), here))
        .evidence(Evidence.areas(ThermalSurvey.polygons(here)))
        .says(
            c.label()
                + " is a construction of "
                + (interior ? "outer" : "interior")
                + " surfaces, but "
                + (here.size() == 1
                    ? "the " + context.naming().surface(here.get(0)) + " has it."
                    : here.size() + (interior ? " interior" : " outer") + " surfaces have it."));
  }
}
