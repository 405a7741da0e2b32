package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import yentra.core.boundary.OpeningShape;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;

/** OPN-608: the source has an opening that the envelope has not, or with another area. */
@AutoService(Check.class)
public final class OpeningLost implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "OPN-608",
              Severity.ERROR,
              "the source has an opening here that the envelope has not, or with another area",
              "What was cut out of a wall or slab of the architectural model is projected on the surfaces made of that wall or slab, and held against their openings. Recesses, and what no space lies behind, are left out.",
              "Heat and sun pass through a window that the simulation takes for wall.",
              List.of(new Limit("share", "%", 5, 1, 100), new Limit("area", "m2", 0.02, 0.001, 1)))
          .following(Cause.WRONG_UNIT);

  /** An opening's surface need not lie in the wall's own face: plaster, reveals; metres. */
  private static final double OFF = 0.05;

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ArchitecturalModel model = context.survey().model();
    Map<String, List<Surface>> byElement = new HashMap<>();
    for (Surface s : context.envelope().surfaces()) {
      boolean asked =
          s.element() != null
              && !s.type().isShading()
              && s.exposure() != Exposure.ADIABATIC
              && s.exposure() != Exposure.UNRESOLVED
              && s.polygon().area() > 0;
      if (asked) {
        byElement.computeIfAbsent(s.element().id(), k -> new ArrayList<>()).add(s);
      }
    }
    if (byElement.isEmpty()) {
      return;
    }
    Map<String, Element> fillings = fillings(model);
    for (Element o : model.elements()) {
      if (model.isKind(o.entity(), "IfcOpeningElement") && !o.predefinedType().equals("RECESS")) {
        Element filling = fillings.get(o.key());
        for (Surface s : surfaces(model, o, byElement)) {
          compare(context, o, filling, s, report);
        }
      }
    }
  }

  private static Map<String, Element> fillings(ArchitecturalModel model) {
    Map<String, Element> out = new HashMap<>();
    for (Element e : model.elements()) {
      if (model.isKind(e.entity(), "IfcWindow") || model.isKind(e.entity(), "IfcDoor")) {
        model.wholes(e).stream()
            .filter(w -> w.relation().equals("IfcRelFillsElement"))
            .findFirst()
            .ifPresent(w -> out.put(w.whole().key(), e));
      }
    }
    return out;
  }

  /** Surfaces made of what the opening was cut into, or of what that is a part of. */
  private static List<Surface> surfaces(
      ArchitecturalModel model, Element opening, Map<String, List<Surface>> byElement) {
    List<Surface> out = new ArrayList<>();
    for (ArchitecturalModel.Whole w : model.wholes(opening)) {
      if (w.relation().equals("IfcRelVoidsElement") || w.relation().equals("IfcRelAggregates")) {
        out.addAll(byElement.getOrDefault(w.whole().source().id(), List.of()));
      }
    }
    return out;
  }

  private void compare(
      CheckContext context, Element opening, Element filling, Surface s, Consumer<Finding> report) {
    ArchitecturalModel model = context.survey().model();
    List<Polygon> body = model.body(opening).faces();
    if (body.isEmpty() && filling != null) {
      body = model.body(filling).faces();
    }
    if (body.isEmpty()) {
      return;
    }
    OpeningShape shape = OpeningShape.of(body, PlaneFrame.of(context.outward(s).plane()));
    if (!shape.reaches(s.thickness() == null ? 0 : s.thickness(), OFF)) {
      return;
    }
    double expected = shape.areaWithin(s.polygon());
    Set<String> own = new HashSet<>(Set.of(opening.source().id()));
    if (filling != null) {
      own.add(filling.source().id());
    }
    double there = 0;
    for (Opening o : s.openings()) {
      boolean same = o.element() != null && own.contains(o.element().id());
      there += same ? o.polygon().area() : o.element() == null ? shape.areaWithin(o.polygon()) : 0;
    }
    double off = 100 * Math.abs(expected - there) / Math.max(expected, 1e-9);
    double share = context.limit(DESCRIPTOR, "share");
    if (expected > context.limit(DESCRIPTOR, "area") && off > share) {
      Element named = filling == null ? opening : filling;
      report.accept(
          context
              .finding(DESCRIPTOR, s.key(), named.key())
              .at(named.source())
              .measured(off, share, "%")
              .evidence(Evidence.areas(body))
              .says(
                  named.entity()
                      + " "
                      + named.label()
                      + (there == 0
                          ? " of the source is missing in the "
                          : " of the source has another area in the ")
                      + context.naming().surface(s)
                      + ": "
                      + Text.area(expected)
                      + (there == 0 ? "." : " there, " + Text.area(there) + " here.")));
    }
  }
}
