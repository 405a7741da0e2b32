package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ThermalSurvey;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Together;

/**
 * THM-710: an exterior construction on an interior surface, or the reverse. A construction belongs
 * where most of its area is; elsewhere it is out of place where most surfaces of the kind have
 * another one.
 */
@AutoService(Check.class)
public final class ConstructionMisplaced implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "THM-710",
              Severity.WARNING,
              "an exterior construction on an interior surface, or the reverse",
              "Area by construction of interior and of outer surfaces, walls apart from floors and roofs. A construction is out of place where it has at most so much of its area, and at most so much of the area of all such surfaces.",
              "A partition is insulated like a façade, or a façade like a partition.",
              List.of(new Limit("share", "%", 30, 1, 50)))
          .told(Together.SHARED_OBJECT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ConstructionMisplacedRemedies.of(o);
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
    double[] all = new double[Family.values().length];
    Map<Construction, Use> uses = new LinkedHashMap<>();
    for (Construction c : thermal.used()) {
      Use use = new Use();
      for (Surface s : thermal.users(c)) {
        Family f = Family.of(s);
        double area = s.netArea();
        all[f.ordinal()] += area;
        // those whose type their neighbours contradict are ADJ-501's and 502's
        if (s.type().isInterior() == (s.sides().size() == 2)) {
          use.area[f.ordinal()] += area;
          use.surfaces.computeIfAbsent(f, k -> new ArrayList<>()).add(s);
        }
      }
      uses.put(c, use);
    }
    uses.forEach(
        (c, use) ->
            use.surfaces.forEach(
                (f, here) -> {
                  double area = use.area[f.ordinal()];
                  double there = use.area[f.other().ordinal()];
                  if (area <= share * (area + there) && area <= share * all[f.ordinal()]) {
                    report.accept(finding(context, c, here));
                  }
                }));
  }

  /** Where one construction is used. */
  private static final class Use {
    final Map<Family, List<Surface>> surfaces = new EnumMap<>(Family.class);
    final double[] area = new double[Family.values().length];
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
