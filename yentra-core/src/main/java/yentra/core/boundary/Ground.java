package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Vec3;

/**
 * Where the ground is: the terrain's surface, and a level wherever there is none. Metres, model
 * coordinates. Safe for several threads.
 */
public final class Ground {
  /** Terrain is looked for from this far above a place, in metres. */
  private static final double ABOVE = 10_000;

  /**
   * A floor's upper face lies at most so far above the ground that carries it: common practice, no
   * source; in metres.
   */
  private static final double CARRIED = 0.6;

  private final double level;
  private final List<Polygon> faces;
  private final ProbeScene scene;
  private final BoxIndex index;

  private Ground(double level, List<Polygon> faces) {
    this.level = level;
    this.faces = List.copyOf(faces);
    List<SolidProbe> probes = new ArrayList<>();
    faces.forEach(f -> probes.add(new SolidProbe(List.of(f))));
    this.scene = new ProbeScene(probes);
    this.index = new BoxIndex(probes.stream().map(SolidProbe::box).toList());
  }

  public static Ground level(double level) {
    return new Ground(level, List.of());
  }

  /**
   * The uppermost of the terrain's faces, and the level outside of them. Upright faces are left
   * out.
   */
  public static Ground terrain(List<Polygon> faces, double level) {
    return new Ground(
        level,
        faces.stream().filter(f -> f.area() > 0 && Math.abs(f.normal().z()) > 1e-3).toList());
  }

  /**
   * Whether a floor rests on the ground, with what lies under it: the same for boundaries as
   * delivered and as derived.
   *
   * @param floor its upper face
   */
  boolean carries(Vec3 floor) {
    return floor.z() <= at(floor) + CARRIED;
  }

  /** Height of the ground at a place, whatever that place's own height. */
  public double at(Vec3 p) {
    if (faces.isEmpty()) {
      return level;
    }
    Vec3 from = new Vec3(p.x(), p.y(), p.z() + ABOVE);
    double down = scene.first(from, Vec3.Z.negated(), 0, 2 * ABOVE);
    return Double.isInfinite(down) ? level : from.z() - down;
  }

  /** Adds the lines along which the ground passes a face, so that its cells lie on one side. */
  void cut(Box near, FaceCells cells) {
    cells.addLevel(level);
    for (int i : index.meeting(near)) {
      cells.addSurface(faces.get(i));
    }
  }
}
