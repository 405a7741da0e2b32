package yentra.core.model;

import java.util.List;
import java.util.Optional;
import yentra.core.geometry.Polygon;

/**
 * What the architect delivered, before anything is left out. Elements are in the order of the file;
 * properties, materials and bodies are read when asked for. May be read by several threads.
 */
public interface ArchitecturalModel {
  /** The schema that the delivery states, such as {@code IFC4}; empty when it has none. */
  String schema();

  List<Element> elements();

  Optional<Element> element(String key);

  /** Objects that are no part of the building: the project and the types of elements. */
  List<Element> definitions();

  /** The value of an attribute by its name in the standard, in SI units; empty when not given. */
  Optional<PropertyValue> attribute(Element element, String name);

  /** Property and quantity sets: the element's own before those of its type. */
  List<PropertySet> properties(Element element);

  Element.Materials materials(Element element);

  List<Classification> classifications(Element element);

  /** Keys and relation names of what the element is part of, the nearest first. */
  List<Whole> wholes(Element element);

  Body body(Element element);

  /**
   * The body without the holes that openings cut in it. Where they cannot be cut, the body as a
   * whole, which says so among its approximations.
   */
  default Body netBody(Element element) {
    return body(element);
  }

  /**
   * Faces of the body that the file draws as see-through, in model coordinates; empty where it says
   * nothing of how bodies are drawn.
   */
  default List<Polygon> seeThrough(Element element) {
    return List.of();
  }

  /** Whether a class is another or a subtype of it; capitals do not matter. */
  boolean isKind(String entity, String of);

  /** The model of a delivery that is read as an envelope only: no elements. */
  static ArchitecturalModel none() {
    return NoModel.INSTANCE;
  }

  /**
   * Something that an element is part of.
   *
   * @param relation such as {@code IfcRelAggregates}
   */
  record Whole(String relation, Element whole) {}

  /** The first property of this name, in the set named or, when that is empty, in any. */
  default Optional<Property> property(Element element, String set, String name) {
    for (PropertySet s : properties(element)) {
      if (set.isEmpty() || s.name().equals(set)) {
        Optional<Property> p = s.property(name);
        if (p.isPresent()) {
          return p;
        }
      }
    }
    return Optional.empty();
  }
}
