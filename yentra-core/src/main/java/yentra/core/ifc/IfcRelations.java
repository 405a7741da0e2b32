package yentra.core.ifc;

import yentra.core.step.IntLists;
import yentra.core.step.IntMap;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** How the instances of a file belong together, by instance number. */
final class IfcRelations {
  /** Part to whole, by IfcRelAggregates and IfcRelNests. */
  final IntMap whole = new IntMap();

  /** Whole to parts. */
  final IntLists parts = new IntLists();

  /** Element to the spatial structure that contains it. */
  final IntMap container = new IntMap();

  /** Part to whole by IfcRelNests only. */
  final IntMap nest = new IntMap();

  /** Opening to the element it is cut from, and back. */
  final IntMap host = new IntMap();

  final IntLists openings = new IntLists();

  /** Opening to all that fills it, and back. */
  final IntLists fillings = new IntLists();

  final IntMap filled = new IntMap();

  /** Occurrence to type. */
  final IntMap type = new IntMap();

  /** Object to property and quantity sets. */
  final IntLists sets = new IntLists();

  /** Object to material. */
  final IntMap material = new IntMap();

  /** Object to classification references. */
  final IntLists classifications = new IntLists();

  /** Object to groups, zones and systems. */
  final IntLists groups = new IntLists();

  /** Representation or item to presentation layer. */
  final IntMap layer = new IntMap();

  IfcRelations(StepFile file) {
    both(file, "IFCRELAGGREGATES");
    both(file, "IFCRELNESTS");
    file.each("IFCRELNESTS", r -> r.refs(5).forEach(c -> nest.putIfAbsent(c, r.ref(4))));
    for (String t :
        new String[] {"IFCRELCONTAINEDINSPATIALSTRUCTURE", "IFCRELREFERENCEDINSPATIALSTRUCTURE"}) {
      file.each(t, r -> r.refs(4).forEach(e -> container.putIfAbsent(e, r.ref(5))));
    }
    file.each(
        "IFCRELVOIDSELEMENT",
        r -> {
          host.putIfAbsent(r.ref(5), r.ref(4));
          openings.add(r.ref(4), r.ref(5));
        });
    file.each(
        "IFCRELFILLSELEMENT",
        r -> {
          fillings.add(r.ref(4), r.ref(5));
          filled.putIfAbsent(r.ref(5), r.ref(4));
        });
    file.each("IFCRELDEFINESBYTYPE", r -> r.refs(4).forEach(o -> type.putIfAbsent(o, r.ref(5))));
    file.each("IFCRELDEFINESBYPROPERTIES", this::properties);
    file.each(
        "IFCRELASSOCIATESMATERIAL", r -> r.refs(4).forEach(o -> material.putIfAbsent(o, r.ref(5))));
    file.each(
        "IFCRELASSOCIATESCLASSIFICATION",
        r -> r.refs(4).forEach(o -> classifications.add(o, r.ref(5))));
    for (String t : new String[] {"IFCRELASSIGNSTOGROUP", "IFCRELASSIGNSTOGROUPBYFACTOR"}) {
      file.each(t, r -> r.refs(4).forEach(o -> groups.add(o, r.ref(6))));
    }
    for (String t :
        new String[] {"IFCPRESENTATIONLAYERASSIGNMENT", "IFCPRESENTATIONLAYERWITHSTYLE"}) {
      file.each(t, l -> l.refs(2).forEach(i -> layer.putIfAbsent(i, l.id())));
    }
  }

  private void both(StepFile file, String type) {
    file.each(
        type,
        r -> {
          for (int child : r.refs(5)) {
            whole.putIfAbsent(child, r.ref(4));
            parts.add(r.ref(4), child);
          }
        });
  }

  /** IFC4 allows several sets at once, as a typed list. */
  private void properties(StepInstance r) {
    r.refs(4).forEach(o -> definitions(r).forEach(s -> this.sets.add(o, s)));
  }

  /** The sets of an IfcRelDefinesByProperties: one, or all of an IfcPropertySetDefinitionSet. */
  static java.util.List<Integer> definitions(StepInstance r) {
    return r.get(5) instanceof yentra.core.step.StepValue.Typed t
            && t.value() instanceof yentra.core.step.StepValue.ListOf l
        ? StepInstance.refs(l.items())
        : java.util.List.of(r.ref(5));
  }

  /** The element that an opening, or what fills it, was cut into, or 0. */
  int hostOf(int element) {
    int opening = filled.get(element);
    return host.get(opening == 0 ? element : opening);
  }
}
