package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import yentra.core.boundary.TerrainSkyline;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.model.Element;

/** The surface of the ground, where the file has one: the shape of its site, or of its terrain. */
final class IfcTerrain {
  private IfcTerrain() {}

  static List<Polygon> of(IfcModel model, Predicate<Element> inScope) {
    List<Polygon> out = new ArrayList<>();
    elements(model, inScope).forEach(e -> out.addAll(model.body(e).faces()));
    return out;
  }

  /** What stands above the ground round the spaces, as shading surfaces. */
  static List<Surface> skyline(IfcModel model, Predicate<Element> inScope, List<Space> spaces) {
    List<Element> elements = elements(model, inScope);
    if (elements.isEmpty()) {
      return List.of();
    }
    Box building = Box.EMPTY;
    for (Space s : spaces) {
      for (Polygon p : s.shell()) {
        building = building.union(p.box());
      }
    }
    return TerrainSkyline.of(of(model, inScope), building, elements.get(0).source());
  }

  private static List<Element> elements(IfcModel model, Predicate<Element> inScope) {
    return model.elements().stream()
        .filter(
            e ->
                model.isKind(e.entity(), "IfcSite")
                    || model.isKind(e.entity(), "IfcGeographicElement")
                        && e.predefinedType().equals("TERRAIN"))
        .filter(inScope)
        .toList();
  }
}
