package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Hole;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * SPC-401: the space is not enclosed: open edges, with the hole's outline and area. Edges of the
 * space's surfaces (or shell) that no other face continues within the gap tolerance are chained
 * into outlines; the area is Newell's.
 */
@AutoService(Check.class)
public final class NotEnclosed implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-401",
              Severity.BLOCKER,
              "the space is not enclosed: open edges, with the hole's outline and area",
              "Edges of the space's surfaces (or shell) that no other face continues within the gap tolerance are chained into outlines; the area is Newell's.",
              "Air volume and heat balance of an open space are undefined.",
              List.of(new Limit("gap", "m", 0.01, 0.0001, 0.1)))
          .safely(
              "a face towards what is proven to lie outside, or the neighbour's face that lies there; its construction where the type has only one")
          .following(Cause.WRONG_UNIT)
          .making(Cause.HOLE)
          .comparing("and the widest gap that counts as closed is");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    NotEnclosedRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (SpaceVolume v : context.volumes().all()) {
      if (v.openPieces().isEmpty()) {
        continue;
      }
      String name = v.space().label();
      int n = 0;
      for (Hole h : v.holes()) {
        report.accept(
            context
                .finding(DESCRIPTOR, v.space().key())
                .measured(h.area(), null, "m2")
                .limited(context.limit(DESCRIPTOR, "gap"), "m")
                .subject(v.holes().size() > 1 ? "hole " + ++n : "")
                .evidence(
                    new Evidence(List.of(Polygon.of(h.outline())), List.of(ring(h)), List.of()))
                .says(
                    name
                        + " is not enclosed: a hole of "
                        + Text.area(h.area())
                        + ", with open edges of "
                        + Text.length(h.length())
                        + (h.closed() ? "." : " that form no ring.")));
      }
      if (v.holes().isEmpty()) {
        double length = v.openPieces().stream().mapToDouble(p -> p.length()).sum();
        report.accept(
            context
                .finding(DESCRIPTOR, v.space().key())
                .measured(0, null, "m2")
                .limited(context.limit(DESCRIPTOR, "gap"), "m")
                .evidence(
                    Evidence.lines(
                        v.openPieces().stream().map(p -> List.of(p.from(), p.to())).toList()))
                .says(name + " is not enclosed: open edges of " + Text.length(length) + "."));
      }
    }
  }

  private static List<Vec3> ring(Hole h) {
    List<Vec3> line = new ArrayList<>(h.outline());
    line.add(h.outline().get(0));
    return line;
  }
}
