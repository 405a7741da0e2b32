package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Makes spaces of volumes that surfaces enclose and no space covers. The surfaces around a volume
 * become its own, cut where they reach beyond it; what bridges their gaps becomes new surfaces.
 *
 * @param seeds a name for each volume, and a place in it
 */
public record AddSpaces(List<SpaceSeed> seeds) implements Repair {
  public AddSpaces {
    seeds = List.copyOf(seeds);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (seeds.isEmpty()) {
      throw new NotApplicableException("No volume is named.");
    }
    EnclosedVolumes found = EnclosedVolumes.of(e, rules);
    Envelope out = e;
    for (SpaceSeed seed : seeds) {
      EnclosedVolumes.Volume volume =
          found.volumes().stream()
              .filter(v -> new SolidProbe(v.found().body()).contains(seed.inside()))
              .findFirst()
              .orElseThrow(
                  () ->
                      new NotApplicableException(
                          "Nothing encloses the place of "
                              + seed.name()
                              + ", or a space covers it already."));
      out = new Making(out, rules).space(seed.name(), volume);
    }
    return out;
  }

  /** One space in the making. */
  private static final class Making {
    private final Envelope envelope;
    private final Rules rules;
    private final Tolerance tolerance;
    private final List<Surface> surfaces = new ArrayList<>();
    private final Set<String> keys = new HashSet<>();

    Making(Envelope envelope, Rules rules) {
      this.rules = rules;
      this.envelope = envelope;
      this.tolerance = rules.tolerance();
      envelope.surfaces().forEach(s -> keys.add(s.key()));
    }

    Envelope space(String name, EnclosedVolumes.Volume volume) {
      Set<String> taken = new HashSet<>();
      envelope.spaces().forEach(s -> taken.add(s.key()));
      Space space =
          Space.of(EnclosedVolumes.key(volume.found(), taken))
              .with()
              .name(name)
              .storey(volume.storey())
              .building(envelope.buildings().stream().map(Building::key).findFirst().orElse(null))
              .shell(volume.found().body())
              .build();
      Map<Polygon, List<Polygon>> covered = new HashMap<>();
      for (Surface s : envelope.surfaces()) {
        boolean free = s.sides().size() < 2 && !s.type().isShading();
        Surface left = s;
        for (Polygon face : volume.found().body()) {
          if (free && left != null && onePlane(face, left.polygon())) {
            left = share(left, face, space, covered);
          }
        }
        if (left != null) {
          surfaces.add(left);
        }
      }
      for (Polygon face : volume.found().body()) {
        close(face, covered.getOrDefault(face, List.of()), space);
      }
      List<Space> spaces = new ArrayList<>(envelope.spaces());
      spaces.add(space);
      return envelope.withSpaces(spaces).withSurfaces(surfaces);
    }

    private boolean onePlane(Polygon a, Polygon b) {
      double angle = a.plane().angleTo(b.plane());
      return Math.min(angle, 180 - angle) < tolerance.angle()
          && b.outer().stream().allMatch(v -> Math.abs(a.plane().distance(v)) < tolerance.gap());
    }

    /** Gives the space its part of a surface, and returns what is left of that, or null. */
    private Surface share(
        Surface s, Polygon face, Space space, Map<Polygon, List<Polygon>> covered) {
      List<Polygon> common = clean(PlanarOverlay.intersection(face, s.polygon()));
      if (common.isEmpty()) {
        return s;
      }
      List<Polygon> rest = clean(PlanarOverlay.difference(s.polygon(), face));
      covered.computeIfAbsent(face, k -> new ArrayList<>()).addAll(common);
      List<Opening> openings = new ArrayList<>(s.openings());
      for (int i = 0; i < common.size(); i++) {
        // a surface that lies within the face keeps its key and its own outline
        boolean whole = rest.isEmpty() && common.size() == 1;
        Polygon part = whole ? s.polygon() : turned(common.get(i), s.polygon());
        surfaces.add(piece(whole ? s : renamed(s), part, face, space, openings));
      }
      if (rest.isEmpty()) {
        return null;
      }
      Polygon first = turned(rest.get(0), s.polygon());
      List<Opening> own = within(first, openings);
      for (Polygon more : rest.subList(1, rest.size())) {
        Polygon part = turned(more, s.polygon());
        surfaces.add(bare(renamed(s), part).withOpenings(within(part, openings)));
      }
      return bare(s, first).withOpenings(own);
    }

    private Surface piece(
        Surface s, Polygon part, Polygon face, Space space, List<Opening> openings) {
      List<Side> sides = new ArrayList<>();
      Polygon polygon = part;
      if (s.sides().isEmpty()) {
        polygon = part.normal().dot(face.normal()) < 0 ? part.reversed() : part;
        sides.add(Side.of(space.key()));
      } else {
        sides.add(s.sides().get(0).withFace(null));
        sides.add(Side.of(space.key()));
      }
      SurfaceType type =
          sides.size() == 2 && !s.type().isInterior() && s.type() != SurfaceType.AIR
              ? rules.types().betweenSpaces(polygon.tilt())
              : s.type();
      Surface out = s.withPolygon(polygon, sides).withOpenings(within(polygon, openings));
      return type == s.type() ? out : out.withType(type);
    }

    /** The surface with another outline, and its one side, if it has one, along with it. */
    private static Surface bare(Surface s, Polygon part) {
      return s.withPolygon(part, s.sides().stream().map(x -> x.withFace(null)).toList());
    }

    private List<Opening> within(Polygon part, List<Opening> openings) {
      return openings.stream()
          .filter(o -> PlanarOverlay.commonArea(part, o.polygon()) > 0.5 * o.polygon().area())
          .toList();
    }

    private static Polygon turned(Polygon p, Polygon like) {
      return p.normal().dot(like.normal()) < 0 ? p.reversed() : p;
    }

    private List<Polygon> clean(List<Polygon> parts) {
      double edge = tolerance.gap();
      return parts.stream()
          .filter(p -> p.area() > Math.max(1e-3, edge * p.perimeter() / 2))
          .map(p -> Straightening.of(p, tolerance))
          .toList();
    }

    private Surface renamed(Surface s) {
      return Surface.of(free(s.key()), s.type(), s.polygon(), BoundaryKind.REPAIRED)
          .with()
          .name(s.name())
          .sides(s.sides())
          .construction(s.construction())
          .thickness(s.thickness())
          .source(s.source())
          .element(s.element())
          .extras(s.extras())
          .build();
    }

    private String free(String base) {
      for (int i = 1; ; i++) {
        if (keys.add(base + "_p" + i)) {
          return base + "_p" + i;
        }
      }
    }

    /** Surfaces for what nothing covers. */
    private void close(Polygon face, List<Polygon> covered, Space space) {
      List<Polygon> open = List.of(face);
      for (Polygon c : covered) {
        open = open.stream().flatMap(o -> PlanarOverlay.difference(o, c).stream()).toList();
      }
      for (Polygon gap : clean(open)) {
        surfaces.add(
            Surface.of(
                    free("closing-" + space.key()),
                    rules.types().outdoor(face.tilt()),
                    turned(gap, face),
                    BoundaryKind.REPAIRED)
                .withSides(List.of(Side.of(space.key()))));
      }
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return seeds.size() == 1
        ? "Makes a space of the enclosed volume " + seeds.get(0).name() + "."
        : "Makes spaces of " + seeds.size() + " enclosed volumes.";
  }
}
