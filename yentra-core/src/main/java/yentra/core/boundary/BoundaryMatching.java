package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Orientation;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Box;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;

/**
 * Makes surfaces of delivered second-level boundaries: boundaries of two spaces that face each
 * other across the same element become one interior surface, windows and doors become openings of
 * the surface they lie in, and types follow from tilt and from what the delivery says of the other
 * side.
 *
 * <p>Two boundaries are a pair when they belong to different spaces and the same element (or are
 * both virtual), their normals are opposite, they lie at most {@link #THICKEST} apart with each
 * behind the other, and each covers the other to at least {@link #PAIR_SHARE} in projection. Of
 * several candidates the one with the largest common area is taken. Pairs that the delivery names
 * are tried first, but held to the same test.
 */
public final class BoundaryMatching {
  /** Thickest construction across which two boundaries can be a pair, in metres. */
  static final double THICKEST = 1.0;

  /** Least share of either boundary that must face the other. */
  static final double PAIR_SHARE = 0.95;

  /**
   * An opening's boundary may lie this far from its surface's plane, in metres (reveals, frames).
   */
  private static final double OPENING_DEPTH = 0.05;

  private final Tolerance tolerance;
  private final Ground ground;
  private final SurfaceTypes types;

  /** The delivery tells earth from air, so that a side it calls external is air. */
  private boolean tellsEarth;

  /**
   * @param types which tilts are roofs, walls and floors
   */
  public BoundaryMatching(Ground ground, SurfaceTypes types, Tolerance tolerance) {
    this.ground = ground;
    this.types = types;
    this.tolerance = tolerance;
  }

  /** The result: surfaces in the order of the boundaries, and openings that lie in none. */
  public record Matched(List<Surface> surfaces, List<Opening> orphans) {}

  /** Gives the construction of an element seen as a surface or opening, and its thickness. */
  public interface Constructions {
    /** For models of which nothing but the geometry is known. */
    Constructions NONE =
        new Constructions() {
          @Override
          public String construction(DeliveredBoundary b) {
            return null;
          }

          @Override
          public String glazing(DeliveredBoundary b) {
            return null;
          }

          @Override
          public Double thickness(DeliveredBoundary b) {
            return null;
          }
        };

    String construction(DeliveredBoundary b);

    String glazing(DeliveredBoundary b);

    Double thickness(DeliveredBoundary b);
  }

  public Matched match(List<DeliveredBoundary> boundaries, Constructions constructions) {
    tellsEarth = boundaries.stream().anyMatch(b -> b.side() == DeliveredBoundary.OtherSide.EARTH);
    Map<String, List<DeliveredBoundary>> bySpace = new HashMap<>();
    boundaries.stream()
        .filter(b -> !b.isOpening())
        .forEach(w -> bySpace.computeIfAbsent(w.space(), k -> new ArrayList<>()).add(w));
    Map<String, List<DeliveredBoundary>> children = new HashMap<>();
    List<Opening> orphans = new ArrayList<>();
    for (DeliveredBoundary o : boundaries) {
      if (o.isOpening()) {
        DeliveredBoundary parent = parent(o, bySpace.getOrDefault(o.space(), List.of()));
        if (parent == null) {
          orphans.add(opening(o, constructions, types));
        } else {
          children.computeIfAbsent(parent.key(), k -> new ArrayList<>()).add(o);
        }
      }
    }
    List<DeliveredBoundary> walls =
        boundaries.stream()
            .filter(b -> !b.isOpening())
            .map(w -> whole(w, children.getOrDefault(w.key(), List.of())))
            .toList();
    Map<String, DeliveredBoundary> partner = pairs(walls);
    List<Surface> surfaces = new ArrayList<>();
    Set<String> done = new HashSet<>();
    for (DeliveredBoundary w : walls) {
      if (done.add(w.key())) {
        DeliveredBoundary other = partner.get(w.key());
        if (other != null) {
          done.add(other.key());
        }
        surfaces.add(surface(w, other, children, constructions));
      }
    }
    return new Matched(surfaces, orphans);
  }

  /**
   * Some deliveries leave out the openings' area from the wall's boundary; it is put back, since a
   * surface holds its openings.
   */
  private DeliveredBoundary whole(DeliveredBoundary w, List<DeliveredBoundary> openings) {
    Polygon face = w.face();
    for (DeliveredBoundary o : openings) {
      if (PlanarOverlay.areaOutside(o.face(), face) > tolerance.length()) {
        List<Polygon> union = PlanarOverlay.union(List.of(face, o.face()));
        face = union.size() == 1 ? Straightening.of(union.get(0), tolerance) : face;
      }
    }
    return w.withFace(face);
  }

  private Map<String, DeliveredBoundary> pairs(List<DeliveredBoundary> walls) {
    Map<String, List<DeliveredBoundary>> groups = new HashMap<>();
    Map<String, DeliveredBoundary> byKey = new HashMap<>();
    for (DeliveredBoundary w : walls) {
      byKey.put(w.key(), w);
      if (w.side() != DeliveredBoundary.OtherSide.EXTERNAL
          && w.side() != DeliveredBoundary.OtherSide.EARTH
          && w.side() != DeliveredBoundary.OtherSide.CONSTRUCTION) {
        groups
            .computeIfAbsent(w.virtual() ? "virtual" : w.elementKey(), k -> new ArrayList<>())
            .add(w);
      }
    }
    Map<String, DeliveredBoundary> partner = new HashMap<>();
    for (DeliveredBoundary w : walls) {
      DeliveredBoundary named = byKey.get(w.corresponding());
      if (named != null
          && !partner.containsKey(w.key())
          && !partner.containsKey(named.key())
          && common(w, named) > 0) {
        partner.put(w.key(), named);
        partner.put(named.key(), w);
      }
    }
    for (DeliveredBoundary w : walls) {
      if (partner.containsKey(w.key())) {
        continue;
      }
      groups.getOrDefault(w.virtual() ? "virtual" : w.elementKey(), List.of()).stream()
          .filter(o -> !partner.containsKey(o.key()))
          .filter(o -> common(w, o) > 0)
          .max(
              Comparator.comparingDouble((DeliveredBoundary o) -> common(w, o))
                  .thenComparing(DeliveredBoundary::key))
          .ifPresent(
              o -> {
                partner.put(w.key(), o);
                partner.put(o.key(), w);
              });
    }
    return partner;
  }

  /** The area two boundaries share if they are a pair, or 0. */
  private double common(DeliveredBoundary a, DeliveredBoundary b) {
    // what stands in a room has it on both sides; without an element nothing does
    if (a.space().equals(b.space()) && a.virtual() || !near(a, b)) {
      return 0;
    }
    Plane p = a.face().plane();
    Plane q = b.face().plane();
    double apart = p.distance(q.point());
    if (180 - p.angleTo(q) > tolerance.angle() || apart < -tolerance.gap() || apart > THICKEST) {
      return 0;
    }
    double common = PlanarOverlay.commonArea(a.face(), b.face());
    return common >= PAIR_SHARE * Math.max(a.face().area(), b.face().area()) ? common : 0;
  }

  private static boolean near(DeliveredBoundary a, DeliveredBoundary b) {
    Box box = a.face().box().grown(THICKEST);
    return box.intersects(b.face().box());
  }

  /**
   * The surface an opening belongs to: coplanar with it, and covering at least half of it; or,
   * where the delivery has cut the opening out of the wall's boundary, touching it along an edge.
   * The wall that the delivery names as its host goes first.
   */
  private DeliveredBoundary parent(DeliveredBoundary o, List<DeliveredBoundary> walls) {
    DeliveredBoundary best = null;
    double most = 0;
    for (DeliveredBoundary w : walls) {
      if (w.virtual() || !w.face().box().grown(OPENING_DEPTH).intersects(o.face().box())) {
        continue;
      }
      Plane p = w.face().plane();
      double off =
          o.face().outer().stream().mapToDouble(v -> Math.abs(p.distance(v))).max().orElse(1);
      if (off > OPENING_DEPTH) {
        continue;
      }
      double common = PlanarOverlay.commonArea(w.face(), o.face());
      boolean covers = common > 0.5 * o.face().area();
      boolean touches = covers || PlanarOverlay.union(List.of(w.face(), o.face())).size() == 1;
      double score =
          (covers ? 2 : touches ? 1 : 0)
              + (w.elementKey().equals(o.hostKey()) && touches ? 4 : 0)
              + common / (1 + common);
      if (touches && score > most) {
        most = score;
        best = w;
      }
    }
    return best;
  }

  private Surface surface(
      DeliveredBoundary w,
      DeliveredBoundary other,
      Map<String, List<DeliveredBoundary>> children,
      Constructions constructions) {
    List<Side> sides = new ArrayList<>();
    sides.add(Side.of(w.space(), w.face()));
    if (other != null) {
      sides.add(Side.of(other.space(), other.face()));
    }
    List<DeliveredBoundary> own = children.getOrDefault(w.key(), List.of());
    List<Opening> openings = new ArrayList<>();
    Set<String> elements = new HashSet<>();
    for (DeliveredBoundary o : own) {
      openings.add(opening(o, constructions, types));
      elements.add(o.elementKey());
    }
    if (other != null) {
      for (DeliveredBoundary o : children.getOrDefault(other.key(), List.of())) {
        if (elements.add(o.elementKey())) {
          openings.add(opening(o, constructions, types).withPolygon(moved(o, w)));
        }
      }
    }
    boolean air = w.virtual();
    return Surface.of(
            w.key(),
            type(w, other),
            w.face(),
            air
                ? BoundaryKind.VIRTUAL
                : w.side() == DeliveredBoundary.OtherSide.CONSTRUCTION && other == null
                    ? BoundaryKind.READ_2B
                    : BoundaryKind.READ)
        .with()
        .name(w.element() == null ? "" : w.element().name())
        .sides(sides)
        .construction(air ? null : constructions.construction(w))
        .thickness(thickness(w, other, constructions))
        .source(w.source())
        .element(w.element())
        .openings(openings)
        .build();
  }

  private static Double thickness(
      DeliveredBoundary w, DeliveredBoundary other, Constructions constructions) {
    return other == null
        ? constructions.thickness(w)
        : Double.valueOf(Math.abs(w.face().plane().distance(other.face().plane().point())));
  }

  /** The opening of the other side, moved into this side's plane and direction. */
  private static Polygon moved(DeliveredBoundary o, DeliveredBoundary w) {
    Plane p = w.face().plane();
    return Polygon.of(o.face().outer().stream().map(p::project).toList()).reversed();
  }

  private SurfaceType type(DeliveredBoundary w, DeliveredBoundary other) {
    if (w.stated() != null) {
      return w.stated();
    }
    double tilt = w.face().tilt();
    if (w.virtual()) {
      return SurfaceType.AIR;
    }
    if (other != null
        || w.side() == DeliveredBoundary.OtherSide.INTERNAL
        || w.side() == DeliveredBoundary.OtherSide.CONSTRUCTION) {
      return types.betweenSpaces(tilt);
    }
    return switch (w.side()) {
      case EARTH -> onEarth(w);
      case EXTERNAL -> !tellsEarth && inEarth(w) ? onEarth(w) : types.outdoor(tilt);
      default -> SurfaceType.UNRESOLVED;
    };
  }

  private SurfaceType onEarth(DeliveredBoundary w) {
    return types.ground(w.face().tilt(), groundAt(w) - w.face().box().max().z());
  }

  private double groundAt(DeliveredBoundary w) {
    return ground.at(w.face().mean());
  }

  /** IFC2X3 says only EXTERNAL of what is in the ground, so its height decides. */
  private boolean inEarth(DeliveredBoundary w) {
    return switch (types.outdoor(w.face().tilt())) {
      case ROOF -> false;
      case EXPOSED_FLOOR -> ground.carries(w.face().mean());
      default -> w.face().box().centre().z() < groundAt(w) - 0.3;
    };
  }

  static Opening opening(DeliveredBoundary o, Constructions constructions, SurfaceTypes types) {
    double tilt = o.face().tilt();
    OpeningType type =
        switch (o.role()) {
          case WINDOW ->
              types.orientation(tilt) == Orientation.UP
                  ? OpeningType.FIXED_SKYLIGHT
                  : OpeningType.FIXED_WINDOW;
          case DOOR -> OpeningType.NON_SLIDING_DOOR;
          default -> OpeningType.AIR;
        };
    return Opening.of(o.key(), type, o.face())
        .with()
        .name(o.element() == null ? "" : o.element().name())
        .construction(
            type == OpeningType.AIR ? null : type.isGlazed() ? null : constructions.construction(o))
        .glazing(constructions.glazing(o))
        .source(o.source())
        .element(o.element())
        .build();
  }
}
