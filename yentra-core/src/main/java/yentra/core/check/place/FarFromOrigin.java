package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * UNI-203: coordinates far from the origin. The farthest vertex in plan of all surfaces and spaces,
 * in the file's own coordinates.
 */
@AutoService(Check.class)
public final class FarFromOrigin implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "UNI-203",
              Severity.WARNING,
              "coordinates far from the origin",
              "The farthest vertex in plan of all surfaces and spaces, in the file's own coordinates.",
              "Programs that compute in single precision lose millimetres there, and shells fall open.",
              List.of(new Limit("distance", "m", 10_000, 100, 10_000_000)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    FarFromOriginRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Vec3 origin = context.envelope().delivered().origin();
    double limit = context.limit(DESCRIPTOR, "distance");
    double far = 0;
    for (Surface s : context.envelope().surfaces()) {
      far = Math.max(far, beyond(limit, s.polygon(), origin));
    }
    for (var s : context.envelope().spaces()) {
      for (Polygon p : s.shell()) {
        far = Math.max(far, beyond(limit, p, origin));
      }
    }
    if (far <= limit) {
      return;
    }
    ReadNote cause =
        context.envelope().notes().stream()
            .filter(n -> n.kind() == ReadNote.Kind.FAR_AWAY)
            .findFirst()
            .orElse(null);
    FindingBuilder b =
        context.finding(
            DESCRIPTOR, cause == null ? new String[0] : cause.names().toArray(String[]::new));
    if (cause != null) {
      b.at(cause.line(), cause.column());
    }
    report.accept(
        b.measured(far, limit, "m")
            .says(
                String.format(
                    Locale.ROOT,
                    "The model stands %.1f km from the origin of its coordinates.%s",
                    far / 1000,
                    cause == null ? "" : " " + cause.message() + ".")));
  }

  /** How far a polygon reaches; 0 when its box already lies within the limit. */
  private static double beyond(double limit, Polygon p, Vec3 origin) {
    Box box = p.box();
    double x = reach(box.min().x() + origin.x(), box.max().x() + origin.x());
    double y = reach(box.min().y() + origin.y(), box.max().y() + origin.y());
    return x * x + y * y <= limit * limit ? 0 : farthest(p, origin);
  }

  private static double reach(double least, double most) {
    return Math.max(Math.abs(least), Math.abs(most));
  }

  private static double farthest(Polygon p, Vec3 origin) {
    double far = 0;
    for (Vec3 v : p.outer()) {
      double x = v.x() + origin.x();
      double y = v.y() + origin.y();
      far = Math.max(far, x * x + y * y);
    }
    if (Double.isInfinite(far)) {
      // the square of what is next to infinite
      return p.outer().stream()
          .mapToDouble(v -> Math.hypot(v.x() + origin.x(), v.y() + origin.y()))
          .max()
          .orElse(0);
    }
    return Math.sqrt(far);
  }
}
