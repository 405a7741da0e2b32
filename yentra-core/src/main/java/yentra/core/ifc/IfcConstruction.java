package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.Barrier;
import yentra.core.boundary.Cut;
import yentra.core.boundary.DeliveredBoundary.Role;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;
import yentra.core.model.Element;

/**
 * What an IFC model has of construction that can lie between spaces, and of openings through it.
 * Stairs, ramps, furniture and the like separate nothing.
 */
final class IfcConstruction {
  private static final String[] SEPARATING = {"IfcWall", "IfcSlab", "IfcRoof", "IfcCurtainWall"};
  private static final String[] LINING = {
    "IfcCovering", "IfcPlate", "IfcBuildingElementProxy", "IfcChimney"
  };
  private static final String[] FRAME = {
    "IfcColumn", "IfcBeam", "IfcMember", "IfcFooting", "IfcPile"
  };
  private static final int DEEPEST = 8;

  private final IfcModel model;
  private final IfcRelations relations;
  private final Predicate<Element> inScope;

  IfcConstruction(IfcModel model, Predicate<Element> inScope) {
    this.model = model;
    this.relations = model.relations();
    this.inScope = inScope;
  }

  private boolean is(Element e, String... kinds) {
    for (String k : kinds) {
      if (model.isKind(e.entity(), k)) {
        return true;
      }
    }
    return false;
  }

  private Element whole(Element e) {
    return model.element(relations.whole.get(e.number())).orElse(null);
  }

  List<Barrier> barriers() {
    List<Element> solid =
        model.elements().stream().filter(inScope).filter(e -> rank(e) != null).toList();
    solid.parallelStream().forEach(model::body);
    List<Barrier> out = new ArrayList<>();
    for (Element e : solid) {
      List<Polygon> body = model.body(e).faces();
      if (!body.isEmpty()) {
        Element named = named(e);
        boolean known = !model.materials(named).names().isEmpty();
        out.add(new Barrier(named.key(), named.source(), rank(e), body, known));
      }
    }
    return out;
  }

  private Barrier.Rank rank(Element e) {
    Element at = e;
    for (int i = 0; i < DEEPEST && at != null; i++, at = whole(at)) {
      if (is(at, "IfcStair", "IfcRamp", "IfcStairFlight", "IfcRampFlight", "IfcRailing")) {
        return null;
      }
    }
    if (is(e, SEPARATING)) {
      return Barrier.Rank.SEPARATING;
    }
    if (is(e, "IfcWindow", "IfcDoor")) {
      boolean fills = relations.filled.get(e.number()) != 0;
      return fills ? null : Barrier.Rank.FRAME;
    }
    Element named = named(e);
    if (named != e && (is(e, LINING) || is(e, FRAME) || is(e, "IfcBuildingElementPart"))) {
      return Barrier.Rank.SEPARATING;
    }
    return is(e, LINING) ? Barrier.Rank.LINING : is(e, FRAME) ? Barrier.Rank.FRAME : null;
  }

  /** The wall or curtain wall that a part belongs to, or the element itself. */
  private Element named(Element e) {
    Element at = whole(e);
    for (int i = 0; i < DEEPEST && at != null; i++, at = whole(at)) {
      if (is(at, "IfcWall", "IfcCurtainWall", "IfcSlab")) {
        return at;
      }
    }
    return e;
  }

  List<Cut> cuts() {
    List<Cut> out = new ArrayList<>();
    Set<Integer> done = new HashSet<>();
    for (Element o : model.elements()) {
      int host = relations.host.get(o.number());
      if (host == 0 || !is(o, "IfcFeatureElementSubtraction") || !through(o)) {
        continue;
      }
      Element cut = model.element(host).orElse(null);
      List<Element> panels = IfcFilling.panels(model, o);
      panels.forEach(p -> done.add(p.number()));
      for (int f : relations.fillings.get(o.number())) {
        done.add(f);
      }
      if (cut == null) {
        continue;
      }
      // an opening in a wall whose body cannot be read is found by its place
      boolean bare = model.body(cut).isEmpty() && relations.parts.get(host).length == 0;
      String in = bare ? "" : named(cut).key();
      if (panels.size() > 1) {
        for (Element p : panels) {
          out.add(cut(in, p, IfcFilling.role(model, p), model.body(p).faces()));
        }
        continue;
      }
      Element filling = panels.isEmpty() ? null : panels.get(0);
      List<Polygon> body = model.body(o).faces();
      if (body.isEmpty() && filling != null) {
        body = model.body(filling).faces();
      }
      if (!body.isEmpty()) {
        out.add(
            filling == null
                ? cut(in, o, Role.HOLE, body)
                : cut(in, filling, IfcFilling.role(model, filling), body));
      }
    }
    for (Element e : model.elements()) {
      if (inScope.test(e) && !done.contains(e.number())) {
        loose(e, out);
      }
    }
    return out;
  }

  private static Cut cut(String host, Element named, Role role, List<Polygon> body) {
    return new Cut(host, named.key(), named.source(), role, body);
  }

  /** Windows and doors that no opening was cut for, and the glass of curtain walls. */
  private void loose(Element e, List<Cut> out) {
    Element curtain = curtainWall(e);
    boolean lightOrDoor =
        is(e, "IfcWindow", "IfcDoor")
            || curtain != null && is(e, "IfcPlate") && IfcFilling.glass(model, e);
    List<Polygon> body = lightOrDoor ? model.body(e).faces() : List.of();
    if (!body.isEmpty()) {
      Role role = IfcFilling.role(model, e);
      SourceRef source = e.source();
      out.add(new Cut(curtain == null ? "" : curtain.key(), e.key(), source, role, body));
    }
  }

  private Element curtainWall(Element e) {
    Element at = whole(e);
    for (int i = 0; i < DEEPEST && at != null; i++, at = whole(at)) {
      if (is(at, "IfcCurtainWall")) {
        return at;
      }
    }
    return null;
  }

  /** A recess does not go through. */
  private static boolean through(Element opening) {
    return !opening.predefinedType().equals("RECESS");
  }
}
