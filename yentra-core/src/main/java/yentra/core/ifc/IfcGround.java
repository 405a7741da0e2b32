package yentra.core.ifc;

import java.util.List;
import java.util.function.Predicate;
import yentra.core.boundary.Ground;
import yentra.core.envelope.ReadNote;
import yentra.core.geometry.Polygon;
import yentra.core.model.Element;
import yentra.core.step.StepInstance;

/** Where the ground lies. */
final class IfcGround {
  private final IfcModel model;
  private final Predicate<Element> inScope;
  private final Double stated;
  private final IfcNotes notes;

  /**
   * @param stated in model coordinates, metres; null for what the file says
   */
  IfcGround(IfcModel model, Predicate<Element> inScope, Double stated, IfcNotes notes) {
    this.model = model;
    this.inScope = inScope;
    this.stated = stated;
    this.notes = notes;
  }

  /** Where the project says it is, else the terrain of the file and the level it states. */
  Ground ground() {
    if (stated != null) {
      return Ground.level(stated);
    }
    List<Polygon> terrain = IfcTerrain.of(model, inScope);
    if (terrain.isEmpty()) {
      return Ground.level(groundLevel());
    }
    notes.assumed(
        "the ground lies where the terrain of the file has its surface ("
            + terrain.size()
            + (terrain.size() == 1 ? " face)" : " faces)"));
    return Ground.terrain(terrain, groundLevel());
  }

  /**
   * ElevationOfTerrain less ElevationOfRefHeight above the building's own placement where stated,
   * else 0.
   */
  private double groundLevel() {
    for (int id : model.file().ofType("IFCBUILDING")) {
      StepInstance b = model.file().get(id);
      if (b != null && b.number(10).isPresent()) {
        return base(b) + (b.number(10).get() - b.number(9).orElse(0.0)) * model.units().length();
      }
    }
    notes.add(ReadNote.Kind.GROUND_ASSUMED, "ground level not stated: 0.00 m assumed");
    return 0;
  }

  /** Height of the building's reference level. */
  private double base(StepInstance building) {
    try {
      return building.ref(5) == 0 ? 0 : model.placements().local(building.ref(5)).origin().z();
    } catch (IfcGeometryException e) {
      notes.at(
          building.id(),
          ReadNote.Kind.LEFT_OUT,
          "",
          "The placement of the building cannot be read: " + e.getMessage() + ".");
      return 0;
    }
  }
}
