package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Vec3;

/** SPC-410: the space's shell and its surfaces disagree. */
@AutoService(Check.class)
public final class ShellDisagrees implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-410",
              Severity.WARNING,
              "the space's shell and its surfaces disagree",
              "Every flat face of the shell must have surfaces of the space on it, and every surface must lie on a face of the shell; they may be up to a wall's thickness apart.",
              "What a simulation gets is not what the shell shows.",
              List.of(
                  new Limit("area", "m2", 0.05, 0.001, 10),
                  new Limit("distance", "m", 0.6, 0.01, 2)))
          .safely("a face of the shell that no surface lies on is closed like a hole")
          .following(Cause.WRONG_UNIT, Cause.INSIDE_OUT, Cause.HOLE);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    // a face of the shell that no surface lies on is a surface that is missing
    o.finding().evidence().areas().forEach(face -> HoleRemedies.close(o, face));
    ShellRemedies.without(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double least = context.limit(DESCRIPTOR, "area");
    double reach = context.limit(DESCRIPTOR, "distance");
    for (Space s : focus.spaces()) {
      List<Surface> own = context.volumes().surfacesOf(s.key());
      if (s.shell().isEmpty() || own.isEmpty()) {
        continue;
      }
      List<Polygon> surfaces = new ArrayList<>();
      for (Surface x : own) {
        for (int i = 0; i < Math.min(2, x.sides().size()); i++) {
          if (x.sides().get(i).space().equals(s.key()) && !x.face(i).normal().equals(Vec3.ZERO)) {
            surfaces.add(x.face(i));
          }
        }
      }
      if (isTwin(s.shell(), surfaces, context.tolerance().length())) {
        continue;
      }
      List<Polygon> shell =
          CoplanarFaces.of(
              Shell.of(s.shell()).outward(context.tolerance().gap()).faces(), context.tolerance());
      List<Polygon> alone = new ArrayList<>();
      alone.addAll(without(shell, surfaces, least, reach));
      alone.addAll(without(surfaces, shell, least, reach));
      double area = alone.stream().mapToDouble(Polygon::area).sum();
      if (area > least) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(area, least, "m2")
                .evidence(Evidence.areas(alone))
                .says(
                    "The shell of "
                        + s.label()
                        + " and its surfaces disagree on "
                        + Text.area(area)
                        + "."));
      }
    }
  }

  /** Whether both are the same outlines, one for one: quick, and so for most spaces. */
  private static boolean isTwin(List<Polygon> shell, List<Polygon> surfaces, double same) {
    if (shell.size() != surfaces.size()) {
      return false;
    }
    List<Polygon> left = new ArrayList<>(surfaces);
    for (Polygon f : shell) {
      Polygon twin = null;
      for (Polygon o : left) {
        if (f.holes().isEmpty() && o.holes().isEmpty() && sameCorners(f, o, same)) {
          twin = o;
          break;
        }
      }
      if (twin == null) {
        return false;
      }
      left.remove(twin);
    }
    return true;
  }

  private static boolean sameCorners(Polygon a, Polygon b, double same) {
    return a.outer().size() == b.outer().size()
        && a.outer().stream()
            .allMatch(p -> b.outer().stream().anyMatch(q -> p.distance(q) <= same));
  }

  /** The faces that have next to nothing of the others on them. */
  private static List<Polygon> without(
      List<Polygon> faces, List<Polygon> others, double least, double reach) {
    List<Polygon> out = new ArrayList<>();
    for (Polygon f : faces) {
      double covered = 0;
      for (Polygon o : others) {
        double angle = f.plane().angleTo(o.plane());
        boolean along = angle < 3 || angle > 177;
        if (along
            && Math.abs(f.plane().distance(o.mean())) < reach
            && f.box().grown(reach).intersects(o.box())) {
          covered += PlanarOverlay.commonArea(f, o);
        }
      }
      if (f.area() > least && covered < 0.5 * f.area()) {
        out.add(f);
      }
    }
    return out;
  }
}
