package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.locationtech.jts.geom.Geometry;
import yentra.core.boundary.Surroundings.Behind;
import yentra.core.boundary.Surroundings.Face;
import yentra.core.geometry.PlaneFrame;

/**
 * A surface in the making.
 *
 * @param outline what both sides see, in the frame
 * @param own the side of the face: the outline and what it takes up beside it
 * @param other the side of the partner, likewise
 */
record SurfaceDraft(
    Region region,
    Face face,
    PlaneFrame frame,
    Face partner,
    org.locationtech.jts.geom.Polygon outline,
    org.locationtech.jts.geom.Polygon own,
    org.locationtech.jts.geom.Polygon other) {
  /** Share of a strip's long side that lies against the part of a wall beside it. */
  private static final double EDGE_BESIDE = 0.9;

  SurfaceDraft(
      Region region,
      Face face,
      PlaneFrame frame,
      Face partner,
      org.locationtech.jts.geom.Polygon outline) {
    this(region, face, frame, partner, outline, outline, outline);
  }

  /** Whether it is nothing but the edge of a plate, such as a ceiling that meets a partition. */
  boolean isEdge() {
    return region.behind() == Behind.CONSTRUCTION && region.sliver();
  }

  boolean isWallBetweenSpaces() {
    return partner != null && region.main() != null;
  }

  private org.locationtech.jts.geom.Polygon side(Face f) {
    return face == f ? own : other;
  }

  private Geometry here(SurfaceDraft edge) {
    return frame.project(edge.frame.lift(edge.outline).get(0));
  }

  /** How far an edge runs along it, in metres. */
  double along(SurfaceDraft edge) {
    Geometry strip = here(edge);
    double union = Region.union(List.of(side(edge.face), strip)).getLength();
    return (side(edge.face).getLength() + strip.getLength() - union) / 2;
  }

  /** The same with the edge on its side, or null when they do not make one polygon. */
  SurfaceDraft with(SurfaceDraft edge) {
    if (Region.union(List.of(side(edge.face), here(edge))).norm()
        instanceof org.locationtech.jts.geom.Polygon p) {
      return face == edge.face
          ? new SurfaceDraft(region, face, frame, partner, outline, p, other)
          : new SurfaceDraft(region, face, frame, partner, outline, own, p);
    }
    return null;
  }

  /**
   * The edge of a thin plate between two parts of a wall is no surface by itself: it widens the
   * side of the space that sees it, so that its shell stays closed, while what heat flows through
   * stays what both spaces see. A strip that has such a part along one side only is an end of
   * construction like any other.
   */
  static List<SurfaceDraft> withEdges(List<SurfaceDraft> drafts) {
    Map<Integer, List<Integer>> walls = new HashMap<>();
    for (int i = 0; i < drafts.size(); i++) {
      SurfaceDraft d = drafts.get(i);
      if (d.isWallBetweenSpaces()) {
        walls.computeIfAbsent(d.face.number(), k -> new ArrayList<>()).add(i);
        walls.computeIfAbsent(d.partner.number(), k -> new ArrayList<>()).add(i);
      }
    }
    SurfaceDraft[] out = drafts.toArray(SurfaceDraft[]::new);
    for (int e = 0; e < out.length; e++) {
      SurfaceDraft edge = out[e];
      if (edge.isEdge()) {
        double side = EDGE_BESIDE * edge.outline.getLength() / 2;
        List<Integer> beside =
            walls.getOrDefault(edge.face.number(), List.of()).stream()
                .filter(i -> out[i].along(edge) > side)
                .toList();
        SurfaceDraft wider = beside.size() < 2 ? null : out[beside.get(0)].with(edge);
        if (wider != null) {
          out[beside.get(0)] = wider;
          out[e] = null;
        }
      }
    }
    return Arrays.stream(out).filter(Objects::nonNull).toList();
  }
}
