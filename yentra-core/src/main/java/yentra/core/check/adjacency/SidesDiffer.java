package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.measure.SurfaceIndex;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.PlanarOverlay;

/** ADJ-511: a matched pair whose two sides differ in area or construction. */
@AutoService(Check.class)
public final class SidesDiffer implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-511",
          Severity.ERROR,
          "a matched pair whose two sides differ in area or construction",
          "The polygons of both sides of a surface, and pairs that are written as two surfaces between the same spaces, are compared.",
          "The heat that leaves one room is not what the other receives.",
          List.of(new Limit("area", "%", 1, 0.01, 50)));

  /** Two faces of one wall lie no farther apart than this, in metres (common practice). */
  private static final double NEAR = 0.6;

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public double reach(CheckContext context) {
    return NEAR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "area");
    SurfaceIndex index = context.index();
    List<Surface> all = context.envelope().surfaces();
    for (int i : focus.surfaces()) {
      Surface s = all.get(i);
      if (s.sides().size() < 2 || s.isWithinOneSpace()) {
        continue;
      }
      double a = s.face(0).area();
      double b = s.face(1).area();
      double off = 100 * Math.abs(a - b) / Math.max(1e-9, Math.max(a, b));
      if (off > limit) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(off, limit, "%")
                .evidence(Evidence.areas(List.of(s.face(0), s.face(1))))
                .says(
                    "The two sides of the "
                        + context.naming().surface(s)
                        + " have "
                        + Text.area(a)
                        + " and "
                        + Text.area(b)
                        + "."));
      }
      twins(i, limit, index, focus, context, report);
    }
  }

  /** The same pair written as two surfaces. */
  private static void twins(
      int at,
      double limit,
      SurfaceIndex index,
      Focus focus,
      CheckContext context,
      Consumer<Finding> report) {
    List<Surface> all = context.envelope().surfaces();
    for (int near : index.near(all.get(at).polygon().box().grown(NEAR))) {
      if (!focus.isFirst(at, near)) {
        continue;
      }
      int i = Math.min(at, near);
      int j = Math.max(at, near);
      Surface s = all.get(i);
      Surface t = all.get(j);
      boolean pair =
          s.sides().size() >= 2
              && !s.isWithinOneSpace()
              && t.sides().size() >= 2
              && t.sides().get(0).space().equals(s.sides().get(1).space())
              && t.sides().get(1).space().equals(s.sides().get(0).space())
              && index.parallel(i, j, 0.6);
      if (!pair || PlanarOverlay.commonArea(s.polygon(), t.polygon()) < 0.9 * s.polygon().area()) {
        continue;
      }
      double a = s.polygon().area();
      double b = t.polygon().area();
      double off = 100 * Math.abs(a - b) / Math.max(1e-9, Math.max(a, b));
      boolean made = !java.util.Objects.equals(s.construction(), t.construction());
      if (off > limit || made) {
        FindingBuilder f = context.finding(DESCRIPTOR, s.key(), t.key());
        if (off > limit) {
          f.measured(off, limit, "%");
        }
        report.accept(
            f.evidence(Evidence.areas(List.of(s.polygon(), t.polygon())))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " and its other side differ: "
                        + (made
                            ? construction(context, s) + " against " + construction(context, t)
                            : Text.area(a) + " against " + Text.area(b))
                        + "."));
      }
    }
  }

  private static String construction(CheckContext context, Surface s) {
    return context
        .envelope()
        .construction(s.construction())
        .map(c -> c.name().isBlank() ? c.key() : c.name())
        .orElse("no construction");
  }
}
