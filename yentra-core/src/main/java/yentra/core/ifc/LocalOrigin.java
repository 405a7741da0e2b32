package yentra.core.ifc;

import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** Where a model stands in its file's world coordinates. */
final class LocalOrigin {
  private LocalOrigin() {}

  /**
   * A whole-metre point near the first placed storey, space or element that stands farther than
   * {@link IfcModel#FAR} from the origin; the origin itself when the model stands near it. Heights
   * are left alone unless they are as far.
   */
  static Vec3 of(StepFile file, IfcSchema schema, IfcUnits units) {
    IfcPlacements world = new IfcPlacements(file, schema, units, Vec3.ZERO);
    for (String type : new String[] {"IFCSPACE", "IFCBUILDINGSTOREY", "IFCBUILDING", "IFCSITE"}) {
      for (int id : file.ofType(type)) {
        Vec3 at = place(file, schema, world, id);
        if (at != null) {
          return far(at) ? rounded(at) : Vec3.ZERO;
        }
      }
    }
    return Vec3.ZERO;
  }

  private static boolean far(Vec3 p) {
    return Math.hypot(p.x(), p.y()) > IfcModel.FAR || Math.abs(p.z()) > 10 * IfcModel.FAR;
  }

  private static Vec3 rounded(Vec3 p) {
    return new Vec3(
        Math.rint(p.x()),
        Math.rint(p.y()),
        Math.abs(p.z()) > 10 * IfcModel.FAR ? Math.rint(p.z()) : 0);
  }

  private static Vec3 place(StepFile file, IfcSchema schema, IfcPlacements world, int id) {
    StepInstance i = file.get(id);
    if (i == null || i.ref(5) == 0) {
      return null;
    }
    try {
      Transform t = world.local(i.ref(5));
      return t.origin();
    } catch (IfcGeometryException e) {
      // said again, and reported, when the element's body is read
      return null;
    }
  }
}
