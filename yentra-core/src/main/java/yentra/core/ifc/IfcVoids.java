package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.model.Body;
import yentra.core.model.Element;

/**
 * Cuts the holes of openings (IfcRelVoidsElement) out of the bodies of elements. Bodies that do not
 * close, or have more than {@link #MOST_FACES} faces, stay whole.
 */
final class IfcVoids {
  private static final int MOST_FACES = 1500;

  private final IfcModel model;
  private final Tolerance tolerance;
  private final Map<Integer, List<Element>> openings = new HashMap<>();

  IfcVoids(IfcModel model, Tolerance tolerance) {
    this.model = model;
    this.tolerance = tolerance;
    for (Element e : model.elements()) {
      int host = model.relations().host.get(e.number());
      if (host != 0) {
        openings.computeIfAbsent(host, k -> new ArrayList<>()).add(e);
      }
    }
  }

  Body net(Element e) {
    Body body = model.body(e);
    List<Element> holes = openings.getOrDefault(e.number(), List.of());
    if (holes.isEmpty() || body.isEmpty()) {
      return body;
    }
    List<Polygon> left = outward(body.faces());
    boolean whole = left == null;
    for (Element hole : holes) {
      List<Polygon> cut = outward(model.body(hole).faces());
      if (left == null || cut == null || left.size() + cut.size() > MOST_FACES) {
        whole = true;
      } else if (!cut.isEmpty() && Shell.of(left).box().intersects(Shell.of(cut).box())) {
        left = SolidOverlay.difference(left, cut, tolerance);
      }
    }
    List<String> said = new ArrayList<>(body.approximations());
    if (whole) {
      said.add("openings not cut");
    }
    return new Body(left == null ? body.faces() : left, body.chordError(), said, body.problem());
  }

  /** The faces pointing outwards, or null when they do not close. */
  private List<Polygon> outward(List<Polygon> faces) {
    Shell s = Shell.of(faces);
    if (faces.size() > MOST_FACES || s.closureError() > Math.max(1e-3, tolerance.length())) {
      return null;
    }
    return s.signedVolume() < 0 ? faces.stream().map(Polygon::reversed).toList() : faces;
  }
}
