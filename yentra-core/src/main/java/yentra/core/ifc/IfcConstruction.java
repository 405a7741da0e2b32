package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
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
      Element filling = model.element(relations.filling.get(o.number())).orElse(null);
      Element named = filling == null ? o : filling;
      List<Polygon> body = model.body(o).faces();
      if (body.isEmpty() && filling != null) {
        body = model.body(filling).faces();
      }
      if (filling != null) {
        done.add(filling.number());
      }
      if (cut != null && !body.isEmpty()) {
        out.add(
            new Cut(
                // an opening in a wall whose body cannot be read is found by its place
                model.body(cut).isEmpty() && relations.parts.get(host).length == 0
                    ? ""
                    : named(cut).key(),
                named.key(),
                named.source(),
                filling == null ? Role.HOLE : IfcFilling.role(model, filling),
                body));
      }
    }
    for (Element e : model.elements()) {
      if (inScope.test(e) && !done.contains(e.number())) {
        loose(e, out);
      }
    }
    return out;
  }

  /** Windows and doors that no opening was cut for, and the glass of curtain walls. */
  private void loose(Element e, List<Cut> out) {
    Element curtain = curtainWall(e);
    boolean lightOrDoor =
        is(e, "IfcWindow", "IfcDoor") || curtain != null && is(e, "IfcPlate") && glass(e);
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

  /** Light passes through what is made of glass; where nothing is said, a panel is glass. */
  private boolean glass(Element e) {
    List<String> names = new ArrayList<>(model.materials(e).names());
    names.addAll(model.materials(e).aliases());
    return names.isEmpty()
        || names.stream()
            .map(n -> n.toLowerCase(Locale.ROOT))
            .anyMatch(n -> n.matches(".*(glas|glaz|verre|vitr|vidrio|vetro|szkł|sklo).*"));
  }

  /** A recess does not go through. */
  private static boolean through(Element opening) {
    return !opening.predefinedType().equals("RECESS");
  }
}
