package yentra.core.scope;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/** A way to give many elements a value of one property at once. */
public sealed interface ValueChange {
  /**
   * The new value of an element.
   *
   * @param now what it has, if anything
   * @param type the type that the property has elsewhere in the model, or empty
   * @return the value; null takes the property away; what it has leaves it
   * @throws IllegalArgumentException when what was typed is no such value
   */
  PropertyValue of(ArchitecturalModel values, Element e, Optional<PropertyValue> now, String type);

  /** The same typed value for all. */
  record Typed(String text) implements ValueChange {
    @Override
    public PropertyValue of(
        ArchitecturalModel values, Element e, Optional<PropertyValue> now, String type) {
      return TypedValue.read(text, type);
    }
  }

  /** Each element's own value of another property; those without it stay as they are. */
  record Copied(String set, String property) implements ValueChange {
    @Override
    public PropertyValue of(
        ArchitecturalModel values, Element e, Optional<PropertyValue> now, String type) {
      PropertyValue from =
          values.property(e, set, property).map(Property::value).orElse(now.orElse(null));
      if (from == null || type.isEmpty() || now.filter(from::equals).isPresent()) {
        return from;
      }
      String unit = from instanceof PropertyValue.Number n ? " " + n.unit() : "";
      return TypedValue.read(from.text() + unit, type);
    }
  }

  /** Some words within the value replaced; values without them stay as they are. */
  record Replaced(String find, String with) implements ValueChange {
    @Override
    public PropertyValue of(
        ArchitecturalModel values, Element e, Optional<PropertyValue> now, String type) {
      if (now.isEmpty() || find.isEmpty() || !now.get().text().contains(find)) {
        return now.orElse(null);
      }
      return TypedValue.read(now.get().text().replace(find, with), type);
    }
  }

  /** The property is taken away. */
  record Removed() implements ValueChange {
    @Override
    public PropertyValue of(
        ArchitecturalModel values, Element e, Optional<PropertyValue> now, String type) {
      return null;
    }
  }

  /**
   * The step that makes this change.
   *
   * @param values the model with the values that were set so far
   * @param where only elements that fit it are changed; null for all
   * @return empty when no element would change
   * @throws IllegalArgumentException when what was typed is no such value, with the reason
   */
  default Optional<ScopeStep.SetValues> step(
      ArchitecturalModel values,
      List<Element> elements,
      String set,
      String property,
      Condition where) {
    String type = type(values, elements, set, property);
    Matching matching = new Matching(values);
    Map<Optional<PropertyValue>, List<String>> changes = new LinkedHashMap<>();
    for (Element e : elements) {
      if (where != null && !matching.check(where, e).met()) {
        continue;
      }
      Optional<Property> there = values.property(e, set, property);
      Optional<PropertyValue> now = there.map(Property::value);
      PropertyValue then = of(values, e, now, type);
      if (then == null ? there.isPresent() : now.filter(then::equals).isEmpty()) {
        changes.computeIfAbsent(Optional.ofNullable(then), k -> new ArrayList<>()).add(e.key());
      }
    }
    if (changes.isEmpty()) {
      return Optional.empty();
    }
    List<ScopeStep.Change> list = new ArrayList<>();
    changes.forEach((v, keys) -> list.add(new ScopeStep.Change(v.orElse(null), keys)));
    return Optional.of(new ScopeStep.SetValues(set, property, valueType(list, type), list));
  }

  /** The type that the property has in the model, or that it has by the standard. */
  private static String type(
      ArchitecturalModel values, List<Element> elements, String set, String property) {
    for (Element e : elements) {
      for (PropertySet s : values.properties(e)) {
        if (s.name().equals(set)) {
          Optional<Property> p = s.property(property).filter(x -> !x.type().isEmpty());
          if (p.isPresent()) {
            return p.get().type();
          }
        }
      }
    }
    return TypedValue.typeOf(property);
  }

  /** The stated type, or that of the first value. */
  private static String valueType(List<ScopeStep.Change> changes, String type) {
    if (!type.isEmpty()) {
      return type;
    }
    for (ScopeStep.Change c : changes) {
      if (c.value() instanceof PropertyValue.Logical) {
        return "IfcBoolean";
      }
      if (c.value() instanceof PropertyValue.Number n) {
        return n.measure().isEmpty() ? "IfcReal" : n.measure();
      }
    }
    return "IfcLabel";
  }
}
