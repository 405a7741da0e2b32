package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Where the body of a space cannot be read, what it would have been found behind seems to face
 * outdoor air. A wall or slab that the delivery says is internal, or that an internal boundary of
 * such a space names, leads nowhere known instead.
 */
final class TowardsUnread {
  private TowardsUnread() {}

  /**
   * @param named MadeGlobalId of elements that internal boundaries of spaces without a body name
   */
  static List<Surface> of(
      List<Surface> surfaces, List<Space> spaces, ArchitecturalModel model, Set<String> named) {
    if (spaces.stream().noneMatch(s -> s.shell().isEmpty())) {
      return surfaces;
    }
    Set<String> internal = new HashSet<>(named);
    for (Element e : model.elements()) {
      Property p = model.property(e, "", "IsExternal").orElse(null);
      if (p != null && p.value() instanceof PropertyValue.Logical l && !l.value()) {
        internal.add(e.source().id());
      }
    }
    List<Surface> out = new ArrayList<>(surfaces.size());
    for (Surface s : surfaces) {
      boolean unknown =
          s.kind() == BoundaryKind.DERIVED_2A
              && s.exposure() == Exposure.OUTDOOR
              && s.element() != null
              && internal.contains(s.element().id());
      out.add(unknown ? s.withType(SurfaceType.UNRESOLVED) : s);
    }
    return out;
  }

  /** MadeGlobalId of elements that internal boundaries of spaces without a body name. */
  static Set<String> beside(IfcModel model, List<Space> spaces) {
    StepFile file = model.file();
    Set<String> without = new HashSet<>();
    spaces.stream().filter(s -> s.shell().isEmpty()).forEach(s -> without.add(s.source().id()));
    Set<String> out = new HashSet<>();
    for (int b :
        file.ofType(
            "IFCRELSPACEBOUNDARY", "IFCRELSPACEBOUNDARY1STLEVEL", "IFCRELSPACEBOUNDARY2NDLEVEL")) {
      StepInstance r = file.get(b);
      StepInstance space = r == null ? null : file.get(r.ref(4));
      StepInstance element = r == null ? null : file.get(r.ref(5));
      boolean beside = space != null && element != null && without.contains(space.text(0));
      if (beside && r.enumeration(8).equals("INTERNAL")) {
        out.add(element.text(0));
      }
    }
    return out;
  }
}
