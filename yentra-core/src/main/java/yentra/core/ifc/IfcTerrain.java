package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import yentra.core.geometry.Polygon;
import yentra.core.model.Element;

/** The surface of the ground, where the file has one: the shape of its site, or of its terrain. */
final class IfcTerrain {
  private IfcTerrain() {}

  static List<Polygon> of(IfcModel model, Predicate<Element> inScope) {
    List<Polygon> out = new ArrayList<>();
    for (Element e : model.elements()) {
      boolean terrain =
          model.isKind(e.entity(), "IfcSite")
              || model.isKind(e.entity(), "IfcGeographicElement")
                  && e.predefinedType().equals("TERRAIN");
      if (terrain && inScope.test(e)) {
        out.addAll(model.body(e).faces());
      }
    }
    return out;
  }
}
