package yentra.core.repair.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.KeyChange;
import yentra.core.repair.Keys;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;

/**
 * Makes interior surfaces of all that face each other across at most a distance, each with one
 * space. Where outlines differ both are split: what they share becomes one surface with two spaces,
 * the rest stays as it was.
 *
 * @param distance metres
 */
public record MatchFacing(double distance) implements Repair {
  private static final double FARTHEST = 3;

  /** What two faces share must be at least so large, in m². */
  private static final double LEAST = 0.01;

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (!(distance > 0 && distance <= FARTHEST)) {
      throw new NotApplicableException("The distance must lie between 0 and 3 m.");
    }
    Work work = new Work(e, rules);
    int pairs = work.run();
    if (pairs == 0) {
      throw new NotApplicableException(
          String.format(
              Locale.ROOT, "No two surfaces face each other within %.2f m unmatched.", distance));
    }
    return e.withSurfaces(work.out());
  }

  /** Surfaces in pieces while they are matched. */
  private final class Work {
    private final SurfaceTypes types;
    private final Tolerance tolerance;
    private final Keys keys;
    private final List<Surface> all;
    private final List<List<Surface>> left = new ArrayList<>();
    private final List<List<Surface>> made = new ArrayList<>();

    Work(Envelope e, Rules rules) {
      this.types = rules.types();
      this.tolerance = rules.tolerance();
      this.keys = new Keys(e);
      this.all = e.surfaces();
      for (Surface s : all) {
        left.add(new ArrayList<>(List.of(s)));
        made.add(new ArrayList<>());
      }
    }

    int run() {
      BoxIndex index = new BoxIndex(all.stream().map(s -> s.polygon().box()).toList());
      int pairs = 0;
      for (int i = 0; i < all.size(); i++) {
        if (!free(all.get(i))) {
          continue;
        }
        for (int j : index.meeting(all.get(i).polygon().box().grown(distance))) {
          if (j > i && free(all.get(j))) {
            pairs += match(i, j);
          }
        }
      }
      return pairs;
    }

    List<Surface> out() {
      List<Surface> out = new ArrayList<>();
      for (int i = 0; i < all.size(); i++) {
        out.addAll(made.get(i));
        out.addAll(left.get(i));
      }
      return out;
    }

    private boolean free(Surface s) {
      return s.sides().size() == 1 && !s.type().isShading() && s.polygon().area() > 0;
    }

    private int match(int i, int j) {
      Polygon a = all.get(i).polygon();
      Polygon b = all.get(j).polygon();
      boolean one = all.get(i).sides().get(0).space().equals(all.get(j).sides().get(0).space());
      Plane plane = a.plane();
      double apart = plane.distance(b.mean());
      boolean facing =
          180 - plane.angleTo(b.plane()) < tolerance.angle()
              && apart > -tolerance.gap()
              && apart <= distance;
      if (one || !facing) {
        return 0;
      }
      int n = 0;
      for (Surface p : List.copyOf(left.get(i))) {
        for (Surface q : List.copyOf(left.get(j))) {
          n += pair(i, j, p, q);
        }
      }
      return n;
    }

    private int pair(int i, int j, Surface p, Surface q) {
      if (!left.get(i).contains(p) || !left.get(j).contains(q)) {
        return 0;
      }
      List<Polygon> common =
          Reshape.clean(PlanarOverlay.intersection(p.polygon(), q.polygon()), tolerance).stream()
              .filter(c -> c.area() > LEAST)
              .toList();
      if (common.isEmpty()) {
        return 0;
      }
      List<Polygon> mine = new ArrayList<>(common);
      mine.addAll(rest(p.polygon(), common));
      List<Surface> pieces = Reshape.pieces(p, whole(p.polygon(), mine), keys, tolerance);
      List<Polygon> theirs = new ArrayList<>();
      for (Polygon c : common) {
        theirs.add(Reshape.mapped(c, q.polygon().plane()::project));
      }
      theirs.addAll(rest(q.polygon(), common));
      List<Surface> others = Reshape.pieces(q, whole(q.polygon(), theirs), keys, tolerance);
      for (int k = 0; k < common.size(); k++) {
        made.get(i).add(joined(pieces.get(k), others.get(k)));
      }
      left.get(i).remove(p);
      left.get(i).addAll(pieces.subList(common.size(), pieces.size()));
      left.get(j).remove(q);
      left.get(j).addAll(others.subList(common.size(), others.size()));
      return common.size();
    }

    /** One part that covers the whole is the outline as it was. */
    private List<Polygon> whole(Polygon p, List<Polygon> parts) {
      return parts.size() == 1 ? List.of(p) : parts;
    }

    private List<Polygon> rest(Polygon p, List<Polygon> common) {
      List<Polygon> rest = List.of(p);
      for (Polygon c : common) {
        rest = rest.stream().flatMap(r -> PlanarOverlay.difference(r, c).stream()).toList();
      }
      double wide = tolerance.gap() / 2;
      return Reshape.clean(rest, tolerance).stream()
          .filter(r -> r.area() > wide * r.perimeter())
          .toList();
    }

    private Surface joined(Surface a, Surface b) {
      double apart = Math.abs(a.polygon().plane().distance(b.polygon().mean()));
      boolean one = apart < tolerance.length();
      List<Opening> openings = new ArrayList<>(a.openings());
      openings.addAll(MatchSurfaces.moved(a, b));
      SurfaceType type = types.betweenSpaces(a.polygon().tilt());
      return a.withSides(
              List.of(
                  Side.of(a.sides().get(0).space(), one ? null : a.polygon()),
                  Side.of(b.sides().get(0).space(), one ? null : b.polygon())))
          .withType(type)
          .withConstruction(a.construction() != null ? a.construction() : b.construction())
          .withThickness(one ? a.thickness() : Double.valueOf(apart))
          .withOpenings(openings);
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Matches all surfaces that face each other within %.2f m, and splits them where their outlines differ.",
        distance);
  }
}
