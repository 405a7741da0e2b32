package yentra.core.check.opening;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.union.UnaryUnionOp;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.model.Element;

/** OPN-606: the opening's type contradicts its properties. */
@AutoService(Check.class)
public final class OpeningContradicts implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-606",
          Severity.ERROR,
          "the opening's type contradicts its properties",
          "Opaque doors that name a window type, or most of whose body is drawn as see-through; and windows that name an opaque construction and no window type.",
          "Light passes a door, or none passes a window.",
          List.of(new Limit("share", "", 0.5, 0.1, 1)));

  /** Faces of glass that lie along the opening, by the cosine of the angle between them. */
  private static final double ALONG = 0.7;

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OpeningContradictsRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      for (Opening o : s.openings()) {
        boolean door = o.type() == OpeningType.NON_SLIDING_DOOR && named(o.glazing());
        boolean window = o.type().isGlazed() && named(o.construction()) && !named(o.glazing());
        boolean glass = !door && !o.type().isGlazed() && isDrawnAsGlass(context, o);
        if (door || window || glass) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .evidence(Evidence.area(o.polygon()))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + (door
                              ? " is an opaque door but has a window type."
                              : window
                                  ? " is a window but has an opaque construction."
                                  : " is an opaque door, but the delivery draws most of it as"
                                      + " glass.")));
        }
      }
    }
  }

  /** Whether parts that are seen through cover most of the opening. */
  private static boolean isDrawnAsGlass(CheckContext context, Opening o) {
    if (o.type() == OpeningType.AIR || o.element() == null || o.polygon().outer().isEmpty()) {
      return false;
    }
    Element e = context.model().element(o.element().id()).orElse(null);
    List<Polygon> clear = e == null ? List.of() : context.model().seeThrough(e);
    if (clear.isEmpty()) {
      return false;
    }
    PlaneFrame frame = PlaneFrame.of(o.polygon().plane());
    List<Geometry> seen = new ArrayList<>();
    for (Polygon p : clear) {
      if (Math.abs(p.plane().normal().dot(o.polygon().plane().normal())) > ALONG) {
        seen.add(frame.project(p));
      }
    }
    Geometry all = UnaryUnionOp.union(seen);
    return all != null
        && all.intersection(frame.project(o.polygon())).getArea()
            > context.limit(DESCRIPTOR, "share") * o.polygon().area();
  }

  private static boolean named(String key) {
    return key != null && !key.isBlank();
  }
}
