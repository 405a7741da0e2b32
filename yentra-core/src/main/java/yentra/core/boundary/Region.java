package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.PrecisionModel;
import yentra.core.boundary.Surroundings.Behind;
import yentra.core.boundary.Surroundings.Sight;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Vec3;

/**
 * A connected part of a face with the same thing behind it.
 *
 * @param target number of the face that looks back, or −1
 * @param main the element that names it, or null
 * @param through all elements behind it
 * @param depth of construction, in metres
 * @param outline in the face's frame
 * @param inside a point of the face well inside of it
 */
record Region(
    Behind behind,
    int target,
    Barrier main,
    List<Barrier> through,
    double depth,
    org.locationtech.jts.geom.Polygon outline,
    Vec3 inside) {
  private static final PrecisionModel GRID = new PrecisionModel(1e5);

  /** Parts narrower than this, or smaller, are slivers: metres, square metres. */
  private static final double NARROW = 0.02;

  private static final double SMALL = 0.005;

  private record Alike(Behind behind, int target, String element) {}

  /** The regions of a face from its cells. */
  static List<Region> of(PlaneFrame frame, List<FaceCells.Cell> cells, List<Sight> sights) {
    Map<Alike, List<Integer>> groups = new LinkedHashMap<>();
    for (int i = 0; i < cells.size(); i++) {
      Sight s = sights.get(i);
      Barrier main = main(s.through());
      groups
          .computeIfAbsent(
              new Alike(s.behind(), s.target(), main == null ? "" : main.element()),
              k -> new ArrayList<>())
          .add(i);
    }
    List<Region> out = new ArrayList<>();
    for (Map.Entry<Alike, List<Integer>> g : groups.entrySet()) {
      List<Integer> members = g.getValue();
      Geometry union = union(members.stream().map(i -> (Geometry) cells.get(i).outline()).toList());
      for (int k = 0; k < union.getNumGeometries(); k++) {
        if (union.getGeometryN(k).norm() instanceof org.locationtech.jts.geom.Polygon p
            && !p.isEmpty()) {
          List<Integer> own =
              members.stream().filter(i -> p.covers(point(frame, cells.get(i).inside()))).toList();
          // the largest cell speaks for the region
          int first =
              own.stream()
                  .max(
                      Comparator.comparingDouble((Integer i) -> cells.get(i).outline().getArea())
                          .thenComparing(Comparator.reverseOrder()))
                  .orElse(members.get(0));
          Sight s = sights.get(first);
          List<Barrier> through =
              own.stream().flatMap(i -> sights.get(i).through().stream()).distinct().toList();
          out.add(
              new Region(
                  s.behind(),
                  s.target(),
                  main(s.through()),
                  through.isEmpty() ? s.through() : through,
                  s.depth(),
                  p,
                  cells.get(first).inside()));
        }
      }
    }
    return out;
  }

  private static Geometry point(PlaneFrame frame, Vec3 p) {
    return new GeometryFactory().createPoint(frame.to2d(p));
  }

  static Geometry union(List<Geometry> parts) {
    return RobustOverlay.union(parts, GRID);
  }

  /** The element that separates: of the best rank, one that is known, the first of them. */
  static Barrier main(List<Barrier> through) {
    return through.stream()
        .min(
            Comparator.comparing(Barrier::rank)
                .thenComparing(b -> !b.known())
                .thenComparing(Barrier::element))
        .orElse(null);
  }

  boolean sameBehind(Region o) {
    return behind == o.behind && target == o.target;
  }

  /** Whether only one space is concerned, so that it may grow without a partner. */
  boolean single() {
    return behind == Behind.OUTDOOR || behind == Behind.GROUND || behind == Behind.VOID;
  }

  boolean sliver() {
    double area = outline.getArea();
    return area < SMALL || 2 * area / outline.getLength() < NARROW;
  }

  /** Belongs to the wall or slab beside it rather than being something by itself. */
  boolean minor() {
    return main == null || main.rank() == Barrier.Rank.FRAME;
  }

  /**
   * Joins what is no surface by itself to what lies beside it: slivers, columns and gaps to a part
   * with the same behind it; where asked, strips of construction to outdoor air, ground or void.
   */
  static List<Region> absorbed(List<Region> regions, boolean strips) {
    List<Region> out = new ArrayList<>(regions);
    boolean changed = true;
    while (changed && out.size() > 1) {
      changed = false;
      for (int i = 0; i < out.size() && !changed; i++) {
        Region r = out.get(i);
        int home = home(r, out, strips);
        if (home >= 0) {
          Region h = out.get(home);
          Geometry u = union(List.of(h.outline, r.outline));
          if (u.norm() instanceof org.locationtech.jts.geom.Polygon p) {
            out.set(home, h.with(p, r.behind == Behind.CONSTRUCTION ? List.of() : r.through));
            out.remove(i);
            changed = true;
          }
        }
      }
    }
    return out;
  }

  private static int home(Region r, List<Region> all, boolean strips) {
    boolean sliver = r.sliver();
    boolean minor = r.minor() && r.behind != Behind.CONSTRUCTION;
    boolean strip = r.behind == Behind.CONSTRUCTION && strips;
    if (!sliver && !minor && !strip) {
      return -1;
    }
    int best = -1;
    double longest = 1e-3;
    for (int i = 0; i < all.size(); i++) {
      Region o = all.get(i);
      boolean fits =
          o != r
              && (r.sameBehind(o) && (sliver || minor && !o.minor())
                  || strip && o.single()
                  || sliver && r.single() && o.single());
      if (fits) {
        double shared = r.outline.intersection(o.outline).getLength();
        if (shared > longest) {
          longest = shared;
          best = i;
        }
      }
    }
    return best;
  }

  private Region with(org.locationtech.jts.geom.Polygon p, List<Barrier> more) {
    return new Region(
        behind,
        target,
        main,
        Stream.concat(through.stream(), more.stream()).distinct().toList(),
        depth,
        p,
        inside);
  }
}
