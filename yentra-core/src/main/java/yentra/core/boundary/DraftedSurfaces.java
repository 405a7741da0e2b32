package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import yentra.core.boundary.Surroundings.Behind;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.StableKeys;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;

/** Makes surfaces of drafts: their key, type, sides, openings, construction. */
final class DraftedSurfaces {
  private final List<Room> rooms;
  private final Ground ground;
  private final SurfaceTypes types;
  private final Tolerance tolerance;
  private final OpeningProjection projection;
  private final BoundaryMatching.Constructions constructions;
  private final StableKeys keys = new StableKeys();

  DraftedSurfaces(
      List<Room> rooms,
      Ground ground,
      Rules rules,
      OpeningProjection projection,
      BoundaryMatching.Constructions constructions) {
    this.rooms = rooms;
    this.ground = ground;
    this.types = rules.types();
    this.tolerance = rules.tolerance();
    this.projection = projection;
    this.constructions = constructions;
  }

  Surface of(SurfaceDraft d) {
    Region r = d.region();
    Room room = rooms.get(d.face().room());
    Room other = d.partner() == null ? null : rooms.get(d.partner().room());
    Polygon face = lifted(d.frame(), d.outline());
    Barrier main = r.main();
    boolean air = r.behind() == Behind.SPACE && main == null && r.depth() <= tolerance.gap();
    String key =
        keys.of(
            "su_",
            room.key(),
            other == null ? r.behind().name() : other.key(),
            main == null ? "" : main.element());
    List<Side> sides = new ArrayList<>();
    sides.add(Side.of(room.key(), d.own() == d.outline() ? face : lifted(d.frame(), d.own())));
    if (other != null) {
      Polygon back = d.other() == d.outline() ? face : lifted(d.frame(), d.other());
      sides.add(Side.of(other.key(), onto(back, d.partner().polygon().plane())));
    }
    DeliveredBoundary known = boundary(key, room.key(), face, main);
    List<Opening> openings =
        air || r.behind() == Behind.CONSTRUCTION || r.behind() == Behind.OVERLAP
            ? List.of()
            : projection.in(key, room.key(), d.frame(), d.outline(), r, constructions);
    return Surface.of(
            key,
            air ? SurfaceType.AIR : type(r, face),
            face,
            air
                ? BoundaryKind.VIRTUAL
                : r.behind() == Behind.CONSTRUCTION
                    ? BoundaryKind.DERIVED_2B
                    : BoundaryKind.DERIVED_2A)
        .with()
        .name(main == null ? "" : main.source().name())
        .sides(sides)
        .construction(air || main == null ? null : constructions.construction(known))
        .thickness(thickness(r, other != null, known))
        .source(main == null ? room.source() : main.source())
        .element(main == null ? null : main.source())
        .openings(openings)
        .build();
  }

  private Polygon lifted(PlaneFrame frame, org.locationtech.jts.geom.Polygon outline) {
    return Straightening.of(frame.lift(outline).get(0), tolerance);
  }

  /** Of spaces that touch in the middle of a wall what its layers say. */
  private Double thickness(Region r, boolean pair, DeliveredBoundary known) {
    if (pair && r.main() != null && r.depth() <= tolerance.gap()) {
      return constructions.thickness(known);
    }
    return pair || r.behind() == Behind.GROUND || r.behind() == Behind.OUTDOOR
        ? Double.valueOf(Math.max(0, r.depth()))
        : null;
  }

  static DeliveredBoundary boundary(String key, String space, Polygon face, Barrier main) {
    return new DeliveredBoundary(
        key,
        space,
        face,
        main == null ? null : main.source(),
        main == null ? "" : main.element(),
        "",
        DeliveredBoundary.Role.SURFACE,
        false,
        DeliveredBoundary.OtherSide.NOT_SAID,
        "",
        null,
        null);
  }

  private SurfaceType type(Region r, Polygon face) {
    double tilt = face.tilt();
    return switch (r.behind()) {
      case SPACE, CONSTRUCTION -> types.betweenSpaces(tilt);
      case OUTDOOR -> types.outdoor(tilt);
      case GROUND -> types.ground(tilt, ground.at(face.mean()) - face.box().max().z());
      case VOID, OVERLAP -> SurfaceType.UNRESOLVED;
    };
  }

  /** The polygon projected onto a plane that faces it, in the direction of that plane. */
  private static Polygon onto(Polygon p, Plane plane) {
    return new Polygon(
            p.outer().stream().map(plane::project).toList(),
            p.holes().stream().map(h -> h.stream().map(plane::project).toList()).toList())
        .reversed();
  }
}
