package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.GroundLevel;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.Keys;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;

/**
 * Adds a space by its footprint and height, with a floor, walls and a roof of its own.
 *
 * @param footprint corners in plan, in order; their heights are not looked at
 * @param floor height of the floor, metres
 * @param height of the room, metres
 * @param storey key, or null for the highest storey that begins at or below the floor
 */
public record AddSpace(
    String name, List<Vec3> footprint, double floor, double height, String storey)
    implements Repair {
  private static final double HIGHEST = 500;

  public AddSpace {
    footprint = footprint == null ? List.of() : List.copyOf(footprint);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (name == null || name.isBlank()) {
      throw new NotApplicableException("The space needs a name.");
    }
    if (!(height > rules.tolerance().gap() && height <= HIGHEST) || !Double.isFinite(floor)) {
      throw new NotApplicableException("The height must lie between 0.01 and 500 m.");
    }
    Polygon plan =
        Reshape.outline(
            footprint.stream().map(v -> new Vec3(v.x(), v.y(), floor)).toList(), rules.tolerance());
    List<Vec3> ring = plan.normal().z() < 0 ? plan.reversed().outer() : plan.outer();
    List<Vec3> top = ring.stream().map(v -> v.plus(Vec3.Z.times(height))).toList();
    List<Polygon> faces = new ArrayList<>();
    faces.add(Polygon.of(ring).reversed());
    for (int i = 0; i < ring.size(); i++) {
      int j = (i + 1) % ring.size();
      faces.add(Polygon.of(ring.get(i), ring.get(j), top.get(j), top.get(i)));
    }
    faces.add(Polygon.of(top));
    Keys keys = new Keys(e);
    String key = keys.free("sp_added_");
    double ground = GroundLevel.of(e);
    List<Surface> surfaces = new ArrayList<>(e.surfaces());
    for (Polygon p : faces) {
      surfaces.add(
          Surface.of(
                  keys.free("su_" + key.substring(3) + "_"),
                  rules.types().exterior(p, ground),
                  p,
                  BoundaryKind.REPAIRED)
              .withSides(List.of(Side.of(key))));
    }
    List<Space> spaces = new ArrayList<>(e.spaces());
    spaces.add(
        Space.of(key)
            .with()
            .name(name.strip())
            .storey(storey != null ? storey : storeyAt(e, rules.tolerance()))
            .building(e.buildings().stream().map(Building::key).findFirst().orElse(null))
            .shell(faces)
            .build());
    return e.withSpaces(spaces).withSurfaces(surfaces);
  }

  private String storeyAt(Envelope e, Tolerance tolerance) {
    Storey best = null;
    for (Storey s : e.storeys()) {
      boolean below = s.level() != null && s.level() <= floor + tolerance.gap();
      if (below && (best == null || s.level() > best.level())) {
        best = s;
      }
    }
    return best == null ? null : best.key();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AddSpace(name, footprint, floor, height, keys.of(storey));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Adds the space %s of %.2f m² and %.2f m height.",
        name,
        Polygon.of(footprint.stream().map(v -> new Vec3(v.x(), v.y(), 0)).toList()).area(),
        height);
  }
}
