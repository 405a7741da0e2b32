package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.List;
import yentra.core.boundary.SpaceVolumes;
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
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.Keys;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Splits a space by a plane: what lies on the side the normal points to becomes a space of its own.
 * Surfaces that the plane cuts are split, and an open boundary goes between the two. Stated areas
 * and volumes no longer hold and go.
 *
 * @param point on the plane, metres
 * @param normal of any length
 * @param name of the new space
 */
public record SplitSpace(String space, Vec3 point, Vec3 normal, String name) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Space s = Target.space(e, space);
    if (point == null || normal == null || normal.length() < 1e-9) {
      throw new NotApplicableException("A plane needs a point and a direction.");
    }
    if (!SpaceVolumes.of(e, rules).of(space).enclosed()) {
      throw new NotApplicableException(s.label() + " is not enclosed; close it first.");
    }
    Plane cut = new Plane(point, normal.unit());
    Keys keys = new Keys(e);
    String made = keys.free(space + "_s");
    List<Surface> surfaces = new ArrayList<>();
    List<Polygon> kept = new ArrayList<>();
    int beyond = 0;
    for (Surface x : e.surfaces()) {
      if (!x.isAdjacentTo(space) || x.polygon().area() == 0) {
        surfaces.add(x);
        continue;
      }
      List<List<Polygon>> halves = Reshape.halves(x.polygon(), cut, rules.tolerance());
      List<Polygon> parts = new ArrayList<>(halves.get(1));
      parts.addAll(halves.get(0));
      List<Surface> pieces =
          parts.size() == 1 ? List.of(x) : Reshape.pieces(x, parts, keys, rules.tolerance());
      for (int i = 0; i < pieces.size(); i++) {
        Surface p = pieces.get(i);
        boolean before = i >= halves.get(1).size();
        beyond += before ? 1 : 0;
        surfaces.add(before ? p.withSides(given(p.sides(), made)) : p);
        if (!before) {
          kept.add(p.face(p.sides().get(0).space().equals(space) ? 0 : 1));
        }
      }
    }
    if (kept.isEmpty() || beyond == 0) {
      throw new NotApplicableException("The plane does not cross " + s.label() + ".");
    }
    List<Polygon> sections = sections(kept, cut, rules.tolerance());
    if (sections.isEmpty()) {
      throw new NotApplicableException("The plane leaves no closed outline in " + s.label() + ".");
    }
    for (Polygon p : sections) {
      surfaces.add(
          Surface.of(keys.free(space + "_cut"), SurfaceType.AIR, p, BoundaryKind.REPAIRED)
              .withSides(List.of(Side.of(space), Side.of(made))));
    }
    return e.withSpaces(spaces(e, made)).withSurfaces(surfaces);
  }

  /** Both halves in the place of the space. */
  private List<Space> spaces(Envelope e, String made) {
    List<Space> spaces = new ArrayList<>();
    for (Space x : e.spaces()) {
      if (x.key().equals(space)) {
        Space half = x.withShell(List.of()).withoutStated().withAir(x.air().withFlow(null));
        spaces.add(half);
        spaces.add(
            Space.of(made)
                .with()
                .name(name == null || name.isBlank() ? x.label() + " 2" : name.strip())
                .storey(x.storey())
                .zone(x.zone())
                .building(x.building())
                .use(x.use())
                .condition(x.condition())
                .build()
                .withGains(x.gains())
                .withAir(x.air().withFlow(null)));
      } else {
        spaces.add(x);
      }
    }
    return spaces;
  }

  private List<Side> given(List<Side> sides, String to) {
    return sides.stream()
        .map(x -> x.space().equals(space) ? new Side(to, x.face(), x.boundary(), x.adjacency()) : x)
        .toList();
  }

  /** What is open now, turned out of the part that stays: along the plane's normal. */
  private static List<Polygon> sections(List<Polygon> kept, Plane cut, Tolerance tolerance) {
    List<Polygon> out = new ArrayList<>();
    for (Hole h : Hole.from(OpenEdges.find(kept, tolerance), tolerance)) {
      Polygon p = Polygon.of(h.outline().stream().map(cut::project).toList());
      boolean flat =
          h.outline().stream().allMatch(v -> Math.abs(cut.distance(v)) < tolerance.gap());
      if (flat && p.area() > Reshape.LEAST) {
        out.add(p.normal().dot(cut.normal()) < 0 ? p.reversed() : p);
      }
    }
    return out;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new SplitSpace(keys.of(space), point, normal, name);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Splits "
        + naming.space(space)
        + " by a plane; the new space is "
        + (name == null || name.isBlank() ? naming.space(space) + " 2" : name.strip())
        + ".";
  }
}
