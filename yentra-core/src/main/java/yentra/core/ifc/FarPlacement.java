package yentra.core.ifc;

import java.util.List;
import java.util.Optional;
import yentra.core.envelope.ReadNote;
import yentra.core.geometry.Vec3;
import yentra.core.step.StepInstance;

/** Which placement carries a model far away from the origin of its file. */
final class FarPlacement {
  private FarPlacement() {}

  /** A note on the first site, building, storey or space that stands far away, if one does. */
  static Optional<ReadNote> of(IfcModel model) {
    if (model.localOrigin().equals(Vec3.ZERO)) {
      return Optional.empty();
    }
    for (String type : new String[] {"IFCSITE", "IFCBUILDING", "IFCBUILDINGSTOREY", "IFCSPACE"}) {
      for (int id : model.file().ofType(type)) {
        StepInstance i = model.file().get(id);
        Vec3 at = i == null || i.ref(5) == 0 ? null : place(model, i);
        if (at != null && Math.hypot(at.x(), at.y()) > IfcModel.FAR) {
          int[] line = model.file().place(id);
          return Optional.of(
              ReadNote.of(
                      ReadNote.Kind.FAR_AWAY,
                      "The placement of "
                          + model.entities().proper(type)
                          + " "
                          + i.text(2)
                          + " carries the model away")
                  .on("ObjectPlacement", "")
                  .measured(Math.hypot(at.x(), at.y()))
                  .at(line[0], line[1])
                  .naming(List.of(i.text(0))));
        }
      }
    }
    return Optional.empty();
  }

  private static Vec3 place(IfcModel model, StepInstance i) {
    try {
      return model.placements().local(i.ref(5)).origin().plus(model.localOrigin());
    } catch (IfcGeometryException e) {
      // what cannot be placed is reported with the element's body
      return null;
    }
  }
}
