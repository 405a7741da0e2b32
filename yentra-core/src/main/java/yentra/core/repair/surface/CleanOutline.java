package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.GeometryFixer;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.finding.Text;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFit;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Mends the outline of a surface or opening: corners go onto the plane that fits them best (least
 * squares), corners closer together than a distance become one, and of an outline that crosses
 * itself the largest part is kept.
 *
 * @param object key of a surface or opening
 * @param shortest edge that is kept, metres
 */
public record CleanOutline(String object, double shortest) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Surface s = e.surface(object).orElse(null);
    if (s != null) {
      Polygon p = cleaned(s.polygon());
      return e.replacing(object, x -> Reshape.with(x, p));
    }
    Opening o = Target.opening(e, object);
    Polygon p = cleaned(o.polygon());
    return Reshape.replacedOpening(e, object, x -> x.withPolygon(p));
  }

  private Polygon cleaned(Polygon p) throws NotApplicableException {
    if (p.outer().size() < 3) {
      throw new NotApplicableException("The outline has fewer than three corners.");
    }
    Plane fit = PlaneFit.of(p.outer());
    Vec3 n = p.normal().equals(Vec3.ZERO) ? fit.normal() : p.normal();
    Plane plane = fit.normal().dot(n) < 0 ? fit.reversed() : fit;
    List<List<Vec3>> rings = new ArrayList<>();
    for (List<Vec3> r : p.rings()) {
      List<Vec3> ring = distinct(r.stream().map(plane::project).toList());
      if (ring.size() >= 3) {
        rings.add(ring);
      }
    }
    if (rings.isEmpty()) {
      throw new NotApplicableException("Nothing is left of the outline. Delete it instead.");
    }
    Polygon flat = new Polygon(rings.get(0), rings.subList(1, rings.size()));
    PlaneFrame frame = PlaneFrame.of(plane);
    Geometry g = frame.project(flat);
    if (!g.isValid()) {
      flat =
          frame.lift(GeometryFixer.fix(g)).stream()
              .max(Comparator.comparingDouble(Polygon::area))
              .orElseThrow(
                  () ->
                      new NotApplicableException(
                          "Nothing is left of the outline. Delete it instead."));
    }
    if (flat.equals(p)) {
      throw new NotApplicableException("There is nothing to mend in the outline.");
    }
    return flat;
  }

  private List<Vec3> distinct(List<Vec3> ring) {
    List<Vec3> out = new ArrayList<>();
    for (Vec3 v : ring) {
      if (out.isEmpty() || out.get(out.size() - 1).distance(v) >= shortest) {
        out.add(v);
      }
    }
    while (out.size() > 1 && out.get(0).distance(out.get(out.size() - 1)) < shortest) {
      out.remove(out.size() - 1);
    }
    return out;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new CleanOutline(keys.of(object), shortest);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Polygon p =
        before
            .surface(object)
            .map(Surface::polygon)
            .or(() -> before.opening(object).map(Opening::polygon))
            .orElse(null);
    String name =
        before
            .surface(object)
            .map(naming::surface)
            .or(() -> before.opening(object).map(naming::opening))
            .orElse(object);
    try {
      Polygon then = cleaned(p == null ? Polygon.of(List.of()) : p);
      int corners = then.outer().size();
      return String.format(
          Locale.ROOT,
          "Mends the outline of the %s: %s; %s.",
          name,
          corners == p.outer().size()
              ? "it keeps its " + corners + " corners"
              : corners + " corners instead of " + p.outer().size(),
          Text.areaChange(p.area(), then.area()));
    } catch (NotApplicableException e) {
      return e.getMessage();
    }
  }
}
