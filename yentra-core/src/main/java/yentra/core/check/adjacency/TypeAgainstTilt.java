package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.measure.SurfaceIndex;
import yentra.core.check.measure.Tilts;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.Vec3;

/** ADJ-504: the type contradicts the tilt. */
@AutoService(Check.class)
public final class TypeAgainstTilt implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              Tilts.CODE,
              Severity.WARNING,
              "the type contradicts the tilt",
              "The tilt of the outer side is held against the type: walls stand, roofs and ceilings face up, floors face down; a surface between two spaces may be seen from either.",
              "Surface resistances and sun are those of another direction.",
              List.of(Tilts.ROOF, Tilts.FLOOR))
          .safely("the type that tilt and sides give, where the model proves the sides")
          .following(Cause.INSIDE_OUT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.surface().ifPresent(o::retypeAsItLies);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double roof = context.limit(DESCRIPTOR, "roof");
    double floor = context.limit(DESCRIPTOR, "floor");
    SurfaceIndex index = context.index();
    List<Surface> all = context.envelope().surfaces();
    for (int i : focus.surfaces()) {
      Surface s = all.get(i);
      if (s.polygon().normal().equals(Vec3.ZERO)) {
        continue;
      }
      double tilt = index.outward(i).tilt();
      boolean up = tilt < roof - 0.01;
      boolean down = tilt > floor + 0.01;
      boolean wrong =
          switch (s.type()) {
            case INTERIOR_WALL, EXTERIOR_WALL, UNDERGROUND_WALL -> up || down;
            case ROOF, UNDERGROUND_CEILING -> tilt > roof + 0.01;
            case CEILING, INTERIOR_FLOOR ->
                !up && !down && tilt > roof + 0.01 && tilt < floor - 0.01;
            case EXPOSED_FLOOR, RAISED_FLOOR, SLAB_ON_GRADE, UNDERGROUND_SLAB ->
                tilt < floor - 0.01;
            default -> false;
          };
      if (wrong) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(tilt, tilt < 90 ? roof : floor, "deg")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is of the type "
                        + s.type().words()
                        + ", but its outer side has a tilt of "
                        + Text.degrees(tilt)
                        + "."));
      }
    }
  }
}
