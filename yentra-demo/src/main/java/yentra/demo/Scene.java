package yentra.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Zone;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * A small authoring library: rooms given as volumes become an envelope whose surfaces are split
 * where neighbours differ, with openings, constructions and shading.
 */
final class Scene {
  private static final Tolerance TOLERANCE = Tolerance.standard();
  private final List<Room> rooms = new ArrayList<>();
  private final List<Surface> surfaces = new ArrayList<>();
  private final List<Storey> storeys = new ArrayList<>();
  private final List<Zone> zones = new ArrayList<>();
  private final List<Construction> constructions = new ArrayList<>();
  private final List<Layer> layers = new ArrayList<>();
  private final List<Material> materials = new ArrayList<>();
  private final List<Glazing> glazings = new ArrayList<>();
  private final Map<String, ScheduleProfile> people = new LinkedHashMap<>();
  private int nextSurface = 1;
  private int nextOpening = 1;

  Scene storey(String key, String name, double level) {
    storeys.add(
        new Storey(key, name, level, "bldg-1", source("BuildingStorey", key, name), Extras.NONE));
    return this;
  }

  Scene zone(String key, String name, Double heating, Double cooling) {
    zones.add(
        Zone.of(key)
            .with()
            .name(name)
            .heatingSetPoint(heating)
            .coolingSetPoint(cooling)
            .source(source("Zone", key, name))
            .build());
    return this;
  }

  /** When people are in a room. */
  Scene people(String space, ScheduleProfile when) {
    people.put(space, when);
    return this;
  }

  /** A construction of materials from outside to inside; each is {name, thickness m, λ, ρ, c}. */
  Scene construction(String key, String name, Object[]... build) {
    List<String> keys = new ArrayList<>();
    for (Object[] m : build) {
      String mat = "mat-" + (materials.size() + 1);
      keys.add(mat);
      materials.add(
          new Material(
              mat,
              (String) m[0],
              (Double) m[1],
              (Double) m[2],
              (Double) m[3],
              (Double) m[4],
              null,
              source("Material", mat, (String) m[0]),
              Extras.NONE));
    }
    String layer = "lay-" + (layers.size() + 1);
    layers.add(new Layer(layer, name, keys, source("Layer", layer, name), Extras.NONE));
    constructions.add(
        new Construction(
            key, name, List.of(layer), null, source("Construction", key, name), Extras.NONE));
    return this;
  }

  Scene glazing(String key, String name, double u, double shgc, double vt) {
    glazings.add(new Glazing(key, name, u, shgc, vt, source("WindowType", key, name), Extras.NONE));
    return this;
  }

  Scene room(Room r) {
    rooms.add(r);
    return this;
  }

  private static SourceRef source(String element, String id, String name) {
    return new SourceRef(element, id, name, 0, 0);
  }

  /** Says what type and construction a piece of a room's boundary has. */
  interface Typing {
    /** {@code other} is null where nothing of the scene lies behind. */
    SurfaceType type(Room room, Room other, Polygon face);

    String construction(SurfaceType type);
  }

  /** Splits the rooms' faces by their neighbours and makes the surfaces. */
  Scene enclose(Typing typing) {
    for (int i = 0; i < rooms.size(); i++) {
      for (Polygon face : rooms.get(i).faces()) {
        List<Polygon> rest = new ArrayList<>(List.of(face));
        for (int j = 0; j < rooms.size(); j++) {
          if (i == j) {
            continue;
          }
          for (Polygon other : rooms.get(j).faces()) {
            if (!facing(face, other)) {
              continue;
            }
            List<Polygon> left = new ArrayList<>();
            for (Polygon piece : rest) {
              List<Polygon> shared = PlanarOverlay.intersection(piece, other);
              for (Polygon s : shared) {
                if (i < j && s.area() > 1e-6) {
                  add(rooms.get(i), rooms.get(j), clean(s), typing);
                }
              }
              left.addAll(
                  shared.isEmpty() ? List.of(piece) : PlanarOverlay.difference(piece, other));
            }
            rest = left;
          }
        }
        for (Polygon piece : rest) {
          if (piece.area() > 1e-6) {
            add(rooms.get(i), null, clean(piece), typing);
          }
        }
      }
    }
    return this;
  }

  private static Polygon clean(Polygon p) {
    return Straightening.of(p, TOLERANCE);
  }

  private static boolean facing(Polygon a, Polygon b) {
    Plane p = a.plane();
    return a.normal().dot(b.normal()) < -0.999999
        && Math.abs(p.distance(b.plane().point())) < 1e-6
        && PlanarOverlay.commonArea(a, b) > 1e-6;
  }

  private void add(Room room, Room other, Polygon face, Typing typing) {
    SurfaceType type = typing.type(room, other, face);
    // floors between rooms are drawn on the upper room, as the standard's convention has it for
    // interior floors
    boolean swap = other != null && face.tilt() < 60;
    Polygon polygon = swap ? face.reversed() : face;
    List<Side> sides = new ArrayList<>();
    sides.add(Side.of(swap ? other.key() : room.key()));
    if (other != null) {
      sides.add(Side.of(swap ? room.key() : other.key()));
    }
    surfaces.add(
        surface(
            swap ? SurfaceType.INTERIOR_FLOOR : type, polygon, sides, typing.construction(type)));
  }

  private Surface surface(
      SurfaceType type, Polygon polygon, List<Side> sides, String construction) {
    String key = "su-" + nextSurface++;
    String cad = String.valueOf(210400 + 7 * nextSurface);
    return Surface.of(key, type, polygon, BoundaryKind.READ)
        .with()
        .sides(sides)
        .construction(construction)
        .source(source("Surface", key, ""))
        .element(new SourceRef("CADObjectId", cad, "", 0, 0))
        .build();
  }

  Scene shade(Polygon p) {
    surfaces.add(surface(SurfaceType.SHADE, p, List.of(), null));
    return this;
  }

  /**
   * Puts an opening into the surface at a place.
   *
   * @param at a point on the surface: the middle of the opening
   * @param width along the surface, m
   * @param height up the surface, m
   */
  Scene opening(
      OpeningType type,
      String space,
      Vec3 at,
      double width,
      double height,
      String glazing,
      String construction) {
    for (int i = 0; i < surfaces.size(); i++) {
      Surface s = surfaces.get(i);
      Plane plane = s.polygon().plane();
      if (s.isAdjacentTo(space) && Math.abs(plane.distance(at)) < 1e-6 && holds(s.polygon(), at)) {
        PlaneFrame f = PlaneFrame.of(plane);
        Vec3 u = f.u().times(width / 2);
        Vec3 v = f.v().times(height / 2);
        Polygon p =
            Polygon.of(
                at.minus(u).minus(v), at.plus(u).minus(v), at.plus(u).plus(v), at.minus(u).plus(v));
        String key = "op-" + nextOpening++;
        List<Opening> openings = new ArrayList<>(s.openings());
        openings.add(
            Opening.of(key, type, p)
                .with()
                .construction(construction)
                .glazing(glazing)
                .source(source("Opening", key, ""))
                .element(
                    new SourceRef(
                        "CADObjectId", String.valueOf(330100 + 3 * nextOpening), "", 0, 0))
                .build());
        surfaces.set(i, s.withOpenings(openings));
        return this;
      }
    }
    throw new IllegalArgumentException("no surface of " + space + " at " + at);
  }

  private static boolean holds(Polygon p, Vec3 at) {
    PlaneFrame f = PlaneFrame.of(p.plane());
    return f.project(p)
        .contains(new org.locationtech.jts.geom.GeometryFactory().createPoint(f.to2d(at)));
  }

  Envelope envelope(Site site, String building, String use) {
    List<Space> spaces = new ArrayList<>();
    Schedules schedules = Schedules.NONE;
    double floor = 0;
    for (Room r : rooms) {
      InternalGains gains = InternalGains.NONE;
      if (people.containsKey(r.key())) {
        String key = "sched-" + (schedules.years().size() + 1);
        schedules = schedules.plus(key, people.get(r.key()), Set.of());
        gains = gains.withSchedules(new InternalGains.GainSchedules(key, null, null));
      }
      double area = r.faces().stream().filter(f -> f.tilt() > 120).mapToDouble(Polygon::area).sum();
      double volume = Shell.of(r.faces()).signedVolume();
      floor += area;
      spaces.add(
          Space.of(r.key())
              .with()
              .name(r.name())
              .storey(r.storey())
              .zone(r.zone())
              .building("bldg-1")
              .use(r.use())
              .condition(r.condition())
              .gains(gains)
              .statedFloorArea(round(area))
              .statedVolume(round(volume))
              .shell(r.faces())
              .source(source("Space", r.key(), r.name()))
              .build());
    }
    return Envelope.of(
        Envelope.Parts.of(
                Delivered.si(Delivered.GBXML, "6.01", yentra.core.geometry.Vec3.ZERO), site)
            .with()
            .buildings(
                List.of(
                    new Building(
                        "bldg-1",
                        building,
                        use,
                        round(floor),
                        source("Building", "bldg-1", building),
                        Extras.NONE)))
            .storeys(storeys)
            .zones(zones)
            .spaces(spaces)
            .surfaces(surfaces)
            .constructions(constructions)
            .layers(layers)
            .materials(materials)
            .glazings(glazings)
            .schedules(schedules)
            .build());
  }

  private static double round(double d) {
    return Math.round(d * 100) / 100.0;
  }
}
