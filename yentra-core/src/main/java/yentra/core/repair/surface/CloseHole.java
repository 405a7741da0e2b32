package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Hole;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.PlaneFit;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * Closes a hole of a space with a new surface along the hole's outline, and the space's shell where
 * that has the same hole.
 *
 * @param outline the hole's corners in order, in either direction
 * @param construction key of a construction, or null
 */
public record CloseHole(String space, List<Vec3> outline, SurfaceType type, String construction)
    implements Repair {
  /** Of the outline's length so much must have been open; else the hole lies elsewhere. */
  private static final double OPEN = 0.5;

  public CloseHole {
    outline = List.copyOf(outline);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Space s = Target.space(e, space);
    if (outline.size() < 3
        || Polygon.of(outline).area() < rules.tolerance().length() * rules.tolerance().length()) {
      throw new NotApplicableException("The outline of the hole has no area.");
    }
    if (PlaneFit.deviation(outline) > rules.tolerance().gap()) {
      throw new NotApplicableException(
          "The outline of the hole is not flat, so that one surface cannot close it.");
    }
    if (type == null || type.isShading()) {
      throw new NotApplicableException("A surface of this type cannot close a space.");
    }
    Polygon face = outward(e, s, rules.tolerance());
    List<Polygon> bounds = faces(e);
    double closes =
        length(bounds, rules.tolerance()) - length(plus(bounds, face), rules.tolerance());
    if (closes < OPEN * face.perimeter()) {
      throw new NotApplicableException(
          "There is no longer a hole of " + s.label() + " at this place.");
    }
    Surface made =
        Surface.of(freeKey(e), type, face, BoundaryKind.REPAIRED)
            .with()
            .sides(List.of(Side.of(space)))
            .construction(construction)
            .build();
    Envelope closed = e.plus(made);
    double before = length(s.shell(), rules.tolerance());
    List<Polygon> shell = plus(s.shell(), face);
    if (!s.shell().isEmpty() && before > 0 && length(shell, rules.tolerance()) < before) {
      return closed.withSpaces(
          closed.spaces().stream().map(x -> x == s ? x.withShell(shell) : x).toList());
    }
    return closed;
  }

  private List<Polygon> faces(Envelope e) {
    List<Polygon> faces = new ArrayList<>();
    for (Surface x : e.surfaces()) {
      if (x.polygon().area() > 0) {
        x.faceTo(space).ifPresent(faces::add);
      }
    }
    return faces;
  }

  private Polygon outward(Envelope e, Space s, Tolerance tolerance) {
    Polygon face = Polygon.of(outline);
    List<Polygon> bounds = faces(e);
    bounds.add(face);
    // other holes would let the inside and the outside be one
    for (Hole h : Hole.from(OpenEdges.find(bounds, tolerance), tolerance)) {
      if (h.outline().size() > 2) {
        bounds.add(Polygon.of(h.outline()));
      }
    }
    return Shell.of(bounds).direction(face, tolerance.gap()) < 0 ? face.reversed() : face;
  }

  private static List<Polygon> plus(List<Polygon> faces, Polygon face) {
    List<Polygon> all = new ArrayList<>(faces);
    all.add(face);
    return all;
  }

  private static double length(List<Polygon> faces, Tolerance tolerance) {
    return OpenEdges.find(faces, tolerance).stream().mapToDouble(OpenEdges.Piece::length).sum();
  }

  private String freeKey(Envelope e) {
    for (int i = 1; ; i++) {
      String key = "closing-" + space + "-" + i;
      if (e.surface(key).isEmpty()) {
        return key;
      }
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new CloseHole(keys.of(space), outline, type, keys.of(construction));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Closes 1 hole, adds %.2f m² of %s to %s.",
        Polygon.of(outline).area(),
        type.label(),
        naming.space(space));
  }
}
